/** A figure held against a limit: what an acceptance is given for. */
import { gramsText } from '../quantity/mass';
import { type Message, fine, say } from '../quantity/message';
import type { CostlySide } from './repeats';

export interface FigureAtLimit {
  /** Nm; of a weight mg, of a torque mN·m. */
  figure: number;
  limit: number;
  /** Which side of the limit is not to be passed. */
  side: CostlySide;
  /** Left out for a length. */
  of?: 'mass' | 'torque';
}

/**
 * Whether a limit became stricter than the one accepted, or the figure worse.
 *
 * @example
 *   [28, 18, 12].map((limit) => isWorse({ figure: 16, limit, side: 'least' }, { figure: 16, limit: 18, side:
 *   'least' })) // [ true, false, false ]
 */
export const isWorse = (now: FigureAtLimit, then: FigureAtLimit): boolean =>
  now.side === then.side &&
  (now.side === 'least'
    ? now.limit > then.limit || now.figure < then.figure
    : now.limit < then.limit || now.figure > then.figure);

/** The figure and its limit in words. */
export const figureAtLimitWords = ({ figure, limit, of }: FigureAtLimit): Message => {
  if (of === 'mass') return say`${gramsText(figure)} against ${gramsText(limit)}`;
  // in N·m alone: units of torque are no part of what every bench loads
  if (of === 'torque') return say`${(figure / 1_000).toFixed(1)} N·m against ${(limit / 1_000).toFixed(1)} N·m`;
  return say`${fine(figure)} against ${fine(limit)}`;
};

/** How far a figure is past its limit, in proportion. */
const pastBy = ({ figure, limit, side = 'most' }: { figure: number; limit: number; side?: CostlySide }): number =>
  side === 'most' ? figure / limit : limit / figure;

/**
 * Of several figures past what they may be at most (or, where they say so, at least), the one that is furthest past its
 * limit, in proportion; null for none.
 *
 * @example furthestOver([{ figure: 12, limit: 10 }, { figure: 9, limit: 5 }]) // { figure: 9, limit: 5, side: 'most' }
 */
export const furthestOver = (
  all: readonly { figure: number; limit: number; side?: CostlySide }[],
): FigureAtLimit | null => {
  const [worst] = all.toSorted((a, b) => pastBy(b) - pastBy(a));
  return worst ? { figure: worst.figure, limit: worst.limit, side: worst.side ?? 'most' } : null;
};
