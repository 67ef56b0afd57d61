/**
 * One ring in its cylinder: what its reading says against its target, and how much is still to come off.
 */
import type { Nm } from '../quantity/length';
import { type Saying, fine, say } from '../quantity/saying';
import type { Target } from '../targets/target';
import { conformity } from '../uncertainty/uncertainty';

export const RINGS = ['top', 'second', 'upperRail', 'lowerRail'] as const;
export type Ring = (typeof RINGS)[number];

/** The rings that are filed and swapped. */
export const COMPRESSION = ['top', 'second'] as const;
export type Compression = (typeof COMPRESSION)[number];

/** Whether what is read is the gap of a ring. */
export const isRing = (subject: string): subject is Ring => RINGS.some((ring) => ring === subject);

/** Whether a ring is one of the two that are filed and swapped. */
export const isCompression = (ring: Ring): ring is Compression => ring === 'top' || ring === 'second';

export const RING_WORDS: Record<Ring, string> = {
  top: 'top ring',
  second: 'second ring',
  upperRail: 'upper rail',
  lowerRail: 'lower rail',
};

/** What a ring was squared in its bore with. */
export const SQUARINGS = ['tool', 'flatPiston', 'domedPiston', 'hand'] as const;
export type Squaring = (typeof SQUARINGS)[number];

export const SQUARING_WORDS: Record<Squaring, string> = {
  tool: 'squaring tool',
  flatPiston: 'flat-top piston',
  domedPiston: 'domed piston',
  hand: 'by hand and eye',
};

/** The state words of a gap. `no target` when there is a reading and nothing to hold it against. */
export type GapState = 'to do' | 'short' | 'in window' | 'loose' | 'over' | 'not proven' | 'no target';

/** A feeler reading: the largest leaf that passed, a bracket whose upper leaf did not, or a leaf that passed with no larger one tried. */
export interface GapReading {
  value: Nm;
  upTo: Nm | null;
  /** No larger leaf was tried: the gap may be any amount wider. */
  open: boolean;
}

/**
 * The narrowest the gap can not be any more: a bracket's upper leaf, else the next leaf of the set. A figure that is no
 * leaf of the set was built up or measured otherwise, and stands for itself.
 *
 * @param step from one leaf of the set to the next
 */
export function nextLeaf({ value, upTo, open }: GapReading, step: Nm): Nm {
  if (open) return Infinity;
  return upTo ?? (step > 0 && value % step === 0 ? value + step : value);
}

/** What a gap is taken to be: the middle of what its leaves leave open, nm not rounded. */
export const likelyGap = (reading: GapReading, step: Nm): number =>
  reading.open ? reading.value : (reading.value + nextLeaf(reading, step)) / 2;

/**
 * State of a gap. The leaf that passes proves the gap is at least that wide; the next one proves it is narrower. Too
 * small can cost the engine, too large costs little: so leaves that straddle the minimum are not proven, and a bracket
 * that straddles the upper limit too, while the end of the aim window is only advice and is judged by the leaf that passes.
 *
 * @example gapState({ value: fromThou(14), upTo: null, open: false }, cylinder.targets.top) // 'short'
 */
export function gapState(reading: GapReading | null, target: Target, step: Nm = 0): GapState {
  if (!reading) return 'to do';
  if (!target.set) return 'no target';
  const { min, aimTo, limit } = target.inForce;
  const next = nextLeaf(reading, step);
  if (reading.value < min) return next > min ? 'not proven' : 'short';
  const side = conformity(reading.value, reading.upTo === null && !reading.open ? reading.value : next - 1, min, limit);
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
export function toComeOff(reading: GapReading | null, target: Target, state: GapState): ToComeOff | null {
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
  return rings.reduce((worst, ring) =>
    WORST_FIRST.indexOf(ring.state) < WORST_FIRST.indexOf(worst.state) ? ring : worst,
  );
}

/** Whether a gap may go in: in its window, or loose, which costs a little and risks nothing. */
export const gapIsDone = (state: GapState): boolean => state === 'in window' || state === 'loose';

/** How much is still to come off, as a sentence; empty when nothing is. */
export function offWords(off: ToComeOff | null): Saying {
  if (!off) return [];
  return off.toMinimum < off.toMiddle
    ? say`${fine(off.toMinimum)} to ${fine(off.toMiddle)} still to come off. `
    : say`${fine(off.toMinimum)} or more still to come off. `;
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
      return 'Another cylinder, another ring, or accept it with a reason.';
    case 'not proven':
      return 'The leaves lie across a limit. Read it with one in between.';
    case 'no target':
      return 'Recorded, but nothing says yet what it must be.';
    case 'to do':
      return 'Square it in its own bore and read the gap.';
  }
}
