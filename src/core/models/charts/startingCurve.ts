/** The curves that new builds may begin with, and the charts that the program comes with. No bench needs them: a build holds its own. */
import { MOST_LOAD } from '../load/load';
import {
  type Chart,
  type ChartCell,
  type ChartColumn,
  type ChartFigure,
  type Construction,
  CLEARANCES,
  CLOSE_CURVE_ID,
  COLUMNS,
  FROM_MEMORY,
  STARTING_CHART,
  WIDE_CURVE_ID,
  columnOf,
} from './chart';
import { type CurvePoint, monotoneAt } from './curve';

/** Gap factors of the top and the second ring by heat load. */
type Gaps = Record<number, [top: number, second: number]>;

/** Heat loads of the curves, with what each is about. */
const LOADS: [load: number, words: string][] = [
  [0.85, 'plain rebuild, never worked hard'],
  [1, 'performance street, naturally aspirated'],
  [1.1, 'drag or sprint, naturally aspirated'],
  [1.15, 'oval, road race, naturally aspirated'],
  [1.25, 'marine or towing, long full load'],
  [1.4, 'about 0.5 bar (7.5 psi) of boost'],
  [1.6, 'about 0.8 bar (11.5 psi) of boost'],
  [1.95, 'about 1.3 bar (19 psi) of boost'],
  [2.3, 'about 1.9 bar (27 psi) of boost'],
  [2.6, 'about 2.3 bar (34 psi) of boost'],
  [3, 'about 3.0 bar (43 psi) of boost'],
  [3.3, 'about 3.5 bar (50 psi) of boost'],
];

/** The loads at which clearances change, and which of street, racing, boosted stands there; up to the last load that gaps stand at. */
const CLEARANCE_AT: [load: number, which: 0 | 1 | 2][] = [
  [1, 0],
  [1.15, 1],
  [1.25, 1],
  [1.4, 2],
];

const loadId = (load: number): string => `load-${load.toFixed(2).replace('.', '-')}`;

/** A curve with what differs from one to another: its gaps by piston, up to the last load that any of them stands at. */
function curveChart(
  called: Pick<Chart, 'id' | 'version' | 'name'>,
  columns: ChartColumn[],
  gapsOf: (column: ChartColumn) => Gaps,
): Chart {
  const cells: ChartCell[] = [];
  for (const column of columns) {
    const put = (load: number, figure: ChartFigure, factor: number): void =>
      void cells.push({ row: loadId(load), column: column.id, figure, factor, source: FROM_MEMORY, confirmed: null });
    const gaps = gapsOf(column);
    const last = Math.max(...Object.keys(gaps).map(Number));
    for (const [load] of LOADS) {
      const pair = gaps[load];
      if (!pair) continue;
      put(load, 'top', pair[0]);
      put(load, 'second', pair[1]);
    }
    const clearances = CLEARANCES[clearedAs(column)];
    for (const [load, which] of CLEARANCE_AT) if (load <= last) put(load, 'clearance', clearances[which]);
    if (last > 1.4) put(last, 'clearance', clearances[2]);
  }
  const used = new Set(cells.map((cell) => cell.row));
  return {
    ...called,
    kind: 'curve',
    saved: null,
    copiedFrom: null,
    rows: LOADS.filter(([load]) => used.has(loadId(load))).map(([load, words]) => {
      return { id: loadId(load), words, ringTemperature: null, wallTemperature: null, load };
    }),
    columns,
    cells,
  };
}

/** Whose clearance a piston has: where its ring sits changes only the gap. */
const clearedAs = ({ alloy }: ChartColumn): Construction =>
  alloy === '4032' ? 'forged4032' : alloy === '2618' ? 'forged2618' : alloy;

/** Gaps by load of forged, cast, and hypereutectic pistons with a high ring. From memory and common practice. */
type GapsOf = Record<'forged' | 'cast' | 'hypereutectic', Gaps>;

/**
 * So drawn that 0.1 psi of boost, or 1 hp of nitrous in a four, moves no gap by more than a tenth of a thou on 4 in.
 * Within 1.5 thou on 4 in of common practice, but for a high ring between racing and long full load: up to 2.2 over.
 */
const WIDE: GapsOf = {
  forged: {
    0.85: [0.004, 0.0045],
    1: [0.0045, 0.005],
    1.1: [0.00485, 0.00535],
    1.15: [0.00502, 0.0055],
    1.25: [0.00533, 0.0058],
    1.4: [0.00575, 0.0062],
    1.6: [0.0062, 0.0066],
    1.95: [0.00665, 0.00705],
    2.3: [0.007, 0.0074],
    2.6: [0.0074, 0.0078],
    3: [0.0079, 0.0083],
    3.3: [0.0082, 0.0086],
  },
  cast: {
    0.85: [0.004, 0.0045],
    1: [0.0043, 0.0048],
    1.1: [0.0046, 0.0051],
    1.25: [0.005, 0.0055],
  },
  hypereutectic: {
    0.85: [0.0066, 0.005],
    1: [0.00685, 0.0052],
    1.1: [0.00717, 0.00548],
    1.15: [0.00733, 0.00562],
    1.25: [0.00763, 0.00587],
    1.4: [0.0079, 0.0062],
    1.6: [0.008, 0.0065],
  },
};

