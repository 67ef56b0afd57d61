/**
 * What there is to do: tasks in the order of the chosen route, and how far each stage is.
 */
import { type BoreChoices, type Spot, sameSpot } from '../bore/grid';
import { boreIsDone } from '../bore/verdict';
import { clearanceIsDone } from '../piston/clearance';
import type { PistonChoices } from '../piston/piston';
import type { Ring } from '../ring/ring';
import { type RingSet, landIsDone, sideIsDone } from '../ring/set';
import type { EngineTargets, JudgedCylinder, JudgedDuty } from './judge';
import { GROOVE_SUBJECTS, type Job, type Route, type Subject, grooveOf } from './record';

/** One thing that can be read. */
export interface At {
  cylinder: string;
  subject: Subject;
  /** Of a bore, where in it; else null. */
  spot: Spot | null;
}

/** One thing to read, and whether it needs reading still. */
export interface Task extends At {
  done: boolean;
}

/** Whether two are the same thing to read. */
export const sameAt = (a: At, b: At): boolean =>
  a.cylinder === b.cylinder &&
  a.subject === b.subject &&
  (a.spot === null || b.spot === null ? a.spot === b.spot : sameSpot(a.spot, b.spot));

export const STAGES = ['job', 'targets', 'bores', 'pistons', 'rings', 'clocking', 'assembly', 'sheet'] as const;
export type Stage = (typeof STAGES)[number];

export interface StageProgress {
  stage: Stage;
  done: number;
  /** Zero for the sheet, which has nothing to be done. */
  total: number;
}

/** Whether only a size without its place is known of a bore: nobody is sent to read it again. */
const isSizeAlone = (c: JudgedCylinder): boolean => c.bore.size !== null && c.bore.shape === null;

/** The spots of every bore in the order of the grid and of the route. A spot is done once it is read as often as asked. */
export function boreTasks(cylinders: JudgedCylinder[], { route, depths, ridge }: BoreChoices): Task[] {
  const tasks = (c: JudgedCylinder): Task[] =>
    c.bore.spots.slice(0, c.bore.total).map(({ depth, angle, done }) => ({
      cylinder: c.id,
      subject: 'bore',
      spot: { depth, angle },
      done: done || isSizeAlone(c),
    }));
  const all = cylinders.flatMap(tasks);
  if (route === 'byCylinder') return all;
  return [...(ridge ? (['above'] as const) : []), ...depths].flatMap((depth) =>
    all.filter((task) => task.spot?.depth === depth),
  );
}

/** The pistons by cylinder, with pin and pin bore where they are on the route. */
export function pistonTasks(cylinders: JudgedCylinder[], { readings, pins }: PistonChoices): Task[] {
  const task = (c: JudgedCylinder, subject: Subject, done: boolean): Task => ({
    cylinder: c.id,
    subject,
    spot: null,
    done,
  });
  return cylinders.flatMap((c) => [
    task(c, 'piston', c.piston.read >= readings),
    ...(pins ? [task(c, 'pin', c.piston.pin.pin !== null), task(c, 'pinBore', c.piston.pin.bore !== null)] : []),
  ]);
}

/** The rings in the order of the route: where it is free, as by cylinder. A ring is done when it may go in. */
export function ringTasks(cylinders: JudgedCylinder[], route: Route, rings: Ring[]): Task[] {
  const task = (c: JudgedCylinder, ring: Ring): Task => ({
    cylinder: c.id,
    subject: ring,
    spot: null,
    done: c.rings[ring].done,
  });
  if (route === 'byRing') return rings.flatMap((ring) => cylinders.map((c) => task(c, ring)));
  const banks = [...new Set(cylinders.map((c) => c.bank))];
  const inOrder = route === 'byBank' ? banks.flatMap((bank) => cylinders.filter((c) => c.bank === bank)) : cylinders;
  return inOrder.flatMap((c) => rings.map((ring) => task(c, ring)));
}

/** The grooves of each piston, or of the first one for all. Those that follow from the sizes of the set are done. */
export function grooveTasks(cylinders: JudgedCylinder[], { grooves }: RingSet): Task[] {
  const checked = grooves === 'sample' ? cylinders.slice(0, 1) : cylinders;
  return checked.flatMap((c) =>
    GROOVE_SUBJECTS.map((subject): Task => {
      const { groove, figure } = grooveOf(subject);
      const found = c.grooves.grooves.find((g) => g.groove === groove);
      return {
        cylinder: c.id,
        subject,
        spot: null,
        done: found !== undefined && (figure === 'side' ? sideIsDone(found.side.state) : landIsDone(found.land.state)),
      };
    }),
  );
}

/**
 * The first task after the given one that is not done, coming round to the start; null when all are.
 * The given one itself comes last, so that a short ring does not hold up the route when it is left.
 */
export function nextTask(tasks: Task[], after: At | null): Task | null {
  const at = after ? tasks.findIndex((t) => sameAt(t, after)) : -1;
  const round = [...tasks.slice(at + 1), ...tasks.slice(0, at + 1)];
  return round.find((t) => !t.done) ?? null;
}

/** The task a number of steps along the route, done or not, stopping at the ends. */
export function stepTask(tasks: Task[], from: At, steps: number): Task | null {
  const at = tasks.findIndex((t) => sameAt(t, from));
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
  const answers = job
    ? [job.name !== '', job.plannedBore !== null, duty.row !== null, job.construction !== null]
    : [false, false, false, false];
  const figures = [planned?.top, planned?.second, planned?.rails, planned?.clearance].map((t) => t?.set === true);
  const count = (flags: boolean[]): { done: number; total: number } => ({
    done: flags.filter(Boolean).length,
    total: flags.length,
  });
  return [
    { stage: 'job', ...count(answers) },
    { stage: 'targets', ...count(figures) },
    { stage: 'bores', ...count(cylinders.map((c) => boreIsDone(c.bore.verdict.state) || isSizeAlone(c))) },
    { stage: 'pistons', ...count(cylinders.map((c) => clearanceIsDone(c.clearance.state))) },
    { stage: 'rings', ...count(cylinders.flatMap((c) => route.map((ring) => c.rings[ring].done))) },
    { stage: 'clocking', ...count(cylinders.map((c) => c.clocking.settled)) },
    { stage: 'assembly', ...count(cylinders.map((c) => c.block.done === c.block.checks.length)) },
    { stage: 'sheet', done: 0, total: 0 },
  ];
}
