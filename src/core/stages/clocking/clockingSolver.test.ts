import fc from 'fast-check';
import { runs } from '@/fixtures/runs';
import { describe, expect, it } from 'vitest';
import { apart, mirrored, turned } from '../../foundation/quantity/angle';
import { fromInches } from '../../foundation/quantity/length';
import { COUNTED_PAIRS, exhaustive, reachedRow } from '@/fixtures/clocking';
import { JOINTS, mapJoints } from '../../foundation/parts/joints';
import { STARTING_RULES, checkJoints } from './rules';
import { STARTING_SETTINGS, jointsOf } from './schools';
import { type SolveAsk, solve, solveAskOf } from './clockingSolver';
import { STARTING_FACTS, isInside, surroundingsOf } from './surroundings';

const STEP = 30;
const PLACES = Array.from({ length: 360 / STEP }, (_, i) => i * STEP);

const degrees = fc.integer({ min: 0, max: 359 });
const onGrid = fc.constantFrom(...PLACES);
const rule = fc.constantFrom('pinEnds', 'majorThrust', 'pockets', 'ownSectors') as fc.Arbitrary<'pinEnds'>;
const askArbitrary: fc.Arbitrary<SolveAsk> = fc.record({
  forbidden: fc.array(
    fc.record({
      rule,
      words: fc.constant('x'),
      joints: fc.subarray([...JOINTS], { minLength: 1 }),
      sector: fc
        .tuple(degrees, fc.integer({ min: 10, max: 150 }))
        .map(([from, span]) => ({ from, to: turned(from + span) })),
    }),
    { maxLength: 3 },
  ),
  least: fc.array(
    fc.record({
      rule: fc.constant('topToSecond' as const),
      pair: fc.constantFrom(...COUNTED_PAIRS),
      degrees: fc.integer({ min: 0, max: 170 }),
    }),
    { maxLength: 3 },
  ),
  held: fc.subarray([...JOINTS], { maxLength: 3 }),
  now: fc.record({ top: onGrid, second: onGrid, upperRail: onGrid, expander: onGrid, lowerRail: onGrid }),
  step: fc.constant(STEP),
});

/** Degrees: the bench places to one. */
const FINE = 4;

