import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fromInches, fromMm, fromThou } from '../../foundation/quantity/length';
import { finishOrder, sizePlan } from '../pistons/oversize';
import { gradeOf, smallestClean } from './oversizeChoices';

const sold = [30, 40, 55].map(fromThou);
const worn = (over: number[]) =>
  over.map((o, i) => ({
    cylinder: `c${i}`,
    largest: fromInches(4) + fromThou(o),
    smallest: fromInches(4),
    uncertainty: fromThou(0.2),
  }));

describe('the next size', () => {
  it('clean-up of 0.035 to 0.038 with 0.030, 0.040, 0.055 sold takes 0.040 (common practice, no source)', () => {
    const plan = sizePlan(worn([32, 35, 33]), fromInches(4), { oversizes: sold, cleanUp: fromThou(3) });
    expect(plan.cylinders.map((c) => c.needed)).toEqual([35, 38, 36].map(fromThou));
    expect(plan).toMatchObject({ oversize: fromThou(40), bore: fromInches(4.04), sleeves: [] });
    expect(plan.cylinders[1]?.off).toEqual({ most: fromThou(40), least: fromThou(5) });
  });

  it('one cylinder that no oversize cleans is sleeved, and the rest take what they need', () => {
    const plan = sizePlan(worn([20, 70, 25]), fromInches(4), { oversizes: sold, cleanUp: fromThou(3) });
    expect(plan).toMatchObject({ oversize: fromThou(30), sleeves: ['c1'] });
    expect(plan.cylinders[1]).toMatchObject({ alone: null, off: null });
    expect(sizePlan(worn([70]), fromInches(4), { oversizes: sold, cleanUp: 0 })).toMatchObject({
      oversize: null,
      bore: null,
      sleeves: ['c0'],
    });
  });

  it('says where the uncertainty of the largest reading reaches past the oversize', () => {
    const plan = sizePlan(worn([36.9, 30]), fromInches(4), { oversizes: sold, cleanUp: fromThou(3) });
    expect(plan.cylinders.map((c) => c.unproven)).toEqual([true, false]);
  });

  it('is the smallest that cleans them all, whatever the list (identity)', () => {
    const lists = fc.record({
      needs: fc.array(fc.integer({ min: 0, max: 60 }), { minLength: 1, maxLength: 16 }),
      oversizes: fc.array(fc.integer({ min: 1, max: 70 }), { minLength: 1, maxLength: 8 }),
    });
    fc.assert(
      fc.property(lists, ({ needs, oversizes }) => {
        const plan = sizePlan(worn(needs), fromInches(4), { oversizes: oversizes.map(fromThou), cleanUp: 0 });
        const cleanable = needs.filter((n) => n <= Math.max(...oversizes));
        const expected = oversizes.filter((o) => cleanable.every((n) => n <= o)).sort((a, b) => a - b)[0];
        expect(plan.oversize).toBe(cleanable.length === 0 ? null : fromThou(expected ?? NaN));
        expect(plan.sleeves).toHaveLength(needs.length - cleanable.length);
      }),
    );
    expect(smallestClean(5, [])).toBeNull();
  });
});

describe('the order to bore and hone', () => {
  it('hones each bore to its piston plus the clearance, and bores short of it', () => {
    const order = finishOrder(
      'c',
      fromInches(4.0362),
      { aimFrom: fromThou(3.5), aimTo: fromThou(4.5) },
      { smallest: fromInches(4.001), largest: fromInches(4.003) },
      fromThou(2.5),
    );
    expect(order).toMatchObject({
      hone: { least: fromInches(4.0397), aim: fromInches(4.0402), most: fromInches(4.0407) },
      bore: fromInches(4.0377),
      off: fromThou(39.2),
      toBore: true,
      done: false,
      tooWide: false,
    });
  });

  it('says when the bore is too wide for the piston already, and takes a bare minimum for the aim', () => {
    expect(
      finishOrder(
        'c',
        fromInches(4),
        { aimFrom: fromThou(3), aimTo: null },
        { smallest: fromInches(4.001), largest: fromInches(4.004) },
        0,
      ),
    ).toMatchObject({ hone: { aim: fromInches(4.003) }, done: false, tooWide: true });
    expect(
      finishOrder(
        'c',
        fromInches(4),
        { aimFrom: fromThou(3), aimTo: fromThou(4) },
        { smallest: fromInches(4.0031), largest: fromInches(4.004) },
        fromThou(2.5),
      ),
    ).toMatchObject({ toBore: false, done: true, tooWide: false });
    expect(finishOrder('c', fromInches(4), { aimFrom: fromThou(3), aimTo: null }, null, 0)).toMatchObject({
      off: null,
      done: false,
      tooWide: false,
    });
  });
});

describe('grades', () => {
  const metric = { from: fromMm(73.5), step: fromMm(0.01), count: 3 };

  it.each([
    [73.5, 0, ['A'], null],
    [73.509, 0, ['A'], null],
    [73.51, 0, ['B'], null],
    [73.5105, 0.001, ['A', 'B'], null],
    [73.529, 0.002, ['C'], null],
    [73.53, 0, [], 'over'],
    [73.499, 0, [], 'under'],
  ] as const)('%s ± %s mm is %j', (mm, u, letters, outside) => {
    expect(gradeOf(fromMm(mm), fromMm(u), metric)).toEqual({ letters, outside });
  });

  it('pairs like with like at the same clearance: piston 73.47 and bore 73.51 are both B (common practice, no source)', () => {
    expect(gradeOf(fromMm(73.47), 0, { ...metric, from: fromMm(73.46) }).letters).toEqual(
      gradeOf(fromMm(73.51), 0, metric).letters,
    );
  });
});
