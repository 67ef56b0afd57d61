/** Which ring is in which cylinder, and what becomes of its gap there. */
import type { Nm } from '../quantity/length';

export const PLACING_AIMS = ['filing', 'even'] as const;
export type PlacingAim = (typeof PLACING_AIMS)[number];

export interface PlacingBore {
  cylinder: string;
  /** Mean diameter at its smallest in ring travel. */
  smallest: Nm;
  min: Nm;
  /** End of the aim window; null where only a minimum is asked. */
  aimTo: Nm | null;
  /** What a gap may not be over; null where nothing says so. */
  limit: Nm | null;
}

/** A ring with its number, its gap, and the mean diameter it was read at. */
export interface PlacingRing {
  ring: string;
  gap: Nm;
  readAt: Nm;
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
}

export type PlacedState = 'short' | 'in window' | 'loose' | 'over';

/** One cylinder of a placing. */
export interface PlacedRing extends Placed {
  /** The gap at the smallest place of ring travel, predicted. */
  gap: Nm;
  /** Metal to file to its window's lower edge. */
  file: Nm;
  state: PlacedState;
}

export interface PlacingStanding {
  placed: PlacedRing[];
  over: number;
  /** Metal to file in all. */
  filing: Nm;
  /** Largest − smallest gap once the short ones are filed. */
  spread: Nm;
}

/** A ring put into a bore: its gap at the smallest place there. */
export function placedIn(
  { cylinder, smallest, min, aimTo, limit }: PlacingBore,
  { ring, gap, readAt }: PlacingRing,
): PlacedRing {
  const there = gap + Math.round(Math.PI * (smallest - readAt));
  const state =
    there < min
      ? 'short'
      : limit !== null && there > limit
        ? 'over'
        : aimTo !== null && there > aimTo
          ? 'loose'
          : 'in window';
  return { cylinder, ring, gap: there, file: Math.max(0, min - there), state };
}

/**
 * How a placing stands. Pairs whose bore or ring is not among those asked are left out.
 *
 * @example placingStanding({ bores: [], rings: [] }, []) // { placed: [], over: 0, filing: 0, spread: 0 }
 */
export function placingStanding(
  { bores, rings }: Pick<PlacingAsk, 'bores' | 'rings'>,
  pairs: Placed[],
): PlacingStanding {
  const placed = pairs.flatMap(({ cylinder, ring }) => {
    const bore = bores.find((b) => b.cylinder === cylinder);
    const found = rings.find((r) => r.ring === ring);
    return bore && found ? [placedIn(bore, found)] : [];
  });
  const after = placed.map((p) => p.gap + p.file);
  return {
    placed,
    over: placed.filter((p) => p.state === 'over').length,
    filing: placed.reduce((sum, p) => sum + p.file, 0),
    spread: after.length === 0 ? 0 : Math.max(...after) - Math.min(...after),
  };
}
