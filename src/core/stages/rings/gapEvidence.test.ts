import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Depth } from '../../foundation/parts/spots';
import { fromInches, fromThou, toThou } from '../../foundation/quantity/length';
import { type PlacedReading, type RingBore, countedGap } from './gapEvidence';

let made = 0;
const read = (thou: number, depth: Depth | null = 'top', change: Partial<PlacedReading> = {}): PlacedReading => {
  made += 1;
  return {
    id: `r${made}`,
    cylinder: '1',
    depth,
    value: fromThou(thou),
    upTo: null,
    open: false,
    step: fromThou(1),
    leaf: fromThou(0.2),
    cooled: 0,
    heat: 0,
    ...change,
  };
};
/** A bore of so many inches at the top, the middle and the bottom, each known to a twentieth of a thou. */
const bore = (...inches: number[]): RingBore => ({
  label: '1',
  girths: inches.map((mean, i) => ({
    depth: (['top', 'middle', 'bottom'] as const)[i] ?? 'top',
    mean: fromInches(mean),
    own: fromThou(0.04),
    freedom: Infinity,
  })),
  round: 0,
  gauge: 'gauge',
  tool: fromThou(0.1),
});
const unread: RingBore = { label: '1', girths: [], round: 0, gauge: '', tool: 0 };
const gap = (readings: PlacedReading[], ...bores: RingBore[]) =>
  countedGap({
    readings,
    home: '1',
    bores: new Map(bores.map((b, i) => [`${i + 1}`, b])),
    repeat: fromThou(1),
    notFiled: new Set(),
  });
const ends = (found: ReturnType<typeof gap>): [number, number] => [toThou(found?.low ?? 0), toThou(found?.high ?? 0)];

describe('the gap that counts, in a bore that is not measured', () => {
  it('is the narrowest of the places, and two depths tell the taper by themselves (π, common practice, no source)', () => {
    for (const readings of [
      [read(17, 'bottom'), read(21, 'top')],
      [read(21, 'top'), read(17, 'bottom')],
    ]) {
      const found = gap(readings, unread);
      expect(found).toMatchObject({ value: fromThou(17), asRead: true, depth: 'bottom', disagreement: null });
      expect(found?.taper).toMatchObject({ wide: 'top', narrow: 'bottom' });
      expect(toThou(found?.taper?.change ?? 0)).toBeCloseTo(4 / Math.PI, 3);
    }
  });

  it('readings of one place that overlap narrow each other; that meet, or lie a leaf apart, agree', () => {
    expect(ends(gap([read(21, 'top', { upTo: fromThou(24) }), read(22)], unread))).toEqual([22, 23]);
    expect(ends(gap([read(20, 'top', { open: true }), read(22)], unread))).toEqual([22, 23]);
    const apart = gap([read(24), read(22)], unread);
    expect(apart?.disagreement).toBeNull();
    expect(ends(apart)).toEqual([22, 23]);
  });

  it('readings further apart disagree, in whichever order, and the narrower counts', () => {
    for (const readings of [
      [read(22), read(25)],
      [read(25), read(22)],
    ]) {
      const found = gap(readings, unread);
      expect(found?.value).toBe(fromThou(22));
      expect(found?.disagreement).toMatchObject({ apart: fromThou(2), narrow: { low: fromThou(22) } });
    }
  });

  // common practice, no source: tight, loose, tight
  it('two later ones that agree settle it, or one before and one after; the one between is set aside', () => {
    const [a, b, c, d] = [read(22), read(25), read(22), read(22)];
    expect(gap([a, b], unread)?.disagreement).not.toBeNull();
    expect(gap([b, c], unread)?.disagreement).not.toBeNull();
    for (const settled of [
      [a, b, c],
      [b, c, d],
    ])
      expect(gap(settled, unread)).toMatchObject({ disagreement: null, aside: [b.id], value: fromThou(22) });
  });

  it('two alike that have nothing in common with a narrower one before them outlast it, however little it is', () => {
    const half = { step: fromThou(0.5) };
    const [narrow, a, b] = [read(13, 'top', half), read(14, 'top', half), read(14, 'top', half)];
    expect(ends(gap([narrow, a], unread))).toEqual([13, 13.5]);
    expect(ends(gap([narrow, a, b], unread))).toEqual([14, 14.5]);
    // leaf by leaf they meet, and may all be true
    expect(ends(gap([read(13), read(14), read(14)], unread))).toEqual([14, 14]);
  });

  it('widths said not to be filed disagree, whatever the hand may do', () => {
    const [a, b] = [read(20), read(22)];
    const ask = { home: '1', bores: new Map([['1', unread]]), repeat: fromThou(1), readings: [a, b] };
    expect(countedGap({ ...ask, notFiled: new Set() })?.disagreement).toBeNull();
    expect(countedGap({ ...ask, notFiled: new Set([b.id]) })?.disagreement).not.toBeNull();
  });
});

