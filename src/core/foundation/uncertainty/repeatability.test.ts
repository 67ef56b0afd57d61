import { mean, sampleStandardDeviation } from 'simple-statistics';
import { describe, expect, it } from 'vitest';
import {
  type Doubt,
  UNNAMED_TOOL,
  micrometerLimit,
  ownDoubt,
  repeatability,
  scatterOf,
  sizeUncertainty,
} from './repeatability';

/**
 * NIST StRD, univariate, NumAcc1: three values whose mean is 10000002 and standard deviation 1. Published, figures
 * recalled from memory.
 */
const NUMACC1 = [10_000_001, 10_000_003, 10_000_002];

const sure: Doubt = { tool: 0, setting: 0, zeroing: 0, shop: 0, apart: 0, own: 0, freedom: Infinity };

describe('scatter of repeats', () => {
  it('gives 1 for NumAcc1 (published: NIST StRD, figures recalled from memory)', () => {
    const { squares, freedom } = scatterOf([NUMACC1]);
    expect(Math.sqrt(squares / freedom)).toBe(1);
    expect(mean(NUMACC1)).toBe(10_000_002);
  });

  it('is the sample standard deviation of one spot (reference library: simple-statistics)', () => {
    const values = [81_500_000, 81_503_000, 81_499_000, 81_501_000, 81_502_500];
    expect(repeatability(scatterOf([values]), UNNAMED_TOOL)).toEqual({
      value: expect.closeTo(sampleStandardDeviation(values), 6) as number,
      freedom: 4,
    });
  });

  it('pools over spots by their degrees of freedom, and spots read once say nothing', () => {
    expect(scatterOf([[1, 3], [10, 10, 13], [7], []])).toEqual({ squares: 2 + 6, freedom: 3 });
  });

  it('is half a division until there are enough repeats (from memory)', () => {
    expect(
      repeatability(
        scatterOf([
          [0, 9_000],
          [0, 9_000],
        ]),
        UNNAMED_TOOL,
      ),
    ).toEqual({ value: 1_270, freedom: Infinity });
  });
});

describe('doubts (published: JCGM 100:2008)', () => {
  it('a mean of repeats is surer by their root, the last digit is not', () => {
    const sigma = { value: 3_000, freedom: 8 };
    expect(ownDoubt(1, sigma, UNNAMED_TOOL).standard).toBeCloseTo(Math.hypot(3_000, 1_270 / Math.sqrt(3)), 6);
    expect(ownDoubt(9, sigma, UNNAMED_TOOL).standard).toBeCloseTo(Math.hypot(1_000, 1_270 / Math.sqrt(3)), 6);
  });

  it('U is twice the root sum of squares', () => {
    for (const part of ['setting', 'zeroing', 'shop', 'apart', 'own'] as const)
      expect(sizeUncertainty({ ...sure, tool: 3_000, [part]: 4_000 })).toBe(10_000);
  });

  it('few repeats make U wider: k is the t quantile for 95.45 %, 3.31 with three degrees of freedom (t table, from memory)', () => {
    expect(sizeUncertainty({ ...sure, own: 1_000, freedom: 3 })).toBe(3_307);
    expect(sizeUncertainty({ ...sure, own: 1_000 })).toBe(2_000);
  });

  it('a micrometer that nobody named is off by 0.0001 in to 75 mm, 3 µm to 100 mm and more beyond (from memory)', () => {
    const of = [50, 75, 75.1, 100, 103, 130].map((mm) => micrometerLimit(mm * 1e6));
    expect(of).toEqual([2_540, 2_540, 3_000, 3_000, 4_000, 5_000]);
  });
});
