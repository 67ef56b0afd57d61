/**
 * Charts as files: JSON, whole, and CSV, a line for every place a figure can stand. Described in docs/chart-file.md.
 */
import Papa from 'papaparse';
import { z } from 'zod';
import {
  type Chart,
  type ChartCell,
  type ChartColumn,
  type ChartFigure,
  type ChartRow,
  CHART_FIGURES,
  cellOf,
} from '@/core/models/charts/chart';
import { type Alloy, ALLOYS } from '@/core/foundation/parts/materials';
import { isTooDeep } from './depth';
import { faultsOf } from './schema';
import { chartSchema } from './shapes/targets';
import { tableOf, unguarded } from './csv';

const CHART_FORMAT = 'spatium-chart';
const CHART_VERSION = 3;
/** Charts of version 1 are of steps. */
const READ_VERSIONS: readonly unknown[] = [1, 2, CHART_VERSION];
/** The id of a chart whose file gives it none. */
export const UNNAMED = 'read';
/** Largest chart file that is read. */
export const MOST_CHART_BYTES = 1024 * 1024;
/** A list of faults is cut here; the rest is counted. */
const MOST_FAULTS = 20;

export interface ChartFile {
  format: typeof CHART_FORMAT;
  version: typeof CHART_VERSION;
  chart: Chart;
}

export const writeChartFile = (chart: Chart): ChartFile => ({ format: CHART_FORMAT, version: CHART_VERSION, chart });

const CSV_COLUMNS = [
  'row', 'row_words', 'load', 'ring_c', 'wall_c', 'column', 'column_words', 'alloy', 'high_ring', 'figure', 'factor', 'source', 'confirmed_sheet', 'confirmed_by', 'confirmed_at_utc',
] as const; // oxfmt-ignore
type CsvRow = Record<(typeof CSV_COLUMNS)[number], string>;

/** The chart as CSV, its cells guarded, see `csv.ts`. */
export function writeChartCsv(chart: Chart): string {
  const line = (row: ChartRow, column: ChartColumn, figure: ChartFigure): CsvRow => {
    const cell = cellOf(chart, row.id, column.id, figure);
    return {
      row: row.id,
      row_words: row.words,
      load: row.load === null ? '' : String(row.load),
      ring_c: row.ringTemperature === null ? '' : String(row.ringTemperature),
      wall_c: row.wallTemperature === null ? '' : String(row.wallTemperature),
      column: column.id,
      column_words: column.words,
      alloy: column.alloy,
      high_ring: column.highRing ? 'yes' : 'no',
      figure,
      factor: cell ? String(cell.factor) : '',
      source: cell?.source ?? '',
      confirmed_sheet: cell?.confirmed?.sheet ?? '',
      confirmed_by: cell?.confirmed?.by ?? '',
      confirmed_at_utc: cell?.confirmed?.at ?? '',
    };
  };
  const lines = chart.rows.flatMap((row) =>
    chart.columns.flatMap((column) => CHART_FIGURES.map((figure) => line(row, column, figure))),
  );
  return tableOf(CSV_COLUMNS, lines);
}

export type ChartRead = { ok: true; chart: Chart } | { ok: false; faults: string[] };

const refused = (...faults: string[]): ChartRead => ({
  ok: false,
  faults:
    faults.length > MOST_FAULTS ? [...faults.slice(0, MOST_FAULTS), `and ${faults.length - MOST_FAULTS} more`] : faults,
});

function checked(candidate: unknown): ChartRead {
  const parsed = chartSchema.safeParse(candidate);
  return parsed.success ? { ok: true, chart: parsed.data } : refused(...faultsOf(parsed.error));
}

function readJson(text: string): ChartRead {
  if (isTooDeep(text)) return refused('The file is nested deeper than any chart is.');
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch (error) {
    return refused(
      `The file is not JSON, or it was cut short: ${error instanceof Error ? error.message : 'unreadable'}.`,
    );
  }
  const head = z.looseObject({ format: z.unknown(), version: z.unknown(), chart: z.unknown() }).safeParse(json);
  if (!head.success || head.data.format !== CHART_FORMAT)
    return refused(`This is not a Spatium chart: "format" is not "${CHART_FORMAT}".`);
  if (!READ_VERSIONS.includes(head.data.version))
    return refused(
      `The chart file is of version ${JSON.stringify(head.data.version)}; this program reads versions 1 to ${CHART_VERSION}.`,
    );
  return checked(head.data.chart);
}

