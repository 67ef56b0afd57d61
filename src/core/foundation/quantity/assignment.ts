/**
 * Exact assignment of rows to columns, one to one, for matrices of at least as many columns as rows.
 * A cost of null forbids the pair. No heuristic: both answers are optima.
 *
 * Least sum: shortest augmenting paths with potentials (the Hungarian method in the form of Jonker and Volgenant,
 * 1987, recalled from memory), O(n³). Least worst: the smallest cost under which a complete matching exists,
 * by bisection over the costs that occur, with augmenting paths (Kőnig, 1931, recalled from memory).
 */
export type Costs = (number | null)[][];

/** What is assigned so far, with a potential for each row and column. */
interface Matching {
  rowPotential: number[];
  columnPotential: number[];
  /** The row of each column; -1 for none. */
  rowOf: number[];
}

/** The shortest way from a row to a column that is free, over the columns that were settled on the way. */
interface ShortestPath {
  end: number;
  distance: number;
  reach: number[];
  /** The column before each; -1 where it is reached from the first row. */
  before: number[];
  settled: boolean[];
}

const at = (list: readonly number[], index: number): number => list[index] ?? 0;

/** Null where no free column is reached. */
function shortestPath(
  costs: Costs,
  { rowPotential, columnPotential, rowOf }: Matching,
  start: number,
): ShortestPath | null {
  const columns = rowOf.length;
  const reach = new Array<number>(columns).fill(Infinity);
  const before = new Array<number>(columns).fill(-1);
  const settled = new Array<boolean>(columns).fill(false);
  let row = start;
  let end = -1;
  let distance = 0;
  while (row >= 0) {
    let nearest = -1;
    for (let j = 0; j < columns; j += 1) {
      if (settled[j]) continue;
      const cost = costs[row]?.[j] ?? Infinity;
      const through = distance + cost - at(rowPotential, row) - at(columnPotential, j);
      if (through < at(reach, j)) {
        reach[j] = through;
        before[j] = end;
      }
      if (nearest < 0 || at(reach, j) < at(reach, nearest)) nearest = j;
    }
    if (nearest < 0 || reach[nearest] === Infinity) return null;
    settled[nearest] = true;
    distance = at(reach, nearest);
    end = nearest;
    row = at(rowOf, nearest);
  }
  return { end, distance, reach, before, settled };
}

/** Keeps the costs of what is assigned at zero, and the others at no less. */
function shiftPotentials({ rowPotential, columnPotential, rowOf }: Matching, path: ShortestPath, start: number): void {
  path.settled.forEach((isSettled, j) => {
    if (!isSettled) return;
    const slack = path.distance - at(path.reach, j);
    columnPotential[j] = at(columnPotential, j) - slack;
    const row = at(rowOf, j);
    if (row >= 0) rowPotential[row] = at(rowPotential, row) + slack;
  });
  rowPotential[start] = at(rowPotential, start) + path.distance;
}

function assignAlong({ rowOf }: Matching, path: ShortestPath, start: number): void {
  for (let column = path.end; column >= 0;) {
    const previous = at(path.before, column);
    rowOf[column] = previous < 0 ? start : at(rowOf, previous);
    column = previous;
  }
}

/**
 * The column of each row in the assignment of the least sum; null when no complete one is allowed.
 * Exact while sums stay whole numbers under 2⁵³.
 *
 * @example leastSum([[1, 9], [9, 1]]) // [ 0, 1 ]
 */
export function leastSum(costs: Costs): number[] | null {
  const columns = costs[0]?.length ?? 0;
  const matching: Matching = {
    rowPotential: costs.map(() => 0),
    columnPotential: new Array<number>(columns).fill(0),
    rowOf: new Array<number>(columns).fill(-1),
  };
  for (let row = 0; row < costs.length; row += 1) {
    const path = shortestPath(costs, matching, row);
    if (!path) return null;
    shiftPotentials(matching, path, row);
    assignAlong(matching, path, row);
  }
  const columnOf = costs.map(() => -1);
  matching.rowOf.forEach((row, column) => {
    if (row >= 0) columnOf[row] = column;
  });
  return columnOf;
}

/** Whether every row finds a column of its own among the pairs that cost no more than `most`. */
function isComplete(costs: Costs, most: number): boolean {
  const columns = costs[0]?.length ?? 0;
  const rowOf = new Array<number>(columns).fill(-1);
  const place = (row: number, seen: Set<number>): boolean => {
    for (let j = 0; j < columns; j += 1) {
      const cost = costs[row]?.[j] ?? null;
      if (cost === null || cost > most || seen.has(j)) continue;
      seen.add(j);
      const taken = rowOf[j] ?? -1;
      if (taken >= 0 && !place(taken, seen)) continue;
      rowOf[j] = row;
      return true;
    }
    return false;
  };
  return costs.every((_, row) => place(row, new Set()));
}

/** The worst cost of the assignment whose worst cost is least; null when no complete one is allowed. */
export function leastWorst(costs: Costs): number | null {
  const levels = [...new Set(costs.flat().filter((c): c is number => c !== null))].sort((a, b) => a - b);
  const highest = levels.at(-1);
  if (highest === undefined) return costs.length === 0 ? 0 : null;
  if (!isComplete(costs, highest)) return null;
  let [low, high] = [0, levels.length - 1];
  while (low < high) {
    const middle = Math.floor((low + high) / 2);
    if (isComplete(costs, levels[middle] ?? highest)) high = middle;
    else low = middle + 1;
  }
  return levels[high] ?? highest;
}
