/** The tightening ledger: every fastener with what was done to it and by whom, what is next, and what of it is not so. */
import type { FigureAtLimit } from '../../../foundation/verdict/figureAtLimit';
import { BLOCK } from '../../../foundation/engine/places';
import { type Nm, NM_PER_THOU } from '../../../foundation/quantity/length';
import { type Message, clear, say } from '../../../foundation/quantity/message';
import type { MilliNm } from '../../../foundation/quantity/torque';
import type { Tightening, TightenedEntry } from '../../../record/benchWork';
import { benchedOf, holds } from '../../../record/countedWork';
import type { Log } from '../../../record/log';
import { type Accepted, type Answer, answerOf } from '../../../record/reading';
import type { State } from '../../../foundation/verdict/state';
import type { FastenerGroup } from './fastenerGroups';
import { type StretchAt, type StretchRate, rateOf } from './stretch';

/** What is to be done to a fastener. */
export interface ToTighten {
  group: string;
  cylinder: string;
  fastener: number;
  what: Tightening;
  /** Which step of the figure, from 0; null for what is none. */
  step: number | null;
  torque: MilliNm | null;
  angle: number | null;
}

export interface JudgedFastener extends Answer {
  group: string;
  /** The rod's cylinder; the block for all else. */
  cylinder: string;
  fastener: number;
  words: string;
  /** How many of its steps and turns were made, and how many there are. */
  made: number;
  of: number;
  /** Its length before it went in, and what it grew until it was read again. */
  free: Nm | null;
  grown: Nm | null;
  stretches: StretchAt[];
  /** The last of them. */
  stretch: Nm | null;
  /** `within` once it is tight; of a stretch, `in window`, `short` or `over`. */
  state: Extract<State, 'to do' | 'part read' | 'within' | 'in window' | 'short' | 'over'>;
  says: Message;
  /** Who tightened it, and who went over it a second time; null until then. */
  by: string | null;
  secondBy: string | null;
}

export interface JudgedGroup {
  group: FastenerGroup;
  fasteners: JudgedFastener[];
  done: number;
  seconded: number;
  /** Whether the second round was by the hand of the first, anywhere. */
  isSameHand: boolean;
  isWrenchBack: boolean;
  rate: StretchRate | null;
  /** The least and the most stretch of those that are done; null where none is read. */
  spread: { least: Nm; most: Nm } | null;
  next: ToTighten | null;
}

/** A bolt that stays longer than it was by so much has yielded: from memory, the maker’s figure comes first. */
const GROWN: Nm = NM_PER_THOU;

/** Whether nothing more is asked of a fastener but the second round. */
export const isTight = ({ state, accepted }: Pick<JudgedFastener, 'state' | 'accepted'>): boolean =>
  state === 'within' || state === 'in window' || (state === 'over' && accepted !== null);

const placesOf = (group: FastenerGroup, cylinders: readonly { id: string; label: string }[]) =>
  group.on === 'rods' ? cylinders.map(({ id, label }) => ({ place: id, label })) : [{ place: BLOCK, label: '' }];

type Held = readonly TightenedEntry[];

/** What was made of what is asked, each after the one before it; of the last, the last time. */
function inTurn(own: Held, asked: readonly ((e: TightenedEntry) => boolean)[]): TightenedEntry[] {
  const made: TightenedEntry[] = [];
  let from = 0;
  for (const [i, isIt] of asked.entries()) {
    const left = own.slice(from);
    const at = i === asked.length - 1 ? left.findLastIndex(isIt) : left.findIndex(isIt);
    const found = left[at];
    if (!found) break;
    made.push(found);
    from += at + 1;
  }
  return made;
}

/** What was read of the length of a fastener. */
interface LengthRead {
  free: Nm | null;
  /** How much longer it was when it was read free again. */
  grown: Nm | null;
  /** Its last stretch. */
  stretch: Nm | null;
  stretched: Held;
}

function lengthRead(group: FastenerGroup, own: Held): LengthRead {
  const stretched = group.stretch === null ? [] : own.filter((e) => e.what === 'stretch');
  const lengths = own.flatMap((e) => (e.what === 'free' ? (e.length ?? []) : []));
  const [free = null, ...later] = lengths;
  const last = later.at(-1);
  const grown = free === null || last === undefined ? null : last - free;
  return { free, grown, stretch: stretched.at(-1)?.length ?? null, stretched };
}

interface Stretched {
  state: JudgedFastener['state'];
  says: Message;
  held: FigureAtLimit | null;
}

