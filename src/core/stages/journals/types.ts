/** The bottom end: what it is judged from, and what is found of it. */
import type { WalkHabits } from './rodInspection';
import type { RodChoices } from '../../foundation/engine/crankcase';
import type { Cylinder } from '../../foundation/engine/engine';
import type { Nm } from '../../foundation/quantity/length';
import type { ClearanceState } from '../../models/clearance/clearance';
import type { PistonsPart } from '../pistons';
import type { Answer } from '../../record/reading';
import type { EngineContext, Place } from '../contract/stage';
import type { Target } from '../../models/targets/target';
import type { Sized } from '../../foundation/verdict/measuredSize';
import type { Low, Strictness } from '../../foundation/verdict/decide';
import type { Apart } from '../../foundation/verdict/repeats';
import type { SizeLimits } from '../../foundation/quantity/sizeLimits';
import type { Spot } from '../../foundation/parts/spots';
import type { BearingCheck } from '../../record/bearingChecks';
import type { BearingKind, JournalChoices, ShellChoices } from './choices';
import type { OnCrank } from './crank';

/** A figure of the bottom end, held against what it may be. */
export interface JudgedFigure extends Answer {
  /** The best estimate; null while it is not read. */
  value: Nm | null;
  /** The ends of what is left open, where it is a range; else the value twice. */
  low: Nm;
  high: Nm;
  /** U of either end. */
  uncertainty: Nm;
  target: Target;
  state: ClearanceState;
  /** The chance that it lies under its least by more than the grace; null where nothing is asked of it. */
  chance: number | null;
  lowSide: Low | null;
  done: boolean;
  /** Readings it rests on that cannot all be true, each with what was read. */
  disagreements: readonly Disagreeing[];
}

/** Readings of one thing that cannot all be true. */
export interface Disagreeing extends Apart {
  what: string;
}

/** One place on a journal, or one half shell. */
export interface JudgedPlaceOn extends Spot {
  value: Nm | null;
}

export interface JudgedJournal extends Answer {
  spots: JudgedPlaceOn[];
  /** Where it is thickest: its clearance is least there. */
  size: Sized | null;
  least: Nm | null;
  /** What it may measure, ground as it is. */
  limits: SizeLimits;
  /** The class of sizes it belongs to; null for none. */
  sizeClass: string | null;
  outOfRound: Nm | null;
  taper: Nm | null;
  /**
   * `out` where it is out of round or tapered by more than it may be, or its size is past its limits; `part read`
   * where limits are given, and not all places are read.
   */
  state: 'to do' | 'part read' | 'within' | 'out';
  disagreements: readonly Disagreeing[];
}

/** How a clearance was come by. */
export type ClearanceBy = 'with shells' | 'apart' | 'thread';

/** What a crushed thread says beside a measured clearance. */
export interface ThreadCheck {
  low: Nm;
  high: Nm;
  agrees: boolean;
}

export interface BearingClearance extends JudgedFigure {
  by: ClearanceBy | null;
  /** The gauge was zeroed on this journal, which measures as it did then: how it was read drops out. */
  zeroed: boolean;
  check: ThreadCheck | null;
  /** What it comes to by the other way of measuring, where both were done; null where not. */
  otherwise: Nm | null;
  /** What it comes to once housing and journal are warm, for information; null where it or its journal is not known. */
  hot: Nm | null;
}

/** One bearing: a journal, its housing and its shells. */
export interface JudgedBearing extends Place {
  kind: BearingKind;
  journal: JudgedJournal;
  /** With its shells in. */
  housing: Sized | null;
  bare: Sized | null;
  /** The half in block or rod, and the one in the cap. */
  shells: { spots: JudgedPlaceOn[]; sizes: readonly Sized[] };
  clearance: BearingClearance;
  /** What is looked at when it is put together, and by whom it was. */
  looks: JudgedInspection[];
  /** How often its shells were changed. */
  round: number;
}

export interface JudgedInspection {
  check: BearingCheck;
  state: 'to do' | 'right' | 'again';
  by: string;
  at: string;
}

export interface JournalsCylinderResult {
  /** The bearing of its rod. */
  rod: JudgedBearing;
  /** How much its rod can move along its throw. */
  side: JudgedFigure;
  /** The cylinder whose reading that is, where one is taken for both rods of a throw. */
  sideOf: string;
  /** Whether it can be read: the rods that it is of are on the crank. */
  isSideDue: boolean;
  /** The piston's pin in the rod's small end. */
  smallEnd: JudgedFigure;
}

export interface JudgedCrank extends Place {
  endPlay: JudgedFigure;
  looks: JudgedInspection[];
}

/** A clearance that the builder named. */
export interface JudgedOther extends Place {
  clearance: JudgedFigure;
}

export interface JournalsEngineResult {
  others: JudgedOther[];
  mains: JudgedBearing[];
  /** Null on an engine without a job card. */
  crank: JudgedCrank | null;
  /** Mains and throws from the front. */
  along: OnCrank[];
  /** The bearings of the rods, in the order of the engine’s own numbering. */
  rods: JudgedBearing[];
  /** Largest less least clearance of a kind; null under two. */
  apart: Record<BearingKind, Nm | null>;
  /** Whether that is over the shop’s limit. */
  tooFarApart: Record<BearingKind, boolean>;
}

export type Engine = EngineContext<{
  journals: JournalChoices;
  shells: ShellChoices;
  deciding: Strictness;
  clocking: { rods: RodChoices };
  walk: WalkHabits;
}>;

export type Pistoned = Cylinder & Pick<PistonsPart, 'piston'>;
export type Whole = Pistoned & JournalsCylinderResult;
export type All = Engine & JournalsEngineResult;
