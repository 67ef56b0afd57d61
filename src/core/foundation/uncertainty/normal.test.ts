import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { normalBelow } from './normal';

describe('the normal distribution', () => {
  // published: any table of the normal distribution, recalled from memory
  it.each([
    [0, 0.5],
    [1, 0.8413447],
    [1.6448536, 0.95],
    [1.959964, 0.975],
    [2.5758293, 0.995],
    [-1.6448536, 0.05],
    [-3, 0.0013499],
  ])('under %s lies %s of it', (z, share) => {
    expect(normalBelow(z)).toBeCloseTo(share, 6);
  });

  it('what lies under z and over it is all, and more lies under more', () => {
    const z = fc.double({ min: -8, max: 8, noNaN: true });
    fc.assert(
      fc.property(z, z, (a, b) => {
        expect(normalBelow(a) + normalBelow(-a)).toBeCloseTo(1, 8);
        if (a < b) expect(normalBelow(a)).toBeLessThanOrEqual(normalBelow(b));
      }),
    );
  });
});
