/** Targets, as later stages see them. */
export { gapCaption } from './gapCaption';
export { targetsAt, type TargetSettings } from './settings';
export type { TargetsMade, TargetsPart } from './found';
