/** How the block hangs in its stand. */
export interface Stand {
  /** Rolled about the crank, degrees to the right, seen from the driver's seat. */
  roll: number;
  /** Where the fitter stands at a bore that is upright. */
  side: 'left' | 'right';
}

export const STARTING_STAND: Stand = { roll: 0, side: 'right' };
