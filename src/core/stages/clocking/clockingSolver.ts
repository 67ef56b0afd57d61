/**
 * The arrangement of five joints that keeps them furthest apart and furthest from forbidden sectors, exact to
 * the step of a degree that is asked for.
 *
 * Furthest, in this order, each as far as those before it allow: the nearest two of the counted pairs; top and
 * second; the oil pack among itself; compression gaps against rail gaps; the nearest joint to a forbidden sector;
 * and the least of the largest turns from where the joints are now. Every two gaps count, and the expander joint
 * against each rail: it is no gap, so where it lies against the compression rings does not matter.
 *
 * In a given order round the crown the separations are difference constraints on positions that may only be at
 * allowed degrees. Such a system is closed under the lesser of two solutions, so raising every joint to the next
 * allowed place until all hold finds the least one, or shows that there is none (identity). All orders are tried.
 */
import { apart, turned } from '../../foundation/quantity/angle';
import { type Joint, type Joints, JOINTS, JOINT_WORDS } from '../../foundation/parts/joints';
import { RULE_WORDS } from './ruleNames';
import { type RuleId, type Rules, PAIRS, RULES, keptFree } from './rules';
import { type Sector, type Surroundings, isInside, offSector } from './surroundings';

type Pair = readonly [Joint, Joint];

/** Two joints that may not be nearer than some degrees. */
export interface LeastApart {
  rule: RuleId;
  pair: Pair;
  degrees: number;
}

/** A sector that some joints may not point into. Its edges are allowed. */
export interface Forbidden {
  rule: RuleId;
  sector: Sector;
  words: string;
  joints: readonly Joint[];
}

export interface SolveAsk {
  forbidden: Forbidden[];
  least: LeastApart[];
  /** Joints that stay where they are. */
  held: readonly Joint[];
  /** Where the joints are now. */
  now: Joints;
  /** Degrees between the places a joint may take; 360 is a multiple of it. */
  step: number;
}

/** What the arrangement reached, in whole degrees: larger is better but for the turn. Null where nothing counts. */
export interface Reached {
  nearest: number | null;
  topToSecond: number | null;
  oil: number | null;
  between: number | null;
  clear: number | null;
  turn: number | null;
}

/** A rule or a held joint that takes part in a conflict. */
export interface Conflict {
  rule: RuleId | null;
  held: Joint | null;
  words: string;
}

export type Solved = { ok: true; joints: Joints; reached: Reached } | { ok: false; conflict: Conflict[] };

/**
 * The ask that the rules in force make of one crown.
 *
 * @example
 *   solveAskOf({ top: 45, second: 225, upperRail: 135, expander: 225, lowerRail: 315 },
 *   judgement.choices.clocking.rules, cylinder.clocking.round, ['top']).step // 1
 */
export function solveAskOf(now: Joints, rules: Rules, round: Surroundings, held: readonly Joint[], step = 1): SolveAsk {
  const least = RULES.flatMap((rule): LeastApart[] =>
    rules[rule].on ? (PAIRS[rule] ?? []).map((pair) => ({ rule, pair, degrees: rules[rule].limit })) : [],
  );
  return { forbidden: keptFree(rules, round), least, held, now, step };
}

const TOP_TO_SECOND: Pair[] = [['top', 'second']];
const OIL: Pair[] = [
  ['upperRail', 'lowerRail'],
  ['upperRail', 'expander'],
  ['lowerRail', 'expander'],
];
const BETWEEN: Pair[] = [
  ['top', 'upperRail'],
  ['top', 'lowerRail'],
  ['second', 'upperRail'],
  ['second', 'lowerRail'],
];
const COUNTED: Pair[] = [...TOP_TO_SECOND, ...OIL, ...BETWEEN];

/** Degrees that count as none. */
const EPS = 1e-7;
const COUNT = JOINTS.length;

const indexOf = (joint: Joint): number => JOINTS.indexOf(joint);

/** Places a joint may take, and for each whole degree the index of the first at or after it. */
interface Domain {
  values: number[];
  from: Int16Array;
}

interface Problem {
  domains: Domain[];
  /** Least degrees between joints i and j, at i × 5 + j. */
  least: Float64Array;
}

