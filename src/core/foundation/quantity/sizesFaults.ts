/** What is wrong with size limits, by field. */
import { type Faults, faultsAmong } from './faults';
import type { SizeClass, SizeLimits } from './sizeLimits';

function classesFault(classes: SizeClass[]): string | null {
  const reversed = classes.find(({ from, to }) => to <= from);
  if (reversed) return `Class ${reversed.name}: its end must be over its start.`;
  const names = classes.map((c) => c.name);
  const twice = names.find((name, i) => names.indexOf(name) !== i);
  return twice === undefined ? null : `Class ${twice} is entered twice.`;
}

/**
 * What is wrong with such limits.
 *
 * @example sizesFaults({ least: 2, most: 1, classes: [], source: '' }) // { most: 'The most must be over the least.' }
 */
export const sizesFaults = ({ least, most, classes }: SizeLimits): Faults =>
  faultsAmong({
    most: least !== null && most !== null && most <= least && 'The most must be over the least.',
    classes: classesFault(classes),
  });
