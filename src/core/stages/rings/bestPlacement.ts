/**
 * Placing: which ring of one kind goes into which cylinder, from one reading of each. A ring's gap moves by π times the
 * change in diameter, so a ring that is tight in one bore can be right in another, and one that is over in another still.
 *
 * First as few rings as possible are over their limit, then by as little as possible. After that, as chosen: the least
 * metal to file; or the least spread of the gaps once the short ones are filed to their window's edge, then the least
 * metal. At the end as few rings as possible move, and none for less than the readings can tell apart. Exact for any
 * number of cylinders: costs are whole tenths of a
 * micrometre, weighted so that no sum of a later aim outweighs one step of an earlier.
 */
import type { Nm } from '../../foundation/quantity/length';
import { type Costs, leastSum } from '../../foundation/quantity/assignment';
import { type Placed, type PlacingAsk, type PlacingStanding, placedIn, placingStanding } from './placement';
import type { GapState } from './ring';

/** A ring that moves, and what becomes of its gap. */
export interface RingMove {
  ring: string;
  from: string;
  to: string;
  gap: Nm;
  becomes: Nm;
  state: GapState;
}

export type PlacingResult =
  | { kind: 'found'; before: PlacingStanding; after: PlacingStanding; moves: RingMove[] }
  | { kind: 'impossible'; why: string };

/** A tenth of a micrometre: what costs are counted in. */
const TENTH: Nm = 100;
/** A ring is never counted as over, or to be filed, by more than this: 2 mm. */
const MOST: Nm = 2_000_000;
/** One ring over its limit outweighs any amount over; any amount over outweighs all filing, moves included. */
const OVER_WEIGHT = 1e6;
/** And any amount over outweighs all filing. */
const AMOUNT_WEIGHT = 1e7;

const tenths = (nm: Nm): number => Math.round(Math.min(MOST, Math.max(0, nm)) / TENTH);

interface Cell {
  /** What outweighs all filing. */
  over: number;
  cost: number;
  /** The gap once filed, in tenths of a micrometre. */
  even: number;
}

function cellsOf({ bores, rings, now, locked, sure }: PlacingAsk): (Cell | null)[][] {
  const boreOf = new Map(bores.map((b) => [b.cylinder, b]));
  const ringIn = new Map(now.map((p) => [p.cylinder, p.ring]));
  const stays = new Set(locked);
  const kept = new Set(now.filter((p) => stays.has(p.cylinder)).map((p) => p.ring));
  return bores.map((bore) =>
    rings.map((ring) => {
      const own = ringIn.get(bore.cylinder) === ring.ring;
      if ((stays.has(bore.cylinder) || kept.has(ring.ring)) && !own) return null;
      const { best, weighed, overBy, state } = placedIn(bore, ring, boreOf.get(ring.cylinder) ?? bore, sure);
      const over = state === 'over' ? OVER_WEIGHT + tenths(overBy) : 0;
      return {
        over,
        cost: over * AMOUNT_WEIGHT + tenths(weighed) * (bores.length + 1) + (own ? 0 : 1),
        even: Math.round((best + weighed) / TENTH),
      };
    }),
  );
}

const costsOf = (cells: (Cell | null)[][], allowed: (cell: Cell) => boolean = () => true): Costs =>
  cells.map((row) => row.map((cell) => (cell && allowed(cell) ? cell.cost : null)));

const sumOf = (costs: Costs, columns: number[], of: (cost: number) => number = (c) => c): number =>
  columns.reduce((sum, column, row) => sum + of(costs[row]?.[column] ?? 0), 0);

/**
 * Among the placings with the least over, the one whose filed gaps lie nearest together: the narrowest band of gaps
 * that still holds such a placing, found by letting both its ends rise in turn.
 */
function mostEven(cells: (Cell | null)[][], least: number): number[] | null {
  const over: Costs = cells.map((row) => row.map((cell) => cell && cell.over));
  const levels = [...new Set(cells.flat().flatMap((cell) => (cell ? [cell.even] : [])))].sort((a, b) => a - b);
  const within =
    (low: number, high: number) =>
    (cell: Cell): boolean =>
      cell.even >= low && cell.even <= high;
  const holds = (low: number, high: number): boolean => {
    const costs = over.map((row, i) =>
      row.map((cost, j) => (cells[i]?.[j] && within(low, high)(cells[i][j]) ? cost : null)),
    );
    const found = leastSum(costs);
    return found !== null && sumOf(costs, found) === least;
  };
  let band = Infinity;
  let best: { columns: number[]; cost: number } | null = null;
  let top = 0;
  for (const low of levels) {
    while (top < levels.length && ((levels[top] ?? 0) < low || !holds(low, levels[top] ?? 0))) top += 1;
    const high = levels[top];
    if (high === undefined) break;
    if (high - low > band) continue;
    const costs = costsOf(cells, within(low, high));
    const columns = leastSum(costs);
    if (!columns) continue;
    const cost = sumOf(costs, columns);
    if (high - low < band || !best || cost < best.cost) best = { columns, cost };
    band = high - low;
  }
  return best?.columns ?? null;
}

