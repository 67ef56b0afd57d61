import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { apart, arcAngle, mirrored, turned } from './angle';
import { NM_PER_INCH, fromInches } from './length';

describe('angles', () => {
  it('1 in of arc is 28.648° on a 4.000 in bore and 32.740° on 3.500 (identity)', () => {
    expect(arcAngle(NM_PER_INCH, fromInches(4))).toBeCloseTo(28.648, 3);
    expect(arcAngle(NM_PER_INCH, fromInches(3.5))).toBeCloseTo(32.74, 3);
  });

  it('distance is symmetric, at most half a turn, and unchanged by turning or mirroring both (identity)', () => {
    const angle = fc.integer({ min: -720, max: 720 });
    fc.assert(
      fc.property(angle, angle, angle, (a, b, turn) => {
        expect(apart(a, b)).toBe(apart(b, a));
        expect(apart(a, b)).toBeLessThanOrEqual(180);
        expect(apart(a + turn, b + turn)).toBe(apart(a, b));
        expect(apart(mirrored(a), mirrored(b))).toBe(apart(a, b));
        expect(turned(a) >= 0 && turned(a) < 360).toBe(true);
      }),
    );
  });
});