function domainOf(values: number[]): Domain {
  const from = new Int16Array(361);
  let at = 0;
  for (let degree = 0; degree <= 360; degree += 1) {
    while (at < values.length && (values[at] ?? 0) < degree - EPS) at += 1;
    from[degree] = at;
  }
  return { values, from };
}

/** The first allowed place at or after one, counted on past full turns. */
function nextAllowed({ values, from }: Domain, place: number): number {
  let turns = Math.floor(place / 360 + 1e-12);
  const rest = place - turns * 360;
  let at = from[Math.min(360, Math.max(0, Math.floor(rest)))] ?? 0;
  while (at < values.length && (values[at] ?? 0) < rest - EPS) at += 1;
  if (at >= values.length) {
    at = 0;
    turns += 1;
  }
  return (values[at] ?? 0) + turns * 360;
}

function ordersAfter(first: number): number[][] {
  const rest = JOINTS.map((_, i) => i).filter((i) => i !== first);
  const permute = (left: number[]): number[][] =>
    left.length === 0 ? [[]] : left.flatMap((i) => permute(left.filter((j) => j !== i)).map((tail) => [i, ...tail]));
  return permute(rest).map((tail) => [first, ...tail]);
}

const ORDERS = JOINTS.map((_, first) => ordersAfter(first));

/** The least places of the joints in an order, the first of them fixed; whether there are any. */
function settle({ domains, least }: Problem, order: number[], first: number, at: number[]): boolean {
  at.fill(first);
  const pivot = order[0] ?? 0;
  for (let moved = true; moved;) {
    moved = false;
    for (let k = 1; k < COUNT; k += 1) {
      const joint = order[k] ?? 0;
      const row = joint * COUNT;
      let need = at[k] ?? first;
      for (let b = 0; b < COUNT; b += 1) {
        if (b === k) continue;
        const degrees = least[row + (order[b] ?? 0)] ?? 0;
        const bound = b < k ? (at[b] ?? 0) + degrees : (at[b] ?? 0) - 360 + degrees;
        if (bound > need) need = bound;
      }
      const domain = domains[joint];
      if (!domain) return false;
      const place = nextAllowed(domain, need);
      if (place > first + 360 - (least[row + pivot] ?? 0) + EPS) return false;
      if (place > (at[k] ?? 0) + EPS) {
        at[k] = place;
        moved = true;
      }
    }
  }
  return true;
}

/** Some arrangement that holds, or null where there is none. */
function arrangement(problem: Problem): Joints | null {
  const sizes = problem.domains.map((d) => d.values.length);
  if (sizes.includes(0)) return null;
  const pivot = sizes.indexOf(Math.min(...sizes));
  const at = new Array<number>(COUNT).fill(0);
  for (const order of ORDERS[pivot] ?? [])
    for (const first of problem.domains[pivot]?.values ?? []) {
      if (!settle(problem, order, first, at)) continue;
      const found: Partial<Joints> = {};
      order.forEach((joint, k) => {
        const name = JOINTS[joint];
        if (name) found[name] = turned(at[k] ?? 0);
      });
      return found as Joints;
    }
  return null;
}

/** Bounds that a problem is made from; each level adds its own. */
interface Bounds {
  ask: SolveAsk;
  /** Least degrees by pair that the levels before reached. */
  floors: Map<Pair, number>;
  clear: number;
  turn: number;
}

function problemOf({ ask, floors, clear, turn }: Bounds): Problem {
  const least = new Float64Array(COUNT * COUNT);
  const raise = ([a, b]: Pair, degrees: number): void => {
    for (const at of [indexOf(a) * COUNT + indexOf(b), indexOf(b) * COUNT + indexOf(a)])
      least[at] = Math.max(least[at] ?? 0, degrees);
  };
  for (const { pair, degrees } of ask.least) raise(pair, degrees);
  for (const [pair, degrees] of floors) raise(pair, degrees);
  const places = Array.from({ length: Math.round(360 / ask.step) }, (_, i) => i * ask.step);
  const domains = JOINTS.map((joint) => {
    const own = ask.forbidden.filter((f) => f.joints.includes(joint));
    const isHeld = ask.held.includes(joint);
    const allowed = (place: number): boolean =>
      own.every(
        ({ sector }) => !isInside(place, sector) && (isHeld || clear === 0 || offSector(place, sector) >= clear - EPS),
      ) &&
      (isHeld || turn >= 180 || apart(place, ask.now[joint]) <= turn + EPS);
    return domainOf((isHeld ? [turned(ask.now[joint])] : places).filter(allowed));
  });
  return { domains, least };
}