describe('the gap that counts, in a measured bore', () => {
  it('the leaf of 22 at the top of a bore 0.4 thou wider there counts 21.2 at the bottom', () => {
    const found = gap([read(22)], bore(4.0004, 4.0002, 4));
    expect(found).toMatchObject({ depth: 'bottom', asRead: false, passed: false });
    expect(toThou(found?.value ?? 0)).toBeCloseTo(22.5 - 0.4 * Math.PI, 3);
  });

  it('17 at the bottom and 21 at the top of a straight bore cannot both be true', () => {
    const found = gap([read(17, 'bottom'), read(21, 'top')], bore(4, 4, 4));
    expect(found).toMatchObject({ low: fromThou(17) });
    expect(toThou(found?.disagreement?.apart ?? 0)).toBeCloseTo(3, 6);
  });

  it('a taper that the bore gauge found explains the same two', () => {
    expect(gap([read(17, 'bottom'), read(21, 'top')], bore(4.0013, 4.0006, 4))?.disagreement).toBeNull();
  });

  it('two depths together know it better than either', () => {
    const found = gap([read(22, 'top'), read(21, 'bottom')], bore(4.0004, 4.0002, 4));
    expect(found?.low).toBe(fromThou(21));
    expect(found?.high).toBeCloseTo(fromThou(23) - Math.PI * fromThou(0.4), -1);
  });

  it('a reading that does not say how deep may have been made anywhere in ring travel', () => {
    const found = gap([read(22, null)], bore(4.001, 4.0005, 4));
    expect(found?.low).toBeCloseTo(fromThou(22) - Math.PI * fromThou(1), -1);
    expect(found?.high).toBe(fromThou(23));
  });

  it('a place that is wider than the narrowest can be says nothing of how wide that is, a narrower one does', () => {
    // 19 or more, no larger leaf tried, and 21 at another depth: the least of them is under 22
    const found = gap([read(19, 'bottom', { open: true }), read(21, 'top')], unread);
    expect(ends(found)).toEqual([19, 22]);
  });

  it('a depth that is not measured is bounded by its neighbours, and two readings at the narrowest do not outrank it', () => {
    const found = gap([read(24, 'top'), read(24, 'top'), read(19, 'lower')], bore(4, 4, 4));
    expect(ends(found)).toEqual([19, 20]);
    // between 4.001 and 4.000: 22 there is 18.9 to 23 where it is smallest
    const [low, high] = ends(gap([read(22, 'upper')], bore(4.001, 4, 4)));
    expect(low).toBeCloseTo(22 - Math.PI, 3);
    expect(high).toBe(23);
    // below the last that is measured it may go on as it did
    const girths = bore(4, 4.0005).girths;
    const [under] = ends(gap([read(22, 'bottom')], { ...bore(4), girths }));
    expect(under).toBeCloseTo(22 - Math.PI, 3);
  });

  it('what was read twice where the bore is smallest outranks what other depths tell of it', () => {
    const tapered = bore(4.001, 4.0005, 4);
    const once = [read(28, 'top'), read(23, 'bottom')];
    expect(ends(gap(once, tapered))).toEqual([23, 24]);
    const [low, high] = ends(gap([read(26, 'top'), read(25, 'bottom')], tapered));
    expect([low, high].map((x) => Number(x.toFixed(2)))).toEqual([22.86, 23.86]);
    const twice = gap([read(26, 'top'), read(25, 'bottom'), read(25, 'bottom')], tapered);
    expect([ends(twice), twice?.asRead]).toEqual([[25, 26], true]);
  });
});

