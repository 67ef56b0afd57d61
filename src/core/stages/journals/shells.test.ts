/** Half shells: against the worked rows, against going through everything, and against integer programming. */
import fc from 'fast-check';
import { runs } from '@/fixtures/runs';
import solver from 'javascript-lp-solver';
import { describe, expect, it } from 'vitest';
import { fromThou } from '../../foundation/quantity/length';
import {
  type Fitted,
  type ShellBounds,
  type ShellGrade,
  type ShellJournal,
  type ShellKind,
  fewestShells,
  nearestShells,
  shellsInOrder,
} from './shells';

const STANDARD: ShellGrade = { id: 'std', gives: 0 };
/** Sold as +0.001 in: each half is half a thou thinner. */
const MORE: ShellGrade = { id: '+1', gives: fromThou(0.5) };
const BOUNDS: ShellBounds = { aim: fromThou(1.8), most: fromThou(2.4), apart: fromThou(0.5), prefer: 'even' };
const journal = (id: string, thou: number, least = 1.2): ShellJournal => ({
  id,
  standard: fromThou(thou),
  least: fromThou(least),
});

describe('the pair for each journal', () => {
  it('one half of +0.001 in gives half a thou, both a thou (common practice, no source)', () => {
    const one = (standard: number) => nearestShells([journal('m', standard)], [STANDARD, MORE], BOUNDS).fitted[0];
    expect(one(1.8)).toMatchObject({ halves: ['std', 'std'], clearance: fromThou(1.8), state: 'in' });
    expect(one(1.3)).toMatchObject({ halves: ['std', '+1'], clearance: fromThou(1.8), state: 'in' });
    expect(one(0.8)).toMatchObject({ halves: ['+1', '+1'], clearance: fromThou(1.8), state: 'in' });
  });

  it('loose before tight where nothing brings it in, and the least of it', () => {
    const narrow: ShellBounds = { ...BOUNDS, aim: fromThou(1.6), most: fromThou(1.7) };
    expect(nearestShells([journal('m', 1.3, 1.5)], [STANDARD, MORE], narrow).fitted[0]).toMatchObject({
      clearance: fromThou(1.8),
      state: 'loose',
    });
    expect(nearestShells([journal('m', 0.2, 1.5)], [STANDARD, MORE], narrow)).toMatchObject({
      tight: 1,
      out: 1,
      spread: 0,
    });
  });
});

describe('all journals together', () => {
  it('no more part numbers than are needed, and then as even as can be', () => {
    const five = [1.9, 1.7, 1.1, 2.1, 1.8].map((thou, i) => journal(`m${i + 1}`, thou));
    const plan = fewestShells(five, [STANDARD, MORE, { id: '-1', gives: fromThou(-0.5) }], BOUNDS);
    // the third is tight with standard halves; with one grade more they stand within 0.3 thou, at the loose end
    expect(plan).toMatchObject({ out: 0, tight: 0, spread: fromThou(0.3) });
    expect(plan?.grades.toSorted()).toEqual(['+1', 'std']);
    expect(plan?.fitted.map((f) => Math.round(f.clearance / fromThou(0.1)))).toEqual([24, 22, 21, 21, 23]);
    expect(fewestShells([journal('m', 1.8)], [STANDARD, MORE], BOUNDS)?.grades).toEqual(['std']);
    expect(fewestShells([], [STANDARD], BOUNDS)).toBeNull();
    expect(fewestShells([journal('m', 1.8)], [], BOUNDS)).toBeNull();
  });
});

const TENTH = fromThou(0.1);
const tenths = (min: number, max: number): fc.Arbitrary<number> => fc.integer({ min, max }).map((n) => n * TENTH);
const gradesUpTo = (most: number): fc.Arbitrary<ShellGrade[]> =>
  fc
    .uniqueArray(tenths(-12, 12), { minLength: 1, maxLength: most })
    .map((all) => all.map((gives, i) => ({ id: `g${i}`, gives })));
const journalsUpTo = (most: number, prefix: string): fc.Arbitrary<ShellJournal[]> =>
  fc
    .array(fc.tuple(tenths(-5, 40), tenths(8, 15)), { minLength: 1, maxLength: most })
    .map((all) => all.map(([standard, least], i) => ({ id: `${prefix}${i}`, standard, least })));
const boundsOf: fc.Arbitrary<ShellBounds> = fc
  .tuple(tenths(15, 21), tenths(0, 6), tenths(0, 24), fc.constantFrom<ShellBounds['prefer']>('even', 'aim'))
  .map(([aim, more, apart, prefer]) => ({ aim, most: aim + more, apart, prefer }));
const kindUpTo = (journals: number, grades: number, prefix: string): fc.Arbitrary<ShellKind> =>
  fc.record({ journals: journalsUpTo(journals, prefix), grades: gradesUpTo(grades), bounds: boundsOf });

type Chosen = Pick<Fitted, 'clearance'> & { pair: number[]; least: number };

/** Every way to fit every journal, written down plainly. */
function everyWay({ journals, grades, bounds: { apart } }: ShellKind): Chosen[][] {
  return journals.reduce<Chosen[][]>(
    (ways, { standard, least }) =>
      ways.flatMap((way) =>
        grades.flatMap((a, i) =>
          grades.flatMap((b, j) =>
            j < i || Math.abs(a.gives - b.gives) > apart
              ? []
              : [[...way, { clearance: standard + a.gives + b.gives, pair: [a.gives, b.gives], least }]],
          ),
        ),
      ),
    [[]],
  );
}

