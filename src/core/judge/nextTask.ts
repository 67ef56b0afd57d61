/** Where the work leads once something was read. */
import { type At, type Task, taskAfter } from '../stages/contract/tasks';
import type { ListId, StageId, Subject } from './registry';
import { covers } from './stageTables';
import type { Judgement } from './judgement';

/**
 * The stage that the work is at: of those the job covers, the last that is begun and not through; else the first that
 * is open; the last of all where none is.
 *
 * @example stageAtWork(judgement) // 'rings'
 */
export function stageAtWork({ job, stages }: Judgement): StageId {
  const open = stages.filter(({ stage, done, total }) => covers(job, stage) && done < total);
  const at = open.findLast(({ done }) => done > 0) ?? open[0] ?? stages.at(-1);
  return at?.stage ?? 'job';
}

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
