/** How rings sit in the grooves of one piston. */
import type { FigureAtLimit } from '../../foundation/verdict/figureAtLimit';
import type { Nm } from '../../foundation/quantity/length';
import { type Message, say } from '../../foundation/quantity/message';
import { type Accepted, type LoggedReading, answerOf } from '../../record/reading';
import type { Strictness } from '../../foundation/verdict/decide';
import { type Tools, coarsest } from '../../foundation/verdict/measuredSize';
import { type Apart, LEAVES_REPEAT, betweenEnds, repeatsOf, sizesRepeat } from '../../foundation/verdict/repeats';
import { stepOf } from './ringGap';
import { nextLeaf } from './ring';
import {
  type Groove,
  type GrooveFigure,
  type Interval,
  type LandState,
  type RingSet,
  type SideState,
  GROOVES,
  fromSizes,
  landIsDone,
  landState,
  sideIsDone,
  sideState,
} from './set';

/** Axial clearance of a ring in its groove, and how deep it sinks under the land. */
export const GROOVE_SUBJECTS = ['topSide', 'secondSide', 'oilSide', 'topLand', 'secondLand', 'oilLand'] as const;
export type GrooveSubject = (typeof GROOVE_SUBJECTS)[number];

/**
 * The groove that a subject is of, and which of its two figures.
 *
 * @example grooveOf('topSide') // { groove: 'top', figure: 'side' }
 */
export function grooveOf(subject: GrooveSubject): { groove: Groove; figure: 'side' | 'land' } {
  const groove = GROOVES.find((g) => subject.startsWith(g)) ?? 'top';
  return { groove, figure: subject.endsWith('Side') ? 'side' : 'land' };
}

export interface JudgedGroove {
  groove: Groove;
  side: GrooveFigure<SideState>;
  land: GrooveFigure<LandState>;
}

export interface JudgedGrooves {
  /** Every reading of this piston's grooves. */
  passes: readonly LoggedReading[];
  grooves: JudgedGroove[];
}

/** What readings of a groove leave open together. */
type Found = Interval & { disagreement: Apart | null };

interface GrooveAsk {
  set: RingSet;
  /** Passes of a subject of this piston that count, and of the pistons that stand for all. */
  own: (subject: GrooveSubject) => readonly LoggedReading[];
  sampled: (subject: GrooveSubject) => { readings: readonly LoggedReading[]; label: string } | null;
  passes: readonly LoggedReading[];
  tools: Tools;
  strictness: Strictness;
  accepted: Accepted;
}

/** What leaves leave open of a clearance. */
const byLeaves = (readings: readonly LoggedReading[], tools: Tools): Found | null =>
  betweenEnds(
    readings.map((r) => ({
      ...{ id: r.id, low: r.value, limit: 0 },
      high: nextLeaf({ value: r.value, upTo: r.upTo, open: false }, stepOf(r, { tools, feelerStep: 0 })),
    })),
    LEAVES_REPEAT,
  );

/** A depth as it was measured. */
function byMeasure(readings: readonly LoggedReading[], tools: Tools): Found | null {
  const within = sizesRepeat(coarsest(readings, tools).resolution);
  const found = repeatsOf(
    readings.map((r) => r.value),
    within,
    'least',
  );
  if (!found) return null;
  const value = Math.round(found.value);
  return { low: value, high: value, disagreement: found.disagreement };
}

/** A figure of a groove, and how it is found and decided. */
interface AskedFigure<S extends string> {
  subject: GrooveSubject;
  /** What it comes to from the sizes of the set; null where they do not say. */
  sizes: { value: Nm; working: Message[] } | null;
  foundIn: (readings: readonly LoggedReading[], tools: Tools) => Found | null;
  state: (found: Interval | null) => S;
  isDone: (state: S) => boolean;
  limit: (state: S | 'not proven', found: Interval) => FigureAtLimit;
}

/** A figure as it was read of this piston, else of the one that stands for all, else as it comes from the sizes. */
function foundFigure(
  { subject, sizes, foundIn }: Pick<AskedFigure<string>, 'subject' | 'sizes' | 'foundIn'>,
  { set, own, sampled, tools }: GrooveAsk,
): { found: Interval | null; working: Message[]; disagreement: Apart | null } {
  const here = own(subject);
  const other = here.length > 0 || set.grooves === 'each' ? null : sampled(subject);
  const read = foundIn(other?.readings ?? here, tools);
  if (read) {
    const working = other ? [say`as read at piston ${other.label}, used for all`] : [];
    return { found: read, working, disagreement: read.disagreement };
  }
  return { found: sizes && { low: sizes.value, high: sizes.value }, working: sizes?.working ?? [], disagreement: null };
}

function judgedFigure<S extends string>(asked: AskedFigure<S>, ask: GrooveAsk): GrooveFigure<S | 'not proven'> {
  const here = ask.own(asked.subject);
  const { found, working, disagreement } = foundFigure(asked, ask);
  const asFound = asked.state(found);
  const state = disagreement && asked.isDone(asFound) ? 'not proven' : asFound;
  return {
    ...{ low: found?.low ?? null, high: found?.high ?? null },
    ...{ state, working, read: here.length > 0, disagreement },
    ...answerOf(ask.accepted, {
      ...{ acceptId: here.at(-1)?.id ?? null, what: null, state },
      held: found && asked.limit(state, found),
    }),
  };
}

/**
 * How rings sit in the grooves of one piston: as read there, else as read of the piston that stands for all, else
 * from the sizes of the set.
 */
export function judgedGrooves(ask: GrooveAsk): JudgedGrooves {
  const { set, passes, strictness } = ask;
  return {
    passes,
    grooves: GROOVES.map((groove): JudgedGroove => {
      const sizes = fromSizes(set[groove]);
      const side: AskedFigure<SideState> = {
        ...{ subject: `${groove}Side`, sizes: sizes.side, foundIn: byLeaves, isDone: sideIsDone },
        state: (found) => sideState(found, set.side, strictness),
        limit: (state, { low }) =>
          state === 'loose'
            ? { figure: low, limit: set.side.most, side: 'most' }
            : { figure: low, limit: set.side.least, side: 'least' },
      };
      const land: AskedFigure<LandState> = {
        ...{ subject: `${groove}Land`, sizes: sizes.land, foundIn: byMeasure, isDone: landIsDone, state: landState },
        limit: (_, { low }) => ({ figure: low, limit: 0, side: 'least' }),
      };
      return { groove, side: judgedFigure(side, ask), land: judgedFigure(land, ask) };
    }),
  };
}
