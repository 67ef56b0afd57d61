/** What each stage has to say of a record, by stage. Apart from the stages, since no reading waits for it. */
import { findings as assembly } from '../assembly/findings';
import { findings as bores } from '../bores/findings';
import { findings as clocking } from '../clocking/findings';
import { findings as job } from '../job/findings';
import { findings as journals } from '../journals/findings';
import { findings as pistons } from '../pistons/findings';
import { findings as rings } from '../rings/findings';
import type { StageId } from '../stages';
import { findings as targets } from '../targets/findings';
import type { StageFindings } from './findingsOn';

export const STAGE_FINDINGS: Record<StageId, StageFindings> = {
  job,
  targets,
  bores,
  pistons,
  journals,
  rings,
  clocking,
  assembly,
  sheet: () => [],
};
