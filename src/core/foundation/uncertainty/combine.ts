/**
 * How a figure spreads: the normal distribution, or Student's t where its scatter is known from few readings, with the
 * degrees of freedom of a sum by Welch and Satterthwaite (JCGM 100:2008, G.4; recalled, not opened).
 */
import { normalBelow } from './normal';
import { studentBelow, studentDensity, studentQuantile } from './student';

/** Over so many degrees of freedom Student's t is the normal distribution to three figures. */
const MANY = 200;

/** Degrees of freedom at which Student's t stands for the normal distribution: to four figures. */
const AS_NORMAL = 10_000;

/** The share that U covers: what k = 2 is of a normal distribution. */
const COVERED = 0.9545;

/** One component of an uncertainty. */
export interface Component {
  standard: number;
  /** Degrees of freedom; Infinity for one that is taken as known. */
  freedom: number;
}

/**
 * A root sum of squares with its degrees of freedom.
 *
 * @example
 *   sumOf([{ standard: 3, freedom: 4 }, { standard: 4, freedom: Infinity }])
 *   // { standard: 5, freedom: 30.864197530864196 }
 */
export function sumOf(components: readonly Component[]): Component {
  let squares = 0;
  let fourths = 0;
  for (const { standard, freedom } of components) {
    squares += standard ** 2;
    if (freedom < Infinity) fourths += standard ** 4 / freedom;
  }
  return { standard: Math.sqrt(squares), freedom: fourths === 0 ? Infinity : squares ** 2 / fourths };
}

/**
 * The coverage factor of U for about 95 %: 2, and more where the scatter is known from few readings.
 *
 * @example coverage(Infinity) // 2
 */
export const coverage = (freedom: number): number => (freedom > MANY ? 2 : quantileOf((1 + COVERED) / 2, freedom));

/** How many standard uncertainties a share, over 0 and under 1, lies under: of a normal distribution, or of Student's t. */
export const quantileOf = (share: number, freedom: number): number =>
  studentQuantile(share, freedom > MANY ? AS_NORMAL : Math.max(1, Math.floor(freedom)));

/** U of a figure, nm not rounded. */
export const expandedOf = ({ standard, freedom }: Component): number => coverage(freedom) * standard;

/** ∫ of the distribution function from −∞ to z. */
function integralBelow(z: number, freedom: number): number {
  if (freedom > MANY) return z * normalBelow(z) + Math.exp((-z * z) / 2) / Math.sqrt(2 * Math.PI);
  return z * studentBelow(z, freedom) + (studentDensity(z, freedom) * (freedom + z * z)) / (freedom - 1);
}

const below = (z: number, freedom: number): number => (freedom > MANY ? normalBelow(z) : studentBelow(z, freedom));

/** Under this share of the spread a rectangle is as good as its middle. */
const NARROW = 0.02;

/**
 * The share of a figure that lies under 0, where its distance from there is anything from `from` to `to` under it,
 * each alike, with a standard uncertainty besides: a rectangle spread by a normal or a t distribution.
 *
 * @example belowOnAverage(-1, 1, 0, Infinity) // 0.5
 */
export function belowOnAverage(from: number, to: number, standard: number, freedom: number): number {
  const width = to - from;
  if (standard === 0) return width === 0 ? Number(from > 0) : Math.min(1, Math.max(0, to / width));
  const degrees = Math.max(2, freedom);
  if (width < NARROW * standard) return below((from + to) / 2 / standard, degrees);
  const share = ((integralBelow(to / standard, degrees) - integralBelow(from / standard, degrees)) * standard) / width;
  return Math.min(1, Math.max(0, share));
}

/** Coverage factor for about 95 % (JCGM 100:2008). */
export const COVERAGE = 2;

/** Standard uncertainty of a rectangular distribution of half-width `halfWidth`, in the same unit: a/√3 (JCGM 100:2008). */
export const rectangular = (halfWidth: number): number => halfWidth / Math.sqrt(3);
