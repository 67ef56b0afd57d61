/** Entries that are still being typed: what could yet become a figure is not asked about. */
import { plain } from './parseLength';
import { type ParseContext, type Field, usual, isFine } from './readingField';
import { NM_PER_INCH, NM_PER_MM, NM_PER_THOU } from './length';

/** Words that an entry may begin with or end in. */
const WORDS = [
  'set',
  'here',
  'zero',
  'piston',
  'journal',
  'aim',
  'passes',
  'cut',
  'mm',
  'millimetres',
  'µm',
  'um',
  'microns',
  'thou',
  'mils',
];
const UNITS = [...WORDS.slice(8), 'in', 'inches'];
const NUMERAL = String.raw`(?:\d+\.?\d*|\.\d*)`;
const BARE = new RegExp(`^${NUMERAL}$`);
const AFTER_WORD = new RegExp(`^(?:set|here|was|p|passes|>) ?(${NUMERAL})$`);
const WITH_UNIT = new RegExp(`^[+-]?${NUMERAL} ?([a-zµ]+)$`);
const HALF_BRACKET = new RegExp(`^(${NUMERAL}) ?(?:/|-|t|to)? ?(${NUMERAL})?$`);
const DIAL = /^[+-] ?(?:\d{0,2} ?t?)?$/;

const begins = (word: string, words: readonly string[]): boolean => words.some((w) => w.startsWith(word));

/** A range in some unit. */
interface Range {
  least: number;
  most: number;
}

const meets = (from: number, to: number, { least, most }: Range): boolean => from <= most && to > least;

/** Whether a numeral with a point could go on to lie in a range. */
function pointedCould(numeral: string, range: Range): boolean {
  const decimals = numeral.split('.')[1]?.length ?? 0;
  const value = Number(numeral === '.' ? '0' : numeral);
  return meets(value, value + 10 ** -decimals, range);
}

/** Whether digits could go on to lie in a range, by so many places more at least; under none, the point goes before them. */
function digitsCould(digits: string, range: Range, places: number): boolean {
  const value = Number(digits);
  for (let e = places; e <= 4; e += 1) if (meets(value * 10 ** e, (value + 1) * 10 ** e, range)) return true;
  return false;
}

const inUnit = ({ least, most }: Range, nm: number): Range => ({ least: least / nm, most: most / nm });

function numeralCould(numeral: string, field: Field, context: ParseContext): boolean {
  const range = usual(context);
  const imperial = context.units === 'imperial';
  const whole = imperial ? NM_PER_INCH : NM_PER_MM;
  if (!isFine(field))
    return numeral.includes('.')
      ? pointedCould(numeral, inUnit(range, whole))
      : digitsCould(numeral, inUnit(range, whole), -numeral.length);
  if (numeral.includes('.') || Number(numeral) === 0)
    return (
      pointedCould(numeral, inUnit(range, whole)) || (imperial && pointedCould(numeral, inUnit(range, NM_PER_THOU)))
    );
  // a whole number of hundredths is whole: what is asked of it is which unit it is in
  return imperial
    ? digitsCould(numeral, inUnit(range, NM_PER_THOU), 0)
    : digitsCould(numeral, inUnit(range, NM_PER_MM / 100), 1);
}

/**
 * Whether what is typed so far could go on to be a reading that nobody questions.
 *
 * @example
 *   isPartialInput('2', { field: 'gap', units: 'imperial', bore: 101_600_000, expected: null, setting: null }) // true
 * @example
 *   isPartialInput('220', { field: 'gap', units: 'imperial', bore: 101_600_000, expected: null, setting: null })
 *   // false
 */
export function isPartialInput(text: string, context: ParseContext): boolean {
  const entry = plain(text);
  const { field } = context;
  if (BARE.test(entry)) return numeralCould(entry, field, context);
  if (DIAL.test(entry)) return field === 'bore' && context.setting !== null;
  if (begins(entry.replace(/ $/, ''), WORDS)) return true;
  const after = AFTER_WORD.exec(entry);
  if (after?.[1]) {
    // a gauge may be zeroed well away from this bore
    const free = entry.startsWith('set') ? { ...context, expected: null } : context;
    return numeralCould(after[1], field, free);
  }
  const unit = WITH_UNIT.exec(entry);
  if (unit?.[1] && begins(unit[1], UNITS) && !UNITS.includes(unit[1])) return true;
  const bracket = HALF_BRACKET.exec(entry);
  if (!bracket?.[1] || !isFine(field)) return false;
  const [, first, second = ''] = bracket;
  return second.length < first.length && numeralCould(first, field, context);
}
