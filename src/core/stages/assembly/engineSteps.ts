/** The steps of the engine as a whole, before the first piston and after the last: made, or not yet. */
import { BLOCK } from '../../foundation/engine/places';
import type { All } from './types';
import type { JudgedCheck } from './cylinderSteps';
import { blockStepsOf } from './steps';

/**
 * What became of them.
 *
 * @example blockStepsIn(demo).slice(0, 3).map((s) => s.check) // [ 'clean', 'oilways', 'threads' ]
 */
export const blockStepsIn = ({ log, choices }: Pick<All, 'log' | 'choices'>): JudgedCheck[] =>
  blockStepsOf(choices.walk).map((check) => {
    const entry = log.ticks.get(BLOCK)?.get(check)?.entry;
    return {
      check,
      state: entry ? 'right' : 'to do',
      tick: entry ? { id: entry.id, by: entry.by, at: entry.at, found: {} } : null,
      says: null,
    };
  });
