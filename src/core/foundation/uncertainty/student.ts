/**
 * Student's t distribution: how far a mean of few readings may be trusted.
 *
 * The distribution function by the regularized incomplete beta function, as a continued fraction evaluated by Lentz's
 * method (Abramowitz and Stegun 26.5.8 and 26.7.1, recalled from memory).
 */

/** Over this Stirling's series to four terms is right to thirteen figures. */
const FAR = 12;

/** ln Γ: Stirling's series (Abramowitz and Stegun 6.1.41, recalled from memory), come to by Γ(x + 1) = x·Γ(x). */
function logGamma(x: number): number {
  if (x < FAR) return logGamma(x + 1) - Math.log(x);
  const series = (1 / 12 - (1 / 360 - (1 / 1260 - 1 / (1680 * x * x)) / (x * x)) / (x * x)) / x;
  return (x - 0.5) * Math.log(x) - x + 0.5 * Math.log(2 * Math.PI) + series;
}

const TINY = 1e-300;
const away = (x: number): number => (Math.abs(x) < TINY ? TINY : x);

function betaFraction(x: number, a: number, b: number): number {
  let c = 1;
  let d = 1 / away(1 - ((a + b) * x) / (a + 1));
  let h = d;
  for (let m = 1; m <= 300; m += 1) {
    const even = (m * (b - m) * x) / ((a + 2 * m - 1) * (a + 2 * m));
    d = 1 / away(1 + even * d);
    c = away(1 + even / c);
    h *= d * c;
    const odd = (-(a + m) * (a + b + m) * x) / ((a + 2 * m) * (a + 2 * m + 1));
    d = 1 / away(1 + odd * d);
    c = away(1 + odd / c);
    h *= d * c;
    if (Math.abs(d * c - 1) < 1e-14) break;
  }
  return h;
}

function incompleteBeta(x: number, a: number, b: number): number {
  if (x <= 0) return 0;
  if (x >= 1) return 1;
  const front = Math.exp(logGamma(a + b) - logGamma(a) - logGamma(b) + a * Math.log(x) + b * Math.log(1 - x));
  return x < (a + 1) / (a + b + 2) ? (front * betaFraction(x, a, b)) / a : 1 - (front * betaFraction(1 - x, b, a)) / b;
}

/**
 * The share of Student's t distribution with `freedom` degrees of freedom, one or more, that lies under `t`.
 *
 * @example studentBelow(0, 5) // 0.5
 */
export function studentBelow(t: number, freedom: number): number {
  const tail = incompleteBeta(freedom / (freedom + t * t), freedom / 2, 0.5) / 2;
  return t > 0 ? 1 - tail : tail;
}

/**
 * The density of Student's t distribution at `t`.
 *
 * @example studentDensity(0, 1).toFixed(12) // '0.318309886184'
 */
export const studentDensity = (t: number, freedom: number): number =>
  Math.exp(
    logGamma((freedom + 1) / 2) -
      logGamma(freedom / 2) -
      0.5 * Math.log(freedom * Math.PI) -
      ((freedom + 1) / 2) * Math.log1p((t * t) / freedom),
  );

const asked = new Map<string, number>();

/** The t that a share, over 0 and under 1, of the distribution lies under. Kept once worked out: few are ever asked for. */
export function studentQuantile(share: number, freedom: number): number {
  const key = `${share}/${freedom}`;
  const known = asked.get(key);
  if (known !== undefined) return known;
  let [low, high] = [-1, 1];
  while (studentBelow(low, freedom) > share) low *= 2;
  while (studentBelow(high, freedom) < share) high *= 2;
  for (let i = 0; i < 100 && high - low > 1e-12 * Math.max(1, Math.abs(low)); i += 1) {
    const middle = (low + high) / 2;
    if (studentBelow(middle, freedom) < share) low = middle;
    else high = middle;
  }
  const found = (low + high) / 2;
  asked.set(key, found);
  return found;
}
