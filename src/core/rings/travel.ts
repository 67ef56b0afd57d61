/**
 * The gap that counts: a ring follows the bore's girth, so its gap moves by π times the change in diameter, from depth
 * to depth and from bore to bore (identity; the girth of a slight oval is π times its mean diameter). The gap that must
 * not close is the one at the smallest diameter of ring travel.
 */
import { DEPTHS, type Depth } from '../bores/grid';
import type { MeasuredSpot } from '../bores/shape';
import type { Nm } from '../quantity/length';
import { COVERAGE } from '../uncertainty/uncertainty';

/** Mean diameter of a bore at one depth of ring travel, and its own standard uncertainty. */
export interface Girth {
  /** Null where a bore is known by one size only. */
  depth: Depth | null;
  mean: Nm;
  own: number;
}

/** Mean diameters of a bore, top first. Above ring travel no ring runs. */
export function girthsOf(spots: readonly MeasuredSpot[]): Girth[] {
  return DEPTHS.flatMap((depth) => {
    const at = spots.filter((s) => s.depth === depth);
    if (at.length === 0) return [];
    const mean = Math.round(at.reduce((sum, s) => sum + s.value, 0) / at.length);
    return [{ depth, mean, own: Math.sqrt(at.reduce((sum, s) => sum + s.own * s.own, 0)) / at.length }];
  });
}

/** Where a ring is squared when nobody says otherwise: ¾ to 1 in down, the top of ring travel. Common practice, no source. */
export const USUAL_DEPTH: Depth = 'top';

/** The girth nearest to a depth; null for a bore that is not measured. */
export function girthAt(girths: readonly Girth[], depth: Depth | null): Girth | null {
  const wanted = DEPTHS.indexOf((depth ?? USUAL_DEPTH) as (typeof DEPTHS)[number]);
  const distance = ({ depth: at }: Girth): number =>
    at === null ? 0 : Math.abs(DEPTHS.indexOf(at as (typeof DEPTHS)[number]) - wanted);
  return girths.reduce<Girth | null>((best, g) => (best === null || distance(g) < distance(best) ? g : best), null);
}

/** The smallest girth of ring travel, and so of the gap; null for a bore that is not measured. */
export const smallestGirth = (girths: readonly Girth[]): Girth | null =>
  girths.reduce<Girth | null>((least, g) => (least === null || g.mean < least.mean ? g : least), null);

/** How a gap moves from one place to another. */
export interface Move {
  /** nm of gap; negative is tighter there. */
  by: Nm;
  /** U at k = 2. */
  uncertainty: Nm;
  from: Girth;
  to: Girth;
}

/**
 * Δgap = π·ΔD.
 *
 * @example moveOf({ depth: null, mean: 100_000_000, own: 0 }, { depth: null, mean: 100_010_000, own: 0 }).by // 31416
 */
export function moveOf(from: Girth, to: Girth): Move {
  const same = from === to;
  return {
    by: Math.round(Math.PI * (to.mean - from.mean)),
    uncertainty: same ? 0 : Math.round(COVERAGE * Math.PI * Math.hypot(from.own, to.own)),
    from,
    to,
  };
}
