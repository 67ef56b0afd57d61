/**
 * Oval of a bore at one depth: d(θ) = mean + e·cos 2(θ − φ), by least squares over three directions or more.
 * With a = e·cos 2φ and b = e·sin 2φ it is linear: d = mean + a·cos 2θ + b·sin 2θ. An identity; two directions
 * leave one of the three unknowns free.
 */
import { betweenDirections, foldedDirection } from '../../foundation/quantity/angle';
import type { Nm } from '../../foundation/quantity/length';

export interface OvalPoint {
  /** Degrees clockwise from the front, seen on the crown. */
  angle: number;
  value: Nm;
}

export interface Oval {
  /** Nanometres, not rounded. */
  mean: number;
  /** Half of largest − smallest diameter, nm. */
  amplitude: number;
  /** Direction of the largest diameter, 0 to under 180°. */
  direction: number;
  /** Standard uncertainties for a standard uncertainty of 1 nm a reading. */
  doubt: { mean: number; amplitude: number; /** Variance of both parameters together. */ both: number };
  /** How far the oval lies from a round bore, in standard uncertainties of one reading of 1 nm: of both its parameters together. */
  distance: number;
  /** Largest departure of a reading from the oval, nm; nothing where three directions leave none. */
  residual: number;
}

const rad = (degrees: number): number => (degrees * Math.PI) / 180;

/**
 * Directions that leave mean or oval known this much worse than one reading, as a variance, are too near each other
 * to tell them: closer than about 20°.
 */
const TOO_NEAR = 25;

/** Directions count as one when this near, degrees. */
const SAME = 1;

const distinct = (points: OvalPoint[]): number =>
  points.filter((p, i) => points.findIndex((q) => betweenDirections(p.angle, q.angle) < SAME) === i).length;

type Matrix = [[number, number, number], [number, number, number], [number, number, number]];

/** Inverse of a symmetric 3 × 3 matrix by cofactors, or null when it is singular. */
function inverse([[a, b, c], [, d, e], [, , f]]: Matrix): Matrix | null {
  const [A, B, C] = [d * f - e * e, c * e - b * f, b * e - c * d];
  const determinant = a * A + b * B + c * C;
  if (Math.abs(determinant) < 1e-9) return null;
  const [D, E, F] = [a * f - c * c, b * c - a * e, a * d - b * b];
  return [
    [A / determinant, B / determinant, C / determinant],
    [B / determinant, D / determinant, E / determinant],
    [C / determinant, E / determinant, F / determinant],
  ];
}

/** The diameter of an oval in a direction, nm. */
export const ovalAt = (
  { mean, amplitude, direction }: Pick<Oval, 'mean' | 'amplitude' | 'direction'>,
  angle: number,
): number => mean + amplitude * Math.cos(2 * rad(angle - direction));

/**
 * The oval through readings at one depth; null where fewer than three directions tell it, or they lie too near each other.
 *
 * @example
 *   fitOval([{ angle: 0, value: 100, own: 1 }, { angle: 90, value: 110, own: 1 }, { angle: 45, value: 105, own: 1
 *   }])?.mean // 105
 */
export function fitOval(points: OvalPoint[]): Oval | null {
  if (distinct(points) < 3) return null;
  const base = points.reduce((sum, p) => sum + p.value, 0) / points.length;
  const normal: Matrix = [
    [0, 0, 0],
    [0, 0, 0],
    [0, 0, 0],
  ];
  const right: [number, number, number] = [0, 0, 0];
  for (const { angle, value } of points) {
    const row = [1, Math.cos(2 * rad(angle)), Math.sin(2 * rad(angle))] as const;
    for (const i of [0, 1, 2] as const) {
      right[i] += row[i] * (value - base);
      for (const j of [0, 1, 2] as const) normal[i][j] += row[i] * row[j];
    }
  }
  const inverted = inverse(normal);
  if (!inverted || Math.max(inverted[0][0], inverted[1][1], inverted[2][2]) > TOO_NEAR) return null;
  const solved = ([p, q, r]: [number, number, number]): number => p * right[0] + q * right[1] + r * right[2];
  const [mean, a, b] = [base + solved(inverted[0]), solved(inverted[1]), solved(inverted[2])];
  const amplitude = Math.hypot(a, b);
  const direction = foldedDirection((Math.atan2(b, a) * 90) / Math.PI);
  const [ca, cb] = amplitude > 0 ? [a / amplitude, b / amplitude] : [1, 0];
  const variance = ca * ca * inverted[1][1] + 2 * ca * cb * inverted[1][2] + cb * cb * inverted[2][2];
  const [saa, sab, sbb] = [inverted[1][1], inverted[1][2], inverted[2][2]];
  const squared = (sbb * a * a - 2 * sab * a * b + saa * b * b) / (saa * sbb - sab * sab);
  const oval = {
    mean,
    amplitude,
    direction,
    distance: Math.sqrt(Math.max(0, squared)),
    doubt: { mean: Math.sqrt(inverted[0][0]), amplitude: Math.sqrt(Math.max(0, variance)), both: saa + sbb },
  };
  return { ...oval, residual: Math.max(...points.map((p) => Math.abs(p.value - ovalAt(oval, p.angle)))) };
}

/** How rarely a round bore may be called oval, over all its depths together. */
const FALSE_OVAL = 0.05;

/**
 * How far from round the readings of a round bore reach, in standard uncertainties, at the worst of several depths: less
 * often than one time in twenty further. An oval has two parameters, so it is the χ quantile with two degrees of freedom
 * (2.45 for one depth), or where the scatter was measured, √(2·F) with two and as many (identities of both distributions).
 *
 * @example roundReaches(1, Infinity) // 2.447746830680816
 */
export function roundReaches(depths: number, freedom: number): number {
  const beyond = 1 - (1 - FALSE_OVAL) ** (1 / Math.max(1, depths));
  return freedom === Infinity ? Math.sqrt(-2 * Math.log(beyond)) : Math.sqrt(freedom * (beyond ** (-2 / freedom) - 1));
}
