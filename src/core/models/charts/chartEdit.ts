/** Editing a chart: what may be in a cell, what is wrong with a chart, and what changed between two versions. */
import { type Chart, type ChartCell, type ChartFigure, CHART_FIGURE_WORDS, cellOf, columnOf, rowOf } from './chart';

/** The chart with a cell set to a factor, or with none there. A changed factor is no longer confirmed. */
export function withFactor(
  chart: Chart,
  at: Pick<ChartCell, 'row' | 'column' | 'figure'>,
  factor: number | null,
  source: string,
): Chart {
  const here = (c: ChartCell): boolean => c.row === at.row && c.column === at.column && c.figure === at.figure;
  const before = chart.cells.find(here);
  const others = chart.cells.filter((c) => !here(c));
  if (factor === null) return { ...chart, cells: others };
  const cell: ChartCell = {
    row: at.row,
    column: at.column,
    figure: at.figure,
    factor,
    source,
    confirmed: before?.factor === factor ? before.confirmed : null,
  };
  return before
    ? { ...chart, cells: chart.cells.map((c) => (here(c) ? cell : c)) }
    : { ...chart, cells: [...others, cell] };
}

/** Largest factors that are taken at all, and those nobody questions. From memory. */
export const FACTORS: Record<'gap' | 'clearance', { least: number; most: number; usual: [number, number] }> = {
  gap: { least: 0.0005, most: 0.02, usual: [0.003, 0.0125] },
  clearance: { least: 0.0001, most: 0.01, usual: [0.0002, 0.004] },
};

/** Whether a figure of a chart is a gap or a clearance. */
export const figureKind = (figure: ChartFigure): 'gap' | 'clearance' =>
  figure === 'top' || figure === 'second' ? 'gap' : 'clearance';

/**
 * What is wrong with a chart, as sentences; empty when nothing is.
 *
 * @example chartFaults({ ...demo.choices.chart, name: ' ' }) // ['Give the chart a name.']
 */
export function chartFaults(chart: Chart): string[] {
  const faults: string[] = [];
  const twice = (ids: string[], what: string): void => {
    for (const id of new Set(ids.filter((id, i) => ids.indexOf(id) !== i)))
      faults.push(`The ${what} “${id}” is there twice.`);
  };
  if (chart.name.trim() === '') faults.push('Give the chart a name.');
  if (chart.rows.length === 0) faults.push('A chart has at least one row.');
  if (chart.columns.length === 0) faults.push('A chart has at least one column.');
  const loads = chart.rows.flatMap((row) => row.load ?? []);
  if (chart.kind === 'curve') {
    if (loads.length < chart.rows.length) faults.push('In a chart of curves every row has a heat load.');
    for (const load of new Set(loads.filter((l, i) => loads.indexOf(l) !== i)))
      faults.push(`Two rows stand at the heat load ${load}.`);
  } else if (loads.length > 0) faults.push('In a chart of steps no row has a heat load.');
  for (const { id, words } of [...chart.rows, ...chart.columns])
    if (words.trim() === '') faults.push(`Say in words what “${id}” is.`);
  twice(
    chart.rows.map((r) => r.id),
    'row',
  );
  twice(
    chart.columns.map((c) => c.id),
    'column',
  );
  twice(
    chart.cells.map((c) => `${c.row}, ${c.column}, ${c.figure}`),
    'cell',
  );
  const rows = new Set(chart.rows.map((r) => r.id));
  const columns = new Set(chart.columns.map((c) => c.id));
  for (const cell of chart.cells) {
    const where = `${cell.row}, ${cell.column}, ${CHART_FIGURE_WORDS[cell.figure]}`;
    if (!rows.has(cell.row) || !columns.has(cell.column)) faults.push(`${where}: the chart has no such row or column.`);
    const { least, most } = FACTORS[figureKind(cell.figure)];
    if (!(cell.factor >= least && cell.factor <= most))
      faults.push(`${where}: ${cell.factor} is no factor; one lies between ${least} and ${most}.`);
  }
  return faults;
}

/** One difference between two charts, in words. */
export interface ChartChange {
  /** Row, column and figure in words, or what else changed. */
  what: string;
  before: string;
  after: string;
  /** The cell that changed; null for a row, a column or a name. */
  cell: Pick<ChartCell, 'row' | 'column' | 'figure'> | null;
}

const NO_FIGURE = 'no figure';

function cellWords(cell: ChartCell | null): string {
  if (!cell) return NO_FIGURE;
  return cell.confirmed ? `${cell.factor}, confirmed against ${cell.confirmed.sheet}` : `${cell.factor}, not confirmed`;
}

function changesOfParts<T extends { id: string; words: string }>(
  before: T[],
  after: T[],
  what: string,
  say: (part: T) => string,
): ChartChange[] {
  const change = (words: string, a: string, b: string): ChartChange => ({
    what: words,
    before: a,
    after: b,
    cell: null,
  });
  const gone = before
    .filter((b) => !after.some((a) => a.id === b.id))
    .map((b) => change(`${what} “${b.words}”`, 'there', 'gone'));
  const come = after
    .filter((a) => !before.some((b) => b.id === a.id))
    .map((a) => change(`${what} “${a.words}”`, 'not there', 'new'));
  const changed = after.flatMap((a) => {
    const old = before.find((b) => b.id === a.id);
    return old && say(old) !== say(a) ? [change(`${what} “${a.words}”`, say(old), say(a))] : [];
  });
  return [...gone, ...come, ...changed];
}

const degrees = (celsius: number | null): string => (celsius === null ? 'by heat load' : `${celsius} °C`);

/** Everything that differs between two charts, rows and columns first. */
export function chartChanges(before: Chart, after: Chart): ChartChange[] {
  const name: ChartChange[] =
    before.name === after.name ? [] : [{ what: 'name', before: before.name, after: after.name, cell: null }];
  const rows = changesOfParts(
    before.rows,
    after.rows,
    'row',
    (r) =>
      `${r.words},${r.load === null ? '' : ` heat load ${r.load},`} ring ${degrees(r.ringTemperature)}, wall ${degrees(r.wallTemperature)}`,
  );
  const columns = changesOfParts(
    before.columns,
    after.columns,
    'column',
    (c) => `${c.words}, ${c.alloy}${c.highRing ? ', high ring' : ''}`,
  );
  const keys = new Map([...before.cells, ...after.cells].map((c) => [`${c.row}/${c.column}/${c.figure}`, c]));
  const cells = [...keys.values()].flatMap(({ row: r, column: c, figure }) => {
    const [a, b] = [cellOf(before, r, c, figure), cellOf(after, r, c, figure)];
    const says = [cellWords(a), cellWords(b)] as const;
    if (says[0] === says[1] && a?.source === b?.source) return [];
    const words = [
      (rowOf(after, r) ?? rowOf(before, r))?.words ?? r,
      (columnOf(after, c) ?? columnOf(before, c))?.words ?? c,
      CHART_FIGURE_WORDS[figure],
    ];
    const sourced = says[0] === says[1] ? ([`${says[0]} (${a?.source})`, `${says[1]} (${b?.source})`] as const) : says;
    return [{ what: words.join(' · '), before: sourced[0], after: sourced[1], cell: { row: r, column: c, figure } }];
  });
  return [...name, ...rows, ...columns, ...cells];
}

/** Whether two charts say the same, whatever they are called and whoever saved them. */
export const sameFigures = (a: Chart, b: Chart): boolean => chartChanges({ ...a, name: b.name }, b).length === 0;
