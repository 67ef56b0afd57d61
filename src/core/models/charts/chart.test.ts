import { describe, expect, it } from 'vitest';
import { type Chart, type ChartFigure, CONSTRUCTIONS, DUTIES, STARTING_CHART, cellOf, loadOfRow } from './chart';
import { chartChanges, chartFaults, sameFigures, withFactor } from './chartEdit';

const at = { row: 'street', column: 'cast', figure: 'top' } as const;
const changed = withFactor(STARTING_CHART, at, 0.0042, 'own trial');
const factor = (row: string, column: string, figure: ChartFigure): number | undefined =>
  cellOf(STARTING_CHART, row, column, figure)?.factor;

describe('the starting chart (from memory and common practice)', () => {
  it.each([
    ['plain', 0.004, 0.0045, 0.004, 0.0045, 0.0065, 0.005],
    ['street', 0.0045, 0.005, 0.004, 0.0045, 0.0065, 0.005],
    ['race', 0.005, 0.0055, 0.005, 0.0055, 0.0068, 0.0055],
    ['marine', 0.0055, 0.006, 0.005, 0.0055, 0.008, 0.006],
    ['boostLow', 0.006, 0.0063, undefined, undefined, 0.008, 0.0065],
    ['boostHigh', 0.0067, 0.007, undefined, undefined, undefined, undefined],
    ['nitrousLow', 0.006, 0.0063, undefined, undefined, 0.008, 0.0065],
    ['nitrousHigh', 0.007, 0.0073, undefined, undefined, undefined, undefined],
    ['diesel', 0.006, 0.0063, 0.005, 0.0055, undefined, undefined],
  ])('%s: every gap factor', (row, ...expected) => {
    expect(
      ['forged4032', 'cast', 'hypereutectic'].flatMap((c) => [factor(row, c, 'top'), factor(row, c, 'second')]),
    ).toEqual(expected);
    expect([factor(row, 'forged2618', 'top'), factor(row, 'forged2618', 'second')]).toEqual(expected.slice(0, 2));
  });

  it.each([
    ['cast', 0.0005, 0.0007, 0.0009],
    ['hypereutectic', 0.0005, 0.0007, 0.0009],
    ['forged4032', 0.0007, 0.0009, 0.001],
    ['forged2618', 0.001, 0.0011, 0.0013],
  ])('%s: every clearance factor, and 0.0017 for a turbo diesel', (column, street, race, boosted) => {
    const rows = {
      street: ['plain', 'street'],
      race: ['race', 'marine'],
      boosted: ['boostLow', 'boostHigh', 'nitrousLow', 'nitrousHigh'],
    };
    for (const row of rows.street) expect(factor(row, column, 'clearance')).toBe(street);
    for (const row of rows.race) expect(factor(row, column, 'clearance')).toBe(race);
    for (const row of rows.boosted) expect(factor(row, column, 'clearance')).toBe(boosted);
    expect(factor('diesel', column, 'clearance')).toBe(0.0017);
  });

  it('each duty stands for a heat load, which its temperatures follow from; none of its figures is confirmed', () => {
    expect(STARTING_CHART.rows.map(loadOfRow)).toEqual([0.85, 1, 1.15, 1.25, 1.55, 1.9, 1.7, 2.25, 1.35]);
    expect(STARTING_CHART.rows.every((r) => r.ringTemperature === null && r.wallTemperature === null)).toBe(true);
    expect(STARTING_CHART.cells.every((c) => c.confirmed === null && c.source === 'from memory')).toBe(true);
    expect(chartFaults(STARTING_CHART)).toEqual([]);
    expect([STARTING_CHART.rows.map((r) => r.id), STARTING_CHART.columns.map((c) => c.id)]).toEqual([
      [...DUTIES],
      [...CONSTRUCTIONS],
    ]);
  });
});

