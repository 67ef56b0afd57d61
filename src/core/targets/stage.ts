/** Targets: what each gap and clearance must be on this engine, from sheet, manual, chart or the builder's own figure. */
import type { JudgedBore } from '../bores/judged';
import type { Cylinder } from '../engine/engine';
import { type HeatChoices, type JudgedHeat, STARTING_HEAT } from '../heat/assess';
import { clear, fine, say, size } from '../quantity/saying';
import type { GapReading, GapState, Ring } from '../rings/ring';
import { type Piece, type SheetPart, words } from '../stage/report';
import { type Frame, type Judged, SILENT, type Stage, counted } from '../stage/stage';
import { ENGINE, type Memo } from '../stage/memo';
import { gapCaption } from '../rings/caption';
import { type Chart, type ChartColumn, STARTING_CHART, columnOf } from './chart';
import { type Comparison, comparisonsOf } from './compare';
import { adderWords } from './duty';
import { dutyFindings, figureFindings, heatFindings } from './findings';
import {
  type EngineTargets,
  type JudgedDuty,
  type StandardTargets,
  type TargetSettings,
  askAt,
  dutyOf,
  targetsAt,
} from './settings';
import {
  type Allowance,
  SURFACE_WORDS,
  type Target,
  type TargetBore,
  type TargetChoices,
  startingChoices,
} from './target';

export interface TargetsChoices {
  targets: TargetChoices;
  chart: Chart;
  heat: HeatChoices;
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
  /** Chart figures that belong side by side, at the bore of `standard`. */
  comparisons: Comparison[];
}

type Engine = Frame<TargetsChoices>;
type Measured = Cylinder & { bore: JudgedBore };
/** A cylinder once all is judged. */
type Whole = Measured &
  TargetsPart & {
    heat: JudgedHeat | null;
    rings: Record<Ring, { state: GapState; gap: GapReading | null }>;
    worst: { compression: Ring };
  };

const NO_JOB: Omit<TargetsMade, 'duty' | 'piston'> = {
  targetSettings: null,
  planned: null,
  standard: null,
  comparisons: [],
};

function partOf(cylinder: Measured, settings: TargetSettings): TargetsPart {
  const { bore, id } = cylinder;
  const nm = bore.size?.value ?? settings.job.plannedBore;
  const targetBore = nm === null ? null : { nm, measured: bore.size !== null };
  const allowance = settings.choices.allowances.find((a) => a.cylinder === id) ?? null;
  return { targetBore, targets: targetsAt(targetBore, settings, allowance), allowance };
}

function standardOf(planned: EngineTargets, settings: TargetSettings, cylinders: readonly Measured[]): StandardTargets {
  const { plannedBore } = settings.job;
  const measured = cylinders.find((c) => c.bore.size !== null);
  if (!measured?.bore.size)
    return {
      targets: planned,
      bore: plannedBore === null ? null : { nm: plannedBore, measured: false },
      cylinder: null,
    };
  const bore = { nm: measured.bore.size.value, measured: true };
  return { targets: targetsAt(bore, settings), bore, cylinder: measured.label };
}

function judge({ job, choices }: Engine, cylinders: readonly Measured[], memo: Memo): Judged<TargetsPart, TargetsMade> {
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
  const parts = cylinders.map((c): [string, TargetsPart] => [
    c.id,
    memo('targets', c.id, [c.bore.size?.value, settings], () => partOf(c, settings)),
  ]);
  const engine = memo('engine targets', ENGINE, [settings, ...cylinders.map((c) => c.bore.size?.value)], () => {
    const { plannedBore } = job;
    const planned = targetsAt(plannedBore === null ? null : { nm: plannedBore, measured: false }, settings);
    const standard = standardOf(planned, settings, cylinders);
    const comparisons = comparisonsOf(askAt(standard.bore, settings), duty.suggestion);
    return { duty, piston, targetSettings: settings, planned, standard, comparisons };
  });
  return { cylinders: new Map(parts), engine };
}

function targetRow(figure: string, target: Target): Piece[][] {
  if (!target.set) return [words(figure), words('–'), words('–'), words(target.ask)];
  const { min, aimTo, limit, from, standing } = target.inForce;
  return [
    words(figure),
    [{ kind: 'range', from: min, to: aimTo }],
    [limit === null ? { kind: 'text', text: '–' } : { kind: 'said', says: [fine(limit)] }],
    words(`${from} (${standing})`),
  ];
}

function sheet(
  { standard, job, duty, piston, choices: { chart } }: Engine & TargetsMade,
  cylinders: readonly Whole[],
): SheetPart[] {
  if (!standard || !job) return [];
  const allowed = cylinders.flatMap(({ label, allowance }) => (allowance ? [{ label, allowance }] : []));
  const { now, later } = job.service;
  const basis =
    standard.cylinder === null ? 'planned bore' : `own measured bores; shown for cylinder ${standard.cylinder}`;
  const setWith = say`${job.plannedBore === null ? '' : say`Planned bore ${size(job.plannedBore)}. `}For: ${
    duty.row?.words ?? 'not said'
  }. Pistons: ${piston?.words ?? 'not said'}. Cylinder wall: ${
    job.surface ? SURFACE_WORDS[job.surface] : 'not said'
  }.${now.kind === 'none' ? '' : ` Power adder: ${adderWords(now)}.`}${
    later ? ` Planned for later: ${adderWords(later)}.` : ''
  } From ${basis}. ${chart.name}, version ${chart.version}.`;
  const looser = allowed.map(
    ({ label, allowance: { gap, clearance, reason } }, i) =>
      say`${i === 0 ? '' : '; '}cylinder ${label}, gaps + ${fine(gap)}, clearance + ${clear(clearance)}${reason ? ` (${reason})` : ''}`,
  );
  return [
    {
      heading: say`Targets`,
      before: [setWith, ...(allowed.length > 0 ? [say`Fitted looser on purpose: ${looser.flat()}.`] : [])],
      table: {
        columns: [
          { words: 'figure' },
          { words: 'window', figures: true },
          { words: 'limit', figures: true },
          { words: 'source' },
        ],
        rows: [
          targetRow('Top ring gap', standard.targets.top),
          targetRow('Second ring gap', standard.targets.second),
          targetRow('Oil rails', standard.targets.rails),
          targetRow('Piston to wall', standard.targets.clearance),
        ],
      },
      after: [],
    },
  ];
}

/** Its four figures, at the planned bore. */
const figures = ({ planned }: TargetsMade): boolean[] =>
  [planned?.top, planned?.second, planned?.rails, planned?.clearance].map((t) => t?.set === true);

export const targets = {
  ...SILENT,
  words: 'Targets',
  choices: {
    targets: startingChoices,
    chart: (): Chart => STARTING_CHART,
    heat: (): HeatChoices => STARTING_HEAT,
  },
  judge,
  progress: (engine) => counted(figures(engine)),
  findings: (engine, cylinders, memo) =>
    memo('targets findings', ENGINE, [engine.targetSettings, engine.standard, ...cylinders], () => [
      ...dutyFindings(engine),
      ...figureFindings(engine),
      ...heatFindings(cylinders),
    ]),
  caption: gapCaption,
  sheet,
} satisfies Stage<Engine, Measured, TargetsPart, TargetsMade, Engine & TargetsMade, Whole>;
