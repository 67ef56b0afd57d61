/**
 * judge(): the one place where everything is worked out. Pure and total: any BuildRecord gives a
 * Judgement, and screens, sheet, files and tests all read that one result.
 */
import { type BoreChoices, STARTING_BORES } from '../bore/grid';
import {
  type FinishOrder,
  type Grade,
  type SizePlan,
  type SizingChoices,
  finishOrder,
  gradeOf,
  sizePlan,
  smallestClean,
  startingSizing,
} from '../bore/plan';
import type { Check } from '../clocking/block';
import { type ClockingChoices, STARTING_CLOCKING } from '../clocking/choices';
import { forwardBankOf } from '../clocking/crankcase';
import { type Cylinder, cylindersOf } from '../engine/engine';
import type { Nm } from '../quantity/length';
import { type ClearanceState, clearanceOf, clearanceState, clearanceUncertainty } from '../piston/clearance';
import { type Pair, type PairingAsk, type Standing, standingOf } from '../piston/standing';
import { type PistonChoices, STARTING_PISTONS, type StripCheck, stripCheck } from '../piston/piston';
import { type Saying, clear, say, size } from '../quantity/saying';
import { type Ring, RINGS, isRing, worstOf } from '../ring/ring';
import { type Placed, type PlacingAsk, type PlacingStanding, placingStanding } from '../ring/placed';
import { type RingSet, STARTING_RING_SET } from '../ring/set';
import { girthAt, smallestGirth } from '../ring/travel';
import { type HeatChoices, type JudgedHeat, STARTING_HEAT, heatOf } from '../heat/assess';
import { BORE_EXPANSION, PISTON_EXPANSION } from '../heat/metals';
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
import { type Instrument, instrumentKey } from '../uncertainty/instrument';
import { type JudgedBlock, type JudgedClocking, type Tick, blockOf, clockingOf } from './clocking';
import type { Finding } from './finding';
import { findingsOf } from './findings';
import {
  type JudgedGrooves,
  type JudgedRate,
  type JudgedRing,
  type LoggedCut,
  type RateMetal,
  type RingBore,
  boreGirths,
  cutAdvice,
  judgedGrooves,
  judgedRing,
  metalOf,
  ratesOf,
  readyToPlace,
} from './rings';
import {
  type BenchChoices,
  type BuildRecord,
  type Entry,
  type GaugeSetting,
  type Job,
  type GrooveSubject,
  type PairingChoices,
  type Part,
  type PlacingChoices,
  type ReadingEntry,
  type Subject,
  STARTING_BENCH,
  STARTING_PAIRING,
  STARTING_PLACING,
  GROOVE_SUBJECTS,
  choiceIn,
} from './record';
import { type JudgedBore, type JudgedPiston, judgedBore, judgedPiston, withOutliers } from './sizes';
import { type StageProgress, type Task, boreTasks, grooveTasks, pistonTasks, progressOf, ringTasks } from './work';

/** Who struck an entry out, when and why. */
export interface Voided {
  by: string;
  at: string;
  reason: string;
}

/** A reading as the log shows it: voided ones stay, with who struck them out and why. */
export interface LoggedReading extends ReadingEntry {
  voided: Voided | null;
  /** How often the part was machined or replaced before it was made; 0 for a part as found. */
  round: number;
  /** Of a ring: how often the bore it was read in had been machined. */
  boreRound: number;
}

export interface JudgedClearance {
  value: Nm | null;
  /** From the mean of the bore over ring travel. */
  mean: Nm | null;
  uncertainty: Nm;
  target: Target;
  state: ClearanceState;
  working: Saying[];
  /** The feeler strip's passes, and what the last that counts says of the clearance: a check, never the record. */
  strip: { passes: LoggedReading[]; check: StripCheck | null };
}

