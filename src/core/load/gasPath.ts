/**
 * What stands between the rings: gas leaks past the top ring's gap into the space between, and past the second ring's out
 * of it. Two orifices in series, steady, isentropic, choked under 0.528 for air (textbook; put to ring gaps in SAE 820088,
 * recalled, not opened). It shows why a wider second gap vents, and about how much: no figure to set a gap by.
 */
import type { Nm } from '../quantity/length';

const AIR = 1.4;
/** Ratio of pressures under which flow is choked: (2 ÷ (γ + 1))^(γ ÷ (γ − 1)) = 0.528. */
export const CHOKED = (2 / (AIR + 1)) ** (AIR / (AIR - 1));
/** Mean pressure over the top ring with nothing added, and in the crankcase, bar. From memory. */
const CHAMBER = 20;
export const CRANKCASE = 1;

/**
 * The flow through an orifice for its area and the pressure before it, without the factor of temperature that all share:
 * √(2·γ ÷ (γ − 1)·(r^(2 ÷ γ) − r^((γ + 1) ÷ γ))), constant once it is choked.
 *
 * @param ratio of the pressure behind it to that before it, 0 to 1
 * @example [flowFactor(0.1) === flowFactor(0.5), flowFactor(1)] // [ true, 0 ]
 */
export function flowFactor(ratio: number): number {
  const r = Math.max(ratio, CHOKED);
  return Math.sqrt(Math.max(0, ((2 * AIR) / (AIR - 1)) * (r ** (2 / AIR) - r ** ((AIR + 1) / AIR))));
}

/** Halvings: under a millionth of the pressure. */
const HALVINGS = 40;

/**
 * Pressure between the rings, in the unit of the pressures given: that at which as much comes past the top ring as leaves
 * past the second. Their leak areas are gap × the same radial clearance, so that only their gaps count.
 *
 * @param before over the top ring
 * @param behind in the crankcase, less than that
 * @example pressureBetween(400_000, 1_000_000, 20, 1).toFixed(3) // '8.000'
 */
export function pressureBetween(top: Nm, second: Nm, before: number, behind: number): number {
  let [low, high] = [behind, before];
  for (let i = 0; i < HALVINGS; i += 1) {
    const between = (low + high) / 2;
    const comes = top * before * flowFactor(between / before);
    const leaves = second * between * flowFactor(behind / between);
    if (comes > leaves) low = between;
    else high = between;
  }
  return (low + high) / 2;
}

/** A pressure between the rings, bar, with a second gap in nm. */
export interface BetweenAt {
  second: Nm;
  bar: number;
}

/**
 * Mean pressure over the top ring, bar: 20 with nothing added (from memory), and as many times that as the inlet has
 * atmospheres.
 *
 * @example chamberPressure(2) // 40
 */
export const chamberPressure = (atmospheres: number): number => CHAMBER * atmospheres;

/** How fine the curve is drawn. */
const STEPS = 60;

/** Pressure between the rings over second gaps from one figure to another, at a top gap. */
export const betweenCurve = (top: Nm, from: Nm, to: Nm, chamber: number): BetweenAt[] =>
  Array.from({ length: STEPS + 1 }, (_, i) => {
    const second = Math.round(from + ((to - from) * i) / STEPS);
    return { second, bar: pressureBetween(top, second, chamber, CRANKCASE) };
  });
