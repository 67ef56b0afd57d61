/**
 * Which pin, clips, ring pack and rod go with which piston, so that the sets come out most even: the difference of the
 * heaviest and the lightest set is the least that there is, or is proven to be within a bound of it.
 *
 * With one kind of part free, the heaviest goes to the lightest: that is exact. With more, a good arrangement is found by
 * doing that kind after kind, from many beginnings; then a search with proof closes the gap from below.
 */
import type { Mg } from '../../../foundation/quantity/mass';

/** Parts of one kind. */
export interface MixKind {
  /** What the part that is now at each place weighs. */
  masses: readonly Mg[];
  /** Whether it stays there. */
  stays: readonly boolean[];
}

export interface MixAsk {
  /** What of each place is never mixed: its piston. */
  base: readonly Mg[];
  kinds: readonly MixKind[];
}

export interface Mix {
  /** Of each kind: for each place, the place that its part comes from. */
  from: number[][];
  before: Mg;
  spread: Mg;
  /** No arrangement has a lesser one than this. */
  bound: Mg;
  /** Whether the arrangement is one of the best. */
  isExact: boolean;
}

/** Tries that the proof may make before it stops with a bound: some seconds. */
const MOST_TRIES = 12_000_000;
const BEGINNINGS = 40;

const sumsOf = ({ base, kinds }: MixAsk, from: readonly (readonly number[])[]): Mg[] =>
  base.map((own, place) => kinds.reduce((sum, kind, k) => sum + (kind.masses[from[k]?.[place] ?? place] ?? 0), own));

/** The difference of the heaviest and the lightest. */
export const spreadOf = (sums: readonly Mg[]): Mg => (sums.length === 0 ? 0 : Math.max(...sums) - Math.min(...sums));

/** Always the same numbers from 0 to 1: an arrangement is to come out the same each time. */
function numbers(seed: number): () => number {
  let state = seed;
  return () => {
    state = (Math.imul(state, 1_664_525) + 1_013_904_223) | 0;
    return (state >>> 0) / 4_294_967_296;
  };
}

const freeOf = ({ stays }: MixKind): number[] => stays.flatMap((stay, place) => (stay ? [] : [place]));

/** One kind laid anew: its heaviest to the place that is lightest without it. No other way has a lesser spread among those places. */
function relay(ask: MixAsk, from: number[][], k: number): void {
  const kind = ask.kinds[k];
  const own = from[k];
  if (!kind || !own) return;
  const free = freeOf(kind);
  const sums = sumsOf(ask, from);
  const mass = (part: number): Mg => kind.masses[part] ?? 0;
  const without = (place: number): Mg => (sums[place] ?? 0) - mass(own[place] ?? place);
  const places = free.toSorted((a, b) => without(a) - without(b) || a - b);
  const parts = free.toSorted((a, b) => mass(b) - mass(a) || a - b);
  places.forEach((place, i) => {
    own[place] = parts[i] ?? place;
  });
}

/** From one beginning down to where no kind laid anew, and no two parts of a kind changed over, makes it more even. */
function settle(ask: MixAsk, from: number[][]): { from: number[][]; spread: Mg } {
  let spread = spreadOf(sumsOf(ask, from));
  for (;;) {
    const tried = from.map((own) => [...own]);
    for (let k = 0; k < ask.kinds.length; k += 1) relay(ask, tried, k);
    let found = spreadOf(sumsOf(ask, tried));
    for (const [k, kind] of ask.kinds.entries()) {
      const free = freeOf(kind);
      for (const a of free)
        for (const b of free) {
          if (a >= b) continue;
          const own = tried[k] ?? [];
          const [atA, atB] = [own[a] ?? a, own[b] ?? b];
          own[a] = atB;
          own[b] = atA;
          const now = spreadOf(sumsOf(ask, tried));
          if (now < found) found = now;
          else {
            own[a] = atA;
            own[b] = atB;
          }
        }
    }
    if (found >= spread) return { from, spread };
    for (const [k, own] of tried.entries()) from[k] = own;
    spread = found;
  }
}

const gcd = (a: number, b: number): number => (b === 0 ? a : gcd(b, a % b));

/** The step that all masses are multiples of. */
const grainOf = ({ base, kinds }: MixAsk): Mg =>
  [...base, ...kinds.flatMap((k) => k.masses)].reduce((grain, mass) => gcd(grain, mass), 0) || 1;

/** What no arrangement can come under: by the mean, and by the heaviest place with the lightest parts and the other way round. */
function floorOf(ask: MixAsk, grain: Mg): Mg {
  const { base, kinds } = ask;
  if (base.length === 0) return 0;
  const total = sumsOf(ask, []).reduce((sum, s) => sum + s, 0);
  const mean = total / base.length;
  const reach = (pick: (...of: number[]) => number): Mg[] =>
    base.map((own, place) =>
      kinds.reduce((sum, kind) => {
        const free = freeOf(kind).map((p) => kind.masses[p] ?? 0);
        return sum + (kind.stays[place] ? (kind.masses[place] ?? 0) : pick(...free));
      }, own),
    );
  const least = reach(Math.min);
  const most = reach(Math.max);
  const top = Math.max(Math.ceil(mean / grain) * grain, ...least);
  const bottom = Math.min(Math.floor(mean / grain) * grain, ...most);
  return Math.max(0, top - bottom);
}

/**
 * Whether some arrangement has a spread of at most so much: place by place, heaviest first, with what was shown to fail
 * remembered by the parts that are left. The arrangement; null where there is none; `stopped` where it went on too long.
 */
