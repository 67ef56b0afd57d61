import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { filedAsAdvised, filedByHalves, filedTogether, someFitters } from '@/fixtures/filers';
import { fromThou } from '../../foundation/quantity/length';
import { FIRST_CUT, NEXT_CUT, takeNext, turnsFor } from './filingAdvice';
import { type Rate, NO_CUTS, rateOf, withCut } from '../../record/filerRate';

const off = (thou: number) => ({ toAim: fromThou(thou), toMiddle: fromThou(thou + 1.5), most: fromThou(thou + 3) });
const rateFrom = (...cuts: [number, number][]): Rate => {
  const rate = rateOf(cuts.reduce((sums, [count, thou]) => withCut(sums, count, fromThou(thou)), NO_CUTS));
  if (!rate) throw new Error('there is a rate');
  return rate;
};
const ask = { filer: 'f', aim: fromThou(23.5), end: fromThou(25), chance: 0.05 };
const gap = (thou: number) => ({ low: fromThou(thou), high: fromThou(thou + 1) });

describe('the next cut by feel', () => {
  // common practice, no source: about 5 thou at first, then 1 to 2
  it('a first cut takes 5 thou at most and never passes the window’s lower edge; following ones take 2', () => {
    expect(takeNext(off(9), true)).toBe(FIRST_CUT);
    expect(takeNext(off(3), true)).toBe(fromThou(3));
    expect(takeNext(off(9), false)).toBe(NEXT_CUT);
    expect(takeNext(off(0.25), false)).toBe(fromThou(1.75));
  });
});

describe('the next cut in turns', () => {
  const known = rateFrom(...Array.from({ length: 12 }, (): [number, number] => [10, 5]));

  it('half a thou a turn, the 15 leaf going: one turn less than to the middle of the window, for safety', () => {
    const turns = turnsFor({ ...ask, rate: known, found: gap(15) });
    expect(turns.count).toBe(15);
    expect(turns.removes).toBe(fromThou(7.5));
    expect(turns.chance).toBeLessThan(0.05);
  });

  it('from one cut it is more careful than from twelve', () => {
    expect(turnsFor({ ...ask, rate: rateFrom([10, 5]), found: gap(12) }).count).toBeLessThan(
      turnsFor({ ...ask, rate: known, found: gap(12) }).count,
    );
  });

  it('advises none where one turn could pass the window', () => {
    expect(turnsFor({ ...ask, rate: rateFrom([2, 8]), found: gap(21) }).count).toBe(0);
  });

  it('never states more chance than is taken, and one turn more would, or would pass the aim', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 5, max: 21 }),
        fc.double({ min: 0.1, max: 1.5, noNaN: true }),
        fc.integer({ min: 1, max: 8 }),
        fc.double({ min: 0.005, max: 0.3, noNaN: true }),
        (thou, each, cuts, chance) => {
          const rate = rateFrom(
            ...Array.from({ length: cuts }, (_, i): [number, number] => [8, 8 * each + (i % 2 ? 0.3 : -0.3)]),
          );
          const turns = turnsFor({ ...ask, rate, found: gap(thou), chance });
          expect(turns.chance).toBeLessThanOrEqual(chance + 1e-9);
          expect(gap(thou).low + turns.removes).toBeLessThanOrEqual(ask.aim);
        },
      ),
    );
  });
});

describe('over thousands of noisy filers', () => {
  const fitters = someFitters(2_000, 11);

  it.each([0.02, 0.05, 0.1])('a stated chance of %d is kept, and rings take fewer cuts than by halves', (chance) => {
    const advised = filedTogether(
      fitters.map(({ fitter, starts }, i) => filedAsAdvised(fitter, starts, chance, i + 1)),
    );
    const halves = filedTogether(fitters.map(({ fitter, starts }, i) => filedByHalves(fitter, starts, i + 1)));
    expect(advised.advised).toBeGreaterThan(20_000);
    expect(advised.passed / advised.advised).toBeLessThanOrEqual(chance);
    expect(advised.cuts).toBeLessThan(halves.cuts);
  });
});
