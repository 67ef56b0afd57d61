/**
 * Where a bore is read: depths down the ring travel × directions across it, and in which order.
 * Top of ring travel, middle and bottom, square to the crank and along it: common practice, no source.
 */
import { betweenDirections } from '../quantity/angle';

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
/** The direction in line with the crank, degrees. */
export const ALONG = 0;

/** The directions of a grid of one to six, degrees from the crank’s axis: square to it first, and evenly apart. */
export const directionsByCount = (count: number): number[] =>
  Array.from({ length: count }, (_, i) => (THRUST + (i * 180) / count) % 180);

/** Directions count as one when this near, degrees. */
const SAME_DIRECTION = 1;

/** Whether a direction, in degrees on the crown, is square to the crank: the thrust axis. */
export const isThrust = (angle: number): boolean => betweenDirections(angle, THRUST) < SAME_DIRECTION;

/** A direction in words, e.g. `square to the crank`, `along the crank`, `30°`. */
export function directionWords(angle: number): string {
  if (isThrust(angle)) return 'square to the crank';
  return betweenDirections(angle, ALONG) < SAME_DIRECTION ? 'along the crank' : `${Math.round(angle * 10) / 10}°`;
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

/** A direction in a word: `square`, `along`, `30°`. */
export const shortDirection = (angle: number): string =>
  isThrust(angle) ? 'square' : angle === 0 ? 'along' : `${Math.round(angle * 10) / 10}°`;

/** A depth in a word or two. */
export const shortDepth = (depth: Depth): string =>
  DEPTH_WORDS[depth].replace(' of ring travel', '').replace(' ring travel', '');
