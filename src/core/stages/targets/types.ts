/** Targets: what they are worked out from, and what is found. */
import type { BoresPart } from '../bores';
import type { Cylinder } from '../../foundation/engine/engine';
import type { HeatChoices, JudgedHeat } from '../../models/heat/assess';
import type { Ring } from '../../foundation/parts/rings';
import type { Strictness } from '../../foundation/verdict/decide';
import type { Nm } from '../../foundation/quantity/length';
import type { State } from '../../foundation/verdict/state';
import type { Acceptance } from '../../record/reading';
import type { EngineContext } from '../contract/stage';
import type { Chart, ChartColumn } from '../../models/charts/chart';
import type { EngineTargets, JudgedDuty, StandardTargets, TargetSettings } from './settings';
import type { OwnFigure } from './ownFigure';
import type { TargetBore } from '../../models/targets/target';
import type { TargetChoices, Allowance } from '../../models/targets/papers';

export interface TargetsChoices {
  targets: TargetChoices;
  chart: Chart;
  heat: HeatChoices;
  /** How the shop decides. */
  deciding: Strictness;
}

export interface TargetsCylinderResult {
  /** The bore that targets are worked from; null while none is planned or measured. */
  targetBore: TargetBore | null;
  targets: EngineTargets;
  /** What was added to this cylinder's targets on purpose. */
  allowance: Allowance | null;
}

export interface TargetsEngineResult {
  duty: JudgedDuty;
  /** The chart's column of the piston; null when not said, or not in the chart. */
  piston: ChartColumn | null;
  /** What the figures of a bore follow from; null without a job card. */
  targetSettings: TargetSettings | null;
  /** Targets at the planned bore; null without a job card. */
  planned: EngineTargets | null;
  /** The targets that stand for the engine where one figure is shown; null without a job card. */
  standard: StandardTargets | null;
  /** The builder's own figures that are outside what ranks above them, of the standard targets. */
  own: Record<keyof EngineTargets, OwnFigure | null>;
}

export type Engine = EngineContext<TargetsChoices>;

export type Measured = Cylinder & BoresPart;

/** The gap of a ring, as far as targets are read beside it. */
export interface JudgedGap {
  state: State;
  /** The reading that counts; null before one. */
  counts: { value: Nm } | null;
  accepted: Acceptance | null;
}

/** A cylinder once all is judged. */
export type Whole = Measured &
  TargetsCylinderResult & {
    heat: JudgedHeat | null;
    rings: Record<Ring, JudgedGap>;
    worst: { compression: Ring };
  };
