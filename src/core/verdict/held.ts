/** A figure held against a limit: what an acceptance is given for. */
import { gramsText } from '../quantity/mass';
import { type Saying, fine, say } from '../quantity/saying';
import type { CostlySide } from './repeats';

export interface Held {
  /** Nm; of a weight mg. */
  figure: number;
  limit: number;
  /** Which side of the limit is not to be passed. */
  side: CostlySide;
  /** Left out for a length. */
  of?: 'mass';
}

/**
 * Whether a limit became stricter than the one accepted, or the figure worse.
 *
 * @example isWorse({ figure: 16, limit: 28, side: 'least' }, { figure: 16, limit: 18, side: 'least' }) // true
 */
export const isWorse = (now: Held, then: Held): boolean =>
  now.side === then.side &&
  (now.side === 'least'
    ? now.limit > then.limit || now.figure < then.figure
    : now.limit < then.limit || now.figure > then.figure);

/** The figure and its limit in words. */
export const heldWords = ({ figure, limit, of }: Held): Saying =>
  of === 'mass' ? say`${gramsText(figure)} against ${gramsText(limit)}` : say`${fine(figure)} against ${fine(limit)}`;

/**
 * Of several figures over what they may be at most, the one that is furthest over its limit, in proportion; null for none.
 *
 * @example furthestOver([{ figure: 12, limit: 10 }, { figure: 9, limit: 5 }]) // { figure: 9, limit: 5, side: 'most' }
 */
export const furthestOver = (all: readonly { figure: number; limit: number }[]): Held | null => {
  const [worst] = all.toSorted((a, b) => b.figure * a.limit - a.figure * b.limit);
  return worst ? { figure: worst.figure, limit: worst.limit, side: 'most' } : null;
};