describe('the gap that counts, read in another bore', () => {
  const elsewhere = (thou: number) => read(thou, 'top', { cylinder: '2' });

  it('moves by π times the difference, which one gauge knows better than two', () => {
    const one = gap([elsewhere(22)], bore(4, 4, 4), bore(4.001, 4.001, 4.001));
    expect(one?.low).toBeCloseTo(fromThou(22) - Math.PI * fromThou(1), -1);
    const two = gap([elsewhere(22)], bore(4, 4, 4), { ...bore(4.001, 4.001, 4.001), gauge: 'other' });
    expect(two?.uncertainty).toBeGreaterThan(2 * (one?.uncertainty ?? 0));
  });

  it('is not known where either bore is not measured', () => {
    expect(gap([elsewhere(22)], unread, bore(4, 4, 4))).toBeNull();
    expect(gap([elsewhere(22)], bore(4, 4, 4), unread)).toBeNull();
  });

  it('that miss each other by no more than repeats may, and the gauge knows, agree', () => {
    // 22 here; there 24.2 to 25.2 by the gauge, known to 0.4 thou
    const [here, there] = [read(22), elsewhere(21)];
    const found = gap([here, there], bore(4, 4, 4), bore(3.99898, 3.99898, 3.99898));
    expect(found).toMatchObject({ disagreement: null, value: fromThou(22) });
    expect(gap([here, there], bore(4, 4, 4), bore(3.9985, 3.9985, 3.9985))?.disagreement).not.toBeNull();
  });

  it('a reading here and one there count together', () => {
    const found = gap([elsewhere(22), read(22)], bore(4, 4, 4), bore(3.9997, 3.9997, 3.9997));
    expect(found?.low).toBeCloseTo(fromThou(22) + Math.PI * fromThou(0.3), -1);
    expect(found?.high).toBe(fromThou(23));
  });
});

describe('whatever is read', () => {
  const places: fc.Arbitrary<Depth | null> = fc.constantFrom('top', 'middle', 'bottom', null);
  const readings = fc.array(
    fc.record({ thou: fc.integer({ min: 15, max: 30 }), depth: places, more: fc.constantFrom(0, 1, 2) }),
    { minLength: 1, maxLength: 6 },
  );
  const inches = fc.integer({ min: 39_990, max: 40_010 }).map((n) => n / 10_000);

  it('one reading more that agrees never leaves more open, and the figure lies in what is left open', () => {
    fc.assert(
      fc.property(readings, fc.option(fc.tuple(inches, inches, inches)), (all, measured) => {
        const list = all.map(({ thou, depth, more }) =>
          read(thou, depth, { upTo: more ? fromThou(thou + more) : null }),
        );
        const home = measured ? bore(...measured) : unread;
        const found = gap(list, home);
        if (!found) throw new Error('a reading in its own bore tells a gap');
        expect(found.value).toBeGreaterThanOrEqual(Math.floor(found.low));
        expect(found.value).toBeLessThanOrEqual(Math.ceil(found.high));
        const before = list.length > 1 ? gap(list.slice(0, -1), home) : null;
        if (before && !before.disagreement && !found.disagreement && found.aside.length === 0)
          expect(found.high).toBeLessThanOrEqual(before.high);
      }),
    );
  });

  it('the order of readings changes nothing but what is settled later', () => {
    fc.assert(
      fc.property(readings, (all) => {
        const list = all.map(({ thou, depth }) => read(thou, depth));
        const [one, other] = [gap(list, unread), gap(list.toReversed(), unread)];
        if (one?.aside.length === 0 && other?.aside.length === 0)
          expect([one.low, one.high]).toEqual([other.low, other.high]);
      }),
    );
  });
});
