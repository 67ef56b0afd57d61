/** What is wrong with a school's own figures, by field. */
import { type Faults, faultsAmong } from '../../foundation/quantity/faults';
import type { SchoolSettings } from './schools';

/** Arcs from the expander joint to a rail that are taken, nm. From memory. */
const RAIL_ARCS = { from: 1_000_000, to: 200_000_000 };

/**
 * What is wrong with a school's own figures.
 *
 * @example schoolFaults({ railArc: 0 }) // { railArc: 'Enter an arc from 1 to 200 mm.' }
 */
export const schoolFaults = ({ railArc }: Pick<SchoolSettings, 'railArc'>): Faults =>
  faultsAmong({ railArc: (railArc < RAIL_ARCS.from || railArc > RAIL_ARCS.to) && 'Enter an arc from 1 to 200 mm.' });
