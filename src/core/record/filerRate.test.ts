import fc from 'fast-check';
import { lusolve, multiply, transpose } from 'mathjs';
import { describe, expect, it } from 'vitest';
import {
  type RateSums,
  ASSUMED_SCATTER,
  NO_CUTS,
  addedRates,
  cutDeviation,
  fitThroughOrigin,
  rateOf,
  withCut,
} from './filerRate';

const sumsOf = (cuts: [number, number][]): RateSums =>
  cuts.reduce((sums, [count, removed]) => withCut(sums, count, removed), NO_CUTS);

describe('least squares through the origin', () => {
  // published: NIST StRD, NoInt1
  it('NoInt1: slope 2.07438016528926, its deviation 0.0165289256198347, residual deviation 3.56753034006338', () => {
    const fit = fitThroughOrigin(sumsOf(Array.from({ length: 11 }, (_, i) => [60 + i, 130 + i])));
    expect(fit?.slope).toBeCloseTo(2.07438016528926, 12);
    expect(fit?.slopeDeviation).toBeCloseTo(0.0165289256198347, 10);
    expect(fit?.residual).toBeCloseTo(3.56753034006338, 8);
  });

  const cuts = fc.array(fc.tuple(fc.integer({ min: 1, max: 60 }), fc.integer({ min: 0, max: 200_000 })), {
    minLength: 2,
    maxLength: 30,
  });

  // reference library: mathjs, the normal equations of the same model
  it('agrees with a general least-squares solve', () => {
    fc.assert(
      fc.property(cuts, (list) => {
        const x = list.map(([count]) => [count]);
        const y = list.map(([, removed]) => [removed]);
        const solved = lusolve(multiply(transpose(x), x), multiply(transpose(x), y)) as number[][];
        const slope = solved[0]?.[0] ?? NaN;
        expect(fitThroughOrigin(sumsOf(list))?.slope).toBeCloseTo(slope, 6);
      }),
    );
  });

  it('cuts of two engines add up as if they had been one', () => {
    fc.assert(
      fc.property(cuts, cuts, (a, b) => {
        expect(addedRates(sumsOf(a), sumsOf(b))).toEqual(sumsOf([...a, ...b]));
      }),
    );
  });
});

describe('a filer’s rate', () => {
  it('is not known without a cut, nor from cuts that took nothing off', () => {
    expect(rateOf(NO_CUTS)).toBeNull();
    expect(rateOf(sumsOf([[5, 0]]))).toBeNull();
  });

  it('from one cut stands with the standing guess of its scatter', () => {
    const rate = rateOf(sumsOf([[10, 100_000]]));
    expect(rate?.fit).toEqual({ slope: 10_000, residual: null, slopeDeviation: null });
    expect(rate?.scatter).toBe(ASSUMED_SCATTER);
    expect(rate?.freedom).toBe(3);
  });

  it('with many cuts scatters as they do', () => {
    const list = Array.from({ length: 400 }, (_, i): [number, number] => [10, 100_000 + (i % 2 ? 5_000 : -5_000)]);
    expect(rateOf(sumsOf(list))?.scatter).toBeCloseTo(5_088, -2);
  });

  it('a longer cut is less sure', () => {
    const rate = rateOf(
      sumsOf([
        [10, 100_000],
        [4, 41_000],
      ]),
    );
    if (!rate) throw new Error('there is a rate');
    expect(cutDeviation(rate, 20)).toBeGreaterThan(cutDeviation(rate, 5));
  });
});
