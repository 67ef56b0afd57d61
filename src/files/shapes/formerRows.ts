/**
 * Rows of charts from before 2026-11-30 name temperatures that the program had given them. They follow from the heat load
 * now: such a row is read as one that names none. A row that a shop gave its own keeps them.
 */
import type { ChartRow } from '@/core/targets/chart';

/** Ring and wall of the rows of the starting chart, °C. */
const STEPS: Record<string, [ring: number, wall: number]> = {
  plain: [190, 120],
  street: [205, 120],
  race: [220, 125],
  marine: [235, 130],
  boostLow: [255, 130],
  boostHigh: [280, 135],
  nitrousLow: [265, 130],
  nitrousHigh: [310, 140],
  diesel: [240, 130],
};

/** Ring and wall that a curve gave a row at a heat load, °C. */
function atLoad(load: number): [ring: number, wall: number] {
  const wall = 115 + 8 * load;
  return [Math.round(wall + 85 * load ** 0.86), Math.round(wall)];
}

/** A row as it is read now. */
export function withoutGivenTemperatures(row: ChartRow): ChartRow {
  const given = row.load === null ? STEPS[row.id] : atLoad(row.load);
  return given?.[0] === row.ringTemperature && given[1] === row.wallTemperature
    ? { ...row, ringTemperature: null, wallTemperature: null }
    : row;
}
