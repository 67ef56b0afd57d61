'use client';

import { useState } from 'react';
import type { WalkChoices } from '@/core/stages/assembly/walkChoices';
import type { Units } from '@/core/foundation/quantity/length';
import { parseTorque, torqueText } from '@/core/foundation/quantity/torque';
import { ParsedField } from '../service/ParsedField';
import { useJudgement, useLogging, useWords } from '../openBuild/contexts';
import { Button } from '../shared/Button';
import { usePersistedDraft } from '../shared/persistedDraft';

const FIELDS: [keyof WalkChoices['turnMost'], string, string][] = [
  ['crank', 'Crank alone, at most', 'To keep it turning, without pistons.'],
  ['all', 'With pistons in, at most', 'After any piston, and with all in.'],
];

/** The most that the crank may take to turn, by the manual or the shop. */
export function RotatingTorqueLimits() {
  const { walk } = useJudgement().choices;
  const { units } = useWords();
  return <Form key={JSON.stringify(walk.turnMost) + units} walk={walk} units={units} />;
}

function Form({ walk, units }: { walk: WalkChoices; units: Units }) {
  const { choose } = useLogging();
  const [draft, setDraft, left] = usePersistedDraft('turn-limits', walk.turnMost);
  const [faults, setFaults] = useState<Partial<Record<keyof WalkChoices['turnMost'], string | null>>>({});
  const isSame = JSON.stringify(draft) === JSON.stringify(walk.turnMost);
  const isWrong = Object.values(faults).some((fault) => fault !== null);
  return (
    <details className="shrink-0">
      <summary className="min-h-11 cursor-pointer py-2 font-bold text-blue">The most it may take</summary>
      {left}
      <div className="grid max-w-xl gap-4 sm:grid-cols-2">
        {FIELDS.map(([key, label, hint]) => {
          const torque = draft[key];
          return (
            <ParsedField
              key={key}
              label={label}
              hint={hint}
              shown={torque === null ? '' : torqueText(torque, units)}
              hear={(text) => parseTorque(text, units)}
              onChange={(most) => setDraft((d) => ({ ...d, [key]: most }))}
              onFault={(fault) => setFaults((f) => ({ ...f, [key]: fault }))}
            />
          );
        })}
      </div>
      <div className="mt-2">
        <Button kind="accent" disabled={isSame || isWrong} onClick={() => choose('walk', { ...walk, turnMost: draft })}>
          Save limits
        </Button>
      </div>
    </details>
  );
}