/** What its length says of a fastener; null where that says nothing, and how far it was tightened does. */
function judgedLength({ stretch: window }: FastenerGroup, { grown, stretch }: LengthRead): Stretched | null {
  if (grown !== null && grown > GROWN)
    return {
      state: 'over',
      says: say`stayed ${clear(grown)} longer: it has yielded, replace it`,
      held: { figure: grown, limit: GROWN, side: 'most' },
    };
  if (window === null || stretch === null) return null;
  const says = say`stretched ${clear(stretch)}`;
  if (stretch < window.from)
    return { state: 'short', says: say`${says}, ${clear(window.from - stretch)} short`, held: null };
  if (stretch <= window.to) return { state: 'in window', says, held: null };
  return {
    state: 'over',
    says: say`${says}, ${clear(stretch - window.to)} over: slacken it, measure it, replace it if it stayed longer`,
    held: { figure: stretch, limit: window.to, side: 'most' },
  };
}

function judgedFastener(
  group: FastenerGroup,
  at: { place: string; label: string },
  fastener: number,
  all: Held,
  accepted: Accepted,
): JudgedFastener {
  const own = all.filter((e) => e.fastener === fastener && e.cylinder === at.place);
  const asked = [
    ...group.steps.map((torque) => (e: TightenedEntry) => e.what === 'step' && e.torque === torque),
    ...(group.angle === null ? [] : [(e: TightenedEntry) => e.what === 'angle' && e.angle === group.angle]),
  ];
  const passes = inTurn(own, asked);
  const made = passes.length;
  const { stretched, ...read } = lengthRead(group, own);
  const isMade = made === asked.length && group.stretch === null;
  const { state, says, held } = judgedLength(group, { ...read, stretched }) ?? {
    state: made === 0 ? 'to do' : isMade ? 'within' : 'part read',
    says: [],
    held: null,
  };
  const finished = stretched.at(-1) ?? passes.at(-1);
  const acceptId = finished?.id ?? null;
  const answer = answerOf(accepted, { acceptId, what: 'bolt', state, held });
  const judged = {
    ...{ group: group.id, cylinder: at.place, fastener, made, of: asked.length, state, says, ...read, ...answer },
    words: `${group.words} ${at.label === '' ? '' : `of rod ${at.label}: `}${fastener}`,
    stretches: stretched.flatMap(({ torque, length }) =>
      torque === null || length === null ? [] : [{ torque, length }],
    ),
  };
  const isDone = isTight(judged);
  // a second round before the last of the first is none
  const second = own.findLastIndex((e) => e.what === 'second');
  const isSecond = isDone && second > own.findLastIndex((e) => e.id === acceptId);
  return {
    ...judged,
    by: isDone || state === 'over' ? (finished?.by ?? null) : null,
    secondBy: isSecond ? (own[second]?.by ?? '') : null,
  };
}

/** What is next of a group, in the order it is made: lengths, step by step in the printed order, angle, stretch, second round, wrench. */
function nextOf(group: FastenerGroup, fasteners: readonly JudgedFastener[], isWrenchBack: boolean): ToTighten | null {
  const order = group.order ?? Array.from({ length: group.count }, (_, i) => i + 1);
  const at = (f: JudgedFastener, what: Tightening, more: Partial<ToTighten> = {}): ToTighten => ({
    group: group.id,
    cylinder: f.cylinder,
    fastener: f.fastener,
    what,
    step: null,
    torque: null,
    angle: null,
    ...more,
  });
  const rounds =
    group.on === 'rods'
      ? [...new Set(fasteners.map((f) => f.cylinder))].map((place) => fasteners.filter((f) => f.cylinder === place))
      : [fasteners];
  const inOrder = (some: readonly JudgedFastener[]): JudgedFastener[] =>
    order.flatMap((number) => some.find((f) => f.fastener === number) ?? []);
  const sorted = rounds.map(inOrder);
  if (group.measured) {
    const bare = sorted.flat().find((f) => f.free === null);
    if (bare) return at(bare, 'free');
  }
  for (const round of sorted) {
    for (let pass = 0; pass < (round[0]?.of ?? 0); pass += 1) {
      const open = round.find((f) => f.made <= pass && f.state !== 'over');
      if (!open) continue;
      return pass < group.steps.length
        ? at(open, 'step', { step: pass, torque: group.steps[pass] ?? null })
        : at(open, 'angle', { angle: group.angle });
    }
    const slack = group.stretch === null ? undefined : round.find((f) => !isTight(f) && f.state !== 'over');
    if (slack) return at(slack, 'stretch');
  }
  const once = sorted.flat().find((f) => f.secondBy === null && isTight(f));
  if (once) return at(once, 'second', { torque: group.steps.at(-1) ?? null });
  return isWrenchBack || !fasteners.some(isTight)
    ? null
    : { group: group.id, cylinder: BLOCK, fastener: 0, what: 'back', step: null, torque: null, angle: null };
}

