/**
 * Relations of gases that the heat load is made of. Each names its source; those marked recalled were not opened.
 */
import type { Pascal } from '../../foundation/quantity/pressure';

/** Pressure of the standard atmosphere at sea level, Pa (ISO 2533:1975, recalled). */
export const SEA_LEVEL: Pascal = 101_325;
/** Its temperature, K, its lapse, K/m, and the exponent g·M ÷ (R·lapse) (ISO 2533:1975, recalled). */
const ATMOSPHERE = { kelvin: 288.15, lapse: 0.0065, exponent: 5.2559 };
/** Ratio of specific heats of air, from memory. */
const AIR = 1.4;

/**
 * Pressure of the standard atmosphere at an altitude, Pa: p₀·(1 − L·h ÷ T₀)^5.2559 (ISO 2533:1975, recalled), for the
 * troposphere, 11,000 m at the most.
 *
 * @param metres over sea level
 * @example Math.round(atmosphereAt(1_500)) // 84556
 */
export const atmosphereAt = (metres: number): Pascal =>
  SEA_LEVEL * (1 - (ATMOSPHERE.lapse * metres) / ATMOSPHERE.kelvin) ** ATMOSPHERE.exponent;

/**
 * By how much compressed air is hotter: 1 + (π^((γ − 1)/γ) − 1) ÷ η, the isentropic rise over a compressor's efficiency
 * (textbook; the same in any of them).
 *
 * @param ratio of pressures, 1 or more
 * @param efficiency isentropic, over 0 to 1
 * @example compressedHotter(2, 1).toFixed(4) // '1.2190'
 */
export const compressedHotter = (ratio: number, efficiency: number): number =>
  1 + (ratio ** ((AIR - 1) / AIR) - 1) / efficiency;