export interface JudgedCylinder extends Cylinder {
  bore: JudgedBore;
  /** The piston that is in it. */
  piston: JudgedPiston;
  /** The bore that targets are worked from; null while none is planned or measured. */
  targetBore: TargetBore | null;
  clearance: JudgedClearance;
  /** Classes of bore and piston where select fits are used. */
  grades: { bore: Grade | null; piston: Grade | null } | null;
  rings: Record<Ring, JudgedRing>;
  /** Of the compression rings and of the rails, the one that needs a hand most. */
  worst: { compression: Ring; rail: Ring };
  clocking: JudgedClocking;
  /** The checks at the block. */
  block: JudgedBlock;
  /** What was added to this cylinder's targets on purpose. */
  allowance: Allowance | null;
  /** The heat model of it; null without a bore or an assumed temperature. */
  heat: JudgedHeat | null;
  /** The entries that say its bore was machined, or that the piston or the rings of its number were replaced, last first. */
  renewals: Renewal[];
  /** How rings sit in the grooves of the piston in it. */
  grooves: JudgedGrooves;
}

/** An entry that says a part was machined or replaced. */
export interface Renewal {
  id: string;
  part: Part;
  by: string;
  at: string;
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
  /** Whether anyone chose it; else it is only what is proposed. */
  clockingChosen: boolean;
  bench: BenchChoices;
  boreChoices: BoreChoices;
  sizing: SizingChoices;
  pistonChoices: PistonChoices;
  pairing: JudgedPairing;
  ringSet: RingSet;
  placing: JudgedPlacing;
  /** What each filer takes off each metal. */
  rates: JudgedRate[];
  /** Tools that readings name, in the versions they name. */
  instruments: Instrument[];
  /** What each bore gauge was zeroed at last, by the gauge's key; under `` for one that was not named. */
  settings: Map<string, { to: GaugeSetting; by: string; at: string }>;
  /** In the order of the engine's own numbering. */
  cylinders: JudgedCylinder[];
  /** In the order of their numbers. */
  pistons: JudgedPiston[];
  /** The next size, from the bores as they were found; null without a standard bore. */
  plan: SizePlan | null;
  /** What each measured piston's bore is bored and honed to. */
  orders: FinishOrder[];
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
  tasks: { bores: Task[]; pistons: Task[]; grooves: Task[]; rings: Task[] };
  /** Readings of cylinders this engine has not got. */
  strays: LoggedReading[];
  /** When the last entry was made; null on an empty record. */
  lastAt: string | null;
}

export interface JudgedPairing {
  choices: PairingChoices;
  /** The pairs that held before the present ones. */
  before: Pair[];
  /** What a pairing is worked out from: the cylinders whose bore and whose piston are measured, and whose target is set. */
  ask: PairingAsk;
  /** How the present pairing stands. */
  standing: Standing;
}

/** Which ring of a kind is in which cylinder, and what a better placing is worked out from. */
export interface JudgedPlacing {
  choices: PlacingChoices;
  kinds: Record<'top' | 'second', { before: Placed[]; ask: PlacingAsk; standing: PlacingStanding }>;
}

interface Log {
  bySubject: Map<string, LoggedReading[]>;
  /** Passes and cuts of each ring, by its number. */
  byRing: Map<string, (LoggedReading | LoggedCut)[]>;
  accepted: Map<string, { id: string; by: string; at: string; reason: string }>;
  shopRates: Map<string, { filer: string; metal: RateMetal; sums: JudgedRate['shop'] }>;
  rounds: Map<string, number>;
  checks: Map<string, Map<Check, Tick>>;
  /** What names the parts that are in a cylinder now, as each check keeps it. */
  partsNow: (cylinder: string) => string;
  renewals: Map<string, Renewal[]>;
  tools: Map<string, Instrument>;
  settings: Judgement['settings'];
}

const keyOf = (cylinder: string, subject: Subject): string => `${cylinder}/${subject}`;

/** Field by field: a thousand of these are made at every keystroke, and a spread costs forty times as much. */
const logged = (entry: ReadingEntry, voided: Voided | null, round: number, boreRound: number): LoggedReading => ({
  kind: 'reading',
  id: entry.id,
  at: entry.at,
  by: entry.by,
  cylinder: entry.cylinder,
  subject: entry.subject,
  place: entry.place,
  value: entry.value,
  upTo: entry.upTo,
  typed: entry.typed,
  instrument: entry.instrument,
  temperature: entry.temperature,
  gaugeTemperature: entry.gaugeTemperature,
  plate: entry.plate,
  fit: entry.fit,
  voided,
  round,
  boreRound,
});

