/** The throws of a crank, as they are typed. */
import { type Faults, faultsAmong } from '../../foundation/quantity/faults';

/**
 * Degrees of each throw from the first, clockwise from the front, and what is wrong with them.
 *
 * @param count throws of the crank
 * @example parseThrows('0 90 270 180', 4).throws // [ 0, 90, 270, 180 ]
 */
export function parseThrows(text: string, count: number): { throws: number[]; faults: Faults } {
  const throws = text
    .trim()
    .split(/[\s,;°]+/)
    .filter(Boolean)
    .map(Number);
  const isNoAngle = throws.some((t) => !Number.isFinite(t) || t < 0 || t >= 360);
  const faults = faultsAmong({
    throws: isNoAngle
      ? 'Degrees from 0 to under 360, one for each throw.'
      : throws.length !== count
        ? `${count} throws, and ${throws.length} figures.`
        : throws[0] !== 0 && 'The first throw counts as 0.',
  });
  return { throws, faults };
}
