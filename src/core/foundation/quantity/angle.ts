/**
 * Angles in degrees clockwise from the front of the engine, seen on the crown.
 */

/** An angle in degrees, brought into 0 ≤ a < 360. */
export const turned = (degrees: number): number => ((degrees % 360) + 360) % 360;

/**
 * Smallest angle between two directions, 0 to 180°.
 *
 * @example apart(350, 20) // 30
 */
export function apart(a: number, b: number): number {
  const difference = Math.abs(turned(a) - turned(b));
  return Math.min(difference, 360 - difference);
}

/** The same direction, in degrees, seen in a mirror along the crank. */
export const mirrored = (degrees: number): number => turned(-degrees);

/** Angle that an arc of given length spans on a circle of given diameter: s = D·θ/2, in degrees. */
export const arcAngle = (arc: number, diameter: number): number => (arc / (Math.PI * diameter)) * 360;
/** A direction and its opposite are the same diameter: 0 to under 180°. */

export const foldedDirection = (angle: number): number => ((angle % 180) + 180) % 180;
/** How far two diameters lie apart, 0 to 90°. */

export function betweenDirections(a: number, b: number): number {
  const between = foldedDirection(a - b);
  return Math.min(between, 180 - between);
}
