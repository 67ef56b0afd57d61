/**
 * The log: the entries of a record in the order of what they are of, so that a part's history is one look-up. It is
 * never changed in place: what an entry does not touch is the same object before and after it.
 */
import type { Check } from '../assembly/checks';
import type { RateMetal, RateSums } from '../rings/rate';
import type { Instrument } from '../uncertainty/instrument';
import type { Acceptance, CheckEntry, GaugeSetting, Logged, LoggedReading, Renewal, Stamp, Voided } from './reading';

/** A check that was ticked, and which parts were then in the cylinder. */
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
  by: string;
  at: string;
}

/** What a filer took off on the shop's other engines. */
export interface ShopRate {
  filer: string;
  metal: RateMetal;
  sums: RateSums;
}

export interface Log {
  /** Readings by number and subject, and with those of a ring its cuts, see `keyOf`. */
  readonly histories: ReadonlyMap<string, readonly Logged[]>;
  /** By the id of what was accepted. */
  readonly accepted: ReadonlyMap<string, Acceptance>;
  /** By filer and metal. */
  readonly shopRates: ReadonlyMap<string, ShopRate>;
  /** How often a part was machined or replaced, by number and part. */
  readonly rounds: ReadonlyMap<string, number>;
  /** How often a ring was cut, by number and ring. */
  readonly cuts: ReadonlyMap<string, number>;
  /** By cylinder. */
  readonly ticks: ReadonlyMap<string, ReadonlyMap<Check, Tick>>;
  /** By number, last first. */
  readonly renewals: ReadonlyMap<string, readonly Renewal[]>;
  /** By key. */
  readonly tools: ReadonlyMap<string, Instrument>;
  /** By the gauge's key; under `` for one that was not named. */
  readonly settings: ReadonlyMap<string, Setting>;
  /** The last choice of each kind. */
  readonly choices: ReadonlyMap<string, Chosen>;
  /** Of choices of what is where: the last that had others in place, by kind and what it places. */
  readonly before: ReadonlyMap<string, unknown>;
  /** What was struck out, by id. */
  readonly voids: ReadonlyMap<string, Voided>;
  /** When the last entry was made; null on an empty record. */
  readonly lastAt: string | null;
}

/** What a history is found by: whose number, and what of it. */
export const keyOf = (number: string, of: string): string => `${number}/${of}`;

const NONE: readonly never[] = [];

/** Readings and cuts in order, voided ones too. */
export const historyOf = (log: Log, number: string, subject: string): readonly Logged[] =>
  log.histories.get(keyOf(number, subject)) ?? NONE;

/** Readings of what is not cut: its whole history. */
export const passesOf = <S extends string>(log: Log, number: string, subject: S): readonly LoggedReading<S>[] =>
  historyOf(log, number, subject) as readonly LoggedReading<S>[];

/** How often a part was machined or replaced. */
export const roundOf = (log: Log, number: string, part: string): number => log.rounds.get(keyOf(number, part)) ?? 0;
