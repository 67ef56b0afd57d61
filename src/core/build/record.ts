/**
 * BuildRecord: everything known of one engine, as the entries that were appended to it, in order.
 * Nothing in it is ever changed: a choice is replaced by a later one, a reading is voided by a later entry
 * that says why, and all of them stay on record.
 */
import type { BoreChoices, Depth, Spot } from '../bore/grid';
import type { SizingChoices } from '../bore/plan';
import type { Check } from '../clocking/block';
import type { ClockingChoices } from '../clocking/choices';
import type { Joints } from '../clocking/joints';
import type { Engine } from '../engine/engine';
import type { Nm, Units } from '../quantity/length';
import type { PistonChoices } from '../piston/piston';
import type { Pair } from '../piston/standing';
import { type Ring, type Squaring } from '../ring/ring';
import type { Placed, PlacingAim } from '../ring/placed';
import type { RateSums } from '../ring/rate';
import { GROOVES, type Groove, type RingSet } from '../ring/set';
import type { RingMetal } from '../heat/metals';
import type { HeatChoices } from '../heat/assess';
import { type Chart, STARTING_CHART } from '../targets/chart';
import type { Service } from '../targets/duty';
import type { Surface, TargetChoices } from '../targets/target';
import type { Instrument } from '../uncertainty/instrument';

/** The job card. */
export interface Job {
  name: string;
  customer: string;
  /** The engine in the shop's words. */
  description: string;
  notes: string;
  engine: Engine;
  /** The system the shop speaks for this engine: what a bare number means. */
  units: Units;
  /** Finished bore as planned; null when not decided. */
  plannedBore: Nm | null;
  /** What it is for, and what adds power: suggests the chart's row. */
  service: Service;
  /** Row of the chart by id, where the builder chose one; null follows what the service suggests. */
  duty: string | null;
  /** Column of the chart by id; null when not said. */
  construction: string | null;
  /** What the cylinder wall is; null when not said. */
  surface: Surface | null;
}

/** The order rings are taken in: all of one cylinder, all of one kind, all of one bank, or as they come to hand. */
export const ROUTES = ['byCylinder', 'byRing', 'byBank', 'free'] as const;
export type Route = (typeof ROUTES)[number];

/** How the bench works on this engine. */
export interface BenchChoices {
  route: Route;
  /** Whether oil rails are read on the route. */
  rails: boolean;
  /** How far readings of one setting may lie apart before the ring is squared again. */
  repeat: Nm;
  /** How far gaps of one kind may lie apart. */
  spread: Nm;
  /** Chance, 0 to 1, that an advised cut may pass the window's end. */
  chance: number;
}

/** Which ring of a kind is in which cylinder, and which stay. */
export interface KindPlacing {
  /** Empty until rings are swapped: each is then in the cylinder whose number it has. */
  pairs: Placed[];
  /** Cylinders whose ring stays. */
  locked: string[];
}

export interface PlacingChoices {
  top: KindPlacing;
  second: KindPlacing;
  aim: PlacingAim;
}

/** Which piston is in which cylinder, and what pairing may not touch. */
export interface PairingChoices {
  /** Empty until pistons are swapped: each is then in the cylinder whose number it has. */
  pairs: Pair[];
  /** Cylinders whose piston stays. */
  locked: string[];
  /** Pistons that carry their number. */
  marked: string[];
  /** The worst deviation must come down by at least this for a marked piston to be moved. */
  gain: Nm;
  neverTight: boolean;
}

/** Sizes of a piston and its pin, and the feeler strip drawn beside it as a check. */
export const PISTON_SUBJECTS = ['piston', 'pin', 'pinBore', 'strip'] as const;
export type PistonSubject = (typeof PISTON_SUBJECTS)[number];

/** Axial clearance of a ring in its groove, and how deep it sinks under the land. */
export const GROOVE_SUBJECTS = ['topSide', 'secondSide', 'oilSide', 'topLand', 'secondLand', 'oilLand'] as const;
export type GrooveSubject = (typeof GROOVE_SUBJECTS)[number];

