/** Entries laid into the log, one by one. An entry touches what it is of and nothing else. */
import type { Logged, LoggedReading, ReadingEntry, Voided } from '../record/reading';
import { type Log, keyOf, roundOf } from '../record/log';
import { partsIn } from '../record/parts';
import { type ChoiceEntry, type Entry, isChoice } from '../record/record';
import { factsOf } from '../stages';
import { instrumentKey } from '../uncertainty/instrument';

/** The log while entries are laid into it. */
type Draft = { -readonly [K in keyof Log]: Log[K] extends ReadonlyMap<string, infer V> ? Map<string, V> : Log[K] };
type MapName = Exclude<keyof Log, 'lastAt'>;

const emptyDraft = (): Draft => ({
  histories: new Map(),
  accepted: new Map(),
  shopRates: new Map(),
  rounds: new Map(),
  cuts: new Map(),
  ticks: new Map(),
  renewals: new Map(),
  tools: new Map(),
  settings: new Map(),
  choices: new Map(),
  before: new Map(),
  voids: new Map(),
  lastAt: null,
});

/** The maps an entry changes. */
function touchedBy(entry: Entry): MapName[] {
  if (isChoice(entry)) return ['choices', 'before'];
  switch (entry.kind) {
    case 'reading':
      return ['histories'];
    case 'cut':
      return ['histories', 'cuts'];
    case 'check':
      return ['ticks'];
    case 'instrument':
      return ['tools'];
    case 'setting':
      return ['settings'];
    case 'renewed':
      return ['rounds', 'renewals'];
    case 'rate':
      return ['shopRates'];
    case 'accepted':
      return ['accepted'];
    case 'void':
      return ['voids', 'histories'];
  }
}

/** Field by field: a thousand of these are made of a whole record, and a spread costs forty times as much. */
const loggedReading = (
  entry: ReadingEntry,
  voided: Voided | null,
  round: number,
  boreRound: number,
): LoggedReading => ({
  kind: 'reading',
  id: entry.id,
  at: entry.at,
  by: entry.by,
  cylinder: entry.cylinder,
  subject: entry.subject,
  place: entry.place,
  value: entry.value,
  upTo: entry.upTo,
  typed: entry.typed,
  instrument: entry.instrument,
  temperature: entry.temperature,
  gaugeTemperature: entry.gaugeTemperature,
  plate: entry.plate,
  fit: entry.fit,
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
  value: logged.value,
  upTo: logged.upTo,
  typed: logged.typed,
  instrument: logged.instrument,
  temperature: logged.temperature,
  gaugeTemperature: logged.gaugeTemperature,
  plate: logged.plate,
  fit: logged.fit,
});

/** Whose number an entry is filed under, and what of it: where its history is. */
const historyKey = (entry: Extract<Entry, { kind: 'reading' | 'cut' }>): string =>
  entry.kind === 'cut' ? keyOf(entry.cylinder, entry.ring) : keyOf(entry.fit?.ring ?? entry.cylinder, entry.subject);

function push(draft: Draft, key: string, item: Logged): void {
  draft.histories.set(key, [...(draft.histories.get(key) ?? []), item]);
}

/** What places parts: the pairs of a choice, by what they place. */
function placed(entry: Entry): [string, unknown[]][] {
  if (entry.kind === 'pairing') return [['pairing', entry.value.pairs]];
  if (entry.kind !== 'placing') return [];
  return [
    ['placing top', entry.value.top.pairs],
    ['placing second', entry.value.second.pairs],
  ];
}

function layChoice(draft: Draft, entry: ChoiceEntry): void {
  const last = draft.choices.get(entry.kind) as ChoiceEntry | undefined;
  const before = new Map(last ? placed(last) : []);
  for (const [what, pairs] of placed(entry)) {
    const had = before.get(what);
    if (had && JSON.stringify(had) !== JSON.stringify(pairs)) draft.before.set(what, had);
  }
  draft.choices.set(entry.kind, entry);
}

