'use client';

import { useState } from 'react';
import type { Allowance } from '@/core/models/targets/papers';
import { useJudgement, useLogging, useMoving, useWords } from '../openBuild/contexts';
import { Button } from '../shared/Button';
import { Field } from '../shared/Field';
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
        Some give the hottest cylinders, often the end ones, a thou more. It moves minimum, aim and limit up together;
        nothing can be made tighter here.
      </p>
      {choices.allowances.length > 0 && (
        <table className="ruled mt-2 max-w-2xl">
          <thead>
            <tr>
              <th scope="col">cylinder</th>
              <th scope="col" className="num">
                both gaps
              </th>
              <th scope="col" className="num">
                clearance
              </th>
              <th scope="col">why</th>
              <td />
            </tr>
          </thead>
          <tbody>
            {choices.allowances.map((a) => (
              <tr key={a.cylinder}>
                <th scope="row" className="font-bold! text-ink!">
                  {labelOf(a.cylinder)}
                </th>
                <td className="num">+ {length(a.gap)}</td>
                <td className="num">+ {length(a.clearance, 'clearance')}</td>
                <td>{a.reason}</td>
                <td className="pr-0! text-right">
                  <Button kind="quiet" onClick={() => put(choices.allowances.filter((b) => b.cylinder !== a.cylinder))}>
                    Take out<span className="sr-only"> allowance of cylinder {labelOf(a.cylinder)}</span>
                  </Button>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
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

/** Anything over this is more likely a gap typed whole: 5 thou. From memory. */
const MOST_USUAL = 127_000;

function Add({ cylinder, onAdd }: { cylinder: string; onAdd: (allowance: Allowance) => void }) {
  const judgement = useJudgement();
  const { units, length } = useWords();
  const [at, setAt] = useState(cylinder);
  const [gap, setGap] = useState<number | null>(null);
  const [clearance, setClearance] = useState<number | null>(null);
  const [reason, setReason] = useState('');
  const [faults, setFaults] = useState<{ gap?: string | null; clearance?: string | null }>({});
  const most = Math.max(gap ?? 0, clearance ?? 0);
  const wrong =
    faults.gap ??
    faults.clearance ??
    (most > MOST_USUAL
      ? `${length(most)} more is no allowance: the added part alone is asked for, about a thou.`
      : null) ??
    (most === 0 ? 'Say how much looser.' : null);
  return (
    <form
      className="mt-3 grid max-w-2xl items-start gap-3 sm:grid-cols-[7rem_1fr_1fr]"
      onSubmit={(event) => {
        event.preventDefault();
        if (!wrong) onAdd({ cylinder: at, gap: gap ?? 0, clearance: clearance ?? 0, reason: reason.trim() });
      }}
    >
      <Field label="Cylinder">
        {(props) => (
          <select {...props} className="field" value={at} onChange={(event) => setAt(event.target.value)}>
            {judgement.cylinders.map((c) => (
              <option key={c.id} value={c.id}>
                {c.label}
              </option>
            ))}
          </select>
        )}
      </Field>
      <LengthField
        label="Both gaps, more by"
        kind="clearance"
        units={units}
        value={gap}
        onChange={setGap}
        onFault={(f) => setFaults((all) => ({ ...all, gap: f }))}
      />
      <LengthField
        label="Clearance, more by"
        kind="clearance"
        units={units}
        value={clearance}
        onChange={setClearance}
        onFault={(f) => setFaults((all) => ({ ...all, clearance: f }))}
      />
      <div className="sm:col-span-2">
        <Field label="Why" hint="E.g. end cylinder, runs hottest.">
          {(props) => (
            <input
              {...props}
              className="field"
              maxLength={200}
              value={reason}
              onChange={(event) => setReason(event.target.value)}
            />
          )}
        </Field>
      </div>
      <div className="sm:mt-7">
        <Button kind="accent" type="submit" disabled={wrong !== null}>
          Allow it
        </Button>
      </div>
      {wrong && most > 0 && <p className="font-bold text-over sm:col-span-3">{wrong}</p>}
    </form>
  );
}
