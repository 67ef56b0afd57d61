'use client';

import { pistonFaults } from '@/core/stages/pistons/pistonFaults';
import { FormFoot, useForm } from '../shared/useForm';
import { type PistonChoices, GAUGE_FROM, GAUGE_FROM_WORDS } from '@/core/stages/pistons/piston';
import { printLength } from '@/core/foundation/quantity/format';
import { useJudgement, useLogging, useWords } from '../openBuild/contexts';
import { Accepting } from '../shared/Accepting';
import { Tick } from '../shared/Tick';
import { BareLengthField, LengthsField } from '../shared/LengthsField';
import { SelectField } from '../shared/SelectField';
import { bareOf, unitOf } from '../shared/shopUnits';
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
      <GaugePointForm />
      <section aria-label="Pins">
        <h2 className="text-lg">Pins</h2>
        <Tick checked={choices.pins} onChange={(isOn) => set({ pins: isOn })}>
          Pins and pin bores on the route too
        </Tick>
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
                  clearance, {unitOf(units)}
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

function GaugePointForm() {
  const { pistons: choices } = useJudgement().choices;
  const { choose } = useLogging();
  const { units } = useWords();
  const form = useForm({
    ...{ name: 'gauge-point', base: choices, units, faultsOf: pistonFaults },
    onSet: (pistons) => choose('pistons', pistons),
  });
  const { draft, set } = form;
  const end = (which: 'least' | 'most') => (
    <BareLengthField
      label={`Pin clearance, ${which}`}
      bare={bareOf(units)}
      value={draft.pin[which]}
      onFault={form.onFault(which)}
      onChange={(nm) => set((d) => ({ ...d, pin: { ...d.pin, [which]: nm } }))}
    />
  );
  return (
    <form
      key={form.drawn}
      aria-label="Gauge point"
      className="grid max-w-3xl gap-4 sm:grid-cols-2"
      onSubmit={form.submit}
    >
      {form.note && <div className="sm:col-span-2">{form.note}</div>}
      <LengthsField
        label="Height of the gauge point"
        bare={unitOf(units)}
        most={2}
        values={draft.gauge.height === null ? [] : [draft.gauge.height]}
        onFault={form.onFault('height')}
        onChange={([height]) => set((d) => ({ ...d, gauge: { ...d.gauge, height: height ?? null } }))}
        hint="As the maker’s sheet gives it; empty where not known."
      />
      <SelectField
        label="Counted"
        value={draft.gauge.from}
        options={GAUGE_FROM.map((from) => [from, GAUGE_FROM_WORDS[from]] as const)}
        onChange={(from) => from && set((d) => ({ ...d, gauge: { ...d.gauge, from } }))}
      />
      <SelectField
        label="Readings a piston"
        value={String(draft.readings)}
        options={REPEATS}
        onChange={(n) => n && set({ readings: Number(n) })}
        hint="Light drag, repeated; the mean stands."
      />
      <span className="max-sm:hidden" />
      {end('least')}
      {end('most')}
      <div className="sm:col-span-2">
        <FormFoot form={form} words="Set gauge point and readings" />
      </div>
    </form>
  );
}
