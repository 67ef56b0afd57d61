import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fromInches, fromMm } from './length';
import { suggestionsFor } from './suggestions';

const near = (nm: number, within = 100_000): { nm: number; within: number } => ({ nm, within });
const named = (numeral: string, value: number, expected: { nm: number; within: number }): [number, string][] =>
  suggestionsFor(numeral, value, expected).map((s) => [s.value, s.taken]);

describe('likely slips (common practice, no source)', () => {
  it('3.3824 noted as 3.324: the 8 was dropped', () => {
    expect(named('3.324', fromInches(3.324), near(fromInches(3.3822)))[0]).toEqual([
      fromInches(3.3824),
      'digit 8 dropped',
    ]);
  });

  it('names a swap before a dropped digit', () => {
    expect(named('82.055', fromMm(82.055), near(fromMm(82.505)))[0]).toEqual([
      fromMm(82.505),
      'digits 0 and 5 swapped',
    ]);
  });

  it('knows a thimble misread by a turn, or a sleeve by a division', () => {
    expect(named('4.04', fromInches(4.04), near(fromInches(4.0651)))).toContainEqual([
      fromInches(4.065),
      'off by one turn, 0.025 in',
    ]);
    expect(named('3.965', fromInches(3.965), near(fromInches(4.0651)))).toContainEqual([
      fromInches(4.065),
      'off by 0.1 in',
    ]);
    expect(named('82.0', fromMm(82), near(fromMm(82.501)))).toContainEqual([fromMm(82.5), 'off by one turn, 0.5 mm']);
  });

  it('finds nothing where no one slip leads near, and nothing in nothing', () => {
    expect(suggestionsFor('9.111', fromInches(9.111), near(fromInches(4.065)))).toEqual([]);
    expect(suggestionsFor('0', 0, near(fromInches(4.065)))).toEqual([]);
  });

  it('finds every swap of two neighbouring digits again', () => {
    fc.assert(
      fc.property(fc.integer({ min: 30_000, max: 49_999 }), fc.integer({ min: 0, max: 3 }), (tenths, at) => {
        const right = String(tenths);
        const swapped = right.slice(0, at) + right.charAt(at + 1) + right.charAt(at) + right.slice(at + 2);
        fc.pre(swapped !== right);
        const value = Number(swapped) * 2_540;
        expect(suggestionsFor(swapped, value, near(tenths * 2_540, 1)).map((s) => s.value)).toContain(tenths * 2_540);
      }),
    );
  });

  it('finds every dropped digit again, and offers only what is near', () => {
    fc.assert(
      fc.property(fc.integer({ min: 30_000, max: 49_999 }), fc.integer({ min: 0, max: 4 }), (tenths, at) => {
        const right = `${String(tenths).charAt(0)}.${String(tenths).slice(1)}`;
        const digits = String(tenths);
        const short = digits.slice(0, at) + digits.slice(at + 1);
        fc.pre(Number(short) > 0);
        const expected = near(tenths * 2_540, 1_000);
        const slips = suggestionsFor(short, Number(short) * 25_400, expected);
        expect(slips.map((s) => s.value)).toContain(fromInches(Number(right)));
        expect(slips.every((s) => Math.abs(s.value - expected.nm) <= expected.within)).toBe(true);
      }),
    );
  });
});
