/** A size that stands away from its neighbours. */
import type { Nm } from './length';
import { suggestionsFor } from './suggestions';
import { median } from './expectedSize';

/** A size that stands away from its neighbours, and the slip that would explain it. */
export interface Outlier {
  neighbours: Nm;
  off: Nm;
  /** E.g. `digit 8 dropped`; null where no known slip leads back to the neighbours. */
  slip: string | null;
}

/** How far a size may stand from its neighbours before it is called out: pistons 1 thou, bores 0.25 mm. From memory. */
export const NEAR = { piston: 25_400, bore: 250_000, pin: 12_700 };

/**
 * Whether a size stands away from its neighbours; null where it does not, or there are fewer than two.
 *
 * @param typed what was typed for it: says which slip leads back
 */
export function outlierOf(value: Nm, typed: string, neighbours: Nm[], within: Nm): Outlier | null {
  if (neighbours.length < 2) return null;
  const middle = median(neighbours);
  const off = value - middle;
  if (Math.abs(off) <= within) return null;
  const numeral = /\d*\.?\d+/.exec(typed)?.[0] ?? '';
  const [slip] = suggestionsFor(numeral, value, { nm: middle, within });
  return { neighbours: middle, off, slip: slip?.taken ?? null };
}
