'use client';

/** What every screen of one open build shares, each thing by itself: a screen that reads one is not drawn anew for another. */
import { type Context, createContext, useContext } from 'react';
import type { Spot } from '@/core/foundation/parts/spots';
import type { Joints } from '@/core/foundation/parts/joints';
import type { AcceptAsk, ChoiceValue } from '@/core/judge/newEntries';
import type { JudgedCylinder, Judgement } from '@/core/judge/judgement';
import type { Hand, NewReading } from '@/core/judge/preview';
import type { Nm, Units } from '@/core/foundation/quantity/length';
import type { LengthStyle } from '@/core/foundation/quantity/format';
import type { Message } from '@/core/foundation/quantity/message';
import type { BenchEntry } from '@/core/record/benchWork';
import type { Entry } from '@/core/judge/buildRecord';
import type { CheckEntry, Logged, LoggedReading, PinEntry, Stamp } from '@/core/record/reading';
import type { GaugeSetting } from '@/core/foundation/quantity/gaugeSetting';
import type { Ring } from '@/core/foundation/parts/rings';
import type { At } from '@/core/stages/contract/tasks';
import type { ChoiceKind, ListId, Subject, SubjectOn } from '@/core/judge/registry';
import type { Family, Instrument } from '@/core/foundation/uncertainty/instrument';
import type { OwnRoute } from './ownRoute';
import type { LiveRecord } from './useSync';

/** The units spoken and shown on this build, and lengths printed in them. */
export interface Words {
  units: Units;
  setUnits: (units: Units) => void;
  length: (nm: Nm, style?: LengthStyle) => string;
  /** A length without its unit, for a column that has it in its head; a dash where there is none. */
  number: (nm: Nm | null | undefined, style: LengthStyle) => string;
  /** The unit that lengths of a style are printed in. */
  unit: (style: LengthStyle) => string;
  range: (from: Nm, to: Nm | null) => string;
  text: (saying: Message) => string;
}

/** The cylinder in hand, or what else of the engine is, and what of it is in hand on each list of things to read. */
export interface Cursor {
  cylinder: string;
  /** What else of the engine is in hand where that can be; null for the cylinder. */
  place: string | null;
  spot: Spot;
  /** Where on a bearing. */
  onBearing: Spot;
  inHand: { [L in ListId]: SubjectOn<L> };
  /** Whether someone went there on purpose: then a change of stage stays there. */
  chosen: boolean;
}

export interface Moving {
  cursor: Cursor;
  cylinder: JudgedCylinder | null;
  /** Goes to a cylinder, because someone chose it. */
  toCylinder: (id: string) => void;
  /** Takes something else of the cylinder in hand, because someone chose it. */
  toSubject: (subject: Subject) => void;
  /** Goes to a thing to read: because someone chose it, or because the work leads there. */
  goTo: (at: At<Subject>, chosen?: boolean) => void;
  /** Goes to what is open first on a stage that is entered, unless someone chose something already. */
  beginAt: (at: At<Subject>) => void;
}

/** What was done, before it is known who did it and when. */
export type Done<E> = E extends unknown ? Omit<E, 'id' | 'at' | 'by'> : never;

/** What is done at the screens, and goes on record. */
export interface Logging {
  choose: <K extends ChoiceKind>(kind: K, value: ChoiceValue<K>) => void;
  read: (reading: NewReading) => void;
  /** The judgement as if some entries were made. */
  preview: (entries: readonly Entry[]) => Judgement;
  /** The judgement as if a reading were logged. */
  previewReading: (reading: NewReading) => Judgement;
  /** The bore gauge in hand was zeroed; or an earlier zero of it, by its id, turned out to have this size. */
  setGauge: (to: GaugeSetting, sizes?: string | null) => void;
  /** It was zeroed at the spot of a reading, of which no size is known yet. */
  zeroHere: (reading: NewReading) => void;
  /** A bore was machined, or a piston or a ring replaced: of which numbers. */
  renew: (part: string, numbers: string[]) => void;
  /** A ring was cut with the filer in hand. */
  cut: (number: string, ring: Ring, count: number | null) => void;
  /** Logs whether a ring was filed before a reading that is wider than those before it; returns the judgement with it. */
  answerFiled: (reading: string, was: boolean) => Judgement;
  /** A verdict is accepted as it is. */
  accept: (what: AcceptAsk, reason: string) => void;
  /** A reading was made in the bore of another cylinder than was noted: it is struck out and noted there. */
  reassign: (reading: LoggedReading, cylinder: string) => void;
  /** Entries are struck out, with why. */
  strike: (ids: string | readonly string[], reason: string) => void;
  /** A reading or a cut of this bench that was struck out is logged again as it was. */
  again: (item: Logged) => void;
  /** Something was checked at the block of a cylinder, or looked at on the bottom end; joints that were found elsewhere, and where. */
  tick: (place: string, check: CheckEntry['check'], found?: Partial<Joints>) => void;
  /** Pins a reminder on a place, or on a step or a part there; it is taken off by striking it. */
  pin: (on: Omit<PinEntry, 'kind' | keyof Stamp>) => void;
  /** Something was weighed, turned or tightened. */
  bench: (done: Done<BenchEntry>) => void;
  /** Whether an entry was made at this bench: by these initials, or on this page. */
  isOwn: (entry: { id: string; by: string }) => boolean;
}

/** °C of the part and of the tools, as noted at this bench; null where not. */
export interface Warmth {
  part: number | null;
  tool: number | null;
}

/** What is in hand at this bench. */
export interface Hands {
  /** Tools of the shop and of this build, latest versions. */
  tools: Instrument[];
  /** The tool in hand for a kind of reading; null for none named. */
  toolFor: (subject: Subject) => Instrument | null;
  takeTool: (family: Family, id: string | null) => void;
  /** What goes with a kind of reading. */
  handFor: (subject: Subject) => Hand;
  /** The filer in hand; null for none named. */
  filer: Instrument | null;
  /** Where rings are squared at this bench, and with what; empty where not said. */
  squaring: { depth: string; tool: string };
  setSquaring: (change: Partial<{ depth: string; tool: string }>) => void;
  warmth: Warmth;
  setWarmth: (warmth: Warmth) => void;
}

export interface Initials {
  by: string;
  setBy: (by: string) => void;
}

/** What the last readings changed elsewhere, until someone has seen it. */
export interface Changes {
  changes: Message[];
  seenChanges: () => void;
}

function shared<T>(what: string): [Context<T | null>, () => T] {
  const context = createContext<T | null>(null);
  const use = (): T => {
    const value = useContext(context);
    if (value === null) throw new Error(`${what} outside an open build`);
    return value;
  };
  return [context, use];
}

export const [LiveContext, useLive] = shared<LiveRecord>('the record');
export const [JudgementContext, useJudgement] = shared<Judgement>('the judgement');
export const [WordsContext, useWords] = shared<Words>('units');
export const [MovingContext, useMoving] = shared<Moving>('the cylinder in hand');
export const [LoggingContext, useLogging] = shared<Logging>('logging');
export const [HandsContext, useToolInHand] = shared<Hands>('what is in hand');
export const [InitialsContext, useInitials] = shared<Initials>('initials');
export const [ChangesContext, useChanges] = shared<Changes>('changes');
export const [OwnRouteContext, useRoute] = shared<OwnRoute>('the route of this bench');
