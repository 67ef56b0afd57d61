/** What targets are worked out with on one engine: the chart's row and column, and the figures of a bore from them. */
import type { Job } from '../../record/jobCard';
import { type HeatLoad, heatLoad, outsideWords } from '../../models/load/load';
import { type Service, NO_SERVICE, fuelsOf } from '../../models/load/service';
import { type Chart, type ChartColumn, type ChartRow, rowOf, schoolOf } from '../../models/charts/chart';
import { AT_LOAD, rowAtLoad } from '../../models/charts/curve';
import { type Suggestion, suggestDuty } from '../../models/charts/chartRow';
import { type Target, type TargetBore, loosened } from '../../models/targets/target';
import { clearanceTarget } from '../../models/targets/clearanceTarget';
import { railGapTarget, secondGapTarget, topGapTarget } from '../../models/targets/ringGapTarget';
import type { TargetAsk } from '../../models/targets/chartTarget';
import type { TargetChoices, Allowance } from '../../models/targets/papers';

export type EngineTargets = Record<'top' | 'second' | 'rails' | 'clearance', Target>;

/** Which row of the chart holds, or which heat load, and why. */
export interface JudgedDuty {
  /** Id of the row asked for, in the chart or not; null while nothing says which. */
  wanted: string | null;
  /** Of a chart of curves, at the heat load. */
  row: ChartRow | null;
  /** Whether the builder chose the row; else it is the suggested one, or the heat load that was worked out. */
  chosen: boolean;
  /** The row of a chart of steps that is suggested. */
  suggestion: Suggestion;
  /** The heat load, whatever the chart is of. */
  load: HeatLoad;
  /** What to say first while neither row nor load is known, as a sentence; empty once one is. */
  ask: string;
}

/** Why a chart gives this engine no gap, as a sentence; empty where it does. */
const gapAskOf = (chart: Chart, { now, later }: Service): string =>
  schoolOf(chart) === 'close' && (now.nitrous || later?.nitrous)
    ? `“${chart.name}” is not for nitrous, which is gapped wide in both schools. Choose the wide curve, or enter the figure from the ring sheet.`
    : '';

/**
 * The row in force: the one that was chosen, else the suggested one; null where the chart has it not.
 *
 * @example dutyOf(judgement.job, judgement.choices.chart).wanted // 'race'
 */
export function dutyOf(job: Job | null, chart: Chart): JudgedDuty {
  const service = job?.service ?? NO_SERVICE;
  const cylinders = job?.engine.cylinders ?? 1;
  const suggestion = suggestDuty(service, cylinders);
  const load = heatLoad(service, { cylinders, bore: job?.plannedBore ?? null });
  const chosen = job?.duty != null;
  const found = { chosen, suggestion, load };
  if (chart.kind === 'steps' || chosen) {
    const wanted = job?.duty ?? (suggestion.set ? suggestion.row : null);
    return {
      ...found,
      wanted,
      row: rowOf(chart, wanted),
      ask: wanted === null && !suggestion.set ? suggestion.ask : '',
    };
  }
  if (!load.set) return { ...found, wanted: null, row: null, ask: load.ask };
  const outside = outsideWords(load.inForce.load);
  if (outside) return { ...found, wanted: null, row: null, ask: outside };
  return { ...found, wanted: AT_LOAD, row: rowAtLoad(chart, load.inForce.load), ask: '' };
}

/** What the figures of a bore follow from, the bore itself apart. */
export interface TargetSettings {
  job: Job;
  chart: Chart;
  duty: JudgedDuty;
  /** The chart's column of the piston; null when not said, or not in the chart. */
  piston: ChartColumn | null;
  choices: TargetChoices;
}

/** What a target is asked with, at a bore in nm. */
export const askAt = (bore: TargetBore | null, { job, chart, duty, choices }: TargetSettings): TargetAsk => ({
  bore,
  chart,
  duty: duty.wanted,
  load: duty.wanted === AT_LOAD ? (duty.row?.load ?? null) : null,
  dutyAsk: duty.ask,
  gapAsk: gapAskOf(chart, job.service),
  isDiesel: fuelsOf(job.service).includes('diesel'),
  construction: job.construction,
  surface: job.surface,
  choices,
});

/** The four figures of a bore, with what was added to them on purpose. */
export function targetsAt(
  bore: TargetBore | null,
  settings: TargetSettings,
  allowance: Allowance | null = null,
): EngineTargets {
  const ask = askAt(bore, settings);
  const { gap = 0, clearance = 0, reason = '' } = allowance ?? {};
  const top = topGapTarget(ask);
  return {
    top: loosened(top, gap, reason),
    second: loosened(secondGapTarget(ask, top), gap, reason),
    rails: railGapTarget(ask),
    clearance: loosened(clearanceTarget(ask), clearance, reason),
  };
}

/** Targets of the first cylinder with a measured bore, else those at the planned bore; no allowance is in them. */
export interface StandardTargets {
  targets: EngineTargets;
  bore: TargetBore | null;
  /** Label of the cylinder they are of; null for the planned bore. */
  cylinder: string | null;
}
