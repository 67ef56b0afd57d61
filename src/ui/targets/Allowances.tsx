'use client';

import { faultsAmong } from '@/core/foundation/quantity/faults';
import { isWholeGap } from '@/core/models/targets/targetEntry';
import type { Allowance } from '@/core/models/targets/papers';
import { useJudgement, useLogging, useMoving, useWords } from '../openBuild/contexts';
import { Table, unseen } from '../shared/Table';
import { TextField } from '../shared/TextField';
import { Button } from '../shared/Button';
import { SelectField } from '../shared/SelectField';
import { DraftForm, useForm } from '../shared/useForm';
import { LengthField } from '../shared/LengthField';
import { Term } from '../shared/Term';

/** Cylinders fitted looser on purpose: what is added to their windows, and why. */
export function Allowances() {
  const judgement = useJudgement();
  const { cylinder } = useMoving();
  const { choose } = useLogging();
  const { length } = useWords();
  const { cylinders } = judgement;
  const { targets: choices } = judgement.choices;
  const labelOf = (id: string): string => cylinders.find((c) => c.id === id)?.label ?? id;
  const put = (allowances: Allowance[]): void => choose('targets', { ...choices, allowances });
  return (
    <section aria-label="Looser on purpose">
      <h2 className="mb-1 text-lg">
        Looser on purpose: <Term word="allowance">allowances</Term>
      </h2>
      <p className="max-w-prose text-soft">
        Some builders give the hottest cylinders, often the end ones, one extra thou. Minimum, aim and limit move up
        together; nothing can be made tighter here.
      </p>
      {choices.allowances.length > 0 && (
        <Table
          caption="Allowances"
          className="mt-2 max-w-2xl"
          rows={choices.allowances}
          keyOf={(a) => a.cylinder}
          columns={[
            ['cylinder', (a) => labelOf(a.cylinder)],
            ['both gaps', (a) => `+ ${length(a.gap)}`, 'num'],
            ['clearance', (a) => `+ ${length(a.clearance, 'clearance')}`, 'num'],
            ['why', (a) => a.reason],
            [
              unseen('remove'),
              (a) => (
                <Button kind="quiet" onClick={() => put(choices.allowances.filter((b) => b.cylinder !== a.cylinder))}>
                  Take out<span className="sr-only"> allowance of cylinder {labelOf(a.cylinder)}</span>
                </Button>
              ),
              'pr-0! text-right',
            ],
          ]}
        />
      )}
      {cylinder && (
        <Add
          key={cylinder.id}
          cylinder={cylinder.id}
          onAdd={(a) => put([...choices.allowances.filter((b) => b.cylinder !== a.cylinder), a])}
        />
      )}
    </section>
  );
}

function Add({ cylinder, onAdd }: { cylinder: string; onAdd: (allowance: Allowance) => void }) {
  const { cylinders } = useJudgement();
  const { units, length } = useWords();
  const form = useForm<Allowance>({
    ...{ name: null, base: { cylinder, gap: 0, clearance: 0, reason: '' }, units },
    faultsOf: (allowance) =>
      faultsAmong({
        gap:
          isWholeGap(allowance) &&
          `${length(Math.max(allowance.gap, allowance.clearance))} more is not an allowance: enter only what is added, about a thou.`,
      }),
    onSet: (allowance) => {
      onAdd(allowance);
      form.drop();
    },
  });
  const { draft, set } = form;
  const isNone = Math.max(draft.gap, draft.clearance) === 0;
  const more = (key: 'gap' | 'clearance', label: string) => (
    <LengthField
      label={label}
      kind="clearance"
      units={units}
      value={draft[key] === 0 ? null : draft[key]}
      onChange={(nm) => set({ [key]: nm ?? 0 })}
      onFault={form.onFault(key)}
    />
  );
  return (
    <DraftForm
      key={form.drawn}
      form={form}
      className="mt-3 grid max-w-2xl items-start gap-3 sm:grid-cols-[7rem_1fr_1fr]"
    >
      <SelectField
        label="Cylinder"
        value={draft.cylinder}
        options={cylinders.map((c) => [c.id, c.label] as const)}
        onChange={(at) => at && set({ cylinder: at })}
      />
      {more('gap', 'Both gaps, more by')}
      {more('clearance', 'Clearance, more by')}
      <div className="sm:col-span-2">
        <TextField label="Why" hint="E.g. end cylinder, runs hottest." maxLength={200} {...form.field('reason')} />
      </div>
      <div className="sm:mt-7">
        <Button kind="accent" type="submit" disabled={form.wrong !== null || isNone}>
          Allow it
        </Button>
      </div>
      {form.wrong && <p className="font-bold text-over sm:col-span-3">{form.wrong}</p>}
    </DraftForm>
  );
}
