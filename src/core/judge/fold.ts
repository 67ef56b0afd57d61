/** Entries laid into the log, one by one. An entry touches what it is of and nothing else. */
import { type Logged, type LoggedReading, type ReadingEntry, type Voided, acceptKey } from '../record/reading';
import type { Nm } from '../foundation/quantity/length';
import { type Log, type NumberLog, roundOf } from '../record/log';
import { isBearingCheck } from '../record/bearingChecks';
import { bearingPartsIn, partsIn, standsIn } from '../record/fittedParts';
import { type ChoiceEntry, type Entry, isChoice } from './buildRecord';
import { factsOf } from './stageTables';
import { instrumentKey } from '../foundation/uncertainty/instrument';

interface NumberDraft extends NumberLog {
  histories: Map<string, Logged[]>;
  rounds: Map<string, number>;
  cuts: Map<string, number>;
}

/** The log while entries are laid into it. All of it may be changed in place. */
type Draft = {
  -readonly [K in Exclude<keyof Log, 'numbers'>]: Log[K] extends ReadonlyMap<infer Key, infer V> ? Map<Key, V> : Log[K];
} & { numbers: Map<string, NumberDraft> };
type MapName = Exclude<keyof Log, 'lastAt'>;

const emptyDraft = (): Draft => ({
  numbers: new Map(),
  accepted: new Map(),
  filedBefore: new Map(),
  shopRates: new Map(),
  ticks: new Map(),
  pins: new Map(),
  bench: new Map(),
  renewals: new Map(),
  tools: new Map(),
  settings: new Map(),
  sized: new Map(),
  choices: new Map(),
  before: new Map(),
  voids: new Map(),
  lastAt: null,
});

/** Field by field: a thousand of these are made of a whole record, and a spread costs forty times as much. */
const loggedReading = (
  entry: ReadingEntry,
  voided: Voided | null,
  round: number,
  boreRound: number,
  sized: ReadonlyMap<string, Nm>,
): LoggedReading => ({
  kind: 'reading',
  id: entry.id,
  at: entry.at,
  by: entry.by,
  cylinder: entry.cylinder,
  subject: entry.subject,
  place: entry.place,
  value: entry.value + (entry.zero === null ? 0 : (sized.get(entry.zero) ?? 0)),
  upTo: entry.upTo,
  typed: entry.typed,
  instrument: entry.instrument,
  temperature: entry.temperature,
  gaugeTemperature: entry.gaugeTemperature,
  plate: entry.plate,
  fit: entry.fit,
  zeroed: entry.zeroed,
  zero: entry.zero,
  off: entry.zero === null ? null : entry.value,
  unsized: entry.zero !== null && !sized.has(entry.zero),
  voided,
  round,
  boreRound,
});

/** The entry that a logged reading was. */
export const readingEntryOf = <S extends string>(logged: LoggedReading<S>): ReadingEntry<S> => ({
  kind: 'reading',
  id: logged.id,
  at: logged.at,
  by: logged.by,
  cylinder: logged.cylinder,
  subject: logged.subject,
  place: logged.place,
  value: logged.off ?? logged.value,
  upTo: logged.upTo,
  typed: logged.typed,
  instrument: logged.instrument,
  temperature: logged.temperature,
  gaugeTemperature: logged.gaugeTemperature,
  plate: logged.plate,
  fit: logged.fit,
  zeroed: logged.zeroed,
  zero: logged.zero,
});

/** Whose number a reading is filed under. */
const numberOf = ({ fit, cylinder }: ReadingEntry): string => fit?.ring ?? cylinder;

function draftOf({ numbers }: Draft, number: string): NumberDraft {
  let found = numbers.get(number);
  if (!found) numbers.set(number, (found = { histories: new Map(), rounds: new Map(), cuts: new Map() }));
  return found;
}

function push(draft: Draft, number: string, subject: string, item: Logged): void {
  const { histories } = draftOf(draft, number);
  const history = histories.get(subject);
  if (history) history.push(item);
  else histories.set(subject, [item]);
}

const addOne = (counts: Map<string, number>, of: string): void => void counts.set(of, (counts.get(of) ?? 0) + 1);

/** What places parts: the pairs of a choice, by what they place. */
function placed(entry: Entry): [string, unknown[]][] {
  if (entry.kind === 'pairing') return [['pairing', entry.value.pairs]];
  if (entry.kind !== 'placing') return [];
  return [
    ['placing top', entry.value.top.pairs],
    ['placing second', entry.value.second.pairs],
  ];
}

