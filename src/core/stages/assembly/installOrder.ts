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

/** What it costs to fit each first, and after each other one, and which may follow which. */
class FittingCosts {
  readonly count: number;
  private readonly first: number[];
  private readonly after: Float64Array;
  private readonly mates: number[];
  /** The one that is to go in first; -1 where it may be any. */
  private readonly due: number;

  constructor({ cylinders, from, saves, bothWays }: OrderAsk) {
    const n = cylinders.length;
    const indexOf = (id: string | null | undefined): number => cylinders.findIndex((c) => c.id === id);
    this.count = n;
    this.first = cylinders.map((c) =>
      from ? costOf(turnBetween(from.angle, c.bottom, bothWays), from.bank !== c.bank, saves) : 0,
    );
    this.after = new Float64Array(n * n);
    cylinders.forEach((a, i) =>
      cylinders.forEach((b, k) => {
        this.after[i * n + k] = costOf(turnBetween(a.bottom, b.bottom, bothWays), a.bank !== b.bank, saves);
      }),
    );
    this.mates = cylinders.map(({ mate }) => indexOf(mate));
    this.due = indexOf(from?.mate);
  }

  /**
   * What the next one costs once those in the mask are in, the last of them last; Infinity where it may not be the next.
   *
   * @param last -1 for none
   */
  of(mask: number, last: number, next: number): number {
    if (last < 0) return this.due < 0 || next === this.due ? (this.first[next] ?? 0) : Infinity;
    const mate = this.mates[last] ?? -1;
    const isFree = mate < 0 || (mask & (1 << mate)) !== 0 || next === mate;
    return mask & (1 << next) || !isFree ? Infinity : (this.after[last * this.count + next] ?? 0);
  }
}

/** The cheapest next one, and what it costs with all that is left after it, of which the least is in `left`. */
function cheapestNext(
  costs: FittingCosts,
  left: Float64Array,
  mask: number,
  last: number,
): { next: number; cost: number } {
  let [best, least] = [-1, Infinity];
  for (let next = 0; next < costs.count; next += 1) {
    const step = costs.of(mask, last, next);
    if (step === Infinity) continue;
    const cost = step + (left[(mask | (1 << next)) * costs.count + next] ?? 0);
    if (cost < least) [best, least] = [next, cost];
  }
  return { next: best, cost: least };
}

/** The least that what is left costs, by the mask of those that are in and the last of them. */
function leastLeft(costs: FittingCosts): Float64Array {
  const all = (1 << costs.count) - 1;
  const left = new Float64Array((all + 1) * costs.count);
  for (let mask = all - 1; mask > 0; mask -= 1)
    for (let last = 0; last < costs.count; last += 1)
      if (mask & (1 << last)) left[mask * costs.count + last] = cheapestNext(costs, left, mask, last).cost;
  return left;
}

/**
 * The order with the fewest turns; of those that come out the same, the one nearest the engine's own numbering.
 *
 * @throws RangeError over 16 cylinders
 * @example
 *   installOrder({ cylinders: [{ id: '1', bottom: 180, bank: 'only', mate: null }, { id: '2', bottom: 0, bank:
 *   'only', mate: null }, { id: '3', bottom: 0, bank: 'only', mate: null }], from: null, saves: 'crank', bothWays:
 *   false }).steps.map((s) => `${s.id} by ${s.by}°`) // [ '1 by 0°', '2 by 180°', '3 by 0°' ]
 */
export function installOrder(ask: OrderAsk): FitOrder {
  const { cylinders, from } = ask;
  if (cylinders.length > 16) throw new RangeError('at most 16 cylinders');
  const costs = new FittingCosts(ask);
  const left = leastLeft(costs);
  const order: number[] = [];
  for (let mask = 0; order.length < costs.count;) {
    const { next } = cheapestNext(costs, left, mask, order.at(-1) ?? -1);
    order.push(next);
    mask |= 1 << next;
  }
  const inOrder = order.flatMap((i) => cylinders[i] ?? []);
  const { crank, stand } = turningOf(byNumber(cylinders, from?.mate ?? null), ask);
  return { ...turningOf(inOrder, ask), plain: { crank, stand } };
}
