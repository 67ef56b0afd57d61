/**
 * One ring in its cylinder: what its reading says against its target, and how much is still to come off.
 */
import type { Nm } from '../../foundation/quantity/length';
import { type Message, fine, say } from '../../foundation/quantity/message';
import type { Target } from '../../models/targets/target';
import type { Side } from '../../foundation/verdict/decide';

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

/** The state of a gap by the side of its limits that it is on. */
export const GAP_STATES: Record<Side, GapState> = {
  under: 'short',
  'not proven': 'not proven',
  inside: 'in window',
  'past the aim': 'loose',
  over: 'over',
};

/** Metal to come off a short ring, in gap. Filing only goes one way, so the most counts from the wider end. */
export interface ToComeOff {
  /** To reach where the aim begins. */
  toAim: Nm;
  /** To reach the middle of the aim. */
  toMiddle: Nm;
  /** The most that may go without leaving the aim. */
  most: Nm;
}

/**
 * How much has to come off a short gap, or null when nothing has to, or it is not known whether it does. Where only
 * a minimum is asked, the middle and
 * the most are that minimum.
 *
 * @param value the figure that counts, nm
 * @param high the widest that it may be
 */
export function toComeOff(value: Nm, high: number, target: Target, state: GapState): ToComeOff | null {
  if (!target.set || state !== 'short') return null;
  const { aimFrom, aimTo } = target.inForce;
  if (value >= aimFrom) return null;
  const end = aimTo ?? aimFrom;
  const widest = high === Infinity ? value : Math.round(high);
  return {
    toAim: aimFrom - value,
    toMiddle: Math.round((aimFrom + end) / 2) - value,
    most: Math.max(end - widest, aimFrom - value),
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
export function offWords(off: ToComeOff | null): Message {
  if (!off) return [];
  return off.toAim < off.toMiddle
    ? say`${fine(off.toAim)} to ${fine(off.toMiddle)} still to come off. `
    : say`${fine(off.toAim)} or more still to come off. `;
}
