import fc from 'fast-check';
import { runs } from '@/fixtures/runs';
import { describe, expect, it } from 'vitest';
import { type MixAsk, arrangedWithin, matchWeights, spreadOf } from './matchWeights';

/** All orders of some places. */
function orders(count: number): number[][] {
  if (count === 0) return [[]];
  return orders(count - 1).flatMap((rest) =>
    Array.from({ length: count }, (_, at) => [...rest.slice(0, at), count - 1, ...rest.slice(at)]),
  );
}

const sums = ({ base, kinds }: MixAsk, from: readonly (readonly number[])[]): number[] =>
  base.map((own, place) => kinds.reduce((sum, kind, k) => sum + (kind.masses[from[k]?.[place] ?? -1] ?? NaN), own));

/** The least spread there is, by trying everything. */
function exhaustive(ask: MixAsk, chosen: number[][] = []): number {
  const kind = ask.kinds[chosen.length];
  if (!kind) return spreadOf(sums(ask, chosen));
  return Math.min(
    ...orders(ask.base.length)
      .filter((order) => order.every((part, place) => !kind.stays[place] || part === place))
      .map((order) => exhaustive(ask, [...chosen, order])),
  );
}

const tenths = (from: number, to: number) => fc.integer({ min: from * 10, max: to * 10 }).map((n) => n * 100);

const asked = (sets: number, kinds: number): fc.Arbitrary<MixAsk> =>
  fc.record({
    base: fc.array(tenths(600, 606), { minLength: sets, maxLength: sets }),
    kinds: fc.array(
      fc.record({
        masses: fc.array(tenths(140, 144), { minLength: sets, maxLength: sets }),
        stays: fc.array(
          fc.integer({ min: 0, max: 5 }).map((n) => n === 0),
          { minLength: sets, maxLength: sets },
        ),
      }),
      { minLength: kinds, maxLength: kinds },
    ),
  });

const isEachOnce = (own: readonly number[]): boolean => own.toSorted((a, b) => a - b).every((part, i) => part === i);

describe('parts mixed so that the sets are even', () => {
  it.each([
    [5, 1, 60],
    [5, 2, 25],
    [4, 3, 25],
    [3, 4, 25],
  ])(
    '%i sets with %i kinds free: as even as trying everything finds',
    (sets, kinds, times) => {
      fc.assert(
        fc.property(asked(sets, kinds), (ask) => {
          const found = matchWeights(ask);
          expect(found.isExact).toBe(true);
          expect(found.spread).toBe(exhaustive(ask));
          expect(spreadOf(sums(ask, found.from))).toBe(found.spread);
        }),
        { numRuns: runs(times) },
      );
    },
    60_000,
  );

  it('up to sixteen sets: each part once, what stays stays, never worse, and the bound under what was found', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 6, max: 16 }).chain((sets) => asked(sets, 3)),
        (ask) => {
          const found = matchWeights(ask, 3_000);
          expect(found.from.every(isEachOnce)).toBe(true);
          for (const [k, kind] of ask.kinds.entries())
            for (const [place, stay] of kind.stays.entries()) if (stay) expect(found.from[k]?.[place]).toBe(place);
          const spread = spreadOf(sums(ask, found.from));
          expect(spread).toBe(found.spread);
          expect(spread).toBeLessThanOrEqual(found.before);
          expect(found.bound).toBeLessThanOrEqual(spread);
          expect(found.isExact).toBe(found.bound === spread);
        },
      ),
      { numRuns: runs(30) },
    );
  }, 60_000);

  it('a spread can be had where trying everything finds one, and nowhere else; what stays stays', () => {
    fc.assert(
      fc.property(asked(4, 2), fc.integer({ min: -3, max: 3 }), (ask, tenths) => {
        const least = exhaustive(ask);
        const most = Math.max(0, least + tenths * 100);
        const found = arrangedWithin(ask, most, { tries: 1_000_000 });
        expect(found !== null).toBe(most >= least);
        if (found === null || found === 'stopped') return;
        expect(spreadOf(sums(ask, found))).toBeLessThanOrEqual(most);
        expect(found.every(isEachOnce)).toBe(true);
        for (const [k, kind] of ask.kinds.entries())
          for (const [place, stay] of kind.stays.entries()) if (stay) expect(found[k]?.[place]).toBe(place);
      }),
      { numRuns: runs(150) },
    );
  }, 60_000);

  it('a proof that is cut short says so, and its bound holds', () => {
    const ask: MixAsk = {
      base: [600_000, 600_100, 600_900, 602_300, 603_700],
      kinds: [
        { masses: [140_000, 140_300, 141_900, 142_000, 142_800], stays: [false, false, false, false, false] },
        { masses: [52_000, 52_700, 53_100, 53_300, 54_900], stays: [false, false, false, false, false] },
      ],
    };
    const cut = matchWeights(ask, 0);
    const whole = matchWeights(ask);
    expect(whole.isExact).toBe(true);
    expect(cut.bound).toBeLessThanOrEqual(whole.spread);
    expect(cut.spread).toBeGreaterThanOrEqual(whole.spread);
  });

  it('with nothing to win, nothing is moved; of parts that weigh the same none is', () => {
    const even: MixAsk = {
      base: [600_000, 600_000, 600_000],
      kinds: [{ masses: [140_000, 140_000, 140_000], stays: [false, false, false] }],
    };
    expect(matchWeights(even).from).toEqual([[0, 1, 2]]);
    const two: MixAsk = {
      base: [600_000, 602_000, 601_000],
      kinds: [
        { masses: [140_000, 142_000, 141_000], stays: [false, false, false] },
        { masses: [2_000, 2_000, 2_000], stays: [false, false, false] },
      ],
    };
    expect(matchWeights(two).from).toEqual([
      [1, 0, 2],
      [0, 1, 2],
    ]);
  });

  it('a part that would move for nothing stays: the spread is that of the heaviest and the lightest', () => {
    const ask: MixAsk = {
      base: [600_000, 610_000, 604_000, 605_000],
      kinds: [{ masses: [100_000, 100_000, 101_000, 102_000], stays: [true, true, false, false] }],
    };
    expect(matchWeights(ask)).toMatchObject({ before: 10_000, spread: 10_000, from: [[0, 1, 2, 3]] });
    const masses = [100_000, 108_000, 101_000, 102_000];
    const free: MixAsk = { ...ask, kinds: [{ masses, stays: masses.map(() => false) }] };
    const { from, spread } = matchWeights(free);
    const moves = (order: readonly number[]): number => order.filter((part, place) => part !== place).length;
    const best = orders(4).filter((order) => spreadOf(sums(free, [order])) === spread);
    expect(moves(from[0] ?? [])).toBe(Math.min(...best.map(moves)));
  });

  it('one set, and none', () => {
    expect(matchWeights({ base: [600_000], kinds: [{ masses: [140_000], stays: [false] }] }).spread).toBe(0);
    expect(matchWeights({ base: [], kinds: [] })).toMatchObject({ spread: 0, isExact: true });
  });
});
