/** What is wrong with a set of rings, by field. */
import { type Faults, faultsAmong } from '../../foundation/quantity/faults';
import type { RingSet } from './set';

/**
 * What is wrong with a set.
 *
 * @example
 *   ringSetFaults({ side: { least: 2, most: 1 } }) // { 'side.most': 'The most axial clearance is under the least.' }
 */
export const ringSetFaults = ({ side }: Pick<RingSet, 'side'>): Faults =>
  faultsAmong({ 'side.most': side.most < side.least && 'The most axial clearance is under the least.' });
