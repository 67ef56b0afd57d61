/** What is inspected when bearings are put together. Common practice, no source. */
export const BEARING_CHECKS = [
  'shellsIn',
  'tangs',
  'oilHoles',
  'shellSide',
  'cap',
  'rodFree',
  'rodCentred',
  'thrustGrooves',
] as const;
export type BearingCheck = (typeof BEARING_CHECKS)[number];

/** Whether a check is one of a bearing. */
export const isBearingCheck = (check: string): check is BearingCheck => BEARING_CHECKS.some((c) => c === check);
