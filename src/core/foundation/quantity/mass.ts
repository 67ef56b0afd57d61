/**
 * Masses: whole milligrams inside, grams to a tenth at the scale. 1 oz = 28.349523125 g exactly (published: NIST SP
 * 811, recalled from memory).
 */

/** A mass in whole milligrams. */
export type Mg = number;

/** Milligrams in each unit, exact; the ounce is the avoirdupois one. */
const MG_PER: Record<string, number> = { g: 1_000, oz: 28_349.523125, kg: 1_000_000 };

/** The heaviest part of an engine that is put on a bench scale, mg: 20 kg. From memory. */
const HEAVIEST: Mg = 20_000_000;

export type ParsedMass =
  | { kind: 'empty' }
  | { kind: 'understood'; value: Mg }
  /** Every digit of it is typed, and it is far from what its like weigh: nothing is logged until someone says which. */
  | {
      kind: 'question';
      ask: string;
      value: Mg;
      options: { value: Mg; words: string }[];
      /** Whether more digits may still make it right. */
      isBegun: boolean;
    }
  | { kind: 'refused'; why: string };

/**
 * A mass as a scale shows it, in grams to a tenth, or to a hundredth where it is not on a tenth.
 *
 * @example gramsText(612_400) // '612.4 g'
 */
export const gramsText = (mg: Mg): string => `${(mg / 1_000).toFixed(mg % 100 === 0 ? 1 : 2)} g`;

const middleOf = (values: readonly Mg[]): Mg | null =>
  values.length === 0 ? null : (values.toSorted((a, b) => a - b)[Math.floor((values.length - 1) / 2)] ?? null);

/** The share by which a part may differ from its like before it is asked about: a part of another make, a slip of digits. */
const FAR = 0.04;
/** A part is never asked about when it is within this of the others, mg: clips weigh next to nothing. From memory. */
const NEAR: Mg = 2_000;

const isFar = (value: Mg, like: Mg): boolean => Math.abs(value - like) > Math.max(like * FAR, NEAR);

/** Whether more digits may bring a numeral without a point near to its like. */
const canBecome = (numeral: string, like: Mg): boolean =>
  !numeral.includes('.') &&
  [10, 100, 1_000, 10_000].some((scale) => {
    const [from, to] = [Number(numeral) * scale * 1_000, (Number(numeral) + 1) * scale * 1_000];
    return !isFar(Math.min(Math.max(like, from), to), like);
  });

/** What the same digits would be with two neighbours swapped, or the point one place off. */
function slipsOf(numeral: string, scale: number): Mg[] {
  const digits = [...numeral];
  const swapped = digits.slice(1).flatMap((digit, i) => {
    const other = [...digits];
    other[i + 1] = digits[i] ?? '';
    other[i] = digit;
    return digit === digits[i] || digit === '.' || digits[i] === '.' ? [] : [other.join('')];
  });
  return [...swapped.map(Number), Number(numeral) / 10, Number(numeral) * 10].map((n) => Math.round(n * scale));
}

/**
 * What was typed at the scale: grams, or ounces with `oz`. A figure far from those of its like is asked about, with what
 * it was perhaps meant to be. Never throws.
 *
 * @param like what the same part of other cylinders weighs, mg
 * @example parseMass('612.4', []) // { kind: 'understood', value: 612400 }
 */
export function parseMass(text: string, like: readonly Mg[]): ParsedMass {
  const entry = text.trim().toLowerCase().replace(',', '.');
  if (entry === '') return { kind: 'empty' };
  const match = /^(\d+\.?\d*|\.\d+) ?(g|kg|oz)?$/.exec(entry);
  if (!match)
    return { kind: 'refused', why: `“${text.trim().slice(0, 40)}” is no mass. Accepted: 612.4, 612.4 g, 21.6 oz.` };
  const [, numeral = '', unit = 'g'] = match;
  const scale = MG_PER[unit] ?? 1_000;
  const value = Math.round(Number(numeral) * scale);
  if (value <= 0) return { kind: 'refused', why: 'A part weighs more than nothing.' };
  if (value > HEAVIEST) return { kind: 'refused', why: `${gramsText(value)} is more than a bench scale takes.` };
  const middle = middleOf(like);
  if (middle === null || !isFar(value, middle)) return { kind: 'understood', value };
  const ounces = Math.round(Number(numeral) * (MG_PER['oz'] ?? 0));
  const meant = [...new Set([...slipsOf(numeral, scale), ...(match[2] === undefined ? [ounces] : [])])].filter(
    (v) => !isFar(v, middle),
  );
  return {
    kind: 'question',
    value,
    ask: `${gramsText(value)} is far from the others, which weigh about ${gramsText(middle)}. Is it right?`,
    isBegun: match[2] === undefined && canBecome(numeral, middle),
    options: meant.slice(0, 2).map((v) => ({ value: v, words: `no, ${gramsText(v)}` })),
  };
}
