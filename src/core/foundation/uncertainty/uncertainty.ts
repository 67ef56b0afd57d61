/**
 * What a hand tool can prove: a rectangular half-width a counts as a/√3, and k = 2 for about 95 % (JCGM 100:2008).
 */
import type { Nm } from '../quantity/length';

/** Coverage factor for about 95 % (JCGM 100:2008). */
export const COVERAGE = 2;

/** Error limits of the hand tools, half-width in nm. From memory: 0.0001 in each for a bench micrometer and a bore gauge. */
export const MICROMETER_LIMIT: Nm = 2_540;

/** Standard uncertainty of a rectangular distribution of half-width `halfWidth`. */
export const rectangular = (halfWidth: number): number => halfWidth / Math.sqrt(3);
