/** The steps of assembly, as the record names them. Common practice, no source. */
/** Steps of a cylinder that are no checks at the block. */
export const CYLINDER_STEPS = [
  'firstClip',
  'pin',
  'ragIn',
  'clips',
  'ringsOn',
  'oiled',
  'boreWiped',
  'shellsDry',
  'shellSide',
  'throwDown',
  'boltsCovered',
  'pistonIn',
  'capOn',
  'capClosed',
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
  'protected',
] as const;
export const CHECKS = ['ringsFree', 'expanderButts', 'jointsBefore', 'jointsAfter', 'frontMark', 'rod'] as const;
export type Check = (typeof CHECKS)[number];

/** A step of the walk that is no check at the block. */
export type WalkStep = (typeof CYLINDER_STEPS)[number] | (typeof BLOCK_STEPS)[number];
export type Step = Check | WalkStep;
