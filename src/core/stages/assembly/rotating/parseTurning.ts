/** What the crank takes to turn, as it is typed, and after what it was turned. */
import { BLOCK } from '../../../foundation/engine/places';
import type { Units } from '../../../foundation/quantity/length';
import { type MilliNm, bothTorques, parseTorque, torqueText } from '../../../foundation/quantity/torque';
import type { TurnedEntry } from '../../../record/benchWork';
import type { BenchFigure } from '../benchFigure';
import { isRight } from '../cylinderSteps';
import type { AssemblyCylinderResult } from '../types';
import type { Turn } from './rotatingTorque';

/** After what the crank is turned. */
export type TurnedAfter = Pick<TurnedEntry, 'after' | 'cylinder'>;

export interface Turning {
  /** To keep it turning. */
  value: MilliNm;
  /** To start it; null where that was not read. */
  starts: MilliNm | null;
}

/** More than so many times what it took before, and so much, is asked about, mN·m; and more than this whatever it took. From memory. */
const TIMES = 5;
/** And so much over that, mN·m. From memory. */
const MORE: MilliNm = 30_000;
/** Over this it is asked about whatever it took before, mN·m. From memory. */
const MOST: MilliNm = 400_000;

const isDoubtful = (value: MilliNm, before: MilliNm): boolean => value > TIMES * before + MORE || value > MOST;

/**
 * What was typed: to keep turning, or to start and to keep turning with a slash between. Never throws.
 *
 * @param before what it took last; null where it was not turned yet
 * @example
 *   parseTurning('34/28', null, 'metric')
 *   // { kind: 'understood', value: { value: 28000, starts: 34000 }, says: '34 N·m to start, 28 N·m (20.7 lb·ft) to keep turning' }
 */
export function parseTurning(text: string, before: MilliNm | null, units: Units): BenchFigure<Turning> {
  const [first = '', second] = text.split('/');
  const keeps = parseTorque(second ?? first, units);
  const start = second === undefined ? null : parseTorque(first, units);
  if (keeps.kind !== 'understood') return keeps;
  if (start?.kind === 'refused') return start;
  const starts = start?.kind === 'understood' ? start.value : null;
  const value = { value: keeps.value, starts };
  if (starts !== null && starts < keeps.value)
    return { kind: 'refused', why: 'To start takes no less than to keep turning: first the one, then the other.' };
  const both = bothTorques(keeps.value, units);
  if (before !== null && isDoubtful(keeps.value, before))
    return {
      kind: 'question',
      ask: `${both} after ${torqueText(before, units)}: is it right?`,
      options: [{ value, words: `yes, ${torqueText(keeps.value, units)}` }],
    };
  const says = `${starts === null ? '' : `${torqueText(starts, units)} to start, `}${both} to keep turning`;
  return { kind: 'understood', value, says };
}

interface Fitted extends Pick<AssemblyCylinderResult, 'block'> {
  id: string;
}

/** Whether two readings of the rotating torque were taken after the same step. */
export const isSameTurn = (a: TurnedAfter, b: TurnedAfter): boolean => a.after === b.after && a.cylinder === b.cylinder;

/** All after which the crank is turned: alone, after each piston in the order that they go in, with all in. */
export const turnsOf = (cylinders: readonly Pick<Fitted, 'id'>[]): TurnedAfter[] => [
  { after: 'crank', cylinder: BLOCK },
  ...cylinders.map((c): TurnedAfter => ({ after: 'piston', cylinder: c.id })),
  { after: 'all', cylinder: BLOCK },
];

/** After what the crank is turned next: the piston that went in last, all once they are in, else the first that is open. */
export function nextTurn(turns: readonly Turn[], cylinders: readonly Fitted[]): TurnedAfter {
  const was = (at: TurnedAfter): boolean => turns.some((t) => isSameTurn(t.entry, at));
  const lastIn = cylinders.findLast((c) => c.block.isIn);
  const afterLast: TurnedAfter | undefined = lastIn && { after: 'piston', cylinder: lastIn.id };
  const withAll: TurnedAfter = { after: 'all', cylinder: BLOCK };
  if (afterLast && !was(afterLast)) return afterLast;
  const isAllIn = cylinders.length > 0 && cylinders.every((c) => c.block.isIn);
  return isAllIn ? withAll : (turnsOf(cylinders).find((at) => !was(at)) ?? withAll);
}

/** Pistons that went in since the crank was turned last: one at the least after a piston. */
export function pistonsSince({ after }: TurnedAfter, turns: readonly Turn[], cylinders: readonly Fitted[]): number {
  if (after !== 'piston') return 0;
  const since = turns.at(-1)?.entry.at ?? '';
  const isNew = ({ block }: Fitted): boolean =>
    block.checks.some((s) => s.check === 'pistonIn' && isRight(s.state) && (s.tick?.at ?? '') > since);
  return Math.max(1, cylinders.filter(isNew).length);
}
