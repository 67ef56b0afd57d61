/** A figure as a length: with its unit, or by the convention of its field; and the question where it cannot be right. */
import { lengthText } from './format';
import {
  type Nm,
  type Units,
  NM_PER_MM,
  NM_PER_MICROMETRE,
  NM_PER_INCH,
  NM_PER_THOU,
  fromDecimal,
  toMm,
  toInches,
} from './length';
import {
  type Field,
  type ParseContext,
  type Meaning,
  type ParsedReading,
  isSmall,
  isFine,
  isUsual,
  styleOf,
  possible,
  NAMES,
  acceptedBy,
} from './readingField';

export type UnitName = 'mm' | 'µm' | 'in' | 'thou';
const UNIT_NM: Record<UnitName, number> = {
  mm: NM_PER_MM,
  µm: NM_PER_MICROMETRE,
  in: NM_PER_INCH,
  thou: NM_PER_THOU,
};
const UNIT_WORDS: [UnitName, RegExp][] = [
  ['mm', /^(?:mm|millimet(?:er|re)s?)$/],
  ['µm', /^(?:µm|um|microns?)$/],
  ['thou', /^(?:thou|th|mil|mils)$/],
  ['in', /^(?:in|inch|inches|")$/],
];

/** The unit that a word stands for; null for none. */
export const unitNamed = (word: string): UnitName | null =>
  UNIT_WORDS.find(([, pattern]) => pattern.test(word))?.[0] ?? null;

/** Typographic variants brought to one form; both decimal separators become a point. */
export function plain(text: string): string {
  return text
    .trim()
    .toLowerCase()
    .replace(/[\u2212\u2013\u2014]/g, '-')
    .replace(/[\u2033\u201c\u201d]|''/g, '"')
    .replace(/\u03bc/g, 'µ')
    .replace(/,/g, '.')
    .replace(/\s+/g, ' ');
}
export const NUMERAL = String.raw`(?:\d+\.?\d*|\.\d+)`;
export interface Take {
  value: Nm;
  dial?: true;
  taken: string;
}

/** A numeral read in a unit: the length in nm, and what it is read as. */
export const take = (numeral: string, unit: UnitName): Take => ({
  value: fromDecimal(numeral, UNIT_NM[unit]),
  taken: `${numeral} ${unit}`,
});

/** Digits without a point: the point goes where it makes a size, `4065` is 4.065 in, `82505` is 82.505 mm. */
function digitsAsSize(digits: string, unit: 'in' | 'mm', context: ParseContext): Take {
  const first = context.field === 'pin' ? -1 : 0;
  const takes = Array.from({ length: digits.length - first }, (_, i) => {
    const whole = i + 1 + first;
    return take(whole === digits.length ? digits : `${digits.slice(0, whole)}.${digits.slice(whole)}`, unit);
  });
  const target = context.expected?.nm ?? null;
  const fits = takes.filter((t) => isUsual(t.value, target === null ? context : { ...context, expected: null }));
  if (target !== null) fits.sort((a, b) => Math.abs(a.value - target) - Math.abs(b.value - target));
  return fits[0] ?? take(digits, unit);
}

/**
 * Bores that most engines have, 50 to 135 mm: digits without a point and with nothing to go by mean one of these,
 * where only one system makes one. From memory.
 */
const COMMON_BORES = { least: 50 * NM_PER_MM, most: 135 * NM_PER_MM };
const isCommon = (value: Nm, field: Field): boolean =>
  (field === 'bore' || field === 'piston') && value >= COMMON_BORES.least && value <= COMMON_BORES.most;

/** A clearance from here up to one, with a point, is part of a thou: as inches it would be fifty thou and more. */
const TENTHS_FROM = 0.05;

/** The meaning by convention first, then rivals that a fitter might have meant instead. */
export function takesOf(numeral: string, context: ParseContext): { first: Take; rivals: Take[]; equal: boolean } {
  const { field, units } = context;
  const pointed = numeral.includes('.');
  if (!isFine(field)) {
    const [own, other] = units === 'imperial' ? (['in', 'mm'] as const) : (['mm', 'in'] as const);
    const read = (unit: 'in' | 'mm'): Take => (pointed ? take(numeral, unit) : digitsAsSize(numeral, unit, context));
    const [first, rival] = [read(own), read(other)];
    // `86` in a shop of inches is 86 mm and not 8.6 in
    const isShort = numeral.length <= (units === 'imperial' ? 3 : 4);
    const isForeign =
      isShort &&
      !pointed &&
      !context.expected &&
      context.bore === null &&
      !isCommon(first.value, field) &&
      isCommon(rival.value, field);
    return isForeign ? { first: rival, rivals: [first], equal: false } : { first, rivals: [rival], equal: false };
  }
  const inThou = take(numeral, 'thou');
  const inMm = take(numeral, 'mm');
  if (units === 'imperial') {
    const inches = isSmall(field) ? TENTHS_FROM : 1;
    const belowOne = Number(numeral) < inches && pointed;
    return belowOne
      ? { first: take(numeral, 'in'), rivals: [inMm], equal: false }
      : { first: inThou, rivals: [inMm], equal: false };
  }
  if (Number(numeral) < 4 && pointed) return { first: inMm, rivals: [take(numeral, 'in')], equal: false };
  const hundredths = { value: fromDecimal(numeral, NM_PER_MM / 100), taken: `${numeral} hundredths of a mm` };
  return { first: hundredths, rivals: [inThou], equal: true };
}

/** A length ten times as large and a tenth as large: a decimal point in the wrong place. */
export const tenTimes = (value: Nm, of = ''): Take[] => [
  { value: value * 10, taken: `${of}ten times that` },
  { value: Math.round(value / 10), taken: `${of}a tenth of that` },
];

/** What a reading may mean: one length, or a range up to another. */
export const asMeaning = (taken: Take, upTo: Nm | null = null): Meaning => ({ ...taken, upTo });

/** The meanings, each once. */
export function distinct(options: Meaning[]): Meaning[] {
  return options.filter((o, i) => options.findIndex((p) => p.value === o.value && p.upTo === o.upTo) === i);
}

/** One length in both systems, the one it was typed in first. */
function inBoth(value: Nm, field: Field, units: Units): string {
  const style = styleOf(field);
  if (units === 'metric') return `${lengthText(value, 'metric', style)} is ${toInches(value).toFixed(4)} in`;
  const own = isFine(field) ? lengthText(value, 'imperial', 'fine') : `${toInches(value).toFixed(4)} in`;
  return `${own} is ${toMm(value).toFixed(3)} mm`;
}

/** What is expected of a field here, as the end of a sentence; empty where nothing is known. */
export function whereabouts({ field, bore, units, expected }: ParseContext): string {
  if (!isFine(field)) return expected ? `; ${expected.because}` : '';
  if (bore === null) return '';
  const bare = units === 'metric' ? `${toMm(bore)} mm` : `${toInches(bore).toFixed(3)} in`;
  return ` on ${article(bare)} ${bare} bore`;
}

/** `an` before a number said with a vowel: 8…, 11, 18. */
export const article = (numeral: string): string => (/^(?:8|1[18](?!\d))/.test(numeral) ? 'an' : 'a');

/** As many likely meanings as are offered beside what was typed. */
const MOST_LIKELY = 2;

/** What is asked where a figure does not fit the field: what it was read as, and the likely meanings. */
export function question(first: Take, candidates: Take[], context: ParseContext, spoken: Units): ParsedReading {
  const likely = distinct(candidates.filter((c) => isUsual(c.value, context)).map((c) => asMeaning(c))).slice(
    0,
    MOST_LIKELY,
  );
  const kept = possible(first.value, context) ? [asMeaning({ value: first.value, taken: 'as typed' })] : [];
  const options = distinct([...likely, ...kept]);
  const style = styleOf(context.field);
  const stated = `${inBoth(first.value, context.field, spoken)}${whereabouts({ ...context, units: spoken })}`;
  if (options.length === 0)
    return {
      kind: 'refused',
      why: `${stated}: no ${NAMES[context.field]} is that size.`,
      accepted: acceptedBy(context.field, context.units),
    };
  const best = likely[0];
  const ask = best
    ? `${stated}; did you mean ${lengthText(best.value, / (?:mm|µm)$/.test(best.taken) ? 'metric' : spoken, style)}${best.taken.startsWith('digit') || best.taken.startsWith('off') ? ` (${best.taken})` : ''}?`
    : `${stated}: is that right?`;
  return { kind: 'question', ask, options };
}

/** The fault of a word that is not a unit of the field. */
export function unknownUnit(word: string, context: ParseContext): ParsedReading {
  return {
    kind: 'refused',
    why: `"${word}" is no unit known here (thou, in, mm, µm).`,
    accepted: acceptedBy(context.field, context.units),
  };
}
