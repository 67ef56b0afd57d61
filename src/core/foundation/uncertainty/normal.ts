/**
 * The normal distribution. The error function as a rational approximation, |ε| ≤ 1.5·10⁻⁷: Abramowitz and Stegun 7.1.26
 * (recalled from memory).
 */

/** 1 − erf x, for x ≥ 0. */
function complement(x: number): number {
  const t = 1 / (1 + 0.3275911 * x);
  const sum = t * (0.254829592 + t * (-0.284496736 + t * (1.421413741 + t * (-1.453152027 + t * 1.061405429))));
  return sum * Math.exp(-x * x);
}

/**
 * The share of the normal distribution that lies under `z` standard deviations from its mean.
 *
 * @example [-1.645, 0, 1.645].map((z) => normalBelow(z).toFixed(3)) // [ '0.050', '0.500', '0.950' ]
 */
export function normalBelow(z: number): number {
  const tail = complement(Math.abs(z) / Math.SQRT2) / 2;
  return z > 0 ? 1 - tail : tail;
}