/** The entry that a logged reading was. */
export const readingEntryOf = ({
  kind,
  id,
  at,
  by,
  cylinder,
  subject,
  place,
  value,
  upTo,
  typed,
  instrument,
  temperature,
  gaugeTemperature,
  plate,
  fit,
}: LoggedReading): ReadingEntry => ({
  kind,
  id,
  at,
  by,
  cylinder,
  subject,
  place,
  value,
  upTo,
  typed,
  instrument,
  temperature,
  gaugeTemperature,
  plate,
  fit,
});

/** The part that a reading is of, as far as it can be machined or replaced. */
const partOf = (subject: Subject): Part | null => {
  if (subject === 'bore' || isRing(subject)) return subject;
  return subject === 'strip' ? null : 'piston';
};

/** The number a reading is filed under: a ring's own, else the place it names. */
const numberOf = ({ fit, cylinder }: ReadingEntry): string => fit?.ring ?? cylinder;

/** Which parts are where, at one point of the log. */
interface Parts {
  pairing: PairingChoices;
  placing: PlacingChoices;
  /** Cuts of each ring by number. */
  cuts: Map<string, number>;
}

/** Names the parts in a cylinder: their numbers, how often each was renewed, and how often each ring was cut. */
function partsIn({ pairing, placing, cuts }: Parts, rounds: ReadonlyMap<string, number>, cylinder: string): string {
  const piston = pairing.pairs.find((p) => p.cylinder === cylinder)?.piston ?? cylinder;
  const numberOfRing = (ring: Ring): string =>
    ring === 'top' || ring === 'second'
      ? (placing[ring].pairs.find((p) => p.cylinder === cylinder)?.ring ?? cylinder)
      : cylinder;
  const renewed = (number: string, part: Part): string => `${number}.${rounds.get(keyOf(number, part)) ?? 0}`;
  const rings = RINGS.map(
    (ring) => `${renewed(numberOfRing(ring), ring)}.${cuts.get(keyOf(numberOfRing(ring), ring)) ?? 0}`,
  );
  return [renewed(cylinder, 'bore'), renewed(piston, 'piston'), ...rings].join('/');
}

function readLog(entries: Entry[]): Log {
  const voids = new Map<string, { by: string; at: string; reason: string }>();
  for (const entry of entries)
    if (entry.kind === 'void' && !voids.has(entry.of))
      voids.set(entry.of, { by: entry.by, at: entry.at, reason: entry.reason });
  const rounds = new Map<string, number>();
  const log: Log = {
    bySubject: new Map(),
    byRing: new Map(),
    accepted: new Map(),
    shopRates: new Map(),
    rounds,
    checks: new Map(),
    partsNow: () => '',
    renewals: new Map(),
    tools: new Map(),
    settings: new Map(),
  };
  const parts: Parts = { pairing: STARTING_PAIRING, placing: STARTING_PLACING, cuts: new Map() };
  log.partsNow = (cylinder) => partsIn(parts, rounds, cylinder);
  const roundAt = (number: string, part: Part | null): number =>
    part === null || rounds.size === 0 ? 0 : (rounds.get(keyOf(number, part)) ?? 0);
  const addTo = <T>(map: Map<string, T[]>, key: string, item: T): void => {
    const items = map.get(key);
    if (items) items.push(item);
    else map.set(key, [item]);
  };
  for (const entry of entries) {
    if (entry.kind === 'pairing') parts.pairing = entry.value;
    if (entry.kind === 'placing') parts.placing = entry.value;
    if (entry.kind === 'cut' && !voids.has(entry.id))
      parts.cuts.set(keyOf(entry.cylinder, entry.ring), (parts.cuts.get(keyOf(entry.cylinder, entry.ring)) ?? 0) + 1);
    if (entry.kind === 'check' && !voids.has(entry.id)) {
      const ticks = log.checks.get(entry.cylinder) ?? new Map<Check, Tick>();
      ticks.set(entry.check, { entry, parts: partsIn(parts, rounds, entry.cylinder) });
      log.checks.set(entry.cylinder, ticks);
    }
    if (entry.kind === 'instrument') log.tools.set(instrumentKey(entry.value), entry.value);
    if (entry.kind === 'setting')
      log.settings.set(entry.instrument ?? '', { to: entry.to, by: entry.by, at: entry.at });
    if (entry.kind === 'renewed' && !voids.has(entry.id)) {
      const key = keyOf(entry.cylinder, entry.part);
      rounds.set(key, (rounds.get(key) ?? 0) + 1);
      log.renewals.set(entry.cylinder, [
        { id: entry.id, part: entry.part, by: entry.by, at: entry.at },
        ...(log.renewals.get(entry.cylinder) ?? []),
      ]);
    }
    if (entry.kind === 'accepted' && !voids.has(entry.id))
      log.accepted.set(entry.of, { id: entry.id, by: entry.by, at: entry.at, reason: entry.reason });
    if (entry.kind === 'rate') log.shopRates.set(`${entry.filer}/${entry.metal}`, entry);
    if (entry.kind === 'cut')
      addTo(log.byRing, keyOf(entry.cylinder, entry.ring), {
        ...entry,
        voided: voids.get(entry.id) ?? null,
        round: roundAt(entry.cylinder, entry.ring),
      });
    if (entry.kind !== 'reading') continue;
    const number = numberOf(entry);
    const reading = logged(
      entry,
      voids.get(entry.id) ?? null,
      roundAt(number, partOf(entry.subject)),
      isRing(entry.subject) ? roundAt(entry.cylinder, 'bore') : 0,
    );
    if (isRing(entry.subject)) addTo<LoggedReading | LoggedCut>(log.byRing, keyOf(number, entry.subject), reading);
    else addTo(log.bySubject, keyOf(number, entry.subject), reading);
  }
  return log;
}

