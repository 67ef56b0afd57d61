import { describe, expect, it } from 'vitest';
import { filedRings } from '@/fixtures/filedRings';
import { knownRings } from '@/fixtures/knownRings';

/**
 * What is decided, held against the truth: 20,000 rings each, spread evenly from 6 thou under their limit to 6 over it,
 * with random bores, leaves, hands, depths and tools; those not proven read once more as advised.
 */
describe('20,000 rings whose gap is known', () => {
  it.each([['measured'], ['straight']] as const)('in bores that are %s', (known) => {
    const { first, after } = knownRings(known, 20_000, 5);
    for (const tally of [first, after]) {
      expect(tally.under).toBeGreaterThan(7_000);
      expect(tally.underCalledRight / tally.under).toBeLessThanOrEqual(0.05);
      expect(tally.farUnderCalledRight / tally.farUnder).toBeLessThanOrEqual(0.005);
      expect(tally.goodCalledShort / tally.good).toBeLessThanOrEqual(0.01);
    }
    expect(first.notProven / first.rings).toBeLessThan(0.2);
    expect(after.notProven).toBeLessThan(first.notProven / 2);
  });

  it('in bores measured in one direction, whose oval nobody sees: more is left open, and no more is called right', () => {
    const { first, after } = knownRings('one direction', 20_000, 5);
    for (const tally of [first, after]) {
      expect(tally.underCalledRight / tally.under).toBeLessThanOrEqual(0.05);
      expect(tally.farUnderCalledRight / tally.farUnder).toBeLessThanOrEqual(0.005);
      expect(tally.goodCalledShort / tally.good).toBeLessThanOrEqual(0.01);
    }
    expect(first.notProven / first.rings).toBeLessThan(0.45);
  });

  // A worn bore that nobody measured, read at one depth: a gap that is right there is short further down. It is said.
  it('nobody can know the taper of a worn bore from one depth', () => {
    const { first } = knownRings('worn', 5_000, 5);
    expect(first.underCalledRight / first.under).toBeGreaterThan(0.1);
  });
});

/**
 * A fitter who does as the bench says until it calls a ring done: half the cuts are logged, a tenth more are told by
 * "deburred", the others by nothing; one ring in twenty is cocked once, wide by 1 to 5 thou.
 */
describe('4,000 rings filed until they are done', () => {
  it.each([
    ['measured', 0.005, 20],
    // an oval that nobody sees: more are filed too far, and more are called done that are short
    ['one direction', 0.015, 60],
    ['part measured', 0.005, 20],
    ['straight', 0.005, 20],
    ['worn', 0.005, 40],
  ] as const)('in bores that are %s', (known, wrong, tooFar) => {
    const filed = filedRings(known, 4_000, 11);
    expect(filed.shortJudged).toBeGreaterThan(4_000);
    expect(filed.shortCalledDone / filed.shortJudged).toBeLessThanOrEqual(wrong);
    expect(filed.unfinished).toBeLessThanOrEqual(4);
    expect(filed.done).toBeGreaterThanOrEqual(4_000 - tooFar - filed.unfinished);
    expect(filed.over).toBeLessThan(tooFar);
    expect(filed.askedRightly / filed.asked).toBeGreaterThan(0.9);
  });
});
