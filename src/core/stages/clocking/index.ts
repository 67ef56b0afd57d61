/** Clocking, as later stages see it. */
export { checkJoints } from './rules';
export { FACES_WORDS, SIDE_WORDS } from './ruleWords';
export { isBreach, type JudgedClocking } from './judged';
export type { ClockingChoices } from './choices';
export type { ClockingPart } from './found';
