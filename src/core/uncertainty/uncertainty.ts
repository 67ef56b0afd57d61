/**
 * What a reading can prove.
 *
 * Combination by root sum of squares, a rectangular half-width a counting as a/√3, and k = 2 for
 * about 95 %: JCGM 100:2008. The decision between limits: ISO 14253-1.
 */
import type { Nm } from '../quantity/length';

/** Coverage factor for about 95 % (JCGM 100:2008). */
export const COVERAGE = 2;

/** Error limits of the hand tools, half-width in nm. From memory: 0.0001 in each for a bench micrometer and a bore gauge. */
export const MICROMETER_LIMIT: Nm = 2_540;

/** Standard uncertainty of a rectangular distribution of half-width `halfWidth`. */
export const rectangular = (halfWidth: number): number => halfWidth / Math.sqrt(3);

/**
 * Combined standard uncertainty of independent components.
 *
 * @example combined([3, 4]) // 5
 */
export function combined(components: number[]): number {
  let squares = 0;
  for (const component of components) squares += component * component;
  return Math.sqrt(squares);
}

/** Expanded uncertainty U = k·u. */
export const expanded = (standard: number): number => COVERAGE * standard;

/** Where a value lies against its limits, as far as its uncertainty lets it be said. */
export type Conformity = 'below' | 'inside' | 'above' | 'not proven';

/**
 * Where the interval [low, high] is proven to lie against a tolerance (ISO 14253-1): inside only when
 * all of it is, below or above only when none of it is inside, and otherwise not proven.
 * A limit itself belongs to the tolerance.
 *
 * @param limit upper limit, or null when there is none
 */
export function conformity(low: Nm, high: Nm, min: Nm, limit: Nm | null): Conformity {
  if (high < min) return 'below';
  if (limit !== null && low > limit) return 'above';
  const inside = low >= min && (limit === null || high <= limit);
  return inside ? 'inside' : 'not proven';
}
