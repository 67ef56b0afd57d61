'use client';

import type { WalkChoices } from '@/core/stages/assembly/walkChoices';
import { parseTorque, torqueText } from '@/core/foundation/quantity/torque';
import { ParsedField } from '../service/ParsedField';
import { useJudgement, useLogging, useWords } from '../openBuild/contexts';
import { DraftForm, FormFoot, useForm } from '../shared/useForm';

const FIELDS: [keyof WalkChoices['turnMost'], string, string][] = [
  ['crank', 'Crank alone, at most', 'To keep it turning, without pistons.'],
  ['all', 'With pistons in, at most', 'After any piston, and with all in.'],
];

/** The most that the crank may take to turn, by the manual or the shop. */
export function RotatingTorqueLimits() {
  const { walk } = useJudgement().choices;
  const { units } = useWords();
  const { choose } = useLogging();
  const form = useForm({
    ...{ name: 'turn-limits', base: walk.turnMost, units },
    onSet: (turnMost) => choose('walk', { ...walk, turnMost }),
  });
  return (
    <details className="shrink-0">
      <summary className="min-h-11 cursor-pointer py-2 font-bold text-blue">The most it may take</summary>
      <DraftForm key={form.drawn} form={form}>
        <div className="grid max-w-xl gap-4 sm:grid-cols-2">
          {FIELDS.map(([key, label, hint]) => {
            const { value: torque, ...field } = form.field(key);
            return (
              <ParsedField
                key={key}
                label={label}
                hint={hint}
                shown={torque === null ? '' : torqueText(torque, units)}
                hear={(text) => parseTorque(text, units)}
                {...field}
              />
            );
          })}
        </div>
        <div className="mt-2">
          <FormFoot form={form} words="Save limits" />
        </div>
      </DraftForm>
    </details>
  );
}
