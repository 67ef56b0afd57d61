/** Which ring is in which cylinder, and what becomes of its gap there. */
import type { Nm } from '../../foundation/quantity/length';
import type { Limits } from '../../models/targets/target';
import { type Estimate, bestOf, decide } from '../../foundation/verdict/decide';
import { type GapState, GAP_STATES } from './ring';

export const PLACING_AIMS = ['filing', 'even'] as const;
export type PlacingAim = (typeof PLACING_AIMS)[number];

export interface PlacingBore extends Limits {
  cylinder: string;
  /** Mean diameter at its smallest in ring travel, and its own standard uncertainty. */
  smallest: Nm;
  own: number;
  /** How far past a limit a gap still counts as at it, and half a leaf, nm. */
  grace: Nm;
  half: Nm;
}

/** A ring with its number, and its gap in the cylinder it is in, as the bench has it. */
export interface PlacingRing extends Estimate {
  ring: string;
  cylinder: string;
  value: Nm;
}

/** Which ring is in which cylinder. */
export interface Placed {
  cylinder: string;
  ring: string;
}

export interface PlacingAsk {
  bores: PlacingBore[];
  /** As many as there are bores. */
  rings: PlacingRing[];
  now: Placed[];
  /** Cylinders whose ring stays. */
  locked: string[];
  aim: PlacingAim;
  /** How sure one has to be of a verdict. */
  sure: number;
}

/** One cylinder of a placing. */
export interface PlacedRing extends Placed {
  /** The gap at the smallest place of ring travel: the bench's where the ring is, predicted elsewhere. */
  gap: Nm;
  /** The middle of what its leaves leave open there: what placings are weighed by, alike for rings that stay and that move. */
  best: Nm;
  /** Metal to file from the gap to where its aim begins, as the bench has it. */
  file: Nm;
  /** The same from the middle, and of a gap that is not proven too: what placings are weighed by. */
  weighed: Nm;
  /** How far over its most it is; 0 where it is not. */
  overBy: Nm;
  state: GapState;
  /** U of the gap with what its leaves leave open, nm. */
  uncertainty: number;
}

export interface PlacingStanding {
  placed: PlacedRing[];
  over: number;
  /** Metal to file in all, and from the middles. */
  filing: Nm;
  weighed: Nm;
  /** Largest − smallest gap once the short ones are filed. */
  spread: Nm;
}

/** A ring put into a bore: its gap at the smallest place there. `from` is the bore it is in now. */
export function placedIn(bore: PlacingBore, ring: PlacingRing, from: PlacingBore, sure: number): PlacedRing {
  const stays = bore.cylinder === from.cylinder;
  const by = stays ? 0 : Math.PI * (bore.smallest - from.smallest);
  const moved = stays ? 0 : Math.PI * Math.hypot(bore.own, from.own);
  const found: Estimate = {
    low: ring.low + by,
    high: ring.high + by,
    standard: Math.hypot(ring.standard, moved),
    freedom: ring.freedom,
    passed: ring.passed && stays,
  };
  const open = ring.high === Infinity ? 0 : ring.high - ring.low;
  const best = Math.round(bestOf(found));
  const state = GAP_STATES[decide(found, bore, sure).side];
  const under = (from: Nm): Nm => Math.max(0, bore.aimFrom - from);
  return {
    cylinder: bore.cylinder,
    ring: ring.ring,
    gap: stays ? ring.value : best,
    best,
    file: state === 'short' ? under(stays ? ring.value : best) : 0,
    weighed: state === 'short' || state === 'not proven' ? under(best) : 0,
    overBy: state === 'over' && bore.most !== null ? Math.max(0, best - bore.most) : 0,
    state,
    uncertainty: 2 * Math.hypot(found.standard, open / Math.sqrt(12)),
  };
}

/**
 * How a placing stands. Pairs whose bore or ring is not among those asked are left out.
 *
 * @example
 *   placingStanding({ bores: [], rings: [], sure: 0.95 }, [])
 *   // { placed: [], over: 0, filing: 0, weighed: 0, spread: 0 }
 */
export function placingStanding(
  { bores, rings, sure }: Pick<PlacingAsk, 'bores' | 'rings' | 'sure'>,
  pairs: readonly Placed[],
): PlacingStanding {
  const boreOf = new Map(bores.map((b) => [b.cylinder, b]));
  const placed = pairs.flatMap(({ cylinder, ring }) => {
    const bore = boreOf.get(cylinder);
    const found = rings.find((r) => r.ring === ring);
    const from = found && boreOf.get(found.cylinder);
    return bore && found && from ? [placedIn(bore, found, from, sure)] : [];
  });
  const after = placed.map((p) => p.best + p.weighed);
  return {
    placed,
    over: placed.filter((p) => p.state === 'over').length,
    filing: placed.reduce((sum, p) => sum + p.file, 0),
    weighed: placed.reduce((sum, p) => sum + p.weighed, 0),
    spread: after.length === 0 ? 0 : Math.max(...after) - Math.min(...after),
  };
}
