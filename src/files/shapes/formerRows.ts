/**
 * Rows of charts from before 2026-11-30 name temperatures that the program had given them, or that a new row had taken over
 * from the row before. They follow from the heat load now: such a row is read as one that names none. A row that a shop
 * gave its own keeps them.
 */
import type { ChartRow } from '@/core/models/charts/chart';

/** Ring and wall of the rows of the starting chart, and of the first row of an empty one, °C. */
const STEPS = [
  '190/120',
  '205/120',
  '220/125',
  '235/130',
  '255/130',
  '280/135',
  '265/130',
  '310/140',
  '240/130',
  '200/120',
];

/** Ring and wall that a curve gave a row at a heat load, °C. */
function atLoad(load: number): string {
  const wall = 115 + 8 * load;
  return `${Math.round(wall + 85 * load ** 0.86)}/${Math.round(wall)}`;
}

const LOADS = [0.85, 1, 1.1, 1.15, 1.25, 1.4, 1.6, 1.95, 2.3, 2.6, 3, 3.3];
const GIVEN = new Set([...STEPS, ...LOADS.map(atLoad)]);

/** A row as it is read now. */
export const withoutGivenTemperatures = (row: ChartRow): ChartRow =>
  GIVEN.has(`${row.ringTemperature}/${row.wallTemperature}`)
    ? { ...row, ringTemperature: null, wallTemperature: null }
    : row;