/**
 * What is next of one fastener, whichever is next of its group; null where nothing more is asked of it.
 */
export const nextOn = ({ group }: Pick<JudgedGroup, 'group'>, fastener: JudgedFastener): ToTighten | null =>
  nextOf({ ...group, order: null, count: fastener.fastener }, [fastener], true);

/** What is asked of a judgement. */
interface Known {
  log: Log;
  choices: { fasteners: FastenerGroup[] | null };
}

/** What may be tightened, where no group of it was set. */
const USUAL = { rods: 'Rod bolts', engine: 'Main caps' } as const;

/**
 * Fasteners of which no figure is on record, in words: groups with nothing done, and rods or mains of which no group was set.
 *
 * @example unrecorded([]) // [ 'Rod bolts', 'Main caps' ]
 */
export const unrecorded = (ledger: readonly JudgedGroup[]): string[] => [
  ...ledger.filter((g) => g.fasteners.every((f) => f.state === 'to do')).map((g) => g.group.words),
  ...(['rods', 'engine'] as const).flatMap((on) => (ledger.some((g) => g.group.on === on) ? [] : [USUAL[on]])),
];

/**
 * Every group of fasteners with what was done. What was tightened before a part of that place was machined or replaced
 * no longer counts; nor does a step whose figure was changed since.
 *
 * @param cylinders in the order their rods are taken
 * @example
 *   torqueRecordOf(demo, demo.cylinders).map((g) => `${g.group.words} ${g.done}`) // [ 'Main caps 12', 'Rod bolts 2' ]
 */
export function torqueRecordOf(
  { log, choices }: Known,
  cylinders: readonly { id: string; label: string }[],
): JudgedGroup[] {
  const all = benchedOf(log, 'tightened').flatMap((b) => (holds(log, b, null) ? [b.entry] : []));
  return (choices.fasteners ?? []).map((group): JudgedGroup => {
    const own = all.filter((e) => e.group === group.id);
    const fasteners = placesOf(group, cylinders).flatMap((at) =>
      Array.from({ length: group.count }, (_, i) => judgedFastener(group, at, i + 1, own, log.accepted)),
    );
    const tight = fasteners.filter(isTight);
    const read = tight.flatMap((f) => f.stretch ?? []);
    const lastBack = own.findLastIndex((e) => e.what === 'back');
    const isWrenchBack = lastBack >= 0 && own.slice(lastBack).every((e) => e.what === 'back' || e.what === 'free');
    return {
      group,
      fasteners,
      done: tight.length,
      seconded: fasteners.filter((f) => f.secondBy !== null).length,
      isSameHand: fasteners.some((f) => f.by !== null && f.by !== '' && f.by === f.secondBy),
      isWrenchBack,
      rate: rateOf(fasteners.map((f) => f.stretches)),
      spread: read.length === 0 ? null : { least: Math.min(...read), most: Math.max(...read) },
      next: nextOf(group, fasteners, isWrenchBack),
    };
  });
}

/** What is open on the fasteners of an engine. */
export function openFasteners(ledger: readonly JudgedGroup[]): { place: string; says: Message }[] {
  return ledger.flatMap(({ group: { words }, fasteners, done, seconded, isWrenchBack }) => {
    const wrong = fasteners.filter((f) => f.state === 'over' && f.accepted === null);
    const left = fasteners.length - done - wrong.length;
    return [
      ...wrong.map((f) => ({ place: f.cylinder, says: say`${f.words} ${f.says}` })),
      ...(left > 0 ? [{ place: BLOCK, says: say`${words}: ${left} of ${fasteners.length} not tight` }] : []),
      ...(left === 0 && seconded < fasteners.length
        ? [{ place: BLOCK, says: say`${words}: second round, ${fasteners.length - seconded} left` }]
        : []),
      ...(done > 0 && left === 0 && seconded === fasteners.length && !isWrenchBack
        ? [{ place: BLOCK, says: say`${words}: wrench not set back` }]
        : []),
    ];
  });
}
