/**
 * Charts as data: factor × bore, a row a duty or a heat load, a column a piston, a cell a figure. A chart is of steps, as
 * printed sheets are, or of curves: its rows are heat loads then, and between them `curve.ts` draws the curve.
 *
 * A chart is one version of it and never changes; an edit makes the next version. A cell is unsourced until
 * someone confirms it against a sheet. No cell means that no figure is offered and the sheet is asked for.
 * A factor has no dimension: 0.0045 in per inch is 0.0045 mm per mm.
 */

import { type Alloy } from '../../foundation/parts/materials';

/** Rows of the starting chart. A shop's own chart may have others. */
export const DUTIES = [
  'plain',
  'street',
  'race',
  'marine',
  'boostLow',
  'boostHigh',
  'nitrousLow',
  'nitrousHigh',
  'diesel',
] as const;
export type Duty = (typeof DUTIES)[number];

/** Columns of the starting chart: how the piston is made decides the gap as much as the duty does. */
export const CONSTRUCTIONS = ['cast', 'hypereutectic', 'forged4032', 'forged2618'] as const;
export type Construction = (typeof CONSTRUCTIONS)[number];

/** What a cell is the factor of. */
export const CHART_FIGURES = ['top', 'second', 'clearance', 'clearancePlated'] as const;
export type ChartFigure = (typeof CHART_FIGURES)[number];

export const CHART_FIGURE_WORDS: Record<ChartFigure, string> = {
  top: 'top ring',
  second: 'second ring',
  clearance: 'clearance, iron bore',
  clearancePlated: 'clearance, plated bore',
};

export interface ChartRow {
  id: string;
  words: string;
  /** Assumed mean temperature of the top ring and of the bore wall, °C; null for what its heat load says. */
  ringTemperature: number | null;
  wallTemperature: number | null;
  /** The heat load it stands at; null for a duty of a chart of steps. */
  load: number | null;
}

export interface ChartColumn {
  id: string;
  words: string;
  alloy: Alloy;
  /** The top ring sits so close to the crown that the oldest rule destroys the engine. */
  highRing: boolean;
}

/** Who held a cell against which sheet, and when. */
export interface Confirmation {
  sheet: string;
  by: string;
  /** ISO 8601, UTC. */
  at: string;
}

export interface ChartCell {
  row: string;
  column: string;
  figure: ChartFigure;
  factor: number;
  source: string;
  confirmed: Confirmation | null;
}

export interface ChartVersion {
  id: string;
  version: number;
}

/** Steps as on printed sheets, or curves over the heat load. */
export const CHART_KINDS = ['steps', 'curve'] as const;
export type ChartKind = (typeof CHART_KINDS)[number];

export interface Chart extends ChartVersion {
  kind: ChartKind;
  name: string;
  /** Who made this version, and when; null for the chart the program comes with. */
  saved: { by: string; at: string } | null;
  /** The chart this one began as a copy of. */
  copiedFrom: (ChartVersion & { name: string }) | null;
  rows: ChartRow[];
  columns: ChartColumn[];
  cells: ChartCell[];
}

/**
 * The two schools of boosted gaps: *wide*, whose ends must never meet whatever happens, and *close*, a gap that just
 * stays open because it seals better. Common practice, no source.
 */
export type School = 'wide' | 'close';
export const WIDE_CURVE_ID = 'starting-curve';
export const CLOSE_CURVE_ID = 'close-curve';

/** The school whose curve a chart is, or began as a copy of; null for any other. */
export function schoolOf({ id, copiedFrom }: Pick<Chart, 'id' | 'copiedFrom'>): School | null {
  const ids = [id, copiedFrom?.id];
  return ids.includes(CLOSE_CURVE_ID) ? 'close' : ids.includes(WIDE_CURVE_ID) ? 'wide' : null;
}

/** The oldest rule: 0.004 in of gap per inch of bore, naturally aspirated, as a minimum. Common practice, no source. */
export const OLD_RULE = 0.004;

/** Where the starting chart's figures come from. */
export const FROM_MEMORY = 'from memory';

const row = (id: Duty, words: string): ChartRow => ({
  id,
  words,
  ringTemperature: null,
  wallTemperature: null,
  load: null,
});

/** Heat load that each row of the starting chart stands for. From memory. */
const STEP_LOADS: Record<Duty, number> = {
  plain: 0.85,
  street: 1,
  race: 1.15,
  marine: 1.25,
  diesel: 1.35,
  boostLow: 1.55,
  nitrousLow: 1.7,
  boostHigh: 1.9,
  nitrousHigh: 2.25,
};

/**
 * The heat load that a row stands for: its own, or that of a row of the starting chart; null for a shop's own row of steps.
 *
 * @example loadOfRow({ id: 'street', words: '', ringTemperature: null, wallTemperature: null, load: null }) // 1
 */
export const loadOfRow = ({ id, load }: ChartRow): number | null =>
  load ?? Object.entries(STEP_LOADS).find(([duty]) => duty === id)?.[1] ?? null;