const passesOf = (log: Log, cylinder: string, subject: Subject): LoggedReading[] =>
  log.bySubject.get(keyOf(cylinder, subject)) ?? [];

const roundOf = (log: Log, number: string, part: Part): number => log.rounds.get(keyOf(number, part)) ?? 0;

interface Frame {
  job: Job;
  chart: Chart;
  duty: JudgedDuty;
  piston: ChartColumn | null;
  targets: TargetChoices;
  heat: HeatChoices;
  clocking: ClockingChoices;
  bores: BoreChoices;
  sizing: SizingChoices;
  pistonChoices: PistonChoices;
  bench: BenchChoices;
  ringSet: RingSet;
  /** Which ring of a kind is in which cylinder. */
  ringIn: Record<'top' | 'second', Map<string, string>>;
  labels: Map<string, string>;
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

/** The standard bore that oversizes count from. */
const standardBore = ({ sizing, job }: Frame): Nm | null => sizing.standard ?? job.plannedBore;

/** Whether an oversize on the list cleans a bore; true while that cannot be said. */
function isSold(frame: Frame): (largest: Nm) => boolean {
  const standard = standardBore(frame);
  const { oversizes, cleanUp } = frame.sizing;
  if (standard === null || oversizes.length === 0) return () => true;
  return (largest) => smallestClean(largest + cleanUp - standard, oversizes) !== null;
}

const boreExpansion = ({ job }: Frame): number => BORE_EXPANSION[job.surface ?? 'iron'];
/** Of a piston that is not said how it is made: cast. */
const pistonExpansion = ({ piston }: Frame): number => PISTON_EXPANSION[piston?.alloy ?? 'cast'];

function pistonsOf(cylinders: Cylinder[], frame: Frame): JudgedPiston[] {
  const { log, pistonChoices: choices } = frame;
  return withOutliers(
    cylinders.map(({ id, label }) =>
      judgedPiston({
        id,
        label,
        passes: (subject) => passesOf(log, id, subject),
        round: roundOf(log, id, 'piston'),
        expansion: pistonExpansion(frame),
        tools: log.tools,
        choices,
      }),
    ),
  );
}

/** Which of some numbered parts is in each cylinder: as placed, where the pairs name each of this engine's once; else each in its own. */
function placedIn(cylinders: Cylinder[], pairs: { cylinder: string; part: string }[]): Map<string, string> {
  const found = new Map(cylinders.map((c) => [c.id, c.id]));
  for (const { cylinder, part } of pairs) if (found.has(cylinder)) found.set(cylinder, part);
  const once = new Set([...found.values()].filter((part) => found.has(part))).size === found.size;
  return once ? found : new Map(cylinders.map((c) => [c.id, c.id]));
}

function judgedClearance(
  bore: JudgedBore,
  piston: JudgedPiston,
  target: Target,
  stripPasses: LoggedReading[],
): JudgedClearance {
  const strip = stripPasses.findLast((p) => p.voided === null) ?? null;
  if (!bore.size || !piston.size)
    return {
      value: null,
      mean: null,
      uncertainty: 0,
      target,
      state: 'to do',
      working: [],
      strip: { passes: stripPasses, check: null },
    };
  const value = clearanceOf(bore.size.value, piston.size.value);
  const mean = bore.mean === null ? null : clearanceOf(bore.mean, piston.size.value);
  const uncertainty = clearanceUncertainty(bore.size, piston.size);
  return {
    value,
    mean,
    uncertainty,
    target,
    state: clearanceState(value, target, uncertainty),
    working: [
      ...bore.size.working,
      say`− piston ${piston.label} ${size(piston.size.value)} = ${clear(value)} ± ${clear(uncertainty)} (k = 2)`,
      ...(mean === null ? [] : [say`mean over piston travel: ${clear(mean)}`]),
      ...(bore.shape && bore.read < bore.total ? [say`bore read at ${bore.read} of ${bore.total} spots so far`] : []),
    ],
    strip: { passes: stripPasses, check: strip && stripCheck(strip.value, value) },
  };
}

function gradesOf(bore: JudgedBore, piston: JudgedPiston, { sizing: { grades } }: Frame): JudgedCylinder['grades'] {
  if (!grades) return null;
  const { step, count } = grades;
  return {
    bore: bore.size && gradeOf(bore.size.value, bore.size.uncertainty, { from: grades.bore, step, count }),
    piston: piston.size && gradeOf(piston.size.value, piston.size.uncertainty, { from: grades.piston, step, count }),
  };
}

function boreOf({ id }: Cylinder, frame: Frame): JudgedBore {
  const { log } = frame;
  return judgedBore(
    {
      passes: passesOf(log, id, 'bore'),
      round: roundOf(log, id, 'bore'),
      choices: frame.bores,
      expansion: boreExpansion(frame),
      tools: log.tools,
    },
    isSold(frame),
  );
}

/** The last reading of a groove that counts. */
function grooveReading(log: Log, piston: string, subject: GrooveSubject): LoggedReading | null {
  return (
    passesOf(log, piston, subject).findLast((p) => p.voided === null && p.round === roundOf(log, piston, 'piston')) ??
    null
  );
}

function groovesOf(piston: JudgedPiston, { log, ringSet, labels }: Frame): JudgedGrooves {
  const sampled = (subject: GrooveSubject): { reading: LoggedReading; label: string } | null => {
    for (const [id, label] of labels) {
      const reading = grooveReading(log, id, subject);
      if (reading) return { reading, label };
    }
    return null;
  };
  return judgedGrooves({
    set: ringSet,
    own: (subject) => grooveReading(log, piston.id, subject),
    sampled,
    passes: GROOVE_SUBJECTS.flatMap((s) => passesOf(log, piston.id, s)),
    tools: log.tools,
  });
}

const NO_TICKS: ReadonlyMap<Check, Tick> = new Map();

function judgedCylinder(
  cylinder: Cylinder,
  piston: JudgedPiston,
  bore: JudgedBore,
  clocked: JudgedClocking,
  ringBores: ReadonlyMap<string, RingBore>,
  frame: Frame,
): JudgedCylinder {
  const { job, clocking, log } = frame;
  const nm = bore.size?.value ?? job.plannedBore;
  const targetBore = nm === null ? null : { nm, measured: bore.size !== null };
  const allowance = frame.targets.allowances.find((a) => a.cylinder === cylinder.id) ?? null;
  const targets = targetsAt(targetBore, frame, allowance);
  const clearance = judgedClearance(bore, piston, targets.clearance, passesOf(log, cylinder.id, 'strip'));
  const ring = (name: Ring, target: Target): JudgedRing => {
    const number = (name === 'top' || name === 'second' ? frame.ringIn[name].get(cylinder.id) : null) ?? cylinder.id;
    return judgedRing({
      ring: name,
      number,
      label: frame.labels.get(number) ?? number,
      cylinder: cylinder.id,
      target,
      history: log.byRing.get(keyOf(number, name)) ?? [],
      round: roundOf(log, number, name),
      accepted: log.accepted,
      bench: frame.bench,
      tools: log.tools,
      feelerStep: frame.targets.feelerStep,
      bores: ringBores,
    });
  };
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
    clearance,
    grades: gradesOf(bore, piston, frame),
    rings,
    worst: {
      compression: worstOf([rings.top, rings.second]).ring,
      rail: worstOf([rings.upperRail, rings.lowerRail]).ring,
    },
    clocking: clocked,
    block: blockOf(log.checks.get(cylinder.id) ?? NO_TICKS, log.partsNow(cylinder.id), clocked, clocking),
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
        measured: { top: rings.top.counts?.gap ?? rings.top.gap, second: rings.second.counts?.gap ?? rings.second.gap },
        metals: {
          top: frame.ringSet.top.metal ?? frame.heat.ringMetal,
          second: frame.ringSet.second.metal ?? frame.heat.ringMetal,
        },
        clearance: clearance.value,
      }),
    renewals: log.renewals.get(cylinder.id) ?? [],
    grooves: groovesOf(piston, frame),
  };
}

