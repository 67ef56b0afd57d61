/** Targets: what they are worked out from, and what is found. */
import type { BoresPart } from '../bores/found';
import type { Cylinder } from '../engine/engine';
import type { HeatChoices, JudgedHeat } from '../heat/assess';
import type { JudgedRing } from '../rings/judged';
import type { Ring } from '../rings/ring';
import type { Strictness } from '../verdict/decide';
import type { Frame } from '../stage/stage';
import type { Chart, ChartColumn } from './chart';
import type { EngineTargets, JudgedDuty, StandardTargets, TargetSettings } from './settings';
import type { OwnFigure } from './ownFigure';
import type { Allowance, TargetBore, TargetChoices } from './target';

export interface TargetsChoices {
  targets: TargetChoices;
  chart: Chart;
  heat: HeatChoices;
  /** How the shop decides. */
  deciding: Strictness;
}

export interface TargetsPart {
  /** The bore that targets are worked from; null while none is planned or measured. */
  targetBore: TargetBore | null;
  targets: EngineTargets;
  /** What was added to this cylinder's targets on purpose. */
  allowance: Allowance | null;
}

export interface TargetsMade {
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

export type Engine = Frame<TargetsChoices>;

export type Measured = Cylinder & BoresPart;

/** A cylinder once all is judged. */
export type Whole = Measured &
  TargetsPart & {
    heat: JudgedHeat | null;
    rings: Record<Ring, Pick<JudgedRing, 'state' | 'counts' | 'accepted'>>;
    worst: { compression: Ring };
  };
