'use client';

import { MOST_OTHERS, mostMains, otherId } from '@/core/foundation/engine/places';
import { HOUSING_METAL_WORDS, ROD_METAL_WORDS } from '@/core/models/heat/metalWords';
import { HOUSING_METALS, ROD_METALS } from '@/core/models/heat/metals';
import {
  type BearingKind,
  type JournalChoices,
  type OtherClearance,
  KINDS,
  METHODS,
  NO_LIMITS,
} from '@/core/stages/journals/choices';
import { usualMains } from '@/core/stages/journals/crank';
import { journalFaults } from '@/core/stages/journals/journalFaults';
import { HINTS, KIND_WORDS, METHOD_WORDS } from '@/core/stages/journals/words';
import { useJudgement, useLogging, useWords } from '../openBuild/contexts';
import { Button } from '../shared/Button';
import { LengthField } from '../shared/LengthField';
import { SelectField } from '../shared/SelectField';
import { SizeLimitsFields } from '../shared/SizeLimitsFields';
import { TextField } from '../shared/TextField';
import { Tick } from '../shared/Tick';
import { DraftForm, type Form, FormFoot, useForm } from '../shared/useForm';
import { LimitFields } from './LimitFields';

const COUNTS = [
  ['1', '1'],
  ['2', '2'],
] as const;
const READ_AT = [
  ['ends', 'Places along a journal', 'Two tell its taper.'],
  ['directions', 'Directions across it', 'Two tell whether it is round.'],
] as const;
const ROUTES = [
  ['byKind', 'all journals, then all housings'],
  ['byBearing', 'bearing by bearing'],
] as const;
const SIDE_PER = [
  ['rod', 'of each rod'],
  ['throw', 'between the two rods of a throw'],
] as const;
const ASKED = [
  ['endPlay', 'End play', 'play'],
  ['side', 'Side clearance', 'play'],
  ['smallEnd', 'Small end', 'thread'],
] as const;

interface PartProps {
  form: Form<JournalChoices>;
}

/** What the manual gives for the bottom end, and how it is read. */
export function LimitsForm() {
  const { journals } = useJudgement().choices;
  const { choose } = useLogging();
  const { units } = useWords();
  const form = useForm({
    ...{ name: 'journals', base: journals, units, faultsOf: journalFaults },
    onSet: (next) => choose('journals', next),
  });
  return (
    <DraftForm
      key={form.drawn}
      form={form}
      // what has the focus is not under the foot
      className="grid max-w-4xl grid-cols-[minmax(0,1fr)] gap-6 pt-3 pb-4 [&_section_*]:scroll-mb-28"
    >
      {KINDS.map((kind) => (
        <OfKind key={kind} form={form} kind={kind} />
      ))}
      <Asked form={form} />
      <Others form={form} />
      <Together form={form} />
      <HowItIsRead form={form} />
      <Metals form={form} />
      <div className="sticky -bottom-4 border-t border-line bg-sheet pt-2 pb-6">
        <FormFoot form={form} words="Save" />
      </div>
    </DraftForm>
  );
}

/** Clearance, journals as made and worn, and what the caps are tightened to: of mains, or of rods. */
function OfKind({ form, kind }: PartProps & { kind: BearingKind }) {
  const { units } = useWords();
  const of = KIND_WORDS[kind];
  return (
    <section aria-label={of} className="grid gap-x-4 gap-y-3 sm:grid-cols-4">
      <h2 className="text-lg sm:col-span-4">{of}</h2>
      <LimitFields of={of} kind="thread" hint={HINTS.clearance[units]} {...form.field(`bearings.${kind}.clearance`)} />
      <LengthField
        label={`${of}: journal as made`}
        kind="journal"
        units={units}
        {...form.field(`bearings.${kind}.nominal`)}
      />
      <SizeLimitsFields of={`${of}: journal`} field="journal" {...form.field(`bearings.${kind}.sizes`)} />
      <div className="sm:col-span-4">
        <TextField
          label={`${of}: cap torque, and with which lubricant`}
          hint="E.g. 60 lb·ft with oil; the figure and its lubricant."
          maxLength={120}
          {...form.field(`bearings.${kind}.tightened`)}
        />
      </div>
    </section>
  );
}

