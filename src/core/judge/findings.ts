/** What should be known of a record as it stands: out of its limits, contradicting itself, worth a look. */
import { type Finding, worstFirst } from '../stage/finding';
import type { Place } from '../stage/stage';
import { type StageId, STAGE_IDS } from '../stages';
import type { JudgedCylinder, Judgement } from './judgement';
import { STAGE_FINDINGS } from './stageFindings';
import { toolFindings } from './toolFindings';

/** The findings of all stages and of the tools, worst first. */
export const allFindings = (
  judgement: Judgement,
  cylinders: readonly JudgedCylinder[],
  places: readonly Place[],
): Finding<StageId>[] =>
  worstFirst([
    ...STAGE_IDS.flatMap((stage) => STAGE_FINDINGS[stage](judgement, cylinders) as Finding<StageId>[]),
    ...toolFindings(judgement.log, [...cylinders, ...places]),
  ]);
