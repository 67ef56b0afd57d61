/** What all stages know together: subjects, lists, choices and parts, looked up by name. All of it follows from the registry. */
import type { Job } from '../record/jobCard';
import type { Stage, SubjectFacts } from '../stages/contract/stage';
import { type ChoiceKind, type Choices, type ListId, type StageId, type Subject, STAGES } from './registry';

export const STAGE_IDS = Object.keys(STAGES) as StageId[];

/** A stage as the judge sees it: what it reads was found before it, which its own type says. */
export type AnyStage = Stage<never, never>;

/** A stage by its id, as those see it who go over all stages alike. */
export const stageOf = (id: StageId): AnyStage => STAGES[id];

/**
 * Whether a job asks for what is done on a stage.
 *
 * @example ['rings', 'journals'].map((stage) => covers(null, stage)) // [ true, false ]
 */
export const covers = (job: Pick<Job, 'elsewhere' | 'also'> | null, id: StageId): boolean =>
  stageOf(id).coverage === 'where added' ? (job?.also.includes(id) ?? false) : !job?.elsewhere.includes(id);

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

/** The lists that are read on each stage, the first one first. */
export const LISTS_OF = Object.fromEntries(
  STAGE_IDS.map((id) => [id, [...new Set(Object.values(stageOf(id).subjects).map(({ list }) => list))]]),
) as Record<StageId, ListId[]>;

/** The order stages are judged in: working order, but bores first, since targets follow the measured bores. */
export const JUDGING_ORDER: readonly StageId[] = ['bores', ...STAGE_IDS.filter((id) => id !== 'bores')];
