/** One bearing of the bottom end, and what is read beside it: held against what the manual gives. */
import { type FigureAtLimit, furthestOver } from '../../foundation/verdict/figureAtLimit';
import { classAt, groundBy } from '../../foundation/quantity/sizeLimits';
import { STEEL_EXPANSION } from '../../foundation/uncertainty/expansion';
import { clearanceDoubt, clearanceIsDone, verdictOn } from '../../models/clearance/clearance';
import type { Nm } from '../../foundation/quantity/length';
import {
  type Acceptable,
  type Accepted,
  type LoggedReading,
  lastOf,
  livePasses,
  zeroedAlike,
  UNANSWERED,
  answerOf,
} from '../../record/reading';
import { type Target, exceededLimit } from '../../models/targets/target';
import {
  type Measuring,
  type Sized,
  type Tools,
  rangeOf,
  sizedOf,
  toolLimit,
} from '../../foundation/verdict/measuredSize';
import { shopTemperature } from '../../foundation/uncertainty/thermal';
import { type Component, expandedOf, sumOf } from '../../foundation/uncertainty/combine';
import type { Strictness } from '../../foundation/verdict/decide';
import { type Apart, betweenEnds } from '../../foundation/verdict/repeats';
import { type Spot, ENDS, sameSpot } from '../../foundation/parts/spots';
import { opensBy } from './thermalClearance';
import type { BearingKind, GivenLimits, JournalChoices } from './choices';
import type {
  BearingClearance,
  ClearanceBy,
  Disagreeing,
  JudgedFigure,
  JudgedBearing,
  JudgedJournal,
  JudgedInspection,
  JudgedPlaceOn,
} from './types';

/** Where a journal is read: along it, and in line with its throw and square to it. Common practice, no source. */
export const journalSpots = ({ ends, directions }: Pick<JournalChoices, 'ends' | 'directions'>): Spot[] =>
  (ends === 2 ? ENDS : (['middle'] as const)).flatMap((depth) =>
    (directions === 2 ? [0, 90] : [0]).map((angle) => ({ depth, angle })),
  );

/** The two halves of a pair of shells: the one in block or rod, and the one in the cap. */
export const SHELL_SPOTS: readonly Spot[] = [
  { depth: 'upper', angle: 0 },
  { depth: 'lower', angle: 0 },
];

/** Marks of a crushed thread stand about half a thou apart: one figure is known to half of that. From memory. */
const HALF_A_MARK: Nm = 6_350;

/** What a figure may be, as a target; what is asked for where nobody said. */
export const targetFrom = ({ least, aim, most, source }: GivenLimits, ask: string): Target =>
  least === null
    ? { set: false, ask }
    : {
        set: true,
        inForce: {
          rank: 'manual',
          standing: 'from a manual',
          from: source,
          working: [],
          least,
          aimFrom: aim?.from ?? least,
          aimTo: aim?.to ?? most,
          most,
          mostHard: false,
        },
        outranked: [],
        why: [],
      };

interface HoldAsk {
  /** Best known between these, with this doubt of either; null where it is not read. */
  found: (Component & { low: Nm; high: Nm }) | null;
  target: Target;
  strictness: Strictness;
  /** The readings that it rests on. */
  readings: readonly LoggedReading[];
  what: Acceptable | null;
  accepted: Accepted;
  /** Readings it rests on that cannot all be true. */
  disagreements: readonly Disagreeing[];
}

/**
 * A figure of the bottom end against what it may be: too little costs the engine and is guarded, too much is judged by
 * the best estimate. What rests on readings that disagree is not proven, however good it looks.
 */
export function judgeFigure(ask: HoldAsk): JudgedFigure {
  const { found, target, strictness, readings, what, accepted, disagreements } = ask;
  const verdict = verdictOn(found && { ...found, passed: false }, target, strictness);
  const isDoubtful = disagreements.length > 0 && clearanceIsDone(verdict.state);
  const state = isDoubtful ? 'not proven' : verdict.state;
  const acceptId = found && lastOf(readings);
  const value = found && Math.round((found.low + found.high) / 2);
  const held = value === null ? null : exceededLimit(state, value, target);
  const answer = answerOf(accepted, { acceptId, what, state, held });
  return {
    value,
    low: found?.low ?? 0,
    high: found?.high ?? 0,
    uncertainty: found ? Math.round(expandedOf(found)) : 0,
    target,
    state,
    chance: verdict.chance,
    lowSide: verdict.low,
    ...answer,
    done: clearanceIsDone(state) || answer.accepted !== null,
    disagreements,
  };
}

