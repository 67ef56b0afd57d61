/**
 * The gap that counts: a ring follows the bore's girth, so its gap moves by π times the change in diameter, from depth
 * to depth and from bore to bore (identity; the girth of a slight oval is π times its mean diameter). The gap that must
 * not close is the one at the smallest diameter of ring travel.
 */
import { type Depth, DEPTHS } from '../../foundation/parts/spots';
import { type MeasuredSpot, fitOval } from '../bores';
import type { Nm } from '../../foundation/quantity/length';
import { average, rangeOf } from '../../foundation/verdict/measuredSize';
import { type Component, sumOf, rectangular } from '../../foundation/uncertainty/combine';

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

interface Point {
  angle: number;
  value: number;
  standard: number;
  freedom: number;
}

/**
 * How much of an oval's amplitude is left in the plain mean of some directions, 0 to 1: 0 for two at right angles, 1
 * for one alone (identity).
 */
function ovalLeft(points: readonly Point[]): number {
  const sum = (of: (doubled: number) => number): number =>
    points.reduce((total, { angle }) => total + of((angle * Math.PI) / 90), 0);
  return Math.hypot(sum(Math.cos), sum(Math.sin)) / points.length;
}

/**
 * The mean diameter of a depth: of the oval through its directions where three or more tell one. Else their plain mean,
 * known to what an oval would leave in it: of one direction alone, half of what the bore may be out of round.
 */
function meanOf(points: readonly Point[], plausible: Nm): Component & { mean: number } {
  const fitted = fitOval([...points]);
  if (fitted) {
    const squares = points.reduce((sum, p) => sum + p.standard ** 2, 0) / points.length;
    const freedom = sumOf(points).freedom;
    return { mean: fitted.mean, standard: fitted.doubt.mean * Math.sqrt(squares), freedom };
  }
  return {
    mean: average(points.map((p) => p.value)),
    ...sumOf([
      ...points.map(({ standard, freedom }) => ({ standard: standard / points.length, freedom })),
      { standard: rectangular((ovalLeft(points) * plausible) / 2), freedom: Infinity },
    ]),
  };
}

/**
 * Mean diameters of a bore, top first. Above ring travel no ring runs. A direction that was read at other depths and not
 * at this one is taken to lie from the others as it does there, known to half of what the bore is out of round.
 *
 * @param plausible how far the bore may be out of round for all that directions which were read nowhere tell
 */
export function girthsOf(spots: readonly MeasuredSpot[], plausible: Nm): Girth[] {
  const inTravel = DEPTHS.map((depth) => spots.filter((s) => s.depth === depth)).filter((at) => at.length > 0);
  const angles = [...new Set(inTravel.flatMap((at) => at.map((s) => s.angle)))];
  const oval = Math.max(ROUND, ...inTravel.map((at) => rangeOf(at.map((s) => s.value))));
  return inTravel.map((at): Girth => {
    const here = average(at.map((s) => s.value));
    const guessed = angles.flatMap((angle): Point[] => {
      if (at.some((s) => s.angle === angle)) return [];
      const offs = inTravel.flatMap((other) => {
        const there = other.find((s) => s.angle === angle);
        const shared = other.filter((s) => at.some((h) => h.angle === s.angle));
        return there && shared.length > 0 ? [there.value - average(shared.map((s) => s.value))] : [];
      });
      const value = here + (offs.length > 0 ? average(offs) : 0);
      return [{ angle, value, standard: rectangular(oval / 2), freedom: Infinity }];
    });
    const read = at.map(({ angle, value, own: standard, freedom }) => ({ angle, value, standard, freedom }));
    const { mean, standard, freedom } = meanOf([...read, ...guessed], Math.max(oval, plausible));
    return { depth: at[0]?.depth ?? null, mean: Math.round(mean), own: standard, freedom };
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