export function arrangedWithin(ask: MixAsk, most: Mg, budget: { tries: number }): number[][] | null | 'stopped' {
  const { base, kinds } = ask;
  const order = base.map((_, place) => place).sort((a, b) => (base[b] ?? 0) - (base[a] ?? 0) || a - b);
  const frees = kinds.map(freeOf);
  const from = kinds.map(() => base.map((_, place) => place));
  const used = kinds.map(() => 0);
  const failed = new Map<string, [low: Mg, high: Mg][]>();
  const total = sumsOf(ask, []).reduce((sum, s) => sum + s, 0);

  function place(depth: number, low: Mg, high: Mg, left: Mg): boolean | 'stopped' {
    if (depth === order.length) return true;
    const mean = left / (order.length - depth);
    if (Math.max(high, mean) - Math.min(low, mean) > most) return false;
    const key = used.join();
    const known = failed.get(key);
    if (known?.some(([l, h]) => low <= l && high >= h)) return false;
    const at = order[depth] ?? 0;
    const found = choose(depth, at, 0, base[at] ?? 0, low, high, left);
    if (found === false) failed.set(key, [...(known ?? []), [low, high]]);
    return found;
  }

  function choose(depth: number, at: number, k: number, sum: Mg, low: Mg, high: Mg, left: Mg): boolean | 'stopped' {
    const kind = kinds[k];
    const own = from[k];
    budget.tries -= 1;
    if (budget.tries < 0) return 'stopped';
    if (!kind || !own) {
      const [l, h] = [Math.min(low, sum), Math.max(high, sum)];
      return h - l > most ? false : place(depth + 1, l, h, left - sum);
    }
    if (kind.stays[at]) return choose(depth, at, k + 1, sum + (kind.masses[at] ?? 0), low, high, left);
    const tried = new Set<Mg>();
    for (const part of frees[k] ?? []) {
      const mass = kind.masses[part] ?? 0;
      const bit = 1 << part;
      if ((used[k] ?? 0) & bit || tried.has(mass)) continue;
      tried.add(mass);
      used[k] = (used[k] ?? 0) | bit;
      own[at] = part;
      const found = choose(depth, at, k + 1, sum + mass, low, high, left);
      used[k] = (used[k] ?? 0) & ~bit;
      if (found !== false) return found;
    }
    return false;
  }

  const found = place(0, Infinity, -Infinity, total);
  return found === true ? from : found === false ? null : 'stopped';
}

/** As many parts as can be are left where they are: those that weigh alike, then those that move for nothing. */
function withFewestMoves(ask: MixAsk, from: readonly (readonly number[])[]): number[][] {
  const { kinds } = ask;
  const spread = spreadOf(sumsOf(ask, from));
  const left = kinds.map(({ masses, stays }, k) => {
    const own = [...(from[k] ?? [])];
    for (const place of own.keys()) {
      const part = own[place] ?? place;
      const mine = own.indexOf(place);
      if (stays[place] || part === place || masses[part] !== masses[place] || mine < 0) continue;
      own[mine] = part;
      own[place] = place;
    }
    return own;
  });
  for (const [k, { stays }] of kinds.entries())
    for (const place of stays.keys()) {
      const own = left[k] ?? [];
      const [part, mine] = [own[place] ?? place, own.indexOf(place)];
      if (part === place || mine < 0) continue;
      own[mine] = part;
      own[place] = place;
      if (spreadOf(sumsOf(ask, left)) <= spread) continue;
      own[mine] = place;
      own[place] = part;
    }
  return left;
}

/**
 * The most even sets.
 *
 * @param mostTries how long the proof may go on; fewer give a bound sooner
 * @example
 *   matchWeights({ base: [500_000, 502_000], kinds: [{ masses: [100_000, 103_000], stays: [false, false] }]
 *   }).spread // 1000
 */
export function matchWeights(ask: MixAsk, mostTries: number = MOST_TRIES): Mix {
  const own = ask.kinds.map(() => ask.base.map((_, place) => place));
  const before = spreadOf(sumsOf(ask, own));
  let best = settle(
    ask,
    own.map((o) => [...o]),
  );
  const random = numbers(7);
  for (let i = 0; i < BEGINNINGS; i += 1) {
    const begin = own.map((o) => [...o]);
    for (const [k, kind] of ask.kinds.entries()) {
      const free = freeOf(kind);
      for (const [j, place] of free.entries()) {
        const other = free[j + Math.floor(random() * (free.length - j))] ?? place;
        const list = begin[k] ?? [];
        [list[place], list[other]] = [list[other] ?? other, list[place] ?? place];
      }
    }
    const found = settle(ask, begin);
    if (found.spread < best.spread) best = found;
  }
  const grain = grainOf(ask);
  const budget = { tries: mostTries };
  let bound = Math.min(floorOf(ask, grain), best.spread);
  while (bound < best.spread) {
    // between what is proven and what is found; only multiples of the grain can be spreads
    const tried = bound + Math.floor((best.spread - bound) / grain / 2) * grain;
    const found = arrangedWithin(ask, tried, budget);
    if (found === 'stopped') break;
    if (found) best = { from: found, spread: spreadOf(sumsOf(ask, found)) };
    else bound = tried + grain;
  }
  return {
    from: best.spread < before ? withFewestMoves(ask, best.from) : own,
    before,
    spread: best.spread,
    bound,
    isExact: bound >= best.spread,
  };
}
