/**
 * BuildRecord: everything known of one engine, as the entries that were appended to it, in order.
 * Nothing in it is ever changed: a choice is replaced by a later one, a reading is voided by a later entry
 * that says why, and all of them stay on record.
 */
import type { RateMetal, RateSums } from '../record/filerRate';
import type { ChoiceKind, Choices, Subject } from './registry';
import { CHOICE_KINDS } from './stageTables';
import { type Chart, STARTING_CHART } from '../models/charts/chart';
import type { Instrument } from '../foundation/uncertainty/instrument';
import type { BenchEntry } from '../record/benchWork';
import {
  type Acceptable,
  type CheckEntry,
  type CutEntry,
  type FiledEntry,
  type PinEntry,
  type ReadingEntry,
  type Stamp,
  isOwnFigure,
} from '../record/reading';
import type { GaugeSetting } from '../foundation/quantity/gaugeSetting';
import type { FigureAtLimit } from '../foundation/verdict/figureAtLimit';

interface Choice extends Stamp {
  /** The entry this choice was made over, null for the first: two people cannot overwrite each other unseen. */
  replaces: string | null;
}

/** What someone chose, whole: the last of a kind holds. */
export type ChoiceEntry = {
  [K in ChoiceKind]: { kind: K; value: NonNullable<Choices[K]> } & Choice;
}[ChoiceKind];

export type Entry =
  | ChoiceEntry
  | ReadingEntry<Subject>
  | CutEntry
  | FiledEntry
  | CheckEntry
  | PinEntry
  | BenchEntry
  /** A tool, whole, as it was when readings named it: a later edit in the shop never reaches them. */
  | ({ kind: 'instrument'; value: Instrument } & Stamp)
  /**
   * A bore gauge was zeroed; `instrument` is the key of the gauge, null where none was named; `sizes` the earlier
   * setting in a bore whose zero has this size, or null.
   */
  | ({ kind: 'setting'; instrument: string | null; to: GaugeSetting; sizes: string | null } & Stamp)
  /** A bore was bored or honed, or a piston or a ring replaced: what was read of it before no longer holds and is kept. */
  | ({ kind: 'renewed'; part: string; cylinder: string } & Stamp)
  /** What a filer took off on the shop's other engines, as it was known when it was first used here. */
  | ({ kind: 'rate'; filer: string; metal: RateMetal; sums: RateSums } & Stamp)
  /**
   * A verdict is accepted as it is: `of` the last reading it rests on (of an own figure the choice of targets),
   * `what` where that is not the verdict of the reading itself, `state` the word that was accepted, `held` the figure
   * and its limit, null where none was noted.
   */
  | ({
      kind: 'accepted';
      of: string;
      what: Acceptable | null;
      state: string;
      reason: string;
      held?: FigureAtLimit | null;
    } & Stamp)
  /** An earlier reading, cut, answer, acceptance, check, pin, renewal, weighing, turning or tightening no longer counts. */
  | ({ kind: 'void'; of: string; reason: string } & Stamp);

export interface BuildRecord {
  id: string;
  entries: Entry[];
}

/** Whether an entry is a choice, of which the last of a kind holds. */
export const isChoice = (entry: Entry): entry is ChoiceEntry => CHOICE_KINDS.some((kind) => kind === entry.kind);

/**
 * The last entry of a kind, or null.
 *
 * @example lastOf(record.entries, 'job')?.id // 'job-1'
 */
export function lastOf<K extends Entry['kind']>(
  entries: readonly Entry[],
  kind: K,
): Extract<Entry, { kind: K }> | null {
  return (entries.findLast((entry) => entry.kind === kind) as Extract<Entry, { kind: K }> | undefined) ?? null;
}

/** The entry that sets a new build with a chart; none for the starting chart as the program comes with it. */
export const firstChart = (chart: Chart, stamp: { at: string; by: string }): Entry[] =>
  chart.id === STARTING_CHART.id && chart.version === STARTING_CHART.version
    ? []
    : [{ ...stamp, id: 'chart-1', kind: 'chart', replaces: null, value: chart }];

/** Entries that a later one may void. */
const VOIDABLE: readonly Entry['kind'][] = [
  'reading',
  'cut',
  'filed',
  'accepted',
  'check',
  'pin',
  'renewed',
  'weighed',
  'turned',
  'tightened',
];

/** Whether a later entry may strike this kind out. */
export const isVoidable = ({ kind }: Pick<Entry, 'kind'>): boolean => VOIDABLE.includes(kind);

/**
 * The kind of entry that a verdict is accepted at.
 *
 * @example acceptedAt('set') // 'weighed'
 */
export const acceptedAt = (what: Acceptable | null): Entry['kind'] =>
  isOwnFigure(what)
    ? 'targets'
    : what === 'set'
      ? 'weighed'
      : what === 'bolt'
        ? 'tightened'
        : what === 'turn'
          ? 'turned'
          : 'reading';

/**
 * The shape that entries are written in: one more whenever an older entry needs to be read through the schema to mean
 * what it meant. A row of the store that was written in this shape is read as it stands.
 */
export const ENTRY_SHAPE = 15;
