/** Flow of gas through an orifice: isentropic, choked under the critical ratio (textbook). */

/** Ratio of specific heats of air, from memory. */
const GAMMA = 1.4;
/** Gas constant of air, J/(kg·K), from memory. */
export const GAS_CONSTANT = 287;
/** Ratio of pressures under which flow is choked: (2 ÷ (γ + 1))^(γ ÷ (γ − 1)) = 0.528. */
export const CHOKED = (2 / (GAMMA + 1)) ** (GAMMA / (GAMMA - 1));

/**
 * The flow through an orifice for its area and the pressure before it, without the factor of temperature:
 * √(2·γ ÷ (γ − 1)·(r^(2 ÷ γ) − r^((γ + 1) ÷ γ))), constant once it is choked.
 *
 * @param ratio of the pressure behind it to that before it, 0 to 1
 * @example [flowFactor(0.1) === flowFactor(0.5), flowFactor(1)] // [ true, 0 ]
 */
export function flowFactor(ratio: number): number {
  const r = Math.max(ratio, CHOKED);
  return Math.sqrt(Math.max(0, ((2 * GAMMA) / (GAMMA - 1)) * (r ** (2 / GAMMA) - r ** ((GAMMA + 1) / GAMMA))));
}

/**
 * Mass flow from one space to another, kg/s; negative the other way.
 *
 * @param area times its discharge coefficient, m²
 * @param from pressures, Pa
 * @param kelvin of the gas
 * @example
 *   [200_000, 150_000, 50_000].map((to) => (massFlow(1e-7, 200_000, to, 450) * 1e6).toFixed(1))
 *   // [ '0.0', '33.7', '38.1' ]
 */
export function massFlow(area: number, from: number, to: number, kelvin: number): number {
  const root = Math.sqrt(GAS_CONSTANT * kelvin);
  return from >= to ? (area * from * flowFactor(to / from)) / root : (-area * to * flowFactor(from / to)) / root;
}