/** As the wide curve without an adder; with boost it hardly rises. The second ring leads by a tenth of a percent of the bore. */
const CLOSE_FORGED: Gaps = {
  0.85: [0.004, 0.0045],
  1: [0.0045, 0.0051],
  1.1: [0.00484, 0.00544],
  1.15: [0.00499, 0.00558],
  1.25: [0.0052, 0.0058],
  1.4: [0.0053, 0.0061],
  1.6: [0.00535, 0.0063],
  1.95: [0.0054, 0.0066],
  2.3: [0.0056, 0.0068],
  2.6: [0.0059, 0.0071],
  3: [0.0063, 0.0075],
  3.3: [0.0066, 0.0078],
};

/** As they stood in version 2 of the starting curve. */
const VERSION_2: GapsOf = {
  forged: {
    0.85: [0.004, 0.0045],
    1: [0.0045, 0.005],
    1.1: [0.0049, 0.0054],
    1.25: [0.00545, 0.0059],
    1.4: [0.0059, 0.0063],
    1.6: [0.0064, 0.0068],
    1.95: [0.007, 0.0073],
    2.3: [0.0076, 0.0079],
    2.6: [0.0081, 0.0084],
  },
  cast: WIDE.cast,
  hypereutectic: {
    0.85: [0.0065, 0.005],
    1: [0.0065, 0.005],
    1.15: [0.0069, 0.0055],
    1.25: [0.008, 0.006],
    1.6: [0.008, 0.0065],
  },
};

const pointsOf = (gaps: Gaps, of: 0 | 1): CurvePoint[] =>
  LOADS.flatMap(([load]) => (gaps[load] ? [{ load, factor: gaps[load][of] }] : []));

/** A ring near the crown takes so much more heat than one that is not. From memory. */
const HIGH_RING_HEAT = 1.25;

/** Gaps of a forged piston whose ring lies near the crown: those of any other at so much more load. */
const highForged: Gaps = Object.fromEntries<[number, number]>(
  LOADS.flatMap(([load]): [number, [number, number]][] => {
    const hotter = load * HIGH_RING_HEAT;
    const at = (of: 0 | 1): number => Number(monotoneAt(pointsOf(WIDE.forged, of), hotter).toFixed(5));
    return hotter > MOST_LOAD ? [] : [[load, [at(0), at(1)]]];
  }),
);

/** The pistons of the wide curve: those of the starting chart, and forged ones whose ring lies near the crown. */
const WIDE_COLUMNS: ChartColumn[] = [
  ...COLUMNS,
  { id: 'forged4032High', words: 'forged, high silicon (4032 type), high ring', alloy: '4032', highRing: true },
  { id: 'forged2618High', words: 'forged, low silicon (2618 type), high ring', alloy: '2618', highRing: true },
];

const gapsIn =
  ({ forged, cast, hypereutectic }: GapsOf) =>
  ({ alloy, highRing }: ChartColumn): Gaps =>
    alloy === 'cast' ? cast : alloy === 'hypereutectic' ? hypereutectic : highRing ? highForged : forged;

/**
 * The curve that new builds begin with: gaps of the wide school. From memory and common practice, nothing in it
 * confirmed; it never changes: other figures are another version. Version 1 lay lower from a load of 1.6 on, version 2
 * higher.
 */
export const STARTING_CURVE: Chart = curveChart(
  { id: WIDE_CURVE_ID, version: 3, name: 'Starting curve, wide' },
  WIDE_COLUMNS,
  gapsIn(WIDE),
);

/** Gaps of the close school. Practice known for it is of forged pistons alone: the others are as in the wide curve. */
export const CLOSE_CURVE: Chart = curveChart(
  { id: CLOSE_CURVE_ID, version: 1, name: 'Starting curve, close' },
  COLUMNS,
  gapsIn({ ...WIDE, forged: CLOSE_FORGED }),
);

/** Earlier versions: links name them. */
const EARLIER: readonly Chart[] = [
  curveChart({ id: WIDE_CURVE_ID, version: 2, name: 'Starting curve' }, COLUMNS, gapsIn(VERSION_2)),
];

/** The charts that the program comes with. */
export const BUILT_IN: readonly [Chart, ...Chart[]] = [STARTING_CURVE, CLOSE_CURVE, STARTING_CHART];

/** Every version of them, the newest of each first. */
export const BUILT_IN_VERSIONS: readonly Chart[] = [...BUILT_IN, ...EARLIER];

/**
 * Whether the program comes with a chart of this id.
 *
 * @example ['starting', 'own-1'].map(isBuiltIn) // [ true, false ]
 */
export const isBuiltIn = (id: string): boolean => BUILT_IN.some((chart) => chart.id === id);

/** The curves of both schools but the one given, as far as they have such a piston: to be drawn beside it. */
export const otherSchools = (chart: Chart, column: string): Chart[] =>
  [STARTING_CURVE, CLOSE_CURVE].filter((curve) => curve.id !== chart.id && columnOf(curve, column) !== null);
