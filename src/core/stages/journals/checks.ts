/** What is looked at when bearings are put together. Common practice, no source. */
import { type BearingCheck } from '../../record/bearingChecks';
import type { BearingKind } from './choices';

/** What is looked at of a bearing of a kind. */
export const CHECKS_OF = {
  main: ['shellsIn', 'tangs', 'oilHoles', 'cap'],
  rod: ['shellsIn', 'tangs', 'shellSide', 'cap', 'rodFree', 'rodCentred'],
} as const satisfies Record<BearingKind, readonly BearingCheck[]>;

/** The same of an engine: shells are looked at by their side only where its rods have such. */
export const checksOf = (kind: BearingKind, { sidedShells }: { sidedShells: boolean }): readonly BearingCheck[] =>
  CHECKS_OF[kind].filter((check) => check !== 'shellSide' || sidedShells);

/** What is looked at of the crank as a whole. */
export const CHECKS_OF_CRANK = ['thrustGrooves'] as const satisfies readonly BearingCheck[];