/** The next size, from the bores as they were found. */
function planOf(cylinders: JudgedCylinder[], frame: Frame): SizePlan | null {
  const standard = standardBore(frame);
  if (standard === null) return null;
  const worn = cylinders.flatMap(({ id, bore }) => {
    const shape = bore.asFound ?? bore.shape;
    return shape
      ? [{ cylinder: id, largest: shape.widest, smallest: shape.smallest.value, uncertainty: bore.largestUncertainty }]
      : [];
  });
  return sizePlan(worn, standard, frame.sizing);
}

/** Finish bores of the pistons that are measured, with the clearance that the size they come to asks for. */
function ordersOf(cylinders: JudgedCylinder[], frame: Frame): FinishOrder[] {
  return cylinders.flatMap(({ id, piston, bore, allowance }) => {
    if (!piston.size) return [];
    const target = targetsAt({ nm: piston.size.value, measured: false }, frame, allowance).clearance;
    if (!target.set) return [];
    const present = bore.shape && { smallest: bore.shape.smallest.value, largest: bore.shape.largest.value };
    return [finishOrder(id, piston.size.value, target.inForce, present, frame.sizing.honing)];
  });
}

/** The pairs of the last pairing entry that had others than the last of all. */
function pairsBefore(entries: Entry[], { pairs }: PairingChoices): Pair[] {
  const now = JSON.stringify(pairs);
  const last = entries.findLast((e) => e.kind === 'pairing' && JSON.stringify(e.value.pairs) !== now);
  return last?.kind === 'pairing' ? last.value.pairs : [];
}

