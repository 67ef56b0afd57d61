'use client';

import { DEPTHS_BY_COUNT, DEPTH_WORDS, directionWords, directionsByCount } from '@/core/foundation/parts/spots';
import { type BoreChoices, type Basis, STARTING_BORES } from '@/core/stages/bores/measuringPlan';
import { boreLimitsFaults } from '@/core/stages/bores/boreFaults';
import { sizesFaults } from '@/core/foundation/quantity/sizesFaults';
import { DraftForm, FormFoot, useForm } from '../shared/useForm';
import { useJudgement, useLogging, useRoute, useWords } from '../openBuild/contexts';
import { Tick } from '../shared/Tick';
import { TextField } from '../shared/TextField';
import { BareLengthField } from '../shared/LengthsField';
import { Segmented } from '../shared/Segmented';
import { SelectField } from '../shared/SelectField';
import { SizeLimitsFields } from '../shared/SizeLimitsFields';
import { bareOf } from '../shared/shopUnits';
import { Term } from '../shared/Term';

const COUNTS = ['1', '2', '3', '4', '5', '6'] as const;
const REPEATS = ['1', '2', '3', '4', '5'].map((n) => [n, n] as const);

const ORDERS = [
  ['round', 'round it at each depth'],
  ['down', 'down it in each direction'],
] as const;
const ROUTES = [
  ['byCylinder', 'cylinder by cylinder'],
  ['byDepth', 'depth by depth'],
] as const;
const BASES = [
  ['honed', 'newly honed'],
  ['used', 'used, to be run again'],
] as const satisfies readonly (readonly [Basis, string])[];

/** Where a bore is read, in which order, and what it is judged by. */
export function MeasuringPlanForm() {
  const judgement = useJudgement();
  const { choose } = useLogging();
  const { bores: choices } = judgement.choices;
  const set = (change: Partial<BoreChoices>): void => choose('bores', { ...choices, ...change });
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-6 pt-3">
      <Grid choices={choices} set={set} />
      <Sizes />
      <section aria-label="Judged as">
        <h2 className="mb-1 text-lg">Judged as</h2>
        <Segmented label="Judged as" value={choices.basis} options={BASES} onChange={(basis) => set({ basis })} />
        {BASES.map(([basis, words]) => (
          <Limits key={basis} basis={basis} words={words} current={choices.basis === basis} />
        ))}
      </section>
    </div>
  );
}

interface GridProps {
  choices: BoreChoices;
  set: (change: Partial<BoreChoices>) => void;
}

/** At which spots a bore is read, in which order, and how often. */
function Grid({ choices, set }: GridProps) {
  const { bores, setRoute } = useRoute();
  return (
    <section aria-label="Grid" className="grid max-w-3xl gap-4 sm:grid-cols-2">
      <SelectField
        label="Depths"
        value={String(choices.depths.length)}
        options={COUNTS.map((n) => [n, n] as const)}
        onChange={(n) => n && set({ depths: DEPTHS_BY_COUNT[Number(n) - 1] ?? STARTING_BORES.depths })}
        hint={choices.depths.map((d) => DEPTH_WORDS[d]).join(', ')}
      />
      <SelectField
        label="Directions"
        value={String(choices.directions.length)}
        options={COUNTS.map((n) => [n, n] as const)}
        onChange={(n) => n && set({ directions: directionsByCount(Number(n)) })}
        hint={`${choices.directions.map(directionWords).join(', ')}. ${choices.directions.length < 3 ? 'Two can miss an oval that lies between them; three determine it.' : 'Three or more determine an oval fully.'}`}
      />
      <div className="sm:col-span-2">
        <p className="mb-1 font-bold">Order in a bore</p>
        <Segmented
          label="Order in a bore"
          value={choices.order}
          options={ORDERS}
          onChange={(order) => set({ order })}
        />
      </div>
      <div className="sm:col-span-2">
        <p className="mb-1 font-bold">
          <Term word="route">Route</Term>
        </p>
        <Segmented
          label="Route"
          value={bores ?? choices.route}
          options={ROUTES}
          onChange={(route) => setRoute({ bores: route })}
        />
        <p className="text-soft">At this bench; another one takes its own.</p>
      </div>
      <SelectField
        label="Readings a spot"
        value={String(choices.repeats)}
        options={REPEATS}
        onChange={(n) => n && set({ repeats: Number(n) })}
        hint="Repeats are averaged, and their scatter says how well the hand repeats."
      />
      <Tick value={choices.ridge} onChange={(isOn) => set({ ridge: isOn })}>
        The unworn bore above ring travel too, for the ridge
      </Tick>
    </section>
  );
}

/** What a bore may measure by the manual: least, wear limit, classes. */
function Sizes() {
  const { bores: choices } = useJudgement().choices;
  const { choose } = useLogging();
  const { units } = useWords();
  const form = useForm({
    ...{ name: 'bore-sizes', base: choices.sizes, units, faultsOf: sizesFaults },
    onSet: (sizes) => choose('bores', { ...choices, sizes }),
  });
  return (
    <DraftForm
      key={form.drawn}
      title={<h2 className="text-lg sm:col-span-2">Size limits</h2>}
      form={form}
      label="Size limits"
      className="grid max-w-3xl gap-3 sm:grid-cols-2"
    >
      <SizeLimitsFields of="Bore" field="bore" value={form.draft} onChange={form.set} onFault={form.onFault('sizes')} />
      <FormFoot form={form} words="Save size limits" />
    </DraftForm>
  );
}

/** Limits of one basis, and where they come from. */
function Limits({ basis, words, current }: { basis: Basis; words: string; current: boolean }) {
  const { bores: choices } = useJudgement().choices;
  const { choose } = useLogging();
  const { units } = useWords();
  const form = useForm({
    ...{ name: `limits-${basis}`, base: choices.limits[basis], units, faultsOf: boreLimitsFaults },
    onSet: (limits) => choose('bores', { ...choices, limits: { ...choices.limits, [basis]: limits } }),
  });
  const { draft } = form;
  const one = (grade: 'within' | 'hone', figure: 'taper' | 'outOfRound', label: string) => (
    <BareLengthField label={label} bare={bareOf(units)} {...form.field(`${grade}.${figure}`)} />
  );
  return (
    <DraftForm
      key={form.drawn}
      form={form}
      className={`mt-4 max-w-3xl border-l-4 pl-4 ${current ? 'border-blue' : 'border-line'}`}
    >
      <h3 className="font-bold">
        {words}{' '}
        <span className="font-normal text-soft italic">
          {draft.source === '' ? 'typical figure, no source' : draft.source}
        </span>
      </h3>
      <div className="mt-1 grid gap-3 sm:grid-cols-2">
        {one('within', 'taper', 'Taper, good up to')}
        {one('within', 'outOfRound', 'Out-of-round, good up to')}
        {one('hone', 'taper', 'Taper, hone up to')}
        {one('hone', 'outOfRound', 'Out-of-round, hone up to')}
        <TextField
          label="Source"
          hint="Name and page of the manual. Leave empty if there is none."
          maxLength={200}
          {...form.field('source')}
        />
        <div className="self-end pb-6">
          <FormFoot form={form} words="Save" />
        </div>
      </div>
    </DraftForm>
  );
}