const number = (text: string): number =>
  /^\d*[.,]?\d+(?:e-?\d+)?$/i.test(text.trim()) ? Number(text.replace(',', '.')) : Number.NaN;

/** Each line says its row and column in full: they must say the same wherever they come again. */
function parted<T extends { id: string }>(
  lines: CsvRow[],
  make: (line: CsvRow) => T,
  what: string,
): { parts: T[]; faults: string[] } {
  const parts = new Map<string, { part: T; line: number }>();
  const faults: string[] = [];
  lines.forEach((line, i) => {
    const part = make(line);
    const before = parts.get(part.id);
    if (!before) parts.set(part.id, { part, line: i + 2 });
    else if (JSON.stringify(before.part) !== JSON.stringify(part))
      faults.push(`line ${i + 2}: ${what} “${part.id}” is not as on line ${before.line}`);
  });
  return { parts: [...parts.values()].map((p) => p.part), faults };
}

function readCsv(text: string, name: string): ChartRead {
  const { data, meta, errors } = Papa.parse<CsvRow>(text.replace(/^\uFEFF/, ''), {
    header: true,
    skipEmptyLines: 'greedy',
    transform: unguarded,
  });
  // charts from before there were curves have no loads
  const missing = CSV_COLUMNS.filter((c) => c !== 'load' && !(meta.fields ?? []).includes(c));
  if (missing.length > 0) return refused(`This is not a chart as CSV: the columns ${missing.join(', ')} are missing.`);
  const [broken] = errors;
  if (broken) return refused(`line ${(broken.row ?? 0) + 2}: ${broken.message}`);
  const rows = parted<ChartRow>(
    data,
    (l) => ({
      id: l.row,
      words: l.row_words,
      ringTemperature: l.ring_c.trim() === '' ? null : number(l.ring_c),
      wallTemperature: l.wall_c.trim() === '' ? null : number(l.wall_c),
      load: (l.load as string | undefined)?.trim() ? number(l.load) : null,
    }),
    'row',
  );
  const columns = parted<ChartColumn>(
    data,
    (l) => ({ id: l.column, words: l.column_words, alloy: l.alloy as Alloy, highRing: l.high_ring === 'yes' }),
    'column',
  );
  const faults = [...rows.faults, ...columns.faults];
  const cells = data.flatMap((l, i): ChartCell[] => {
    const where = `line ${i + 2}`;
    const figure = CHART_FIGURES.find((f) => f === l.figure);
    if (!figure) faults.push(`${where}: “${l.figure}” is no figure (${CHART_FIGURES.join(', ')})`);
    if (!ALLOYS.some((a) => a === l.alloy)) faults.push(`${where}: “${l.alloy}” is no alloy (${ALLOYS.join(', ')})`);
    if (!figure || l.factor.trim() === '') return [];
    const factor = number(l.factor);
    if (Number.isNaN(factor)) faults.push(`${where}: “${l.factor}” is no factor`);
    const confirmed =
      l.confirmed_sheet.trim() === '' ? null : { sheet: l.confirmed_sheet, by: l.confirmed_by, at: l.confirmed_at_utc };
    return [{ row: l.row, column: l.column, figure, factor, source: l.source, confirmed }];
  });
  if (faults.length > 0) return refused(...faults);
  return checked({
    id: UNNAMED,
    version: 1,
    kind: rows.parts.some((row) => row.load !== null) ? 'curve' : 'steps',
    name,
    saved: null,
    copiedFrom: null,
    rows: rows.parts,
    columns: columns.parts,
    cells,
  });
}

/**
 * The chart in a file's text, JSON or CSV, or everything that is wrong with it.
 *
 * @param name what a chart from CSV is called, since that holds no name
 */
export function readChartFile(text: string, name: string): ChartRead {
  if (text.length > MOST_CHART_BYTES) return refused('The file is larger than 1 MB.');
  return /^\s*[{[]/.test(text) ? readJson(text) : readCsv(text, name);
}