describe('placing joints', () => {
  it('agrees with exhaustive search on a coarse grid, level by level, and on what cannot be met', () => {
    fc.assert(
      fc.property(askArbitrary, (ask) => {
        const [found, best] = [solve(ask), exhaustive(ask)];
        expect(found.ok).toBe(best !== null);
        if (!found.ok || !best) return;
        expect(reachedRow(found.reached)).toEqual(best.map((s) => s + 0));
      }),
      { numRuns: runs(25) },
    );
  });

  it('finds every order round the crown: each joint let into one place alone, whichever that is', () => {
    const permutations = <T>(list: readonly T[]): T[][] =>
      list.length === 0
        ? [[]]
        : list.flatMap((item, i) =>
            permutations([...list.slice(0, i), ...list.slice(i + 1)]).map((rest) => [item, ...rest]),
          );
    const now = { top: 0, second: 0, upperRail: 0, expander: 0, lowerRail: 0 };
    for (const order of permutations(JOINTS)) {
      const forbidden = order.map((joint, i) => ({
        rule: 'ownSectors' as const,
        words: 'elsewhere',
        joints: [joint],
        sector: { from: turned(i * 72 + 3), to: turned(i * 72 + 2) },
      }));
      const found = solve({ forbidden, least: [], held: [], now, step: 2 });
      expect(found.ok && order.map((joint) => found.joints[joint])).toEqual(
        [2, 74, 146, 218, 290].map((d): unknown => expect.toSatisfy((at: number) => apart(at, d) <= 1)),
      );
    }
  });

  it('what it finds breaks none of the rules it was given, and moves no held joint', () => {
    fc.assert(
      fc.property(askArbitrary, (asked) => {
        const ask = { ...asked, step: FINE };
        const found = solve(ask);
        if (!found.ok) return;
        for (const { pair, degrees: least } of ask.least)
          expect(apart(found.joints[pair[0]], found.joints[pair[1]])).toBeGreaterThanOrEqual(least - 1e-6);
        for (const { joints, sector } of ask.forbidden)
          for (const joint of joints) expect(isInside(found.joints[joint], sector)).toBe(false);
        for (const joint of ask.held) expect(apart(found.joints[joint], ask.now[joint])).toBeLessThan(1e-9);
        for (const joint of JOINTS) if (!ask.held.includes(joint)) expect(found.joints[joint] % FINE).toBe(0);
      }),
      { numRuns: runs(40) },
    );
  });

  it('reaches as much for the mirror image of an ask, and for an ask turned by whole steps (identity)', () => {
    fc.assert(
      fc.property(askArbitrary, fc.nat(360 / FINE - 1), (asked, steps) => {
        const ask = { ...asked, step: FINE };
        const turn = steps * FINE;
        const image: SolveAsk = {
          ...ask,
          now: mapJoints(ask.now, mirrored),
          forbidden: ask.forbidden.map((f) => ({
            ...f,
            sector: { from: mirrored(f.sector.to), to: mirrored(f.sector.from) },
          })),
        };
        const rotated: SolveAsk = {
          ...ask,
          now: mapJoints(ask.now, (d) => turned(d + turn)),
          forbidden: ask.forbidden.map((f) => ({
            ...f,
            sector: { from: turned(f.sector.from + turn), to: turned(f.sector.to + turn) },
          })),
        };
        const reached = (a: SolveAsk) => {
          const found = solve(a);
          return found.ok ? found.reached : found.conflict.map((c) => c.words);
        };
        expect(reached(image)).toEqual(reached(ask));
        expect(reached(rotated)).toEqual(reached(ask));
      }),
      { numRuns: runs(15) },
    );
  });

  it('a conflict cannot be met, and can once any one of its rules is given up', () => {
    const round = surroundingsOf(
      { id: 'R1', bank: 'right' },
      fromInches(4),
      { bankAngle: 90, rotation: 'clockwise' },
      STARTING_FACTS,
    );
    const now = { top: 4, second: 100, upperRail: 135, expander: 225, lowerRail: 315 };
    const ask = solveAskOf(now, STARTING_RULES, round, ['top', 'second']);
    const found = solve(ask);
    expect(found).toMatchObject({ ok: false });
    if (found.ok) return;
    expect(found.conflict.length).toBeGreaterThan(0);
    const only = (skip: number): SolveAsk => {
      const kept = found.conflict.filter((_, i) => i !== skip);
      return {
        ...ask,
        held: ask.held.filter((j) => kept.some((c) => c.held === j)),
        least: ask.least.filter((l) => kept.some((c) => c.rule === l.rule)),
        forbidden: ask.forbidden.filter((f) => kept.some((c) => c.rule === f.rule)),
      };
    };
    expect(solve(only(-1)).ok).toBe(false);
    found.conflict.forEach((_, i) => expect(solve(only(i)).ok).toBe(true));
  });

  it('under the rules it starts with it finds the diagonals, where they are the plan already', () => {
    const round = surroundingsOf(
      { id: 'R1', bank: 'right' },
      fromInches(4),
      { bankAngle: 90, rotation: 'clockwise' },
      STARTING_FACTS,
    );
    const now = jointsOf(
      { school: 'diagonals', mirrorLeft: true, settings: STARTING_SETTINGS, sheet: null },
      { bank: 'right', bore: fromInches(4), high: 270 },
    );
    if (typeof now === 'string') throw new Error(now);
    const found = solve(solveAskOf(now, STARTING_RULES, round, []));
    expect(found).toMatchObject({
      ok: true,
      joints: now,
      reached: { nearest: 90, topToSecond: 180, oil: 90, between: 90, turn: 0 },
    });
    expect(checkJoints(now, STARTING_RULES, round).every((r) => r.verdict === 'pass')).toBe(true);
  });
});
