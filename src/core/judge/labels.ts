/** What is read, and where, in a few words. */
import { type Spot, shortDepth, shortDirection } from '../foundation/parts/spots';
import { type JudgedPlace, isCylinder } from './judgement';
import type { At } from '../stages/contract/tasks';
import type { Subject } from './registry';
import { SUBJECTS } from './stageTables';

/** Where on a bearing: `journal, front, in line` with its throw, or `upper shell`. */
const onBearing = (subject: Subject, { depth, angle }: Spot): string =>
  subject === 'journal'
    ? `journal, ${depth}, ${angle === 0 ? 'in line' : 'square'}`
    : `${depth} ${SUBJECTS[subject].words}`;

/**
 * What something is read on: `Cylinder 1`, `Main 2`, `Rod 3`.
 *
 * @example placeLabel(cylinder, 'housing') // 'Rod 1'
 */
export function placeLabel(place: JudgedPlace | undefined, subject: Subject): string {
  const { number } = SUBJECTS[subject];
  const label = place?.label ?? '?';
  if (place && !isCylinder(place)) return place.words;
  return number === 'bearing' || number === 'rod' ? `Rod ${label}` : `Cylinder ${label}`;
}

/**
 * A thing to read with what it is read on.
 *
 * @example taskLabel(cylinder, { cylinder: 'L1', subject: 'second', spot: null }) // 'Cylinder 1, second ring'
 * @example
 *   taskLabel(cylinder, { cylinder: 'L1', subject: 'bore', spot: { depth: 'top', angle: 90 } })
 *   // 'Cylinder 1, top, square'
 */
export function taskLabel(place: JudgedPlace | undefined, { subject, spot }: At<Subject>): string {
  const { spots, words } = SUBJECTS[subject];
  const on = placeLabel(place, subject);
  // a clearance that the builder named says itself what is read
  if (subject === 'other') return on;
  if (spots && spot)
    return `${on}, ${spots === 'bearing' ? onBearing(subject, spot) : `${shortDepth(spot.depth)}, ${shortDirection(spot.angle)}`}`;
  const other =
    subject === 'piston' && place && isCylinder(place) && place.piston.id !== place.id ? ` ${place.piston.label}` : '';
  return `${on}, ${words}${other}`;
}
