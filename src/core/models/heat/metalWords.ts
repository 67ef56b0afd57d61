/** What metals are called. */
import type { HousingMetal, RingMetal, RodMetal } from './metals';

export const RING_METAL_WORDS: Record<RingMetal, string> = {
  greyIron: 'grey iron',
  ductileIron: 'ductile iron',
  steel: 'chromium-silicon steel',
  nitridedSteel: 'nitrided stainless steel',
};

export const HOUSING_METAL_WORDS: Record<HousingMetal, string> = {
  iron: 'iron',
  steel: 'steel',
  aluminium: 'aluminium',
};

export const ROD_METAL_WORDS: Record<RodMetal, string> = {
  steel: 'steel',
  aluminium: 'aluminium',
  titanium: 'titanium',
};
