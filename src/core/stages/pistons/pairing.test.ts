import fc from 'fast-check';
import { runs } from '@/fixtures/runs';
import solver from 'javascript-lp-solver';
import munkres from 'munkres-js';
import { describe, expect, it } from 'vitest';
import { fromInches, fromThou } from '../../foundation/quantity/length';
import { type Costs, leastSum, leastWorst } from '../../foundation/quantity/assignment';
import { type PairingAsk, standingOf } from './standing';
import { pairingOf, roundsOf } from './pairing';

function* permutations(n: number): Generator<number[]> {
  const order = Array.from({ length: n }, (_, i) => i);
  const swap = (a: number, b: number): void => void ([order[a], order[b]] = [order[b] ?? 0, order[a] ?? 0]);
  function* from(k: number): Generator<number[]> {
    if (k === n) yield [...order];
    for (let i = k; i < n; i += 1) {
      swap(k, i);
      yield* from(k + 1);
      swap(k, i);
    }
  }
  yield* from(0);
}

const costOf = (costs: Costs, columns: number[]): number[] | null => {
  const picked = columns.map((column, row) => costs[row]?.[column] ?? null);
  return picked.includes(null) ? null : (picked as number[]);
};
const sum = (values: number[]): number => values.reduce((a, b) => a + b, 0);

function brute(costs: Costs): { sum: number | null; worst: number | null } {
  const all = [...permutations(costs.length)].flatMap((p) => {
    const picked = costOf(costs, p);
    return picked ? [picked] : [];
  });
  if (all.length === 0) return { sum: null, worst: null };
  return { sum: Math.min(...all.map(sum)), worst: Math.min(...all.map((p) => Math.max(...p))) };
}

/** Square matrices; few levels make ties, nulls make forbidden pairs and cases that cannot be done. */
const matrices = (n: { min: number; max: number }, forbidden: number): fc.Arbitrary<Costs> =>
  fc.integer(n).chain((size) =>
    fc.oneof(fc.constant(6), fc.constant(200_000)).chain((most) => {
      const cell = fc.oneof(
        { weight: 100 - forbidden, arbitrary: fc.integer({ min: 0, max: most }) },
        { weight: forbidden, arbitrary: fc.constant(null) },
      );
      return fc.array(fc.array(cell, { minLength: size, maxLength: size }), { minLength: size, maxLength: size });
    }),
  );

interface Answer {
  feasible: boolean;
  result: number;
}

/** The assignment as a linear program: its optimum is whole (Birkhoff), so no integers need be asked for. */
function linearProgram(costs: Costs): Answer {
  const variables: Record<string, Record<string, number>> = {};
  const constraints: Record<string, { equal: number }> = {};
  costs.forEach((row, i) => {
    constraints[`r${i}`] = { equal: 1 };
    constraints[`c${i}`] = { equal: 1 };
    row.forEach((cost, j) => {
      if (cost !== null) variables[`x${i}_${j}`] = { cost, [`r${i}`]: 1, [`c${j}`]: 1 };
    });
  });
  return solver.Solve({ optimize: 'cost', opType: 'min', constraints, variables }) as unknown as Answer; // oxlint-disable-line typescript/no-unnecessary-type-assertion -- its types are none
}

describe('exact assignment', () => {
  it('agrees with brute force over all permutations, ties and forbidden pairs among them (identity)', () => {
    fc.assert(
      fc.property(matrices({ min: 1, max: 6 }, 25), (costs) => {
        const expected = brute(costs);
        const found = leastSum(costs);
        expect(found === null ? null : sum(costOf(costs, found) ?? [NaN])).toBe(expected.sum);
        expect(leastWorst(costs)).toBe(expected.worst);
      }),
      { numRuns: runs(400) },
    );
  });

  it('agrees with a Hungarian-method package up to 16 × 16 (reference library: munkres-js)', () => {
    fc.assert(
      fc.property(matrices({ min: 2, max: 16 }, 0), (costs) => {
        const reference = munkres(costs.map((row) => row.map((c) => c ?? 0))).map(
          ([i, j]: [number, number]) => costs[i]?.[j] ?? NaN,
        );
        expect(sum(costOf(costs, leastSum(costs) ?? []) ?? [NaN])).toBe(sum(reference));
      }),
      { numRuns: runs(200) },
    );
  });

  it('agrees with linear programming, infeasible cases too (reference library: javascript-lp-solver)', () => {
    fc.assert(
      fc.property(matrices({ min: 2, max: 8 }, 40), (costs) => {
        const reference = linearProgram(costs);
        const found = leastSum(costs);
        expect(found !== null).toBe(reference.feasible);
        if (found) expect(sum(costOf(costs, found) ?? [NaN])).toBeCloseTo(reference.result, 3);
      }),
      { numRuns: runs(200) },
    );
  });
});

