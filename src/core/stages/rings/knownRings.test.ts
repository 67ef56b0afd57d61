import { describe, expect, it } from 'vitest';
import { filedRings } from '@/fixtures/filedRings';
import { knownRings } from '@/fixtures/knownRings';
import { runs } from '@/fixtures/runs';

const READ = runs(20_000);
const FILED = runs(4_000);

/**
 * What is decided, held against the truth: many rings each, spread evenly from 6 thou under their limit to 6 over it,
 * with random bores, leaves, hands, depths and tools; those not proven read once more as advised.
 */
describe('rings whose gap is known', () => {
  it.each([['measured'], ['straight']] as const)('in bores that are %s', (known) => {
    const { first, after } = knownRings(known, READ, 5);
    for (const tally of [first, after]) {
      expect(tally.under).toBeGreaterThan(0.35 * READ);
      expect(tally.underCalledRight / tally.under).toBeLessThanOrEqual(0.05);
      expect(tally.farUnderCalledRight / tally.farUnder).toBeLessThanOrEqual(0.005);
      expect(tally.goodCalledShort / tally.good).toBeLessThanOrEqual(0.01);
    }
    expect(first.notProven / first.rings).toBeLessThan(0.2);
    expect(after.notProven).toBeLessThan(first.notProven / 2);
  });

  it('in bores measured in one direction, whose oval nobody sees: more is left open, and no more is called right', () => {
    const { first, after } = knownRings('one direction', READ, 5);
    for (const tally of [first, after]) {
      expect(tally.underCalledRight / tally.under).toBeLessThanOrEqual(0.05);
      expect(tally.farUnderCalledRight / tally.farUnder).toBeLessThanOrEqual(0.005);
      expect(tally.goodCalledShort / tally.good).toBeLessThanOrEqual(0.01);
    }
    expect(first.notProven / first.rings).toBeLessThan(0.45);
  });

  // A worn bore that nobody measured, read at one depth: a gap that is right there is short further down. It is said.
  it('nobody can know the taper of a worn bore from one depth', () => {
    const { first } = knownRings('worn', READ / 4, 5);
    expect(first.underCalledRight / first.under).toBeGreaterThan(0.1);
  });
});

/**
 * A fitter who does as the bench says until it calls a ring done: half the cuts are logged, a tenth more are told by
 * "deburred", the others by nothing; one ring in twenty is cocked once, wide by 1 to 5 thou.
 */
describe('rings filed until they are done', () => {
  it.each([
    ['measured', 0.005, 0.005],
    // an oval that nobody sees: more are filed too far, and more are called done that are short
    ['one direction', 0.015, 0.015],
    ['part measured', 0.005, 0.005],
    ['straight', 0.005, 0.005],
    ['worn', 0.005, 0.01],
  ] as const)('in bores that are %s', (known, wrong, tooFar) => {
    const filed = filedRings(known, FILED, 11);
    expect(filed.shortJudged).toBeGreaterThan(FILED);
    expect(filed.shortCalledDone / filed.shortJudged).toBeLessThanOrEqual(wrong);
    expect(filed.unfinished).toBeLessThanOrEqual(Math.ceil(FILED / 1_000));
    expect(filed.done).toBeGreaterThanOrEqual((1 - tooFar) * FILED - filed.unfinished);
    expect(filed.over / FILED).toBeLessThan(tooFar);
    expect(filed.askedRightly / filed.asked).toBeGreaterThan(0.9);
  });
});
