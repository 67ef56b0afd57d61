/** Pistons, as later stages see them. */
export type { PistonsPart } from './found';
