import { describe, expect, it } from 'vitest';
import { boreFaults, sizingFaults } from './boreFaults';
import { STARTING_BORES } from './measuringPlan';
import { startingSizing } from './oversizeChoices';

describe('what is wrong with how bores are judged and sized', () => {
  it('nothing as they start', () => {
    expect(boreFaults(STARTING_BORES)).toEqual({});
    for (const units of ['imperial', 'metric'] as const) expect(sizingFaults(startingSizing(units))).toEqual({});
  });

  it('what honing mends under what is well, of either figure and basis; sizes at their field', () => {
    const { limits, sizes } = STARTING_BORES;
    for (const basis of ['honed', 'used'] as const)
      for (const figure of ['taper', 'outOfRound'] as const) {
        const { within, hone } = limits[basis];
        const wrong = { ...limits[basis], hone: { ...hone, [figure]: within[figure] - 1 } };
        expect(Object.keys(boreFaults({ sizes, limits: { ...limits, [basis]: wrong } }))).toEqual([
          `limits.${basis}.hone`,
        ]);
      }
    expect(Object.keys(boreFaults({ limits, sizes: { ...sizes, least: 2, most: 1 } }))).toEqual(['sizes.most']);
  });

  it('an oversize that is there twice', () =>
    expect(sizingFaults({ oversizes: [1, 2, 1] })).toHaveProperty('oversizes'));
});
