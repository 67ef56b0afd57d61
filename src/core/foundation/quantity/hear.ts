/**
 * Bench talk: the one parser for lengths.
 *
 * A fitter calls "22" and means 0.022 in; "4065" is 4.065 in; "15/16" is a bracket, 15 goes and 16 does
 * not; "+6" is six thou over what the bore gauge was set to. The field being read says which is meant.
 * Where two meanings are possible, or the figure cannot be right, the answer is a question with the
 * likely meanings to choose from, never a guess. Common practice, no source, for every convention here.
 */
import {
  type Nm,
  type Units,
  NM_PER_INCH,
  NM_PER_MICROMETRE,
  NM_PER_MM,
  NM_PER_THOU,
  fromDecimal,
  toInches,
  toMm,
} from './length';
import { type LengthStyle, lengthText } from './print';
import type { GaugeSetting } from './gaugeSetting';
import { slipsOf } from './slips';

/** What is being read: decides what a bare number means. */
export type Field =
  | 'bore'
  | 'piston'
  | 'pin'
  | 'journal'
  | 'housing'
  | 'gap'
  | 'rail'
  | 'clearance'
  | 'groove'
  | 'land'
  | 'shell'
  | 'thread'
  | 'play';

/** What a size should be near to (its neighbours, the plan), how near, and why. */
export interface Expected {
  nm: Nm;
  within: Nm;
  because: string;
}

export interface HearingContext {
  field: Field;
  /** The system bare numbers are spoken in. */
  units: Units;
  /** Bore of the cylinder, measured or planned; null when not known yet. */
  bore: Nm | null;
  /** Null when nothing is known. */
  expected: Expected | null;
  /** What the bore gauge was zeroed at: a size, or in words the zero in a bore that has none yet; null when it was not. */
  setting: Nm | string | null;
  /** The zero in a bore that the gauge was last set to, whether it has a size by now or not. */
  zero?: string | null;
  /** What is missing for a setting, where it was not: what to do about it. */
  settingAsk?: string;
  /** What a gap is to be, where that is known: of two meanings the one that lies there is taken. */
  window?: { least: Nm; most: Nm } | null;
  /** The dial of the gauge in hand; null while no gauge is named. */
  dial?: { division: Nm; turn: Nm } | null;
}

export interface Meaning {
  value: Nm;
  /** Upper end of a bracket: the leaf that did not pass. */
  upTo: Nm | null;
  /** The leaf passes, and no larger one was tried. */
  open?: true;
  /** It was counted on a dial, from what the gauge was zeroed at. */
  dial?: true;
  /** The zero in a bore that it counts from, where that has no size yet: the value is the difference. */
  zero?: string;
  /** How the typed text was taken, e.g. `22 thou`, `as typed`, `digits 7 and 3 swapped`. */
  taken: string;
}

export type Heard =
  | { kind: 'empty' }
  | { kind: 'understood'; meaning: Meaning }
  /** The gauge is zeroed at a size, at each cylinder's piston, at each journal or that and the clearance aimed at, or here; `read` when that is this spot's reading as well; `sizes` the earlier zero that has this size. */
  | { kind: 'setting'; value: GaugeSetting; read: boolean; sizes: string | null }
  /** A cut with the ring filer, of so many turns or strokes where they were counted. */
  | { kind: 'cut'; count: number | null }
  | { kind: 'question'; ask: string; options: Meaning[] }
  | { kind: 'refused'; why: string; accepted: string };

