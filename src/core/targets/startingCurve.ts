/** The curve that new builds begin with, and with it the charts that the program comes with. No bench needs them: a build holds its own. */
import { temperaturesAt } from '../load/load';
import {
  type Chart,
  type ChartCell,
  type ChartFigure,
  type Construction,
  type Pair,
  CLEARANCES,
  COLUMNS,
  CONSTRUCTIONS,
  FROM_MEMORY,
  STARTING_CHART,
} from './chart';

/** Loads of the starting curve, with what each is about. */
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
];

/**
 * Gap factors by load: forged, cast, hypereutectic with a high ring. From memory and common practice; so drawn that 0.1 psi
 * more moves a forged or cast piston’s gap by less than a tenth of a thou on 4 in, and that by the heat model the ends of
 * a ring at its minimum meet with a chance of less than one in twenty up to a load of 2.2.
 */
const CURVES: Record<number, [forged: Pair, cast: Pair, hypereutectic: Pair]> = {
  0.85: [
    [0.004, 0.0045],
    [0.004, 0.0045],
    [0.0065, 0.005],
  ],
  1: [
    [0.0045, 0.005],
    [0.0043, 0.0048],
    [0.0065, 0.005],
  ],
  1.1: [[0.0049, 0.0054], [0.0046, 0.0051], null],
  1.15: [null, null, [0.0069, 0.0055]],
  1.25: [
    [0.00545, 0.0059],
    [0.005, 0.0055],
    [0.008, 0.006],
  ],
  1.4: [[0.0059, 0.0063], null, null],
  1.6: [[0.0064, 0.0068], null, [0.008, 0.0065]],
  1.95: [[0.007, 0.0073], null, null],
  2.3: [[0.0076, 0.0079], null, null],
  2.6: [[0.0081, 0.0084], null, null],
};

/** The loads at which clearances change, and which of street, racing, boosted stands there; up to the last load that gaps stand at. */
const CLEARANCE_AT: [load: number, which: 0 | 1 | 2][] = [
  [1, 0],
  [1.15, 1],
  [1.25, 1],
  [1.4, 2],
];

function curveCells(): ChartCell[] {
  const cells: ChartCell[] = [];
  const put = (load: number, column: Construction, figure: ChartFigure, factor: number): void =>
    void cells.push({ row: loadId(load), column, figure, factor, source: FROM_MEMORY, confirmed: null });
  for (const column of CONSTRUCTIONS) {
    const of = column === 'cast' ? 1 : column === 'hypereutectic' ? 2 : 0;
    const gaps = LOADS.flatMap(([load]) => {
      const pair = CURVES[load]?.[of];
      return pair ? [{ load, pair }] : [];
    });
    for (const { load, pair } of gaps) {
      put(load, column, 'top', pair[0]);
      put(load, column, 'second', pair[1]);
    }
    const last = gaps.at(-1)?.load ?? 0;
    for (const [load, which] of CLEARANCE_AT)
      if (load <= last) put(load, column, 'clearance', CLEARANCES[column][which]);
    if (last > 1.4) put(last, column, 'clearance', CLEARANCES[column][2]);
  }
  return cells;
}

const loadId = (load: number): string => `load-${load.toFixed(2).replace('.', '-')}`;

/**
 * The curve that new builds begin with. From memory and common practice, nothing in it confirmed; it never changes: other
 * figures are another version. Version 1 lay lower from a load of 1.6 on.
 */
export const STARTING_CURVE: Chart = {
  id: 'starting-curve',
  version: 2,
  kind: 'curve',
  name: 'Starting curve',
  saved: null,
  copiedFrom: null,
  rows: LOADS.map(([load, words]) => {
    const { ring, wall } = temperaturesAt(load);
    return { id: loadId(load), words, ringTemperature: Math.round(ring), wallTemperature: Math.round(wall), load };
  }),
  columns: COLUMNS,
  cells: curveCells(),
};

/** The charts that the program comes with. */
export const BUILT_IN: readonly [Chart, ...Chart[]] = [STARTING_CURVE, STARTING_CHART];

/**
 * Whether the program comes with a chart of this id.
 *
 * @example isBuiltIn('starting') // true
 */
export const isBuiltIn = (id: string): boolean => BUILT_IN.some((chart) => chart.id === id);