export type Subject = 'bore' | PistonSubject | GrooveSubject | Ring;

/** The groove that a subject is of, and which of its two figures. */
export function grooveOf(subject: GrooveSubject): { groove: Groove; figure: 'side' | 'land' } {
  const groove = GROOVES.find((g) => subject.startsWith(g)) ?? 'top';
  return { groove, figure: subject.endsWith('Side') ? 'side' : 'land' };
}

export const isGrooveSubject = (subject: Subject): subject is GrooveSubject =>
  GROOVE_SUBJECTS.some((s) => s === subject);

export const isPistonSubject = (subject: Subject): subject is PistonSubject =>
  PISTON_SUBJECTS.some((s) => s === subject);

interface Stamp {
  /** Unique in the build; made where the entry was made, so that sending it twice adds it once. */
  id: string;
  /** ISO 8601, UTC. */
  at: string;
  /** Initials. */
  by: string;
}

/** How a ring stood when its gap was read. */
export interface RingFit {
  /** The place whose number the ring has: in its own cylinder, the same. */
  ring: string;
  /** Where down the bore; null when not said. */
  depth: Depth | null;
  squaring: Squaring | null;
  /** Whether it was deburred, and squared anew, before this reading. */
  deburred: boolean;
  squared: boolean;
  /** The leaf passes and no larger one was tried. */
  open: boolean;
}

interface Choice extends Stamp {
  /** The entry this choice was made over, null for the first: two people cannot overwrite each other unseen. */
  replaces: string | null;
}

export interface ReadingEntry extends Stamp {
  kind: 'reading';
  /** Place in the block, see `Cylinder.id`. Of a piston, its pin and its grooves: the place whose number the piston has. */
  cylinder: string;
  subject: Subject;
  /** Where in the bore; null for anything else, and for a bore of which only a size was given. */
  place: Spot | null;
  value: Nm;
  /** For a feeler bracket, the leaf that did not pass. */
  upTo: Nm | null;
  /** What was typed, letter for letter. */
  typed: string;
  /** Key of the tool, see `instrumentKey`, or its name in words; null when not said. */
  instrument: string | null;
  /** °C of the part, and of the tool, where given; 20 °C is taken where not. */
  temperature: number | null;
  gaugeTemperature: number | null;
  /** Whether a torque plate was bolted on; null when not said. */
  plate: boolean | null;
  /** Of a ring; null for anything else, and for a ring of which nothing was said: it is then the cylinder's own. */
  fit: RingFit | null;
}

/** A cut with a ring filer. */
export interface CutEntry extends Stamp {
  kind: 'cut';
  /** The place whose number the ring has. */
  cylinder: string;
  ring: Ring;
  /** Key of the filer, see `instrumentKey`; null when not said. */
  filer: string | null;
  /** Turns or strokes, as the filer counts; null when not counted. */
  count: number | null;
}

/** Something was checked at the block. */
export interface CheckEntry extends Stamp {
  kind: 'check';
  cylinder: string;
  check: Check;
  /** Of the joints: where they were planned; null for anything else, and where it is not known. */
  planned: Joints | null;
  /** Joints that were found elsewhere, and where. */
  found: Partial<Joints>;
  /** Of the front mark and the rod: what was looked for, see `againstOf`. */
  expected: string | null;
}

/** What can be machined or replaced, so that what was read of it no longer holds. */
export type Part = 'bore' | 'piston' | Ring;

/** What a bore gauge was zeroed at: a size, or the piston of each cylinder, so that the dial is the clearance. */
export type GaugeSetting = Nm | 'piston';

