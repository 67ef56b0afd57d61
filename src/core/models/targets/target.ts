/**
 * Targets: what a gap or a clearance must be, where the figure comes from, and why.
 *
 * Order of trust, common practice: the sheet packed with the parts, then the engine's service manual,
 * then a chart, then the builder's own figure. What ranks highest is in force unless the builder puts an own
 * figure over it, with a reason; the others stay in sight.
 */
import type { Nm } from '../../foundation/quantity/length';
import type { FigureAtLimit } from '../../foundation/verdict/figureAtLimit';
import { type Message, fine, say } from '../../foundation/quantity/message';

export type Rank = 'sheet' | 'manual' | 'chart' | 'own' | 'rule';

/** How sure a figure is. */
export type Standing =
  | 'from a sheet'
  | 'from a manual'
  | 'confirmed against a sheet'
  | 'from memory, not confirmed'
  | 'not confirmed'
  | 'common practice, no source'
  | 'the builder’s own figure';

/**
 * A standing as it is shown: no source is named a typical figure.
 *
 * @example standingWords('from memory, not confirmed') // 'typical figure, no source'
 */
export const standingWords = (standing: Standing): string =>
  standing === 'from memory, not confirmed' ? 'typical figure, no source' : standing;

/** What a figure must be, and inside that what it should be, nm. */
export interface Limits {
  /** The hard minimum. Of a factor, the product as it is. */
  least: Nm;
  /** Where the aim begins: what a filer is told. Of a factor, the product up to the next step. */
  aimFrom: Nm;
  /** End of the aim; null where only a minimum is asked. */
  aimTo: Nm | null;
  /** The most; null where there is none. */
  most: Nm | null;
  /** Whether the most is as hard as the least. */
  mostHard: boolean;
}

/** One candidate for a target, whether in force or outranked. */
export interface Candidate extends Limits {
  rank: Rank;
  standing: Standing;
  /** Where it comes from, in words. */
  from: string;
  /** Formula with the numbers put in, a line each. */
  working: Message[];
  /** Of a second ring: its own minimum, where the top ring's is more and holds instead. */
  raisedFrom?: Nm;
}

export type Target =
  | { set: true; inForce: Candidate; outranked: Candidate[]; why: Message[] }
  | { set: false; ask: string };

/** The bore a target is worked from. */
export interface TargetBore {
  nm: Nm;
  /** Measured here, as whoever machined it reports, or planned. */
  from: 'measured' | 'reported' | 'planned';
}

/** What an acceptance of a figure is given for: the figure, and the limit that its verdict stands against. */
export function exceededLimit(state: string, figure: Nm, target: Target): FigureAtLimit | null {
  if (!target.set) return null;
  const { least, most } = target.inForce;
  if (state !== 'over') return { figure, limit: least, side: 'least' };
  return most === null ? null : { figure, limit: most, side: 'most' };
}

/** A target moved up by a cylinder's allowance: minimum, aim and most alike. Common practice, no source. */
export function loosened(target: Target, by: Nm, reason: string): Target {
  if (!target.set || by === 0) return target;
  const moved = (c: Candidate): Candidate => ({
    ...c,
    least: c.least + by,
    aimFrom: c.aimFrom + by,
    aimTo: c.aimTo === null ? null : c.aimTo + by,
    most: c.most === null ? null : c.most + by,
    working: [
      ...c.working,
      say`allowance of this cylinder + ${fine(by)}${reason ? ` (${reason})` : ''} → ${fine(c.aimFrom + by)}`,
    ],
  });
  return { ...target, inForce: moved(target.inForce), outranked: target.outranked.map(moved) };
}
