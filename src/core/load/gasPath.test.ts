import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fromThou } from '../quantity/length';
import { CHOKED, CRANKCASE, betweenCurve, chamberPressure, flowFactor, pressureBetween } from './gasPath';

describe('between the rings', () => {
  it('flow is choked under 0.528, as at 0.6847 of √(R·T) (textbook, recalled)', () => {
    expect(CHOKED).toBeCloseTo(0.5283, 4);
    expect(flowFactor(0.3)).toBeCloseTo(0.6847, 4);
    expect(flowFactor(0.9)).toBeCloseTo(Math.sqrt(7 * (0.9 ** (2 / 1.4) - 0.9 ** (2.4 / 1.4))), 12);
    expect(flowFactor(1)).toBe(0);
  });

  it('while both are choked it is the pressure before times the ratio of the gaps (identity)', () => {
    expect(pressureBetween(fromThou(20), fromThou(50), 20, 1)).toBeCloseTo(8, 6);
    expect(pressureBetween(fromThou(20), fromThou(55), 20, 1)).toBeCloseTo(8 / 1.1, 6);
  });

  it('lets as much past the top ring as leaves past the second (property)', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 100_000, max: 2_000_000 }),
        fc.integer({ min: 100_000, max: 2_000_000 }),
        fc.double({ min: 2, max: 90, noNaN: true }),
        (top, second, before) => {
          const between = pressureBetween(top, second, before, CRANKCASE);
          expect(between).toBeGreaterThan(CRANKCASE);
          expect(between).toBeLessThan(before);
          const comes = top * before * flowFactor(between / before);
          const leaves = second * between * flowFactor(CRANKCASE / between);
          expect(comes / leaves).toBeCloseTo(1, 3);
        },
      ),
    );
  });

  it('falls as the second gap opens, and rises with the first (property)', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 200_000, max: 900_000 }),
        fc.integer({ min: 10_000, max: 300_000 }),
        (gap, more) => {
          const here = pressureBetween(gap, gap, 20, 1);
          expect(pressureBetween(gap, gap + more, 20, 1)).toBeLessThan(here);
          expect(pressureBetween(gap + more, gap, 20, 1)).toBeGreaterThan(here);
        },
      ),
    );
  });

  it('is drawn from one gap to another', () => {
    const curve = betweenCurve(fromThou(20), fromThou(10), fromThou(40), chamberPressure(1.5));
    expect(chamberPressure(1.5)).toBe(30);
    expect([curve[0]?.second, curve.at(-1)?.second]).toEqual([fromThou(10), fromThou(40)]);
    expect(curve.every((p, i) => i === 0 || p.bar < (curve[i - 1]?.bar ?? 0))).toBe(true);
  });
});
