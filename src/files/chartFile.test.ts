import { chartSchema } from './shapes/targets';
import { describe, expect, it } from 'vitest';
import { type Chart, STARTING_CHART } from '@/core/models/charts/chart';
import { withFactor } from '@/core/models/charts/chartEdit';
import { readChartFile, writeChartCsv, writeChartFile } from './chartFile';

const own: Chart = {
  ...withFactor(
    STARTING_CHART,
    { row: 'street', column: 'cast', figure: 'clearancePlated' },
    0.0004,
    '=SUM(A1), "trial"',
  ),
  id: 'own-1',
  version: 4,
  name: 'Own',
  saved: { by: 'KM', at: '2026-05-04T09:00:00.000Z' },
  copiedFrom: { id: 'starting', version: 1, name: 'Starting chart' },
};
const confirmed: Chart = {
  ...own,
  cells: own.cells.map((c, i) =>
    i < 3 ? { ...c, confirmed: { sheet: 'ring set TF-82', by: 'KM', at: '2026-05-04T09:00:00.000Z' } } : c,
  ),
};

const text = (chart: Chart): string => JSON.stringify(writeChartFile(chart));
const faults = (file: string): string => {
  const read = readChartFile(file, 'x');
  return read.ok ? '' : read.faults.join('\n');
};

describe('a chart as JSON', () => {
  it.each([STARTING_CHART, own, confirmed])('reads back in whole: $name', (chart) => {
    expect(readChartFile(text(chart), 'x')).toEqual({ ok: true, chart });
  });

  it.each<[string, string, RegExp]>([
    ['cut short', text(own).slice(0, -9), /cut short/],
    ['a build file', '{"format":"spatium-build","version":2}', /not a Spatium chart/],
    [
      'a later version',
      JSON.stringify({ ...writeChartFile(own), version: 7 }),
      /version 7; this program reads versions 1 to 3/,
    ],
    [
      'a factor that is a gap',
      text(own).replace('"factor":0.004,', '"factor":0.016,').replace('"factor":0.0045,', '"factor":0.45,'),
      /0.45 is no factor/,
    ],
    ['a field nobody knows', text(own).replace('"name":"Own"', '"name":"Own","x":1'), /Unrecognized key/],
    [
      'a temperature out of this world',
      text(own).replace('"ringTemperature":null', '"ringTemperature":19000'),
      /rows.0.ringTemperature/,
    ],
    ['more than a megabyte', `{${' '.repeat(1_100_000)}}`, /larger than 1 MB/],
  ])('%s is refused', (_, file, says) => {
    expect(faults(file)).toMatch(says);
  });
});

describe('rows of charts from before temperatures followed from the heat load', () => {
  const read = (rows: object[]) => {
    const { chart } = JSON.parse(text(own)) as { chart: object };
    const kind = rows.some((r) => 'load' in r && r.load !== null) ? 'curve' : 'steps';
    const kept = chartSchema.parse({ ...chart, kind, rows, cells: [] });
    return kept.rows.map((r) => [r.ringTemperature, r.wallTemperature]);
  };
  const row = (id: string, ringTemperature: number, wallTemperature: number, load: number | null = null) => ({
    ...{ id, words: id, ringTemperature, wallTemperature, load },
  });

  it('that have what the program gave them name none; those of a shop keep theirs', () => {
    expect(
      read([row('plain', 190, 120), row('street', 205, 120), row('race', 230, 125), row('own', 205, 120)]),
    ).toEqual([
      [null, null],
      [null, null],
      [230, 125],
      [null, null],
    ]);
    expect(read([row('own', 206, 120)])).toEqual([[206, 120]]);
    // 115 + 8 × 1.4 = 126.2; + 85 × 1.4^0.86 = 239.7
    expect(read([row('load-1-40', 240, 126, 1.4), row('load-1-60', 270, 128, 1.6)])).toEqual([
      [null, null],
      [270, 128],
    ]);
  });
});

describe('a chart as CSV', () => {
  const csv = writeChartCsv(confirmed);

  it('reads back in with every figure, source and confirmation, under the name of its file', () => {
    const read = readChartFile(`\uFEFF${csv}`, 'From a sheet');
    expect(read).toMatchObject({
      ok: true,
      chart: { name: 'From a sheet', version: 1, rows: confirmed.rows, columns: confirmed.columns },
    });
    const sorted = (chart: Chart): string[] => chart.cells.map((c) => JSON.stringify(c)).sort();
    expect(read.ok && sorted(read.chart)).toEqual(sorted(confirmed));
  });

  it('keeps a source from running as a formula (published: OWASP, CSV injection)', () => {
    expect(csv).toContain(`"'=SUM(A1), ""trial"""`);
  });

  it('a source that begins with an apostrophe and a sign is read back with both', () => {
    const odd = withFactor(own, { row: 'street', column: 'cast', figure: 'top' }, 0.0046, "'=x");
    const read = readChartFile(writeChartCsv(odd), 'x');
    expect(read.ok && read.chart.cells.find((c) => c.factor === 0.0046)?.source).toBe("'=x");
  });

  it('takes a comma for a point, as some spreadsheets write it, and an empty factor for no figure', () => {
    const lines = csv.split('\r\n');
    const read = readChartFile(
      lines
        .map((l, i) => (i === 1 ? l.replace(',0.004,', ',"0,0041",') : i === 2 ? l.replace(',0.0045,', ',,') : l))
        .join('\n'),
      'x',
    );
    expect(read.ok && read.chart.cells[0]?.factor).toBe(0.0041);
    expect(read.ok && read.chart.cells.length).toBe(confirmed.cells.length - 1);
  });

  it.each<[string, string, RegExp]>([
    ['nothing', '', /columns row, row_words/],
    ['another table', 'a,b\n1,2', /not a chart as CSV/],
    [
      'a row that says two things',
      csv.replace(
        'street,"performance street, naturally aspirated",,,',
        'street,"performance street, naturally aspirated",,199,',
      ),
      /line \d+: row “street” is not as on line \d+/,
    ],
    ['an unknown figure', csv.replace(',top,', ',third,'), /line 2: “third” is no figure/],
    ['an unknown alloy', csv.replaceAll(',cast,no,', ',tin,no,'), /“tin” is no alloy/],
    ['text for a factor', csv.replace(',top,0.004,', ',top,four,'), /line 2: “four” is no factor/],
    ['a gap for a factor', csv.replace(',top,0.004,', ',top,0.4,'), /0.4 is no factor/],
  ])('%s is refused, by line', (_, file, says) => {
    expect(faults(file)).toMatch(says);
  });
});
