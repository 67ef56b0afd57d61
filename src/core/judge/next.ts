/** Where the work leads once something was read. */
import { type At, type Task, taskAfter } from '../stage/tasks';
import type { ListId, Subject } from '../stages';
import type { Judgement } from './judgement';

/** The tasks of a list, whatever stands on it. */
export const tasksOf = ({ tasks }: Judgement, list: ListId): readonly Task<Subject>[] => tasks[list];

/**
 * The next open thing on a list; the one just read while it wants more, while nothing else is open, and where rings
 * are taken as they come to hand.
 *
 * @example stepOn(judgement, 'rings', { cylinder: 'L1', subject: 'top', spot: null }).subject // 'second'
 */
export function stepOn(judgement: Judgement, list: ListId, read: At<Subject>): At<Subject> {
  if (list === 'rings' && judgement.ringRoute === 'free') return read;
  return taskAfter(tasksOf(judgement, list), read) ?? read;
}
