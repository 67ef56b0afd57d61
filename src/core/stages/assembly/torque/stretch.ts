/**
 * What the bolts of a set stretch for each lb·ft or N·m more, learned from their own readings: the slope of stretch
 * against torque within each bolt, least squares, as a regression with a level of its own for every bolt gives it.
 */
import type { Nm } from '../../../foundation/quantity/length';
import type { MilliNm } from '../../../foundation/quantity/torque';
import { type Component, quantileOf, sumOf } from '../../../foundation/uncertainty/combine';

/** Stretch of one bolt as read at a torque. */
export interface StretchAt {
  torque: MilliNm;
  length: Nm;
}

export interface StretchRate {
  /** nm of stretch for each mN·m. */
  rate: number;
  /** Its standard deviation with its degrees of freedom; null where there are too few readings to tell. */
  doubt: Component | null;
  /** How far one bolt's rate lies from the set's, standard: by their own rates, and 10 % of the rate at the least. */
  between: Component;
  /** Standard deviation of one reading of a length, nm: what is left of the fit, and half a division of the gauge at the least. */
  gauge: Component;
  /** How many bolts had it from readings at two torques or more. */
  bolts: number;
}

/** Bolts of one set differ in rate by this, as a share, standard: friction. From memory. */
const BETWEEN = 0.1;
/** Half a division of a stretch gauge, 0.0001 in. */
const HALF_DIVISION: Nm = 1_270;

const mean = (values: readonly number[]): number => values.reduce((sum, v) => sum + v, 0) / values.length;

/**
 * The rate of a set; null before a bolt was read at two torques: the first of a torque goes into threads and seat, so
 * that one reading tells nothing of the next.
 *
 * @example rateOf([[{ torque: 40_000, length: 80_000 }, { torque: 50_000, length: 120_000 }]])?.rate // 4
 */
export function rateOf(bolts: readonly (readonly StretchAt[])[]): StretchRate | null {
  const read = bolts.filter((b) => b.length > 0);
  const centred = read.map((b) => {
    const [t, s] = [mean(b.map((r) => r.torque)), mean(b.map((r) => r.length))];
    return b.map((r) => ({ t: r.torque - t, s: r.length - s }));
  });
  const points = centred.flat();
  const squares = (of: readonly { t: number; s: number }[]): number => of.reduce((sum, p) => sum + p.t * p.t, 0);
  const products = (of: readonly { t: number; s: number }[]): number => of.reduce((sum, p) => sum + p.t * p.s, 0);
  const tt = squares(points);
  if (tt === 0) return null;
  const rate = products(points) / tt;
  const freedom = points.length - read.length - 1;
  const left = points.reduce((sum, p) => sum + (p.s - rate * p.t) ** 2, 0);
  const scatter = freedom > 0 ? Math.sqrt(left / freedom) : null;
  const slopes = centred.filter((b) => squares(b) > 0).map((b) => products(b) / squares(b));
  const apart = Math.sqrt(slopes.reduce((sum, slope) => sum + (slope - mean(slopes)) ** 2, 0) / (slopes.length - 1));
  const floor = BETWEEN * Math.abs(rate);
  return {
    rate,
    doubt: scatter === null ? null : { standard: scatter / Math.sqrt(tt), freedom },
    between:
      slopes.length > 2 && apart > floor
        ? { standard: apart, freedom: slopes.length - 1 }
        : { standard: floor, freedom: Infinity },
    gauge:
      scatter !== null && scatter > HALF_DIVISION
        ? { standard: scatter, freedom }
        : { standard: HALF_DIVISION, freedom: Infinity },
    bolts: slopes.length,
  };
}

/** What is taken as the doubt of a rate that is known from too few readings, as a share of it. */
const ROUGH = 0.25;
/** The most that is added while a set's rate is not known, as a share of the torque; then it is read again. From memory. */
const SMALL_STEP = 0.05;

/** How often one bolt may come out over its range: as often as a normal figure lies 2 standard deviations high. */
const SURE = 0.97725;

/**
 * The longest that one bolt may be after so much torque more, nm: its own rate, where it stands, and what the set's rate
 * is known by, with Student's t at their degrees of freedom (Welch and Satterthwaite; JCGM 100:2008, G.4, recalled).
 */
function longestAfter(add: MilliNm, length: Nm, { rate, doubt, between, gauge }: StretchRate): Nm {
  const slope = doubt ?? { standard: rate * ROUGH, freedom: Infinity };
  const scaled = [slope, between].map(({ standard, freedom }) => ({ standard: standard * add, freedom }));
  const { standard, freedom } = sumOf([...scaled, gauge]);
  return length + rate * add + quantileOf(SURE, freedom) * standard;
}

/**
 * How much torque more brings a bolt to the middle of its range, and not over its end but one time in 44; a small step
 * while the set's rate is not known. In whole steps of the wrench, rounded down; 0 where even one step may be too much.
 *
 * @param last what the bolt was last read at
 * @param step what the wrench is set by
 * @example
 *   addFor({ torque: 60_000, length: 110_000 }, { from: 127_000, to: 140_000 }, rateOf([[{ torque: 40_000, length:
 *   80_000 }, { torque: 50_000, length: 120_000 }]]), 500) // 4500
 */
export function addFor(
  { torque, length }: StretchAt,
  { from, to }: { from: Nm; to: Nm },
  known: StretchRate | null,
  step: MilliNm,
): MilliNm {
  if (length >= from) return 0;
  // a step is a rounded number of mN·m: a whole number of them is not missed by that
  if (!known) return Math.floor((SMALL_STEP * torque) / step + 0.01) * step;
  if (known.rate <= 0) return 0;
  let steps = Math.floor(((from + to) / 2 - length) / known.rate / step);
  while (steps > 0 && longestAfter(steps * step, length, known) > to) steps -= 1;
  return Math.max(0, steps * step);
}
