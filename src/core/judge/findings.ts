/** What should be known of a record as it stands: out of its limits, contradicting itself, worth a look. */
import { type Finding, worstFirst } from '../stage/finding';
import { type StageId, STAGE_IDS } from '../stages';
import type { Judgement } from './judgement';
import { STAGE_FINDINGS } from './stageFindings';
import { toolFindings } from './toolFindings';

const found = new WeakMap<Judgement, Finding<StageId>[]>();

/**
 * The findings of all stages and of the tools, worst first. Of one judgement they are worked out once.
 *
 * @example findingsOf(judgement)[0].severity // 'stop'
 */
export function findingsOf(judgement: Judgement): Finding<StageId>[] {
  const known = found.get(judgement);
  if (known) return known;
  const { cylinders, log } = judgement;
  const all = worstFirst([
    ...STAGE_IDS.flatMap((stage) => STAGE_FINDINGS[stage](judgement, cylinders) as Finding<StageId>[]),
    ...toolFindings(log, [...cylinders, ...judgement.places]),
  ]);
  found.set(judgement, all);
  return all;
}
