import fc from 'fast-check';
import { runs } from '@/fixtures/runs';
import { describe, expect, it } from 'vitest';
import { fromThou } from '../quantity/length';
import { type Bounds, type Estimate, type Side, bestOf, chanceWords, decide, exactly, leastRight } from './decide';

const bounds: Bounds = {
  least: fromThou(4.5),
  grace: fromThou(0.1),
  aimFrom: fromThou(4.5),
  aimTo: fromThou(5),
  most: fromThou(6),
  mostHard: false,
  half: 0,
};
const at = (thou: number, u = 0.13, freedom = Infinity) =>
  decide(exactly(fromThou(thou), fromThou(1) * u, freedom), bounds, 0.95);

describe('the decision', () => {
  // worked by hand from the normal table: (4.4 − value) ÷ 0.13
  it.each([
    [4.1, 'under', 0.9895],
    [4.18, 'under', 0.9547],
    [4.2, 'not proven', 0.938],
    [4.5, 'not proven', 0.2209],
    [4.6, 'not proven', 0.062],
    [4.62, 'inside', 0.0453],
    [4.75, 'inside', 0.0036],
    [5, 'inside', 0],
    [5.01, 'past the aim', 0],
    [6, 'past the aim', 0],
    [6.01, 'over', 0],
  ] as const)('clearance %s ± 0.26 with a least of 4.5 thou: %s', (thou, side, chance) => {
    const found = at(thou);
    expect(found.side).toBe(side);
    expect(found.chance).toBeCloseTo(chance, 3);
  });

  it('without doubt the limit less its grace is what decides, and it is right itself', () => {
    expect(at(4.4, 0)).toMatchObject({ side: 'inside', chance: 0, low: 'under the limit' });
    expect(at(4.39, 0)).toMatchObject({ side: 'under', chance: 1 });
  });

  it('more is never judged closer to short, and more doubt never proves what less did not', () => {
    const order: Side[] = ['under', 'not proven', 'inside', 'past the aim', 'over'];
    const rank = (side: Side): number => order.indexOf(side);
    const thou = fc.double({ min: 3, max: 7, noNaN: true });
    const u = fc.double({ min: 0.01, max: 1, noNaN: true });
    fc.assert(
      fc.property(thou, fc.double({ min: 0, max: 1, noNaN: true }), u, (value, more, doubt) => {
        expect(rank(at(value + more, doubt).side)).toBeGreaterThanOrEqual(rank(at(value, doubt).side));
        expect(at(value, doubt, 3).chance ?? 0).toBeGreaterThanOrEqual(0);
        if (at(value, doubt).side === 'not proven') expect(at(value, doubt * (1 + more)).side).toBe('not proven');
      }),
    );
  });

  it('few degrees of freedom make it less sure: t with 3 at −2.3534 leaves 5 % (t table, from memory)', () => {
    expect(at(4.4 + 0.13 * 2.3534, 0.13, 3).chance).toBeCloseTo(0.05, 4);
    expect(at(4.4 + 0.13 * 2.3534, 0.13).chance).toBeLessThan(0.01);
  });

  it('the least that is right is where the chance is what is asked for', () => {
    for (const [freedom, z] of [
      [Infinity, 1.6449],
      [3, 2.3534],
    ] as const) {
      const least = leastRight(bounds, { standard: fromThou(0.13), freedom }, 0.95);
      expect(least).toBeCloseTo(fromThou(4.4) + z * fromThou(0.13), -2);
    }
  });

  it('says a chance as it is said at the bench', () => {
    expect([0.06, 0.2, 0.33, 0.46, 0.5, 0.55, 0.6, 0.79, 0.9, 0.94].map(chanceWords)).toEqual([
      'about one in 17',
      'about one in five',
      'about one in three',
      'about one in two',
      'about one in two',
      'about one in two',
      'about two in three',
      'about four in five',
      'about nine in ten',
      'about 16 in 17',
    ]);
  });
});

describe('what leaves leave open', () => {
  const gap: Bounds = {
    least: fromThou(22),
    grace: fromThou(0.5),
    aimFrom: fromThou(22),
    aimTo: fromThou(25),
    most: fromThou(27),
    mostHard: false,
    half: fromThou(0.5),
  };
  const open = (low: number, high: number, standard = 0, passed = false): Estimate => ({
    low: fromThou(low),
    high: high === Infinity ? Infinity : fromThou(high),
    standard: fromThou(1) * standard,
    freedom: Infinity,
    passed,
  });
  const side = (...given: Parameters<typeof open>) => decide(open(...given), gap, 0.95);

  it('a leaf of 22 at its place against 22: inside, nothing to say', () => {
    expect(side(22, 23, 0.115, true)).toMatchObject({ side: 'inside', chance: 0, low: null });
  });

  it('21.8 to 22.8 ± 0.3: inside, and low', () => {
    expect(side(21.8, 22.8, 0.15)).toMatchObject({ side: 'inside', low: 'under the limit' });
  });

  it('a lower end that is under the limit by less than it is known to is no news', () => {
    expect(side(21.9, 22.9, 0.15)).toMatchObject({ side: 'inside', low: null });
    expect(side(21.9, 22.9, 0.05)).toMatchObject({ side: 'inside', low: 'under the limit' });
  });

  it('20.7 to 21.7 ± 0.36: not proven, about four in five', () => {
    const found = side(20.7, 21.7, 0.18);
    expect(found.side).toBe('not proven');
    expect(chanceWords(found.chance ?? 0)).toBe('about four in five');
  });

  it('17 to 18: under', () => {
    expect(side(17, 18, 0.115, true).side).toBe('under');
  });

  it('the chance is that of a rectangle and a normal together, worked out by summing many slices', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 19, max: 24, noNaN: true }),
        fc.double({ min: 0.1, max: 3, noNaN: true }),
        fc.double({ min: 0.02, max: 2, noNaN: true }),
        fc.constantFrom(Infinity, 3, 8),
        (low, width, u, freedom) => {
          const slices = Array.from({ length: 2_000 }, (_, i) => low + ((i + 0.5) / 2_000) * width);
          const summed = slices.reduce(
            (sum, at) => sum + (decide(exactly(fromThou(1) * at, fromThou(1) * u, freedom), gap, 0.95).chance ?? 0),
            0,
          );
          expect(
            decide(
              {
                ...open(0, 0),
                low: fromThou(1) * low,
                high: fromThou(1) * (low + width),
                standard: fromThou(1) * u,
                freedom,
              },
              gap,
              0.95,
            ).chance,
          ).toBeCloseTo(summed / 2_000, 4);
        },
      ),
      { numRuns: runs(60) },
    );
  });

  it('the best of it is its middle, and its lower end where nothing was tried above', () => {
    expect(bestOf(open(21, 23))).toBe(fromThou(22));
    expect(bestOf(open(21, Infinity))).toBe(fromThou(21));
  });
});
