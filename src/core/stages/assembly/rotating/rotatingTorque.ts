/**
 * What it takes to keep the crank turning, step by step: what each piston added to it, and the one that added far more
 * than the others. There is no one figure for all engines: what is usual comes from this one, and from the shop’s own
 * builds of the same kind. Common practice, no source.
 */
import type { WalkChoices } from '../walkChoices';
import type { Units } from '../../../foundation/quantity/length';
import { type Message, say } from '../../../foundation/quantity/message';
import { type MilliNm, bothTorques } from '../../../foundation/quantity/torque';
import type { TurnedEntry } from '../../../record/benchWork';
import type { Log } from '../../../record/log';
import { benchedOf } from '../../../record/countedWork';
import { type Answer, answerOf, lapsedWords } from '../../../record/reading';
import type { FigureAtLimit } from '../../../foundation/verdict/figureAtLimit';

/** What a turning added to the one before. */
export interface Step {
  entry: TurnedEntry;
  /** Over the one before; null for the first. */
  share: MilliNm | null;
  /** The same for each piston that went in since; null where none did. */
  each: MilliNm | null;
}

export interface Turn extends Step, Answer {
  label: string;
  /** Far more than the others added: the last one in binds. */
  isJump: boolean;
  /** The most it may take; null where nobody says. */
  most: MilliNm | null;
  isOver: boolean;
  /** What an acceptance of it would be given for: a jump has no limit. */
  held: FigureAtLimit | null;
}

/** After what the crank was turned, in words. */
export const afterWords = ({ after }: Pick<TurnedEntry, 'after'>, label: string): string =>
  after === 'crank' ? 'crank alone' : after === 'all' ? 'all in' : `after piston ${label}`;

/** What is wrong with a turning, a sentence each; empty where nothing is. */
export function turnFaults({ entry, label, isJump, isOver, most, lapsed }: Turn, units: Units): Message[] {
  return [
    ...(isJump
      ? [
          say`Rotating torque: a jump with cylinder ${label}. The last one in binds: take it out and look before the next goes in.`,
        ]
      : []),
    ...(isOver && most !== null
      ? [
          say`Rotating torque, ${afterWords(entry, label)}: ${bothTorques(entry.value, units)} is over the ${bothTorques(most, units)} it may take. Something binds.${lapsed ? lapsedWords(lapsed) : ''}`,
        ]
      : []),
  ];
}

/** Whether a turning is called out and not accepted: it is a jump, or over what it may take. */
export const isTurnOpen = ({ isJump, isOver, accepted }: Turn): boolean => (isJump || isOver) && accepted === null;

/** What of other builds is known. */
export interface PastTurning {
  id: string;
  name: string;
  crank: MilliNm | null;
  /** What single pistons added. */
  shares: MilliNm[];
  all: MilliNm | null;
}

export interface Range {
  least: MilliNm;
  most: MilliNm;
}

export interface JudgedTurning {
  turns: Turn[];
  /** What the other pistons of this engine added; null before two of them. */
  own: Range | null;
  /** What is expected once the next piston is in; null where nothing is known. */
  next: { range: Range; from: 'this engine' | 'past builds' } | null;
}

/** A jump is so many times the middle of the others. From memory. */
const TIMES = 2;
/** And more than a wrench can be misread by, mN·m: 1 lb·ft. From memory. */
const MISREAD: MilliNm = 1_400;
/** Fewest others that a jump is held against. */
const FEWEST = 2;

const middleOf = (values: readonly number[]): number => {
  const sorted = values.toSorted((a, b) => a - b);
  const at = (sorted.length - 1) / 2;
  return ((sorted[Math.floor(at)] ?? 0) + (sorted[Math.ceil(at)] ?? 0)) / 2;
};

/** Least and most of some torques, mN·m; null of none. */
export const rangeOf = (values: readonly MilliNm[]): Range | null =>
  values.length === 0 ? null : { least: Math.min(...values), most: Math.max(...values) };

/**
 * What each turning added to the one before. A second reading after the same step replaces the first.
 *
 * @example
 *   stepsIn([{ after: 'crank', cylinder: 'block', pistons: 0, value: 3_000 }, { after: 'piston', cylinder: '1',
 *   pistons: 1, value: 6_400 }]).map((step) => step.each) // [null, 3_400]
 */
export function stepsIn(entries: readonly TurnedEntry[]): Step[] {
  const last = new Map<string, TurnedEntry>();
  for (const entry of entries) last.set(`${entry.after} ${entry.cylinder}`, entry);
  const kept = [...last.values()];
  return kept.map((entry, i) => {
    const before = kept[i - 1];
    const share = before ? entry.value - before.value : null;
    return { entry, share, each: share === null || entry.pistons === 0 ? null : share / entry.pistons };
  });
}

/** What a build teaches others. */
export function taught(build: { id: string; name: string }, entries: readonly TurnedEntry[]): PastTurning {
  const steps = stepsIn(entries);
  const value = (after: TurnedEntry['after']): MilliNm | null =>
    steps.find((s) => s.entry.after === after)?.entry.value ?? null;
  return {
    ...build,
    crank: value('crank'),
    shares: steps.flatMap((s) => s.each ?? []),
    all: value('all'),
  };
}

const isFarOver = (share: MilliNm, others: readonly MilliNm[]): boolean => {
  if (others.length < FEWEST) return false;
  const middle = Math.max(0, middleOf(others));
  return share > TIMES * middle && share - middle > MISREAD;
};

/** What turning is judged from. */
export interface Turned {
  log: Log;
  labels: ReadonlyMap<string, string>;
  choices: { walk: Pick<WalkChoices, 'turnMost'> };
}

/**
 * The turnings of an engine, each with what it added, and which of them is a jump.
 *
 * @param past the shop’s builds of the same kind: what is expected may come from them, and never what is a jump
 * @example rotatingTorqueOf(demo, demo.cylinders).turns.length // 2
 */
export function rotatingTorqueOf({ log, labels, choices }: Turned, past: readonly PastTurning[]): JudgedTurning {
  const steps = stepsIn(benchedOf(log, 'turned').map((b) => b.entry));
  const shares = steps.flatMap((s) => (s.each === null ? [] : [{ of: s, each: s.each }]));
  const pastShares = past.flatMap((p) => p.shares);
  const turns = steps.map((step): Turn => {
    const others = shares.flatMap((s) => (s.of === step ? [] : [s.each]));
    const { each, entry } = step;
    const { crank, all } = choices.walk.turnMost;
    const most = entry.after === 'crank' ? crank : all;
    const isOver = most !== null && entry.value > most;
    const held: FigureAtLimit | null = isOver ? { figure: entry.value, limit: most, side: 'most', of: 'torque' } : null;
    return {
      ...step,
      label: labels.get(entry.cylinder) ?? '',
      isJump: each !== null && isFarOver(each, others),
      ...{ most, isOver, held },
      ...answerOf(log.accepted, { acceptId: entry.id, what: 'turn', state: 'over', held }),
    };
  });
  const calm = turns.flatMap((t) => (t.isJump ? [] : (t.each ?? [])));
  const own = calm.length < FEWEST ? null : rangeOf(calm);
  const added = own ?? rangeOf(pastShares);
  const last = steps.at(-1)?.entry.value;
  return {
    turns,
    own,
    next:
      added && last !== undefined
        ? {
            range: { least: Math.max(0, last + added.least), most: last + added.most },
            from: own ? 'this engine' : 'past builds',
          }
        : null,
  };
}
