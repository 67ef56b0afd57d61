/**
 * What there is to do: tasks in the order of the chosen route, and how far each stage is.
 */
import { clearanceIsDone } from '../piston/clearance';
import { type Ring, gapIsDone } from '../ring/ring';
import type { EngineTargets, JudgedCylinder, JudgedDuty } from './judge';
import type { Job, Route, Subject } from './record';

/** One thing to read, and whether it needs reading still. */
export interface Task {
  cylinder: string;
  subject: Subject;
  done: boolean;
}

export const STAGES = ['job', 'targets', 'pistons', 'rings', 'clocking', 'sheet'] as const;
export type Stage = (typeof STAGES)[number];

export interface StageProgress {
  stage: Stage;
  done: number;
  /** Zero for the sheet, which has nothing to be done. */
  total: number;
}

/** Bore and piston of each cylinder in turn. A size is done once it is read. */
export const sizeTasks = (cylinders: JudgedCylinder[]): Task[] =>
  cylinders.flatMap((c) =>
    (['bore', 'piston'] as const).map((subject) => ({ cylinder: c.id, subject, done: c[subject].reading !== null })),
  );

/** The rings in the order of the route. A ring is done when it may go in. */
export function ringTasks(cylinders: JudgedCylinder[], route: Route, rings: Ring[]): Task[] {
  const task = (c: JudgedCylinder, ring: Ring): Task => ({ cylinder: c.id, subject: ring, done: gapIsDone(c.rings[ring].state) });
  return route === 'byCylinder'
    ? cylinders.flatMap((c) => rings.map((ring) => task(c, ring)))
    : rings.flatMap((ring) => cylinders.map((c) => task(c, ring)));
}

/**
 * The first task after the given one that is not done, coming round to the start; null when all are.
 * The given one itself comes last, so that a short ring does not hold up the route when it is left.
 */
export function nextTask(tasks: Task[], after: { cylinder: string; subject: Subject } | null): Task | null {
  const at = after ? tasks.findIndex((t) => t.cylinder === after.cylinder && t.subject === after.subject) : -1;
  const round = [...tasks.slice(at + 1), ...tasks.slice(0, at + 1)];
  return round.find((t) => !t.done) ?? null;
}

/** The task a number of steps along the route, done or not, stopping at the ends. */
export function stepTask(tasks: Task[], from: { cylinder: string; subject: Subject }, steps: number): Task | null {
  const at = tasks.findIndex((t) => t.cylinder === from.cylinder && t.subject === from.subject);
  if (at < 0) return tasks[0] ?? null;
  return tasks[Math.min(tasks.length - 1, Math.max(0, at + steps))] ?? null;
}

interface ProgressInput {
  job: Job | null;
  duty: JudgedDuty;
  planned: EngineTargets | null;
  cylinders: JudgedCylinder[];
  route: Ring[];
}

/** How far each stage is. Job counts its four answers; Targets the four figures that can be worked out. */
export function progressOf({ job, duty, planned, cylinders, route }: ProgressInput): StageProgress[] {
  const answers = job ? [job.name !== '', job.plannedBore !== null, duty.row !== null, job.construction !== null] : [false, false, false, false];
  const figures = [planned?.top, planned?.second, planned?.rails, planned?.clearance].map((t) => t?.set === true);
  const count = (flags: boolean[]): { done: number; total: number } => ({ done: flags.filter(Boolean).length, total: flags.length });
  return [
    { stage: 'job', ...count(answers) },
    { stage: 'targets', ...count(figures) },
    { stage: 'pistons', ...count(cylinders.map((c) => clearanceIsDone(c.clearance.state))) },
    { stage: 'rings', ...count(cylinders.flatMap((c) => route.map((ring) => gapIsDone(c.rings[ring].state)))) },
    { stage: 'clocking', ...count(cylinders.map((c) => c.clocking?.set != null)) },
    { stage: 'sheet', done: 0, total: 0 },
  ];
}
