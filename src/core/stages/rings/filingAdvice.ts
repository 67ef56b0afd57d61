/**
 * Filing advice: how much to take at the next cut, and by how many turns or strokes, leaning safe. Filing only goes one
 * way, so nothing is advised that could pass the window's end with more than the stated chance.
 */
import type { Nm } from '../../foundation/quantity/length';
import { studentBelow, studentQuantile } from '../../foundation/uncertainty/student';
import { type Rate, cutDeviation } from '../../record/filerRate';
import { type Estimate, bestOf } from '../../foundation/verdict/decide';
import type { ToComeOff } from './ring';

/** A first cut, and a following one, while the filer's rate is not known: 5 thou, then 2. Common practice, no source. */
export const FIRST_CUT: Nm = 127_000;
/** The most that one cut should take off, nm: 2 thou. Common practice, no source. */
export const NEXT_CUT: Nm = 50_800;
/** As far as counts are advised. */
const MOST_COUNTS = 999;

/** Turns or strokes of one filer for the next cut. */
export interface Turns {
  /** Id of the filer. */
  filer: string;
  /** What they are worked out from. */
  rate: Rate;
  /** None where even one would pass the aim with more than the chance allowed. */
  count: number;
  /** What they take off by the rate. */
  removes: Nm;
  /** Chance that they pass the window's end, 0 to 1. */
  chance: number;
}

export interface CutAdvice {
  /** Metal to take now, in gap. */
  take: Nm;
  first: boolean;
  off: ToComeOff;
  /** One for each filer whose rate for this ring's metal is known. */
  turns: Turns[];
}

/**
 * The next cut by feel alone: a first one never past the window's lower edge, following ones small.
 *
 * @example takeNext({ toAim: 50_000, toMiddle: 60_000, most: 70_000 }, true) // 50000
 */
export const takeNext = (off: ToComeOff, first: boolean): Nm =>
  first ? Math.min(FIRST_CUT, off.toAim) : Math.min(NEXT_CUT, Math.max(off.toMiddle, off.toAim));

interface TurnsAsk {
  filer: string;
  rate: Rate;
  /** The gap as it is, where it counts. */
  found: Pick<Estimate, 'low' | 'high'>;
  /** To be reached: the middle of the window. */
  aim: Nm;
  /** Not to be passed: the window's end. */
  end: Nm;
  /** The chance to pass it that is taken, over 0 and under 0.5. */
  chance: number;
}

/**
 * As many whole turns as bring the gap nearest under the aim while the chance of cutting too far stays within
 * what is stated. The gap before is uniform over what its leaves leave open; the cut is Student-distributed about the
 * rate, with the scatter of the cut, of the rate and of the reading combined.
 */
export function turnsFor({ filer, rate, found, aim, end, chance }: TurnsAsk): Turns {
  const { slope } = rate.fit;
  const now = bestOf(found);
  const open = found.high - found.low;
  const spread = (count: number): number => Math.hypot(cutDeviation(rate, count), open / Math.sqrt(12));
  const quantile = studentQuantile(1 - chance, rate.freedom);
  let count = Math.max(0, Math.min(MOST_COUNTS, Math.floor((Math.max(aim, found.low) - now) / slope)));
  while (count > 0 && now + slope * count + quantile * spread(count) > end) count -= 1;
  const passes = count === 0 ? 0 : 1 - studentBelow((end - now - slope * count) / spread(count), rate.freedom);
  return { filer, rate, count, removes: Math.round(slope * count), chance: passes };
}
