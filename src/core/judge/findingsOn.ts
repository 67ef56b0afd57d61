/** The findings of one stage, without the words of all others: what stands beside a bench. */
import { type Finding, worstFirst } from '../stage/finding';
import type { StageId } from '../stages';
import type { JudgedCylinder, Judgement } from './judgement';
import { toolFindings } from './toolFindings';

/** What a stage has to say of a record. */
export type StageFindings = (judgement: Judgement, cylinders: readonly JudgedCylinder[]) => Finding[];

const found = new WeakMap<Judgement, Map<StageId, Finding[]>>();

/**
 * What a stage and its tools have to say, worst first: of the findings of a record those that are mended there. Of one judgement
 * they are worked out once, however often what stands beside is drawn.
 *
 * @param findings the stage's own
 * @example findingsOn(judgement, 'rings', () => []) // []
 */
export function findingsOn(judgement: Judgement, stage: StageId, findings: StageFindings): Finding[] {
  const known = found.get(judgement) ?? new Map<StageId, Finding[]>();
  found.set(judgement, known);
  const { cylinders, log } = judgement;
  const own =
    known.get(stage) ??
    worstFirst([...findings(judgement, cylinders), ...toolFindings(log, [...cylinders, ...judgement.places])]).filter(
      (f) => f.stage === stage,
    );
  known.set(stage, own);
  return own;
}
