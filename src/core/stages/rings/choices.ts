/** How rings are read and filed on one engine, and which ring goes into which cylinder. */
import type { Nm } from '../../foundation/quantity/length';
import type { TargetChoices } from '../../models/targets/papers';
import type { Placed, PlacingAim } from './placement';

/** The order rings are taken in: all of one cylinder, all of one kind, all of one bank, or as they come to hand. */
export const ROUTES = ['byCylinder', 'byRing', 'byBank', 'free'] as const;
export type Route = (typeof ROUTES)[number];

/** How the bench works on this engine. */
export interface BenchChoices {
  route: Route;
  /** Whether oil rails are read on the route. */
  rails: boolean;
  /** How far readings of one setting may lie apart before the ring is squared again. */
  repeat: Nm;
  /** How far gaps of one kind may lie apart. */
  spread: Nm;
  /** Chance, 0 to 1, that an advised cut may pass the window's end. */
  chance: number;
}

/** Which ring of a kind is in which cylinder, and which stay. */
export interface KindPlacing {
  /** Empty until rings are swapped: each is then in the cylinder whose number it has. */
  pairs: Placed[];
  /** Cylinders whose ring stays. */
  locked: string[];
}

export interface PlacingChoices {
  top: KindPlacing;
  second: KindPlacing;
  aim: PlacingAim;
}

/** Readings that repeat within a thou, gaps within 2 thou of each other: common practice, no source. One cut in twenty: from memory. */
export const STARTING_BENCH: BenchChoices = {
  route: 'byCylinder',
  rails: false,
  repeat: 25_400,
  spread: 50_800,
  chance: 0.05,
};
export const STARTING_PLACING: PlacingChoices = {
  top: { pairs: [], locked: [] },
  second: { pairs: [], locked: [] },
  aim: 'filing',
};

/** What says whether rails are read on the route. */
export interface RailChoices {
  bench: Pick<BenchChoices, 'rails'>;
  targets: { gaps: Pick<TargetChoices['gaps'], 'rails'> };
}

/**
 * Whether rails are read on the route: where that was chosen, and where a sheet or a manual gives a figure for them.
 *
 * @example readsRails({ ...demo.choices, bench: { rails: true } }) // true
 */
export const readsRails = ({ bench, targets: { gaps } }: RailChoices): boolean =>
  bench.rails || gaps.rails.sheet !== null || gaps.rails.manual !== null;
