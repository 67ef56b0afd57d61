/**
 * Linear expansion of the metals that rings, bores and pistons are made of, per kelvin.
 * Handbook values, recalled from memory; the hypereutectic piston's is from memory.
 */
import type { Alloy } from '../targets/chart';
import type { Surface } from '../targets/target';

export const RING_METALS = ['greyIron', 'ductileIron', 'steel'] as const;
export type RingMetal = (typeof RING_METALS)[number];

export const RING_METAL_WORDS: Record<RingMetal, string> = {
  greyIron: 'grey iron',
  ductileIron: 'ductile iron',
  steel: 'steel',
};

export const RING_EXPANSION: Record<RingMetal, number> = { greyIron: 10.8e-6, ductileIron: 11.2e-6, steel: 11.7e-6 };

/** Of the bore: grey iron, or the copper-free aluminium of a plated block. */
export const BORE_EXPANSION: Record<Surface, number> = { iron: 10.8e-6, plated: 21.5e-6 };

/** What block and main caps are made of. */
export const HOUSING_METALS = ['iron', 'steel', 'aluminium'] as const;
export type HousingMetal = (typeof HOUSING_METALS)[number];

export const HOUSING_METAL_WORDS: Record<HousingMetal, string> = {
  iron: 'iron',
  steel: 'steel',
  aluminium: 'aluminium',
};

export const HOUSING_EXPANSION: Record<HousingMetal, number> = { iron: 10.8e-6, steel: 11.7e-6, aluminium: 21.5e-6 };

export const ROD_METALS = ['steel', 'aluminium', 'titanium'] as const;
export type RodMetal = (typeof ROD_METALS)[number];

export const ROD_METAL_WORDS: Record<RodMetal, string> = {
  steel: 'steel',
  aluminium: 'aluminium',
  titanium: 'titanium',
};

export const ROD_EXPANSION: Record<RodMetal, number> = { steel: 11.7e-6, aluminium: 23.4e-6, titanium: 8.9e-6 };

export const PISTON_EXPANSION: Record<Alloy, number> = {
  cast: 20.5e-6,
  hypereutectic: 19.5e-6,
  '4032': 19.4e-6,
  '2618': 22.3e-6,
};

/** Of measuring tools and piston pins: steel. */
export const STEEL_EXPANSION = RING_EXPANSION.steel;
