'use client';

import { useState } from 'react';
import type { Supplied as JudgedSupplied, Supply } from '@/core/stages/bores/suppliedSizes';
import type { JudgedCylinder } from '@/core/judge/judgement';
import type { Nm } from '@/core/foundation/quantity/length';
import { printLength } from '@/core/foundation/quantity/format';
import { useJudgement, useLogging, useWords } from '../openBuild/contexts';
import { Button } from '../shared/Button';
import { Field } from '../shared/Field';
import { LengthField } from '../shared/LengthField';
import { usePersistedDraft } from '../shared/persistedDraft';

type What = 'bores' | 'pistons';

const WORDS = {
  bores: {
    one: 'Bore',
    not: 'Bores are not measured here',
    why: 'Nothing is asked for on this stage then: gap targets stand on what is reported of each bore, else on the planned bore.',
    by: 'The shop, the number of its sheet.',
  },
  pistons: {
    one: 'Piston',
    not: 'Pistons are not measured here',
    why: 'Nothing is asked for on this stage then: the clearance that was reported stands on the sheet, and is called out where it would be too tight.',
    by: 'The packet, the maker’s sheet.',
  },
} as const;

/** A bore or a piston, and the size it is found to have. */
const oneOf = (
  what: What,
  c: JudgedCylinder,
): { number: string; label: string; found: JudgedCylinder['bore']['size']; said: JudgedSupplied } =>
  what === 'bores'
    ? { number: c.id, label: c.label, found: c.bore.size, said: c.boreSupplied }
    : { number: c.piston.id, label: c.piston.label, found: c.piston.size, said: c.pistonSupplied };

/** What was ordered and reported of bores or pistons beside what is found, and whether they are measured here at all. */
export function Supplied({ of: what }: { of: What }) {
  const { choices } = useJudgement();
  const [drawn, draw] = useState(0);
  // fields keep what was typed to themselves: set anew or thrown away, they begin with what is set
  return (
    <Form key={`${JSON.stringify(choices.supplied[what])} ${drawn}`} of={what} onDrop={() => draw((n) => n + 1)} />
  );
}

function Form({ of: what, onDrop }: { of: What; onDrop: () => void }) {
  const { choices, job, cylinders } = useJudgement();
  const { choose } = useLogging();
  const { units } = useWords();
  const set = choices.supplied[what];
  const [draft, setDraft, left] = usePersistedDraft<Supply>(`supplied-${what}`, set, onDrop);
  const [faults, setFaults] = useState<Record<string, string | null>>({});
  if (!job) return null;
  const words = WORDS[what];
  const wrong = Object.values(faults).find((f) => f) ?? null;
  const notHere = job.elsewhere.includes(what);
  const kind = what === 'bores' ? 'bore' : 'piston';
  const fault = (field: string) => (found: string | null) => setFaults((f) => ({ ...f, [field]: found }));
  const report = (number: string, size: Nm | null): void =>
    setDraft((d) => ({
      ...d,
      sizes: [...d.sizes.filter((s) => s.number !== number), ...(size === null ? [] : [{ number, size }])].toSorted(
        (a, b) => a.number.localeCompare(b.number),
      ),
    }));
  const [first] = draft.sizes;
  return (
    <div className="grid max-w-3xl gap-4 pt-3">
      {left}
      <div>
        <label className="flex min-h-11 items-center gap-2 font-bold">
          <input
            type="checkbox"
            className="size-5 accent-blue"
            checked={notHere}
            onChange={(event) =>
              choose('job', {
                ...job,
                elsewhere: event.target.checked ? [...job.elsewhere, what] : job.elsewhere.filter((e) => e !== what),
              })
            }
          />
          {words.not}
        </label>
        <p className="text-soft">{words.why}</p>
      </div>
      <div className="grid gap-3 sm:grid-cols-2">
        <LengthField
          label="Ordered"
          kind={kind}
          units={units}
          value={draft.ordered}
          onChange={(ordered) => setDraft((d) => ({ ...d, ordered }))}
          onFault={fault('ordered')}
          hint="The size that was asked for."
        />
        <Field label="Reported by" hint={words.by}>
          {(props) => (
            <input
              {...props}
              className="field"
              maxLength={120}
              value={draft.by}
              onChange={(event) => setDraft((d) => ({ ...d, by: event.target.value }))}
            />
          )}
        </Field>
      </div>
      <table className="ruled">
        <caption className="sr-only">Reported and found sizes</caption>
        <thead>
          <tr>
            <th scope="col">{kind}</th>
            <th scope="col">reported, {units === 'imperial' ? 'in' : 'mm'}</th>
            <th scope="col" className="num">
              found here, {units === 'imperial' ? 'in' : 'mm'}
            </th>
            <th scope="col" className="num">
              found − reported, {units === 'imperial' ? 'thou' : 'mm'}
            </th>
          </tr>
        </thead>
        <tbody>
          {cylinders.map((c) => {
            const { number, label, found, said } = oneOf(what, c);
            const reported = draft.sizes.find((s) => s.number === number)?.size ?? null;
            // as it was judged: what is still being filled in is not yet
            const against = said.reported === reported ? said.against : null;
            return (
              <tr key={number}>
                <th scope="row" className="align-top font-bold! text-ink!">
                  {label}
                </th>
                <td>
                  <LengthField
                    label={`${words.one} ${label}, reported`}
                    isUnseen
                    kind={kind}
                    units={units}
                    value={reported}
                    onChange={(size) => report(number, size)}
                    onFault={fault(number)}
                  />
                </td>
                <td className="num">{found ? printLength(found.value, units, 'size').number : 'not measured'}</td>
                <td className={`num ${against?.agrees === false ? 'font-bold text-over' : ''}`}>
                  {against ? printLength(against.off, units, 'fine').number : '–'}
                  {against?.agrees === false && ' does not agree'}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
      {wrong && <p className="font-bold text-over">{wrong}</p>}
      <div className="flex flex-wrap gap-3">
        <Button
          kind="accent"
          disabled={wrong !== null || JSON.stringify(draft) === JSON.stringify(set)}
          onClick={() => choose('supplied', { ...choices.supplied, [what]: { ...draft, by: draft.by.trim() } })}
        >
          Set what was supplied
        </Button>
        {first && draft.sizes.length < cylinders.length && (
          <Button
            onClick={() => {
              const sizes = cylinders.map((c) => ({ number: oneOf(what, c).number, size: first.size }));
              setDraft((d) => ({ ...d, sizes: sizes.map((s) => d.sizes.find((o) => o.number === s.number) ?? s) }));
            }}
          >
            The others too: {printLength(first.size, units, 'size').number}
          </Button>
        )}
      </div>
    </div>
  );
}
