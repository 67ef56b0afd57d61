import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fromThou } from '../quantity/length';
import { type Side, chanceWords, decide } from './decide';

const bounds = { min: fromThou(4.5), grace: fromThou(0.1), aimTo: fromThou(5), most: fromThou(6) };
const at = (thou: number, u = 0.13) => decide({ value: fromThou(thou), standard: fromThou(1) * u }, bounds);

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
    expect(at(4.4, 0)).toEqual({ side: 'inside', chance: 0 });
    expect(at(4.39, 0)).toEqual({ side: 'under', chance: 1 });
  });

  it('more is never judged closer to short, and more doubt never proves what less did not', () => {
    const order: Side[] = ['under', 'not proven', 'inside', 'past the aim', 'over'];
    const rank = (side: Side): number => order.indexOf(side);
    const thou = fc.double({ min: 3, max: 7, noNaN: true });
    const u = fc.double({ min: 0.01, max: 1, noNaN: true });
    fc.assert(
      fc.property(thou, fc.double({ min: 0, max: 1, noNaN: true }), u, (value, more, doubt) => {
        expect(rank(at(value + more, doubt).side)).toBeGreaterThanOrEqual(rank(at(value, doubt).side));
        if (at(value, doubt).side === 'not proven') expect(at(value, doubt * (1 + more)).side).toBe('not proven');
      }),
    );
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
