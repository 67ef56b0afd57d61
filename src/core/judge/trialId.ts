/** What the id of a trial build begins with. */
export const TRIAL = 'trial-';

/**
 * Whether a build is one to find one's way on.
 *
 * @example isTrial('trial-1') // true
 */
export const isTrial = (id: string): boolean => id.startsWith(TRIAL);
