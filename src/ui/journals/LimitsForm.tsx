'use client';

import { useState } from 'react';
import { MOST_OTHERS, mostMains, otherId } from '@/core/foundation/engine/places';
import { HOUSING_METAL_WORDS, ROD_METAL_WORDS } from '@/core/models/heat/metalWords';
import { HOUSING_METALS, ROD_METALS } from '@/core/models/heat/metals';
import {
  type BearingKind,
  type GivenLimits,
  type JournalChoices,
  KINDS,
  METHODS,
  NO_LIMITS,
} from '@/core/stages/journals/choices';
import { HINTS, KIND_WORDS, METHOD_WORDS } from '@/core/stages/journals/words';
import type { Field as Kind } from '@/core/foundation/quantity/readingField';
import type { Nm } from '@/core/foundation/quantity/length';
import { sizesFault } from '@/core/foundation/quantity/sizeLimits';
import { useJudgement, useLogging, useWords } from '../openBuild/contexts';
import { Button } from '../shared/Button';
import { Field } from '../shared/Field';
import { LengthField } from '../shared/LengthField';
import { SelectField } from '../shared/SelectField';
import { SizeLimitsFields } from '../shared/SizeLimitsFields';
import { usePersistedDraft } from '../shared/persistedDraft';

const COUNTS = [
  ['1', '1'],
  ['2', '2'],
] as const;
const ROUTES = [
  ['byKind', 'all journals, then all housings'],
  ['byBearing', 'bearing by bearing'],
] as const;
const SIDE_PER = [
  ['rod', 'of each rod'],
  ['throw', 'between the two rods of a throw'],
] as const;

/** What the manual gives for the bottom end, and how it is read. */
export function LimitsForm() {
  const { choices } = useJudgement();
  const { units } = useWords();
  return <Form key={JSON.stringify(choices.journals) + units} />;
}

/** What is wrong with limits; null for nothing. */
function limitsFault(what: string, { least, most, aim }: GivenLimits): string | null {
  if (least === null && (most !== null || aim !== null)) return `${what}: a most or an aim without a least.`;
  if (least !== null && most !== null && most <= least) return `${what}: the most is not over the least.`;
  if (aim && (aim.to < aim.from || aim.from < (least ?? 0) || (most !== null && aim.to > most)))
    return `${what}: the aim does not lie between the least and the most.`;
  return null;
}

