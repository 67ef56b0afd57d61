/**
 * What heat does to a gap and to a clearance: a model, not a rule. It explains and warns; it never lowers
 * a target.
 *
 * Cold is 20 °C (ISO 1). A ring's arc is L = π·D − g. Hot, with the ring at T_r and the wall at T_b:
 * gap = π·D·(1 + α_b·ΔT_b) − (π·D − g)·(1 + α_r·ΔT_r). Linear expansion; the formula is an identity of it.
 */
import type { Nm } from '../quantity/length';

/** Reference temperature for length, °C (ISO 1). */
export const COLD = 20;

/** A ring in its bore: expansions per kelvin, wall temperature in °C. */
export interface RingHeat {
  bore: Nm;
  ringExpansion: number;
  boreExpansion: number;
  wall: number;
}

const grown = (expansion: number, celsius: number): number => 1 + expansion * (celsius - COLD);

/**
 * End gap in nm, not rounded, of a ring that has a cold gap, at a ring temperature in °C. Negative: the ends would overlap.
 *
 * @example Math.round(hotGap(fromMm(0.56), 200, { bore: fromMm(103.25), ringExpansion: 12e-6, boreExpansion: 11e-6, wall: 120 })) // 217378
 */
export function hotGap(cold: Nm, ring: number, { bore, ringExpansion, boreExpansion, wall }: RingHeat): number {
  const round = Math.PI * bore;
  return round * grown(boreExpansion, wall) - (round - cold) * grown(ringExpansion, ring);
}

/** The ring temperature in °C at which the ends meet. */
export function buttingTemperature(cold: Nm, { bore, ringExpansion, boreExpansion, wall }: RingHeat): number {
  const round = Math.PI * bore;
  return COLD + ((round * grown(boreExpansion, wall)) / (round - cold) - 1) / ringExpansion;
}

/**
 * The cold gap in nm, not rounded, whose ends just meet with the ring at a temperature in °C.
 *
 * @example Math.round(closingGap(200, { bore: 100_000_000, ringExpansion: 12e-6, boreExpansion: 12e-6, wall: 120 })) // 300943
 */
export function closingGap(ring: number, { bore, ringExpansion, boreExpansion, wall }: RingHeat): number {
  const round = Math.PI * bore;
  return round * (1 - grown(boreExpansion, wall) / grown(ringExpansion, ring));
}

/** A piston in its bore: expansions per kelvin, wall temperature in °C. */
export interface PistonHeat {
  bore: Nm;
  pistonExpansion: number;
  boreExpansion: number;
  wall: number;
}

/**
 * Piston-to-wall clearance in nm, not rounded, with the skirt at a temperature in °C: free expansion of both.
 * A skirt is oval, thin and gives, and cast ones may hold steel inserts, so that the true one is larger.
 */
export function runningClearance(
  cold: Nm,
  skirt: number,
  { bore, pistonExpansion, boreExpansion, wall }: PistonHeat,
): number {
  return bore * grown(boreExpansion, wall) - (bore - cold) * grown(pistonExpansion, skirt);
}

/** The skirt temperature in °C at which the clearance is gone on paper. */
export function closingTemperature(cold: Nm, { bore, pistonExpansion, boreExpansion, wall }: PistonHeat): number {
  return COLD + ((bore * grown(boreExpansion, wall)) / (bore - cold) - 1) / pistonExpansion;
}

/**
 * A size measured away from 20 °C, as it is at 20 °C, in nm not rounded. A tool that is warm has grown as well and
 * reads small: true = measured·(1 + α_t·ΔT_t) / (1 + α_p·ΔT_p). Linear expansion; the formula is an identity of it.
 *
 * @param tool its temperature and expansion; at 20 °C it drops out
 */
export const atReference = (
  measured: Nm,
  celsius: number,
  expansion: number,
  tool: { celsius: number; expansion: number } = { celsius: COLD, expansion: 0 },
): number => (measured * grown(tool.expansion, tool.celsius)) / grown(expansion, celsius);
