/**
 * The decision: what may be said of a figure that is known only so well, against its limits.
 *
 * The side that costs the engine is guarded: a figure is right only once it is shown, to 95 %, not to lie under its
 * minimum by more than the grace, and it is condemned only once it is shown, to 95 %, that it does. What costs a little
 * oil is decided by the best estimate. 95 % is the conformance probability that ISO 14253-1:2017 takes unless another is
 * agreed (recalled, not opened); the chance is that of JCGM 106:2012 with a normal distribution (recalled, not opened).
 * The grace, because a limit is no sharper than its last digit: common practice, no source.
 */
import type { Nm } from '../quantity/length';
import { normalBelow } from '../uncertainty/normal';

/** How sure one has to be, of either. */
const SURE = 0.95;

/** A figure and its standard uncertainty, nm. */
export interface Estimate {
  value: Nm;
  standard: number;
}

export interface Bounds {
  /** The hard minimum. */
  min: Nm;
  /** How far under it a figure still counts as at it. */
  grace: Nm;
  /** End of the window; null where it has none. */
  aimTo: Nm | null;
  /** The most it may be; null where it may be anything. */
  most: Nm | null;
}

export type Side = 'under' | 'not proven' | 'inside' | 'past the aim' | 'over';

export interface Decision {
  side: Side;
  /** The chance that it lies under the minimum by more than the grace. */
  chance: number;
}

/**
 * What may be said of a figure.
 *
 * @example decide({ value: 120_650, standard: 3_302 }, { min: 114_300, grace: 2_540, aimTo: null, most: null }).side // 'inside'
 */
export function decide({ value, standard }: Estimate, { min, grace, aimTo, most }: Bounds): Decision {
  const over = value - (min - grace);
  const chance = standard > 0 ? normalBelow(-over / standard) : over < 0 ? 1 : 0;
  if (chance >= SURE) return { side: 'under', chance };
  if (chance > 1 - SURE) return { side: 'not proven', chance };
  if (most !== null && value > most) return { side: 'over', chance };
  return { side: aimTo !== null && value > aimTo ? 'past the aim' : 'inside', chance };
}

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