/** A reading that was logged already is struck out where it stands. */
function strike(draft: Draft, struck: Entry | undefined, voided: Voided): void {
  if (struck?.kind !== 'reading') return;
  const key = historyKey(struck);
  const history = draft.histories.get(key) ?? [];
  draft.histories.set(
    key,
    history.map((item) => (item.id === struck.id ? { ...item, voided } : item)),
  );
}

/** Lays an entry into maps that may be changed. What a void strikes out is looked up in `all`, or was known before. */
function lay(draft: Draft, entry: Entry, all: ((id: string) => Entry | undefined) | null): void {
  draft.lastAt = entry.at;
  if (isChoice(entry)) return layChoice(draft, entry);
  const voided = draft.voids.get(entry.id) ?? null;
  const { id, at, by } = entry;
  switch (entry.kind) {
    case 'reading': {
      const facts = factsOf(entry.subject);
      const number = entry.fit?.ring ?? entry.cylinder;
      const round = facts?.part == null ? 0 : roundOf(draft, number, facts.part);
      const boreRound = facts?.fitted ? roundOf(draft, entry.cylinder, 'bore') : 0;
      return push(draft, historyKey(entry), loggedReading(entry, voided, round, boreRound));
    }
    case 'cut': {
      const key = keyOf(entry.cylinder, entry.ring);
      if (!voided) draft.cuts.set(key, (draft.cuts.get(key) ?? 0) + 1);
      return push(draft, key, { ...entry, voided, round: roundOf(draft, entry.cylinder, entry.ring) });
    }
    case 'check': {
      if (voided) return;
      const ticks = new Map(draft.ticks.get(entry.cylinder));
      draft.ticks.set(entry.cylinder, ticks.set(entry.check, { entry, parts: partsIn(draft, entry.cylinder) }));
      return;
    }
    case 'renewed': {
      if (voided) return;
      const key = keyOf(entry.cylinder, entry.part);
      draft.rounds.set(key, (draft.rounds.get(key) ?? 0) + 1);
      const before = draft.renewals.get(entry.cylinder) ?? [];
      draft.renewals.set(entry.cylinder, [{ id, part: entry.part, by, at }, ...before]);
      return;
    }
    case 'accepted':
      if (!voided) draft.accepted.set(entry.of, { id, by, at, reason: entry.reason });
      return;
    case 'instrument':
      draft.tools.set(instrumentKey(entry.value), entry.value);
      return;
    case 'setting':
      draft.settings.set(entry.instrument ?? '', { to: entry.to, by, at });
      return;
    case 'rate':
      draft.shopRates.set(`${entry.filer}/${entry.metal}`, entry);
      return;
    case 'void': {
      if (draft.voids.has(entry.of)) return;
      const strikes = { by, at, reason: entry.reason };
      draft.voids.set(entry.of, strikes);
      if (all) strike(draft, all(entry.of), strikes);
    }
  }
}

/** The log of all entries. What is struck out anywhere is so from the first. */
export function logOf(entries: readonly Entry[]): Log {
  const draft = emptyDraft();
  for (const entry of entries) if (entry.kind === 'void') lay(draft, entry, null);
  for (const entry of entries) lay(draft, entry, null);
  return draft;
}

/**
 * The log with one entry more, as `logOf` of all of them would give it; null where the entry changes what others
 * meant, and the log is to be made anew. Voids of cuts, checks, acceptances and renewals do: they change how later
 * entries count.
 *
 * @param before the entries that are in the log
 */
export function logWith(log: Log, entry: Entry, before: readonly Entry[]): Log | null {
  const found = (id: string): Entry | undefined => before.findLast((e) => e.id === id);
  if (entry.kind === 'void') {
    const struck = found(entry.of);
    if (struck && struck.kind !== 'reading') return null;
  }
  const draft = { ...log } as Draft;
  for (const name of touchedBy(entry)) Object.assign(draft, { [name]: new Map<string, unknown>(log[name]) });
  lay(draft, entry, found);
  return draft;
}
