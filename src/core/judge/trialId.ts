/** What the id of a trial build begins with. */
export const TRIAL = 'trial-';

/**
 * Whether a build is one to find one's way on.
 *
 * @example ['trial-1', 'demo-corrie-v10'].map(isTrial) // [ true, false ]
 */
export const isTrial = (id: string): boolean => id.startsWith(TRIAL);
