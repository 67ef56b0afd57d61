/**
 * One ring in the cylinder that it is placed in, from its passes and cuts: what was called, the gap that counts, the one
 * verdict on it, what is still to come off.
 */
import type { JudgedBore } from '../bores';
import { COLD } from '../../foundation/uncertainty/expansion';
import type { Nm } from '../../foundation/quantity/length';
import {
  type Accepted,
  type Logged,
  type LoggedReading,
  type Answer,
  isLive,
  isReading,
  livePasses,
  UNANSWERED,
  answerOf,
} from '../../record/reading';
import { whereOf } from '../../record/fittedParts';
import { type Target, exceededLimit } from '../../models/targets/target';
import type { Tools } from '../../foundation/verdict/measuredSize';
import { sumOf, rectangular } from '../../foundation/uncertainty/combine';
import { sharedShopDoubt, temperaturesOf } from '../../foundation/uncertainty/thermal';
import { type Estimate, type Low, type Strictness, bestOf, decide } from '../../foundation/verdict/decide';
import type { CutAdvice } from './filingAdvice';
import type { BenchChoices } from './choices';
import { type CountedGap, type PlacedReading, type RingBore, countedGap } from './gapEvidence';
import { type Growth, type PassReading, type Passes, type RingEvent, passesOf, shrunkOver } from './passes';
import { type GapReading, type GapState, type ToComeOff, GAP_STATES, gapIsDone, nextLeaf, toComeOff } from './ring';
import type { Ring } from '../../foundation/parts/rings';
import { type Girth, girthsOf } from './travel';

export interface JudgedRing extends Answer {
  ring: Ring;
  /** The number of the ring, and what it is called. */
  number: string;
  label: string;
  target: Target;
  /** The last reading that counts, in whichever bore it was made. */
  reading: LoggedReading | null;
  /** What was called: the leaves of that reading. */
  called: GapReading | null;
  /** Every pass in order, voided ones and those of a ring before it too. */
  passes: readonly LoggedReading[];
  /** Passes and cuts in order. */
  history: readonly Logged[];
  round: number;
  /** From one leaf to the next of what it was read with. */
  step: Nm;
  /** Where it was read, if not in this cylinder: its number and label. */
  readIn: { cylinder: string; label: string } | null;
  /** The gap that counts, from all readings since it was filed; null where they do not tell it in this cylinder. */
  counts: CountedGap | null;
  /** Whether that is to be shown beside what was called: further away than half a leaf, or another verdict. */
  differs: boolean;
  /** The verdict. */
  state: GapState;
  /** The chance that it is under its minimum by more than the grace; null where that cannot be told. */
  chance: number | null;
  /** The chance that it is over a hard maximum by more than the grace. */
  overChance: number;
  /** How far under a limit it still counts as at it, nm. */
  grace: Nm;
  /** What is to be said of a gap that is right and lies low. */
  low: Low | null;
  toComeOff: ToComeOff | null;
  /** How much narrower it reads after a cut than before it: it cannot be. 0 where it does not. */
  shrunk: Nm;
  /** Whether one reading squared otherwise is asked for: all were squared with a domed piston, or by hand and eye. */
  asksSquaring: boolean;
  /** How often it was read since it was last filed. */
  repeats: number;
  /** Whether it was filed. */
  filed: boolean;
  /** Cuts since the reading in force. */
  cutsSince: number;
  /** Readings after filing that were neither deburred nor squared for. */
  unprepared: string[];
  /** That its gap grew with no cut logged, which nobody answered and no second reading stands by; null where it did not. */
  growth: RingGrowth | null;
  /**
   * Whether the reading that counts may have been made before the ring was filed: it is short by that one alone, and
   * to be read there again.
   */
  isUndated: boolean;
  /** Readings before which it is taken as filed with no cut logged. */
  unlogged: string[];
  /** What each cut took off, by the last of the cuts between two readings. */
  taken: { id: string; filer: string; count: number; removed: Nm }[];
  /** Whether it may go in as it is. */
  done: boolean;
  /** What to cut next; null where nothing is to come off. */
  advice: CutAdvice | null;
}