const ask = (bores: number[], pistons: number[], change: Partial<PairingAsk> = {}): PairingAsk => ({
  bores: bores.map((bore, i) => ({ cylinder: `c${i}`, bore, wanted: fromThou(4), least: fromThou(3) })),
  pistons: pistons.map((size, i) => ({ piston: `p${i}`, size, own: { standard: 0, freedom: Infinity } })),
  now: bores.map((_, i) => ({ cylinder: `c${i}`, piston: `p${i}` })),
  locked: [],
  marked: [],
  gain: fromThou(0.1),
  neverTight: false,
  ...change,
});
const inches = (...figures: number[]): number[] => figures.map(fromInches);

describe('pairing', () => {
  it('puts the largest piston in the largest bore (common practice, no source)', () => {
    const found = pairingOf(ask(inches(4.0006, 4.0002, 4.0004), inches(3.9962, 3.9966, 3.9964)));
    expect(found).toMatchObject({
      kind: 'found',
      before: { worst: fromThou(0.4) },
      after: { worst: 0 },
      rounds: [['c0', 'c1']],
    });
  });

  const cases = fc.integer({ min: 2, max: 6 }).chain((n) =>
    fc.record({
      bores: fc.array(fc.integer({ min: 0, max: 12 }), { minLength: n, maxLength: n }),
      pistons: fc.array(fc.integer({ min: 0, max: 12 }), { minLength: n, maxLength: n }),
      wanted: fc.array(fc.integer({ min: 38, max: 42 }), { minLength: n, maxLength: n }),
      locked: fc.uniqueArray(fc.integer({ min: 0, max: n - 1 }), { maxLength: n - 1 }),
      marked: fc.uniqueArray(fc.integer({ min: 0, max: n - 1 }), { maxLength: n - 1 }),
      gain: fc.integer({ min: 1, max: 3 }),
      neverTight: fc.boolean(),
      order: fc.shuffledSubarray(
        Array.from({ length: n }, (_, i) => i),
        { minLength: n },
      ),
    }),
  );

  it('is the best of all permutations that the locks and marks allow: worst, then squares, then fewest moved (identity)', () => {
    fc.assert(
      fc.property(cases, ({ bores, pistons, wanted, locked, marked, gain, neverTight, order }) => {
        const tenth = 2_540;
        const asked: PairingAsk = {
          ...ask(
            bores.map((b) => fromInches(4) + b * tenth),
            pistons.map((p) => fromInches(3.996) + p * tenth),
          ),
          now: order.map((p, c) => ({ cylinder: `c${c}`, piston: `p${p}` })),
          locked: locked.map((c) => `c${c}`),
          marked: marked.map((p) => `p${p}`),
          gain: gain * tenth,
          neverTight,
        };
        asked.bores.forEach((b, i) => {
          b.wanted = (wanted[i] ?? 40) * tenth;
          b.least = 36 * tenth;
        });
        const rate = (columns: number[], held: Set<number>): [number, number, number] | null => {
          let [worst, squares, moved] = [0, 0, 0];
          for (const [c, p] of columns.entries()) {
            const stays = locked.includes(c) || held.has(order[c] ?? -1);
            const own = order[c] === p;
            if (stays && !own) return null;
            const clearance = (asked.bores[c]?.bore ?? 0) - (asked.pistons[p]?.size ?? 0);
            if (neverTight && clearance < 36 * tenth && !locked.includes(c)) return null;
            const off = Math.abs(clearance - (asked.bores[c]?.wanted ?? 0));
            worst = Math.max(worst, off);
            squares += off * off;
            moved += own ? 0 : 1;
          }
          return [worst, squares, moved];
        };
        const optimum = (held: Set<number>): [number, number, number] | null =>
          [...permutations(bores.length)].reduce<[number, number, number] | null>((least, p) => {
            const rated = rate(p, held);
            if (!rated || (least && (rated[0] - least[0] || rated[1] - least[1] || rated[2] - least[2]) >= 0))
              return least;
            return rated;
          }, null);
        const [free, kept] = [optimum(new Set()), optimum(new Set(marked))];
        const expected = kept && free && kept[0] - free[0] < gain * tenth ? kept : free;
        const found = pairingOf(asked);
        if (!expected) {
          expect(found.kind).toBe('impossible');
          return;
        }
        if (found.kind !== 'found') throw new Error(found.why);
        const columns = asked.bores.map((b) =>
          Number(found.after.pairs.find((p) => p.cylinder === b.cylinder)?.piston.slice(1)),
        );
        expect([...columns].sort((a, b) => a - b)).toEqual(bores.map((_, i) => i));
        expect(rate(columns, new Set())).toEqual(expected);
        expect(found.after.worst).toBe(expected[0]);
      }),
      { numRuns: runs(300) },
    );
  });

  it('moves nothing that the readings cannot tell apart, unless a tight pair comes apart by it', () => {
    const known = (thou: number, change: Partial<PairingAsk> = {}): PairingAsk => {
      const asked = ask(inches(4.0001, 4), inches(3.996, 3.9961), change);
      const own = { standard: fromThou(thou), freedom: Infinity };
      return { ...asked, pistons: asked.pistons.map((p) => ({ ...p, own })) };
    };
    // 0.1 thou nearer at the worst, 0.141 together; two pistons of 0.03 each: 2 × 0.042 = 0.085, of 0.06 each: 0.17
    expect(pairingOf(known(0.03))).toMatchObject({ rounds: [['c0', 'c1']], untold: false });
    expect(pairingOf(known(0.06))).toMatchObject({ rounds: [], untold: true, after: { worst: fromThou(0.1) } });
    const tight = known(0.06, { neverTight: false });
    tight.bores.forEach((b) => (b.least = fromThou(3.95)));
    expect(pairingOf(tight)).toMatchObject({ rounds: [['c0', 'c1']], untold: false });
  });

  it('leaves out the round that cannot be told, and keeps the one that can', () => {
    const asked = ask(inches(4.0001, 4, 4.001, 4), inches(3.996, 3.9961, 3.996, 3.997));
    const own = { standard: fromThou(0.06), freedom: Infinity };
    expect(pairingOf({ ...asked, pistons: asked.pistons.map((p) => ({ ...p, own })) })).toMatchObject({
      rounds: [['c2', 'c3']],
      untold: true,
    });
  });

  it('keeps marked pistons until moving them pays, and says what it gives up', () => {
    const crossed = ask(inches(4.0003, 4), inches(3.996, 3.9963), { marked: ['p0', 'p1'], gain: fromThou(0.4) });
    expect(pairingOf(crossed)).toMatchObject({ kind: 'found', rounds: [], forgone: fromThou(0.3), movedMarked: [] });
    expect(pairingOf({ ...crossed, gain: fromThou(0.3) })).toMatchObject({
      kind: 'found',
      rounds: [['c0', 'c1']],
      forgone: null,
      movedMarked: ['p1', 'p0'],
    });
  });

  it('says when no pairing keeps the least clearance, or the ask makes no sense', () => {
    const tight = ask(inches(4, 4), inches(3.9985, 3.9985), { neverTight: true });
    expect(pairingOf(tight)).toMatchObject({
      kind: 'impossible',
      why: expect.stringMatching(/least clearance/) as string,
    });
    expect(pairingOf({ ...tight, neverTight: false })).toMatchObject({ kind: 'found' });
    expect(pairingOf({ ...tight, locked: ['c0', 'c1'] })).toMatchObject({ kind: 'found', rounds: [] });
    expect(pairingOf(ask([], []))).toMatchObject({ kind: 'impossible' });
    expect(pairingOf({ ...tight, pistons: tight.pistons.slice(1) })).toMatchObject({
      kind: 'impossible',
      why: expect.stringMatching(/2 bores and 1 pistons/) as string,
    });
    expect(pairingOf({ ...tight, now: [tight.now[0], tight.now[0]].flatMap((p) => p ?? []) })).toMatchObject({
      kind: 'impossible',
    });
  });

  it('tells the rounds in which pistons move, and how a pairing stands', () => {
    const pairs = (text: string) => [...text].map((p, i) => ({ cylinder: String(i), piston: p }));
    expect(roundsOf(pairs('abcd'), pairs('badc'))).toEqual([
      ['0', '1'],
      ['2', '3'],
    ]);
    expect(roundsOf(pairs('abc'), pairs('cab'))).toEqual([['0', '1', '2']]);
    expect(roundsOf(pairs('abc'), pairs('abc'))).toEqual([]);
    const asked = ask(inches(4, 4.0005), inches(3.996, 3.996));
    expect(standingOf(asked, asked.now)).toMatchObject({
      worst: fromThou(0.5),
      least: fromThou(4),
      most: fromThou(4.5),
      apart: fromThou(0.5),
      rms: fromThou(0.5) / Math.SQRT2,
    });
  });
});
