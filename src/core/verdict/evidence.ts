/**
 * Evidence: what several readings of one figure leave open together. Each says that the figure lies between two ends,
 * known to a standard uncertainty. Where they overlap, the figure lies where all of them say; where they do not, beyond
 * what the tools explain, they cannot all be true: both are named, and the narrower counts until one is read again.
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
  /** Readings that two later ones, which agree, cannot both be true with: they count no more. */
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

/** How far two readings may miss each other for all that the tools and the hand explain, nm. */
type Explained = (a: Evidence, b: Evidence) => number;

const missBy = (a: Evidence, b: Evidence): number => Math.max(a.low - b.high, b.low - a.high);

/** Whether two readings made after one agree with each other, and neither with it: it was read again, and that settled it. */
function isOutvoted(one: Evidence, later: readonly Evidence[], explained: Explained): boolean {
  const against = later.filter((e) => missBy(one, e) > explained(one, e));
  return against.some((a, i) => against.slice(i + 1).some((b) => missBy(a, b) <= explained(a, b)));
}

/**
 * What readings of one figure leave open together.
 *
 * @param evidence in the order they were made
 * @example agreed([{ id: 'a', low: 21, high: 22, standard: 0, freedom: Infinity, direct: true }], () => 0).low // 21
 */
export function agreed(evidence: readonly [Evidence, ...Evidence[]], explained: Explained): Agreed {
  const counting = evidence.filter((e, i) => !isOutvoted(e, evidence.slice(i + 1), explained));
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
    disagreement: apart > explained(narrow, wide) ? { narrow, wide, apart: Math.round(apart) } : null,
  };
}