function Form() {
  const judgement = useJudgement();
  const { choose } = useLogging();
  const { units } = useWords();
  const { journals } = judgement.choices;
  const [draft, setDraft, left] = usePersistedDraft('journals', journals);
  const [faults, setFaults] = useState<Record<string, string | null>>({});
  const fault =
    (key: string) =>
    (found: string | null): void =>
      setFaults((f) => ({ ...f, [key]: found }));
  const set = (change: Partial<JournalChoices>): void => setDraft((d) => ({ ...d, ...change }));
  const throws = judgement.along.filter((on) => on.kind === 'throw').length;
  const mains = draft.mains ?? throws + 1;
  const wrong =
    Object.values(faults).find((f) => f) ??
    limitsFault('Mains', draft.bearings.main.clearance) ??
    limitsFault('Rods', draft.bearings.rod.clearance) ??
    limitsFault('End play', draft.endPlay) ??
    limitsFault('Side clearance', draft.side) ??
    limitsFault('Small end', draft.smallEnd) ??
    KINDS.map((kind) => sizesFault(draft.bearings[kind].sizes)).find((f) => f) ??
    draft.others
      .map((o) => (o.words.trim() === '' ? 'A clearance has no name.' : limitsFault(o.words, o.limits)))
      .find((f) => f) ??
    null;
  const free = freeOther([...draft.others, ...judgement.others]);
  const one = (
    label: string,
    key: string,
    kind: Kind,
    value: Nm | null,
    onChange: (nm: Nm | null) => void,
    hint?: string,
  ) => (
    <LengthField
      key={key}
      label={label}
      kind={kind}
      units={units}
      value={value}
      onChange={onChange}
      onFault={fault(key)}
      {...(hint === undefined ? {} : { hint })}
    />
  );
  return (
    <div className="grid max-w-4xl grid-cols-[minmax(0,1fr)] gap-6 pt-3 pb-4">
      {left}
      {KINDS.map((kind) => (
        <section key={kind} aria-label={KIND_WORDS[kind]} className="grid gap-x-4 gap-y-3 sm:grid-cols-4">
          <h2 className="text-lg sm:col-span-4">{KIND_WORDS[kind]}</h2>
          <LimitFields
            of={KIND_WORDS[kind]}
            kind="thread"
            limits={draft.bearings[kind].clearance}
            hint={HINTS.clearance[units]}
            onChange={(clearance) => setDraft((d) => withBearing(d, kind, { clearance }))}
            one={one}
          />
          {one(
            `${KIND_WORDS[kind]}: journal as made`,
            `nominal-${kind}`,
            'journal',
            draft.bearings[kind].nominal,
            (nominal) => setDraft((d) => withBearing(d, kind, { nominal })),
          )}
          <SizeLimitsFields
            of={`${KIND_WORDS[kind]}: journal`}
            field="journal"
            sizes={draft.bearings[kind].sizes}
            onChange={(sizes) => setDraft((d) => withBearing(d, kind, { sizes }))}
            onFault={fault(`sizes-${kind}`)}
          />
          <div className="sm:col-span-4">
            <Field
              label={`${KIND_WORDS[kind]}: caps tightened to, and with what`}
              hint="E.g. 60 lb·ft with oil; the figure and its lubricant."
            >
              {(props) => (
                <input
                  {...props}
                  className="field"
                  maxLength={120}
                  value={draft.bearings[kind].tightened}
                  onChange={(event) => setDraft((d) => withBearing(d, kind, { tightened: event.target.value }))}
                />
              )}
            </Field>
          </div>
        </section>
      ))}
      <section aria-label="End play, sides, small ends" className="grid gap-x-4 gap-y-3 sm:grid-cols-4">
        <h2 className="text-lg sm:col-span-4">End play, sides, small ends</h2>
        {(
          [
            ['endPlay', 'End play'],
            ['side', 'Side clearance'],
            ['smallEnd', 'Small end'],
          ] as const
        ).map(([what, words]) => (
          <div key={what} className="grid gap-x-4 gap-y-3 sm:col-span-4 sm:grid-cols-4">
            <label className="flex min-h-11 items-center gap-2 sm:col-span-4">
              <input
                type="checkbox"
                className="size-5 accent-blue"
                checked={draft.asks[what]}
                onChange={(event) => set({ asks: { ...draft.asks, [what]: event.target.checked } })}
              />
              <b>{words}</b> is read here
            </label>
            {draft.asks[what] && (
              <LimitFields
                of={words}
                kind={what === 'smallEnd' ? 'thread' : 'play'}
                limits={draft[what]}
                hint={HINTS[what][units]}
                onChange={(limits) => set({ [what]: limits })}
                one={one}
              />
            )}
            {what === 'side' && draft.asks.side && (
              <div className="sm:col-span-2">
                <SelectField
                  label="Side clearance is read"
                  value={draft.sidePer}
                  options={SIDE_PER}
                  onChange={(sidePer) => sidePer && set({ sidePer })}
                />
              </div>
            )}
          </div>
        ))}
      </section>
      <section aria-label="Other clearances" className="grid gap-x-4 gap-y-3 sm:grid-cols-4">
        <h2 className="text-lg sm:col-span-4">Other clearances</h2>
        <p className="text-soft sm:col-span-4">
          Any other clearance of the engine, with its limits: pump gears, cam bores, thrust of the cam.
        </p>
        {draft.others.map((other) => {
          const put = (change: Partial<typeof other>): void =>
            setDraft((d) => ({ ...d, others: d.others.map((o) => (o.id === other.id ? { ...o, ...change } : o)) }));
          return (
            <div key={other.id} className="grid gap-x-4 gap-y-3 sm:col-span-4 sm:grid-cols-4">
              <div className="sm:col-span-3">
                <Field label="Clearance" hint="E.g. oil pump, gears to cover.">
                  {(props) => (
                    <input
                      {...props}
                      className="field"
                      maxLength={60}
                      value={other.words}
                      onChange={(event) => put({ words: event.target.value })}
                    />
                  )}
                </Field>
              </div>
              <div className="self-start pt-7">
                <Button onClick={() => setDraft((d) => ({ ...d, others: d.others.filter((o) => o.id !== other.id) }))}>
                  Remove<span className="sr-only"> {other.words}</span>
                </Button>
              </div>
              <LimitFields
                of={other.words.trim() || other.id}
                kind="play"
                limits={other.limits}
                hint=""
                onChange={(limits) => put({ limits })}
                one={one}
                keyed={other.id}
              />
            </div>
          );
        })}
        {free !== undefined && (
          <div className="sm:col-span-4">
            <Button
              onClick={() =>
                setDraft((d) => ({ ...d, others: [...d.others, { id: free, words: '', limits: NO_LIMITS }] }))
              }
            >
              Add clearance
            </Button>
          </div>
        )}
      </section>
      <section aria-label="All together" className="grid gap-x-4 gap-y-3 sm:grid-cols-3">
        <h2 className="text-lg sm:col-span-3">All together</h2>
        {one('Apart at most', 'spread', 'thread', draft.spread, (spread) => set({ spread }), HINTS.spread[units])}
        {one(
          'Out of round at most',
          'round',
          'thread',
          draft.form.outOfRound,
          (outOfRound) => setDraft((d) => ({ ...d, form: { ...d.form, outOfRound } })),
          HINTS.form[units],
        )}
        {one('Taper at most', 'taper', 'thread', draft.form.taper, (taper) =>
          setDraft((d) => ({ ...d, form: { ...d.form, taper } })),
        )}
        <label className="flex min-h-11 items-center gap-2 sm:col-span-3">
          <input
            type="checkbox"
            className="size-5 accent-blue"
            checked={draft.mainsNoLooser}
            onChange={(event) => set({ mainsNoLooser: event.target.checked })}
          />
          No main looser than any rod: oil that leaves at the mains never reaches the rods
        </label>
        <label className="flex min-h-11 items-center gap-2 sm:col-span-3">
          <input
            type="checkbox"
            className="size-5 accent-blue"
            checked={draft.asks.looks}
            onChange={(event) => set({ asks: { ...draft.asks, looks: event.target.checked } })}
          />
          What is looked at counts: shells, tangs, oil holes, caps
        </label>
      </section>
      <section aria-label="How it is read" className="grid gap-x-4 gap-y-3 sm:grid-cols-2">
        <h2 className="text-lg sm:col-span-2">How it is read</h2>
        <SelectField
          label="Clearance from"
          value={draft.method}
          options={METHODS.map((m) => [m, METHOD_WORDS[m]] as const)}
          onChange={(method) => method && set({ method })}
          hint="With its shells in, crush is in the reading. A crushed thread can stand beside either as a check: go to it with the arrow keys."
        />
        <SelectField
          label="Order"
          value={draft.route}
          options={ROUTES}
          onChange={(route) => route && set({ route })}
          hint="Bearing by bearing where the gauge is zeroed at each journal."
        />
        <SelectField
          label="Places along a journal"
          value={draft.ends === 1 ? '1' : '2'}
          options={COUNTS}
          onChange={(n) => n && set({ ends: n === '1' ? 1 : 2 })}
          hint="Two tell its taper."
        />
        <SelectField
          label="Directions across it"
          value={draft.directions === 1 ? '1' : '2'}
          options={COUNTS}
          onChange={(n) => n && set({ directions: n === '1' ? 1 : 2 })}
          hint="Two tell whether it is round."
        />
        <SelectField
          label="Main bearings"
          value={draft.mains === null ? null : String(draft.mains)}
          none={`${throws + 1}: one at each end of each throw`}
          options={Array.from(
            { length: mostMains(judgement.cylinders.length) - 1 },
            (_, i) => [String(i + 2), String(i + 2)] as const,
          )}
          onChange={(n) => set({ mains: n === null ? null : Number(n) })}
        />
        <SelectField
          label="Thrust at main"
          value={draft.thrust === null ? null : String(draft.thrust)}
          none="not said"
          options={Array.from({ length: mains }, (_, i) => [String(i + 1), String(i + 1)] as const)}
          onChange={(n) => set({ thrust: n === null ? null : Number(n) })}
        />
        {KINDS.map((kind) =>
          one(`${KIND_WORDS[kind]}: width of a journal`, `width-${kind}`, 'land', draft.widths[kind], (width) =>
            setDraft((d) => ({ ...d, widths: { ...d.widths, [kind]: width } })),
          ),
        )}
      </section>
      <section aria-label="Metals" className="grid gap-x-4 gap-y-3 sm:grid-cols-3">
        <h2 className="text-lg sm:col-span-3">Metals</h2>
        <SelectField
          label="Main housings"
          value={draft.metals.housing}
          none={`not set: ${judgement.job?.surface === 'plated' ? 'aluminium' : 'iron'}`}
          options={HOUSING_METALS.map((m) => [m, HOUSING_METAL_WORDS[m]] as const)}
          onChange={(housing) => set({ metals: { ...draft.metals, housing } })}
          hint="The block, e.g. aluminium around iron sleeves. Not set: as the bores."
        />
        <SelectField
          label="Main caps"
          value={draft.metals.cap}
          none="as the housings"
          options={HOUSING_METALS.map((m) => [m, HOUSING_METAL_WORDS[m]] as const)}
          onChange={(cap) => set({ metals: { ...draft.metals, cap } })}
        />
        <SelectField
          label="Rods"
          value={draft.metals.rod}
          options={ROD_METALS.map((m) => [m, ROD_METAL_WORDS[m]] as const)}
          onChange={(rod) => rod && set({ metals: { ...draft.metals, rod } })}
        />
      </section>
      <div className="sticky -bottom-4 border-t border-line bg-sheet pt-2 pb-6">
        <Button
          kind="accent"
          disabled={wrong !== null || JSON.stringify(draft) === JSON.stringify(journals)}
          onClick={() => choose('journals', draft)}
        >
          Set the bottom end
        </Button>
        {wrong && <p className="mt-1 font-bold text-over">{wrong}</p>}
      </div>
    </div>
  );
}

