/**
 * What a size read with a tool can prove: the components of its uncertainty, kept apart by whether a second
 * reading with the same tool shares them.
 *
 * What both share (how far the tool is off, how it was zeroed, the temperature) drops out of a difference such as
 * taper; what each has of its own (the last digit, the hand) does not. Rectangular half-widths count as a/√3, the
 * resolution as half a digit, sums are root sums of squares, U = k·u with k for about 95 %: JCGM 100:2008 (recalled).
 */
import type { Nm } from '../quantity/length';
import { type Component, expandedOf, sumOf, rectangular } from './combine';

/** Error limits of the hand tools, half-width in nm. From memory: 0.0001 in each for a bench micrometer and a bore gauge. */
export const MICROMETER_LIMIT: Nm = 2_540;

/** Standard uncertainties in nm, not rounded. */
export interface Doubt {
  /** Of the tool: shared by readings made with it. */
  tool: number;
  /** Of the micrometer that a comparator was set with; 0 for a tool that reads by itself. */
  setting: number;
  /** Of zeroing the comparator on it: shared by all that was read from one zero; 0 for a tool that reads by itself. */
  zeroing: number;
  /** Of the shop's temperature. */
  shop: number;
  /** Of how far the part was off its tool's temperature. */
  apart: number;
  /** Of this reading alone, and its degrees of freedom. */
  own: number;
  freedom: number;
}

/** What is known of a tool; the standing limits where none is named. */
export interface Tool {
  limit: Nm;
  resolution: Nm;
}

/**
 * How far an outside micrometer for a size may be off that nobody named, half-width: 0.0001 in to 75 mm, 3 µm to 100 mm,
 * and 1 µm more for each 25 mm. From memory.
 *
 * @example micrometerLimit(86_000_000) // 3000
 */
export const micrometerLimit = (size: Nm): Nm =>
  size <= 75_000_000 ? MICROMETER_LIMIT : 1_000 * Math.ceil(size / 25_000_000 - 1);

/** Where a reading names no tool: 0.0001 in each. From memory. */
export const UNNAMED_TOOL: Tool = { limit: MICROMETER_LIMIT, resolution: 2_540 };

/** Repeats in all before their scatter is used instead of half a division. */
const ENOUGH_REPEATS = 3;

/** Sum of squares about each spot's mean, and degrees of freedom, pooled over spots. */
export interface Scatter {
  squares: number;
  freedom: number;
}

/** The scatter of several spots' repeats, pooled. */
export function scatterOf(spots: number[][]): Scatter {
  let [squares, freedom] = [0, 0];
  for (const values of spots) {
    if (values.length < 2) continue;
    const mean = values.reduce((a, b) => a + b, 0) / values.length;
    squares += values.reduce((sum, v) => sum + (v - mean) ** 2, 0);
    freedom += values.length - 1;
  }
  return { squares, freedom };
}

/** Standard deviation of one reading, nm not rounded, and the degrees of freedom it was measured with; Infinity where it was not. */
export interface Repeatability {
  value: number;
  freedom: number;
}

/** The pooled scatter of the repeats where there are enough of them, else half a division (from memory). */
export function repeatability({ squares, freedom }: Scatter, { resolution }: Tool): Repeatability {
  return freedom >= ENOUGH_REPEATS
    ? { value: Math.sqrt(squares / freedom), freedom }
    : { value: resolution / 2, freedom: Infinity };
}

/** Standard uncertainty of a mean of repeats that is the reading's own: resolution and scatter. */
export const ownDoubt = (repeats: number, { value, freedom }: Repeatability, { resolution }: Tool): Component =>
  sumOf([
    { standard: rectangular(resolution / 2), freedom: Infinity },
    { standard: value / Math.sqrt(repeats), freedom },
  ]);

/** All the doubts of a size together. */
export const wholeDoubt = ({ own, freedom, ...shared }: Doubt): Component =>
  sumOf([
    ...[shared.tool, shared.setting, shared.zeroing, shared.shop, shared.apart].map((standard) => ({
      standard,
      freedom: Infinity,
    })),
    { standard: own, freedom },
  ]);

/**
 * U of a size with all its doubts, for about 95 %.
 *
 * @example
 *   sizeUncertainty({ tool: 300, setting: 0, zeroing: 0, shop: 400, apart: 0, own: 0, freedom: Infinity }) // 1000
 */
export const sizeUncertainty = (doubt: Doubt): Nm => Math.round(expandedOf(wholeDoubt(doubt)));
