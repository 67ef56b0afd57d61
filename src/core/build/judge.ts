/**
 * judge(): the one place where everything is worked out. Pure and total: any BuildRecord gives a
 * Judgement, and screens, sheet, files and tests all read that one result.
 */
import { type ClockingChoices, type Joints, type RuleResult, checkJoints, jointsOf } from '../clocking/clocking';
import { type Cylinder, cylindersOf } from '../engine/engine';
import type { Nm } from '../quantity/length';
import { type ClearanceState, clearanceOf, clearanceState, clearanceUncertainty } from '../piston/clearance';
import { type GapState, type Ring, type ToComeOff, RINGS, gapState, toComeOff, worstOf } from '../ring/ring';
import { type HeatChoices, type JudgedHeat, STARTING_HEAT, heatOf } from '../heat/assess';
import { type Chart, type ChartColumn, type ChartRow, STARTING_CHART, columnOf, rowOf } from '../targets/chart';
import { type Comparison, comparisonsOf } from '../targets/compare';
import { NO_SERVICE, type Suggestion, suggestDuty } from '../targets/duty';
import {
  type Allowance,
  type Target,
  type TargetAsk,
  type TargetBore,
  type TargetChoices,
  clearanceTarget,
  loosened,
  railGapTarget,
  secondGapTarget,
  startingChoices,
  topGapTarget,
} from '../targets/target';
import { type Finding, findingsOf } from './findings';
import { type BenchChoices, type BuildRecord, type Entry, type Job, type ReadingEntry, type Subject, STARTING_BENCH, STARTING_CLOCKING, choiceIn } from './record';
import { type StageProgress, type Task, progressOf, ringTasks, sizeTasks } from './work';

/** A reading as the log shows it: voided ones stay, with who struck them out and why. */
export interface LoggedReading extends ReadingEntry {
  voided: { by: string; at: string; reason: string } | null;
}

export interface JudgedRing {
  ring: Ring;
  target: Target;
  /** The reading in force: the last one not voided. */
  reading: LoggedReading | null;
  /** Every pass in order, voided ones too. */
  passes: LoggedReading[];
  state: GapState;
  toComeOff: ToComeOff | null;
}

export interface JudgedSize {
  reading: LoggedReading | null;
  passes: LoggedReading[];
}

export interface JudgedCylinder extends Cylinder {
  bore: JudgedSize;
  piston: JudgedSize;
  /** The bore that targets are worked from; null while none is planned or measured. */
  targetBore: TargetBore | null;
  clearance: { value: Nm | null; uncertainty: Nm; target: Target; state: ClearanceState };
  rings: Record<Ring, JudgedRing>;
  /** Of the compression rings and of the rails, the one that needs a hand most. */
  worst: { compression: Ring; rail: Ring };
  clocking: { joints: Joints; rules: RuleResult[]; set: { by: string; at: string; id: string } | null } | null;
  /** What was added to this cylinder's targets on purpose. */
  allowance: Allowance | null;
  /** The heat model of it; null without a bore or an assumed temperature. */
  heat: JudgedHeat | null;
}

export type EngineTargets = Record<'top' | 'second' | 'rails' | 'clearance', Target>;

/** Targets of the first cylinder with a measured bore, else those at the planned bore; no allowance is in them. */
export interface StandardTargets {
  targets: EngineTargets;
  bore: TargetBore | null;
  /** Label of the cylinder they are of; null for the planned bore. */
  cylinder: string | null;
}

export interface Spread {
  ring: Ring;
  least: Nm;
  most: Nm;
  spread: Nm;
}

/** Which row of the chart holds, and why. */
export interface JudgedDuty {
  /** Id of the row asked for, in the chart or not; null while nothing says which. */
  wanted: string | null;
  row: ChartRow | null;
  /** Whether the builder chose the row; else it is the suggested one. */
  chosen: boolean;
  suggestion: Suggestion;
}

export interface Judgement {
  id: string;
  job: Job | null;
  /** The version of the chart this build is set with. */
  chart: Chart;
  duty: JudgedDuty;
  /** The chart's column of the piston; null when not said, or not in the chart. */
  piston: ChartColumn | null;
  targets: TargetChoices;
  heat: HeatChoices;
  clocking: ClockingChoices;
  bench: BenchChoices;
  /** In the order of the engine's own numbering. */
  cylinders: JudgedCylinder[];
  /** Targets at the planned bore; null without a job card. */
  planned: EngineTargets | null;
  /** The targets that stand for the engine where one figure is shown; null without a job card. */
  standard: StandardTargets | null;
  /** Chart figures that belong side by side, at the bore of `standard`. */
  comparisons: Comparison[];
  spreads: Spread[];
  findings: Finding[];
  stages: StageProgress[];
  progress: { done: number; total: number };
  tasks: { sizes: Task[]; rings: Task[] };
  /** Readings of cylinders this engine has not got. */
  strays: LoggedReading[];
  /** When the last entry was made; null on an empty record. */
  lastAt: string | null;
}