function pairingOfJudged(cylinders: JudgedCylinder[], choices: PairingChoices, before: Pair[]): JudgedPairing {
  const ready = cylinders.flatMap(({ id, bore, piston, clearance: { target } }) => {
    if (!bore.size || !piston.size || !target.set) return [];
    const { min, aimTo } = target.inForce;
    return [
      {
        bore: { cylinder: id, bore: bore.size.value, wanted: Math.round((min + (aimTo ?? min)) / 2), least: min },
        piston: { piston: piston.id, size: piston.size.value },
      },
    ];
  });
  const ask: PairingAsk = {
    bores: ready.map((r) => r.bore),
    pistons: ready.map((r) => r.piston),
    now: ready.map((r) => ({ cylinder: r.bore.cylinder, piston: r.piston.piston })),
    locked: choices.locked,
    marked: choices.marked,
    gain: choices.gain,
    neverTight: choices.neverTight,
  };
  return { choices, before, ask, standing: standingOf(ask, ask.now) };
}

/** The pairs of the last placing entry that had others of this kind than the last of all. */
function placedBefore(entries: Entry[], kind: 'top' | 'second', { [kind]: { pairs } }: PlacingChoices): Placed[] {
  const now = JSON.stringify(pairs);
  const last = entries.findLast((e) => e.kind === 'placing' && JSON.stringify(e.value[kind].pairs) !== now);
  return last?.kind === 'placing' ? last.value[kind].pairs : [];
}

