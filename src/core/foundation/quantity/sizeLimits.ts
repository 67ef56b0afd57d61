/** What a bore or a journal may measure by the manual: least and most, as made or worn, and the size classes it is sorted into. */
import type { Nm } from './length';
import { type Message, say, size } from './message';

/** A class of sizes, e.g. A: 86.000 to 86.010 mm. Its ends belong to it. */
export interface SizeClass {
  name: string;
  from: Nm;
  to: Nm;
}

export interface SizeLimits {
  least: Nm | null;
  most: Nm | null;
  classes: SizeClass[];
  /** Where they come from. */
  source: string;
}

export const NO_SIZES: SizeLimits = { least: null, most: null, classes: [], source: '' };

/**
 * The class a size belongs to; where two share an end, the smaller one. Null for none.
 *
 * @example classAt(86_004_000, { classes: [{ name: 'A', from: 86_000_000, to: 86_010_000 }] }) // 'A'
 */
export const classAt = (found: Nm, { classes }: Pick<SizeLimits, 'classes'>): string | null =>
  classes.find(({ from, to }) => found >= from && found <= to)?.name ?? null;

/**
 * The limits of a journal that was ground so much under its first size.
 *
 * @example groundBy({ least: 50_000_000, most: null, classes: [], source: '' }, 250_000).least // 49750000
 */
export const groundBy = ({ least, most, classes, source }: SizeLimits, under: Nm): SizeLimits => ({
  least: least === null ? null : least - under,
  most: most === null ? null : most - under,
  classes: under === 0 ? classes : [],
  source,
});

/** The limits in words, e.g. `2.2480 in to 2.2490 in`; null where none is given. */
export function sizesWords({ least, most }: SizeLimits): Message | null {
  if (least === null && most === null) return null;
  if (most === null) return say`at least ${size(least ?? 0)}`;
  return least === null ? say`at most ${size(most)}` : say`${size(least)} to ${size(most)}`;
}
