/** What a gauge is zeroed at that is another size for each part. */
import type { Nm } from './length';

/** What the micrometer is set to for each, and what the dial then shows. */
export const EACH = {
  piston: { set: 'each cylinder’s piston', dial: 'its clearance' },
  journal: { set: 'each journal', dial: 'its clearance' },
  aim: { set: 'each journal and the clearance aimed at', dial: 'how far off the aim it is' },
} as const;

/** Whether a gauge is zeroed at another size for each part. */
export const isEach = (to: GaugeSetting): to is keyof typeof EACH => typeof to === 'string' && to !== 'here';
/**
 * What a bore gauge was zeroed at: a size; the piston of each cylinder, or each journal, so that the dial is the
 * clearance; each journal and the clearance aimed at, so that it is the error; or in a bore, its size not known yet.
 */

export type GaugeSetting = Nm | 'piston' | 'journal' | 'aim' | 'here';
