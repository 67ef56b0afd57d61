/** Which piston is in which cylinder, and what pairing may not touch. */
import type { Nm } from '../../foundation/quantity/length';
import type { Pair } from './standing';

export interface PairingChoices {
  /** Empty until pistons are swapped: each is then in the cylinder whose number it has. */
  pairs: Pair[];
  /** Cylinders whose piston stays. */
  locked: string[];
  /** Pistons that carry their number. */
  marked: string[];
  /** The worst deviation must come down by at least this for a marked piston to be moved. */
  gain: Nm;
  neverTight: boolean;
}

/** A marked piston moves for a tenth of a thou. From memory. */
export const STARTING_PAIRING: PairingChoices = { pairs: [], locked: [], marked: [], gain: 2_540, neverTight: true };
