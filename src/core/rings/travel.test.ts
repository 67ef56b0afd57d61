import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fromInches, fromThou, toInches } from '../quantity/length';
import { gapMove, girthsOf, moveDoubt, smallestGirth } from './travel';

const spot = (depth: 'above' | 'top' | 'middle' | 'bottom', angle: number, inches: number) => ({
  depth,
  angle,
  value: fromInches(inches),
  own: 1_000,
  freedom: Infinity,
});
const girth = (inches: number) => ({ depth: 'top' as const, mean: fromInches(inches), own: 0, freedom: Infinity });

describe('the gap that counts', () => {
  // identity: Δgap = π·ΔD
  it('a thou of diameter moves a gap by 0.0031416 in', () => {
    expect(toInches(gapMove(girth(4), girth(4.001)))).toBeCloseTo(0.0031416, 6);
  });

  // common practice, no source: 0.021, 0.019 and 0.017 at three depths mean 0.00064 and 0.00127 in of bore
  it.each([
    [0.00064, 2],
    [0.00127, 4],
  ])('a bore %d in smaller takes %d thou', (smaller, thou) => {
    expect(-gapMove(girth(4), girth(4 - smaller)) / fromThou(1)).toBeCloseTo(thou, 1);
  });

  it('is where the mean over directions is least, and never above ring travel', () => {
    const girths = girthsOf([
      spot('above', 90, 3.99),
      spot('top', 90, 4.003),
      spot('top', 0, 4.001),
      spot('bottom', 90, 4.0015),
      spot('bottom', 0, 4.0005),
    ]);
    expect(girths.map((g) => toInches(g.mean))).toEqual([4.002, 4.001]);
    expect(smallestGirth(girths)?.depth).toBe('bottom');
    expect(girths[0]?.own).toBeCloseTo(Math.SQRT1_2 * 1_000, 6);
  });

  it('a direction that was not read is taken from the depths where it was, and costs certainty', () => {
    const full = [spot('top', 90, 4.002), spot('top', 0, 4), spot('bottom', 90, 4.001)];
    const [top, bottom] = girthsOf(full);
    expect(toInches(bottom?.mean ?? 0)).toBeCloseTo(4, 6);
    expect(bottom?.own).toBeGreaterThan((top?.own ?? 0) * 2);
    // nothing is moved by a direction that is only missing
    expect(toInches(gapMove(top ?? girth(0), bottom ?? girth(0)))).toBeCloseTo(-Math.PI * 0.001, 6);
  });

  it('a difference counts what each girth has of its own, and the tools where there are two; one place none of it', () => {
    const [from, to] = [
      { ...girth(4), own: 300 },
      { ...girth(4.001), own: 400 },
    ];
    expect(moveDoubt(from, to, 0).standard).toBeCloseTo(Math.PI * 500, 6);
    expect(moveDoubt(from, to, 1_200).standard).toBeCloseTo(Math.PI * 1_300, 6);
    expect(moveDoubt(from, from, 1_200).standard).toBe(0);
  });

  it('there and back moves nothing', () => {
    fc.assert(
      fc.property(fc.integer({ min: 3_000, max: 5_000 }), fc.integer({ min: 3_000, max: 5_000 }), (a, b) => {
        const [from, to] = [girth(a / 1000), girth(b / 1000)];
        expect(Math.abs(gapMove(from, to) + gapMove(to, from))).toBeLessThanOrEqual(1);
      }),
    );
  });
});