const CHOICE_MAPS: readonly MapName[] = ['choices', 'before'];

function applyChoice(draft: Draft, entry: ChoiceEntry): void {
  const last = draft.choices.get(entry.kind) as ChoiceEntry | undefined;
  const before = new Map(last ? placed(last) : []);
  for (const [what, pairs] of placed(entry)) {
    const had = before.get(what);
    if (had && JSON.stringify(had) !== JSON.stringify(pairs)) draft.before.set(what, had);
  }
  draft.choices.set(entry.kind, entry);
}

/** Where the part stands that a reading is of. */
function whereStands(draft: Draft, reading: string): string | null {
  for (const [number, { histories }] of draft.numbers)
    for (const [subject, items] of histories)
      if (items.some((item) => item.id === reading)) return standsIn(draft, subject, number);
  return null;
}

/** A reading that was logged already is struck out where it stands. */
function strike(draft: Draft, struck: ReadingEntry, voided: Voided): void {
  const { histories } = draftOf(draft, numberOf(struck));
  const history = histories.get(struck.subject) ?? [];
  histories.set(
    struck.subject,
    history.map((item) => (item.id === struck.id ? { ...item, voided } : item)),
  );
}

type LoggedKind = Exclude<Entry, ChoiceEntry>['kind'];
type EntryOf<K extends LoggedKind> = Extract<Entry, { kind: K }>;

/** What an entry of a kind does. */
interface Rule<E> {
  /** The maps it changes. */
  touches: readonly MapName[];
  apply: (draft: Draft, entry: E, voided: Voided | null, struck: ReadingEntry | undefined) => void;
}

/** Of entries that change nothing once they are struck out. */
const unlessVoided = <E>(touches: MapName[], apply: (draft: Draft, entry: E) => void): Rule<E> => ({
  touches,
  apply: (draft, entry, voided) => {
    if (!voided) apply(draft, entry);
  },
});

const append = <V>(lists: Map<string, readonly V[]>, of: string, item: V): void =>
  void lists.set(of, [...(lists.get(of) ?? []), item]);

const BENCH = unlessVoided<EntryOf<'weighed' | 'turned' | 'tightened'>>(['bench'], (draft, entry) =>
  append(draft.bench, entry.kind, { entry, renewed: draft.renewals.get(entry.cylinder)?.length ?? 0 }),
);

const RULES: { [K in LoggedKind]: Rule<EntryOf<K>> } = {
  reading: {
    touches: ['numbers'],
    apply: (draft, entry, voided) => {
      const facts = factsOf(entry.subject);
      const number = numberOf(entry);
      const round = facts?.part == null ? 0 : roundOf(draft, number, facts.part);
      const boreRound = facts?.fitted ? roundOf(draft, entry.cylinder, 'bore') : 0;
      push(draft, number, entry.subject, loggedReading(entry, voided, round, boreRound, draft.sized));
    },
  },
  cut: {
    touches: ['numbers'],
    apply: (draft, entry, voided) => {
      const { cylinder, ring } = entry;
      if (!voided) addOne(draftOf(draft, cylinder).cuts, ring);
      push(draft, cylinder, ring, { ...entry, voided, round: roundOf(draft, cylinder, ring) });
    },
  },
  check: unlessVoided(['ticks'], (draft, entry) => {
    const ticks = new Map(draft.ticks.get(entry.cylinder));
    const parts = (isBearingCheck(entry.check) ? bearingPartsIn : partsIn)(draft, entry.cylinder);
    draft.ticks.set(entry.cylinder, ticks.set(entry.check, { entry, parts }));
  }),
  pin: unlessVoided(['pins'], (draft, entry) => append(draft.pins, entry.cylinder, entry)),
  weighed: BENCH,
  turned: BENCH,
  tightened: BENCH,
  renewed: unlessVoided(['numbers', 'renewals'], (draft, { id, cylinder, part, by, at }) => {
    addOne(draftOf(draft, cylinder).rounds, part);
    draft.renewals.set(cylinder, [{ id, part, by, at }, ...(draft.renewals.get(cylinder) ?? [])]);
  }),
  accepted: unlessVoided(['accepted'], (draft, { id, by, at, of, what, reason, state, held }) =>
    draft.accepted.set(acceptKey(of, what), {
      ...{ id, by, at, reason, state, held: held ?? null },
      where: whereStands(draft, of),
    }),
  ),
  filed: unlessVoided(['filedBefore'], (draft, { of, was }) => draft.filedBefore.set(of, was)),
  instrument: {
    touches: ['tools'],
    apply: (draft, { value }) => draft.tools.set(instrumentKey(value), value),
  },
  setting: {
    touches: ['settings'],
    apply: (draft, { id, instrument, to, sizes, by, at }) =>
      draft.settings.set(instrument ?? '', { to, zero: to === 'here' ? id : sizes, by, at }),
  },
  rate: {
    touches: ['shopRates'],
    apply: (draft, entry) => draft.shopRates.set(`${entry.filer}/${entry.metal}`, entry),
  },
  void: {
    touches: ['voids', 'numbers'],
    apply: (draft, { of, by, at, reason }, _, struck) => {
      if (draft.voids.has(of)) return;
      const strikes = { by, at, reason };
      draft.voids.set(of, strikes);
      if (struck) strike(draft, struck, strikes);
    },
  },
};

