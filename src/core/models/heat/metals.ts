/**
 * Linear expansion of the metals of an engine, per kelvin. Handbook values, recalled from memory; the hypereutectic
 * piston's is from memory. Parts are measured near 20 °C, where the mean from 20 to 100 °C stands for all; hot, a mean
 * coefficient is of the range from 20 °C up to its temperature, and rises with that.
 */
import { STEEL_EXPANSION } from '../../foundation/uncertainty/expansion';
import type { Alloy, Surface } from '../../foundation/parts/materials';

/** Mean coefficient from 20 °C up to a temperature, per kelvin: `at0` + `each` × °C. Good to about 400 °C. */
export interface Expansion {
  at0: number;
  each: number;
}

export const RING_METALS = ['greyIron', 'ductileIron', 'steel', 'nitridedSteel'] as const;
export type RingMetal = (typeof RING_METALS)[number];

/** Of rings, 1/K near 20 °C. From memory. */
export const RING_EXPANSION: Record<RingMetal, number> = {
  greyIron: 10.8e-6,
  ductileIron: 11.2e-6,
  steel: STEEL_EXPANSION,
  nitridedSteel: 10.3e-6,
};

/** Grey iron 11.6 to 200 °C and 13.1 to 400 °C, ductile 11.9 and 13.2, the steels 12.0 and 10.6 to 200 °C. */
export const HOT_RING: Record<RingMetal, Expansion> = {
  greyIron: { at0: 10.1e-6, each: 7.5e-9 },
  ductileIron: { at0: 10.6e-6, each: 6.5e-9 },
  steel: { at0: 11.4e-6, each: 3e-9 },
  nitridedSteel: { at0: 9.9e-6, each: 3.5e-9 },
};

/** Of the bore, 1/K near 20 °C: grey iron, or the copper-free aluminium of a plated block. From memory. */
export const BORE_EXPANSION: Record<Surface, number> = { iron: 10.8e-6, plated: 21.5e-6 };

/** Of the bore up to a temperature. From memory. */
export const HOT_BORE: Record<Surface, Expansion> = {
  iron: HOT_RING.greyIron,
  plated: { at0: 20.6e-6, each: 9e-9 },
};

/** What block and main caps are made of. */
export const HOUSING_METALS = ['iron', 'steel', 'aluminium'] as const;
export type HousingMetal = (typeof HOUSING_METALS)[number];

/** Of main housings, 1/K near 20 °C. From memory. */
export const HOUSING_EXPANSION: Record<HousingMetal, number> = { iron: 10.8e-6, steel: 11.7e-6, aluminium: 21.5e-6 };

export const ROD_METALS = ['steel', 'aluminium', 'titanium'] as const;
export type RodMetal = (typeof ROD_METALS)[number];

/** Of rods, 1/K near 20 °C. From memory. */
export const ROD_EXPANSION: Record<RodMetal, number> = { steel: 11.7e-6, aluminium: 23.4e-6, titanium: 8.9e-6 };

/** Of pistons by their alloy, 1/K near 20 °C. From memory. */
export const PISTON_EXPANSION: Record<Alloy, number> = {
  cast: 20.5e-6,
  hypereutectic: 19.5e-6,
  '4032': 19.4e-6,
  '2618': 22.3e-6,
};

/**
 * How much of its free growth a skirt shows at the gauge point, a share: struts and slots hold a cast one, a full
 * forged skirt gives little. From memory.
 */
const SKIRT: Record<Alloy, number> = { cast: 0.6, hypereutectic: 0.7, '4032': 0.85, '2618': 0.85 };

/** Of a skirt at the gauge point, as far as it grows there: an aluminium piston's mean coefficient rises by 0.9 in 100 K. */
export const hotSkirt = (alloy: Alloy): Expansion => ({
  at0: SKIRT[alloy] * (PISTON_EXPANSION[alloy] - 0.9e-6),
  each: SKIRT[alloy] * 9e-9,
});
