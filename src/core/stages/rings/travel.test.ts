import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fromInches, fromThou, toInches } from '../../foundation/quantity/length';
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
    const girths = girthsOf(
      [
        spot('above', 90, 3.99),
        spot('top', 90, 4.003),
        spot('top', 0, 4.001),
        spot('bottom', 90, 4.0015),
        spot('bottom', 0, 4.0005),
      ],
      0,
    );
    expect(girths.map((g) => toInches(g.mean))).toEqual([4.002, 4.001]);
    expect(smallestGirth(girths)?.depth).toBe('bottom');
    expect(girths[0]?.own).toBeCloseTo(Math.SQRT1_2 * 1_000, 6);
  });

  it('a direction that was not read is taken from the depths where it was, and costs certainty', () => {
    const full = [spot('top', 90, 4.002), spot('top', 0, 4), spot('bottom', 90, 4.001)];
    const [top, bottom] = girthsOf(full, 0);
    expect(toInches(bottom?.mean ?? 0)).toBeCloseTo(4, 6);
    expect(bottom?.own).toBeGreaterThan((top?.own ?? 0) * 2);
    // nothing is moved by a direction that is only missing
    expect(toInches(gapMove(top ?? girth(0), bottom ?? girth(0)))).toBeCloseTo(-Math.PI * 0.001, 6);
  });

  // worn 2 thou in the thrust direction alone: the girth grew by π × 1 thou, one direction says π × 2
  it('one direction adds half of what the bore may be out of round: carried to the bottom, 3.1 thou lie within U', () => {
    const [top, bottom] = girthsOf([spot('top', 90, 4.002), spot('bottom', 90, 4)], fromThou(1.5));
    if (!top || !bottom) throw new Error('both are read');
    const error = Math.abs(gapMove(top, bottom)) - Math.PI * fromThou(1);
    expect(toInches(error) * 1000).toBeCloseTo(3.14, 2);
    expect(2 * moveDoubt(top, bottom, 0).standard).toBeGreaterThan(error);
    expect(top.own).toBeCloseTo(Math.hypot(1_000, fromThou(0.75) / Math.sqrt(3)), 6);
    // two at right angles leave nothing of an oval, two at 45° seven tenths
    const [square] = girthsOf([spot('top', 90, 4.002), spot('top', 0, 4)], fromThou(1.5));
    expect(square?.own).toBeCloseTo(1_000 / Math.SQRT2, 6);
    const [near] = girthsOf([spot('top', 90, 4.002), spot('top', 45, 4.001)], fromThou(1.5));
    expect(near?.own).toBeCloseTo(Math.hypot(1_000 / Math.SQRT2, (fromThou(0.75) * Math.SQRT1_2) / Math.sqrt(3)), 6);
  });

  // independent: the mean of an oval is what its fit says, the plain mean of 90°, 45° and 0° lies by e/3 beside it
  it('directions that are not evenly apart count by the mean of their oval, not by the plain one', () => {
    const oval = (angle: number): number => 4 + 0.001 * Math.cos((2 * Math.PI * (angle - 45)) / 180);
    const [top] = girthsOf(
      [90, 45, 0].map((angle) => spot('top', angle, oval(angle))),
      0,
    );
    expect(toInches(top?.mean ?? 0)).toBeCloseTo(4, 6);
    expect(top?.own).toBeGreaterThan(1_000 / Math.sqrt(3));
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