/** A clearance from here up to one, with a point, is part of a thou: as inches it would be fifty thou and more. */
const TENTHS_FROM = 0.05;
/** As many likely meanings as are offered beside what was typed. */
const MOST_LIKELY = 2;
/** Longest entry that is read at all. */
const LONGEST = 40;
/** Any bore, piston or pin the tool will take: 5 to 500 mm. */
const SIZES = { least: 5 * NM_PER_MM, most: 500 * NM_PER_MM };
/** A size nobody questions while nothing else is known: 25 to 250 mm. */
const USUAL_SIZES = { least: 25 * NM_PER_MM, most: 250 * NM_PER_MM };
const USUAL_JOURNALS = { least: 12 * NM_PER_MM, most: 160 * NM_PER_MM };
const USUAL_PINS = { least: 8 * NM_PER_MM, most: 60 * NM_PER_MM };
/** End gap as a share of the bore that nobody questions. From memory. */
const USUAL_GAP = {
  gap: { least: 0.0012, most: 0.0125 },
  // no sheet asks for less than 0.2 mm on 86 mm
  rail: { least: 0.002, most: 0.02 },
  clearance: { least: 0.0001, most: 0.005 },
  groove: { least: 0, most: 0.002 },
  land: { least: 0, most: 0.03 },
  shell: { least: 0.005, most: 0.1 },
  thread: { least: 0.0001, most: 0.005 },
  play: { least: 0.0002, most: 0.02 },
};
/** The same while the bore is not known. */
const USUAL_GAP_UNKNOWN_BORE = {
  gap: { least: 100_000, most: 1_600_000 },
  rail: { least: 160_000, most: 1_600_000 },
  clearance: { least: 5_000, most: 500_000 },
  groove: { least: 0, most: 200_000 },
  land: { least: 0, most: 3_000_000 },
  shell: { least: 800_000, most: 6_000_000 },
  thread: { least: 10_000, most: 250_000 },
  play: { least: 20_000, most: 1_500_000 },
};
/** The widest gap that is taken at all, as a share of the bore. */
const WIDEST_GAP_SHARE = 0.1;
const WIDEST_GAP_UNKNOWN_BORE = 10 * NM_PER_MM;

const ACCEPTED: Record<Field, Record<Units, string>> = {
  bore: {
    imperial: '4065, 4.065, 103.25mm; or "set 4.060" and then the dial: 6, -1.5, 1t6 (a turn and 6)',
    metric: '82.505, 82505, 3.248in; or "set 82.5" and then the dial: +0.006, 6, 1t6 (a turn and 6)',
  },
  piston: { imperial: '4061, 4.0612, 103.15mm', metric: '82.43, 82430, 3.245in' },
  pin: { imperial: '0.9272, 9272, 23.55mm', metric: '22.004, 22004, 0.8663in' },
  gap: {
    imperial: '22, .022, 0.56mm, a bracket 15/16 or 15-16; or a cut: c, c12',
    metric: '0.56, 56, 22thou, a bracket 0.55/0.60; or a cut: c, c12',
  },
  groove: { imperial: '1.5, .0015, 0.04mm, or a bracket 1.5/2', metric: '0.04, 1.5thou, or a bracket 0.04/0.05' },
  land: { imperial: '12, .012, 0.3mm; 0 where it is flush', metric: '0.3, 12thou; 0 where it is flush' },
  clearance: { imperial: '4.5, .0045, 0.11mm', metric: '0.06, 2.5thou' },
  journal: { imperial: '2.0997, 20997, 53.33mm', metric: '52.985, 52985, 2.086in' },
  housing: {
    imperial: '2.1012, 53.37mm; or "set 2.1", "set journal", "set aim" and then the dial: +1.5',
    metric: '53.021, 2.0874in; or "set 53", "set journal", "set aim" and then the dial: +0.03',
  },
  shell: { imperial: '55.8, .0558, 1.417mm', metric: '1.417, 0.0558in' },
  thread: {
    imperial: '1.5, .0015, 0.04mm, or between two marks 1.5 to 2',
    metric: '0.04, 1.5thou, or between two marks 0.038 to 0.05',
  },
  play: { imperial: '6, .006, 0.15mm, a bracket 12/14', metric: '0.15, 6thou, a bracket 0.30/0.35' },
  rail: {
    imperial: '18, .018, 0.45mm, a bracket 15/16, or p15: 15 passes',
    metric: '0.45, 45, 18thou, a bracket 0.40/0.45, or p0.40: 0.40 passes',
  },
};

/** What a field accepts, as examples, for hints and errors. */
export const acceptedBy = (field: Field, units: Units): string => ACCEPTED[field][units];

const SIZE_FIELDS = ['bore', 'piston', 'pin', 'journal', 'housing'] as const satisfies readonly Field[];
type FineField = Exclude<Field, (typeof SIZE_FIELDS)[number]>;
/** Whether a field is of gaps and clearances rather than sizes. */
export const isFine = (field: Field): field is FineField => !SIZE_FIELDS.some((f) => f === field);
/** Whether a field is read with a gauge that is zeroed. */
const isGauged = (field: Field): boolean => field === 'bore' || field === 'housing';
/** The keys that an entry may begin with: of figures and signs, of a gauge that is set (s, h, w), and of a ring that is cut or bracketed (c, p, >). */
export const startsOf = (field: Field, isFitted: boolean): RegExp =>
  isFitted ? /^[\d.,cp>]$/i : isGauged(field) ? /^[\d.,+\-shw]$/i : /^[\d.,+-]$/;

