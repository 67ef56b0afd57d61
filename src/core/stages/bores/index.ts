/** Bores, as later stages see them. */
export { fitOval } from './oval';
export { gradeOf, smallestClean, standardBore, type Grade, type SizingChoices } from './plan';
export { foundWords, type MeasuredSpot } from './shape';
export { isHere, suppliedOf, type Supplied, type SuppliedChoices } from './supplied';
export { joined, slipWords, suppliedFindings } from './findings';
export { nearPlan } from './stage';
export type { BoreChoices } from './measuringPlan';
export type { BoresPart, Measured } from './found';
export type { JudgedBore } from './judged';
