/**
 * Places of an engine that are read and are no cylinder: its main bearings, counted from the front, and the crank as a
 * whole. A rod's bearing is at the place of its cylinder.
 */

/** The crank as a whole. */
export const CRANK = 'crank';

/** The block with all that goes into it: what is done and looked at of the engine as a whole. */
export const BLOCK = 'block';

/** The most clearances of an engine that a builder may name. */
export const MOST_OTHERS = 40;

/** The place of a clearance that a builder named. */
export const otherId = (number: number): string => `X${number}`;

/** The place of a main bearing. */
export const mainId = (fromFront: number): string => `M${fromFront}`;

/**
 * Whether a place is a cylinder, and with it its rod.
 *
 * @example ['M3', 'R2'].map(isCylinderId) // [ false, true ]
 */
export const isCylinderId = (id: string): boolean =>
  id !== CRANK && id !== BLOCK && !id.startsWith('M') && !id.startsWith('X');

/** The most main bearings that an engine may have: one at each end of each throw. */
export const mostMains = (cylinders: number): number => cylinders + 1;

/**
 * Whether an engine of so many cylinders can have a place of this name that is no cylinder.
 *
 * @example ['M5', 'M9', 'crank'].map((place) => isOnEngine(place, 4)) // [ true, false, true ]
 */
export const isOnEngine = (id: string, cylinders: number): boolean =>
  id === CRANK || id === BLOCK
    ? cylinders > 0
    : Number(id.slice(1)) <= (id.startsWith('X') ? MOST_OTHERS : mostMains(cylinders));
