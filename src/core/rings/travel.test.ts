import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fromInches, fromThou, toInches } from '../quantity/length';
import { girthAt, girthsOf, moveOf, smallestGirth } from './travel';

const spot = (depth: 'above' | 'top' | 'middle' | 'bottom', angle: number, inches: number) => ({
  depth,
  angle,
  value: fromInches(inches),
  own: 1_000,
});
const girth = (inches: number) => ({ depth: 'top' as const, mean: fromInches(inches), own: 0 });

describe('the gap that counts', () => {
  // identity: Δgap = π·ΔD
  it('a thou of diameter moves a gap by 0.0031416 in', () => {
    expect(toInches(moveOf(girth(4), girth(4.001)).by)).toBeCloseTo(0.0031416, 6);
  });

  // common practice, no source: 0.021, 0.019 and 0.017 at three depths mean 0.00064 and 0.00127 in of bore
  it.each([
    [0.00064, 2],
    [0.00127, 4],
  ])('a bore %d in smaller takes %d thou', (smaller, thou) => {
    expect(-moveOf(girth(4), girth(4 - smaller)).by / fromThou(1)).toBeCloseTo(thou, 1);
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

  it('a depth that was not measured is taken at the nearest that was; none said, at the top', () => {
    const girths = girthsOf([spot('top', 90, 4.002), spot('bottom', 90, 4)]);
    expect(girthAt(girths, 'lower')?.depth).toBe('bottom');
    expect(girthAt(girths, null)?.depth).toBe('top');
    expect(girthAt([], 'top')).toBeNull();
  });

  it('there and back moves nothing', () => {
    fc.assert(
      fc.property(fc.integer({ min: 3_000, max: 5_000 }), fc.integer({ min: 3_000, max: 5_000 }), (a, b) => {
        const [from, to] = [girth(a / 1000), girth(b / 1000)];
        expect(Math.abs(moveOf(from, to).by + moveOf(to, from).by)).toBeLessThanOrEqual(1);
      }),
    );
  });
});
