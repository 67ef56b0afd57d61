import fc from 'fast-check';
import { runs } from '@/fixtures/runs';
import { describe, expect, it } from 'vitest';
import { fromInches, fromThou } from '../../foundation/quantity/length';
import { type PlacingAim, type PlacingAsk, type PlacingStanding, placingStanding } from './placement';
import { bestPlacement } from './bestPlacement';

const bore = (cylinder: string, inches: number, change: object = {}) => ({
  cylinder,
  smallest: fromInches(inches),
  own: 0,
  least: fromThou(22),
  aimFrom: fromThou(22),
  aimTo: fromThou(25),
  most: fromThou(27),
  mostHard: false,
  grace: 0,
  half: 0,
  ...change,
});
/** A ring whose gap is known without doubt in the cylinder it is in. */
const ring = (number: string, thou: number, change: object = {}) => ({
  ring: number,
  cylinder: number,
  value: fromThou(thou),
  low: fromThou(thou),
  high: fromThou(thou),
  standard: 0,
  freedom: Infinity,
  passed: false,
  ...change,
});
const sure = 0.95;
const own = (n: number) => Array.from({ length: n }, (_, i) => ({ cylinder: `${i + 1}`, ring: `${i + 1}` }));

/** All permutations of 0 … n − 1. */
const permutations = (n: number): number[][] =>
  n === 0
    ? [[]]
    : permutations(n - 1).flatMap((p) => Array.from({ length: n }, (_, i) => [...p.slice(0, i), n - 1, ...p.slice(i)]));

/** What a placing is compared by, in the order of its aims, in whole tenths of a micrometre. */
function rank(ask: PlacingAsk, { placed, over }: PlacingStanding): number[] {
  const tenths = (nm: number): number => Math.round(Math.min(2_000_000, Math.max(0, nm)) / 100);
  const amount = placed.reduce((sum, p) => {
    const limit = ask.bores.find((b) => b.cylinder === p.cylinder)?.most ?? null;
    return sum + (limit !== null && p.gap > limit ? tenths(p.gap - limit) : 0);
  }, 0);
  const filed = placed.map((p) => Math.round((p.gap + p.file) / 100));
  const filing = placed.reduce((sum, p) => sum + tenths(p.file), 0);
  const moved = placed.filter((p) => !ask.now.some((n) => n.cylinder === p.cylinder && n.ring === p.ring)).length;
  return ask.aim === 'filing'
    ? [over, amount, filing, moved]
    : [over, amount, Math.max(...filed) - Math.min(...filed), filing, moved];
}

const less = (a: number[], b: number[]): boolean => {
  const i = a.findIndex((v, k) => v !== b[k]);
  return i >= 0 && (a[i] ?? 0) < (b[i] ?? 0);
};

function bestByBruteForce(ask: PlacingAsk): number[] | null {
  let best: number[] | null = null;
  for (const order of permutations(ask.bores.length)) {
    const pairs = ask.bores.map((b, i) => ({ cylinder: b.cylinder, ring: ask.rings[order[i] ?? 0]?.ring ?? '' }));
    if (
      pairs.some(
        (p) => ask.locked.includes(p.cylinder) && !ask.now.some((n) => n.cylinder === p.cylinder && n.ring === p.ring),
      )
    )
      continue;
    const found = rank(ask, placingStanding(ask, pairs));
    if (!best || less(found, best)) best = found;
  }
  return best;
}

const askOf = (n: number, aim: PlacingAim): fc.Arbitrary<PlacingAsk> =>
  fc.record({
    bores: fc
      .tuple(
        ...Array.from({ length: n }, (_, i) =>
          fc.integer({ min: -15, max: 15 }).map((tenths) => bore(`${i + 1}`, 4 + tenths / 10_000)),
        ),
      )
      .map((list) => [...list]),
    rings: fc
      .tuple(
        ...Array.from({ length: n }, (_, i) => fc.integer({ min: 14, max: 30 }).map((thou) => ring(`${i + 1}`, thou))),
      )
      .map((list) => [...list]),
    now: fc.constant(own(n)),
    locked: fc.subarray(own(n).map((p) => p.cylinder)).map((list) => list.slice(0, 2)),
    aim: fc.constant(aim),
    sure: fc.constant(sure),
  });

