/** What bores and pistons are made of. */
/** What the cylinder wall is: grey iron, or plated aluminium. */
export const SURFACES = ['iron', 'plated'] as const;
export type Surface = (typeof SURFACES)[number];
export const SURFACE_WORDS: Record<Surface, string> = { iron: 'iron', plated: 'plated aluminium' };

/** What a piston is made of, as far as heat is concerned. */
export const ALLOYS = ['cast', 'hypereutectic', '4032', '2618'] as const;
export type Alloy = (typeof ALLOYS)[number];
