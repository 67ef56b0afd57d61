import fc from 'fast-check';
import { unit } from 'mathjs';
import { describe, expect, it } from 'vitest';
import { NM_PER_INCH, NM_PER_MM, fromDecimal, fromInches, fromMm, fromThou, roundUpTo, toInches, toMm } from './length';

describe('length', () => {
  it('holds 1 in = 25.4 mm exactly (published: NIST SP 811)', () => {
    expect(fromInches(1)).toBe(fromMm(25.4));
    expect(fromDecimal('1', NM_PER_INCH)).toBe(25_400_000);
  });

  it('round-trips every 0.0001 in and every 0.001 mm without drift (published: NIST SP 811)', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 100_000 }),
        (tenths) => Math.round(toInches(fromInches(tenths / 10_000)) * 10_000) === tenths,
      ),
    );
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 500_000 }),
        (microns) => Math.round(toMm(fromMm(microns / 1_000)) * 1_000) === microns,
      ),
    );
  });

  it('reads decimal text exactly where it is whole nanometres (identity)', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 9 }), fc.integer({ min: 0, max: 9_999 }), (whole, tenths) => {
        const text = `${whole}.${String(tenths).padStart(4, '0')}`;
        return fromDecimal(text, NM_PER_INCH) === whole * 25_400_000 + tenths * 2_540;
      }),
    );
  });

  it('agrees with an independent unit library (reference library: mathjs)', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 99_999 }), (tenths) => {
        const inches = tenths / 10_000;
        expect(toMm(fromInches(inches))).toBeCloseTo(unit(inches, 'in').toNumber('mm'), 6);
      }),
    );
  });

  it('rounds up, never to the nearest (common practice, no source: 0.020325 → 0.021, 0.0223575 → 0.023)', () => {
    expect(roundUpTo(fromInches(0.020325), fromThou(1))).toBe(fromThou(21));
    expect(roundUpTo(fromInches(0.0223575), fromThou(1))).toBe(fromThou(23));
  });

  it('rounding up is idempotent, monotone and never under what it rounds (identity)', () => {
    const step = fc.constantFrom(25_400, 12_700, 10_000, 50_000);
    const length = fc.integer({ min: 0, max: 5_000_000 });
    fc.assert(
      fc.property(
        length,
        step,
        (nm, s) =>
          roundUpTo(roundUpTo(nm, s), s) === roundUpTo(nm, s) && roundUpTo(nm, s) >= nm && roundUpTo(nm, s) - nm < s,
      ),
    );
    fc.assert(fc.property(length, length, step, (a, b, s) => a > b || roundUpTo(a, s) <= roundUpTo(b, s)));
  });

  it.each([
    ['', NM_PER_MM],
    ['.', NM_PER_MM],
    ['1.2.3', NM_PER_MM],
    ['-1', NM_PER_MM],
    ['abc', NM_PER_MM],
  ])('refuses %j as a numeral', (text, scale) => {
    expect(() => fromDecimal(text, scale)).toThrow(RangeError);
  });

  it.each([0, -1, 0.5, Number.NaN])('refuses %d as a rounding step', (step) => {
    expect(() => roundUpTo(100, step)).toThrow(RangeError);
  });
});
