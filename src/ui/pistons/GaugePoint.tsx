'use client';

import { useState } from 'react';
import { usePersistedDraft } from '../shared/persistedDraft';
import { type PistonChoices, GAUGE_FROM, GAUGE_FROM_WORDS } from '@/core/stages/pistons/piston';
import { printLength } from '@/core/foundation/quantity/format';
import { useJudgement, useLogging, useWords } from '../openBuild/contexts';
import { Accepting } from '../shared/Accepting';
import { Button } from '../shared/Button';
import { LengthsField } from '../shared/LengthsField';
import { SelectField } from '../shared/SelectField';
import { bareOf } from '../shared/shopUnits';
import { StateMark } from '../shared/StateMark';

const REPEATS = ['1', '2', '3', '4', '5'].map((n) => [n, n] as const);

/** Where pistons are measured, how often, and their pins. */
export function GaugePoint() {
  const judgement = useJudgement();
  const { choose } = useLogging();
  const { units, length } = useWords();
  const { pistons } = judgement;
  const { pistons: choices } = judgement.choices;
  const set = (change: Partial<PistonChoices>): void => choose('pistons', { ...choices, ...change });
  const fine = (nm: number): string => printLength(nm, units, 'raw').number;
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-6 pt-3">
      <Form key={JSON.stringify(choices) + units} />
      <section aria-label="Pins">
        <h2 className="text-lg">Pins</h2>
        <label className="flex min-h-11 items-center gap-2">
          <input
            type="checkbox"
            className="size-5 accent-blue"
            checked={choices.pins}
            onChange={(event) => set({ pins: event.target.checked })}
          />
          Pins and pin bores on the route too
        </label>
        <p className="text-soft">
          Pin clearance {length(choices.pin.least, 'fine')} to {length(choices.pin.most, 'fine')}: common practice, no
          source, unless the sheet says otherwise.
        </p>
        <div className="relative overflow-x-auto">
          <table className="ruled mt-1">
            <caption className="sr-only">Pin clearance of every piston</caption>
            <thead>
              <tr>
                <th scope="col">piston</th>
                <th scope="col" className="num">
                  pin
                </th>
                <th scope="col" className="num">
                  pin bore
                </th>
                <th scope="col" className="num">
                  clearance, {units === 'imperial' ? 'in' : 'mm'}
                </th>
                <th scope="col">verdict</th>
              </tr>
            </thead>
            <tbody>
              {pistons.map(({ id, label, pin }) => (
                <tr key={id}>
                  <th scope="row" className="font-bold! text-ink!">
                    {label}
                  </th>
                  <td className="num">{pin.pin ? printLength(pin.pin.value, units, 'size').number : '–'}</td>
                  <td className="num">{pin.bore ? printLength(pin.bore.value, units, 'size').number : '–'}</td>
                  <td className="num">
                    {pin.clearance ? `${fine(pin.clearance.value)} ± ${fine(pin.clearance.uncertainty)}` : '–'}
                  </td>
                  <td>
                    <StateMark state={pin.clearance?.state ?? 'to do'} />
                    {pin.clearance && pin.clearance.state !== 'in window' && (
                      <Accepting
                        words={`the pin of piston ${label}`}
                        what="pin"
                        state={pin.clearance.state}
                        answer={pin.clearance}
                      />
                    )}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      </section>
    </div>
  );
}

function Form() {
  const judgement = useJudgement();
  const { choose } = useLogging();
  const { units } = useWords();
  const { pistons: choices } = judgement.choices;
  const [draft, setDraft, left] = usePersistedDraft('gauge-point', choices);
  const [faults, setFaults] = useState<Record<string, string | null>>({});
  const fault = (key: string) => (found: string | null) => setFaults((f) => ({ ...f, [key]: found }));
  const wrong =
    Object.values(faults).find((f) => f) ??
    (draft.pin.most < draft.pin.least ? 'The most pin clearance is under the least.' : null);
  const bare = units === 'imperial' ? 'in' : 'mm';
  return (
    <section aria-label="Gauge point" className="grid max-w-3xl gap-4 sm:grid-cols-2">
      {left && <div className="sm:col-span-2">{left}</div>}
      <LengthsField
        label="Height of the gauge point"
        bare={bare}
        most={2}
        values={draft.gauge.height === null ? [] : [draft.gauge.height]}
        onFault={fault('height')}
        onChange={([height]) => setDraft((d) => ({ ...d, gauge: { ...d.gauge, height: height ?? null } }))}
        hint="As the maker’s sheet gives it; empty where not known."
      />
      <SelectField
        label="Counted"
        value={draft.gauge.from}
        options={GAUGE_FROM.map((from) => [from, GAUGE_FROM_WORDS[from]] as const)}
        onChange={(from) => from && setDraft((d) => ({ ...d, gauge: { ...d.gauge, from } }))}
      />
      <SelectField
        label="Readings a piston"
        value={String(draft.readings)}
        options={REPEATS}
        onChange={(n) => n && setDraft((d) => ({ ...d, readings: Number(n) }))}
        hint="Light drag, repeated; the mean stands."
      />
      <span className="max-sm:hidden" />
      <LengthsField
        label="Pin clearance, least"
        bare={bareOf(units)}
        most={1}
        values={[draft.pin.least]}
        onFault={fault('least')}
        onChange={([least]) => least !== undefined && setDraft((d) => ({ ...d, pin: { ...d.pin, least } }))}
      />
      <LengthsField
        label="Pin clearance, most"
        bare={bareOf(units)}
        most={1}
        values={[draft.pin.most]}
        onFault={fault('most')}
        onChange={([most]) => most !== undefined && setDraft((d) => ({ ...d, pin: { ...d.pin, most } }))}
      />
      <div className="sm:col-span-2">
        <Button
          kind="accent"
          disabled={wrong !== null || JSON.stringify(draft) === JSON.stringify(choices)}
          onClick={() => choose('pistons', draft)}
        >
          Set gauge point and readings
        </Button>
        {wrong && <p className="mt-1 font-bold text-over">{wrong}</p>}
      </div>
    </section>
  );
}
