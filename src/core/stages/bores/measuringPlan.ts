/** Where and how a bore is measured on one engine, and the limits its shape is held against. */
import { type Depth, type Spot, ABOVE, DEPTHS_BY_COUNT, THRUST, directionsByCount } from '../../foundation/parts/spots';
import type { Nm } from '../../foundation/quantity/length';
import { type SizeLimits, NO_SIZES } from '../../foundation/quantity/sizeLimits';

/** Taper and out-of-round up to which a bore is well, and up to which honing mends it. */
export interface FormLimits {
  taper: Nm;
  outOfRound: Nm;
}

/** Limits of one basis, and whether someone has held them against a manual. */
export interface BoreLimits {
  within: FormLimits;
  hone: FormLimits;
  /** Where they come from; empty until someone says. */
  source: string;
}

/** What a bore is judged as: newly honed, or used and to be run again. */
export type Basis = 'honed' | 'used';
export interface BoreChoices {
  depths: Depth[];
  directions: number[];
  /** Whether the unworn bore above ring travel is read too. */
  ridge: boolean;
  /** Readings taken at a spot before the line moves on. */
  repeats: number;
  /** Within a bore: round it at each depth, or down it in each direction. */
  order: 'round' | 'down';
  /** All of one cylinder and then the next, or one depth of all. */
  route: 'byCylinder' | 'byDepth';
  /** Whether a torque plate is bolted on just now; null when not said. */
  plate: boolean | null;
  basis: Basis;
  limits: Record<Basis, BoreLimits>;
  /** What a bore may measure: as finished, or worn. */
  sizes: SizeLimits;
}

/** Limits from memory: half a thou of either newly honed; used, what rings still follow. */
export const STARTING_BORES: BoreChoices = {
  depths: DEPTHS_BY_COUNT[2] ?? [],
  directions: directionsByCount(2),
  ridge: false,
  repeats: 1,
  order: 'round',
  route: 'byCylinder',
  plate: null,
  basis: 'honed',
  limits: {
    honed: { within: { taper: 12_700, outOfRound: 12_700 }, hone: { taper: 25_400, outOfRound: 25_400 }, source: '' },
    used: { within: { taper: 50_800, outOfRound: 38_100 }, hone: { taper: 127_000, outOfRound: 76_200 }, source: '' },
  },
  sizes: NO_SIZES,
};

/**
 * The spots of a grid in the order they are read.
 *
 * @example
 *   spotsOf({ depths: ['top'], directions: [90, 0], order: 'byDepth', ridge: false })
 *   // [ { depth: 'top', angle: 90 }, { depth: 'top', angle: 0 } ]
 */
export function spotsOf({
  depths,
  directions,
  order,
  ridge,
}: Pick<BoreChoices, 'depths' | 'directions' | 'order' | 'ridge'>): Spot[] {
  const inTravel =
    order === 'round'
      ? depths.flatMap((depth) => directions.map((angle) => ({ depth, angle })))
      : directions.flatMap((angle) => depths.map((depth) => ({ depth, angle })));
  return ridge ? [{ depth: ABOVE, angle: THRUST }, ...inTravel] : inTravel;
}
