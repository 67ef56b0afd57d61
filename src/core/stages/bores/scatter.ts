/**
 * What scatter alone makes of a perfect bore. The largest of several readings less the smallest grows with their number,
 * and never comes out under nothing: a round bore read at four depths in three directions shows 2.7 σ of out-of-round.
 * So a figure is judged without what scatter would show by itself: √(figure² − the mean square of scatter's own).
 */

/**
 * Mean square of the range of 2, 3, … readings that scatter by 1: d₂² + d₃² of control charts (published tables,
 * recalled; the tests draw them).
 */
const RANGE = [2, 3.643, 5.008, 6.156, 7.131, 8.004];

/** Mean of the largest of 1, 2, … squares of normal figures of variance 1 (numerically; the tests draw them). */
const LARGEST_SQUARE = [1, 1.6366, 2.1027, 2.4702, 2.7737, 3.0324, 3.2577];

const nth = (table: readonly number[], n: number): number => table[Math.min(n, table.length - 1)] ?? 0;

/**
 * Mean square, nm², of largest less smallest of some readings of scatter `own`.
 */
export const rangeSquare = (readings: number, own: number): number => own ** 2 * nth(RANGE, readings - 2);

/** Mean square, nm², of the largest such of several depths where two directions were read at each. */
export const pairSquare = (depths: number, own: number): number => 2 * own ** 2 * nth(LARGEST_SQUARE, depths - 1);

/**
 * Mean square of the largest 2e of several depths, of ovals fitted to readings of scatter `own`: 4e² is a sum of two
 * squares, and the largest of k such, in their mean, is the kth harmonic number (identity).
 *
 * @param variance of both the oval's parameters together, for a scatter of 1
 */
export function ovalSquare(depths: number, variance: number, own: number): number {
  let harmonic = 0;
  for (let k = 1; k <= depths; k += 1) harmonic += 1 / k;
  return 4 * variance * own ** 2 * harmonic;
}

/**
 * A figure in nm without what scatter alone would show, not rounded.
 *
 * @example withoutScatter(5, 9) // 4
 */
export const withoutScatter = (figure: number, square: number): number => Math.sqrt(Math.max(0, figure ** 2 - square));