interface Log {
  bySubject: Map<string, LoggedReading[]>;
  joints: Map<string, { by: string; at: string; id: string }>;
}

const keyOf = (cylinder: string, subject: Subject): string => `${cylinder}/${subject}`;

/** Field by field: a thousand of these are made at every keystroke, and a spread costs forty times as much. */
const logged = (entry: ReadingEntry, voided: LoggedReading['voided']): LoggedReading => ({
  kind: 'reading',
  id: entry.id,
  at: entry.at,
  by: entry.by,
  cylinder: entry.cylinder,
  subject: entry.subject,
  value: entry.value,
  upTo: entry.upTo,
  typed: entry.typed,
  instrument: entry.instrument,
  temperature: entry.temperature,
  voided,
});

function readLog(entries: Entry[]): Log {
  const voids = new Map<string, { by: string; at: string; reason: string }>();
  for (const entry of entries)
    if (entry.kind === 'void' && !voids.has(entry.of)) voids.set(entry.of, { by: entry.by, at: entry.at, reason: entry.reason });
  const log: Log = { bySubject: new Map(), joints: new Map() };
  for (const entry of entries) {
    if (entry.kind === 'joints' && !voids.has(entry.id)) log.joints.set(entry.cylinder, { by: entry.by, at: entry.at, id: entry.id });
    if (entry.kind !== 'reading') continue;
    const key = keyOf(entry.cylinder, entry.subject);
    const passes = log.bySubject.get(key) ?? [];
    passes.push(logged(entry, voids.get(entry.id) ?? null));
    log.bySubject.set(key, passes);
  }
  return log;
}

function sized(log: Log, cylinder: string, subject: Subject): JudgedSize {
  const passes = log.bySubject.get(keyOf(cylinder, subject)) ?? [];
  return { passes, reading: passes.findLast((pass) => pass.voided === null) ?? null };
}

interface Frame {
  job: Job;
  chart: Chart;
  duty: JudgedDuty;
  piston: ChartColumn | null;
  targets: TargetChoices;
  heat: HeatChoices;
  clocking: ClockingChoices;
  log: Log;
}

/** The row in force: the one that was chosen, else the suggested one; null where the chart has it not. */
function dutyOf(job: Job | null, chart: Chart): JudgedDuty {
  const suggestion = suggestDuty(job?.service ?? NO_SERVICE, job?.engine.cylinders ?? 1);
  const wanted = job?.duty ?? (suggestion.set ? suggestion.row : null);
  return { wanted, row: rowOf(chart, wanted), chosen: job?.duty != null, suggestion };
}

const askAt = (bore: TargetBore | null, { job, chart, duty, targets }: Frame): TargetAsk => ({
  bore,
  chart,
  duty: duty.wanted,
  dutyAsk: duty.suggestion.set ? '' : duty.suggestion.ask,
  construction: job.construction,
  surface: job.surface,
  choices: targets,
});

function targetsAt(bore: TargetBore | null, frame: Frame, allowance: Allowance | null = null): EngineTargets {
  const ask = askAt(bore, frame);
  const { gap = 0, clearance = 0, reason = '' } = allowance ?? {};
  const top = topGapTarget(ask);
  return {
    top: loosened(top, gap, reason),
    second: loosened(secondGapTarget(ask, top), gap, reason),
    rails: railGapTarget(ask),
    clearance: loosened(clearanceTarget(ask, frame.job.units), clearance, reason),
  };
}

function judgedRing(ring: Ring, target: Target, { log }: Frame, cylinder: string): JudgedRing {
  const { reading, passes } = sized(log, cylinder, ring);
  return { ring, target, reading, passes, state: gapState(reading, target), toComeOff: toComeOff(reading, target) };
}

