/** Pistons, as later stages see them. */
export type { PistonsCylinderResult as PistonsPart } from './types';
