/** A place at the bench as it stands in an address: `3.top`, or of a bore `A2.bore.middle.90`. */
import { ABOVE, DEPTHS, ENDS } from '../../foundation/parts/spots';
import type { At } from './tasks';

interface Labelled {
  id: string;
  label: string;
}

/**
 * A place as a word of an address, by the label of its cylinder.
 *
 * @example
 *   placeText({ cylinder: 'L1', subject: 'bore', spot: { depth: 'top', angle: 90 } }, [{ id: 'L1', label: '1' }])
 *   // '1.bore.top.90'
 */
export function placeText({ cylinder, subject, spot }: At, cylinders: readonly Labelled[]): string {
  const label = cylinders.find((c) => c.id === cylinder)?.label ?? cylinder;
  return [label, subject, ...(spot ? [spot.depth, String(spot.angle)] : [])].join('.');
}

/**
 * The place that a word of an address names; null where this engine has none such.
 *
 * @param subjects what can be read
 * @example placeFrom('1.top', [{ id: 'L1', label: '1' }], ['top']) // { cylinder: 'L1', subject: 'top', spot: null }
 */
export function placeFrom<S extends string>(
  text: string,
  cylinders: readonly Labelled[],
  subjects: readonly S[],
): At<S> | null {
  const [label, name, depth, angle] = text.split('.');
  const cylinder = cylinders.find((c) => c.label === label);
  const subject = subjects.find((s) => s === name);
  if (!cylinder || subject === undefined) return null;
  const at = ([...DEPTHS, ABOVE, ...ENDS] as const).find((d) => d === depth);
  const degrees = Number(angle);
  const spot = at && Number.isFinite(degrees) && degrees >= 0 && degrees < 180 ? { depth: at, angle: degrees } : null;
  return { cylinder: cylinder.id, subject, spot };
}
