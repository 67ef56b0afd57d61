/** How rings sit in the grooves of one piston. */
import type { Nm } from '../quantity/length';
import { type Saying, say } from '../quantity/saying';
import { type Accepted, type LoggedReading, acceptanceOf } from '../record/reading';
import type { Strictness } from '../verdict/decide';
import type { Tools } from '../uncertainty/sized';
import { stepOf } from './judged';
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
  landState,
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

interface GrooveAsk {
  set: RingSet;
  /** Passes of a subject of this piston that count, and of the pistons that stand for all. */
  own: (subject: GrooveSubject) => LoggedReading | null;
  sampled: (subject: GrooveSubject) => { reading: LoggedReading; label: string } | null;
  passes: readonly LoggedReading[];
  tools: Tools;
  strictness: Strictness;
  accepted: Accepted;
}

/** How rings sit in the grooves of one piston: as read there, else as read of the piston that stands for all, else from the sizes of the set. */
export function judgedGrooves({ set, own, sampled, passes, tools, strictness, accepted }: GrooveAsk): JudgedGrooves {
  const leaf = (reading: LoggedReading): Interval => {
    const next = nextLeaf(
      { value: reading.value, upTo: reading.upTo, open: false },
      stepOf(reading, { tools, feelerStep: 0 }),
    );
    return { low: reading.value, high: next };
  };
  const exact = (reading: LoggedReading): Interval => ({ low: reading.value, high: reading.value });
  const figure = <S extends string>(
    subject: GrooveSubject,
    sizes: { value: Nm; working: Saying[] } | null,
    interval: (r: LoggedReading) => Interval,
    state: (i: Interval | null) => S,
  ): GrooveFigure<S> => {
    const here = own(subject);
    const other = here || set.grooves === 'each' ? null : sampled(subject);
    const reading = here ?? other?.reading ?? null;
    const found = reading ? interval(reading) : sizes ? { low: sizes.value, high: sizes.value } : null;
    const working = reading
      ? other
        ? [say`as read at piston ${other.label}, which stands for all`]
        : []
      : (sizes?.working ?? []);
    const judged = state(found);
    return {
      low: found?.low ?? null,
      high: found?.high ?? null,
      state: judged,
      working,
      read: here !== null,
      acceptId: here?.id ?? null,
      accepted: acceptanceOf(accepted, here?.id ?? null, null, judged, null),
    };
  };
  return {
    passes,
    grooves: GROOVES.map((groove) => {
      const sizes = fromSizes(set[groove]);
      return {
        groove,
        side: figure(`${groove}Side`, sizes.side, leaf, (i) => sideState(i, set.side, strictness)),
        land: figure(`${groove}Land`, sizes.land, exact, landState),
      };
    }),
  };
}
