/** What can be read of the bottom end, and what is worked out of it: as the stage and its working both know it. */
import type { Stage } from '../stage/stage';
import type { Task } from '../stage/tasks';
import type { All, Engine, JournalsMade, JournalsPart, Pistoned, Whole } from './found';

/** What can be read of the bottom end. */
export const JOURNAL_SUBJECTS = [
  'journal',
  'housing',
  'bare',
  'shell',
  'thread',
  'endPlay',
  'side',
  'smallEnd',
  'other',
] as const;
export type JournalSubject = (typeof JOURNAL_SUBJECTS)[number];

type OfTheStage = Stage<Engine, Pistoned, JournalsPart, JournalsMade, All, Whole>;

/** What is worked out of the stage. */
export type Working = Pick<
  OfTheStage,
  'judge' | 'progress' | 'missing' | 'caption' | 'expected' | 'outcome' | 'places' | 'expectedAt' | 'outcomeAt'
> & {
  lists: (
    engine: All,
    cylinders: readonly Whole[],
  ) => { journals: Task<JournalSubject>[]; play: Task<JournalSubject>[] };
};
