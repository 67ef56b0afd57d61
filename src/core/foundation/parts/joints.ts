import { apart } from '../quantity/angle';

/** The five joints of one piston: two ring gaps, two rail gaps, and the joint where the expander's ends butt. */
export const JOINTS = ['top', 'second', 'upperRail', 'expander', 'lowerRail'] as const;
export type Joint = (typeof JOINTS)[number];

/** Degrees of each joint, clockwise from the front of the engine, seen on the crown. */
export type Joints = Record<Joint, number>;

export const JOINT_WORDS: Record<Joint, string> = {
  top: 'top ring gap',
  second: 'second ring gap',
  upperRail: 'upper rail gap',
  expander: 'expander ends',
  lowerRail: 'lower rail gap',
};

/** Where there is little room. */
export const JOINT_SHORT: Record<Joint, string> = {
  top: 'top',
  second: 'second',
  upperRail: 'upper rail',
  expander: 'expander',
  lowerRail: 'lower rail',
};

/** One letter or figure for a mark on the crown. */
export const JOINT_MARKS: Record<Joint, string> = {
  top: '1',
  second: '2',
  upperRail: 'U',
  expander: 'E',
  lowerRail: 'L',
};

/**
 * The joints with each angle changed.
 *
 * @example
 *   mapJoints({ top: 10, second: 190, upperRail: 100, expander: 190, lowerRail: 280 }, (degrees) => degrees +
 *   10).top // 20
 */
export const mapJoints = (joints: Joints, change: (degrees: number, joint: Joint) => number): Joints => ({
  top: change(joints.top, 'top'),
  second: change(joints.second, 'second'),
  upperRail: change(joints.upperRail, 'upperRail'),
  expander: change(joints.expander, 'expander'),
  lowerRail: change(joints.lowerRail, 'lowerRail'),
});

/** A joint found this far from its plan or nearer is as planned. From memory. */
const AS_PLANNED = 5;

/**
 * The gaps that were set elsewhere than planned: at how many degrees, and by how many, 0 to 180.
 *
 * @example
 *   movedFrom({ top: 45, second: 225, upperRail: 135, expander: 225, lowerRail: 315 }, { top: 60 })
 *   // [ { joint: 'top', to: 60, by: 15 } ]
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
