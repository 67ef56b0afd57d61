import { describe, expect, it } from 'vitest';
import { coverage, expandedOf, sumOf, rectangular } from './combine';

const known = (standard: number) => ({ standard, freedom: Infinity });

describe('combining uncertainties', () => {
  it('gives 31.7 nm for 25, 9.7, 2.9 and 16.6 nm (published: JCGM 100:2008, example H.1)', () => {
    expect(sumOf([25, 9.7, 2.9, 16.6].map(known)).standard).toBeCloseTo(31.7, 1);
  });

  it('has 16 degrees of freedom for 18, 25.6, 50 and 2 (the same example, by Welch and Satterthwaite)', () => {
    const { freedom } = sumOf([
      { standard: 25, freedom: 18 },
      { standard: 9.7, freedom: 25.6 },
      { standard: 2.9, freedom: 50 },
      { standard: 16.6, freedom: 2 },
    ]);
    expect(Math.floor(freedom)).toBe(16);
  });

  it('counts a rectangular half-width a as a/√3 and k = 2 for about 95 % (published: JCGM 100:2008)', () => {
    expect(rectangular(Math.sqrt(3))).toBeCloseTo(1, 12);
    expect(expandedOf(known(1))).toBe(2);
    expect(coverage(Infinity)).toBe(2);
  });
});