/** The largest whole number up to 180 for which bounds can be held, known to hold at `low`. */
function largest(low: number, holds: (value: number) => boolean): number {
  let high = 181;
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if (holds(middle)) low = middle;
    else high = middle;
  }
  return low;
}

interface Constraint extends Conflict {
  without: (ask: SolveAsk) => SolveAsk;
}

/** Everything that could be given up: each rule that is in force, and each held joint. */
function constraintsOf({ least, forbidden, held }: SolveAsk): Constraint[] {
  const rules = [...new Set([...least, ...forbidden].map((c) => c.rule))];
  return [
    ...held.map((joint): Constraint => ({
      rule: null,
      held: joint,
      words: `the ${JOINT_WORDS[joint]} is held`,
      without: (ask) => ({ ...ask, held: ask.held.filter((j) => j !== joint) }),
    })),
    ...rules.map((rule): Constraint => {
      const degrees = least.find((l) => l.rule === rule)?.degrees;
      return {
        rule,
        held: null,
        words:
          degrees === undefined
            ? RULE_WORDS[rule].replace(/^./, (c) => c.toLowerCase())
            : `${RULE_WORDS[rule].replace(/^./, (c) => c.toLowerCase())}, ${degrees}° at least`,
        without: (ask) => ({
          ...ask,
          least: ask.least.filter((l) => l.rule !== rule),
          forbidden: ask.forbidden.filter((f) => f.rule !== rule),
        }),
      };
    }),
  ];
}

const free = (ask: SolveAsk): Bounds => ({ ask, floors: new Map(), clear: 0, turn: 180 });

/** A set of rules and held joints that cannot be met together, though without any one of them they can. */
function conflictIn(ask: SolveAsk): Conflict[] {
  let left = ask;
  const stays: Conflict[] = [];
  for (const { without, rule, held, words } of constraintsOf(ask)) {
    const fewer = without(left);
    if (arrangement(problemOf(free(fewer)))) stays.push({ rule, held, words });
    else left = fewer;
  }
  return stays;
}

/**
 * The best arrangement, or the rules and held joints that rule each other out.
 *
 * @returns joints at multiples of the step, held ones where they are; what was reached level by level
 */
export function solve(ask: SolveAsk): Solved {
  const bounds = free(ask);
  if (!arrangement(problemOf(bounds))) return { ok: false, conflict: conflictIn(ask) };
  const isFree = ([a, b]: Pair): boolean => !(ask.held.includes(a) && ask.held.includes(b));
  const holds = (change: Partial<Bounds>): boolean => arrangement(problemOf({ ...bounds, ...change })) !== null;
  const apartAtLeast = (pairs: Pair[], degrees: number): Map<Pair, number> =>
    new Map([
      ...bounds.floors,
      ...pairs.map((pair) => [pair, Math.max(degrees, bounds.floors.get(pair) ?? 0)] as const),
    ]);
  const spread = (pairs: Pair[]): number | null => {
    const counted = pairs.filter(isFree);
    if (counted.length === 0) return null;
    const reached = largest(0, (degrees) => holds({ floors: apartAtLeast(counted, degrees) }));
    bounds.floors = apartAtLeast(counted, reached);
    return reached;
  };
  const nearest = spread(COUNTED);
  const topToSecond = spread(TOP_TO_SECOND);
  const oil = spread(OIL);
  const between = spread(BETWEEN);
  const keptOff = ask.forbidden.some((f) => f.joints.some((joint) => !ask.held.includes(joint)));
  if (keptOff) bounds.clear = largest(0, (clear) => holds({ clear }));
  const isTurned = ask.held.length < COUNT;
  if (isTurned) bounds.turn = 180 - largest(0, (less) => holds({ turn: 180 - less }));
  const joints = arrangement(problemOf(bounds));
  if (!joints) return { ok: false, conflict: [] };
  return {
    ok: true,
    joints,
    reached: {
      nearest,
      topToSecond,
      oil,
      between,
      clear: keptOff ? bounds.clear : null,
      turn: isTurned ? bounds.turn : null,
    },
  };
}
