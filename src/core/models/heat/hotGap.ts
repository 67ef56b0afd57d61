/**
 * What heat does to a gap and to a clearance: a model, not a rule. It explains and warns; it never lowers
 * a target.
 *
 * Cold is 20 °C (ISO 1). A ring's arc is L = π·D − g. Hot, with the ring at T_r and the wall at T_b:
 * gap = π·D·(1 + ε_b(T_b)) − (π·D − g)·(1 + ε_r(T_r)), where ε(T) = α(T)·(T − 20) and α(T) is the metal's mean coefficient
 * from 20 °C to T. An identity of α's definition.
 */
import type { Nm } from '../../foundation/quantity/length';
import { COLD } from '../../foundation/uncertainty/expansion';
import type { Expansion } from './metals';

/** A ring in its bore: what they are made of, and the wall's temperature in °C. */
export interface RingHeat {
  bore: Nm;
  ringExpansion: Expansion;
  boreExpansion: Expansion;
  wall: number;
}

/**
 * How much longer a metal is than at 20 °C, as a share.
 *
 * @example growth({ at0: 12e-6, each: 0 }, 220).toFixed(4) // '0.0024'
 */
export const growth = ({ at0, each }: Expansion, celsius: number): number => (at0 + each * celsius) * (celsius - COLD);

/** The temperature in °C at which a metal is so much longer: the root of that parabola (identity). */
export function temperatureOf({ at0, each }: Expansion, share: number): number {
  if (each === 0) return COLD + share / at0;
  const middle = at0 - COLD * each;
  return (Math.sqrt(middle ** 2 + 4 * each * (COLD * at0 + share)) - middle) / (2 * each);
}

const grown = (metal: Expansion, celsius: number): number => 1 + growth(metal, celsius);

/**
 * End gap in nm, not rounded, of a ring that has a cold gap, at a ring temperature in °C. Negative: the ends would overlap.
 *
 * @example
 *   Math.round(hotGap(fromMm(0.56), 200, { bore: fromMm(103.25), ringExpansion: { at0: 12e-6, each: 0 },
 *   boreExpansion: { at0: 11e-6, each: 0 }, wall: 120 })) // 217378
 */
export function hotGap(cold: Nm, ring: number, { bore, ringExpansion, boreExpansion, wall }: RingHeat): number {
  const round = Math.PI * bore;
  return round * grown(boreExpansion, wall) - (round - cold) * grown(ringExpansion, ring);
}

/** The ring temperature in °C at which the ends meet. */
export function buttingTemperature(cold: Nm, { bore, ringExpansion, boreExpansion, wall }: RingHeat): number {
  const round = Math.PI * bore;
  return temperatureOf(ringExpansion, (round * grown(boreExpansion, wall)) / (round - cold) - 1);
}

/**
 * The cold gap in nm, not rounded, whose ends just meet with the ring at a temperature in °C.
 *
 * @example
 *   Math.round(closingGap(200, { bore: 100_000_000, ringExpansion: { at0: 12e-6, each: 0 }, boreExpansion: { at0:
 *   12e-6, each: 0 }, wall: 120 })) // 300943
 */
export function closingGap(ring: number, { bore, ringExpansion, boreExpansion, wall }: RingHeat): number {
  const round = Math.PI * bore;
  return round * (1 - grown(boreExpansion, wall) / grown(ringExpansion, ring));
}

/** A piston in its bore: what its skirt shows of its growth at the gauge point, and the wall. */
export interface PistonHeat {
  bore: Nm;
  pistonExpansion: Expansion;
  boreExpansion: Expansion;
  wall: number;
}

/** Piston-to-wall clearance at the gauge point in nm, not rounded, with the skirt at a temperature in °C. */
export function runningClearance(
  cold: Nm,
  skirt: number,
  { bore, pistonExpansion, boreExpansion, wall }: PistonHeat,
): number {
  return bore * grown(boreExpansion, wall) - (bore - cold) * grown(pistonExpansion, skirt);
}

/** The skirt temperature in °C at which the clearance is gone in the model. */
export function closingTemperature(cold: Nm, { bore, pistonExpansion, boreExpansion, wall }: PistonHeat): number {
  return temperatureOf(pistonExpansion, (bore * grown(boreExpansion, wall)) / (bore - cold) - 1);
}
