/** Size classes as they are typed: `A 86.000–86.010; B 86.010–86.020`. */
import type { SizeClass } from './sizeLimits';
import { parseField } from './parseReading';
import type { Field } from './readingField';
import type { Units, Nm } from './length';
import { printLength } from './format';

export type ParsedSizeClasses = { ok: true; classes: SizeClass[] } | { ok: false; why: string };

const FIGURE = String.raw`\d[\d.,]*\d(?:\s?(?:mm|in))?`;
const ONE = new RegExp(String.raw`([^\s,;:]{1,12}):?\s+(${FIGURE})\s*(?:–|-|to)\s*(${FIGURE})`, 'g');

/**
 * What was typed as classes, each with its name and its two sizes.
 *
 * @param field bore or journal: how a figure is understood
 * @example
 *   parseSizeClasses('A 86.000-86.010', 'bore', 'metric')
 *   // { ok: true, classes: [{ name: 'A', from: 86000000, to: 86010000 }] }
 */
export function parseSizeClasses(text: string, field: Field, units: Units): ParsedSizeClasses {
  const rest = text.replace(ONE, '').replace(/[\s,;]+/g, '');
  if (rest !== '')
    return { ok: false, why: `“${rest.slice(0, 20)}” is not a class. Example: A 86.000–86.010; B 86.010–86.020.` };
  const classes: SizeClass[] = [];
  for (const [, name = '', ...ends] of text.matchAll(ONE)) {
    const [from, to] = ends.map((end) => sizeIn(end, field, units));
    if (from == null || to == null) return { ok: false, why: `Class ${name}: ${ends.join(' to ')} are not two sizes.` };
    classes.push({ name, from, to });
  }
  return { ok: true, classes };
}

function sizeIn(text: string, field: Field, units: Units): Nm | null {
  const heard = parseField(text, field, units);
  return heard.kind === 'understood' && heard.meaning.upTo === null ? heard.meaning.value : null;
}

/** Classes as they would be typed. */
export const classesText = (classes: readonly SizeClass[], units: Units): string =>
  classes
    .map(({ name, from, to }) => `${name} ${[from, to].map((nm) => printLength(nm, units, 'size').number).join('–')}`)
    .join('; ');