function placingOfKind(
  cylinders: JudgedCylinder[],
  kind: 'top' | 'second',
  choices: PlacingChoices,
  ringBores: ReadonlyMap<string, RingBore>,
): Omit<JudgedPlacing['kinds']['top'], 'before'> {
  const ready = readyToPlace(cylinders, kind).flatMap(({ id, rings: { [kind]: ring } }) => {
    const { reading, target } = ring;
    const to = smallestGirth(ringBores.get(id)?.girths ?? []);
    const from = reading && girthAt(ringBores.get(reading.cylinder)?.girths ?? [], reading.fit?.depth ?? null);
    if (!reading || !target.set || !to || !from) return [];
    const { min, aimTo, limit } = target.inForce;
    return [
      {
        bore: { cylinder: id, smallest: to.mean, min, aimTo, limit },
        ring: { ring: ring.number, gap: reading.value, readAt: from.mean },
      },
    ];
  });
  const ask: PlacingAsk = {
    bores: ready.map((r) => r.bore),
    rings: ready.map((r) => r.ring),
    now: ready.map((r) => ({ cylinder: r.bore.cylinder, ring: r.ring.ring })),
    locked: choices[kind].locked,
    aim: choices.aim,
  };
  return { ask, standing: placingStanding(ask, ask.now) };
}

function standardOf(planned: EngineTargets, frame: Frame, cylinders: JudgedCylinder[]): StandardTargets {
  const { plannedBore } = frame.job;
  const measured = cylinders.find((c) => c.targetBore?.measured);
  if (!measured)
    return {
      targets: planned,
      bore: plannedBore === null ? null : { nm: plannedBore, measured: false },
      cylinder: null,
    };
  return { targets: targetsAt(measured.targetBore, frame), bore: measured.targetBore, cylinder: measured.label };
}

function spreadsOf(cylinders: JudgedCylinder[]): Spread[] {
  return RINGS.flatMap((ring) => {
    const values = cylinders.flatMap((c) => c.rings[ring].gap?.value ?? []);
    if (values.length < 2) return [];
    const least = Math.min(...values);
    const most = Math.max(...values);
    return [{ ring, least, most, spread: most - least }];
  });
}

/** Rings that must be in their window before the engine is: both compression rings, and the rails where they are read. */
export const ringsOnRoute = (bench: BenchChoices): Ring[] => (bench.rails ? [...RINGS] : ['top', 'second']);

const judgedAt = (
  cylinder: Cylinder,
  piston: JudgedPiston | undefined,
  bore: JudgedBore | undefined,
  clocked: JudgedClocking | undefined,
  ringBores: ReadonlyMap<string, RingBore>,
  frame: Frame,
): JudgedCylinder[] =>
  piston && bore && clocked ? [judgedCylinder(cylinder, piston, bore, clocked, ringBores, frame)] : [];

