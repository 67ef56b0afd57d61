/**
 * Which half shells bring bearing clearances in: exact, by going through the sets of grades from the smallest on.
 *
 * A half that is thinner than a standard half by so much gives that much more clearance on the diameter: the wall stands
 * once on each side. So "a thou more" as sold, each half half a thou thinner, gives half a thou by one half beside a
 * standard one, and a thou by both. Common practice, no source; the rest is arithmetic.
 */
import type { Nm } from '../../foundation/quantity/length';

/** A grade of half shells. */
export interface ShellGrade {
  id: string;
  /** What one half of it gives over a standard half; negative for a thicker one. */
  gives: Nm;
}

/** A journal with its housing. */
export interface ShellJournal {
  id: string;
  /** Its clearance with two standard halves. */
  standard: Nm;
  /** The least that it may come to: under it the film breaks, or the tools cannot show that it does not. */
  least: Nm;
}

/** What clearances may be, and how they may be got. Over the most pressure falls. */
export interface ShellBounds {
  aim: Nm;
  most: Nm;
  /** How much the two halves of one housing may differ in what they give. */
  apart: Nm;
  /** Which comes first once all are in with the fewest grades: an even set, or each as near the aim as can be. */
  prefer: 'even' | 'aim';
}

/** The halves of one journal, the thicker first, and what its clearance comes to. */
export interface Fitted {
  journal: string;
  halves: readonly [thicker: string, thinner: string];
  clearance: Nm;
  state: 'tight' | 'in' | 'loose';
  /** How far out of its bounds, or off the aim where it is in. */
  off: Nm;
}

export interface ShellPlan {
  fitted: Fitted[];
  tight: number;
  /** Tight ones and loose ones. */
  out: number;
  /** The grades that are used. */
  grades: string[];
  /** Largest less least clearance of those that are in. */
  spread: Nm;
  /** The sum of how far those that are in lie from the aim. */
  off: Nm;
  /** How many other sets of as few grades come out the same. */
  alike: number;
}

/** How a clearance stands, and how far out of its bounds, or off the aim. */
function standingOf(clearance: Nm, least: Nm, { aim, most }: ShellBounds): Pick<Fitted, 'state' | 'off'> {
  if (clearance < least) return { state: 'tight', off: least - clearance };
  return clearance > most ? { state: 'loose', off: clearance - most } : { state: 'in', off: Math.abs(clearance - aim) };
}

const RANK = { in: 0, loose: 1, tight: 2 };

/** Whether one is better than another by itself: in before loose before tight, then nearer. */
const isBetter = (a: Fitted, b: Fitted): boolean => (RANK[a.state] - RANK[b.state] || a.off - b.off) < 0;

const bestOf = (options: readonly Fitted[]): Fitted | null =>
  options.reduce<Fitted | null>((best, option) => (best && !isBetter(option, best) ? best : option), null);

/** What may not be passed: mains at most so loose, rods at least. */
interface Range {
  from: Nm;
  to: Nm;
}

const ANY: Range = { from: -Infinity, to: Infinity };

/** Every pair of grades on a journal that may stand together, each pair once. */
function optionsOf(
  { id, standard, least }: ShellJournal,
  grades: readonly ShellGrade[],
  bounds: ShellBounds,
  { from, to }: Range,
): Fitted[] {
  return grades.flatMap((a, i) =>
    grades.slice(i).flatMap((b): Fitted[] => {
      const clearance = standard + a.gives + b.gives;
      if (clearance < from || clearance > to || Math.abs(a.gives - b.gives) > bounds.apart) return [];
      const halves = a.gives <= b.gives ? ([a.id, b.id] as const) : ([b.id, a.id] as const);
      return [{ journal: id, halves, clearance, ...standingOf(clearance, least, bounds) }];
    }),
  );
}

function planOf(fitted: Fitted[]): ShellPlan {
  const inside = fitted.filter((f) => f.state === 'in');
  const clearances = inside.map((f) => f.clearance);
  return {
    fitted,
    tight: fitted.filter((f) => f.state === 'tight').length,
    out: fitted.length - inside.length,
    grades: [...new Set(fitted.flatMap((f) => f.halves))],
    spread: inside.length === 0 ? 0 : Math.max(...clearances) - Math.min(...clearances),
    off: inside.reduce((sum, f) => sum + f.off, 0),
    alike: 0,
  };
}

