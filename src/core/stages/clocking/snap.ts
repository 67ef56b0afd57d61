/** Where a joint that is dragged comes to rest. */
import { apart, turned } from '../../foundation/quantity/angle';
import { type Joint, type Joints, JOINTS } from '../../foundation/parts/joints';

/** Joints that are dragged rest on multiples of this, degrees. */
const STEP = 5;
/** A mark draws a joint from this far. From memory. */
const DRAW = 2.5;

/** The degrees that a gap is drawn to besides every 5°: where its school puts it, and opposite and square to every other joint. */
export const marksFor = (joint: Joint, joints: Joints, school: Joints): number[] =>
  [
    school[joint],
    ...JOINTS.filter((j) => j !== joint).flatMap((j) => [joints[j] + 180, joints[j] + 90, joints[j] - 90]),
  ].map(turned);

/**
 * The nearest mark within reach, else the nearest 5°; degrees.
 *
 * @example snapped(47, [45, 90]) // 45
 */
export function snapped(degrees: number, marks: readonly number[]): number {
  const nearest = marks.reduce<number | null>(
    (best, mark) => (best === null || apart(mark, degrees) < apart(best, degrees) ? mark : best),
    null,
  );
  const step = turned(Math.round(degrees / STEP) * STEP);
  if (nearest === null || apart(nearest, degrees) > DRAW || apart(step, degrees) < apart(nearest, degrees)) return step;
  return nearest;
}
