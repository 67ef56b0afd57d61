/** The findings of one stage, without the words of all others: what stands beside a bench. */
import { type Finding, worstFirst } from '../stage/finding';
import type { StageId } from '../stages';
import type { JudgedCylinder, Judgement } from './judgement';
import { toolFindings } from './toolFindings';

/** What a stage has to say of a record. */
export type StageFindings = (judgement: Judgement, cylinders: readonly JudgedCylinder[]) => Finding[];

/**
 * What a stage and its tools have to say, worst first: of the findings of a record those that are mended there.
 *
 * @param findings the stage's own
 * @example findingsOn(judgement, 'rings', () => []) // []
 */
export function findingsOn(judgement: Judgement, stage: StageId, findings: StageFindings): Finding[] {
  const { cylinders, log } = judgement;
  return worstFirst([...findings(judgement, cylinders), ...toolFindings(log, cylinders)]).filter(
    (found) => found.stage === stage,
  );
}
