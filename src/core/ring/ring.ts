/**
 * One ring in its cylinder: what its reading says against its target, and how much is still to come off.
 */
import type { Nm } from '../quantity/length';
import { type Saying, fine, say } from '../quantity/saying';
import type { Target } from '../targets/target';
import { conformity } from '../uncertainty/uncertainty';

export const RINGS = ['top', 'second', 'upperRail', 'lowerRail'] as const;
export type Ring = (typeof RINGS)[number];

export const RING_WORDS: Record<Ring, string> = {
  top: 'top ring',
  second: 'second ring',
  upperRail: 'upper rail',
  lowerRail: 'lower rail',
};

/** The state words of a gap. `no target` when there is a reading and nothing to hold it against. */
export type GapState = 'to do' | 'short' | 'in window' | 'loose' | 'over' | 'not proven' | 'no target';

/** A feeler reading: one leaf, or a bracket whose upper leaf did not pass. */
export interface GapReading {
  value: Nm;
  upTo: Nm | null;
}

/**
 * State of a gap. The leaf that passes proves the gap is at least that wide; the leaf that does not
 * pass proves it is narrower. Too small can cost the engine, too large costs little: so a bracket that
 * straddles the minimum or the upper limit is not proven, while the end of the aim window is only advice
 * and is judged by the leaf that passes.
 */
export function gapState(reading: GapReading | null, target: Target): GapState {
  if (!reading) return 'to do';
  if (!target.set) return 'no target';
  const { min, aimTo, limit } = target.inForce;
  const high = reading.upTo === null ? reading.value : reading.upTo - 1;
  const side = conformity(reading.value, high, min, limit);
  if (side === 'below') return 'short';
  if (side === 'above') return 'over';
  if (side === 'not proven') return side;
  return aimTo !== null && reading.value > aimTo ? 'loose' : 'in window';
}

/** Metal to come off a short ring, in gap. Filing only goes one way, so each figure counts from the wider reading. */
export interface ToComeOff {
  /** To reach the window's lower edge. */
  toMinimum: Nm;
  /** To reach the middle of the window. */
  toMiddle: Nm;
  /** The most that may go without leaving the window. */
  most: Nm;
}

/**
 * How much has to come off, or null when nothing has to. Where only a minimum is asked, the middle and
 * the most are that minimum.
 */
export function toComeOff(reading: GapReading | null, target: Target): ToComeOff | null {
  const state = gapState(reading, target);
  if (!reading || !target.set || (state !== 'short' && state !== 'not proven')) return null;
  const { min, aimTo } = target.inForce;
  if (reading.value >= min) return null;
  const end = aimTo ?? min;
  const widest = reading.upTo ?? reading.value;
  return {
    toMinimum: min - reading.value,
    toMiddle: Math.round((min + end) / 2) - reading.value,
    most: Math.max(end - widest, min - reading.value),
  };
}

const WORST_FIRST: GapState[] = ['short', 'over', 'not proven', 'no target', 'to do', 'loose', 'in window'];

/** Of some rings, the one whose state needs a hand most; the first of them where they are alike. */
export function worstOf<T extends { state: GapState }>(rings: readonly [T, ...T[]]): T {
  return rings.reduce((worst, ring) => (WORST_FIRST.indexOf(ring.state) < WORST_FIRST.indexOf(worst.state) ? ring : worst));
}

/** Whether a ring may go in: in its window, or loose, which costs a little and risks nothing. */
export const gapIsDone = (state: GapState): boolean => state === 'in window' || state === 'loose';

/** How much is still to come off, as a sentence; empty when nothing is. */
export function offWords(off: ToComeOff | null): Saying {
  if (!off) return [];
  return off.toMinimum < off.toMiddle ? say`${fine(off.toMinimum)} to ${fine(off.toMiddle)} still to come off. ` : say`${fine(off.toMinimum)} or more still to come off. `;
}

/** What to do about a ring in a state, in one sentence. */
export function gapAdvice(state: GapState): string {
  switch (state) {
    case 'short':
      return 'File from one end, deburr, square it, read again.';
    case 'in window':
      return 'Stop here.';
    case 'loose':
      return 'A little blow-by, no danger. Leave it.';
    case 'over':
      return 'It may suit another cylinder; read again before giving it up.';
    case 'not proven':
      return 'The bracket lies across a limit. Read it with the leaf in between.';
    case 'no target':
      return 'Recorded, but nothing says yet what it must be.';
    case 'to do':
      return 'Square it in its own bore and read the gap.';
  }
}
