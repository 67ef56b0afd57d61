/** How a crown is met: turned the way the fitter stands to it. Degrees stay those of the engine. */
import { turned } from '../../foundation/quantity/angle';
import type { Stand } from './stand';
import { type Surroundings, lowSide } from './surroundings';

export const VIEWS = ['bench', 'front', 'stand', 'flywheel'] as const;
export type View = (typeof VIEWS)[number];

export const VIEW_WORDS: Record<View, string> = {
  bench: 'Bench',
  front: 'Front',
  stand: 'Stand',
  flywheel: 'Flywheel',
};

/** The same within a sentence, after `seen`. */
export const VIEW_SEEN: Record<View, string> = {
  bench: 'on the bench',
  front: 'from the front',
  stand: 'in the stand',
  flywheel: 'from the flywheel',
};

/**
 * Degrees a picture of the crown is turned clockwise: the front is at its top where that is 0.
 *
 * @example turnOf('fitted', cylinder.clocking.round, { roll: 0, side: 'front' }, 0) // 270
 */
export function turnOf(view: View, round: Pick<Surroundings, 'tilt'>, { roll, side }: Stand, lean: number): number {
  if (view === 'bench' || view === 'flywheel') return 0;
  if (view === 'front') return 180;
  const low = lowSide(round.tilt - lean + roll) ?? (side === 'right' ? 90 : 270);
  return turned(180 - low);
}

/** What the picture shows, in words. */
export function viewWords(view: View, round: Pick<Surroundings, 'tilt'>, stand: Stand, lean: number): string {
  if (view === 'bench') return 'crown up on the bench, front away from you';
  if (view === 'flywheel') return 'standing at the flywheel, front away from you: the same way up as on the bench';
  if (view === 'front')
    return 'standing at the front of the engine, looking back: front towards you; left and right stay the engine’s own';
  const low = lowSide(round.tilt - lean + stand.roll);
  return low === null
    ? `in the stand, bore upright, you on the ${stand.side} of it`
    : `in the stand, the bore leaning to the ${low === 90 ? 'right' : 'left'}: its high side at the top`;
}
