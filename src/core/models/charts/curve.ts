/**
 * A chart of curves: its rows are heat loads, and between the figures that stand there a curve goes that is monotone
 * wherever they are (F. N. Fritsch and R. E. Carlson, SIAM J. Numer. Anal. 17, 1980, recalled; the slopes are the weighted
 * harmonic means of F. N. Fritsch and J. Butland, SIAM J. Sci. Stat. Comput. 5, 1984, recalled). A figure that is under
 * one at less load is lifted to it: more heat never asks for less.
 */
import type { Chart, ChartCell, ChartFigure, ChartRow } from './chart';

/** A point of a curve. */
export interface CurvePoint {
  load: number;
  factor: number;
}

/** Slope at an inner point, from the widths and the slopes on both its sides. */
function innerSlope(before: number, after: number, left: number, right: number): number {
  if (left * right <= 0) return 0;
  const [w1, w2] = [2 * after + before, after + 2 * before];
  return (w1 + w2) / (w1 / left + w2 / right);
}

/** Slope at an end, from three points, kept from overshooting. */
function endSlope(near: number, far: number, slope: number, next: number): number {
  const found = ((2 * near + far) * slope - near * next) / (near + far);
  if (found * slope <= 0) return 0;
  return slope * next <= 0 && Math.abs(found) > 3 * Math.abs(slope) ? 3 * slope : found;
}

/**
 * The factor (gap or clearance per bore) of the curve through some points at a load: monotone between any two of them; of
 * the first under them all, of the last over.
 *
 * @param points at least one, by load, each once
 * @example monotoneAt([{ load: 1, factor: 4 }, { load: 2, factor: 6 }], 1.5) // 5
 */
export function monotoneAt(points: readonly CurvePoint[], load: number): number {
  const [first] = points;
  const last = points.at(-1);
  if (!first || !last) return Number.NaN;
  if (load <= first.load) return first.factor;
  if (load >= last.load) return last.factor;
  const widths = points.slice(1).map((p, i) => p.load - (points[i]?.load ?? 0));
  const slopes = points.slice(1).map((p, i) => (p.factor - (points[i]?.factor ?? 0)) / (widths[i] ?? 1));
  const at = (list: readonly number[], i: number): number => list[i] ?? 0;
  const tangent = (i: number): number => {
    const n = slopes.length;
    if (n === 1) return at(slopes, 0);
    if (i === 0) return endSlope(at(widths, 0), at(widths, 1), at(slopes, 0), at(slopes, 1));
    if (i === n) return endSlope(at(widths, n - 1), at(widths, n - 2), at(slopes, n - 1), at(slopes, n - 2));
    return innerSlope(at(widths, i - 1), at(widths, i), at(slopes, i - 1), at(slopes, i));
  };
  const i = points.findIndex((p) => p.load > load) - 1;
  const [from, to] = [points[i] ?? first, points[i + 1] ?? last];
  const h = to.load - from.load;
  const t = (load - from.load) / h;
  const rest = 1 - t;
  return (
    from.factor * (1 + 2 * t) * rest ** 2 +
    h * tangent(i) * t * rest ** 2 +
    to.factor * t ** 2 * (3 - 2 * t) -
    h * tangent(i + 1) * t ** 2 * rest
  );
}

/** A figure of a chart with the load it stands at. */
export interface Knot extends CurvePoint {
  cell: ChartCell;
  /** Whether a figure at less load is larger, and lifts it. */
  lifted: boolean;
}

/**
 * The points of one figure of a piston, by load; none where the chart has none.
 *
 * @example
 *   knotsOf({ rows: [{ id: 'street', load: 1.2 }], cells: [{ row: 'street', column: 'cast', figure: 'top',
 *   factor: 0.0045 }] }, 'cast', 'top').map(({ load, factor }) => [load, factor]) // [[1.2, 0.0045]]
 */
export function knotsOf({ rows, cells }: Chart, column: string, figure: ChartFigure): Knot[] {
  const loads = new Map(rows.flatMap((row) => (row.load === null ? [] : [[row.id, row.load] as const])));
  const found = cells
    .flatMap((cell) => {
      const load = loads.get(cell.row);
      return load !== undefined && cell.column === column && cell.figure === figure ? [{ load, cell }] : [];
    })
    .sort((a, b) => a.load - b.load);
  let most = 0;
  return found.map(({ load, cell }) => {
    const lifted = cell.factor < most;
    most = Math.max(most, cell.factor);
    return { load, cell, factor: most, lifted };
  });
}

/** Factors are carried to a millionth: on a bore of 100 mm that is 0.1 µm of gap. */
const rounded = (factor: number): number => Math.round(factor * 1e6) / 1e6;

/** How far off a load still is the one of a figure. */
const SAME_LOAD = 1e-9;

/**
 * The figure of a curve at a load, with what stands behind it: that of a point itself, or of the two points it lies
 * between; under the least load that of the first. Null over the last, where the curve says nothing, and where it has no points.
 */
export function figureAtLoad(chart: Chart, load: number, column: string, figure: ChartFigure): ChartCell | null {
  const knots = knotsOf(chart, column, figure);
  const over = knots.findIndex((k) => k.load > load - SAME_LOAD);
  const to = knots[over];
  if (!to) return null;
  const from = over > 0 && to.load > load + SAME_LOAD ? knots[over - 1] : undefined;
  if (!from) return { ...to.cell, factor: to.factor };
  const { source, confirmed } = from.cell;
  return {
    ...from.cell,
    factor: rounded(monotoneAt(knots, load)),
    source: source === to.cell.source ? source : [source, to.cell.source].filter(Boolean).join('; '),
    confirmed: to.cell.confirmed ? confirmed : null,
  };
}

/**
 * A row that stands at a load: the chart's own where there is one, else between two of them, with their temperatures in
 * proportion. Null for a chart that has no loads.
 */
export function rowAtLoad(chart: Chart, load: number): ChartRow | null {
  const rows = chart.rows
    .flatMap((row) => (row.load === null ? [] : [{ ...row, load: row.load }]))
    .sort((a, b) => a.load - b.load);
  const [first] = rows;
  const last = rows.at(-1);
  if (!first || !last) return null;
  const to = rows.find((row) => row.load >= load) ?? last;
  const from = rows.findLast((row) => row.load <= load) ?? first;
  const t = to.load > from.load ? (load - from.load) / (to.load - from.load) : 0;
  const between = (a: number | null, b: number | null): number | null =>
    a === null || b === null ? null : Math.round((a + (b - a) * t) * 10) / 10;
  return {
    id: AT_LOAD,
    words: `heat load ${load.toFixed(2)}`,
    ringTemperature: between(from.ringTemperature, to.ringTemperature),
    wallTemperature: between(from.wallTemperature, to.wallTemperature),
    load,
  };
}

/** The id of a row that a chart has not, but that lies at the engine's heat load. */
export const AT_LOAD = 'at-load';
