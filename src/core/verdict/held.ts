/** A figure held against a limit: what an acceptance is given for. */
import type { Nm } from '../quantity/length';
import type { CostlySide } from './repeats';

/** Nm. */
export interface Held {
  figure: Nm;
  limit: Nm;
  /** Which side of the limit is not to be passed. */
  side: CostlySide;
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
