/**
 * The gap that counts: a ring follows the bore's girth, so its gap moves by π times the change in diameter, from depth
 * to depth and from bore to bore (identity; the girth of a slight oval is π times its mean diameter). The gap that must
 * not close is the one at the smallest diameter of ring travel.
 */
import { DEPTHS, type Depth } from '../bores/grid';
import type { MeasuredSpot } from '../bores/shape';
import type { Nm } from '../quantity/length';
import { average, rangeOf } from '../uncertainty/sized';
import { type Component, sumOf } from '../uncertainty/spread';
import { rectangular } from '../uncertainty/uncertainty';

/** Mean diameter of a bore at one depth of ring travel, and its own standard uncertainty. */
export interface Girth {
  /** Null where a bore is known by one size only. */
  depth: Depth | null;
  mean: Nm;
  own: number;
  /** Degrees of freedom of that. */
  freedom: number;
}

/** An unread direction in a bore that is out of round by this, at the least: what a round bore may have. From memory: 0.0001 in. */
const ROUND: Nm = 2_540;

/**
 * Mean diameters of a bore, top first. Above ring travel no ring runs. A direction that was read at other depths and not
 * at this one is taken to lie from the others as it does there, known to half of what the bore is out of round.
 */
export function girthsOf(spots: readonly MeasuredSpot[]): Girth[] {
  const inTravel = DEPTHS.map((depth) => spots.filter((s) => s.depth === depth)).filter((at) => at.length > 0);
  const angles = [...new Set(inTravel.flatMap((at) => at.map((s) => s.angle)))];
  const oval = Math.max(ROUND, ...inTravel.map((at) => rangeOf(at.map((s) => s.value))));
  return inTravel.map((at): Girth => {
    const missing = angles.filter((angle) => !at.some((s) => s.angle === angle));
    const here = average(at.map((s) => s.value));
    const guessed = missing.map((angle) => {
      const offs = inTravel.flatMap((other) => {
        const there = other.find((s) => s.angle === angle);
        const shared = other.filter((s) => at.some((h) => h.angle === s.angle));
        return there && shared.length > 0 ? [there.value - average(shared.map((s) => s.value))] : [];
      });
      return here + (offs.length > 0 ? average(offs) : 0);
    });
    const count = angles.length;
    const { standard, freedom } = sumOf([
      ...at.map((s) => ({ standard: s.own / count, freedom: s.freedom })),
      ...missing.map(() => ({ standard: rectangular(oval / 2) / count, freedom: Infinity })),
    ]);
    return {
      depth: at[0]?.depth ?? null,
      mean: Math.round((at.reduce((sum, s) => sum + s.value, 0) + guessed.reduce((a, b) => a + b, 0)) / count),
      own: standard,
      freedom,
    };
  });
}

/** The smallest girth of ring travel, and so of the gap; null for a bore that is not measured. */
export const smallestGirth = (girths: readonly Girth[]): Girth | null =>
  girths.reduce<Girth | null>((least, g) => (least === null || g.mean < least.mean ? g : least), null);

/** The largest of ring travel. */
export const largestGirth = (girths: readonly Girth[]): Girth | null =>
  girths.reduce<Girth | null>((most, g) => (most === null || g.mean > most.mean ? g : most), null);

/** Δgap = π·ΔD, nm not rounded. */
export const gapMove = (from: Girth, to: Girth): number => Math.PI * (to.mean - from.mean);

/** How well a difference of two girths is known as a gap: what each has of its own, and the tools where they are not one. */
export function moveDoubt(from: Girth, to: Girth, tools: number): Component {
  if (from === to) return { standard: 0, freedom: Infinity };
  const { standard, freedom } = sumOf([
    { standard: from.own, freedom: from.freedom },
    { standard: to.own, freedom: to.freedom },
    { standard: tools, freedom: Infinity },
  ]);
  return { standard: Math.PI * standard, freedom };
}
