/** What there is to read: tasks in the order of the chosen route. */
import { type Spot, sameSpot } from '../../foundation/parts/spots';

/** One thing that can be read. */
export interface At<S extends string = string> {
  cylinder: string;
  subject: S;
  /** Of a bore, where in it; else null. */
  spot: Spot | null;
}

/** One thing to read, and whether it needs reading still. */
export interface Task<S extends string = string> extends At<S> {
  done: boolean;
}

/** Whether two are the same thing to read. */
export const sameAt = (a: At, b: At): boolean =>
  a.cylinder === b.cylinder &&
  a.subject === b.subject &&
  (a.spot === null || b.spot === null ? a.spot === b.spot : sameSpot(a.spot, b.spot));

/**
 * The first task after the given one that is not done, coming round to the start; null when all are.
 * The given one itself comes last, so that a short ring does not hold up the route when it is left.
 *
 * @example
 *   nextTask([{ cylinder: '1', subject: 'top', spot: null, done: true }, { cylinder: '2', subject: 'top', spot:
 *   null, done: false }], null)?.cylinder // '2'
 */
export function nextTask<S extends string>(tasks: readonly Task<S>[], after: At<S> | null): Task<S> | null {
  const at = after ? tasks.findIndex((t) => sameAt(t, after)) : -1;
  const round = [...tasks.slice(at + 1), ...tasks.slice(0, at + 1)];
  return round.find((t) => !t.done) ?? null;
}

/** The task a number of steps along the route, done or not, stopping at the ends. */
export function stepTask<S extends string>(tasks: readonly Task<S>[], from: At<S>, steps: number): Task<S> | null {
  const at = tasks.findIndex((t) => sameAt(t, from));
  if (at < 0) return tasks[0] ?? null;
  return tasks[Math.min(tasks.length - 1, Math.max(0, at + steps))] ?? null;
}

/** The next open thing once one was read: null while it wants more itself, or when nothing is open. */
export function taskAfter<S extends string>(tasks: readonly Task<S>[], read: At<S>): Task<S> | null {
  const done = tasks.find((t) => sameAt(t, read))?.done ?? true;
  return done ? nextTask(tasks, read) : null;
}
