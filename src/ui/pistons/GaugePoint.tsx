'use client';

import { pistonFaults } from '@/core/stages/pistons/pistonFaults';
import { DraftForm, FormFoot, useForm } from '../shared/useForm';
import { type PistonChoices, GAUGE_FROM, GAUGE_FROM_WORDS } from '@/core/stages/pistons/piston';
import { useJudgement, useLogging, useWords } from '../openBuild/contexts';
import { Accepting } from '../shared/Accepting';
import { Tick } from '../shared/Tick';
import { BareLengthField, LengthsField } from '../shared/LengthsField';
import { SelectField } from '../shared/SelectField';
import { bareOf, unitOf } from '../shared/shopUnits';
import { StateMark } from '../shared/StateMark';
import { Table } from '../shared/Table';

const REPEATS = ['1', '2', '3', '4', '5'].map((n) => [n, n] as const);

/** Where pistons are measured, how often, and their pins. */
export function GaugePoint() {
  const judgement = useJudgement();
  const { choose } = useLogging();
  const { units, length, number } = useWords();
  const { pistons } = judgement;
  const { pistons: choices } = judgement.choices;
  const set = (change: Partial<PistonChoices>): void => choose('pistons', { ...choices, ...change });
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-6 pt-3">
      <GaugePointForm />
      <section aria-label="Pins">
        <h2 className="text-lg">Pins</h2>
        <Tick value={choices.pins} onChange={(isOn) => set({ pins: isOn })}>
          Include pins and pin bores in the measuring order
        </Tick>
        <p className="text-soft">
          Pin clearance {length(choices.pin.least, 'fine')} to {length(choices.pin.most, 'fine')}: common practice, no
          source, unless the sheet says otherwise.
        </p>
        <Table
          caption="Pin clearance of every piston"
          className="mt-1"
          rows={pistons}
          keyOf={(p) => p.id}
          columns={[
            ['piston', (p) => p.label],
            ['pin', ({ pin }) => number(pin.pin?.value, 'size'), 'num'],
            ['pin bore', ({ pin }) => number(pin.bore?.value, 'size'), 'num'],
            [
              `clearance, ${unitOf(units)}`,
              ({ pin: { clearance: c } }) => (c ? `${number(c.value, 'raw')} ± ${number(c.uncertainty, 'raw')}` : '–'),
              'num',
            ],
            [
              'verdict',
              ({ label, pin: { clearance: c } }) => (
                <>
                  <StateMark state={c?.state ?? 'to do'} />
                  {c && c.state !== 'in window' && (
                    <Accepting words={`the pin of piston ${label}`} what="pin" state={c.state} answer={c} />
                  )}
                </>
              ),
            ],
          ]}
        />
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
    <BareLengthField label={`Pin clearance, ${which}`} bare={bareOf(units)} {...form.field(`pin.${which}`)} />
  );
  return (
    <DraftForm key={form.drawn} form={form} label="Gauge point" className="grid max-w-3xl gap-4 sm:grid-cols-2">
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
        options={GAUGE_FROM.map((from) => [from, GAUGE_FROM_WORDS[from]] as const)}
        {...form.field('gauge.from')}
      />
      <SelectField
        label="Readings a piston"
        value={String(draft.readings)}
        options={REPEATS}
        onChange={(n) => set({ readings: Number(n) })}
        hint="Light drag, repeated; the mean is used."
      />
      <span className="max-sm:hidden" />
      {end('least')}
      {end('most')}
      <FormFoot form={form} words="Save" />
    </DraftForm>
  );
}
