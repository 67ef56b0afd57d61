/** What is wrong with how pistons are read, by field. */
import { type Faults, faultsAmong } from '../../foundation/quantity/faults';
import type { PistonChoices } from './piston';

/**
 * What is wrong with how pistons are read.
 *
 * @example pistonFaults({ pin: { least: 2, most: 1 } }) // { 'pin.most': 'The most pin clearance is under the least.' }
 */
export const pistonFaults = ({ pin }: Pick<PistonChoices, 'pin'>): Faults =>
  faultsAmong({ 'pin.most': pin.most < pin.least && 'The most pin clearance is under the least.' });
