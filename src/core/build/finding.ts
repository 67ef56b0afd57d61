/** What a finding is, and what findings are made from. */
import type { BoreChoices } from '../bore/grid';
import type { Saying } from '../quantity/saying';
import type { Chart, ChartColumn } from '../targets/chart';
import type { TargetChoices } from '../targets/target';
import type { JudgedCylinder, JudgedDuty, LoggedReading, Spread, StandardTargets } from './judge';
import type { RingSet } from '../ring/set';
import type { BenchChoices, Job } from './record';
import type { Tools } from './sizes';
import type { Stage } from './work';

/** `stop` can cost the engine; `mend` is out of its limits or contradicts itself; `note` is worth knowing. */
export type Severity = 'stop' | 'mend' | 'note';

export interface Finding {
  severity: Severity;
  stage: Stage;
  /** The cylinder it is about, or null for the engine. */
  cylinder: string | null;
  says: Saying;
}

export interface FindingInput {
  job: Job | null;
  chart: Chart;
  duty: JudgedDuty;
  piston: ChartColumn | null;
  targets: TargetChoices;
  standard: StandardTargets | null;
  cylinders: JudgedCylinder[];
  spreads: Spread[];
  strays: LoggedReading[];
  bores: BoreChoices;
  tools: Tools;
  bench: BenchChoices;
  ringSet: RingSet;
  /** Whether anyone chose the clocking; else it is only what is proposed. */
  clockingChosen: boolean;
}

export const about = (severity: Severity, stage: Stage, cylinder: string | null, says: Saying): Finding => ({
  severity,
  stage,
  cylinder,
  says,
});