const withBearing = (
  d: JournalChoices,
  kind: BearingKind,
  change: Partial<JournalChoices['bearings']['main']>,
): JournalChoices => ({
  ...d,
  bearings: { ...d.bearings, [kind]: { ...d.bearings[kind], ...change } },
});

/** The first place that no clearance has or had: a reading stays with its own. */
const freeOther = (taken: readonly { id: string }[]): string | undefined =>
  Array.from({ length: MOST_OTHERS }, (_, i) => otherId(i + 1)).find((id) => taken.every((t) => t.id !== id));

interface LimitProps {
  of: string;
  /** What tells its fields from others of the same name. */
  keyed?: string;
  kind: Kind;
  limits: GivenLimits;
  hint: string;
  onChange: (limits: GivenLimits) => void;
  one: (
    label: string,
    key: string,
    kind: Kind,
    value: Nm | null,
    onChange: (nm: Nm | null) => void,
    hint?: string,
  ) => React.ReactNode;
}

/** Least, aim, most, and where they come from. */
function LimitFields({ of, keyed = of, kind, limits, hint, onChange, one }: LimitProps) {
  const aim = (change: Partial<{ from: Nm; to: Nm }>): GivenLimits['aim'] => {
    const from = change.from ?? limits.aim?.from ?? limits.least ?? 0;
    return { from, to: change.to ?? limits.aim?.to ?? Math.max(from, limits.most ?? from) };
  };
  return (
    <>
      {one(`${of}: least`, `${keyed}-least`, kind, limits.least, (least) => onChange({ ...limits, least }), hint)}
      {one(`${of}: most`, `${keyed}-most`, kind, limits.most, (most) => onChange({ ...limits, most }))}
      {one(`${of}: aim from`, `${keyed}-from`, kind, limits.aim?.from ?? null, (from) =>
        onChange({ ...limits, aim: from === null ? null : aim({ from }) }),
      )}
      {one(`${of}: aim to`, `${keyed}-to`, kind, limits.aim?.to ?? null, (to) =>
        onChange({ ...limits, aim: to === null ? null : aim({ to }) }),
      )}
      <div className="sm:col-span-4">
        <Field label={`${of}: from`} hint="The manual, its page.">
          {(props) => (
            <input
              {...props}
              className="field"
              maxLength={120}
              value={limits.source}
              onChange={(event) => onChange({ ...limits, source: event.target.value })}
            />
          )}
        </Field>
      </div>
    </>
  );
}
