/** What a size should be near to, as its neighbours say. */
import type { Expected } from './readingField';
import { type Nm, type Units, toInches, toMm } from './length';

/**
 * The middle one of some sizes, the upper of two; 0 for none.
 *
 * @example median([1, 5, 3]) // 3
 */
export function median(values: readonly Nm[]): Nm {
  return values.toSorted((a, b) => a - b)[Math.floor(values.length / 2)] ?? 0;
}

/** A size in one system, in full. */
export const sizeInBoth = (nm: Nm, units: Units): string =>
  units === 'metric' ? `${toMm(nm).toFixed(3)} mm` : `${toInches(nm).toFixed(4)} in`;

/** The middle of some sizes as what another should be near to; null for none. */
export const expectedNear = (values: Nm[], within: Nm, whose: string, units: Units): Expected | null => {
  if (values.length === 0) return null;
  const nm = median(values);
  return { nm, within, because: `${whose} about ${sizeInBoth(nm, units)}` };
};
