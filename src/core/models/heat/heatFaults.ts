/** What is wrong with what is assumed of the heat, by field. */
import { type Faults, faultsAmong } from '../../foundation/quantity/faults';
import type { HeatChoices } from './assess';

/**
 * What cannot be among the temperatures that are entered.
 *
 * @example
 *   heatFaults({ ...judgement.choices.heat, top: 150, wall: 200 })
 *   // { wall: 'The wall is hotter than the top ring: are the two swapped?' }
 */
export const heatFaults = ({ wall, top }: HeatChoices): Faults =>
  faultsAmong({
    wall: wall !== null && top !== null && wall >= top && 'The wall is hotter than the top ring: are the two swapped?',
  });
