/** Bores, as later stages see them. */
export { fitOval } from './oval';
export { gradeOf, smallestClean, standardBore, type Grade, type SizingChoices } from './oversizeChoices';
export { foundWords, type MeasuredSpot } from './shape';
export { isHere, suppliedOf, type Supplied, type SuppliedChoices } from './suppliedSizes';
export { joined, slipWords, suppliedFindings } from './findings';
export { nearPlan } from './stage';
export type { BoreChoices } from './measuringPlan';
export type { BoresCylinderResult as BoresPart, Measured } from './types';
export type { JudgedBore } from './bore';
