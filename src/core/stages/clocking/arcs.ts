/** Drawing on a circle with 0° at the top, clockwise, as angles are given on the crown. */

/**
 * A point at an angle and radius.
 *
 * @example polar(10, 90).x // 10
 */
export function polar(radius: number, degrees: number): { x: number; y: number } {
  const a = (degrees * Math.PI) / 180;
  return { x: radius * Math.sin(a), y: -radius * Math.cos(a) };
}

const n = (value: number): string => value.toFixed(2);

/** SVG path of a ring drawn all round but for a gap of some degrees centred on an angle. */
export function splitRing(radius: number, at: number, gap: number): string {
  const from = polar(radius, at + gap / 2);
  const to = polar(radius, at - gap / 2);
  return `M${n(from.x)} ${n(from.y)}A${radius} ${radius} 0 1 1 ${n(to.x)} ${n(to.y)}`;
}

/** SVG path of a sector between two radii. */
export function sector(from: number, to: number, inner: number, outer: number): string {
  const large = (((to - from) % 360) + 360) % 360 > 180 ? 1 : 0;
  const [a, b, c, d] = [polar(outer, from), polar(outer, to), polar(inner, to), polar(inner, from)];
  return `M${n(a.x)} ${n(a.y)}A${outer} ${outer} 0 ${large} 1 ${n(b.x)} ${n(b.y)}L${n(c.x)} ${n(c.y)}A${inner} ${inner} 0 ${large} 0 ${n(d.x)} ${n(d.y)}Z`;
}
