/** What is read, and where, in a few words. */
import { shortDepth, shortDirection } from '../bores/grid';
import type { At } from '../stage/tasks';
import { type Subject, SUBJECTS } from '../stages';
import type { JudgedCylinder } from './judgement';

/**
 * A thing to read with its cylinder.
 *
 * @example taskWords(cylinder, { cylinder: 'L1', subject: 'second', spot: null }) // 'Cylinder 1, second ring'
 * @example taskWords(cylinder, { cylinder: 'L1', subject: 'bore', spot: { depth: 'top', angle: 90 } }) // 'Cylinder 1, top, square'
 */
export function taskWords(cylinder: JudgedCylinder | undefined, { subject, spot }: At<Subject>): string {
  const label = cylinder?.label ?? '?';
  if (spot) return `Cylinder ${label}, ${shortDepth(spot.depth)}, ${shortDirection(spot.angle)}`;
  const other =
    subject === 'piston' && cylinder && cylinder.piston.id !== cylinder.id ? ` ${cylinder.piston.label}` : '';
  return `Cylinder ${label}, ${SUBJECTS[subject].words}${other}`;
}
