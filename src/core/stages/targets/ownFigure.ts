/** The builder's own figures, where a sheet, a manual or a chart asks for more than they do. */
import { type Acceptable, type Accepted, type Answer, UNANSWERED, answerOf } from '../../record/reading';
import type { FigureAtLimit } from '../../foundation/verdict/figureAtLimit';
import type { EngineTargets } from './settings';
import type { Candidate, Target } from '../../models/targets/target';

/** What the acceptance of each own figure is kept under. */
export const OWN_ACCEPTED = {
  top: 'ownTop',
  second: 'ownSecond',
  rails: 'ownRails',
  clearance: 'ownClearance',
} as const satisfies Record<keyof EngineTargets, Acceptable>;

/** An own figure that is outside what ranks above it. */
export interface OwnFigure extends Answer {
  own: Candidate;
  /** The highest that it is outside of. */
  over: Candidate;
  isUsed: boolean;
  /** Whether it has to be accepted: it is used, and a sheet or a manual says otherwise. */
  isDeparture: boolean;
  /** Its end that lies outside, and the limit. */
  held: FigureAtLimit;
}

const isPaper = ({ rank }: Candidate): boolean => rank === 'sheet' || rank === 'manual';

/** How an own figure lies outside another: under its minimum, or over a maximum that is as hard. */
function outside(own: Candidate, over: Candidate): FigureAtLimit | null {
  if (own.least < over.least) return { figure: own.least, limit: over.least, side: 'least' };
  if (!over.mostHard || over.most === null || own.most === null || own.most <= over.most) return null;
  return { figure: own.most, limit: over.most, side: 'most' };
}

/**
 * The own figure of a target, where it is outside a figure that ranks above it; null elsewhere.
 *
 * @param choice the entry that the targets were chosen in
 */
export function ownFigure(
  target: Target,
  what: keyof EngineTargets,
  accepted: Accepted,
  choice: string | null,
): OwnFigure | null {
  if (!target.set) return null;
  const all = [target.inForce, ...target.outranked];
  const own = all.find((c) => c.rank === 'own');
  if (!own) return null;
  for (const over of all) {
    const held = over === own ? null : outside(own, over);
    if (!held) continue;
    const isUsed = own === target.inForce;
    const isDeparture = isUsed && isPaper(over);
    const answer = isDeparture
      ? answerOf(accepted, { acceptId: choice, what: OWN_ACCEPTED[what], state: held.side, held })
      : UNANSWERED;
    return { ...answer, own, over, isUsed, held, isDeparture };
  }
  return null;
}
