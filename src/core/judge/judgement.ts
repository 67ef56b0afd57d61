/** What judge() gives: everything that follows from a record. */
import type { Route } from '../stages/rings/choices';
import type { Cylinder } from '../foundation/engine/engine';
import type { JudgedBearing } from '../stages/journals/types';
import type { Expected } from '../foundation/quantity/readingField';
import type { Units } from '../foundation/quantity/length';
import { type LoggedReading, type Renewal, isReading } from '../record/reading';
import { type Log, historyOf } from '../record/log';
import type { Finding } from '../stages/contract/finding';
import type { EngineContext, Missing, Outcome, Place, Progress, Stage } from '../stages/contract/stage';
import type { Task } from '../stages/contract/tasks';
import {
  type Choices,
  type ListId,
  type EngineResult,
  type CylinderResult,
  type StageId,
  type Subject,
  type SubjectOn,
  STAGES,
} from './registry';
import { STAGE_OF, SUBJECTS } from './stageTables';

/** What stands against a cylinder, and on which stage that is cured. */
export interface Lacking extends Missing {
  stage: StageId;
  /** Whether it stands against every cylinder: it is of the engine as a whole. */
  isOfEngine: boolean;
}

export interface JudgedCylinder extends Cylinder, CylinderResult {
  /**
   * Whether its piston is ready to go in: nothing is missing on a stage that this job covers, no stop stands on it or on
   * the engine's own parts, no fix on it is unanswered, and no reminder is left, whatever the job covers.
   */
  ready: { is: boolean; missing: readonly Lacking[] };
  /** The entries that say its bore was machined, or that the piston or the rings of its number were replaced, last first. */
  renewals: readonly Renewal[];
}

export interface StageProgress extends Progress {
  stage: StageId;
}

export interface Judgement extends EngineContext<Choices>, EngineResult {
  /** In the order of the engine's own numbering. */
  cylinders: JudgedCylinder[];
  /** What else of the engine is read. */
  places: readonly Place[];
  stages: StageProgress[];
  progress: Progress;
  /** What should be known of the record, of all stages and of the tools, worst first. */
  findings: readonly Finding<StageId>[];
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

/** What something is read on: a cylinder, or something else of the engine. */
export type JudgedPlace = JudgedCylinder | Place;

/** Whether a place is a cylinder. */
export const isCylinder = (place: JudgedPlace): place is JudgedCylinder => 'bank' in place;

/** What has this id; undefined where the engine has none such. */
export const placeAt = ({ cylinders, places }: Judgement, id: string): JudgedPlace | undefined =>
  cylinders.find((c) => c.id === id) ?? places.find((p) => p.id === id);

/** The bearing at a place: a main, or the rod of a cylinder; undefined for the crank. */
export const journalAt = ({ mains }: Judgement, place: JudgedPlace): JudgedBearing | undefined =>
  isCylinder(place) ? place.rod : mains.find((m) => m.id === place.id);

/** The size that an entry is held against for slips. */
export function expectedAt(judgement: Judgement, place: JudgedPlace, subject: Subject, units: Units): Expected | null {
  const stage = asked(STAGE_OF[subject]);
  return isCylinder(place)
    ? stage.expected(judgement, place, subject, units)
    : stage.expectedAt(judgement, place, subject, units);
}

/** What a subject of a place comes to. */
export function outcomeAt(judgement: Judgement, place: JudgedPlace, subject: Subject): Outcome {
  const stage = asked(STAGE_OF[subject]);
  return isCylinder(place) ? stage.outcome(judgement, place, subject) : stage.outcomeAt(judgement, place, subject);
}

/**
 * The number that a subject of a place is filed under: its own, or that of the piston or the ring in it.
 *
 * @example numberAt(cylinder, 'bore') // 'L1'
 */
export function numberAt(place: JudgedPlace, subject: Subject): string {
  if (!isCylinder(place)) return place.id;
  const cylinder = place;
  const { number } = SUBJECTS[subject];
  if (number === 'piston') return cylinder.piston.id;
  const ring = number === 'ring' ? Object.values(cylinder.rings).find((r) => r.ring === subject) : undefined;
  return ring?.number ?? cylinder.id;
}

/** Every reading of a subject of a place, voided ones too; of a ring without its cuts. */
export const readingsAt = (log: Log, place: JudgedPlace, subject: Subject): LoggedReading[] =>
  historyOf(log, numberAt(place, subject), subject).filter(isReading);
