/** Clocking, as later stages see it. */
export { checkJoints } from './rules';
export { FACES_WORDS, SIDE_WORDS } from './ruleWords';
export { isBreach, type JudgedClocking } from './cylinderClocking';
export type { ClockingChoices } from './choices';
export type { ClockingCylinderResult as ClockingPart } from './types';
