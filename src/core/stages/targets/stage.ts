/** Targets: what each gap and clearance must be on this engine, from sheet, manual, chart or the builder's own figure. */
import { findings } from './findings';
import { type HeatChoices, STARTING_HEAT } from '../../models/heat/assess';
import { gapCaption } from './gapCaption';
import type { Nm } from '../../foundation/quantity/length';
import { type Memo, ENGINE } from '../contract/memo';
import { type StageResult, type Stage, SILENT, counted } from '../contract/stage';
import { type Chart, STARTING_CHART, columnOf } from '../../models/charts/chart';
import type { Engine, Measured, TargetsEngineResult, TargetsCylinderResult, Whole } from './types';
import { type EngineTargets, type StandardTargets, type TargetSettings, dutyOf, targetsAt } from './settings';
import { type Strictness, STARTING_STRICTNESS } from '../../foundation/verdict/decide';
import { ownFigure } from './ownFigure';
import type { TargetBore } from '../../models/targets/target';
import { startingChoices } from '../../models/targets/papers';

const NO_JOB: Omit<TargetsEngineResult, 'duty' | 'piston'> = {
  targetSettings: null,
  planned: null,
  standard: null,
  own: { top: null, second: null, rails: null, clearance: null },
};

const plannedAs = (nm: Nm | null): TargetBore | null => (nm === null ? null : { nm, from: 'planned' });

/** The bore that figures are worked from: as found here, else as reported, else as planned. */
function targetBoreOf({ bore, boreSupplied: { reported } }: Measured, plannedBore: Nm | null): TargetBore | null {
  if (bore.size) return { nm: bore.size.value, from: 'measured' };
  if (reported !== null) return { nm: reported, from: 'reported' };
  return plannedAs(plannedBore);
}

function partOf(cylinder: Measured, settings: TargetSettings): TargetsCylinderResult {
  const targetBore = targetBoreOf(cylinder, settings.job.plannedBore);
  const allowance = settings.choices.allowances.find((a) => a.cylinder === cylinder.id) ?? null;
  return { targetBore, targets: targetsAt(targetBore, settings, allowance), allowance };
}

function standardOf(planned: EngineTargets, settings: TargetSettings, cylinders: readonly Measured[]): StandardTargets {
  const { plannedBore } = settings.job;
  const first = cylinders.find((c) => c.bore.size !== null) ?? cylinders.find((c) => c.boreSupplied.reported !== null);
  const bore = first ? targetBoreOf(first, plannedBore) : plannedAs(plannedBore);
  return first
    ? { targets: targetsAt(bore, settings), bore, cylinder: first.label }
    : { targets: planned, bore, cylinder: null };
}

function judge(
  { job, choices, log }: Engine,
  cylinders: readonly Measured[],
  memo: Memo,
): StageResult<TargetsCylinderResult, TargetsEngineResult> {
  const { chart, targets } = choices;
  const duty = memo('duty', ENGINE, [job, chart], () => dutyOf(job, chart));
  const piston = memo('piston column', ENGINE, [job, chart], () => columnOf(chart, job?.construction ?? null));
  if (!job) return { cylinders: new Map(), engine: { duty, piston, ...NO_JOB } };
  const settings = memo('target settings', ENGINE, [job, chart, targets], () => ({
    job,
    chart,
    duty,
    piston,
    choices: targets,
  }));
  const parts = cylinders.map((c): [string, TargetsCylinderResult] => [
    c.id,
    memo('targets', c.id, [c.bore.size?.value, c.boreSupplied.reported, settings], () => partOf(c, settings)),
  ]);
  const engine = memo(
    'engine targets',
    ENGINE,
    [settings, ...cylinders.flatMap((c) => [c.bore.size?.value, c.boreSupplied.reported])],
    () => {
      const planned = targetsAt(plannedAs(job.plannedBore), settings);
      const standard = standardOf(planned, settings, cylinders);
      return { duty, piston, targetSettings: settings, planned, standard };
    },
  );
  const { targets: figures } = engine.standard;
  const { accepted } = log;
  const choice = log.choices.get('targets')?.id ?? null;
  const own = memo('own figures', ENGINE, [figures, accepted, choice], () => ({
    top: ownFigure(figures.top, 'top', accepted, choice),
    second: ownFigure(figures.second, 'second', accepted, choice),
    rails: ownFigure(figures.rails, 'rails', accepted, choice),
    clearance: ownFigure(figures.clearance, 'clearance', accepted, choice),
  }));
  return { cylinders: new Map(parts), engine: { ...engine, own } };
}

/** Its four figures, as they stand for the engine. */
const figures = ({ standard }: TargetsEngineResult): boolean[] => {
  const { top, second, rails, clearance } = standard?.targets ?? {};
  return [top, second, rails, clearance].map((t) => t?.set === true);
};

export const targets = {
  ...SILENT,
  words: 'Targets',
  choices: {
    targets: startingChoices,
    chart: (): Chart => STARTING_CHART,
    heat: (): HeatChoices => STARTING_HEAT,
    deciding: (): Strictness => STARTING_STRICTNESS,
  },
  judge,
  progress: (engine) => counted(figures(engine)),
  caption: gapCaption,
  findings,
  report: async () => (await import('./report')).report,
} satisfies Stage<Engine, Measured, TargetsCylinderResult, TargetsEngineResult, Engine & TargetsEngineResult, Whole>;
