/**
 * Slips of the pen and of the thimble: what was probably meant by a size that cannot be right.
 * Common practice, no source: digits dropped or swapped in noting, a micrometer misread by one
 * numbered division (0.1 in) or one turn of the thimble (0.025 in, 0.5 mm).
 */
import { type Nm, fromMm, fromThou } from './length';

export interface Suggestion {
  value: Nm;
  /** The slip in words, e.g. `digit 8 dropped`. */
  taken: string;
}

/** No tool of a workshop reads a size finer: 0.001 mm, 0.0001 in (common practice, no source). */
const FINEST: Nm = fromMm(0.001);

const MISREADINGS: [Nm, string][] = [
  [fromThou(100), 'off by 0.1 in'],
  [fromThou(25), 'off by one turn, 0.025 in'],
  [fromMm(0.5), 'off by one turn, 0.5 mm'],
];

function swapped(digits: string): [string, string][] {
  return Array.from({ length: digits.length - 1 }, (_, i) => {
    const [a, b] = [digits.charAt(i), digits.charAt(i + 1)];
    return [digits.slice(0, i) + b + a + digits.slice(i + 2), `digits ${a} and ${b} swapped`] as [string, string];
  }).filter(([text]) => text !== digits);
}

function dropped(digits: string): [string, string][] {
  return Array.from({ length: digits.length + 1 }, (_, i) =>
    Array.from(
      '0123456789',
      (d) => [digits.slice(0, i) + d + digits.slice(i), `digit ${d} dropped`] as [string, string],
    ),
  ).flat();
}

/**
 * Sizes near what was expected that one slip would turn into what was typed, likeliest first:
 * a swap or a misread turn before a dropped digit, then the nearest to the expected size.
 *
 * @param numeral the digits as typed
 * @param value what they were first taken for, which fixes the size of their last digit
 * @example suggestionsFor('4.560', fromInches(4.56), { nm: fromInches(4.065), within: fromThou(10) }).length // 1
 */
export function suggestionsFor(numeral: string, value: Nm, expected: { nm: Nm; within: Nm }): Suggestion[] {
  const digits = numeral.replace('.', '');
  const asNumber = Number(digits);
  if (asNumber === 0) return [];
  const lastDigit = value / asNumber;
  const near = (nm: Nm): boolean => Math.abs(nm - expected.nm) <= expected.within;
  const nearest = (a: Suggestion, b: Suggestion): number =>
    Math.abs(a.value - expected.nm) - Math.abs(b.value - expected.nm);
  const read = ([text, taken]: [string, string], each: number): Suggestion => ({
    value: Math.round(Number(text) * each),
    taken,
  });
  const swaps = swapped(digits).map((s) => read(s, lastDigit));
  const turns = MISREADINGS.flatMap(([off, taken]) => [value + off, value - off].map((v) => ({ value: v, taken })));
  // where every decimal was typed, no digit can have been dropped
  const drops = lastDigit / 10 < FINEST ? [] : dropped(digits).map((s) => read(s, lastDigit / 10));
  return [
    ...[...swaps, ...turns].filter((s) => near(s.value)).sort(nearest),
    ...drops.filter((s) => near(s.value)).sort(nearest),
  ];
}
