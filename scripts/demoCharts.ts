/** The demo workshop's own chart: invented, in two versions, so that a build set with the first is offered the second. */
import { type Chart, type Confirmation, STARTING_CHART } from '../src/core/models/charts/chart';
import { withFactor } from '../src/core/models/charts/chartEdit';

const sheet: Confirmation = { sheet: 'sheet packed with ring set TF-82', by: 'KM', at: '2026-04-28T10:05:00.000Z' };

const confirmed = (chart: Chart, row: string, column: string): Chart => ({
  ...chart,
  cells: chart.cells.map((c) =>
    c.row === row && c.column === column && c.figure !== 'clearance'
      ? { ...c, source: 'ring set TF-82', confirmed: sheet }
      : c,
  ),
});

/** Version 1: a copy of the starting chart with a row of its own and one row held against a sheet. */
const first: Chart = {
  ...confirmed(
    {
      ...STARTING_CHART,
      rows: [
        ...STARTING_CHART.rows,
        { id: 'hill', words: 'hillclimb, alcohol', ringTemperature: 245, wallTemperature: 125, load: null },
      ],
    },
    'boostHigh',
    'forged2618',
  ),
  id: 'workshop',
  version: 1,
  name: 'Workshop chart',
  saved: { by: 'KM', at: '2026-04-28T10:10:00.000Z' },
  copiedFrom: { id: STARTING_CHART.id, version: STARTING_CHART.version, name: STARTING_CHART.name },
};

export const workshopChart: Chart = withFactor(
  withFactor(first, { row: 'hill', column: 'forged4032', figure: 'top' }, 0.0057, 'last season'),
  { row: 'hill', column: 'forged4032', figure: 'second' },
  0.006,
  'last season',
);

/** Version 2: what a season taught, and a figure for plated bores. */
export const laterWorkshopChart: Chart = withFactor(
  withFactor(
    workshopChart,
    { row: 'street', column: 'forged4032', figure: 'top' },
    0.0048,
    'two engines stripped after a season',
  ),
  { row: 'street', column: 'forged4032', figure: 'clearancePlated' },
  0.0006,
  'two engines stripped after a season',
);
