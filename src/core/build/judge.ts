/**
 * judge(): the one place where everything is worked out. Pure and total: any BuildRecord gives a
 * Judgement, and screens, sheet, files and tests all read that one result.
 */
import { type ClockingChoices, type Joints, type RuleResult, checkJoints, jointsOf } from '../clocking/clocking';
import { type Cylinder, cylindersOf } from '../engine/engine';
import type { Nm } from '../quantity/length';
import { type ClearanceState, clearanceOf, clearanceState, clearanceUncertainty } from '../piston/clearance';
import { type GapState, type Ring, type ToComeOff, RINGS, gapState, toComeOff, worstOf } from '../ring/ring';
import { type Target, type TargetBore, type TargetChoices, clearanceTarget, railGapTarget, secondGapTarget, startingChoices, topGapTarget } from '../targets/target';
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
}

export type EngineTargets = Record<'top' | 'second' | 'rails' | 'clearance', Target>;

/** Targets of the first cylinder with a measured bore, else those at the planned bore. */
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

export interface Judgement {
  id: string;
  job: Job | null;
  targets: TargetChoices;
  clocking: ClockingChoices;
  bench: BenchChoices;
  /** In the order of the engine's own numbering. */
  cylinders: JudgedCylinder[];
  /** Targets at the planned bore; null without a job card. */
  planned: EngineTargets | null;
  /** The targets that stand for the engine where one figure is shown; null without a job card. */
  standard: StandardTargets | null;
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
  targets: TargetChoices;
  clocking: ClockingChoices;
  log: Log;
}

const NO_BORE: Target = { set: false, ask: 'Give the planned bore on the job card, or read the bore: the target is worked from it.' };

function targetsAt(bore: TargetBore | null, { job, targets }: Frame): EngineTargets {
  const ask = { bore: bore ?? { nm: 0, measured: false }, duty: job.duty, construction: job.construction, choices: targets };
  const rails = railGapTarget(ask);
  if (!bore) return { ...withoutBore(ask), rails };
  const top = topGapTarget(ask);
  return { top, second: secondGapTarget(ask, top), rails, clearance: clearanceTarget(ask, job.units) };
}

/** Without a bore only figures that no factor enters into can stand: ranges and minimums from papers. */
function withoutBore(ask: Parameters<typeof topGapTarget>[0]): Omit<EngineTargets, 'rails'> {
  const unfactored = (papers: TargetChoices['clearance']): TargetChoices['clearance'] => ({
    sheet: papers.sheet?.form === 'factor' ? null : papers.sheet,
    manual: papers.manual?.form === 'factor' ? null : papers.manual,
  });
  const { choices } = ask;
  const papersOnly = {
    ...ask,
    construction: null,
    choices: {
      ...choices,
      gaps: { ...choices.gaps, top: unfactored(choices.gaps.top), second: unfactored(choices.gaps.second) },
      clearance: unfactored(choices.clearance),
    },
  };
  const orAsk = (target: Target): Target => (target.set ? target : NO_BORE);
  return {
    top: orAsk(topGapTarget(papersOnly)),
    second: orAsk(secondGapTarget(papersOnly, NO_BORE)),
    clearance: orAsk(clearanceTarget(papersOnly, 'metric')),
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
  const targets = targetsAt(targetBore, frame);
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
  };
}

function standardOf(planned: EngineTargets, job: Job, cylinders: JudgedCylinder[]): StandardTargets {
  const measured = cylinders.find((c) => c.targetBore?.measured);
  if (!measured) return { targets: planned, bore: job.plannedBore === null ? null : { nm: job.plannedBore, measured: false }, cylinder: null };
  const { rings, clearance, targetBore, label } = measured;
  return { targets: { top: rings.top.target, second: rings.second.target, rails: rings.upperRail.target, clearance: clearance.target }, bore: targetBore, cylinder: label };
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
  const clocking = choiceIn(record, 'clocking')?.value ?? STARTING_CLOCKING;
  const bench = choiceIn(record, 'bench')?.value ?? STARTING_BENCH;
  const log = readLog(record.entries);
  const frame = job && { job, targets, clocking, log };
  const cylinders = frame ? cylindersOf(frame.job.engine).map((c) => judgedCylinder(c, frame)) : [];
  const known = new Set(cylinders.map((c) => c.id));
  const strays = [...log.bySubject.values()].flat().filter((reading) => !known.has(reading.cylinder));
  const planned = frame && targetsAt(frame.job.plannedBore === null ? null : { nm: frame.job.plannedBore, measured: false }, frame);
  const standard = job && planned && standardOf(planned, job, cylinders);
  const spreads = spreadsOf(cylinders);
  const route = ringsOnRoute(bench);
  const stages = progressOf({ job, planned, cylinders, route });
  const counted = stages.filter((stage) => stage.total > 0);
  return {
    id: record.id,
    job,
    targets,
    clocking,
    bench,
    cylinders,
    planned,
    standard,
    spreads,
    findings: findingsOf({ job, targets, standard, cylinders, spreads, strays }),
    stages,
    progress: { done: counted.reduce((n, s) => n + s.done, 0), total: counted.reduce((n, s) => n + s.total, 0) },
    tasks: { sizes: sizeTasks(cylinders), rings: ringTasks(cylinders, bench.route, route) },
    strays,
    lastAt: record.entries.at(-1)?.at ?? null,
  };
}