/**
 * Each journal by itself: the pair that brings it nearest the aim; in bounds before loose, loose before tight.
 *
 * @example
 *   nearestShells([{ id: 'm1', standard: 28_000, least: 30_000 }], [{ id: 'std', gives: 0 }, { id: '+', gives:
 *   12_700 }], { aim: 45_000, most: 60_000, apart: 12_700, prefer: 'even' }).fitted[0]?.clearance // 40700
 */
export const nearestShells = (
  journals: readonly ShellJournal[],
  grades: readonly ShellGrade[],
  bounds: ShellBounds,
): ShellPlan => planOf(journals.flatMap((journal) => bestOf(optionsOf(journal, grades, bounds, ANY)) ?? []));

/** Of lists that are not empty, one of each so that they lie within the least stretch, and within that nearest the aim. */
function evenest(lists: readonly Fitted[][]): Fitted[] {
  const all = lists
    .flatMap((list, i) => list.map(({ clearance }) => ({ clearance, i })))
    .sort((a, b) => a.clearance - b.clearance);
  const counts = new Array<number>(lists.length).fill(0);
  let within = 0;
  let least = Infinity;
  let first = 0;
  for (const { clearance, i } of all) {
    if ((counts[i] = (counts[i] ?? 0) + 1) === 1) within += 1;
    for (let low = all[first]; within === lists.length && low; low = all[first]) {
      least = Math.min(least, clearance - low.clearance);
      if ((counts[low.i] = (counts[low.i] ?? 0) - 1) === 0) within -= 1;
      first += 1;
    }
  }
  let best: { fitted: Fitted[]; off: Nm } | null = null;
  for (const from of new Set(all.map((a) => a.clearance))) {
    const stretch = lists.map((list) => bestOf(list.filter((o) => o.clearance >= from && o.clearance <= from + least)));
    const fitted = stretch.flatMap((f) => f ?? []);
    if (fitted.length < lists.length) continue;
    const off = fitted.reduce((sum, f) => sum + f.off, 0);
    if (!best || off < best.off) best = { fitted, off };
  }
  return best?.fitted ?? [];
}

/** Those of one journal that lie nearest the aim: one, or one on each side of it. */
const nearestOnly = (list: Fitted[]): Fitted[] => {
  const least = Math.min(...list.map((o) => o.off));
  return list.filter((o) => o.off === least);
};

/** All sets of so many of some things. */
function* setsOf<T>(all: readonly T[], size: number, from = 0): Generator<T[]> {
  if (size === 0) {
    yield [];
    return;
  }
  for (let i = from; i <= all.length - size; i += 1)
    for (const rest of setsOf(all, size - 1, i + 1)) yield [all[i] as T, ...rest];
}

/** Of two plans with as many tight, out and grades: under 0 where the first is the better, 0 where they are alike. */
const compare = (a: ShellPlan, b: ShellPlan, prefer: ShellBounds['prefer']): number =>
  prefer === 'even' ? a.spread - b.spread || a.off - b.off : a.off - b.off || a.spread - b.spread;

/** The best of some plans, and how many others come out the same; null for none. */
function bestPlan(plans: readonly ShellPlan[], { prefer }: ShellBounds): ShellPlan | null {
  const [first, ...rest] = plans;
  if (!first) return null;
  const best = rest.reduce((a, b) => (compare(b, a, prefer) < 0 ? b : a), first);
  return { ...best, alike: plans.filter((p) => compare(p, best, prefer) === 0).length - 1 };
}

/** How many come in, and how many are loose, at best: each journal may take its best by itself. */
const reachOf = (
  journals: readonly ShellJournal[],
  grades: readonly ShellGrade[],
  bounds: ShellBounds,
  range: Range,
) => {
  const best = journals.map((journal) => bestOf(optionsOf(journal, grades, bounds, range)));
  return {
    possible: best.every((b) => b !== null),
    tight: best.filter((b) => b?.state === 'tight').length,
    out: best.filter((b) => b?.state !== 'in').length,
  };
};

