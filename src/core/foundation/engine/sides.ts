/** Ways something on a piston or a rod can point. */
export const SIDES = ['front', 'rear', 'left', 'right', 'inboard', 'outboard', 'intake', 'exhaust'] as const;
export type Side = (typeof SIDES)[number];
