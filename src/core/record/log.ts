/**
 * The log: the entries of a record in the order of what they are of, so that a part's history is one look-up. It is
 * never changed in place: what an entry does not touch is the same object before and after it.
 */
import type { Nm } from '../foundation/quantity/length';
import type { RateMetal, RateSums } from './filerRate';
import type { Instrument } from '../foundation/uncertainty/instrument';
import type { BenchEntry, Benched } from './benchWork';
import type { Accepted, CheckEntry, Logged, LoggedReading, PinEntry, Renewal, Stamp, Voided } from './reading';
import type { GaugeSetting } from '../foundation/quantity/gaugeSetting';

/** A check that was ticked, and which parts were then there. */
export interface Tick {
  entry: CheckEntry;
  parts: string;
}

/** A choice that was made, with the entry it was made in. */
export interface Chosen extends Stamp {
  kind: string;
  value: unknown;
}

/** A bore gauge that was zeroed. */
export interface Setting {
  to: GaugeSetting;
  /** The setting in a bore that it is, or gives a size; null for any other. */
  zero: string | null;
  by: string;
  at: string;
}

/** What a filer took off on the shop's other engines. */
export interface ShopRate {
  filer: string;
  metal: RateMetal;
  sums: RateSums;
}

/** What is on record of one number: of the cylinder, the piston and the rings that bear it. */
export interface NumberLog {
  /** Readings by subject, and with those of a ring its cuts. */
  readonly histories: ReadonlyMap<string, readonly Logged[]>;
  /** How often each part was machined or replaced. */
  readonly rounds: ReadonlyMap<string, number>;
  /** How often each ring was cut. */
  readonly cuts: ReadonlyMap<string, number>;
}

export interface Log {
  readonly numbers: ReadonlyMap<string, NumberLog>;
  /** What was accepted, see `acceptKey`. */
  readonly accepted: Accepted;
  /** Whether a ring was filed before a reading, by its id. */
  readonly filedBefore: ReadonlyMap<string, boolean>;
  /** By filer and metal. */
  readonly shopRates: ReadonlyMap<string, ShopRate>;
  /** By place, and by what was checked. */
  readonly ticks: ReadonlyMap<string, ReadonlyMap<CheckEntry['check'], Tick>>;
  /** Reminders that are pinned on, by place, the first first. */
  readonly pins: ReadonlyMap<string, readonly PinEntry[]>;
  /** What was weighed, turned and tightened, by kind, the first first. */
  readonly bench: ReadonlyMap<BenchEntry['kind'], readonly Benched[]>;
  /** By number, last first. */
  readonly renewals: ReadonlyMap<string, readonly Renewal[]>;
  /** By key. */
  readonly tools: ReadonlyMap<string, Instrument>;
  /** By the gauge's key; under `` for one that was not named. */
  readonly settings: ReadonlyMap<string, Setting>;
  /** Sizes of zeros that were set in a bore, by the id of that setting. */
  readonly sized: ReadonlyMap<string, Nm>;
  /** The last choice of each kind. */
  readonly choices: ReadonlyMap<string, Chosen>;
  /** Of choices of what is where: the last that had others in place, by kind and what it places. */
  readonly before: ReadonlyMap<string, unknown>;
  /** What was struck out, by id. */
  readonly voids: ReadonlyMap<string, Voided>;
  /** When the last entry was made; null on an empty record. */
  readonly lastAt: string | null;
}

const NONE: readonly never[] = [];

/** The reminders on a place; always the same object while there are none. */
export const pinsOn = (log: Pick<Log, 'pins'>, place: string): readonly PinEntry[] => log.pins.get(place) ?? NONE;

/** The pairs that the choice before the last had in place; always the same object while there are none. */
export const beforeOf = <P>(log: Log, what: string): readonly P[] =>
  (log.before.get(what) as readonly P[] | undefined) ?? NONE;

/** Readings and cuts in order, voided ones too. */
export const historyOf = (log: Log, number: string, subject: string): readonly Logged[] =>
  log.numbers.get(number)?.histories.get(subject) ?? NONE;

/** Readings of what is not cut: its whole history. */
export const passesOf = <S extends string>(log: Log, number: string, subject: S): readonly LoggedReading<S>[] =>
  historyOf(log, number, subject) as readonly LoggedReading<S>[];

/**
 * How often a part was machined or replaced.
 *
 * @example roundOf(judgement.log, 'L1', 'top') // 0
 */
export const roundOf = (log: Pick<Log, 'numbers'>, number: string, part: string): number =>
  log.numbers.get(number)?.rounds.get(part) ?? 0;