function judgedCylinder(cylinder: Cylinder, frame: Frame): JudgedCylinder {
  const { job, clocking, log } = frame;
  const bore = sized(log, cylinder.id, 'bore');
  const piston = sized(log, cylinder.id, 'piston');
  const nm = bore.reading?.value ?? job.plannedBore;
  const targetBore = nm === null ? null : { nm, measured: bore.reading !== null };
  const allowance = frame.targets.allowances.find((a) => a.cylinder === cylinder.id) ?? null;
  const targets = targetsAt(targetBore, frame, allowance);
  const uncertainty = clearanceUncertainty();
  const value = bore.reading && piston.reading ? clearanceOf(bore.reading.value, piston.reading.value) : null;
  const ring = (name: Ring, target: Target): JudgedRing => judgedRing(name, target, frame, cylinder.id);
  const joints = jointsOf(clocking, cylinder.bank, nm);
  const rings = {
    top: ring('top', targets.top),
    second: ring('second', targets.second),
    upperRail: ring('upperRail', targets.rails),
    lowerRail: ring('lowerRail', targets.rails),
  };
  return {
    ...cylinder,
    bore,
    piston,
    targetBore,
    clearance: { value, uncertainty, target: targets.clearance, state: clearanceState(value, targets.clearance, uncertainty) },
    rings,
    worst: { compression: worstOf([rings.top, rings.second]).ring, rail: worstOf([rings.upperRail, rings.lowerRail]).ring },
    clocking: joints && { joints, rules: checkJoints(joints), set: log.joints.get(cylinder.id) ?? null },
    allowance,
    heat:
      targetBore &&
      heatOf({
        bore: targetBore.nm,
        row: frame.duty.row,
        column: frame.piston,
        surface: job.surface,
        choices: frame.heat,
        targets,
        measured: { top: rings.top.reading, second: rings.second.reading },
        clearance: value,
      }),
  };
}

function standardOf(planned: EngineTargets, frame: Frame, cylinders: JudgedCylinder[]): StandardTargets {
  const { plannedBore } = frame.job;
  const measured = cylinders.find((c) => c.targetBore?.measured);
  if (!measured) return { targets: planned, bore: plannedBore === null ? null : { nm: plannedBore, measured: false }, cylinder: null };
  return { targets: targetsAt(measured.targetBore, frame), bore: measured.targetBore, cylinder: measured.label };
}

function spreadsOf(cylinders: JudgedCylinder[]): Spread[] {
  return RINGS.flatMap((ring) => {
    const values = cylinders.flatMap((c) => c.rings[ring].reading?.value ?? []);
    if (values.length < 2) return [];
    const least = Math.min(...values);
    const most = Math.max(...values);
    return [{ ring, least, most, spread: most - least }];
  });
}

/** Rings that must be in their window before the engine is: both compression rings, and the rails where they are read. */
export const ringsOnRoute = (bench: BenchChoices): Ring[] => (bench.rails ? [...RINGS] : ['top', 'second']);

/**
 * Everything that follows from a record: targets, sizes, clearances, verdicts, findings, what is next.
 *
 * Total: never throws for a well-formed record, whatever is missing from it. O(entries + cylinders).
 */
export function judge(record: BuildRecord): Judgement {
  const job = choiceIn(record, 'job')?.value ?? null;
  const targets = choiceIn(record, 'targets')?.value ?? startingChoices(job?.units ?? 'metric');
  const chart = choiceIn(record, 'chart')?.value ?? STARTING_CHART;
  const heat = choiceIn(record, 'heat')?.value ?? STARTING_HEAT;
  const clocking = choiceIn(record, 'clocking')?.value ?? STARTING_CLOCKING;
  const bench = choiceIn(record, 'bench')?.value ?? STARTING_BENCH;
  const log = readLog(record.entries);
  const duty = dutyOf(job, chart);
  const piston = columnOf(chart, job?.construction ?? null);
  const frame = job && { job, chart, duty, piston, targets, heat, clocking, log };
  const cylinders = frame ? cylindersOf(frame.job.engine).map((c) => judgedCylinder(c, frame)) : [];
  const known = new Set(cylinders.map((c) => c.id));
  const strays = [...log.bySubject.values()].flat().filter((reading) => !known.has(reading.cylinder));
  const planned = frame && targetsAt(frame.job.plannedBore === null ? null : { nm: frame.job.plannedBore, measured: false }, frame);
  const standard = frame && planned && standardOf(planned, frame, cylinders);
  const comparisons = frame && standard ? comparisonsOf(askAt(standard.bore, frame), duty.suggestion) : [];
  const spreads = spreadsOf(cylinders);
  const route = ringsOnRoute(bench);
  const stages = progressOf({ job, duty, planned, cylinders, route });
  const counted = stages.filter((stage) => stage.total > 0);
  return {
    id: record.id,
    job,
    chart,
    duty,
    piston,
    targets,
    heat,
    clocking,
    bench,
    cylinders,
    planned,
    standard,
    comparisons,
    spreads,
    findings: findingsOf({ job, chart, duty, piston, targets, standard, cylinders, spreads, strays }),
    stages,
    progress: { done: counted.reduce((n, s) => n + s.done, 0), total: counted.reduce((n, s) => n + s.total, 0) },
    tasks: { sizes: sizeTasks(cylinders), rings: ringTasks(cylinders, bench.route, route) },
    strays,
    lastAt: record.entries.at(-1)?.at ?? null,
  };
}

