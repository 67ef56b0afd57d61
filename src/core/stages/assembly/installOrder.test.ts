import fc from 'fast-check';
import { runs } from '@/fixtures/runs';
import { describe, expect, it } from 'vitest';
import { rodsOf, STARTING_RODS } from '../../foundation/engine/crankcase';
import { type Engine, cylindersOf } from '../../foundation/engine/engine';
import { type OrderAsk, type ToFit, type Turning, installOrder, turningOf } from './installOrder';
import { bottomsOf, usualThrows } from './throws';

const V8: Engine = {
  layout: 'vee',
  cylinders: 8,
  bankAngle: 90,
  rotation: 'clockwise',
  numbering: { scheme: 'alternate', start: 'front', firstBank: 'left' },
};
const inline = (cylinders: number): Engine => ({
  layout: 'inline',
  cylinders,
  bankAngle: 0,
  rotation: 'clockwise',
  numbering: { scheme: 'sequence', start: 'front', firstBank: 'left' },
});

const bottoms = (engine: Engine): Map<string, number> => {
  const cylinders = cylindersOf(engine);
  const found = bottomsOf(engine, cylinders, rodsOf(cylinders, engine, STARTING_RODS), null);
  if (!found) throw new Error('its throws are usual');
  return new Map(cylinders.map((c) => [c.label, found.get(c.id) ?? NaN]));
};

/** Labels in the order that they come to the top in, at angles of one turn. */
const firing = (engine: Engine, order: string): number[] => {
  const at = bottoms(engine);
  return order.split('-').map((label) => ((at.get(label) ?? NaN) + 180) % 360);
};

describe('where throws stand', () => {
  it.each([
    // firing orders from memory, each 720° shared out evenly: angles of one turn follow in that step
    ['an in-line four, 1-3-4-2', inline(4), '1-3-4-2', 180],
    ['an in-line three, 1-2-3', inline(3), '1-2-3', 240],
    ['an in-line five, 1-2-4-5-3', inline(5), '1-2-4-5-3', 144],
    ['an in-line six, 1-5-3-6-2-4', inline(6), '1-5-3-6-2-4', 120],
    ['a 90° V8, 1-8-4-3-6-5-7-2', V8, '1-8-4-3-6-5-7-2', 90],
  ])('%s fires evenly', (_, engine, order, step) => {
    const angles = firing(engine, order);
    angles.forEach((angle, i) => {
      const next = angles[(i + 1) % angles.length] ?? NaN;
      expect((next - angle + 720) % 360).toBeCloseTo(step % 360, 9);
    });
  });

  it('opposite pistons of a flat four come to the bottom together, and a crank that runs the other way at the mirrored angle', () => {
    const flat: Engine = { ...V8, layout: 'flat', cylinders: 4, bankAngle: 180 };
    const at = bottoms(flat);
    expect(at.get('1')).toBeCloseTo(at.get('2') ?? NaN, 9);
    expect(at.get('3')).toBeCloseTo(at.get('4') ?? NaN, 9);
    const back = bottoms({ ...V8, rotation: 'anticlockwise' });
    for (const [label, angle] of bottoms(V8)) expect(back.get(label)).toBeCloseTo((360 - angle) % 360, 9);
  });

  it('throws that do not fit the engine give nothing, and so does an engine of which none are usual', () => {
    const cylinders = cylindersOf(V8);
    const rods = rodsOf(cylinders, V8, STARTING_RODS);
    expect(bottomsOf(V8, cylinders, rods, [0, 90])).toBeNull();
    expect(bottomsOf(V8, cylinders, rods, [0, 180, 0, 180])?.get('L2')).toBe(45);
    expect(usualThrows({ layout: 'vee' }, 8)).toBeNull();
  });
});

const toFit = (engine: Engine): ToFit[] => {
  const cylinders = cylindersOf(engine);
  const rods = rodsOf(cylinders, engine, STARTING_RODS);
  const at = bottomsOf(engine, cylinders, rods, null);
  return cylinders.map((c) => ({
    id: c.label,
    bottom: at?.get(c.id) ?? NaN,
    bank: c.bank,
    mate: cylinders.find((o) => o.id === rods.get(c.id)?.besides)?.label ?? null,
  }));
};
const ask = (cylinders: readonly ToFit[], more: Partial<OrderAsk> = {}): OrderAsk => ({
  cylinders,
  from: null,
  saves: 'stand',
  bothWays: false,
  ...more,
});

/** Every order in which mates follow each other. */
function* orders(rest: readonly ToFit[], last: ToFit | null = null): Generator<ToFit[]> {
  if (rest.length === 0) {
    yield [];
    return;
  }
  const mate = last && rest.find((c) => c.id === last.mate);
  const nexts: readonly ToFit[] = mate ? [mate] : rest;
  for (const next of nexts)
    for (const more of orders(
      rest.filter((c) => c !== next),
      next,
    ))
      yield [next, ...more];
}

const isLess = (a: { crank: number; stand: number }, b: { crank: number; stand: number }, saves: string): boolean =>
  saves === 'stand'
    ? a.stand < b.stand || (a.stand === b.stand && a.crank < b.crank - 1e-9)
    : a.crank < b.crank - 1e-9 || (Math.abs(a.crank - b.crank) < 1e-9 && a.stand < b.stand);

