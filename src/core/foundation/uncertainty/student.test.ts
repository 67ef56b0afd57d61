import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { studentBelow, studentDensity, studentQuantile } from './student';

describe('Student’s t', () => {
  // identity: with one degree of freedom it is Cauchy's distribution, with two it has a closed form
  it.each([-7, -1, -0.2, 0, 0.5, 3, 40])('agrees with the closed forms at %d', (t) => {
    expect(studentBelow(t, 1)).toBeCloseTo(0.5 + Math.atan(t) / Math.PI, 12);
    expect(studentBelow(t, 2)).toBeCloseTo(0.5 + t / (2 * Math.sqrt(2 + t * t)), 12);
  });

  // identities: Γ(½) = √π, so that its density has a closed form at any whole number of degrees of freedom
  it.each([
    [1, 1 / Math.PI],
    [2, 1 / (2 * Math.SQRT2)],
    [3, 2 / (Math.PI * Math.sqrt(3))],
    [4, 3 / 8],
    [5, 8 / (3 * Math.PI * Math.sqrt(5))],
  ])('with %d degrees of freedom its density at 0 is %d', (freedom, density) => {
    expect(studentDensity(0, freedom)).toBeCloseTo(density, 12);
  });

  // published, figure recalled from memory: NIST/SEMATECH e-Handbook of Statistical Methods, table of critical values
  it.each([
    [0.95, 1, 6.314],
    [0.95, 3, 2.353],
    [0.975, 10, 2.228],
    [0.99, 30, 2.457],
  ])('%d of it with %d degrees of freedom lies under %d', (share, freedom, t) => {
    expect(studentQuantile(share, freedom)).toBeCloseTo(t, 3);
  });

  it('the quantile undoes the distribution', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.001, max: 0.999, noNaN: true }),
        fc.integer({ min: 1, max: 200 }),
        (share, freedom) => {
          expect(studentBelow(studentQuantile(share, freedom), freedom)).toBeCloseTo(share, 8);
        },
      ),
    );
  });
});
