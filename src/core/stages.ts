/**
 * The stages, in working order: the one place where a stage is registered. Everything else goes over this list: what
 * can be read and chosen, the judge, progress, deck, reading line, sheet and table. docs/adding-a-stage.md has the
 * recipe.
 */
import { assembly } from './assembly/stage';
import { bores } from './bores/stage';
import { clocking } from './clocking/stage';
import { job } from './job/stage';
import type { Job } from './job/job';
import { journals } from './journals/stage';
import { pistons } from './pistons/stage';
import { rings } from './rings/stage';
import { sheet } from './sheet/stage';
import type { Judged, Stage, SubjectFacts } from './stage/stage';
import type { Task } from './stage/tasks';
import { targets } from './targets/stage';

export const STAGES = { job, targets, bores, pistons, journals, rings, clocking, assembly, sheet };

export type StageId = keyof typeof STAGES;
export const STAGE_IDS = Object.keys(STAGES) as StageId[];

type Each = (typeof STAGES)[StageId];
type Together<Union> = (Union extends unknown ? (one: Union) => void : never) extends (all: infer All) => void
  ? All
  : never;
type Entries<Union> = Union extends unknown ? keyof Union : never;

/** What can be read, on any stage. */
export type Subject = Entries<Each['subjects']>;
type Lists = Together<ReturnType<Each['lists']>>;
/** Lists of things to read. */
export type ListId = keyof Lists;
/** What stands on a list. */
export type SubjectOn<L extends ListId> = Lists[L] extends readonly Task<infer S>[] ? S : never;

type ChoicesOf<S> = S extends { choices: infer C }
  ? { [K in keyof C]: C[K] extends (...given: never[]) => infer Value ? Value : never }
  : never;
/** What was chosen, by kind of entry: as chosen, else as it starts. */
export type Choices = Together<ChoicesOf<Each>>;
export type ChoiceKind = keyof Choices;

type PartOf<S> = S extends { judge: (...given: never[]) => Judged<infer Part, object> } ? Part : never;
/** What all stages found of a cylinder. */
export type Parts = Together<PartOf<Each>>;

type MadeOf<S> = S extends { judge: (...given: never[]) => Judged<object, infer Made> } ? Made : never;
/** What all stages found of the engine. */
export type Made = Together<MadeOf<Each>>;

/** A stage as the judge sees it: what it reads was found before it, which its own type says. */
export type AnyStage = Stage<never, never>;

/** A stage by its id, as those see it who go over all stages alike. */
export const stageOf = (id: StageId): AnyStage => STAGES[id];

/**
 * Whether a job asks for what is done on a stage.
 *
 * @example covers(null, 'rings') // true
 */
export const covers = (job: Pick<Job, 'elsewhere' | 'also'> | null, id: StageId): boolean =>
  stageOf(id).optional ? (job?.also.includes(id) ?? false) : !job?.elsewhere.includes(id);

/**
 * Loads what works out the optional stages that a record has something of: those its job covers, and those that
 * something was read on. Null where all of it is there.
 */
export function loadFor(job: Job | null, read: (subject: string) => boolean): Promise<unknown> | null {
  const loads = STAGE_IDS.flatMap((id) => {
    const stage = stageOf(id);
    const isNeeded = stage.optional && (covers(job, id) || Object.keys(stage.subjects).some(read));
    return (isNeeded ? stage.load() : null) ?? [];
  });
  return loads.length === 0 ? null : Promise.all(loads);
}

const all = STAGE_IDS.map(stageOf);

/** The one table of what can be read. */
export const SUBJECTS = Object.assign({}, ...all.map((stage) => stage.subjects)) as Record<Subject, SubjectFacts>;
export const SUBJECT_IDS = Object.keys(SUBJECTS) as Subject[];

/**
 * Facts of what a record says was read; null for what this program does not know.
 *
 * @example factsOf('top')?.field // 'gap'
 */
export const factsOf = (subject: string): SubjectFacts | null =>
  (SUBJECTS as Partial<Record<string, SubjectFacts>>)[subject] ?? null;

/** What can be machined or replaced. */
export const PARTS = [...new Set(SUBJECT_IDS.flatMap((subject) => SUBJECTS[subject].part ?? []))];

/** What holds of each choice until someone chooses. */
export const STARTING = Object.assign({}, ...all.map((stage) => stage.choices)) as {
  [K in ChoiceKind]: (units: 'imperial' | 'metric') => Choices[K];
};
export const CHOICE_KINDS = Object.keys(STARTING) as ChoiceKind[];

/** The list that a subject is on. */
export const listOf = (subject: Subject): ListId => SUBJECTS[subject].list as ListId;

/** The stage that a subject is read on. */
export const STAGE_OF = Object.fromEntries(
  STAGE_IDS.flatMap((id) => Object.keys(STAGES[id].subjects).map((subject) => [subject, id])),
) as Record<Subject, StageId>;

/** The order stages are judged in: working order, but bores first, since targets follow the measured bores. */
export const JUDGING_ORDER: readonly StageId[] = ['bores', ...STAGE_IDS.filter((id) => id !== 'bores')];
