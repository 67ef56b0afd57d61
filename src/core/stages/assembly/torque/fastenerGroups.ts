/** The fasteners of an engine, group by group, and the figures that are asked of them. */
import type { Nm } from '../../../foundation/quantity/length';
import type { MilliNm } from '../../../foundation/quantity/torque';

export interface FastenerGroup {
  id: string;
  words: string;
  /** Whether it stands on each rod, or once on the engine. */
  on: 'rods' | 'engine';
  /** How many there are: of one rod, or in all. */
  count: number;
  /** What is on threads and under heads as the figures are given for; a figure without it is none. */
  lubricant: string;
  /** Where the figures come from. */
  source: string;
  /** Torques, one after the other. */
  steps: MilliNm[];
  /** Degrees after the last step; null for none. */
  angle: number | null;
  /** Stretch that is aimed at, read with a gauge that was zeroed on the slack bolt; null for none. */
  stretch: { from: Nm; to: Nm } | null;
  /** The fasteners as they are numbered, in the printed order; null for 1, 2, 3 … */
  order: number[] | null;
  /** Whether the length of each is read before it goes in. */
  measured: boolean;
  /** How often they were tightened before, 0 for new ones; left out where nobody says. */
  used?: number;
}

/** Most times that used bolts may have been tightened before. */
export const MOST_USES = 99;

/**
 * Whether bolts are new or used, in words; empty where nobody says.
 *
 * @example usedWords({ used: 2 }) // 'used, torqued 2 times before'
 */
export const usedWords = ({ used }: Pick<FastenerGroup, 'used'>): string =>
  used === undefined ? '' : used === 0 ? 'new' : `used, torqued ${used === 1 ? 'once' : `${used} times`} before`;

/** Most torques of one group. */
export const MOST_STEPS = 8;

/** Most fasteners of one group. */
export const MOST_FASTENERS = 60;
