/**
 * The decision: what may be said of a figure that is known only so well, against its limits. One for all: gaps,
 * clearances, grooves, pins.
 *
 * The side that costs the engine is guarded: a figure is right only once it is shown, to 95 %, not to lie under its
 * minimum by more than the grace, and it is condemned only once it is shown, to 95 %, that it does. What costs a little
 * oil is decided by the best estimate. With no grace that is the rule of ISO 14253-1:2017, whose default is 95 %; with one
 * it is relaxed acceptance in the sense of JCGM 106:2012 (both recalled, not opened). The chance is that of JCGM 106 with
 * a flat prior: what is left open as a rectangle, the doubt of its ends as Student's t or a normal distribution.
 * The grace, because a limit is no sharper than its last digit: common practice, no source.
 */
import type { Nm } from '../quantity/length';
import { type Component, belowOnAverage, quantileOf } from '../uncertainty/combine';

/** How a shop decides. */
export interface Strictness {
  /** How sure one has to be, 0.5 to 1. */
  sure: number;
  /** The most of a gap, and of a clearance, that a limit is taken to be loose by. */
  gapGrace: Nm;
  clearanceGrace: Nm;
}

/** 95 %; half a thou of a gap, a tenth of a clearance: common practice, no source. */
export const STARTING_STRICTNESS: Strictness = { sure: 0.95, gapGrace: 12_700, clearanceGrace: 2_540 };

/** What is known of a figure, nm not rounded. */
export interface Estimate {
  /**
   * What is left open: it lies between these, each equally likely. Alike for what is read off a scale; `high`
   * Infinity where no end was tried.
   */
  low: number;
  high: number;
  /** Standard uncertainty of both ends, and its degrees of freedom. */
  standard: number;
  freedom: number;
  /**
   * Whether `low` is a leaf that passed at the place that counts: a leaf equal to the limit is then right, whatever
   * the leaf's own tolerance.
   */
  passed: boolean;
}

export interface Bounds {
  /** The hard minimum. */
  least: Nm;
  /** How far past a limit a figure still counts as at it. */
  grace: Nm;
  /** Where the aim begins, at the minimum or over it. */
  aimFrom: Nm;
  /** Its end; null where it has none. */
  aimTo: Nm | null;
  /** The most it may be; null where it may be anything. */
  most: Nm | null;
  /** Whether the most costs as much as the minimum: it is then guarded alike. */
  mostHard: boolean;
  /** Half a leaf, or half of the last digit: a figure that would be called at the end of the aim, or at the most, is at it. */
  half: Nm;
}

export type Side = 'under' | 'not proven' | 'inside' | 'past the aim' | 'over';

/** What is to be said of a figure that is right and yet lies low. */
export type Low = 'under the limit' | 'under the aim';

export interface Decision {
  side: Side;
  /** The chance that it lies under the minimum by more than the grace; null where no larger leaf was tried and it may be anything. */
  chance: number | null;
  /** The chance that it lies over a hard maximum by more than the grace; 0 without one. */
  overChance: number;
  low: Low | null;
}

/**
 * The middle of what is left open, in its unit; the lower end where nothing was tried above it.
 *
 * @example bestOf({ low: 21, high: 22, standard: 0, freedom: Infinity, passed: true }) // 21.5
 */
export const bestOf = ({ low, high }: Pick<Estimate, 'low' | 'high'>): number =>
  high === Infinity ? low : (low + high) / 2;

/** A figure read off a scale. */
export const exactly = (value: number, standard: number, freedom = Infinity): Estimate => ({
  low: value,
  high: value,
  standard,
  freedom,
  passed: false,
});

/** The chance that a figure lies under `limit`. */
function chanceUnder(found: Estimate, limit: number, half: Nm): number | null {
  const { low, standard, freedom, passed } = found;
  if (found.high === Infinity && low < limit) return null;
  if (passed && low >= limit) return 0;
  const high = found.high === Infinity ? low + 2 * half : found.high;
  return belowOnAverage(limit - high, limit - low, standard, freedom);
}

/**
 * What may be said of a figure.
 *
 * @param sure how sure one has to be, of either
 * @example
 *   decide(exactly(120_650, 3_302), { least: 114_300, grace: 2_540, aimFrom: 114_300, aimTo: null, most: null,
 *   mostHard: false, half: 0 }, 0.95).side // 'inside'
 */
export function decide(found: Estimate, bounds: Bounds, sure: number): Decision {
  const { least, grace, aimFrom, aimTo, most, mostHard, half } = bounds;
  const { low, standard, freedom, passed } = found;
  const chance = chanceUnder(found, least - grace, half);
  const called = bestOf(found) - (found.high < Infinity ? half : 0);
  const high = found.high === Infinity ? low + 2 * half : found.high;
  const overChance =
    most === null || !mostHard ? 0 : 1 - belowOnAverage(most + grace - high, most + grace - low, standard, freedom);
  const proven = { chance, overChance, low: null };
  if (chance === null || (chance < sure && chance > 1 - sure)) return { ...proven, side: 'not proven' };
  if (chance >= sure) return { ...proven, side: 'under' };
  if (overChance >= sure) return { ...proven, side: 'over' };
  if (overChance > 1 - sure) return { ...proven, side: 'not proven' };
  if (most !== null && !mostHard && called > most) return { ...proven, side: 'over' };
  if (aimTo !== null && called > aimTo) return { ...proven, side: 'past the aim' };
  const slack = passed ? 0 : standard;
  return {
    ...proven,
    side: 'inside',
    low: low < least - slack ? 'under the limit' : low < aimFrom - slack ? 'under the aim' : null,
  };
}

/**
 * The least a figure read off a scale may be to be right: nm, not rounded.
 *
 * @example leastRight({ least: 114_300, grace: 2_540 }, { standard: 0, freedom: Infinity }, 0.95) // 111760
 */
export const leastRight = (
  { least, grace }: Pick<Bounds, 'least' | 'grace'>,
  { standard, freedom }: Component,
  sure: number,
): number => least - grace + standard * quantileOf(sure, freedom);

const NUMBERS = ['two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten'];
const numberWord = (n: number): string => NUMBERS[n - 2] ?? String(n);

/**
 * A chance as it is said: how many in how many.
 *
 * @example chanceWords(0.2) // 'about one in five'
 */
export function chanceWords(chance: number): string {
  const rare = Math.min(chance, 1 - chance);
  const of = Math.round(1 / Math.max(rare, 0.01));
  return `about ${chance < 0.5 || of === 2 ? 'one' : numberWord(of - 1)} in ${numberWord(of)}`;
}
