/**
 * Bench talk: the one parser for lengths.
 *
 * A fitter calls "22" and means 0.022 in; "4065" is 4.065 in; "15/16" is a bracket, 15 goes and 16 does
 * not; "+6" is six thou over what the bore gauge was set to. The field being read says which is meant.
 * Where two meanings are possible, or the figure cannot be right, the answer is a question with the
 * likely meanings to choose from, never a guess. Common practice, no source, for every convention here.
 */
import { type Nm, type Units, NM_PER_MM } from './length';
import { lengthText } from './format';
import {
  type Field,
  type Meaning,
  type ParseContext,
  type ParsedReading,
  acceptedBy,
  isGauged,
  NAMES,
} from './readingField';
import { NUMERAL, plain } from './parseLength';
import { parseDial, parseTurns } from './parseDial';
import { parseSingle } from './parseSingle';
import { parseBracket } from './parseBracket';

/** Longest entry that is read at all. */
const LONGEST = 40;
const LENGTH = `${NUMERAL} ?[a-zµ"]*`;

/** `c`, `c12`, `cut 12`: a cut with the ring filer, with its turns or strokes where they were counted. */
function parseCut(numeral: string, { field, units }: ParseContext): ParsedReading {
  if (field !== 'gap' && field !== 'rail')
    return { kind: 'refused', why: 'A cut belongs to a ring.', accepted: acceptedBy(field, units) };
  if (numeral === '') return { kind: 'cut', count: null };
  const count = Number(numeral);
  return count > 0
    ? { kind: 'cut', count }
    : {
        kind: 'refused',
        why: 'No turns are no cut.',
        accepted: 'c12 for twelve turns or strokes, c where they were not counted',
      };
}

/** `p15`, `passes 15`, `15+`: the leaf passes, and no larger one was tried. */
function parsePasses(entry: string, context: ParseContext): ParsedReading {
  const { field, units } = context;
  if (field !== 'gap' && field !== 'rail')
    return { kind: 'refused', why: 'Leaves pass in a ring gap.', accepted: acceptedBy(field, units) };
  const heard = parseReading(entry, context);
  const open = (meaning: Meaning): Meaning => ({
    ...meaning,
    open: true,
    taken: `${lengthText(meaning.value, units, 'fine')} passes`,
  });
  if (heard.kind === 'understood') return { kind: 'understood', meaning: open(heard.meaning) };
  return heard.kind === 'question'
    ? { ...heard, options: heard.options.map((o) => ({ ...open(o), taken: o.taken })) }
    : heard;
}

/** The notations of the bench, tried in this order; each gets what its groups matched, empty for none. */
const NOTATIONS: readonly [RegExp, (groups: (index: number) => string, context: ParseContext) => ParsedReading][] = [
  [/^here$/, (_, context) => parseZero(context)],
  [
    new RegExp(`^(set|here|was) ?(${LENGTH}|piston|journal|aim)$`),
    (at, context) => parseSetting(at(1), at(2), context),
  ],
  [/^c(?:ut)? ?(\d{1,4}(?:\.\d)?)?$/, (at, context) => parseCut(at(1), context)],
  [
    new RegExp(`^(?:p(?:asses)?|>) ?(${LENGTH})$|^(${LENGTH})\\+$`),
    (at, context) => parsePasses(at(1) || at(2), context),
  ],
  [
    new RegExp(`^([+-]?) ?(\\d{1,2}) ?t ?(${NUMERAL})?$`),
    (at, context) => parseTurns(at(1), at(2), at(3) || '0', context),
  ],
  [
    new RegExp(`^(${NUMERAL}) ?([a-zµ"]*?) ?(?:/|-|to) ?(${NUMERAL}) ?([a-zµ"]*)$`),
    (at, context) => parseBracket([at(1), at(2), at(3), at(4)], context),
  ],
  [new RegExp(`^([+-]) ?(${NUMERAL}) ?([a-zµ"]*)$`), (at, context) => parseDial(at(1), at(2), at(3), context)],
  [new RegExp(`^(${NUMERAL}) ?([a-zµ"]*)$`), (at, context) => parseSingle(at(1), at(2), context)],
];

/**
 * What an entry means.
 *
 * @param text what was typed, in any of the shop's notations
 * @returns the meaning; or a question with the likely meanings (best first) to choose from;
 *   or why it cannot be taken and what is accepted. Never throws.
 * @example parseField('22', 'gap', 'imperial').kind // 'understood'
 */