/** Cylinders whose rings go round among themselves. */
function cyclesOf(now: readonly Placed[], best: readonly Placed[]): Set<string>[] {
  const ringIn = new Map(now.map((p) => [p.cylinder, p.ring]));
  const goesTo = new Map(best.map((p) => [p.ring, p.cylinder]));
  const seen = new Set<string>();
  return now.flatMap(({ cylinder }) => {
    const cycle = new Set<string>();
    for (let at = cylinder; !seen.has(at); at = goesTo.get(ringIn.get(at) ?? '') ?? at) {
      seen.add(at);
      cycle.add(at);
    }
    return cycle.size > 1 ? [cycle] : [];
  });
}

/**
 * Whether the readings can tell one standing from a better: a ring over its limit comes to lie under it by a move that
 * is more than its own doubt, or there is less over, or less to file, or the gaps lie nearer together, by more than
 * the doubt of those that move.
 */
function canTell(
  worse: PlacingStanding,
  better: PlacingStanding,
  cycle: ReadonlySet<string>,
  aim: PlacingAsk['aim'],
): boolean {
  const moved = better.placed.filter((p) => cycle.has(p.cylinder));
  const doubt = Math.hypot(...moved.map((p) => p.uncertainty));
  if (worse.weighed - better.weighed > doubt) return true;
  if (aim === 'even' && worse.spread - better.spread > doubt) return true;
  const over = ({ placed }: PlacingStanding): Nm => placed.reduce((sum, p) => sum + p.overBy, 0);
  return (
    over(worse) - over(better) > doubt ||
    worse.placed.some((was) => {
      const is = moved.find((p) => p.ring === was.ring);
      return was.state === 'over' && is !== undefined && is.state !== 'over' && was.best - is.best > is.uncertainty;
    })
  );
}

/** The best placing without those moves whose gain the readings cannot tell. */
function worthMoving(ask: PlacingAsk, best: readonly Placed[]): Placed[] {
  const ringIn = new Map(ask.now.map((p) => [p.cylinder, p.ring]));
  let kept = [...best];
  for (const cycle of cyclesOf(ask.now, best)) {
    const without = kept.map((p) => (cycle.has(p.cylinder) ? { ...p, ring: ringIn.get(p.cylinder) ?? p.ring } : p));
    if (!canTell(placingStanding(ask, without), placingStanding(ask, kept), cycle, ask.aim)) kept = without;
  }
  return kept;
}

function faultOf({ bores, rings, now }: PlacingAsk): string | null {
  if (bores.length < 2)
    return 'Fewer than two rings of this kind are read in bores that are measured: there is nothing to swap yet.';
  const sound =
    bores.length === rings.length && now.length === bores.length && new Set(now.map((p) => p.ring)).size === now.length;
  if (!sound || !now.every((p) => bores.some((b) => b.cylinder === p.cylinder) && rings.some((r) => r.ring === p.ring)))
    return 'The present placing does not name each bore and each ring once.';
  return null;
}

/**
 * The best placing of the rings of one kind.
 *
 * @returns it with before and after and each ring that moves, or why there is none. Never throws.
 * @example bestPlacement({ bores: [], rings: [], locked: [], aim: 'filing', sure: 0.95 }).kind // 'impossible'
 */
export function bestPlacement(ask: PlacingAsk): PlacingResult {
  const fault = faultOf(ask);
  if (fault) return { kind: 'impossible', why: fault };
  const cells = cellsOf(ask);
  const costs = costsOf(cells);
  const filed = leastSum(costs);
  if (!filed) return { kind: 'impossible', why: 'The locks leave no complete placing.' };
  const over: Costs = cells.map((row) => row.map((cell) => cell && cell.over));
  const columns = ask.aim === 'even' ? mostEven(cells, sumOf(over, filed)) : filed;
  if (!columns) return { kind: 'impossible', why: 'The locks leave no complete placing.' };
  const best = columns.map((column, row) => ({
    cylinder: ask.bores[row]?.cylinder ?? '',
    ring: ask.rings[column]?.ring ?? '',
  }));
  const after = placingStanding(ask, worthMoving(ask, best));
  const before = placingStanding(ask, ask.now);
  const wasIn = new Map(before.placed.map((p) => [p.ring, p]));
  const moves = after.placed.flatMap(({ ring, cylinder, gap, state }): RingMove[] => {
    const was = wasIn.get(ring);
    return was && was.cylinder !== cylinder
      ? [{ ring, from: was.cylinder, to: cylinder, gap: was.gap, becomes: gap, state }]
      : [];
  });
  return { kind: 'found', before, after, moves };
}