/** What is read on a bearing, by what is read: each the history of one place, or none. */
type BearingPasses = Record<'journal' | 'housing' | 'bare' | 'shell' | 'thread', readonly LoggedReading[]>;

interface BearingAsk {
  id: string;
  label: string;
  words: string;
  kind: BearingKind;
  passes: BearingPasses;
  /** How often its shells were changed, its journal ground, and its housing machined. */
  rounds: Record<'shells' | 'journal' | 'housing', number>;
  choices: JournalChoices;
  /** How far under its first size its journal is ground, by the shells that are in. */
  under: Nm;
  /** Of block or rod, per kelvin. */
  expansion: number;
  tools: Tools;
  strictness: Strictness;
  accepted: Accepted;
  looks: JudgedInspection[];
}

interface OnSpot {
  spot: Spot;
  readings: LoggedReading[];
}

/** Readings by where they were made: the places asked for, then any other. */
function bySpot(readings: readonly LoggedReading[], asked: readonly Spot[]): OnSpot[] {
  const at = asked.map((spot): OnSpot => ({ spot, readings: [] }));
  for (const reading of readings) {
    const place = reading.place ?? asked[0];
    if (!place) continue;
    let found = at.find((o) => sameSpot(o.spot, place));
    if (!found) at.push((found = { spot: place, readings: [] }));
    found.readings.push(reading);
  }
  return at;
}

/** The most that figures of one group lie apart; null where no group has two. */
function furthest(spots: readonly JudgedPlaceOn[], groupOf: (spot: Spot) => string | number): Nm | null {
  const groups = [...new Set(spots.map(groupOf))].map((group) =>
    spots.flatMap((s) => (groupOf(s) === group ? (s.value ?? []) : [])),
  );
  const apart = groups.flatMap((sizes) => (sizes.length > 1 ? [rangeOf(sizes)] : []));
  return apart.length === 0 ? null : Math.max(...apart);
}

/** What disagrees in itself, by name; nothing where it agrees. */
export const disagreeing = (what: string, found: { disagreement: Apart | null } | null): Disagreeing[] =>
  found?.disagreement ? [{ what, ...found.disagreement }] : [];

/** Marks of a crushed thread, read twice by one hand, lie within half a thou. From memory. */
const THREAD_REPEATS: Nm = 12_700;

/** Journals and shells: what takes room in a bearing, so that the thicker reading is the costly one. */
const thickOf = (readings: readonly LoggedReading[], measuring: Omit<Measuring, 'expansion'>): Sized | null =>
  sizedOf(readings, { ...measuring, expansion: STEEL_EXPANSION }, 'most');

function judgedJournal({ kind, passes, rounds, choices, under, accepted }: BearingAsk, at: Measuring): JudgedJournal {
  const live = livePasses(passes.journal, rounds.journal);
  const asked = journalSpots(choices);
  const on = bySpot(live, asked).map(({ spot, readings }) => ({ spot, sized: thickOf(readings, at) }));
  const spots = on.map(({ spot, sized }) => ({ ...spot, value: sized?.value ?? null }));
  const sizes = spots.flatMap((s) => s.value ?? []);
  const largest = Math.max(...sizes);
  const outOfRound = furthest(spots, (s) => s.depth);
  const taper = furthest(spots, (s) => s.angle);
  const outBy = (figure: Nm | null, limit: Nm | null): { figure: Nm; limit: Nm }[] =>
    figure !== null && limit !== null && figure > limit ? [{ figure, limit }] : [];
  const { form } = choices;
  const limits = groundBy(choices.bearings[kind].sizes, under);
  const least = sizes.length === 0 ? null : Math.min(...sizes);
  const worn: FigureAtLimit[] =
    least !== null && limits.least !== null && least < limits.least
      ? [{ figure: least, limit: limits.least, side: 'least' }]
      : [];
  const isPart = spots.slice(0, asked.length).some((s) => s.value === null);
  const asksForm = [form.outOfRound, form.taper, limits.least, limits.most].some((limit) => limit !== null);
  const faults = [
    ...outBy(outOfRound, form.outOfRound),
    ...outBy(taper, form.taper),
    ...worn,
    ...outBy(least === null ? null : largest, limits.most),
  ];
  const held = furthestOver(faults);
  const acceptId = lastOf(live);
  return {
    spots,
    size: on.find(({ sized }) => sized?.value === largest)?.sized ?? null,
    least,
    limits,
    sizeClass: least === null ? null : classAt(largest, limits),
    outOfRound,
    taper,
    state: sizes.length === 0 ? 'to do' : held ? 'out' : isPart && asksForm ? 'part read' : 'within',
    ...(held ? answerOf(accepted, { acceptId, what: 'form', state: 'out', held }) : { ...UNANSWERED, acceptId }),
    disagreements: on.flatMap(({ sized }) => disagreeing('journal', sized)),
  };
}

