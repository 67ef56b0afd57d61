/** Targets, as later stages see them. */
export { gapCaption } from './gapCaption';
export { targetsAt, type TargetSettings } from './settings';
export type { TargetsEngineResult as TargetsMade, TargetsCylinderResult as TargetsPart } from './types';