/** What is on the route besides clearances, and its limits. */
function Asked({ form }: PartProps) {
  const { units } = useWords();
  const { draft, set } = form;
  return (
    <section aria-label="End play, sides, small ends" className="grid gap-x-4 gap-y-3 sm:grid-cols-4">
      <h2 className="text-lg sm:col-span-4">End play, sides, small ends</h2>
      {ASKED.map(([what, words, kind]) => (
        <div key={what} className="grid gap-x-4 gap-y-3 sm:col-span-4 sm:grid-cols-4">
          <Tick
            className="sm:col-span-4"
            value={draft.asks[what]}
            onChange={(isOn) => set((d) => ({ ...d, asks: { ...d.asks, [what]: isOn } }))}
          >
            <b>{words}</b> is read here
          </Tick>
          {draft.asks[what] && <LimitFields of={words} kind={kind} hint={HINTS[what][units]} {...form.field(what)} />}
          {what === 'side' && draft.asks.side && (
            <div className="sm:col-span-2">
              <SelectField label="Side clearance is read" {...form.field('sidePer')} options={SIDE_PER} />
            </div>
          )}
        </div>
      ))}
    </section>
  );
}

/** The first place that no clearance has or had: a reading stays with its own. */
const freeOther = (taken: readonly { id: string }[]): string | undefined =>
  Array.from({ length: MOST_OTHERS }, (_, i) => otherId(i + 1)).find((id) => taken.every((t) => t.id !== id));

/** Clearances of the engine that have no place of their own elsewhere. */
function Others({ form }: PartProps) {
  const judgement = useJudgement();
  const { others } = form.draft;
  const free = freeOther([...others, ...judgement.others]);
  const put = (next: OtherClearance[]): void => form.set({ others: next });
  return (
    <section aria-label="Other clearances" className="grid gap-x-4 gap-y-3 sm:grid-cols-4">
      <h2 className="text-lg sm:col-span-4">Other clearances</h2>
      <p className="text-soft sm:col-span-4">
        Any other clearance of the engine, with its limits: pump gears, cam bores, thrust of the cam.
      </p>
      {others.map((other) => {
        const change = (by: Partial<OtherClearance>): void =>
          put(others.map((o) => (o.id === other.id ? { ...o, ...by } : o)));
        return (
          <div key={other.id} className="grid gap-x-4 gap-y-3 sm:col-span-4 sm:grid-cols-4">
            <div className="sm:col-span-3">
              <TextField
                label="Clearance"
                hint="E.g. oil pump, gears to cover."
                maxLength={60}
                value={other.words}
                onChange={(words) => change({ words })}
              />
            </div>
            <div className="self-start pt-7">
              <Button onClick={() => put(others.filter((o) => o.id !== other.id))}>
                Remove<span className="sr-only"> {other.words}</span>
              </Button>
            </div>
            <LimitFields
              of={other.words.trim() || other.id}
              kind="play"
              hint=""
              value={other.limits}
              onChange={(limits) => change({ limits })}
              onFault={form.onFault(other.id)}
            />
          </div>
        );
      })}
      {free !== undefined && (
        <div className="sm:col-span-4">
          <Button onClick={() => put([...others, { id: free, words: '', limits: NO_LIMITS }])}>Add clearance</Button>
        </div>
      )}
    </section>
  );
}