/** What a way is worth: tight, out, grades, then spread and off or off and spread. Less is better, the first first. */
function worth(way: Chosen[], { aim, most, prefer }: ShellBounds): number[] {
  const inside = way.filter((c) => c.clearance >= c.least && c.clearance <= most).map((c) => c.clearance);
  const spread = inside.length === 0 ? 0 : Math.max(...inside) - Math.min(...inside);
  const off = inside.reduce((sum, c) => sum + Math.abs(c - aim), 0);
  return [
    way.filter((c) => c.clearance < c.least).length,
    way.length - inside.length,
    new Set(way.flatMap((c) => c.pair)).size,
    ...(prefer === 'even' ? [spread, off] : [off, spread]),
  ];
}

const lastTwo = ({ spread, off }: { spread: number; off: number }, { prefer }: ShellBounds): number[] =>
  prefer === 'even' ? [spread, off] : [off, spread];

const lesser = (a: number[], b: number[]): number[] => {
  const i = a.findIndex((v, k) => v !== b[k]);
  return i < 0 || (a[i] ?? 0) < (b[i] ?? 0) ? a : b;
};

describe('against going through everything', () => {
  it('all journals of a kind, in 1,200 random stocks', () => {
    fc.assert(
      fc.property(kindUpTo(3, 4, 'j'), (kind) => {
        const plan = fewestShells(kind.journals, kind.grades, kind.bounds);
        const best = everyWay(kind)
          .map((way) => worth(way, kind.bounds))
          .reduce(lesser);
        expect(plan && [plan.tight, plan.out, plan.grades.length, ...lastTwo(plan, kind.bounds)]).toEqual(best);
      }),
      { numRuns: runs(1_200) },
    );
  });

  it('mains no looser than rods, in 300 random stocks; null only where nothing can do it', () => {
    fc.assert(
      fc.property(kindUpTo(2, 3, 'm'), kindUpTo(2, 3, 'r'), (mains, asked) => {
        const rods = { ...asked, bounds: { ...asked.bounds, prefer: mains.bounds.prefer } };
        const found = shellsInOrder(mains, rods);
        const ways = everyWay(mains).flatMap((m) =>
          everyWay(rods).flatMap((r) =>
            Math.max(...m.map((c) => c.clearance)) <= Math.min(...r.map((c) => c.clearance))
              ? [worth(m, mains.bounds).map((w, i) => w + (worth(r, rods.bounds)[i] ?? 0))]
              : [],
          ),
        );
        const sum = found && [
          found.mains.tight + found.rods.tight,
          found.mains.out + found.rods.out,
          found.mains.grades.length + found.rods.grades.length,
          ...lastTwo(
            { spread: found.mains.spread + found.rods.spread, off: found.mains.off + found.rods.off },
            mains.bounds,
          ),
        ];
        expect(sum).toEqual(ways.length === 0 ? null : ways.reduce(lesser));
        if (found)
          expect(Math.max(...found.mains.fitted.map((f) => f.clearance))).toBeLessThanOrEqual(
            Math.min(...found.rods.fitted.map((f) => f.clearance)),
          );
      }),
      { numRuns: runs(300) },
    );
  });
});

describe('against integer programming (reference library: javascript-lp-solver)', () => {
  it('takes as few grades as bring all journals in, up to eight of them with eight grades', () => {
    fc.assert(
      fc.property(journalsUpTo(8, 'j'), gradesUpTo(8), boundsOf, (journals, grades, bounds) => {
        const plan = fewestShells(journals, grades, bounds);
        const variables: Record<string, Record<string, number>> = {};
        const constraints: Record<string, { min?: number; max?: number; equal?: number }> = {};
        for (const { id } of grades) variables[`y${id}`] = { grades: 1, ...{ [`c${id}`]: -100 } };
        for (const { id } of grades) constraints[`c${id}`] = { max: 0 };
        for (const { id, standard, least } of journals) {
          constraints[id] = { equal: 1 };
          grades.forEach((a, i) =>
            grades.slice(i).forEach((b) => {
              const clearance = standard + a.gives + b.gives;
              if (clearance < least || clearance > bounds.most || Math.abs(a.gives - b.gives) > bounds.apart) return;
              variables[`x${id}${a.id}${b.id}`] = { [id]: 1, [`c${a.id}`]: 1, [`c${b.id}`]: 1 };
            }),
          );
        }
        const binaries = Object.fromEntries(Object.keys(variables).map((v) => [v, 1 as const]));
        for (const v of Object.keys(variables)) {
          constraints[`u${v}`] = { max: 1 };
          Object.assign(variables[v] ?? {}, { [`u${v}`]: 1 });
        }
        const solved = solver.Solve({ optimize: 'grades', opType: 'min', constraints, variables, ints: binaries }) as {
          feasible: boolean;
          result: number;
        };
        expect(plan?.out === 0).toBe(solved.feasible);
        if (solved.feasible) expect(plan?.grades).toHaveLength(Math.round(solved.result));
      }),
      { numRuns: runs(60) },
    );
  });
});
