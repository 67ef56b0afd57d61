/** A figure of a sheet, a manual or the builder while it is filled in, and what it comes to. */
import type { Faults } from '../../foundation/quantity/faults';
import type { Nm, Units } from '../../foundation/quantity/length';
import { FACTORS } from '../charts/chartEdit';
import { type Given, statedMinimum } from './papers';
import { givenFaults } from './targetEntry';

/**
 * How near one nominal figure is to be met where nothing says so: half a leaf for a gap, half of that for a
 * clearance. Common practice, no source.
 */
const NOMINAL_WITHIN: Record<'gap' | 'clearance', Record<'imperial' | 'metric', Nm>> = {
  gap: { imperial: 12_700, metric: 10_000 },
  clearance: { imperial: 6350, metric: 5000 },
};

export const PAPERS = ['sheet', 'manual', 'own'] as const;
export type Paper = (typeof PAPERS)[number];
type Kind = 'gap' | 'clearance';

/** As it is filled in: the fields of every form, so that changing the form loses nothing. */
export interface GivenDraft {
  form: Given['form'];
  min: Nm | null;
  max: Nm | null;
  hardTop: boolean;
  /** What a range is narrowed to: whether it is, and both ends. */
  narrowed: boolean;
  aimFrom: Nm | null;
  aimTo: Nm | null;
  plusMinus: Nm | null;
  /** Factors, as typed. */
  factor: string;
  most: string;
  from: string;
  over: boolean;
}

/** What stands for the source of each before anybody says. */
const STARTING_SOURCE: Record<Paper, string> = {
  sheet: 'sheet packed with the parts',
  manual: 'service manual',
  own: '',
};

const EMPTY = { min: null, max: null, hardTop: false, narrowed: false, aimFrom: null, aimTo: null };

function filledBy(given: Given): Partial<GivenDraft> {
  switch (given.form) {
    case 'range': {
      const { min, max, hardTop, aim } = given;
      return { min, max, hardTop, narrowed: aim !== null, aimFrom: aim?.from ?? null, aimTo: aim?.to ?? null };
    }
    case 'minimum':
      return { min: given.min };
    case 'nominal':
      return { min: given.value, plusMinus: given.plusMinus };
    case 'factor':
      return { factor: String(given.factor) };
    case 'factors':
      return { factor: String(given.least), most: String(given.most), hardTop: given.hardTop };
  }
}

/**
 * The draft of what is given, or an empty one.
 *
 * @example givenDraft(null, 'own', { over: true, units: 'metric', kind: 'gap' }).form // 'minimum'
 */
export const givenDraft = (
  given: Given | null,
  paper: Paper,
  { over, units, kind }: { over: boolean; units: Units; kind: Kind },
): GivenDraft => ({
  ...EMPTY,
  factor: '',
  most: '',
  form: given?.form ?? (paper === 'own' ? 'minimum' : 'range'),
  plusMinus: NOMINAL_WITHIN[kind][units],
  from: given?.from ?? STARTING_SOURCE[paper],
  over,
  ...(given ? filledBy(given) : {}),
});

/** A factor as typed, or what is wrong with it. */
function parseFactor(typed: string, kind: Kind): number | string {
  const factor = Number(typed.replace(',', '.'));
  const [least, most] = FACTORS[kind].usual;
  if (!(factor > 0)) return `Enter a factor, e.g. ${kind === 'clearance' ? '0.0010' : '0.0045'}.`;
  return factor > most || factor < least
    ? `${typed} is not a factor: factors are from ${least} to ${most}. If it is the ${kind} itself, choose “at least”.`
    : factor;
}

type Found = { given: Given } | { faults: Faults };
const fault = (field: keyof GivenDraft, says: string): Found => ({ faults: { [field]: says } });

function factorsOf({ form, factor, most, hardTop }: GivenDraft, kind: Kind, from: string): Found {
  const least = parseFactor(factor, kind);
  if (typeof least === 'string') return fault('factor', least);
  if (form === 'factor') return { given: { form, factor: least, from } };
  const upper = parseFactor(most, kind);
  return typeof upper === 'string'
    ? fault('most', upper)
    : { given: { form: 'factors', least, most: upper, hardTop, from } };
}

function rangeOf({ max, hardTop, narrowed, aimFrom, aimTo }: GivenDraft, min: Nm, from: string): Found {
  if (max === null) return fault('max', 'Enter the upper figure. If there is only a lower one, choose “at least”.');
  if (narrowed && (aimFrom === null || aimTo === null)) return fault('aimFrom', 'Enter both ends of the aim.');
  const aim = narrowed && aimFrom !== null && aimTo !== null ? { from: aimFrom, to: aimTo } : null;
  return { given: { form: 'range', min, max, hardTop, aim, from } };
}

function lengthsOf(draft: GivenDraft, from: string): Found {
  const { form, min, plusMinus } = draft;
  if (min === null) return fault('min', `Enter the ${form === 'nominal' ? '' : 'lower '}figure.`);
  if (form === 'range') return rangeOf(draft, min, from);
  if (form !== 'nominal') return { given: { form: 'minimum', min, from } };
  return plusMinus === null
    ? fault('plusMinus', 'Enter how far it may be off: half a thou, 0.01 mm, or 0.')
    : { given: { form, value: min, plusMinus, from } };
}

/** Where the fields of a figure stand in its draft. */
const IN_DRAFT: Record<string, keyof GivenDraft> = { aim: 'aimTo', 'aim.to': 'aimTo' };

/**
 * What a draft comes to: the figure, or what is wrong with it, by field of the draft.
 *
 * @example
 *   parseGiven({ ...givenDraft(null, 'sheet', { over: false, units: 'metric', kind: 'gap' }), min: 400_000 },
 *   'sheet', 'gap') // { faults: { max: 'Enter the upper figure. If there is only a lower one, choose “at least”.' } }
 */
export function parseGiven(draft: GivenDraft, paper: Paper, kind: Kind): Found {
  const from = draft.from.trim();
  if (paper === 'own' && from === '') return fault('from', 'Enter the reason for your own figure.');
  const isFactor = draft.form === 'factor' || draft.form === 'factors';
  const found = isFactor ? factorsOf(draft, kind, from) : lengthsOf(draft, from);
  if ('faults' in found) return found;
  const faults = Object.entries(givenFaults(found.given)).map(
    ([path, says]) => [IN_DRAFT[path] ?? path, says] as const,
  );
  return faults.length === 0 ? found : { faults: Object.fromEntries(faults) };
}

/** The other compression ring's minimum, and which side of it this one should not be on. */
export interface OtherRing {
  min: Nm;
  words: string;
  side: 'under' | 'over';
}

/**
 * The minimum that a draft states, where it lies on the wrong side of the other ring's; null where it does not.
 *
 * @example
 *   crossedMinimum({ ...givenDraft(null, 'own', { over: false, units: 'metric', kind: 'gap' }), min: 400_000 },
 *   'gap', { min: 450_000, words: 'the top ring’s', side: 'under' }, null) // 400000
 */
export function crossedMinimum(draft: GivenDraft, kind: Kind, other: OtherRing, bore: Nm | null): Nm | null {
  const found = parseGiven(draft, 'sheet', kind);
  const min = 'given' in found ? statedMinimum(found.given, bore) : null;
  return min !== null && (other.side === 'under' ? min < other.min : min > other.min) ? min : null;
}
