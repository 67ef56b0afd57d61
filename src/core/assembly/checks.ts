/** At the block: what is checked of each cylinder before its piston goes in and on the way. Common practice, no source. */
import { apart } from '../quantity/angle';
import { JOINTS, type Joint, type Joints } from '../clocking/joints';

export const CHECKS = ['ringsFree', 'expanderButts', 'jointsBefore', 'jointsAfter', 'frontMark', 'rod'] as const;
export type Check = (typeof CHECKS)[number];

/** Looked at when the piston is hung on its rod, before any ring is on. Common practice, no source. */
export const HANGING_CHECKS = ['frontMark', 'rod'] as const satisfies readonly Check[];

/** Checks of where the joints are. */
export const isJointCheck = (check: string): check is 'jointsBefore' | 'jointsAfter' =>
  check === 'jointsBefore' || check === 'jointsAfter';

/** A joint found this far from its plan or nearer is as planned. From memory. */
const AS_PLANNED = 5;

/**
 * Joints found further from the plan than what counts as planned, and by how much.
 *
 * @example movedFrom({ top: 45, second: 225, upperRail: 135, expander: 225, lowerRail: 315 }, { top: 60 }) // [ { joint: 'top', to: 60, by: 15 } ]
 */
export function movedFrom(planned: Joints, found: Partial<Joints>): { joint: Joint; to: number; by: number }[] {
  return JOINTS.flatMap((joint) => {
    const to = found[joint];
    if (to === undefined) return [];
    const by = apart(to, planned[joint]);
    return by > AS_PLANNED ? [{ joint, to, by }] : [];
  });
}

/** Whether two plans put every joint in the same place, to half a degree. */
export const samePlan = (a: Joints, b: Joints): boolean => JOINTS.every((joint) => apart(a[joint], b[joint]) < 0.5);