/** A ring whose gap grew with no cut logged. */
export interface RingGrowth {
  /** The reading that is wider and the earlier one, by their ids, and their leaves. */
  reading: string;
  over: string;
  now: Nm;
  before: Nm;
  /** Whether it counts as filed until it is answered; else the narrower counts. */
  taken: boolean;
  /** Whether filing is what was advised before. */
  advised: boolean;
}

export interface RingAsk {
  ring: Ring;
  number: string;
  label: string;
  /** The cylinder it is in. */
  cylinder: string;
  target: Target;
  history: readonly Logged[];
  round: number;
  accepted: Accepted;
  /** Whether a ring was filed before a reading, by its id, where somebody said so. */
  filedBefore: ReadonlyMap<string, boolean>;
  bench: BenchChoices;
  strictness: Strictness;
  tools: Tools;
  /** Leaf step where a reading names no feelers. */
  feelerStep: Nm;
  /** Bores by cylinder. */
  bores: ReadonlyMap<string, RingBore>;
  metals: RingMetals;
}

/** What a ring's gap needs to be brought to 20 °C. */
interface RingMetals {
  /** Expansion of ring and of cylinder wall, per kelvin. */
  ring: number;
  wall: number;
  /** Of the bore; null where no size of it is known. */
  diameter: Nm | null;
}

/** How far leaves may be off that are not named, half-width: 0.0002 in. From memory. */
const UNNAMED_LEAF: Nm = 5_080;

/**
 * The girths of a judged bore: by depth, or its one size; none while it is not measured.
 *
 * @example boreGirths(cylinder.bore).length // 1
 */
export function boreGirths(bore: JudgedBore): Girth[] {
  const girths = girthsOf(bore.measured, bore.roundWithin);
  if (girths.length > 0 || !bore.size) return girths;
  const { value, doubt } = bore.size;
  const known = sumOf([
    { standard: doubt.own, freedom: doubt.freedom },
    { standard: rectangular(bore.roundWithin / 2), freedom: Infinity },
  ]);
  return [{ depth: null, mean: value, own: known.standard, freedom: known.freedom }];
}

/** A bore as rings see it. */
export function ringBore(bore: JudgedBore, label: string): RingBore {
  const tools = new Set(livePasses(bore.passes, bore.round).map((p) => p.instrument ?? ''));
  return {
    label,
    girths: boreGirths(bore),
    round: bore.round,
    gauge: [...tools].sort().join(' '),
    tool: bore.size?.doubt.tool ?? 0,
  };
}

/** From one leaf to the next of the feelers a ring was read with, nm; the standing step where none are named. */
export const stepOf = (
  { instrument }: Pick<LoggedReading, 'instrument'>,
  { tools, feelerStep }: Pick<RingAsk, 'tools' | 'feelerStep'>,
): Nm => (instrument === null ? undefined : tools.get(instrument))?.resolution ?? feelerStep;

/**
 * What a gap read in a warm bore changes by to 20 °C, and how well that is known: ring and bore lie in one shop, and the
 * gap moves by π·D·(α_ring − α_bore) a kelvin (identity). Nothing of a bore of which no size is known.
 */
function warmGap(reading: LoggedReading, { ring, wall, diameter }: RingMetals): Pick<PlacedReading, 'cooled' | 'heat'> {
  const girth = Math.PI * (diameter ?? 0);
  const { part, noted } = temperaturesOf(reading, null);
  return { cooled: girth * (ring - wall) * (part - COLD), heat: sharedShopDoubt(girth, wall - ring, noted) };
}

