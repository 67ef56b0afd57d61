/** What is typed while fasteners are tightened: a length, or a stretch and the torque that it came at. */
import { lengthText } from '../../../foundation/quantity/format';
import type { Nm, Units } from '../../../foundation/quantity/length';
import { type Bare, parseLengths } from '../../../foundation/quantity/parseLengths';
import { type MilliNm, bothTorques, fromPoundFeet, parseTorque } from '../../../foundation/quantity/torque';
import type { BenchFigure } from '../benchFigure';
import type { FastenerGroup } from './fastenerGroups';
import { type StretchRate, addFor } from './stretch';
import { type JudgedFastener, type JudgedGroup, type ToTighten, isTight } from './torqueRecord';

/** Lengths of one group of bolts lie no further apart than this, nm; more is asked about. From memory. */
const LENGTHS_APART: Nm = 2_000_000;

export interface Tightened {
  length: Nm;
  /** What it came at; null for a length before it goes in. */
  torque: MilliNm | null;
}

/** What a wrench is set by: half a lb·ft, or half a N·m. */
const wrenchStep = (units: Units): MilliNm => (units === 'metric' ? 500 : fromPoundFeet(0.5));

/**
 * What a bare figure is in; empty where none is typed.
 *
 * @example tighteningUnit('stretch', 'imperial') // 'thou'
 */
export function tighteningUnit(what: ToTighten['what'], units: Units): Bare | '' {
  if (what !== 'free' && what !== 'stretch') return '';
  return units === 'metric' ? 'mm' : what === 'free' ? 'in' : 'thou';
}

/** What the wrench is set to for a stretch: what the set has learned, else where others came in, else the last step. */
export function wrenchFor(
  { group, rate, fasteners }: JudgedGroup,
  fastener: JudgedFastener,
  units: Units,
): { torque: MilliNm | null; add: MilliNm } {
  const last = fastener.stretches.at(-1);
  if (last && group.stretch) {
    const add = addFor(last, group.stretch, rate, wrenchStep(units));
    return { torque: last.torque + add, add };
  }
  const others = fasteners.filter(isTight).flatMap((f) => f.stretches.at(-1)?.torque ?? []);
  return { torque: others.length > 0 ? Math.min(...others) : (group.steps.at(-1) ?? null), add: 0 };
}

/**
 * What the bolts of a set stretch for 10 lb·ft or 10 N·m more, nm.
 *
 * @example stretchPerTen({ rate: 4 }, 'metric') // 40000
 */
export const stretchPerTen = ({ rate }: Pick<StretchRate, 'rate'>, units: Units): Nm =>
  Math.round(rate * wrenchStep(units) * 20);

/** Whether a fastener gets its mark with what is next of it. */
export function isLastOf({ steps, angle, stretch }: FastenerGroup, { what, step }: ToTighten): boolean {
  if (what === 'angle' || what === 'stretch') return true;
  return what === 'step' && step === steps.length - 1 && angle === null && stretch === null;
}

const refused = (why: string): BenchFigure<never> => ({ kind: 'refused', why });

function freeLength(value: Nm, others: readonly Nm[], units: Units): BenchFigure<Tightened> {
  const figure = { length: value, torque: null };
  const says = lengthText(value, units, 'size');
  const middle = others[Math.floor(others.length / 2)];
  if (middle === undefined || Math.abs(value - middle) <= LENGTHS_APART)
    return { kind: 'understood', value: figure, says };
  const ask = `${says}: the others are about ${lengthText(middle, units, 'size')} long. Is it right?`;
  return { kind: 'question', ask, options: [{ value: figure, words: `yes, ${says}` }] };
}

/** Where a stretch lies to what is aimed at. */
function stretchWords(value: Nm, stretch: FastenerGroup['stretch']): string {
  if (!stretch) return '';
  return value < stretch.from ? 'short' : value > stretch.to ? 'over' : 'in its range';
}

function stretched(
  figure: { length: Nm; torque: MilliNm },
  { group: { stretch } }: JudgedGroup,
  before: Nm | undefined,
  units: Units,
): BenchFigure<Tightened> {
  const text = (nm: Nm): string => lengthText(nm, units, 'clearance');
  const asked = (ask: string): BenchFigure<Tightened> => ({
    kind: 'question',
    ask,
    options: [{ value: figure, words: `yes, ${text(figure.length)}` }],
  });
  if (before !== undefined && figure.length < before)
    return asked(`It had ${text(before)} before: it cannot have less with more torque. Was the gauge zeroed anew?`);
  if (stretch && figure.length > 2 * stretch.to)
    return asked(`${text(figure.length)} is more than twice what is aimed at. Is it right?`);
  const says = `${text(figure.length)} at ${bothTorques(figure.torque, units)}: ${stretchWords(figure.length, stretch)}`;
  return { kind: 'understood', value: figure, says };
}

/**
 * What was typed for what is next of a fastener: its length before it goes in, or its stretch, alone at the torque that
 * was advised or as `5.2 at 45`. Doubtful figures are asked about. Never throws.
 */
export function parseTightening(
  text: string,
  judged: JudgedGroup,
  next: Pick<ToTighten, 'what'> | null,
  fastener: JudgedFastener | null,
  units: Units,
): BenchFigure<Tightened> {
  if (text.trim() === '') return { kind: 'empty' };
  const unit = next ? tighteningUnit(next.what, units) : '';
  if (unit === '')
    return refused('Nothing is typed here: Enter once it is done. Another figure is set with the group.');
  const [read = '', at] = text.split(/ (?:at|@) |@/);
  const heard = parseLengths(read, unit, 1);
  if (!heard.ok) return refused(heard.why);
  const [value] = heard.values;
  if (!value) return refused('A length is read.');
  if (next?.what === 'free') {
    const others = judged.fasteners.flatMap((f) => (f === fastener ? [] : (f.free ?? [])));
    return freeLength(value, others, units);
  }
  const advised = fastener && wrenchFor(judged, fastener, units).torque;
  const set = at === undefined ? null : parseTorque(at, units);
  if (set?.kind === 'refused') return refused(set.why);
  const torque = set?.kind === 'understood' ? set.value : advised;
  return torque === null
    ? refused(`At which torque? Accepted: ${units === 'metric' ? '0.13 at 60' : '5.2 at 45'}.`)
    : stretched({ length: value, torque }, judged, fastener?.stretches.at(-1)?.length, units);
}