describe('the order', () => {
  it('of an in-line four: the two that stand at the bottom together, half a turn in all', () => {
    const found = installOrder(ask(toFit(inline(4))));
    expect(found.steps.map((s) => s.id)).toEqual(['1', '4', '2', '3']);
    expect(found).toMatchObject({ crank: 180, stand: 0, plain: { crank: 360, stand: 0 } });
    expect(found.steps.map((s) => s.by)).toEqual([0, 0, 180, 0]);
  });

  it('of a V8 with mates in turn: fewer turns than by its numbers; bank by bank without mates, one turn of the stand', () => {
    const mated = installOrder(ask(toFit(V8)));
    expect(isLess(mated, mated.plain, 'stand')).toBe(true);
    const apart = installOrder(ask(toFit(V8).map((c) => ({ ...c, mate: null }))));
    expect(apart.stand).toBe(1);
    expect(new Set(apart.steps.slice(0, 4).map((s) => Number(s.id) % 2)).size).toBe(1);
  });

  it('goes on from where the crank stands, with the bank that is up', () => {
    const two: ToFit[] = [
      { id: 'a', bottom: 10, bank: 'left', mate: null },
      { id: 'b', bottom: 100, bank: 'right', mate: null },
    ];
    expect(installOrder(ask(two, { from: { angle: 90, bank: 'right', mate: null } })).steps).toEqual([
      { id: 'b', by: 10, turnsStand: false },
      { id: 'a', by: 270, turnsStand: true },
    ]);
    expect(
      installOrder(ask(two, { from: { angle: 90, bank: 'right', mate: null }, bothWays: true })).steps[1]?.by,
    ).toBe(-90);
    // the shorter way is ahead while that is no more than half a turn
    for (const [to, by] of [
      [170, 170],
      [180, 180],
      [190, -170],
    ] as const) {
      const one: ToFit[] = [{ id: 'a', bottom: to, bank: 'left', mate: null }];
      const from = { angle: 0, bank: 'left', mate: null };
      expect(installOrder(ask(one, { from, bothWays: true })).steps[0]?.by).toBe(by);
    }
  });

  const someAsk = fc
    .record({
      engine: fc.integer({ min: 1, max: 8 }),
      spots: fc.array(fc.tuple(fc.integer({ min: 0, max: 23 }), fc.constantFrom('left', 'right')), {
        minLength: 8,
        maxLength: 8,
      }),
      pairs: fc.integer({ min: 0, max: 4 }),
      from: fc.option(
        fc.record({
          angle: fc.integer({ min: 0, max: 359 }),
          bank: fc.constantFrom('left', 'right'),
          mate: fc.constantFrom(null, '0', '3'),
        }),
      ),
      saves: fc.constantFrom('stand' as const, 'crank' as const),
      bothWays: fc.boolean(),
    })
    .map(({ engine, spots, pairs, ...rest }): OrderAsk => ({
      ...rest,
      cylinders: spots.slice(0, engine).map(([at, bank], i) => {
        const mate = i ^ 1;
        return {
          id: String(i),
          bottom: at * 15,
          bank,
          mate: i < 2 * pairs && mate < engine ? String(mate) : null,
        };
      }),
    }));

  it('is never beaten by any order, tried one by one up to six, and there are no others that keep mates together', () => {
    fc.assert(
      fc.property(
        someAsk.filter((a) => a.cylinders.length <= 6),
        (given) => {
          const found = installOrder(given);
          expect(found.steps.map((s) => s.id).sort()).toEqual(given.cylinders.map((c) => c.id).sort());
          for (const order of orders(given.cylinders, due(given)))
            expect(isLess(turningOf(order, given), found, given.saves)).toBe(false);
          const inOrder = found.steps.map((s) => given.cylinders.find((c) => c.id === s.id));
          inOrder.forEach((c, i) => {
            if (c?.mate != null) expect([inOrder[i - 1]?.id, inOrder[i + 1]?.id]).toContain(c.mate);
          });
        },
      ),
      { numRuns: runs(150) },
    );
  });

  it('of eight, tried one by one: 20 of them', () => {
    fc.assert(
      fc.property(
        someAsk.filter((a) => a.cylinders.length === 8),
        (given) => {
          const found = installOrder(given);
          let best: Turning = { crank: Infinity, stand: Infinity };
          for (const order of orders(given.cylinders, due(given))) {
            const turning = turningOf(order, given);
            if (isLess(turning, best, given.saves)) best = turning;
          }
          expect(isLess(best, found, given.saves)).toBe(false);
          expect(isLess(found.plain, found, given.saves)).toBe(false);
          expect(found.crank).toBeCloseTo(
            found.steps.reduce((sum, s) => sum + Math.abs(s.by), 0),
            6,
          );
        },
      ),
      { numRuns: runs(20) },
    );
  });

  it('of sixteen is found, and more are refused', () => {
    const V16: ToFit[] = Array.from({ length: 16 }, (_, i) => ({
      id: String(i),
      bottom: (i * 135) % 360,
      bank: i % 2 ? 'left' : 'right',
      mate: null,
    }));
    const found = installOrder(ask(V16));
    expect(found.stand).toBe(1);
    expect(found.crank).toBeLessThanOrEqual(2 * 360);
    expect(() => installOrder(ask([...V16, { id: 'x', bottom: 0, bank: 'left', mate: null }]))).toThrow(RangeError);
  });
});

/** One that stands in already, whose mate is to follow. */
const due = ({ from }: OrderAsk): ToFit | null =>
  from && { id: 'in', bottom: from.angle, bank: from.bank, mate: from.mate };
