/** What job card and targets have to say, without the words of all other stages: what stands beside them. */
import { findings as ofJob } from '../job/findings';
import { type Finding, worstFirst } from '../stage/finding';
import { findings as ofTargets } from '../targets/findings';
import type { Judgement } from './judgement';

/**
 * Of the findings of a record those that are mended on job card and targets, worst first.
 *
 * @example cardFindings(judgement).every((f) => f.stage === 'job' || f.stage === 'targets') // true
 */
export const cardFindings = (judgement: Judgement): Finding[] =>
  worstFirst([...ofJob(judgement), ...ofTargets(judgement, judgement.cylinders)]);
