/** What should be known of a record as it stands: out of its limits, contradicting itself, worth a look. */
import { type Finding, worstFirst } from '../stages/contract/finding';
import type { Place } from '../stages/contract/stage';
import type { StageId } from './registry';
import { STAGE_IDS } from './stageTables';
import { type JudgedCylinder, type Judgement, asked } from './judgement';
import { toolFindings } from './toolFindings';

/** The findings of all stages and of the tools, worst first. */
export const allFindings = (
  judgement: Judgement,
  cylinders: readonly JudgedCylinder[],
  places: readonly Place[],
): Finding<StageId>[] =>
  worstFirst([
    ...STAGE_IDS.flatMap((stage) => asked(stage).findings(judgement, cylinders) as Finding<StageId>[]),
    ...toolFindings(judgement.log, [...cylinders, ...places]),
  ]);