interface Measured {
  /** Between these. */
  low: Nm;
  high: Nm;
  doubt: Component;
  readings: readonly LoggedReading[];
  zeroed: boolean;
}

/** Housing with its shells in, less the journal. */
function withShells(ask: BearingAsk, journal: Sized | null, housing: Sized | null): Measured | null {
  if (!journal || !housing) return null;
  const readings = livePasses(ask.passes.housing, ask.rounds.shells);
  const on = zeroedAlike(readings);
  const zeroed = on !== null && 'journal' in on && on.journal === ask.id && on.size === journal.value;
  const value = housing.value - journal.value;
  return { low: value, high: value, doubt: clearanceDoubt(housing, journal, zeroed), readings, zeroed };
}

/**
 * How much a housing holds its shells open over what housing and loose shells measure, as a share of its diameter: their
 * crush stretches it, and is not in either reading. 0.13 to 0.47 thou on 2¼ in. From memory.
 */
const CRUSH = { least: 0.06e-3, most: 0.21e-3 };

/**
 * Bare housing, less both shells and the journal, and what crush opens it by. The micrometer that reads both shells is off
 * alike in both: that counts twice, not by root sum of squares. Where one half was read, the other is taken to be as thick.
 */
function apart(ask: BearingAsk, journal: Sized | null, bare: Sized | null, shells: readonly Sized[]): Measured | null {
  const [upper, lower = upper] = shells;
  if (!journal || !bare || !upper || !lower) return null;
  const own =
    upper === lower
      ? [{ standard: 2 * upper.doubt.own, freedom: upper.doubt.freedom }]
      : [upper, lower].map(({ doubt }) => ({ standard: doubt.own, freedom: doubt.freedom }));
  const value = bare.value - upper.value - lower.value - journal.value;
  return {
    low: value + Math.round(CRUSH.least * bare.value),
    high: value + Math.round(CRUSH.most * bare.value),
    doubt: sumOf([
      clearanceDoubt(bare, journal),
      ...own,
      { standard: upper.doubt.tool + lower.doubt.tool, freedom: Infinity },
    ]),
    readings: [...livePasses(ask.passes.bare, ask.rounds.housing), ...livePasses(ask.passes.shell, ask.rounds.shells)],
    zeroed: false,
  };
}

/** Readings that a clearance rests on, and that cannot all be true. */
const restingOn = (by: ClearanceBy, journal: JudgedJournal, { housing, bare, shells }: BearingSizes): Disagreeing[] => [
  ...journal.disagreements,
  ...(by === 'with shells'
    ? disagreeing('housing', housing)
    : [...disagreeing('bare housing', bare), ...shells.sizes.flatMap((sized) => disagreeing('shell', sized))]),
];

type BearingSizes = Pick<JudgedBearing, 'housing' | 'bare' | 'shells'>;
type MeasuredBy = Measured & { by: 'with shells' | 'apart' };