/** Readings of cylinders, or of rings of cylinders, that this engine has not got. */
function strayReadings({ bySubject, byRing }: Log, labels: ReadonlyMap<string, string>): LoggedReading[] {
  const rings = [...byRing.values()].flatMap((history) =>
    history.flatMap((item) =>
      item.kind === 'reading' && !(labels.has(item.cylinder) && labels.has(numberOf(item))) ? [item] : [],
    ),
  );
  return [
    ...[...bySubject.values()].flatMap((readings) => (labels.has(readings[0]?.cylinder ?? '') ? [] : readings)),
    ...rings,
  ];
}

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
  const chosenClocking = choiceIn(record, 'clocking');
  const clocking = chosenClocking?.value ?? STARTING_CLOCKING;
  const bench = choiceIn(record, 'bench')?.value ?? STARTING_BENCH;
  const boreChoices = choiceIn(record, 'bores')?.value ?? STARTING_BORES;
  const sizing = choiceIn(record, 'sizing')?.value ?? startingSizing(job?.units ?? 'metric');
  const pistonChoices = choiceIn(record, 'pistons')?.value ?? STARTING_PISTONS;
  const pairingChoices = choiceIn(record, 'pairing')?.value ?? STARTING_PAIRING;
  const ringSet = choiceIn(record, 'ringSet')?.value ?? STARTING_RING_SET;
  const placingChoices = choiceIn(record, 'placing')?.value ?? STARTING_PLACING;
  const log = readLog(record.entries);
  const duty = dutyOf(job, chart);
  const piston = columnOf(chart, job?.construction ?? null);
  const places = job ? cylindersOf(job.engine, forwardBankOf(job.engine, clocking.rods)) : [];
  const ringIn = (kind: 'top' | 'second'): Map<string, string> =>
    placedIn(
      places,
      placingChoices[kind].pairs.map(({ cylinder, ring }) => ({ cylinder, part: ring })),
    );
  const labels = new Map(places.map((c) => [c.id, c.label]));
  const frame = job && {
    job,
    chart,
    duty,
    piston,
    targets,
    heat,
    clocking,
    bores: boreChoices,
    sizing,
    pistonChoices,
    bench,
    ringSet,
    ringIn: { top: ringIn('top'), second: ringIn('second') },
    labels,
    log,
  };
  const pistons = frame ? pistonsOf(places, frame) : [];
  const pistonIn = placedIn(
    places,
    pairingChoices.pairs.map(({ cylinder, piston: part }) => ({ cylinder, part })),
  );
  const bores = new Map(frame ? places.map((c) => [c.id, boreOf(c, frame)]) : []);
  const ringBores = new Map(
    [...bores].map(([id, bore]) => [id, { label: labels.get(id) ?? id, girths: boreGirths(bore), round: bore.round }]),
  );
  const clocked = frame
    ? clockingOf(
        places.map((c) => ({ ...c, bore: bores.get(c.id)?.size?.value ?? frame.job.plannedBore })),
        frame.job.engine,
        clocking,
        chosenClocking !== null,
      )
    : new Map<string, JudgedClocking>();
  const cylinders = frame
    ? places.flatMap((c) =>
        judgedAt(
          c,
          pistons.find((p) => p.id === pistonIn.get(c.id)),
          bores.get(c.id),
          clocked.get(c.id),
          ringBores,
          frame,
        ),
      )
    : [];
  const strays = strayReadings(log, labels);
  const rates = ratesOf(
    cylinders.flatMap((c) => Object.values(c.rings)),
    log.shopRates,
    ringSet,
  );
  for (const c of cylinders)
    for (const ring of Object.values(c.rings))
      ring.advice = cutAdvice(ring, rates, metalOf(ringSet, ring.ring), bench.chance);
  const planned =
    frame && targetsAt(frame.job.plannedBore === null ? null : { nm: frame.job.plannedBore, measured: false }, frame);
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
    clockingChosen: chosenClocking !== null,
    bench,
    boreChoices,
    sizing,
    pistonChoices,
    pairing: pairingOfJudged(cylinders, pairingChoices, pairsBefore(record.entries, pairingChoices)),
    ringSet,
    placing: {
      choices: placingChoices,
      kinds: {
        top: {
          ...placingOfKind(cylinders, 'top', placingChoices, ringBores),
          before: placedBefore(record.entries, 'top', placingChoices),
        },
        second: {
          ...placingOfKind(cylinders, 'second', placingChoices, ringBores),
          before: placedBefore(record.entries, 'second', placingChoices),
        },
      },
    },
    rates,
    instruments: [...log.tools.values()],
    settings: log.settings,
    cylinders,
    pistons,
    plan: frame && planOf(cylinders, frame),
    orders: frame ? ordersOf(cylinders, frame) : [],
    planned,
    standard,
    comparisons,
    spreads,
    findings: findingsOf({
      job,
      chart,
      duty,
      piston,
      targets,
      standard,
      cylinders,
      spreads,
      strays,
      bores: boreChoices,
      tools: log.tools,
      bench,
      ringSet,
      clockingChosen: chosenClocking !== null,
    }),
    stages,
    progress: { done: counted.reduce((n, s) => n + s.done, 0), total: counted.reduce((n, s) => n + s.total, 0) },
    tasks: {
      bores: boreTasks(cylinders, boreChoices),
      pistons: pistonTasks(cylinders, pistonChoices),
      grooves: grooveTasks(cylinders, ringSet),
      rings: ringTasks(cylinders, bench.route, route),
    },
    strays,
    lastAt: record.entries.at(-1)?.at ?? null,
  };
}
