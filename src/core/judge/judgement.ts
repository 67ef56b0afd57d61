/** What judge() gives: everything that follows from a record. */
import type { Route } from '../rings/choices';
import type { Cylinder } from '../engine/engine';
import { type LoggedReading, isReading, type Renewal } from '../record/reading';
import { type Log, historyOf } from '../record/log';
import type { Frame, Missing, Progress, Stage } from '../stage/stage';
import type { Task } from '../stage/tasks';
import {
  type Choices,
  type ListId,
  type Made,
  type Parts,
  type StageId,
  type Subject,
  type SubjectOn,
  STAGES,
  SUBJECTS,
} from '../stages';

/** What a cylinder lacks, and on which stage that is cured. */
export interface Lacking extends Missing {
  stage: StageId;
}

export interface JudgedCylinder extends Cylinder, Parts {
  /** Whether its piston is ready to go in: nothing is missing on any stage that this job covers. */
  ready: { is: boolean; missing: readonly Lacking[] };
  /** The entries that say its bore was machined, or that the piston or the rings of its number were replaced, last first. */
  renewals: readonly Renewal[];
}

export interface StageProgress extends Progress {
  stage: StageId;
}

export interface Judgement extends Frame<Choices>, Made {
  /** In the order of the engine's own numbering. */
  cylinders: JudgedCylinder[];
  stages: StageProgress[];
  progress: Progress;
  tasks: { [L in ListId]: Task<SubjectOn<L>>[] };
  /** The order that rings are taken in. */
  ringRoute: Route;
}

/** A stage as those ask it who have the judgement, of which it reads its part. */
export type AskedStage = Stage<never, never, object, object, Judgement, JudgedCylinder>;

/**
 * A stage by its id, to be asked of what was judged.
 *
 * @example asked('rings').caption(cylinder).state // 'short'
 */
export const asked = (id: StageId): AskedStage => STAGES[id];

/**
 * The number that a subject of a cylinder is filed under: its own, or that of the piston or the ring in it.
 *
 * @example numberAt(cylinder, 'bore') // 'L1'
 */
export function numberAt(cylinder: JudgedCylinder, subject: Subject): string {
  const { number } = SUBJECTS[subject];
  if (number === 'piston') return cylinder.piston.id;
  const ring = number === 'ring' ? Object.values(cylinder.rings).find((r) => r.ring === subject) : undefined;
  return ring?.number ?? cylinder.id;
}

/** Every reading of a subject of a cylinder, voided ones too; of a ring without its cuts. */
export const readingsAt = (log: Log, cylinder: JudgedCylinder, subject: Subject): LoggedReading[] =>
  historyOf(log, numberAt(cylinder, subject), subject).filter(isReading);
