/**
 * Where a bore is read: depths down the ring travel × directions across it, and in which order.
 * Top of ring travel, middle and bottom, square to the crank and along it: common practice, no source.
 */
import { NO_SIZES, type SizeLimits } from '../verdict/sizeLimits';
import type { Nm } from '../quantity/length';
import { apart } from './oval';

export const DEPTHS = ['top', 'upper', 'upperMiddle', 'middle', 'lowerMiddle', 'lower', 'bottom'] as const;
export type Depth = (typeof DEPTHS)[number] | typeof ABOVE | (typeof ENDS)[number];

/** The ends of a journal. */
export const ENDS = ['front', 'rear'] as const;

/** The bore above ring travel, which no ring wears: read for the ridge and for nothing else. */
export const ABOVE = 'above';

export const DEPTH_WORDS: Record<Depth, string> = {
  front: 'front end',
  rear: 'rear end',
  above: 'above ring travel',
  top: 'top of ring travel',
  upper: 'upper',
  upperMiddle: 'upper middle',
  middle: 'middle',
  lowerMiddle: 'lower middle',
  lower: 'lower',
  bottom: 'bottom of ring travel',
};

/** The depths of a grid of one to six, top first. */
export const DEPTHS_BY_COUNT: Depth[][] = [
  ['middle'],
  ['top', 'bottom'],
  ['top', 'middle', 'bottom'],
  ['top', 'upper', 'lower', 'bottom'],
  ['top', 'upper', 'middle', 'lower', 'bottom'],
  ['top', 'upper', 'upperMiddle', 'lowerMiddle', 'lower', 'bottom'],
];

/** Degrees clockwise from the engine's front, seen on the crown: the thrust faces, and the crank. */
export const THRUST = 90;
export const ALONG = 0;

/** The directions of a grid of one to six, square to the crank first and evenly apart. */
export const directionsByCount = (count: number): number[] =>
  Array.from({ length: count }, (_, i) => (THRUST + (i * 180) / count) % 180);

/** Directions count as one when this near, degrees. */
const SAME_DIRECTION = 1;

/** Whether a direction, in degrees on the crown, is square to the crank: the thrust axis. */
export const isThrust = (angle: number): boolean => apart(angle, THRUST) < SAME_DIRECTION;

/** A direction in words, e.g. `square to the crank`, `along the crank`, `30°`. */
export function directionWords(angle: number): string {
  if (isThrust(angle)) return 'square to the crank';
  return apart(angle, ALONG) < SAME_DIRECTION ? 'along the crank' : `${Math.round(angle * 10) / 10}°`;
}

/** One place in a bore, on a journal, or one half shell. */
export interface Spot {
  depth: Depth;
  /** Degrees clockwise from the front, 0 to under 180; of a journal, from in line with its throw. */
  angle: number;
}

/** Whether two are the same spot of a bore. */
export const sameSpot = (a: Spot, b: Spot): boolean => a.depth === b.depth && a.angle === b.angle;

/** A spot of a bore in words, e.g. `top of ring travel, square to the crank`. */
export const spotWords = ({ depth, angle }: Spot): string => `${DEPTH_WORDS[depth]}, ${directionWords(angle)}`;

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
 * @example spotsOf({ depths: ['top'], directions: [90, 0], order: 'byDepth', ridge: false }) // [ { depth: 'top', angle: 90 }, { depth: 'top', angle: 0 } ]
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

/** A direction in a word: `square`, `along`, `30°`. */
export const shortDirection = (angle: number): string =>
  isThrust(angle) ? 'square' : angle === 0 ? 'along' : `${Math.round(angle * 10) / 10}°`;

/** A depth in a word or two. */
export const shortDepth = (depth: Depth): string =>
  DEPTH_WORDS[depth].replace(' of ring travel', '').replace(' ring travel', '');
