/** What each stage has to say of a record, by stage. */
import { findings as assembly } from '../assembly/findings';
import { findings as bores } from '../bores/findings';
import { findings as clocking } from '../clocking/findings';
import { findings as job } from '../job/findings';
import { findings as journals } from '../journals/findings';
import { findings as pistons } from '../pistons/findings';
import { findings as rings } from '../rings/findings';
import type { Finding } from '../stage/finding';
import type { StageId } from '../stages';
import { findings as targets } from '../targets/findings';
import type { JudgedCylinder, Judgement } from './judgement';

/** What a stage has to say of a record. */
type StageFindings = (judgement: Judgement, cylinders: readonly JudgedCylinder[]) => Finding[];

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