/** What is asked of all bearings of a kind. */
function Together({ form }: PartProps) {
  const { units } = useWords();
  return (
    <section aria-label="All together" className="grid gap-x-4 gap-y-3 sm:grid-cols-3">
      <h2 className="text-lg sm:col-span-3">All together</h2>
      <LengthField
        label="Apart at most"
        kind="thread"
        units={units}
        {...form.field('spread')}
        hint={HINTS.spread[units]}
      />
      {(['outOfRound', 'taper'] as const).map((figure) => (
        <LengthField
          key={figure}
          label={figure === 'taper' ? 'Taper at most' : 'Out of round at most'}
          kind="thread"
          units={units}
          {...form.field(`form.${figure}`)}
          {...(figure === 'taper' ? {} : { hint: HINTS.form[units] })}
        />
      ))}
      <Tick className="sm:col-span-3" {...form.field('mainsNoLooser')}>
        No main looser than any rod: oil that leaves at the mains never reaches the rods
      </Tick>
      <Tick className="sm:col-span-3" {...form.field('asks.looks')}>
        What is looked at counts: shells, tangs, oil holes, caps
      </Tick>
    </section>
  );
}

const upTo = (from: number, most: number): (readonly [string, string])[] =>
  Array.from({ length: Math.max(0, most - from + 1) }, (_, i) => [String(from + i), String(from + i)] as const);

/** Where and in which order bearings are read, and how many there are. */
function HowItIsRead({ form }: PartProps) {
  const judgement = useJudgement();
  const { units } = useWords();
  const { draft, set } = form;
  const usual = usualMains(judgement.along.filter((on) => on.kind === 'throw').length);
  return (
    <section aria-label="How it is read" className="grid gap-x-4 gap-y-3 sm:grid-cols-2">
      <h2 className="text-lg sm:col-span-2">How it is read</h2>
      <SelectField
        label="Clearance from"
        {...form.field('method')}
        options={METHODS.map((m) => [m, METHOD_WORDS[m]] as const)}

        hint="With its shells in, crush is in the reading. A crushed thread can stand beside either as a check: go to it with the arrow keys."
      />
      <SelectField
        label="Order"
        {...form.field('route')}
        options={ROUTES}

        hint="Bearing by bearing where the gauge is zeroed at each journal."
      />
      {READ_AT.map(([key, label, hint]) => (
        <SelectField
          key={key}
          label={label}
          hint={hint}
          value={draft[key] === 1 ? '1' : '2'}
          options={COUNTS}
          onChange={(n) => set({ [key]: n === '1' ? 1 : 2 })}
        />
      ))}
      <SelectField
        label="Main bearings"
        value={draft.mains === null ? null : String(draft.mains)}
        none={`${usual}: one at each end of each throw`}
        options={upTo(2, mostMains(judgement.cylinders.length))}
        onChange={(n) => set({ mains: n === null ? null : Number(n) })}
      />
      <SelectField
        label="Thrust at main"
        value={draft.thrust === null ? null : String(draft.thrust)}
        none="not set"
        options={upTo(1, draft.mains ?? usual)}
        onChange={(n) => set({ thrust: n === null ? null : Number(n) })}
      />
      {KINDS.map((kind) => (
        <LengthField
          key={kind}
          label={`${KIND_WORDS[kind]}: width of a journal`}
          kind="land"
          units={units}
          {...form.field(`widths.${kind}`)}
        />
      ))}
    </section>
  );
}

/** What housings, caps and rods are made of. */
function Metals({ form }: PartProps) {
  const { job } = useJudgement();
  const housings = HOUSING_METALS.map((m) => [m, HOUSING_METAL_WORDS[m]] as const);
  return (
    <section aria-label="Metals" className="grid gap-x-4 gap-y-3 sm:grid-cols-3">
      <h2 className="text-lg sm:col-span-3">Metals</h2>
      <SelectField
        label="Main housings"
        none={`not set: ${job?.surface === 'plated' ? 'aluminium' : 'iron'}`}
        options={housings}
        {...form.field('metals.housing')}
        hint="The block, e.g. aluminium around iron sleeves. Not set: as the bores."
      />
      <SelectField label="Main caps" none="as the housings" options={housings} {...form.field('metals.cap')} />
      <SelectField
        label="Rods"
        options={ROD_METALS.map((m) => [m, ROD_METAL_WORDS[m]] as const)}
        {...form.field('metals.rod')}
      />
    </section>
  );
}