/** Fields whose figures are tenths of a thou, so that a point before them does not mean inches. */
const isSmall = (field: Field): boolean => field === 'clearance' || field === 'groove' || field === 'thread';
const styleOf = (field: Field): LengthStyle => (isFine(field) ? 'fine' : 'size');

type UnitName = 'mm' | 'µm' | 'in' | 'thou';
const UNIT_NM: Record<UnitName, number> = { mm: NM_PER_MM, µm: NM_PER_MICROMETRE, in: NM_PER_INCH, thou: NM_PER_THOU };
const UNIT_WORDS: [UnitName, RegExp][] = [
  ['mm', /^(?:mm|millimet(?:er|re)s?)$/],
  ['µm', /^(?:µm|um|microns?)$/],
  ['thou', /^(?:thou|th|mil|mils)$/],
  ['in', /^(?:in|inch|inches|")$/],
];

const unitNamed = (word: string): UnitName | null => UNIT_WORDS.find(([, pattern]) => pattern.test(word))?.[0] ?? null;

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

const NUMERAL = String.raw`(?:\d+\.?\d*|\.\d+)`;
const SINGLE = new RegExp(`^(${NUMERAL}) ?([a-zµ"]*)$`);
const SIGNED = new RegExp(`^([+-]) ?(${NUMERAL}) ?([a-zµ"]*)$`);
const BRACKET = new RegExp(`^(${NUMERAL}) ?([a-zµ"]*?) ?(?:/|-|to) ?(${NUMERAL}) ?([a-zµ"]*)$`);
const ZERO_HERE = /^here$/;
const SETTING = new RegExp(`^(set|here|was) ?(${NUMERAL} ?[a-zµ"]*|piston|journal|aim)$`);
const CUT = /^c(?:ut)? ?(\d{1,4}(?:\.\d)?)?$/;
const PASSES = new RegExp(`^(?:p(?:asses)?|>) ?(${NUMERAL} ?[a-zµ"]*)$|^(${NUMERAL} ?[a-zµ"]*)\\+$`);
const TURNS = new RegExp(`^([+-]?) ?(\\d{1,2}) ?t ?(${NUMERAL})?$`);

/** Range nobody questions for the field. */
export function usual(context: HearingContext): { least: Nm; most: Nm } {
  const { field, bore, expected } = context;
  if (isFine(field)) {
    if (bore === null) return USUAL_GAP_UNKNOWN_BORE[field];
    return { least: bore * USUAL_GAP[field].least, most: bore * USUAL_GAP[field].most };
  }
  if (!expected)
    return field === 'pin' ? USUAL_PINS : field === 'journal' || field === 'housing' ? USUAL_JOURNALS : USUAL_SIZES;
  return { least: expected.nm - expected.within, most: expected.nm + expected.within };
}

/** Whether a value can be recorded at all, questioned or not. */
function possible(value: Nm, { field, bore }: Pick<HearingContext, 'field' | 'bore'>): boolean {
  if (!isFine(field)) return value >= SIZES.least && value <= SIZES.most;
  return value >= 0 && value <= (bore === null ? WIDEST_GAP_UNKNOWN_BORE : bore * WIDEST_GAP_SHARE);
}

/**
 * What is wrong with a figure that no field of the bench took: null where it can be. Wider than what is taken at the
 * bench, so that nothing taken there is refused later.
 *
 * @param value nm
 * @param bore planned, nm; null when not known
 * @example sizeFault('gap', 100_000_000, 20_000_000) // 'there is no ring end gap of 100 mm'
 */
export function sizeFault(field: Field, value: Nm, bore: Nm | null): string | null {
  const least = WIDEST_GAP_UNKNOWN_BORE / WIDEST_GAP_SHARE;
  const largest = bore === null ? SIZES.most : Math.min(SIZES.most, Math.max(2 * bore, least));
  return possible(value, { field, bore: largest }) ? null : `there is no ${NAMES[field]} of ${toMm(value)} mm`;
}

function isUsual(value: Nm, context: HearingContext): boolean {
  const { least, most } = usual(context);
  return value >= least && value <= most;
}

interface Take {
  value: Nm;
  dial?: true;
  taken: string;
}

const take = (numeral: string, unit: UnitName): Take => ({
  value: fromDecimal(numeral, UNIT_NM[unit]),
  taken: `${numeral} ${unit}`,
});

/** Digits without a point: the point goes where it makes a size, `4065` is 4.065 in, `82505` is 82.505 mm. */
function digitsAsSize(digits: string, unit: 'in' | 'mm', context: HearingContext): Take {
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

/** Bores that most engines have, 50 to 135 mm: digits without a point and with nothing to go by mean one of these, where only one system makes one. From memory. */
const COMMON_BORES = { least: 50 * NM_PER_MM, most: 135 * NM_PER_MM };
const isCommon = (value: Nm, field: Field): boolean =>
  (field === 'bore' || field === 'piston') && value >= COMMON_BORES.least && value <= COMMON_BORES.most;

/** The meaning by convention first, then rivals that a fitter might have meant instead. */
function takesOf(numeral: string, context: HearingContext): { first: Take; rivals: Take[]; equal: boolean } {
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

const tenTimes = (value: Nm, of = ''): Take[] => [
  { value: value * 10, taken: `${of}ten times that` },
  { value: Math.round(value / 10), taken: `${of}a tenth of that` },
];

const asMeaning = (taken: Take, upTo: Nm | null = null): Meaning => ({ ...taken, upTo });

function distinct(options: Meaning[]): Meaning[] {
  return options.filter((o, i) => options.findIndex((p) => p.value === o.value && p.upTo === o.upTo) === i);
}

/** One length in both systems, the one it was typed in first. */
function inBoth(value: Nm, field: Field, units: Units): string {
  const style = styleOf(field);
  if (units === 'metric') return `${lengthText(value, 'metric', style)} is ${toInches(value).toFixed(4)} in`;
  const own = isFine(field) ? lengthText(value, 'imperial', 'fine') : `${toInches(value).toFixed(4)} in`;
  return `${own} is ${toMm(value).toFixed(3)} mm`;
}

function whereabouts({ field, bore, units, expected }: HearingContext): string {
  if (!isFine(field)) return expected ? `; ${expected.because}` : '';
  if (bore === null) return '';
  const bare = units === 'metric' ? `${toMm(bore)} mm` : `${toInches(bore).toFixed(3)} in`;
  return ` on ${article(bare)} ${bare} bore`;
}

/** `an` before a number said with a vowel: 8…, 11, 18. */
const article = (numeral: string): string => (/^(?:8|1[18](?!\d))/.test(numeral) ? 'an' : 'a');

function question(first: Take, candidates: Take[], context: HearingContext, spoken: Units): Heard {
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

const NAMES: Record<Field, string> = {
  bore: 'bore',
  piston: 'piston',
  pin: 'pin',
  gap: 'ring end gap',
  rail: 'rail gap',
  clearance: 'clearance',
  groove: 'axial clearance',
  land: 'depth under the land',
  journal: 'journal',
  housing: 'housing',
  shell: 'half shell',
  thread: 'bearing clearance',
  play: 'play',
};

const spokenIn = (unit: UnitName | null, units: Units): Units =>
  unit === null ? units : unit === 'mm' || unit === 'µm' ? 'metric' : 'imperial';

/** Whether of two meanings the shop's own is taken unasked: where it lies in the window, or the other does not either. */
function isNearer(own: Nm, rival: Nm, { window }: HearingContext): boolean {
  if (!window) return false;
  const within = (nm: Nm): boolean => nm >= window.least && nm <= window.most;
  return within(own) || !within(rival);
}

function hearSingle(numeral: string, word: string, context: HearingContext): Heard {
  const unit = word === '' ? null : unitNamed(word);
  if (word !== '' && unit === null) return unknownUnit(word, context);
  const spoken = spokenIn(unit, context.units);
  const { first, rivals, equal } = unit
    ? { first: take(numeral, unit), rivals: otherUnits(numeral, unit), equal: false }
    : takesOf(numeral, context);
  const dial = unit === null ? asDial(numeral, first.value, context) : null;
  if (dial) return dial;
  const likelyRivals = rivals.filter((r) => isUsual(r.value, context));
  if (isUsual(first.value, context)) {
    const rival = likelyRivals[0];
    if (!equal || !rival || isNearer(first.value, rival.value, context))
      return { kind: 'understood', meaning: asMeaning(first) };
    return {
      kind: 'question',
      ask: `${first.taken} (${lengthText(first.value, 'metric', 'fine')}), or ${rival.taken} (${lengthText(rival.value, 'metric', 'fine')})?`,
      options: [asMeaning(first), asMeaning(rival)],
    };
  }
  if (equal && likelyRivals[0]) return { kind: 'understood', meaning: asMeaning(likelyRivals[0]) };
  const slips = context.expected && !isFine(context.field) ? slipsOf(numeral, first.value, context.expected) : [];
  return question(
    first,
    [...slips, ...rivals, ...tenTimes(first.value), ...rivals.flatMap((r) => tenTimes(r.value, `${r.taken}, `))],
    context,
    spoken,
  );
}

/** No bore is this far from what its gauge was zeroed at: a small bare figure is then the dial. From memory. */
const DIAL_REACH = 5 * NM_PER_MM;
/** What a dial is called out as: three digits before the point, and two behind it unless it is under one. A size has more behind it. */
const DIAL_FIGURE = /^(?:\d{1,3}(?:\.\d{0,2})?|0?\.\d+)$/;

/** A bare figure as the dial of a gauge that was zeroed: where as a size it would be out of the gauge's reach, or cannot be right and the dial can. */
function asDial(numeral: string, asSize: Nm, context: HearingContext): Heard | null {
  const { field, setting } = context;
  if (!isGauged(field) || setting === null || !DIAL_FIGURE.test(numeral)) return null;
  const dial = hearDial('+', numeral, '', context);
  if (typeof setting === 'string') {
    // of no size yet: a figure that the planned bore does not speak for is the dial's
    const { bore } = context;
    return bore !== null && Math.abs(asSize - bore) <= DIAL_REACH && isUsual(asSize, context) ? null : dial;
  }
  if (Math.abs(asSize - setting) > DIAL_REACH) return dial;
  return !isUsual(asSize, context) && dial.kind === 'understood' ? dial : null;
}

const otherUnits = (numeral: string, unit: UnitName): Take[] =>
  (['mm', 'in', 'thou'] as const).filter((u) => u !== unit).map((u) => take(numeral, u));

function unknownUnit(word: string, context: HearingContext): Heard {
  return {
    kind: 'refused',
    why: `"${word}" is no unit known here (thou, in, mm, µm).`,
    accepted: acceptedBy(context.field, context.units),
  };
}

/** `15/16`, `15-16`, `15 to 16`: the largest leaf that passes and the first that does not. */
function hearBracket(parts: [string, string, string, string], context: HearingContext): Heard {
  const [lowNumeral, lowWord, highNumeral, highWord] = parts;
  if (!isFine(context.field))
    return {
      kind: 'refused',
      why: 'A bracket (goes / does not go) is for feeler readings of a gap.',
      accepted: acceptedBy(context.field, context.units),
    };
  const word = highWord || lowWord;
  const low = hearSingle(lowNumeral, lowWord || word, context);
  const high = hearSingle(highNumeral, word, context);
  if (low.kind === 'refused') return low;
  if (high.kind === 'refused') return high;
  if (low.kind !== 'understood' || high.kind !== 'understood')
    return {
      kind: 'refused',
      why: 'One side of the bracket can be taken in more than one way.',
      accepted: 'the unit after it, e.g. 15/16 thou or 0.40/0.45 mm',
    };
  const [a, b] = [low.meaning.value, high.meaning.value];
  if (a === b)
    return {
      kind: 'refused',
      why: 'Both ends are the same.',
      accepted: context.field === 'thread' ? '1.5 to 2' : '15/16: 15 goes, 16 does not',
    };
  const isThread = context.field === 'thread';
  const spoken = isThread
    ? `between ${lengthText(Math.min(a, b), context.units, 'fine')} and ${lengthText(Math.max(a, b), context.units, 'fine')}`
    : `${lengthText(Math.min(a, b), context.units, 'fine')} goes, ${lengthText(Math.max(a, b), context.units, 'fine')} does not`;
  const meaning: Meaning = { value: Math.min(a, b), upTo: Math.max(a, b), taken: spoken };
  if (a < b || isThread) return { kind: 'understood', meaning };
  return {
    kind: 'question',
    ask: `A leaf that passes is thinner than one that does not. Did you mean ${spoken}?`,
    options: [meaning],
  };
}

const NO_SETTING = { bore: 'first the setting, e.g. "set 4.060"', housing: 'first the setting, e.g. "set journal"' };

/** What keeps a field from taking the dial; null where it can. */
function noDial({ field, units, setting, settingAsk }: HearingContext): Heard | null {
  const accepted = acceptedBy(field, units);
  if (isFine(field))
    return { kind: 'refused', why: 'A gap has no sign: only a bore gauge reads plus or minus.', accepted };
  if (!isGauged(field))
    return {
      kind: 'refused',
      why: `Plus and minus are for a bore gauge; a ${NAMES[field]} is read in the micrometer.`,
      accepted,
    };
  if (setting === null)
    return {
      kind: 'refused',
      why: settingAsk ?? 'Plus and minus count from the gauge setting, and none is given yet.',
      accepted: field === 'housing' ? NO_SETTING.housing : NO_SETTING.bore,
    };
  return null;
}

/** As far from its zero as a bore is read without a question, as a worn one is within itself: 6 thou. From memory. */
const USUAL_OFF = 6 * NM_PER_THOU;

/** What the dial shows from a zero that has no size yet. */
function heardOff(steps: Take, direction: 1 | -1, zero: string, { units, field }: HearingContext): Heard {
  const meaning: Meaning = {
    value: direction * steps.value,
    upTo: null,
    dial: true,
    zero,
    taken: `dial ${direction < 0 ? '\u2212' : '+'}${steps.taken}`,
  };
  if (steps.value <= USUAL_OFF) return { kind: 'understood', meaning };
  const stated = `${lengthText(steps.value, units, 'fine')} from the zero`;
  return steps.value <= DIAL_REACH
    ? { kind: 'question', ask: `${stated}: is that right?`, options: [{ ...meaning, taken: 'as typed' }] }
    : { kind: 'refused', why: `${stated}: no gauge reaches that far.`, accepted: acceptedBy(field, units) };
}

/** The bore that a departure of the dial stands for, if it can be right. */
function heardDial(steps: Take, direction: 1 | -1, context: HearingContext): Heard {
  if (typeof context.setting === 'string') return heardOff(steps, direction, context.setting, context);
  const setting = context.setting ?? 0;
  const meant: Take = {
    value: setting + direction * steps.value,
    dial: true,
    taken: `gauge set ${lengthText(setting, context.units, 'size')}, dial ${direction < 0 ? '\u2212' : '+'}${steps.taken}`,
  };
  if (isUsual(meant.value, context)) return { kind: 'understood', meaning: asMeaning(meant) };
  return question(meant, [], context, context.units);
}

/** `+6`, `-1.5`: the dial, from what the gauge was set to. */
function hearDial(sign: string, numeral: string, word: string, context: HearingContext): Heard {
  const cannot = noDial(context);
  if (cannot) return cannot;
  const unit = word === '' ? null : unitNamed(word);
  if (word !== '' && unit === null) return unknownUnit(word, context);
  const direction = sign === '-' ? -1 : 1;
  const { units, dial } = context;
  const amount = Number(numeral);
  const divisions = unit === null && units === 'metric' && (amount >= 1 || !numeral.includes('.')) && amount !== 0;
  if (divisions && dial)
    return heardDial(
      {
        value: fromDecimal(numeral, dial.division),
        taken: `${numeral} divisions of ${lengthText(dial.division, units, 'fine')}`,
      },
      direction,
      context,
    );
  if (divisions) {
    const micrometres = heardDial(take(numeral, 'µm'), direction, context);
    const hundredths = heardDial(
      { value: fromDecimal(numeral, NM_PER_MM / 100), taken: `${numeral} hundredths` },
      direction,
      context,
    );
    const options = [micrometres, hundredths].flatMap((h) =>
      h.kind === 'understood' ? [h.meaning] : h.kind === 'question' ? h.options.slice(-1) : [],
    );
    const [small, large] = options.map((o) => lengthText(o.value, 'metric', 'size'));
    return {
      kind: 'question',
      ask: `Is the dial at ${numeral} µm (${small ?? 'no bore'}) or at ${numeral} hundredths (${large ?? 'no bore'})?`,
      options,
    };
  }
  const byDefault: UnitName = units === 'metric' ? 'mm' : amount > 0 && amount < 0.1 ? 'in' : 'thou';
  return heardDial(take(numeral, unit ?? byDefault), direction, context);
}

/** `1t6`, `-1t4`: whole turns of the dial, and what it shows past them. */
function hearTurns(sign: string, turns: string, rest: string, context: HearingContext): Heard {
  const cannot = noDial(context);
  if (cannot) return cannot;
  const { dial, units } = context;
  if (!dial)
    return {
      kind: 'refused',
      why: 'How much one turn of the dial is depends on the gauge, and none is named.',
      accepted: 'a bore gauge in hand, named beside the grid',
    };
  const past =
    units === 'metric' && !rest.includes('.')
      ? fromDecimal(rest, dial.division)
      : fromDecimal(rest, units === 'metric' ? NM_PER_MM : NM_PER_THOU);
  const words = `${turns} ${turns === '1' ? 'turn' : 'turns'} of ${lengthText(dial.turn, units, 'fine')} and ${lengthText(past, units, 'fine')}`;
  return heardDial({ value: Number(turns) * dial.turn + past, taken: words }, sign === '-' ? -1 : 1, context);
}

/** `c`, `c12`, `cut 12`: a cut with the ring filer, with its turns or strokes where they were counted. */
function hearCut(numeral: string, { field, units }: HearingContext): Heard {
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
function hearPasses(entry: string, context: HearingContext): Heard {
  const { field, units } = context;
  if (field !== 'gap' && field !== 'rail')
    return { kind: 'refused', why: 'Leaves pass in a ring gap.', accepted: acceptedBy(field, units) };
  const heard = hear(entry, context);
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

/**
 * What an entry means.
 *
 * @param text what was typed, in any of the shop's notations
 * @returns the meaning; or a question with the likely meanings (best first) to choose from;
 *   or why it cannot be taken and what is accepted. Never throws.
 * @example hearField('22', 'gap', 'imperial').kind // 'understood'
 */
export function hear(text: string, context: HearingContext): Heard {
  const accepted = acceptedBy(context.field, context.units);
  const length = text.trim().length;
  if (length > LONGEST)
    return { kind: 'refused', why: `That is ${length} characters; one reading at a time.`, accepted };
  const entry = plain(text);
  if (entry === '') return { kind: 'empty' };
  if (ZERO_HERE.test(entry)) return hearZero(context);
  const setting = SETTING.exec(entry);
  if (setting?.[2]) return hearSetting(setting[1] ?? 'set', setting[2], context);
  const cut = CUT.exec(entry);
  if (cut) return hearCut(cut[1] ?? '', context);
  const passes = PASSES.exec(entry);
  if (passes) return hearPasses(passes[1] ?? passes[2] ?? '', context);
  const turns = TURNS.exec(entry);
  if (turns) return hearTurns(turns[1] ?? '', turns[2] ?? '0', turns[3] ?? '0', context);
  const bracket = BRACKET.exec(entry);
  if (bracket) return hearBracket([bracket[1] ?? '', bracket[2] ?? '', bracket[3] ?? '', bracket[4] ?? ''], context);
  const signed = SIGNED.exec(entry);
  if (signed) return hearDial(signed[1] ?? '+', signed[2] ?? '', signed[3] ?? '', context);
  const single = SINGLE.exec(entry);
  if (single) return hearSingle(single[1] ?? '', single[2] ?? '', context);
  return { kind: 'refused', why: `"${text.trim()}" is no reading.`, accepted };
}

/** How near the size of a zero should be to what its bore reads so far: 0.25 mm. From memory. */
const NEAR_OWN_ZERO = NM_PER_MM / 4;

const NO_GAUGE = 'A gauge setting belongs to readings across the inside.';

/** `here`: the gauge was zeroed at this spot, whose size is not known yet. What the dial shows elsewhere counts from it. */
const hearZero = ({ field, units }: HearingContext): Heard =>
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
function hearSetting(word: string, entry: string, context: HearingContext): Heard {
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
  const heard = hear(entry, { ...context, setting: null, expected: inBore ? nearEnough : null });
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
export const hearField = (
  text: string,
  field: Field,
  units: Units,
  bore: Nm | null = null,
  expected: HearingContext['expected'] = null,
): Heard => hear(text, { field, units, bore, expected, setting: null });

/** Factors that a bare figure might be instead of a gap. From memory. */
const LIKELY_FACTOR = { least: 0.003, most: 0.0125 };

/** The factor that a figure typed for a gap looks like, e.g. `.0045`; null when it looks like none. */
export function factorIn(text: string): number | null {
  const entry = plain(text);
  if (!/^\d?\.\d+$/.test(entry)) return null;
  const value = Number(entry);
  return value >= LIKELY_FACTOR.least && value <= LIKELY_FACTOR.most ? value : null;
}