/** The clearance as it comes out of sizes, by each way that was read. */
function measuredClearances(ask: BearingAsk, journal: JudgedJournal, sizes: BearingSizes): MeasuredBy[] {
  const together = withShells(ask, journal.size, sizes.housing);
  const parts = apart(ask, journal.size, sizes.bare, sizes.shells.sizes);
  return [
    ...(together ? [{ by: 'with shells' as const, ...together }] : []),
    ...(parts ? [{ by: 'apart' as const, ...parts }] : []),
  ];
}

const crushedThread = (threads: readonly LoggedReading[], tools: Tools) =>
  betweenEnds(
    threads.map((r) => ({
      ...{ id: r.id, low: r.value, high: r.upTo ?? r.value },
      limit: r.upTo === null ? HALF_A_MARK : toolLimit([r], tools),
    })),
    THREAD_REPEATS,
  );

/** What a crushed thread shows, and whether sizes agree with it. */
function threadCheck(crushed: ReturnType<typeof crushedThread>, measured: Measured | null): BearingClearance['check'] {
  if (!crushed) return null;
  const { low, high } = crushed;
  const slack = measured ? expandedOf(sumOf([measured.doubt, crushed])) : 0;
  return { low, high, agrees: !measured || (measured.high >= low - slack && measured.low <= high + slack) };
}

function clearanceOf(ask: BearingAsk, journal: JudgedJournal, sizes: BearingSizes): BearingClearance {
  const { choices, kind, passes, rounds, tools } = ask;
  const both = measuredClearances(ask, journal, sizes);
  const measured = both.find((m) => m.by === choices.method) ?? both[0] ?? null;
  const threads = livePasses(passes.thread, rounds.shells);
  const crushed = crushedThread(threads, tools);
  const thread = choices.method === 'thread' ? crushed : null;
  const counted = thread
    ? {
        by: 'thread' as const,
        ...{ found: thread, readings: threads, zeroed: false },
        disagreements: disagreeing('crushed thread', thread),
      }
    : {
        by: measured?.by ?? null,
        found: measured && { ...measured.doubt, low: measured.low, high: measured.high },
        readings: [...(measured?.readings ?? []), ...livePasses(passes.journal, rounds.journal)],
        zeroed: measured?.zeroed ?? false,
        disagreements: measured ? restingOn(measured.by, journal, sizes) : [],
      };
  const held = judgeFigure({
    ...{ found: counted.found, readings: counted.readings, disagreements: counted.disagreements },
    target: targetFrom(
      choices.bearings[kind].clearance,
      `What the manual gives for the ${kind === 'main' ? 'mains' : 'rods'}: figures differ too much to fill one in.`,
    ),
    strictness: ask.strictness,
    what: 'bearing',
    accepted: ask.accepted,
  });
  const other = both.find((m) => m !== measured) ?? (thread ? measured : null);
  return {
    ...held,
    by: counted.by,
    zeroed: counted.zeroed,
    check: threadCheck(crushed, measured),
    otherwise: other && Math.round((other.low + other.high) / 2),
    hot:
      held.value === null || !journal.size ? null : held.value + Math.round(opensBy(journal.size.value, ask.expansion)),
  };
}

/** One bearing from its readings. */
export function judgeBearing(ask: BearingAsk): JudgedBearing {
  const { passes, rounds, expansion, tools, id, label, words, kind, looks } = ask;
  const live = {
    journal: livePasses(passes.journal, rounds.journal),
    housing: livePasses(passes.housing, rounds.shells),
    bare: livePasses(passes.bare, rounds.housing),
    shell: livePasses(passes.shell, rounds.shells),
  };
  const at = { expansion, tools, shop: shopTemperature(Object.values(live).flat()) };
  const journal = judgedJournal(ask, at);
  const on = bySpot(live.shell, SHELL_SPOTS).map(({ spot, readings }) => ({ spot, sized: thickOf(readings, at) }));
  const sizes = {
    housing: sizedOf(live.housing, at, 'least'),
    bare: sizedOf(live.bare, at, 'least'),
    shells: {
      spots: on.map(({ spot, sized }) => ({ ...spot, value: sized?.value ?? null })),
      sizes: on.flatMap(({ sized }) => sized ?? []),
    },
  };
  return {
    ...{ id, label, words, kind, journal, ...sizes, looks },
    clearance: clearanceOf(ask, journal, sizes),
    round: rounds.shells,
  };
}
