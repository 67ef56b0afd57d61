/**
 * Temperatures in °C. °C = (°F − 32) / 1.8 exactly (published: NIST SP 811, recalled from memory).
 */

/** °C of °F. */
export const fromFahrenheit = (fahrenheit: number): number => (fahrenheit - 32) / 1.8;

export type ParsedTemperature =
  | { kind: 'empty' }
  | { kind: 'understood'; value: number }
  | { kind: 'question'; ask: string; options: { value: number; words: string }[] }
  | { kind: 'refused'; why: string };

const tenth = (value: number): number => Math.round(value * 10) / 10;

/**
 * What was typed as a temperature: °C, or °F with an F after it. A bare number that would be usual in °F and
 * not in °C is asked about. Never throws.
 *
 * @param usual what nobody questions, °C
 * @example parseTemperature('68F', [0, 40]) // { kind: 'understood', value: 20 }
 */
export function parseTemperature(text: string, usual: [least: number, most: number]): ParsedTemperature {
  const entry = text.trim().toLowerCase().replace(',', '.').replace('\u2212', '-');
  if (entry === '') return { kind: 'empty' };
  const match = /^(-?\d+(?:\.\d*)?) ?°? ?([cf])?$/.exec(entry);
  if (!match)
    return { kind: 'refused', why: `“${text.trim().slice(0, 40)}” is no temperature. Accepted: 205, 205 C, 400 F.` };
  const typed = Number(match[1]);
  const celsius = tenth(match[2] === 'f' ? fromFahrenheit(typed) : typed);
  const isUsual = (value: number): boolean => value >= usual[0] && value <= usual[1];
  if (isUsual(celsius)) return { kind: 'understood', value: celsius };
  const fromF = tenth(fromFahrenheit(typed));
  if (match[2] === undefined && isUsual(fromF))
    return {
      kind: 'question',
      ask: `${typed} °C is not usual here; did you mean ${typed} °F?`,
      options: [{ value: fromF, words: `${typed} °F` }],
    };
  return { kind: 'refused', why: `${celsius} °C cannot be right here. Accepted: ${usual[0]} to ${usual[1]} °C.` };
}