const ROWS: ChartRow[] = [
  row('plain', 'plain rebuild, naturally aspirated'),
  row('street', 'performance street, naturally aspirated'),
  row('race', 'oval or drag, naturally aspirated'),
  row('marine', 'marine or towing, long full load'),
  row('boostLow', 'boost to 15 psi (1.03 bar)'),
  row('boostHigh', 'boost over 15 psi (1.03 bar)'),
  row('nitrousLow', 'nitrous to 200 hp'),
  row('nitrousHigh', 'nitrous over 200 hp'),
  row('diesel', 'turbo diesel'),
];

const column = (id: Construction, words: string, alloy: Alloy, highRing = false): ChartColumn => ({
  id,
  words,
  alloy,
  highRing,
});

/** The pistons of the charts that the program comes with. */
export const COLUMNS: ChartColumn[] = [
  column('cast', 'cast', 'cast'),
  column('hypereutectic', 'hypereutectic, high ring', 'hypereutectic', true),
  column('forged4032', 'forged, high silicon (4032 type)', '4032'),
  column('forged2618', 'forged, low silicon (2618 type)', '2618'),
];

/** Factors of both rings; null where none is offered. */
export type Pair = [top: number, second: number] | null;

/** Gap factors: forged, cast, hypereutectic with a high ring. From memory and common practice. */
const GAPS: Record<Duty, [forged: Pair, cast: Pair, hypereutectic: Pair]> = {
  plain: [
    [0.004, 0.0045],
    [0.004, 0.0045],
    [0.0065, 0.005],
  ],
  street: [
    [0.0045, 0.005],
    [0.004, 0.0045],
    [0.0065, 0.005],
  ],
  race: [
    [0.005, 0.0055],
    [0.005, 0.0055],
    [0.0068, 0.0055],
  ],
  marine: [
    [0.0055, 0.006],
    [0.005, 0.0055],
    [0.008, 0.006],
  ],
  boostLow: [[0.006, 0.0063], null, [0.008, 0.0065]],
  boostHigh: [[0.0067, 0.007], null, null],
  nitrousLow: [[0.006, 0.0063], null, [0.008, 0.0065]],
  nitrousHigh: [[0.007, 0.0073], null, null],
  diesel: [[0.006, 0.0063], [0.005, 0.0055], null],
};

/** Clearance factors on the street, racing, boosted. Long full load counts as racing. From memory. */
export const CLEARANCES: Record<Construction, [street: number, race: number, boosted: number]> = {
  cast: [0.0005, 0.0007, 0.0009],
  hypereutectic: [0.0005, 0.0007, 0.0009],
  forged4032: [0.0007, 0.0009, 0.001],
  forged2618: [0.001, 0.0011, 0.0013],
};

/** Turbo diesel, competition, whatever the piston. From memory. */
const DIESEL_CLEARANCE = 0.0017;

function clearanceOf(duty: Duty, construction: Construction): number {
  const [street, race, boosted] = CLEARANCES[construction];
  if (duty === 'diesel') return DIESEL_CLEARANCE;
  if (duty === 'plain' || duty === 'street') return street;
  return duty === 'race' || duty === 'marine' ? race : boosted;
}

function gapsOf(duty: Duty, construction: Construction): Pair {
  const [forged, cast, hypereutectic] = GAPS[duty];
  if (construction === 'cast') return cast;
  return construction === 'hypereutectic' ? hypereutectic : forged;
}

const startingCells = (): ChartCell[] =>
  DUTIES.flatMap((duty) =>
    CONSTRUCTIONS.flatMap((construction) => {
      const cell = (figure: ChartFigure, factor: number): ChartCell => ({
        row: duty,
        column: construction,
        figure,
        factor,
        source: FROM_MEMORY,
        confirmed: null,
      });
      const gaps = gapsOf(duty, construction);
      return [
        ...(gaps ? [cell('top', gaps[0]), cell('second', gaps[1])] : []),
        cell('clearance', clearanceOf(duty, construction)),
      ];
    }),
  );

/**
 * The chart the program comes with. From memory and common practice; nothing in it is confirmed. Builds without
 * a chart entry stand on it, so it never changes: other figures would be another version.
 */
export const STARTING_CHART: Chart = {
  id: 'starting',
  version: 1,
  kind: 'steps',
  name: 'Starting chart',
  saved: null,
  copiedFrom: null,
  rows: ROWS,
  columns: COLUMNS,
  cells: startingCells(),
};

/**
 * The row of a chart by its id; null for none.
 *
 * @example rowOf(judgement.choices.chart, 'race')?.words // 'oval or drag, naturally aspirated'
 */
export const rowOf = (chart: Chart, id: string | null): ChartRow | null => chart.rows.find((r) => r.id === id) ?? null;

/** The column of a chart by its id; null for none. */
export const columnOf = (chart: Chart, id: string | null): ChartColumn | null =>
  chart.columns.find((c) => c.id === id) ?? null;

/** The cell of a row, a column and a figure; null where the chart offers none. */
export const cellOf = (chart: Chart, rowId: string, columnId: string, figure: ChartFigure): ChartCell | null =>
  chart.cells.find((c) => c.row === rowId && c.column === columnId && c.figure === figure) ?? null;

/**
 * A factor as it is printed: four decimals, and more where it has them.
 *
 * @example [factorText(0.005), factorText(0.00545)] // [ '0.0050', '0.00545' ]
 */
export const factorText = (factor: number): string => {
  const exact = String(Number(factor.toFixed(6)));
  return exact.length > '0.0000'.length ? exact : factor.toFixed(4);
};
