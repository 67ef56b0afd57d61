/** Steps of a cylinder that are no checks at the block. */
export const CYLINDER_STEPS = [
  'pin',
  'clips',
  'ringsOn',
  'boreWiped',
  'shellsDry',
  'throwDown',
  'boltsCovered',
  'pistonIn',
  'capOn',
  'tightened',
  'turned',
  'slides',
] as const;

/** Steps of the engine: before the first piston, and after the last. */
export const BLOCK_STEPS = [
  'clean',
  'oilways',
  'threads',
  'oils',
  'crankIn',
  'crankTurns',
  'allTight',
  'secondRound',
  'wrenchBack',
  'marksForward',
  'turnsFree',
  'secondLook',
] as const;
