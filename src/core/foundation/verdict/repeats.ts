/**
 * Repeated readings of one figure at one place, read off a scale or between two leaves. Where they cannot all be
 * true they are not averaged:
 * the costly one counts until it is struck out, or two later ones that agree settle it. Common practice, no source.
 */
import type { Nm } from '../quantity/length';
import { type Component, rectangular } from '../uncertainty/combine';
import { agreed } from './evidence';

/** The side that costs the engine: the least of a clearance and of what it runs in, the most of what runs in it. */
export type CostlySide = 'least' | 'most';

/** Repeats further apart than the tools explain. */
export interface Apart {
  least: Nm;
  most: Nm;
}

export interface Repeats {
  /** The mean of those that count, nm not rounded; where they disagree, the costly one. */
  value: number;
  /** Those that count, in the order they were made. */
  counting: number[];
  disagreement: Apart | null;
}

/** Sizes of one place should repeat within 0.0003 in, and within two divisions of a coarser tool. From memory. */
export const sizesRepeat = (resolution: Nm): Nm => Math.max(7_620, 2 * resolution);

/** Whether two later readings agree with each other and neither with one before them. */
export function isOutvoted(value: number, later: readonly number[], within: Nm): boolean {
  const against = later.filter((v) => Math.abs(v - value) > within);
  return against.some((a, i) => against.slice(i + 1).some((b) => Math.abs(a - b) <= within));
}

/**
 * What repeats come to; null for none.
 *
 * @param values in the order they were made, nm
 * @param within how far they may lie apart for all that the tools and the hand do
 * @example repeatsOf([50_807_620, 50_876_200], 7_620, 'least')?.value // 50807620
 */
export function repeatsOf(values: readonly number[], within: Nm, costly: CostlySide): Repeats | null {
  if (values.length === 0) return null;
  const counting = values.filter((v, i) => !isOutvoted(v, values.slice(i + 1), within));
  const [least, most] = [Math.min(...counting), Math.max(...counting)];
  const isApart = most - least > within;
  return {
    value: isApart ? (costly === 'least' ? least : most) : counting.reduce((sum, v) => sum + v, 0) / counting.length,
    counting,
    disagreement: isApart ? { least: Math.round(least), most: Math.round(most) } : null,
  };
}

/** Leaves tried twice by one hand lie within a thou. Common practice, no source. */
export const LEAVES_REPEAT: Nm = 25_400;

/** A reading between two ends, and how far either may be off, half-width, nm. */
interface BetweenEnds {
  id: string;
  low: Nm;
  high: Nm;
  limit: Nm;
}

/**
 * What readings between two ends leave open together; null for none. Where they cannot all be true the narrower counts.
 *
 * @param readings in the order they were made
 * @param repeat how far they may miss each other for all that the hand does
 */
export function betweenEnds(
  readings: readonly BetweenEnds[],
  repeat: Nm,
): (Component & { low: Nm; high: Nm; disagreement: Apart | null }) | null {
  const [first, ...rest] = readings.map(({ id, low, high, limit }) => ({
    ...{ id, low, high, standard: rectangular(limit), freedom: Infinity, direct: true, place: null },
  }));
  if (!first) return null;
  const { low, high, standard, freedom, disagreement } = agreed([first, ...rest], () => ({ tools: 0, all: repeat }));
  return {
    ...{ low, high, standard, freedom },
    disagreement: disagreement && { least: disagreement.narrow.low, most: disagreement.wide.low },
  };
}