export type Entry =
  | ({ kind: 'job'; value: Job } & Choice)
  | ({ kind: 'targets'; value: TargetChoices } & Choice)
  /** The version of a chart that this build is set with, whole: a later edit of the chart never reaches it. */
  | ({ kind: 'chart'; value: Chart } & Choice)
  | ({ kind: 'heat'; value: HeatChoices } & Choice)
  | ({ kind: 'clocking'; value: ClockingChoices } & Choice)
  | ({ kind: 'bores'; value: BoreChoices } & Choice)
  | ({ kind: 'sizing'; value: SizingChoices } & Choice)
  | ({ kind: 'pistons'; value: PistonChoices } & Choice)
  | ({ kind: 'pairing'; value: PairingChoices } & Choice)
  | ({ kind: 'bench'; value: BenchChoices } & Choice)
  | ({ kind: 'ringSet'; value: RingSet } & Choice)
  | ({ kind: 'placing'; value: PlacingChoices } & Choice)
  /** A tool, whole, as it was when readings named it: a later edit in the shop never reaches them. */
  | ({ kind: 'instrument'; value: Instrument } & Stamp)
  /** A bore gauge was zeroed; `instrument` is the key of the gauge, null where none was named. */
  | ({ kind: 'setting'; instrument: string | null; to: GaugeSetting } & Stamp)
  /** A bore was bored or honed, or a piston or a ring replaced: what was read of it before no longer holds and is kept. */
  | ({ kind: 'renewed'; part: Part; cylinder: string } & Stamp)
  | ReadingEntry
  | CutEntry
  /** What a filer took off on the shop's other engines, as it was known when it was first used here. */
  | ({ kind: 'rate'; filer: string; metal: RingMetal | 'unknown'; sums: RateSums } & Stamp)
  /** A gap over its limit is accepted as it was read. */
  | ({ kind: 'accepted'; of: string; reason: string } & Stamp)
  | CheckEntry
  /** An earlier reading, cut, acceptance, check or renewal no longer counts. */
  | ({ kind: 'void'; of: string; reason: string } & Stamp);

export const CHOICE_KINDS = [
  'job',
  'targets',
  'chart',
  'heat',
  'clocking',
  'bores',
  'sizing',
  'pistons',
  'pairing',
  'bench',
  'ringSet',
  'placing',
] as const;
export type ChoiceKind = (typeof CHOICE_KINDS)[number];

export interface BuildRecord {
  id: string;
  entries: Entry[];
}

/** The last entry of a kind of choice, or null. */
export function choiceIn<K extends ChoiceKind>(record: BuildRecord, kind: K): Extract<Entry, { kind: K }> | null {
  const { entries } = record;
  for (let i = entries.length - 1; i >= 0; i -= 1)
    if (entries[i]?.kind === kind) return entries[i] as Extract<Entry, { kind: K }>;
  return null;
}

/** The entry that sets a new build with a chart; none for the starting chart as the program comes with it. */
export const firstChart = (chart: Chart, stamp: { at: string; by: string }): Entry[] =>
  chart.id === STARTING_CHART.id && chart.version === STARTING_CHART.version
    ? []
    : [{ ...stamp, id: 'chart-1', kind: 'chart', replaces: null, value: chart }];

/** Readings that repeat within a thou, gaps within 2 thou of each other: common practice, no source. One cut in twenty: from memory. */
export const STARTING_BENCH: BenchChoices = {
  route: 'byCylinder',
  rails: false,
  repeat: 25_400,
  spread: 50_800,
  chance: 0.05,
};
export const STARTING_PLACING: PlacingChoices = {
  top: { pairs: [], locked: [] },
  second: { pairs: [], locked: [] },
  aim: 'filing',
};
/** A marked piston moves for a tenth of a thou. From memory. */
export const STARTING_PAIRING: PairingChoices = { pairs: [], locked: [], marked: [], gain: 2_540, neverTight: true };

/** Entries that a later one may void. */
export const VOIDABLE = ['reading', 'cut', 'accepted', 'check', 'renewed'] as const;
export const isVoidable = (entry: Entry): boolean => VOIDABLE.some((kind) => kind === entry.kind);