const ruleOf = (entry: Exclude<Entry, ChoiceEntry>): Rule<Entry> => RULES[entry.kind] as Rule<Entry>;

/** Lays an entry into maps that may be changed. `struck` is what a void strikes out, where that was not known before. */
function applyEntry(draft: Draft, entry: Entry, struck?: ReadingEntry): void {
  draft.lastAt = entry.at;
  if (isChoice(entry)) applyChoice(draft, entry);
  else ruleOf(entry).apply(draft, entry, draft.voids.get(entry.id) ?? null, struck);
}

/**
 * The log of all entries. What is struck out anywhere is so from the first; a zero has the last size that was given to it.
 *
 * @example logOf(record.entries).choices.get('job')?.kind // 'job'
 */
export function logOf(entries: readonly Entry[]): Log {
  const draft = emptyDraft();
  for (const entry of entries) {
    if (entry.kind === 'void') applyEntry(draft, entry);
    if (entry.kind === 'setting' && entry.sizes !== null && typeof entry.to === 'number')
      draft.sized.set(entry.sizes, entry.to);
  }
  for (const entry of entries) applyEntry(draft, entry);
  return draft;
}

/** The number that an entry is filed under, with what of it: what is copied before the entry is laid in. */
function filedUnder(entry: Entry | ReadingEntry): { number: string; subject: string } | null {
  if (entry.kind === 'reading') return { number: numberOf(entry), subject: entry.subject };
  if (entry.kind === 'cut') return { number: entry.cylinder, subject: entry.ring };
  if (entry.kind === 'renewed') return { number: entry.cylinder, subject: entry.part };
  return null;
}

/** A log that may be changed where the entry changes it, and shares the rest. */
function draftFrom(log: Log, entry: Entry, struck?: ReadingEntry): Draft {
  const draft = { ...log } as Draft;
  for (const name of isChoice(entry) ? CHOICE_MAPS : ruleOf(entry).touches)
    Object.assign(draft, { [name]: new Map<string, unknown>(log[name]) });
  const filed = filedUnder(struck ?? entry);
  const own = filed && log.numbers.get(filed.number);
  if (own) {
    const histories = new Map(own.histories) as NumberDraft['histories'];
    const history = histories.get(filed.subject);
    if (history) histories.set(filed.subject, [...history]);
    draft.numbers.set(filed.number, { histories, rounds: new Map(own.rounds), cuts: new Map(own.cuts) });
  }
  return draft;
}

/**
 * The log with one entry more, as `logOf` of all of them would give it; null where the entry changes what others
 * meant, and the log is to be made anew. The size of a zero does, for what was read from it; and voids of cuts, checks,
 * acceptances and renewals: they change how later entries count.
 *
 * @param before the entries that are in the log
 */
export function logWith(log: Log, entry: Entry, before: readonly Entry[]): Log | null {
  if (entry.kind === 'setting' && entry.sizes !== null) return null;
  const struck = entry.kind === 'void' ? before.findLast((e) => e.id === entry.of) : undefined;
  if (struck && struck.kind !== 'reading') return null;
  const draft = draftFrom(log, entry, struck);
  applyEntry(draft, entry, struck);
  return draft;
}