export function parseReading(text: string, context: ParseContext): ParsedReading {
  const accepted = acceptedBy(context.field, context.units);
  const length = text.trim().length;
  if (length > LONGEST)
    return { kind: 'refused', why: `That is ${length} characters; one reading at a time.`, accepted };
  const entry = plain(text);
  if (entry === '') return { kind: 'empty' };
  for (const [pattern, parse] of NOTATIONS) {
    const found = pattern.exec(entry);
    if (found) return parse((index) => found[index] ?? '', context);
  }
  return { kind: 'refused', why: `"${text.trim()}" is no reading.`, accepted };
}

/** How near the size of a zero should be to what its bore reads so far: 0.25 mm. From memory. */
const NEAR_OWN_ZERO = NM_PER_MM / 4;

const NO_GAUGE = 'A gauge setting belongs to readings across the inside.';

/** `here`: the gauge was zeroed at this spot, whose size is not known yet. What the dial shows elsewhere counts from it. */
const parseZero = ({ field, units }: ParseContext): ParsedReading =>
  field === 'bore'
    ? { kind: 'setting', value: 'here', read: true, sizes: null }
    : {
        kind: 'refused',
        why: field === 'housing' ? 'A zero without a size tells of bores alone.' : NO_GAUGE,
        accepted: acceptedBy(field, units),
      };

/**
 * `set 4.210`: the gauge was zeroed in the micrometer, which may be well away from this bore. `here 4.2153`: it was
 * zeroed in this bore and then read in the micrometer, so that the figure is this spot's as well. `set piston`: the
 * micrometer was set to each cylinder's piston. `here 4.2153` after a `here` of no size: what that zero
 * turned out to be in the micrometer; `was 4.2153` puts it right afterwards.
 */
function parseSetting(word: string, entry: string, context: ParseContext): ParsedReading {
  const accepted = acceptedBy(context.field, context.units);
  if (!isGauged(context.field)) return { kind: 'refused', why: NO_GAUGE, accepted };
  const inBore = word !== 'set';
  const waits = typeof context.setting === 'string' ? context.setting : null;
  const sizes = word === 'was' ? (context.zero ?? null) : word === 'here' ? waits : null;
  if (word === 'was' && sizes === null)
    return { kind: 'refused', why: 'This gauge was zeroed in no bore.', accepted: '"here", where it is zeroed in one' };
  const isEach = entry === 'piston' || entry === 'journal' || entry === 'aim';
  if (isEach && (entry === 'piston') !== (context.field === 'bore'))
    return { kind: 'refused', why: `A ${NAMES[context.field]} is not set to that.`, accepted };
  if (isEach)
    return inBore
      ? { kind: 'refused', why: 'Zeroed in the bore, the gauge is read in the micrometer: give that figure.', accepted }
      : { kind: 'setting', value: entry, read: false, sizes: null };
  // a zero that is given its size moves what counts from it: its own bore says little
  const { expected } = context;
  const nearEnough = expected && { ...expected, within: Math.max(expected.within, NEAR_OWN_ZERO) };
  const heard = parseReading(entry, { ...context, setting: null, expected: inBore ? nearEnough : null });
  if (heard.kind === 'understood')
    return { kind: 'setting', value: heard.meaning.value, read: inBore && sizes === null, sizes };
  if (heard.kind === 'question' && inBore)
    return {
      kind: 'refused',
      why: heard.ask,
      accepted: 'the size with its unit, e.g. "here 4.0652in", or the dial first set in the micrometer',
    };
  return {
    kind: 'refused',
    why: `${entry} can be taken in more than one way, or is no bore.`,
    accepted: 'the setting with its unit, e.g. "set 4.060in" or "set 82.5mm"',
  };
}

/**
 * A length typed into a form, where little is known of the engine yet.
 *
 * @param bore the planned bore, where there is one
 * @param expected what a size should be near to, where that is known
 */
export const parseField = (
  text: string,
  field: Field,
  units: Units,
  bore: Nm | null = null,
  expected: ParseContext['expected'] = null,
): ParsedReading => parseReading(text, { field, units, bore, expected, setting: null });

/** Factors that a bare figure might be instead of a gap. From memory. */
const LIKELY_FACTOR = { least: 0.003, most: 0.0125 };

/** The factor that a figure typed for a gap looks like, e.g. `.0045`; null when it looks like none. */
export function factorIn(text: string): number | null {
  const entry = plain(text);
  if (!/^\d?\.\d+$/.test(entry)) return null;
  const value = Number(entry);
  return value >= LIKELY_FACTOR.least && value <= LIKELY_FACTOR.most ? value : null;
}
