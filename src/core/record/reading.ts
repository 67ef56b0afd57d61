/**
 * What is read and done at the bench, as the record keeps it. Nothing here is ever changed: a correction is a later
 * entry that voids the earlier one and says why.
 */
import { type FigureAtLimit, isWorse, figureAtLimitWords } from '../foundation/verdict/figureAtLimit';
import type { PinPart } from './pinParts';
import type { Step } from './stepIds';
import type { BearingCheck } from './bearingChecks';
import type { Depth, Spot } from '../foundation/parts/spots';
import type { Joints } from '../foundation/parts/joints';
import type { Nm } from '../foundation/quantity/length';
import { type Message, say } from '../foundation/quantity/message';
import type { Squaring, Ring } from '../foundation/parts/rings';

export interface Stamp {
  /** Unique in the build; made where the entry was made, so that sending it twice adds it once. */
  id: string;
  /** ISO 8601, UTC. */
  at: string;
  /** Initials. */
  by: string;
}

/** How a ring stood when its gap was read. */
export interface RingFit {
  /** The number of the ring, as the cylinder that it came with: in its own cylinder, the same. */
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

export interface ReadingEntry<S extends string = string> extends Stamp {
  kind: 'reading';
  /**
   * Which of the engine's, see `Cylinder.id`. Of a piston, its pin and its grooves: the number of the piston. Of a
   * main bearing and the crank: their place.
   */
  cylinder: string;
  subject: S;
  /** Where in the bore, on the journal, or which half shell; null for anything else, and for a bore of which only a size was given. */
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
  /**
   * Of a bore, the piston that its gauge was zeroed on, and of a bearing's housing the journal; null for any other
   * setting, and for a size read as such.
   */
  zeroed: Zeroed | null;
  /**
   * Of a bore, the setting whose zero it counts from, where that had no size yet: `value` is then the difference on
   * the dial. Else null.
   */
  zero: string | null;
}

/** A piston, or the journal of a bearing, that a gauge was zeroed on, and its size then. */
export type Zeroed = { piston: string; size: Nm } | { journal: string; size: Nm };

/** A cut with a ring filer. */
export interface CutEntry extends Stamp {
  kind: 'cut';
  /** The number of the ring. */
  cylinder: string;
  ring: Ring;
  /** Key of the filer, see `instrumentKey`; null when not said. */
  filer: string | null;
  /** Turns or strokes, as the filer counts; null when not counted. */
  count: number | null;
}

/** Whether a ring was filed before a reading that is wider than those before it, with no cut logged between them. */
export interface FiledEntry extends Stamp {
  kind: 'filed';
  /** The reading. */
  of: string;
  was: boolean;
}

/** Something was done or checked on the walk, or looked at on the bottom end. */
export interface CheckEntry extends Stamp {
  kind: 'check';
  /** Of the bottom end and the block, the place. */
  cylinder: string;
  check: Step | BearingCheck;
  /** Of the joints: where they were planned; null for anything else, and where it is not known. */
  planned: Joints | null;
  /** Joints that were found elsewhere, and where. */
  found: Partial<Joints>;
  /** Of the front mark and the rod: what was looked for, see `againstOf`. */
  expected: string | null;
}

/** A reminder that was pinned on something: it holds it until it is taken off. */
export interface PinEntry extends Stamp {
  kind: 'pin';
  /** A cylinder, a main bearing, the crank or the block. */
  cylinder: string;
  /** The step it was pinned on; null for the place as such. */
  check: Step | null;
  /** The part of a cylinder it was pinned on; null for the cylinder as such. */
  part: PinPart | null;
  text: string;
}

/** Who struck an entry out, when and why. */
export interface Voided {
  by: string;
  at: string;
  reason: string;
}

/** A reading as the log shows it: voided ones stay, with who struck them out and why. */
export interface LoggedReading<S extends string = string> extends ReadingEntry<S> {
  voided: Voided | null;
  /** How often the part was machined or replaced before it was made; 0 for a part as found. */
  round: number;
  /** Of a ring: how often the bore it was read in had been machined. */
  boreRound: number;
  /** Of one that counts from a zero: what the dial showed; else null. Its value is that over the size of the zero, once that is known. */
  off: Nm | null;
  /** Whether it counts from a zero that has no size yet: its value is what the dial showed. */
  unsized: boolean;
}

/** A cut as the log shows it. */
export interface LoggedCut extends CutEntry {
  voided: Voided | null;
  /** How often the ring was replaced before it. */
  round: number;
}

/** Anything that stands in the history of a part. */
export type Logged = LoggedReading | LoggedCut;

/** Whether what stands in a history is a reading, and not a cut. */
export const isReading = (item: Logged): item is LoggedReading => item.kind === 'reading';

/**
 * Whether a reading or a cut still counts: not struck out, and of the part as it is now.
 *
 * @example [0, 1].map((round) => isLive({ voided: null, round }, 1)) // [ false, true ]
 */
export const isLive = ({ voided, round }: Pick<Logged, 'voided' | 'round'>, now: number): boolean =>
  voided === null && round === now;

/** The readings that still count, of the part as it is now. */
export const livePasses = <R extends Pick<Logged, 'voided' | 'round'>>(passes: readonly R[], now: number): R[] =>
  passes.filter((pass) => isLive(pass, now));

/** The last that is not struck out, in whichever round it was made; null for none. */
export const lastUnvoided = <R extends Pick<Logged, 'voided'>>(passes: readonly R[]): R | null =>
  passes.findLast((pass) => pass.voided === null) ?? null;

/** An entry that says a part was machined or replaced. */
export interface Renewal extends Stamp {
  part: string;
}

/** A verdict that was accepted as it is: while it is that verdict. */
export interface Acceptance extends Stamp {
  reason: string;
  /** The state word that was accepted. */
  state: string;
  /** Where its parts stood then, see `standsIn`; null for what goes nowhere by itself. */
  where: string | null;
  /** The figure it was given for, and the limit; null where none was noted. */
  held: FigureAtLimit | null;
}

/** Acceptances by what they are kept under, see `acceptKey`. */
export type Accepted = ReadonlyMap<string, Acceptance>;

/** Verdicts that rest on more than the one reading they are accepted at: that of the ring or the groove itself has none of these names. */
export const ACCEPTABLES = [
  'clearance',
  'bore',
  'pin',
  'bearing',
  'form',
  'smallEnd',
  'set',
  'bolt',
  'turn',
  'ownTop',
  'ownSecond',
  'ownRails',
  'ownClearance',
] as const;
export type Acceptable = (typeof ACCEPTABLES)[number];

/** Whether it is a figure the builder set, which no reading belongs to. */
export const isOwnFigure = (what: Acceptable | null): boolean => what?.startsWith('own') ?? false;

/**
 * What an acceptance is kept under: the last reading that a verdict rests on, so that another reading is not what was
 * accepted. That of an own figure outlives other changes of the targets: its figure and limit say what it was given for.
 *
 * @example acceptKey('a1', 'clearance') // 'clearance a1'
 */
export const acceptKey = (reading: string, what: Acceptable | null): string =>
  what === null ? reading : isOwnFigure(what) ? what : `${what} ${reading}`;

/** How a verdict that is out of its limits was answered. */
export interface Answer {
  /** The entry that an acceptance is bound to: mostly the last reading it rests on. */
  acceptId: string | null;
  /** The figure and the limit that an acceptance is given for; null where there is none. */
  held: FigureAtLimit | null;
  accepted: Acceptance | null;
  /** An acceptance that no longer covers it: the limit became stricter, or the figure worse. */
  lapsed: Acceptance | null;
}

/** Of what has no verdict yet. */
export const UNANSWERED: Answer = { acceptId: null, held: null, accepted: null, lapsed: null };

/**
 * How a verdict was answered: whether it was accepted in this state and, where its parts can be put elsewhere, of them
 * where they are.
 *
 * @example
 *   answerOf(new Map([['a1', { state: 'over', held: null, by: 'KM' }]]), { acceptId: 'a1', what: null, state: 'over',
 *   held: null }).accepted.by // 'KM'
 */
export function answerOf(
  all: Accepted,
  ask: Pick<Answer, 'acceptId' | 'held'> & { what: Acceptable | null; state: string; where?: string | null },
): Answer {
  const { acceptId, held, what, state, where = null } = ask;
  const found = acceptId === null ? undefined : all.get(acceptKey(acceptId, what));
  const isLapsed = found?.held != null && held !== null && isWorse(held, found.held);
  const isSame = found?.state === state && (where === null || found.where === where);
  return {
    ...{ acceptId, held },
    accepted: found && isSame && !isLapsed ? found : null,
    lapsed: found && isLapsed ? found : null,
  };
}

/** Who accepted a verdict, and why, in words. */
export const acceptedWords = ({ by, reason }: Acceptance): string => `accepted by ${by || 'someone'}: ${reason}`;

/** An acceptance that lapsed, in a sentence. */
export const lapsedWords = ({ by, held }: Acceptance): Message =>
  held ? say` ${by || 'Someone'} accepted ${figureAtLimitWords(held)}: that no longer covers it.` : [];

/** The id of the last of some readings, by when they were made; null for none. */
export const lastOf = (readings: readonly Pick<LoggedReading, 'id' | 'at'>[]): string | null =>
  readings.reduce<Pick<LoggedReading, 'id' | 'at'> | null>((last, r) => (last && last.at > r.at ? last : r), null)
    ?.id ?? null;

const isAlike = (a: Zeroed | null, b: Zeroed | null): boolean =>
  a?.size === b?.size && (a && 'piston' in a ? a.piston : a?.journal) === (b && 'piston' in b ? b.piston : b?.journal);

/** The part that a gauge was zeroed on for all of some readings, at the same size each time; null where it was not. */
export function zeroedAlike(readings: readonly Pick<LoggedReading, 'zeroed'>[]): Zeroed | null {
  const first = readings[0]?.zeroed ?? null;
  return readings.every(({ zeroed }) => isAlike(zeroed, first)) ? first : null;
}
