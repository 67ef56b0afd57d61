/**
 * What a ring filer takes off at each turn or stroke: least squares through the origin over the logged cuts, kept as
 * sums so that the cuts of several engines add up without their readings.
 *
 * Slope b = Σxy / Σxx, residual variance s² = (Σyy − b·Σxy) / (n − 1), of the slope s²/Σxx: ordinary least squares
 * without a constant (NIST StRD, NoInt1). Few cuts say little about their own scatter, so a standing guess of it counts
 * as some cuts more: the scaled inverse-χ² prior (Gelman and others, Bayesian Data Analysis, recalled from memory).
 */
import type { RingMetal } from '../models/heat/metals';
import type { Nm } from '../foundation/quantity/length';

/** A ring's metal as rates are kept by it. */
export type RateMetal = RingMetal | 'unknown';

/** Sums over logged cuts: x turns or strokes, y metal taken off, in nm of gap. */
export interface RateSums {
  cuts: number;
  xx: number;
  xy: number;
  yy: number;
}

/** Sums of a filer that has cut nothing yet. */
export const NO_CUTS: RateSums = { cuts: 0, xx: 0, xy: 0, yy: 0 };

/** Sums with one more cut in. */
export const withCut = ({ cuts, xx, xy, yy }: RateSums, count: number, removed: Nm): RateSums => ({
  cuts: cuts + 1,
  xx: xx + count * count,
  xy: xy + count * removed,
  yy: yy + removed * removed,
});

/**
 * Both sums as one.
 *
 * @example
 *   addedRates({ cuts: 1, xx: 4, xy: 6, yy: 9 }, { cuts: 2, xx: 1, xy: 1, yy: 1 }) // { cuts: 3, xx: 5, xy: 7, yy: 10 }
 */
export const addedRates = (a: RateSums, b: RateSums): RateSums => ({
  cuts: a.cuts + b.cuts,
  xx: a.xx + b.xx,
  xy: a.xy + b.xy,
  yy: a.yy + b.yy,
});

export interface Fit {
  /** nm of gap at each turn or stroke. */
  slope: number;
  /** Standard deviation of the residuals; null with one cut. */
  residual: number | null;
  /** Standard deviation of the slope; null with one cut. */
  slopeDeviation: number | null;
}

/** Least squares through the origin; null without a cut that has turns. */
export function fitThroughOrigin({ cuts, xx, xy, yy }: RateSums): Fit | null {
  if (cuts === 0 || xx <= 0) return null;
  const slope = xy / xx;
  if (cuts === 1) return { slope, residual: null, slopeDeviation: null };
  const residual = Math.sqrt(Math.max(0, yy - slope * xy) / (cuts - 1));
  return { slope, residual, slopeDeviation: residual / Math.sqrt(xx) };
}

/** Scatter of one cut that is assumed before cuts say otherwise, and as how many cuts that guess counts. From memory. */
export const ASSUMED_SCATTER: Nm = 12_700;
/** An assumed rate counts as so many cuts. From memory. */
const ASSUMED_CUTS = 3;
/** What a cut departs from the rate by, as a share of it, however well the rate is known. From memory. */
const OWN_SHARE = 0.1;

/** A rate that cuts can be advised from. */
export interface Rate {
  sums: RateSums;
  fit: Fit;
  /** Standard deviation of one cut with the standing guess in it. */
  scatter: number;
  /** Degrees of freedom of that scatter. */
  freedom: number;
}

/** Cuts from which on a rate is worth advising from. */
const ENOUGH_CUTS = 1;

/** The rate of some cuts; null while there is not enough to go by: no cut with turns, or none that took anything off. */
export function rateOf(sums: RateSums): Rate | null {
  const fit = sums.cuts < ENOUGH_CUTS ? null : fitThroughOrigin(sums);
  if (!fit || fit.slope <= 0) return null;
  const freedom = ASSUMED_CUTS + sums.cuts - 1;
  const squares = (fit.residual ?? 0) ** 2 * (sums.cuts - 1);
  return { sums, fit, scatter: Math.sqrt((ASSUMED_CUTS * ASSUMED_SCATTER ** 2 + squares) / freedom), freedom };
}

/** Standard deviation of what `count` turns take off: of the cut itself, of its share, and of the rate. */
export const cutDeviation = ({ fit, scatter, sums }: Rate, count: number): number =>
  Math.sqrt(scatter ** 2 * (1 + (count * count) / sums.xx) + (OWN_SHARE * fit.slope * count) ** 2);
