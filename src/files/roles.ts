/** The roles that somebody may have in a shop, from the most to the least: owns it, builds engines, fits at the bench, looks. */
export const ROLES = ['owner', 'builder', 'fitter', 'reader'] as const;
export type Role = (typeof ROLES)[number];
