/**
 * What can be read on the line: what each field accepts, and what nobody questions of it. Common practice, no source,
 * for every range here.
 */
import type { LengthStyle } from './format';
import type { GaugeSetting } from './gaugeSetting';
import { type Nm, type Units, NM_PER_MM, toMm } from './length';

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
export interface ParseContext {
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
export type ParsedReading =
  | { kind: 'empty' }
  | { kind: 'understood'; meaning: Meaning }
  /**
   * The gauge is zeroed at a size, at each cylinder's piston, at each journal or that and the clearance aimed at, or
   * here; `read` when that is this spot's reading as well; `sizes` the earlier zero that has this size.
   */
  | { kind: 'setting'; value: GaugeSetting; read: boolean; sizes: string | null }
  /** A cut with the ring filer, of so many turns or strokes where they were counted. */
  | { kind: 'cut'; count: number | null }
  | { kind: 'question'; ask: string; options: Meaning[] }
  | { kind: 'refused'; why: string; accepted: string };

/** Any bore, piston or pin that is taken: 5 to 500 mm. From memory. */
const SIZES = { least: 5 * NM_PER_MM, most: 500 * NM_PER_MM };

/** A size nobody questions while nothing else is known: 25 to 250 mm. From memory. */
const USUAL_SIZES = { least: 25 * NM_PER_MM, most: 250 * NM_PER_MM };
/** Journals that nobody questions: 12 to 160 mm. From memory. */
const USUAL_JOURNALS = { least: 12 * NM_PER_MM, most: 160 * NM_PER_MM };
/** Pins that nobody questions: 8 to 60 mm. From memory. */
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
  clearance: { least: 5000, most: 500_000 },
  groove: { least: 0, most: 200_000 },
  land: { least: 0, most: 3_000_000 },
  shell: { least: 800_000, most: 6_000_000 },
  thread: { least: 10_000, most: 250_000 },
  play: { least: 20_000, most: 1_500_000 },
};

/** The widest gap that is taken at all, as a share of the bore. From memory. */
const WIDEST_GAP_SHARE = 0.1;
/** The widest gap that is taken while the bore is not known, nm. From memory. */
const WIDEST_GAP_UNKNOWN_BORE = 10 * NM_PER_MM;
export const ACCEPTED: Record<Field, Record<Units, string>> = {
  bore: {
    imperial: '4065, 4.065, 103.25mm; or "set 4.060" and then the dial: 6, -1.5, 1t6 (a turn and 6)',
    metric: '82.505, 82_505, 3.248in; or "set 82.5" and then the dial: +0.006, 6, 1t6 (a turn and 6)',
  },
  piston: { imperial: '4061, 4.0612, 103.15mm', metric: '82.43, 82_430, 3.245in' },
  pin: { imperial: '0.9272, 9272, 23.55mm', metric: '22.004, 22_004, 0.8663in' },
  gap: {
    imperial: '22, .022, 0.56mm, a bracket 15/16 or 15-16; or a cut: c, c12',
    metric: '0.56, 56, 22thou, a bracket 0.55/0.60; or a cut: c, c12',
  },
  groove: { imperial: '1.5, .0015, 0.04mm, or a bracket 1.5/2', metric: '0.04, 1.5thou, or a bracket 0.04/0.05' },
  land: { imperial: '12, .012, 0.3mm; 0 where it is flush', metric: '0.3, 12thou; 0 where it is flush' },
  clearance: { imperial: '4.5, .0045, 0.11mm', metric: '0.06, 2.5thou' },
  journal: { imperial: '2.0997, 20_997, 53.33mm', metric: '52.985, 52_985, 2.086in' },
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
export const isGauged = (field: Field): boolean => field === 'bore' || field === 'housing';

/**
 * The keys that an entry may begin with: of figures and signs, of a gauge that is set (s, h, w), and of a ring that
 * is cut or bracketed (c, p, >).
 */
export const startsOf = (field: Field, isFitted: boolean): RegExp =>
  isFitted ? /^[\d.,cp>]$/i : isGauged(field) ? /^[\d.,+\-shw]$/i : /^[\d.,+-]$/;

/** Fields whose figures are tenths of a thou, so that a point before them does not mean inches. */
export const isSmall = (field: Field): boolean => field === 'clearance' || field === 'groove' || field === 'thread';

/** How a field’s lengths are shown: thou and µm, or inches and mm. */
export const styleOf = (field: Field): LengthStyle => (isFine(field) ? 'fine' : 'size');
export const NAMES: Record<Field, string> = {
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

/** Range nobody questions for the field. */
export function usual(context: ParseContext): { least: Nm; most: Nm } {
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
export function possible(value: Nm, { field, bore }: Pick<ParseContext, 'field' | 'bore'>): boolean {
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

/** Whether a length is one that is met in a field. */
export function isUsual(value: Nm, context: ParseContext): boolean {
  const { least, most } = usual(context);
  return value >= least && value <= most;
}