/** What counts of a ring's history: of the ring as it is now, in bores as they are now, without what was struck out. */
function eventsOf(ask: RingAsk): { events: RingEvent[]; readings: Map<string, LoggedReading> } {
  const { history, round, bores, tools } = ask;
  const readings = new Map<string, LoggedReading>();
  const events: RingEvent[] = [];
  for (const item of history) {
    if (!isLive(item, round)) continue;
    if (!isReading(item)) {
      events.push({ kind: 'cut', id: item.id, filer: item.filer, count: item.count });
      continue;
    }
    if (item.boreRound !== (bores.get(item.cylinder)?.round ?? 0)) continue;
    readings.set(item.id, item);
    const { fit } = item;
    events.push({
      kind: 'reading',
      reading: {
        id: item.id,
        cylinder: item.cylinder,
        depth: fit?.depth ?? null,
        value: item.value,
        upTo: item.upTo,
        open: fit?.open ?? false,
        step: stepOf(item, ask),
        ...warmGap(item, ask.metals),
        leaf: (item.instrument === null ? undefined : tools.get(item.instrument))?.limit ?? UNNAMED_LEAF,
        deburred: fit?.deburred ?? false,
        squared: fit?.squared ?? false,
      },
    });
  }
  return { events, readings };
}

/** What a ring that is squared so asks for: one reading squared otherwise. Common practice, no source. */
const isCocking = ({ fit }: LoggedReading): boolean => fit?.squaring === 'domedPiston' || fit?.squaring === 'hand';

interface Decided {
  state: GapState;
  chance: number | null;
  overChance: number;
  low: Low | null;
}

/** What is decided of a gap as it is known. */
export function decidedGap(found: Estimate, target: Target, step: Nm, strictness: Strictness): Decided {
  if (!target.set) return { state: 'no target', chance: null, overChance: 0, low: null };
  const bounds = { ...target.inForce, grace: graceOf(step, strictness), half: step / 2 };
  const { side, chance, overChance, low } = decide(found, bounds, strictness.sure);
  return { state: GAP_STATES[side], chance, overChance, low };
}

/** Half a thou in a shop of thou leaves is a hundredth of a millimetre in one of millimetre leaves. Common practice, no source. */
const METRIC_LEAVES = { step: 10_000, grace: 10_000 };

/** How far under its limit a gap still counts as at it: half a leaf, and no more than the shop allows. */
export const graceOf = (step: Nm, { gapGrace }: Strictness): Nm =>
  Math.min(step / 2, gapGrace, step % METRIC_LEAVES.step === 0 ? METRIC_LEAVES.grace : Infinity);

/** What was called, as if the place it was read at were the one that counts. */
const asCalled = (called: GapReading, step: Nm): Estimate => ({
  low: called.value,
  high: nextLeaf(called, step),
  standard: 0,
  freedom: Infinity,
  passed: true,
});

/** Of a ring that was not read yet. */
const UNREAD = {
  reading: null,
  called: null,
  readIn: null,
  counts: null,
  differs: false,
  state: 'to do',
  chance: null,
  overChance: 0,
  low: null,
  toComeOff: null,
  shrunk: 0,
  growth: null,
  isUndated: false,
  asksSquaring: false,
  ...UNANSWERED,
  done: false,
} as const;

/**
 * The gap that grew with no cut logged, where it is to be asked about: of a ring that is short whatever the answer
 * nothing is asked, it is filed on.
 */
function growthOf(
  grown: Growth | null,
  state: GapState,
  target: Target,
  gapFrom: (of: readonly PassReading[]) => CountedGap | null,
): RingGrowth | null {
  if (!grown || !(grown.taken ? state !== 'short' : !gapIsDone(state))) return null;
  const gapBefore = gapFrom(grown.before);
  return {
    reading: grown.reading.id,
    over: grown.over.id,
    now: grown.reading.value,
    before: grown.over.value,
    taken: grown.taken,
    advised: target.set && gapBefore !== null && bestOf(gapBefore) < target.inForce.aimFrom,
  };
}

type ReadIn = JudgedRing['readIn'];

/** The bore that a ring was read in, where that is another one than its own. */
const otherBore = ({ cylinder, bores }: RingAsk, reading: LoggedReading): ReadIn =>
  reading.cylinder === cylinder
    ? null
    : { cylinder: reading.cylinder, label: bores.get(reading.cylinder)?.label ?? reading.cylinder };

