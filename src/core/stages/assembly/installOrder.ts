/**
 * In which order pistons go in with the fewest turns of the crank and of the stand: exact, by dynamic programming over
 * the cylinders that are in (Held and Karp, Journal of SIAM 10, 1962, from memory), up to 16 of them.
 */
import { turned } from '../../foundation/quantity/angle';

/** A cylinder whose piston is to go in. */
export interface ToFit {
  id: string;
  /** The angle of the crank with its throw at the bottom; degrees. */
  bottom: number;
  /** The bank it is worked on from: going over to another one turns the stand. */
  bank: string;
  /** The other one on its throw, where that is to follow at once; null for none. */
  mate: string | null;
}

export interface OrderAsk {
  /** In the order of the engine's own numbering. */
  cylinders: readonly ToFit[];
  /** Where the crank stands, which bank is up, and who is to follow on the same throw; null where the first may be any, at no cost. */
  from: { angle: number; bank: string; mate: string | null } | null;
  saves: 'stand' | 'crank';
  /** Whether the crank may be turned backwards. */
  bothWays: boolean;
}

/** What an order costs. */
export interface Turning {
  /** Degrees that the crank is turned in all. */
  crank: number;
  /** How often the stand is turned. */
  stand: number;
}

export interface FitStep {
  id: string;
  /** Degrees the crank is turned before it; under 0 backwards, 0 where it stands right. */
  by: number;
  turnsStand: boolean;
}

export interface FitOrder extends Turning {
  steps: FitStep[];
  /** The same for the order of the engine's own numbering, each followed by the other one on its throw. */
  plain: Turning;
}

/** Degrees from one angle to another: the way the crank runs, or the shorter way. */
function turnBetween(from: number, to: number, bothWays: boolean): number {
  const ahead = turned(to - from);
  return bothWays && ahead > 180 ? ahead - 360 : ahead;
}

/** Thousandths of a degree, as whole numbers, so that sums of the same turns are the same. */
const whole = (degrees: number): number => Math.round(Math.abs(degrees) * 1_000);

/** More than all turns of 16 cylinders come to in thousandths of a degree. */
const FIRST = 10_000_000;

const costOf = (by: number, turnsStand: boolean, saves: OrderAsk['saves']): number =>
  saves === 'stand' ? Number(turnsStand) * FIRST + whole(by) : whole(by) * 100 + Number(turnsStand);

/** The steps of an order, and what it costs. */
export function turningOf(
  order: readonly ToFit[],
  { from, bothWays }: Pick<OrderAsk, 'from' | 'bothWays'>,
): Turning & { steps: FitStep[] } {
  let at: { angle: number; bank: string } | null = from;
  const steps = order.map(({ id, bottom, bank }): FitStep => {
    const by = at ? turnBetween(at.angle, bottom, bothWays) : 0;
    const turnsStand = at !== null && at.bank !== bank;
    at = { angle: bottom, bank };
    return { id, by, turnsStand };
  });
  return {
    steps,
    crank: steps.reduce((sum, s) => sum + whole(s.by), 0) / 1_000,
    stand: steps.filter((s) => s.turnsStand).length,
  };
}

/** Cylinders by their numbers, each followed by the other one on its throw. */
function byNumber(cylinders: readonly ToFit[], due: string | null): ToFit[] {
  const order: ToFit[] = [];
  let left = [...cylinders];
  let next = left.find((c) => c.id === due) ?? left[0];
  while (next) {
    const { mate, id } = next;
    order.push(next);
    left = left.filter((c) => c.id !== id);
    next = left.find((c) => c.id === mate) ?? left[0];
  }
  return order;
}

/**
 * The order with the fewest turns; of those that come out the same, the one nearest the engine's own numbering.
 *
 * @throws RangeError over 16 cylinders
 * @example installOrder({ cylinders: [], from: null, saves: 'stand', bothWays: false }).steps // []
 */
export function installOrder(ask: OrderAsk): FitOrder {
  const { cylinders, from, saves, bothWays } = ask;
  const n = cylinders.length;
  if (n > 16) throw new RangeError('at most 16 cylinders');
  const costs = new Float64Array(n * n);
  cylinders.forEach((a, i) =>
    cylinders.forEach((b, k) => {
      costs[i * n + k] = costOf(turnBetween(a.bottom, b.bottom, bothWays), a.bank !== b.bank, saves);
    }),
  );
  const firsts = cylinders.map((c) =>
    from ? costOf(turnBetween(from.angle, c.bottom, bothWays), from.bank !== c.bank, saves) : 0,
  );
  const mates = cylinders.map(({ mate }) => cylinders.findIndex((c) => c.id === mate));
  const all = (1 << n) - 1;
  /** The least that what is left costs, once those in the mask are in, the last of them last. */
  const left = new Float64Array((all + 1) * n);
  const mayFollow = (mask: number, last: number, next: number): boolean => {
    if (mask & (1 << next)) return false;
    const mate = mates[last] ?? -1;
    return mate < 0 || (mask & (1 << mate)) !== 0 || next === mate;
  };
  for (let mask = all - 1; mask > 0; mask -= 1)
    for (let last = 0; last < n; last += 1) {
      if (!(mask & (1 << last))) continue;
      let least = Infinity;
      for (let next = 0; next < n; next += 1) {
        if (!mayFollow(mask, last, next)) continue;
        const cost = (costs[last * n + next] ?? 0) + (left[(mask | (1 << next)) * n + next] ?? 0);
        if (cost < least) least = cost;
      }
      left[mask * n + last] = least;
    }
  const due = cylinders.findIndex((c) => c.id === from?.mate);
  const mayBegin = (next: number): boolean => due < 0 || next === due;
  const order: number[] = [];
  let mask = 0;
  while (order.length < n) {
    const last = order.at(-1);
    let best = -1;
    let least = Infinity;
    for (let next = 0; next < n; next += 1) {
      if (last === undefined ? !mayBegin(next) : !mayFollow(mask, last, next)) continue;
      const step = last === undefined ? (firsts[next] ?? 0) : (costs[last * n + next] ?? 0);
      const cost = step + (left[(mask | (1 << next)) * n + next] ?? 0);
      if (cost < least) [least, best] = [cost, next];
    }
    order.push(best);
    mask |= 1 << best;
  }
  const inOrder = order.flatMap((i) => cylinders[i] ?? []);
  const { crank, stand } = turningOf(byNumber(cylinders, from?.mate ?? null), ask);
  return { ...turningOf(inOrder, ask), plain: { crank, stand } };
}
