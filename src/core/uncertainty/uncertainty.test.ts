import { describe, expect, it } from 'vitest';
import { combined, conformity, expanded, rectangular } from './uncertainty';

describe('combining uncertainties', () => {
  it('gives 31.7 nm for 25, 9.7, 2.9 and 16.6 nm (published: JCGM 100:2008, example H.1)', () => {
    expect(combined([25, 9.7, 2.9, 16.6])).toBeCloseTo(31.7, 1);
  });

  it('counts a rectangular half-width a as a/√3 and k = 2 for about 95 % (published: JCGM 100:2008)', () => {
    expect(rectangular(Math.sqrt(3))).toBeCloseTo(1, 12);
    expect(expanded(1)).toBe(2);
  });
});

describe('the decision (published: ISO 14253-1)', () => {
  it.each([
    [10, 20, 10, 20, 'inside'],
    [9, 20, 10, 20, 'not proven'],
    [10, 21, 10, 20, 'not proven'],
    [1, 9, 10, 20, 'below'],
    [21, 22, 10, 20, 'above'],
    [1, 30, 10, 20, 'not proven'],
    [500, 600, 10, null, 'inside'],
  ] as const)('[%d, %d] against %d to %s is %s', (low, high, min, limit, verdict) => {
    expect(conformity(low, high, min, limit)).toBe(verdict);
  });
});