describe('what differs between two versions', () => {
  it('names the cell in words, with both figures', () => {
    expect(chartChanges(STARTING_CHART, changed)).toEqual([
      {
        what: 'performance street, naturally aspirated · cast · top ring',
        before: '0.004, not confirmed',
        after: '0.0042, not confirmed',
        cell: at,
      },
    ]);
  });

  it('a confirmation, a figure taken out, one put in and a source alone are differences too', () => {
    const confirmed: Chart = {
      ...STARTING_CHART,
      cells: STARTING_CHART.cells.map((c, i) => (i === 0 ? { ...c, confirmed: { sheet: 'S', by: '', at: '' } } : c)),
    };
    expect(chartChanges(STARTING_CHART, confirmed)[0]?.after).toBe('0.004, confirmed against S');
    expect(chartChanges(STARTING_CHART, withFactor(STARTING_CHART, at, null, ''))[0]).toMatchObject({
      after: 'no figure',
    });
    expect(
      chartChanges(STARTING_CHART, withFactor(STARTING_CHART, { ...at, figure: 'clearancePlated' }, 0.0004, ''))[0],
    ).toMatchObject({ before: 'no figure', after: '0.0004, not confirmed' });
    expect(chartChanges(STARTING_CHART, withFactor(STARTING_CHART, at, 0.004, 'a book'))[0]).toMatchObject({
      before: '0.004, not confirmed (from memory)',
      after: '0.004, not confirmed (a book)',
    });
  });

  it('rows, columns and the name are told', () => {
    const [row, ...rows] = STARTING_CHART.rows;
    const other: Chart = {
      ...STARTING_CHART,
      name: 'Own',
      rows: [...rows, { id: 'hill', words: 'hillclimb', ringTemperature: 240, wallTemperature: 125, load: null }],
      columns: STARTING_CHART.columns.map((c) => (c.id === 'cast' ? { ...c, highRing: true } : c)),
    };
    expect(
      chartChanges(STARTING_CHART, other)
        .filter((c) => c.cell === null)
        .map((c) => `${c.what}: ${c.before} → ${c.after}`),
    ).toEqual([
      'name: Starting chart → Own',
      `row “${row?.words}”: there → gone`,
      'row “hillclimb”: not there → new',
      'column “cast”: cast, cast → cast, cast, high ring',
    ]);
  });

  it('a chart says the same as itself, whatever it is called', () => {
    expect(sameFigures(STARTING_CHART, { ...STARTING_CHART, name: 'x', version: 9 })).toBe(true);
    expect(sameFigures(STARTING_CHART, changed)).toBe(false);
  });
});

describe('faults of a chart', () => {
  const first = STARTING_CHART.cells[0];
  const withCell = (part: Partial<NonNullable<typeof first>>): Chart => ({
    ...STARTING_CHART,
    cells: first ? [{ ...first, ...part }, ...STARTING_CHART.cells.slice(1)] : [],
  });

  it.each<[string, Chart, RegExp]>([
    ['a gap typed for a factor', withCell({ factor: 0.028 }), /0.028 is no factor; one lies between 0.0005 and 0.02/],
    ['nothing at all', withCell({ factor: 0 }), /is no factor/],
    ['not a number', withCell({ factor: Number.NaN }), /is no factor/],
    ['a cell of no row', withCell({ row: 'hill' }), /no such row or column/],
    [
      'a cell twice',
      { ...STARTING_CHART, cells: [...STARTING_CHART.cells, ...STARTING_CHART.cells.slice(0, 1)] },
      /cell .* there twice/,
    ],
    [
      'a row twice',
      { ...STARTING_CHART, rows: [...STARTING_CHART.rows, ...STARTING_CHART.rows.slice(0, 1)] },
      /row “plain” is there twice/,
    ],
    ['no name', { ...STARTING_CHART, name: ' ' }, /name/],
    ['no rows', { ...STARTING_CHART, rows: [], cells: [] }, /at least one row/],
    ['no columns', { ...STARTING_CHART, columns: [], cells: [] }, /at least one column/],
    [
      'a row without words',
      { ...STARTING_CHART, rows: STARTING_CHART.rows.map((r) => ({ ...r, words: '' })) },
      /Say in words/,
    ],
  ])('%s', (_, chart, says) => {
    expect(chartFaults(chart).join('\n')).toMatch(says);
  });
});
