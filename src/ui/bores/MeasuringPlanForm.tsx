'use client';

import { useState } from 'react';
import { DEPTHS_BY_COUNT, DEPTH_WORDS, directionWords, directionsByCount } from '@/core/foundation/parts/spots';
import { type BoreChoices, type Basis, STARTING_BORES } from '@/core/stages/bores/measuringPlan';
import type { Nm } from '@/core/foundation/quantity/length';
import { sizesFault } from '@/core/foundation/quantity/sizeLimits';
import { usePersistedDraft } from '../shared/persistedDraft';
import { useJudgement, useLogging, useRoute, useWords } from '../openBuild/contexts';
import { Button } from '../shared/Button';
import { Field } from '../shared/Field';
import { LengthsField } from '../shared/LengthsField';
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
  const { bores, setRoute } = useRoute();
  const { bores: choices } = judgement.choices;
  const { units } = useWords();
  const set = (change: Partial<BoreChoices>): void => choose('bores', { ...choices, ...change });
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-6 pt-3">
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
        <label className="flex min-h-11 items-center gap-2">
          <input
            type="checkbox"
            className="size-5 accent-blue"
            checked={choices.ridge}
            onChange={(event) => set({ ridge: event.target.checked })}
          />
          The unworn bore above ring travel too, for the ridge
        </label>
      </section>
      <Sizes key={JSON.stringify(choices.sizes) + units} />
      <section aria-label="Judged as">
        <h2 className="mb-1 text-lg">Judged as</h2>
        <Segmented label="Judged as" value={choices.basis} options={BASES} onChange={(basis) => set({ basis })} />
        {BASES.map(([basis, words]) => (
          <Limits
            key={basis + JSON.stringify(choices.limits[basis])}
            basis={basis}
            words={words}
            current={choices.basis === basis}
          />
        ))}
      </section>
    </div>
  );
}

/** What a bore may measure by the manual: least, wear limit, classes. */
function Sizes() {
  const judgement = useJudgement();
  const { choose } = useLogging();
  const { bores: choices } = judgement.choices;
  const [draft, setDraft, left] = usePersistedDraft('bore-sizes', choices.sizes);
  const [typed, setTyped] = useState<string | null>(null);
  const wrong = typed ?? sizesFault(draft);
  return (
    <section aria-label="Size limits" className="grid max-w-3xl gap-3 sm:grid-cols-2">
      <h2 className="text-lg sm:col-span-2">Size limits</h2>
      {left}
      <SizeLimitsFields of="Bore" field="bore" sizes={draft} onChange={setDraft} onFault={setTyped} />
      <div className="sm:col-span-2">
        <Button
          kind="accent"
          disabled={wrong !== null || JSON.stringify(draft) === JSON.stringify(choices.sizes)}
          onClick={() => choose('bores', { ...choices, sizes: { ...draft, source: draft.source.trim() } })}
        >
          Save size limits
        </Button>
        {wrong && <p className="font-bold text-over">{wrong}</p>}
      </div>
    </section>
  );
}

/** Limits of one basis, and where they come from. */
function Limits({ basis, words, current }: { basis: Basis; words: string; current: boolean }) {
  const judgement = useJudgement();
  const { choose } = useLogging();
  const { units } = useWords();
  const { bores: choices } = judgement.choices;
  const [draft, setDraft, left] = usePersistedDraft(`limits-${basis}`, choices.limits[basis]);
  const [faults, setFaults] = useState<Record<string, string | null>>({});
  const inside =
    draft.hone.taper < draft.within.taper || draft.hone.outOfRound < draft.within.outOfRound
      ? 'What honing mends is under what is well already: are they swapped?'
      : null;
  const wrong = Object.values(faults).find((f) => f) ?? inside;
  const one = (grade: 'within' | 'hone', figure: 'taper' | 'outOfRound', label: string) => (
    <LengthsField
      key={`${grade}${figure}${units}`}
      label={label}
      bare={bareOf(units)}
      most={1}
      values={[draft[grade][figure]]}
      onFault={(fault) => setFaults((f) => ({ ...f, [grade + figure]: fault }))}
      onChange={([nm]: Nm[]) => nm !== undefined && setDraft((d) => ({ ...d, [grade]: { ...d[grade], [figure]: nm } }))}
    />
  );
  return (
    <div className={`mt-4 max-w-3xl border-l-4 pl-4 ${current ? 'border-blue' : 'border-line'}`}>
      {left}
      <h3 className="font-bold">
        {words}{' '}
        <span className="font-normal text-soft italic">
          {draft.source === '' ? 'from memory, not confirmed' : draft.source}
        </span>
      </h3>
      <div className="mt-1 grid gap-3 sm:grid-cols-2">
        {one('within', 'taper', 'Taper, well up to')}
        {one('within', 'outOfRound', 'Out-of-round, well up to')}
        {one('hone', 'taper', 'Taper, honing mends up to')}
        {one('hone', 'outOfRound', 'Out-of-round, honing mends up to')}
        <Field label="Where they come from" hint="The manual’s name and page; empty means from memory.">
          {(props) => (
            <input
              {...props}
              className="field"
              maxLength={200}
              value={draft.source}
              onChange={(event) => setDraft((d) => ({ ...d, source: event.target.value }))}
            />
          )}
        </Field>
        <div className="self-end pb-6">
          <Button
            kind="accent"
            disabled={wrong !== null || JSON.stringify(draft) === JSON.stringify(choices.limits[basis])}
            onClick={() =>
              choose('bores', {
                ...choices,
                limits: { ...choices.limits, [basis]: { ...draft, source: draft.source.trim() } },
              })
            }
          >
            Set these limits
          </Button>
        </div>
      </div>
      {wrong && <p className="font-bold text-over">{wrong}</p>}
    </div>
  );
}
