/** What is wrong with a valve pocket or a sector to be kept free, by field. */
import { type Faults, faultsAmong } from '../../foundation/quantity/faults';
import type { Nm } from '../../foundation/quantity/length';
import type { Pocket, Sector } from './surroundings';

/** The most pockets, and the most sectors, that are taken. */
export const MOST_KEPT_FREE = 8;

/**
 * What is wrong with a pocket, nm.
 *
 * @param bore null while it is not known
 * @example
 *   pocketFaults({ valve: 'intake', at: 90, out: 20_000_000, across: 0 }, null) // { across: 'Enter its diameter.' }
 */
export const pocketFaults = ({ out, across }: Pocket, bore: Nm | null): Faults =>
  faultsAmong({
    across:
      across === 0 ? 'Enter its diameter.' : bore !== null && out + across / 2 > bore && 'That lies outside the bore.',
  });

/**
 * What is wrong with a sector.
 *
 * @example sectorFaults({ from: 20, to: 20 }) // { to: 'Enter two directions.' }
 */
export const sectorFaults = ({ from, to }: Sector): Faults =>
  faultsAmong({ to: from === to && 'Enter two directions.' });
