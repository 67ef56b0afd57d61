/**
 * Evidence: what several readings of one figure leave open together. Each says that the figure lies between two ends,
 * known to a standard uncertainty. Where they overlap, the figure lies where all of them say; where they do not, beyond
 * what the tools explain, they cannot all be true: both are named, and the narrower counts until one is read again.
 * What was read twice at the place that counts outranks what readings elsewhere tell of it.
 */
import type { Nm } from '../quantity/length';

/** What one reading says of the figure, brought to where it counts, nm not rounded. */
export interface Evidence {
  /** Id of the reading. */
  id: string;
  low: number;
  /** Infinity where no end was tried. */
  high: number;
  standard: number;
  freedom: number;
  /** Whether it was made at the place that counts. */
  direct: boolean;
  /** A place of its own that nothing else is known of: only readings made there settle against it. Null for any other. */
  place: string | null;
}

/** Two readings that cannot both be true: the narrower, the wider, and how far apart they leave the figure. */
export interface Disagreement {
  narrow: Evidence;
  wide: Evidence;
  apart: Nm;
}

export interface Agreed {
  low: number;
  high: number;
  standard: number;
  freedom: number;
  /** Whether the lower end was found at the place that counts. */
  direct: boolean;
  /** The reading that the lower end comes from. */
  by: string;
  /** Readings that others settled against: they count no more. */
  aside: string[];
  disagreement: Disagreement | null;
}

/** Those that overlap taken together. */
function overlapOf(evidence: readonly [Evidence, ...Evidence[]]): { narrow: Evidence; wide: Evidence } {
  let [narrow, wide] = [evidence[0], evidence[0]];
  for (const e of evidence) {
    if (e.high < narrow.high || (e.high === narrow.high && e.low < narrow.low)) narrow = e;
    if (e.low > wide.low || (e.low === wide.low && e.direct && !wide.direct)) wide = e;
  }
  return { narrow, wide };
}

/** How far two readings may miss each other, nm: for what the tools explain, and for what the hand does too. */
type Explained = (a: Evidence, b: Evidence) => { tools: number; all: number };

type Ends = Pick<Evidence, 'low' | 'high'>;

const missBy = (a: Ends, b: Ends): number => Math.max(a.low - b.high, b.low - a.high);

const hasPair = (some: readonly Evidence[], isOne: (a: Evidence, b: Evidence) => boolean): boolean =>
  some.some((a, i) => some.slice(i + 1).some((b) => isOne(a, b)));

/**
 * Whether one of some readings was settled against: by two later ones that agree with each other and not with it; by two
 * later ones alike that leave open nothing in common with it, narrower than both; or, where it is the wider, by one
 * before and one after it that agree, since what is measured does not shrink.
 */
function isOutvoted(one: Evidence, all: readonly Evidence[], explained: Explained): boolean {
  const isAgainst = (e: Evidence): boolean => missBy(one, e) > explained(one, e).all;
  const told = all.filter((e) => one.place === null || e.place === one.place);
  const agree = (a: Evidence, b: Evidence): boolean => missBy(a, b) <= explained(a, b).all;
  const [before, later] = [told.slice(0, told.indexOf(one)), told.slice(told.indexOf(one) + 1)];
  const against = later.filter(isAgainst);
  if (hasPair(against, agree)) return true;
  const above = later.filter((e) => e.low - one.high > explained(one, e).tools);
  if (hasPair(above, (a, b) => missBy(a, b) < 0)) return true;
  const under = against.filter((e) => e.high < one.low);
  return before.some((a) => a.high < one.low && isAgainst(a) && under.some((b) => agree(a, b)));
}

/** Those that stand beside what was read at the place that counts, where that was read twice and agrees; else all. */
function besideDirect(all: readonly Evidence[], explained: Explained): readonly Evidence[] {
  const [first, ...rest] = all.filter((e) => e.direct);
  if (!first || rest.length === 0) return all;
  const { narrow, wide } = overlapOf([first, ...rest]);
  if (missBy(narrow, wide) > explained(narrow, wide).all) return all;
  const ends: Ends = { low: Math.min(wide.low, narrow.low), high: Math.max(narrow.high, wide.high) };
  return all.filter((e) => e.direct || e.place !== null || missBy(e, ends) <= 0);
}

/**
 * What readings of one figure leave open together.
 *
 * @param evidence in the order they were made
 * @example
 *   agreed([{ id: 'a', low: 21, high: 22, standard: 0, freedom: Infinity, direct: true, place: null }], () => ({
 *   tools: 0, all: 0 })).low // 21
 */
export function agreed(evidence: readonly [Evidence, ...Evidence[]], explained: Explained): Agreed {
  const counting = besideDirect(
    evidence.filter((e) => !isOutvoted(e, evidence, explained)),
    explained,
  );
  const [first = evidence[0], ...rest] = counting;
  const aside = evidence.filter((e) => !counting.includes(e)).map((e) => e.id);
  const { narrow, wide } = overlapOf([first, ...rest]);
  const apart = wide.low - narrow.high;
  if (apart <= 0) {
    const doubtful = narrow.standard > wide.standard && narrow.high < Infinity ? narrow : wide;
    return {
      low: wide.low,
      high: narrow.high,
      standard: doubtful.standard,
      freedom: doubtful.freedom,
      direct: wide.direct,
      by: wide.id,
      aside,
      disagreement: null,
    };
  }
  return {
    low: narrow.low,
    high: narrow.high,
    standard: narrow.standard,
    freedom: narrow.freedom,
    direct: narrow.direct,
    by: narrow.id,
    aside,
    disagreement: apart > explained(narrow, wide).all ? { narrow, wide, apart: Math.round(apart) } : null,
  };
}
