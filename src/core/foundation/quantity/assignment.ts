/**
 * Exact assignment of rows to columns, one to one, for matrices of at least as many columns as rows.
 * A cost of null forbids the pair. No heuristic: both answers are optima.
 *
 * Least sum: shortest augmenting paths with potentials (the Hungarian method in the form of Jonker and Volgenant,
 * 1987, recalled from memory), O(n³). Least worst: the smallest cost under which a complete matching exists,
 * by bisection over the costs that occur, with augmenting paths (Kőnig, 1931, recalled from memory).
 */
export type Costs = (number | null)[][];

/**
 * The column of each row in the assignment of the least sum; null when no complete one is allowed.
 * Exact while sums stay whole numbers under 2⁵³.
 *
 * @example leastSum([[1, 9], [9, 1]]) // [ 0, 1 ]
 */
export function leastSum(costs: Costs): number[] | null {
  const rows = costs.length;
  const columns = costs[0]?.length ?? 0;
  const at = (row: number, column: number): number => costs[row]?.[column] ?? Infinity;
  const rowPotential = new Array<number>(rows).fill(0);
  const columnPotential = new Array<number>(columns).fill(0);
  const rowOf = new Array<number>(columns).fill(-1);
  for (let start = 0; start < rows; start += 1) {
    const reach = new Array<number>(columns).fill(Infinity);
    const before = new Array<number>(columns).fill(-1);
    const settled = new Array<boolean>(columns).fill(false);
    let row = start;
    let column = -1;
    let distance = 0;
    for (;;) {
      let nearest = -1;
      for (let j = 0; j < columns; j += 1) {
        if (settled[j]) continue;
        const through = distance + at(row, j) - (rowPotential[row] ?? 0) - (columnPotential[j] ?? 0);
        if (through < (reach[j] ?? Infinity)) {
          reach[j] = through;
          before[j] = column;
        }
        if (nearest < 0 || (reach[j] ?? Infinity) < (reach[nearest] ?? Infinity)) nearest = j;
      }
      if (nearest < 0 || reach[nearest] === Infinity) return null;
      settled[nearest] = true;
      distance = reach[nearest] ?? 0;
      column = nearest;
      const taken = rowOf[nearest] ?? -1;
      if (taken < 0) break;
      row = taken;
    }
    for (let j = 0; j < columns; j += 1) {
      if (!settled[j]) continue;
      const slack = distance - (reach[j] ?? 0);
      columnPotential[j] = (columnPotential[j] ?? 0) - slack;
      const taken = rowOf[j] ?? -1;
      if (taken >= 0) rowPotential[taken] = (rowPotential[taken] ?? 0) + slack;
    }
    rowPotential[start] = (rowPotential[start] ?? 0) + distance;
    while (column >= 0) {
      const previous = before[column] ?? -1;
      rowOf[column] = previous < 0 ? start : (rowOf[previous] ?? -1);
      column = previous;
    }
  }
  const columnOf = new Array<number>(rows).fill(-1);
  rowOf.forEach((row, column) => {
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