/** Whether what counts is another figure than what was called, by more than a leaf can tell, or decides otherwise. */
function isOtherwise(
  found: CountedGap,
  called: GapReading,
  decided: Decided,
  step: Nm,
  { target, strictness }: RingAsk,
): boolean {
  const before = asCalled(called, step);
  return (
    Math.abs(bestOf(found) - bestOf(before)) > step / 2 ||
    decidedGap(before, target, step, strictness).state !== decided.state
  );
}

/** What is decided of a ring that was read. */
function judgedGap(ask: RingAsk, passes: Passes, last: PassReading, reading: LoggedReading) {
  const { cylinder, target, bench, bores, strictness } = ask;
  const { value, upTo, open, step } = last;
  const called: GapReading = { value, upTo, open };
  const gapFrom = (of: readonly PassReading[]): CountedGap | null =>
    countedGap({
      ...{ readings: of, home: cylinder, bores, notFiled: passes.notFiled },
      repeat: Math.max(bench.repeat, step),
    });
  const found = gapFrom(passes.since);
  const unknown: Decided = { state: target.set ? 'not proven' : 'no target', chance: null, overChance: 0, low: null };
  const decided = found ? decidedGap(found, target, step, strictness) : unknown;
  const shrunk = shrunkOver(passes);
  const isApart = shrunk > 0 || Boolean(found?.disagreement);
  const isUndated = found !== null && passes.undated.has(found.by) && !gapIsDone(decided.state);
  const state = isUndated || (isApart && gapIsDone(decided.state)) ? 'not proven' : decided.state;
  const readIn = otherBore(ask, reading);
  const differs = found !== null && (readIn !== null || isOtherwise(found, called, decided, step, ask));
  const counts = found && (differs ? found : { ...found, value });
  const growth = growthOf(passes.growth, state, target, gapFrom);
  const isToBeFiled = counts && !isApart && !growth && !isUndated;
  return {
    ...decided,
    ...{ reading, called, readIn, counts, differs, state, shrunk, growth, isUndated },
    toComeOff: isToBeFiled ? toComeOff(counts.value, counts.high, target, state) : null,
  };
}

/** A ring from its history. Its advice comes once all rates are known. */
export function judgeRing(ask: RingAsk): JudgedRing {
  const { ring, number, label, cylinder, target, history, round, bench, bores, strictness, accepted } = ask;
  const { events, readings } = eventsOf(ask);
  const passes = passesOf({ events, repeat: bench.repeat, home: cylinder, bores, answers: ask.filedBefore });
  const { repeats, filed, cutsSince } = passes;
  const step = passes.reading?.step ?? ask.feelerStep;
  const base = {
    ...{ ring, number, label, target, history, round, step, repeats, filed, cutsSince },
    passes: history.filter(isReading),
    grace: graceOf(step, strictness),
    unprepared: [...passes.unprepared],
    unlogged: [...passes.unlogged],
    taken: passes.taken.flatMap(({ ids, filer, count, removed }) =>
      ids.slice(-1).map((id) => ({ id, filer, count, removed: Math.round(removed) })),
    ),
    advice: null,
  };
  const reading = passes.reading && readings.get(passes.reading.id);
  if (!reading || !passes.reading) return { ...base, ...UNREAD };
  const judged = judgedGap(ask, passes, passes.reading, reading);
  const { state, counts, growth } = judged;
  const asksSquaring = passes.since.every(({ id }) => {
    const logged = readings.get(id);
    return logged !== undefined && isCocking(logged);
  });
  const answer = answerOf(accepted, {
    ...{ acceptId: cutsSince > 0 ? null : reading.id, what: null, state },
    held: counts && exceededLimit(state, counts.value, target),
    where: whereOf(cylinder, null),
  });
  return {
    ...base,
    ...judged,
    ...answer,
    asksSquaring,
    done: answer.accepted !== null || (gapIsDone(state) && cutsSince === 0 && !asksSquaring && growth === null),
  };
}