function fewestWithin(
  journals: readonly ShellJournal[],
  grades: readonly ShellGrade[],
  bounds: ShellBounds,
  range: Range,
): ShellPlan | null {
  const reach = reachOf(journals, grades, bounds, range);
  if (!reach.possible) return null;
  for (let size = 1; size <= grades.length; size += 1) {
    const plans: ShellPlan[] = [];
    for (const some of setsOf(grades, size)) {
      const now = reachOf(journals, some, bounds, range);
      if (!now.possible || now.tight > reach.tight || now.out > reach.out) continue;
      const options = journals.map((journal) => optionsOf(journal, some, bounds, range));
      const inside = options.map((list) => list.filter((o) => o.state === 'in'));
      const even = evenest(
        (bounds.prefer === 'even' ? inside : inside.map(nearestOnly)).filter((list) => list.length > 0),
      );
      const by = new Map(even.map((f) => [f.journal, f]));
      plans.push(planOf(options.flatMap((list) => by.get(list[0]?.journal ?? '') ?? bestOf(list) ?? [])));
    }
    const best = bestPlan(plans, bounds);
    if (best) return best;
  }
  return null;
}

/**
 * All journals of a kind together: as few tight as can be, then as few out of bounds, then the fewest grades, then the
 * least spread of those that are in, then the least sum of their distances from the aim; or these two the other way
 * round, as preferred. Exact. Null without a journal
 * or a grade.
 *
 * @example
 *   fewestShells([{ id: 'm1', standard: 28_000, least: 30_000 }], [{ id: 'std', gives: 0 }, { id: '+', gives:
 *   12_700 }], { aim: 45_000, most: 60_000, apart: 12_700, prefer: 'even' })?.grades // ['+']
 */
export const fewestShells = (
  journals: readonly ShellJournal[],
  grades: readonly ShellGrade[],
  bounds: ShellBounds,
): ShellPlan | null => (journals.length === 0 ? null : fewestWithin(journals, grades, bounds, ANY));

/** Journals of one kind with the shells that are sold for them. */
export interface ShellKind {
  journals: readonly ShellJournal[];
  grades: readonly ShellGrade[];
  bounds: ShellBounds;
}

/**
 * Mains and rods together, no main looser than any rod: oil that leaves at the mains never reaches the rods. By the same
 * order of aims, each counted over both. Null where no shells can do it.
 */
export function shellsInOrder(mains: ShellKind, rods: ShellKind): { mains: ShellPlan; rods: ShellPlan } | null {
  const steps = new Set(
    mains.journals.flatMap((journal) =>
      optionsOf(journal, mains.grades, mains.bounds, ANY).map(({ clearance }) => clearance),
    ),
  );
  const within = (at: Nm) => [
    { kind: mains, range: { from: -Infinity, to: at } },
    { kind: rods, range: { from: at, to: Infinity } },
  ];
  const sum = (some: readonly number[]): number => some.reduce((a, b) => a + b, 0);
  const reached = [...steps].flatMap((at) => {
    const reach = within(at).map(({ kind, range }) => reachOf(kind.journals, kind.grades, kind.bounds, range));
    return reach.every((r) => r.possible)
      ? [{ at, tight: sum(reach.map((r) => r.tight)), out: sum(reach.map((r) => r.out)) }]
      : [];
  });
  const tight = Math.min(...reached.map((r) => r.tight));
  const out = Math.min(...reached.filter((r) => r.tight === tight).map((r) => r.out));
  let best: { plans: [ShellPlan, ShellPlan]; key: number[] } | null = null;
  for (const { at } of reached.filter((r) => r.tight === tight && r.out === out)) {
    const plans = within(at).map(({ kind, range }) => fewestWithin(kind.journals, kind.grades, kind.bounds, range));
    const [m, r] = plans;
    if (!m || !r) continue;
    const [spread, off] = [m.spread + r.spread, m.off + r.off];
    const key = [
      m.grades.length + r.grades.length,
      ...(mains.bounds.prefer === 'even' ? [spread, off] : [off, spread]),
    ];
    const by = best ? key.map((k, i) => k - (best?.key[i] ?? 0)).find((d) => d !== 0) : -1;
    if (by !== undefined && by < 0) best = { plans: [m, r], key };
  }
  return best && { mains: best.plans[0], rods: best.plans[1] };
}
