/**
 * Temperatures of rings and wall by heat load: gas, ring, wall and coolant as resistances in line. The gas drives as much
 * heat through the ring as the load says, so that a ring stands (G − C)·x ÷ (1 + x) over the coolant C, x in proportion to
 * the load and G the gas's mean temperature; the wall takes its share of that, and the second ring its share of what the
 * top ring stands over the wall. Linear in the load would be an upper bound: a gas is no hotter than G, and coolant that
 * boils at the wall holds it. All figures are from memory, drawn so that the gap that just closes lies under what practice
 * runs (docs/method.md); where rings or coolant were measured, enter those.
 */
import { LOAD_SPREAD } from '../load/load';

/** Coolant in the jacket, and the barrel of an air-cooled engine, °C. From memory: 150 to 180 for a barrel. */
export const COOLANT = { water: 90, air: 165 };

/** Mean temperature of the gas that drives heat into a ring, °C. From memory. */
const GAS = 600;
/** How the ring's resistance to the gas compares with that to the coolant, at a load of 1. From memory. */
const RING_AT_1 = 1 / 6;
/** The wall's share, in its mean over travel, of what the top ring stands over the coolant. From memory. */
const WALL_SHARE = 0.38;
/** The second ring's share of what the top ring stands over the wall. From memory. */
const SECOND_SHARE = 0.53;

/** Mean temperatures, °C: the wall's over ring travel. */
export interface Temperatures {
  top: number;
  second: number;
  wall: number;
}

/**
 * Mean temperatures that a heat load stands for, °C.
 *
 * @param coolant °C, of the coolant or an air-cooled barrel
 * @example temperaturesAt(1, 90).top.toFixed(1) // '162.9'
 */
export function temperaturesAt(load: number, coolant: number): Temperatures {
  const x = load * RING_AT_1;
  const rise = ((GAS - coolant) * x) / (1 + x);
  const [top, wall] = [coolant + rise, coolant + WALL_SHARE * rise];
  return { top, wall, second: secondAt(top, wall) };
}

/** The second ring between a top ring and a wall, °C. */
export const secondAt = (top: number, wall: number): number => wall + SECOND_SHARE * (top - wall);

/**
 * How far the top ring and the wall may be off because the load is only known to its spread, K: half-width at about 95 %
 * (k = 2), the load's spread times the slope of each (JCGM 100:2008, 5.1.2).
 *
 * @example temperatureSpread(1, 90).ring.toFixed(1) // '12.5'
 */
export function temperatureSpread(load: number, coolant: number): { ring: number; wall: number } {
  const slope = ((GAS - coolant) * RING_AT_1) / (1 + load * RING_AT_1) ** 2;
  const ring = 2 * LOAD_SPREAD * load * slope;
  return { ring, wall: WALL_SHARE * ring };
}

/** How fast a wall cools down its travel: twice its mean rise at the top, two fifths of it at the bottom. From memory. */
const FALL = 1.6;

/**
 * The wall at a share of ring travel from the top, °C: its rise over the coolant falls exponentially, and has its mean.
 *
 * @param mean of the wall over travel, °C
 * @example [0, 0.5, 1].map((s) => Math.round(wallAt(s, 118, 90))) // [146, 115, 101]
 */
export const wallAt = (share: number, mean: number, coolant: number): number =>
  coolant + ((mean - coolant) * FALL * Math.exp(-FALL * share)) / (1 - Math.exp(-FALL));

/** A wall before the block is warm, °C, with the ring as hot as it gets. From memory: the thermostat has not opened. */
export const COLD_WALL = 60;