describe('placing rings', () => {
  it('an over-gapped ring goes into the smaller bore, a tight one into the larger', () => {
    const ask: PlacingAsk = {
      bores: [bore('1', 4.001), bore('2', 4)],
      rings: [ring('1', 28), ring('2', 21)],
      now: own(2),
      locked: [],
      aim: 'filing',
      sure,
    };
    const found = bestPlacement(ask);
    if (found.kind !== 'found') throw new Error(found.why);
    expect([found.before.over, found.after.over, found.after.filing]).toEqual([1, 0, 0]);
    expect(found.moves).toMatchObject([
      { ring: '2', from: '2', to: '1', state: 'in window' },
      { ring: '1', from: '1', to: '2', state: 'in window' },
    ]);
    expect(found.moves[1]?.becomes).toBe(fromThou(28) - Math.round(Math.PI * fromThou(1)));
  });

  it('leaves them where they are when nothing is better, and a lock holds', () => {
    const rings = [ring('1', 23), ring('2', 23)];
    const even = bestPlacement({
      bores: [bore('1', 4), bore('2', 4)],
      rings,
      now: own(2),
      locked: [],
      aim: 'even',
      sure,
    });
    expect(even).toMatchObject({ kind: 'found', moves: [] });
    const locked = bestPlacement({
      bores: [bore('1', 4.001), bore('2', 4)],
      rings: [ring('1', 28), ring('2', 21)],
      now: own(2),
      locked: ['1'],
      aim: 'filing',
      sure,
    });
    expect(locked).toMatchObject({ kind: 'found', moves: [] });
  });

  it('moves nothing that the readings cannot tell apart: 0.06 thou, each known to 0.3', () => {
    const known = { standard: fromThou(0.15), low: fromThou(21.4), high: fromThou(21.4), value: fromThou(21.4) };
    const ask: PlacingAsk = {
      bores: [bore('1', 4, { own: fromThou(0.03) }), bore('2', 4.0003, { own: fromThou(0.03) })],
      rings: [
        ring('1', 21.4, known),
        ring('2', 22.9, { ...known, low: fromThou(22.9), high: fromThou(22.9), value: fromThou(22.9) }),
      ],
      now: own(2),
      locked: [],
      aim: 'filing',
      sure,
    };
    expect(bestPlacement(ask)).toMatchObject({ kind: 'found', moves: [] });
    const sharp = ask.rings.map((r) => ({ ...r, standard: 0 }));
    const found = bestPlacement({ ...ask, bores: [bore('1', 4), bore('2', 4.0003)], rings: sharp });
    expect(found.kind === 'found' && found.moves.length).toBe(2);
  });

  it('stands where the bench has it: the same figure, and the same verdict by the same chance', () => {
    const doubtful = { low: fromThou(20.7), high: fromThou(21.7), value: fromThou(21.2), standard: fromThou(0.18) };
    const { placed } = placingStanding(
      { bores: [bore('1', 4, { grace: fromThou(0.5), half: fromThou(0.5) })], rings: [ring('1', 21, doubtful)], sure },
      own(1),
    );
    expect(placed).toMatchObject([{ gap: fromThou(21.2), state: 'not proven', file: 0 }]);
  });

  it('says why there is nothing to place', () => {
    expect(
      bestPlacement({ bores: [bore('1', 4)], rings: [ring('1', 22)], now: own(1), locked: [], aim: 'filing', sure }),
    ).toMatchObject({ kind: 'impossible', why: expect.stringMatching(/nothing to swap/) as string });
    expect(
      bestPlacement({
        bores: [bore('1', 4), bore('2', 4)],
        rings: [ring('1', 22), ring('1', 22)],
        now: own(2),
        locked: [],
        aim: 'even',
        sure,
      }),
    ).toMatchObject({ kind: 'impossible' });
  });

  // identity: no permutation is better
  it.each(['filing', 'even'] as const)('%s: as good as the best of all permutations, with locks', (aim) => {
    fc.assert(
      fc.property(
        fc.integer({ min: 2, max: 6 }).chain((n) => askOf(n, aim)),
        (ask) => {
          const found = bestPlacement(ask);
          if (found.kind !== 'found') throw new Error(found.why);
          // moves that would gain no more than rounding are not made
          const [got, best] = [rank(ask, found.after), bestByBruteForce(ask) ?? []];
          const rounding = ask.bores.length;
          const first = got.findIndex((figure, i) => figure !== best[i]);
          if (first >= 0 && first < got.length - 1) {
            // what comes after the first difference is of another placing
            const apart = Math.abs((got[first] ?? 0) - (best[first] ?? 0));
            expect(apart).toBeLessThanOrEqual(first === 0 ? 0 : rounding);
          }
          if (got.slice(0, -1).every((figure, i) => figure === best[i])) expect(got.at(-1)).toBe(best.at(-1));
        },
      ),
      { numRuns: runs(200) },
    );
  });
});
