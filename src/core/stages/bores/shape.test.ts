import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fromInches, fromMm, fromThou, toInches } from '../../foundation/quantity/length';
import { randomFrom } from '../../models/heat/random';
import { ownDoubt, repeatability, scatterOf } from '../../foundation/uncertainty/repeatability';
import { runs } from '@/fixtures/runs';
import { average } from '../../foundation/verdict/measuredSize';
import { type Depth, DEPTHS_BY_COUNT, directionsByCount } from '../../foundation/parts/spots';
import { spotsOf } from './measuringPlan';
import { ovalAt } from './oval';
import { FULL, picturesOf } from './picture';
import { type MeasuredSpot, foundWords, shapeOf } from './shape';

const OWN = 1_000;
const spot = (depth: Depth, angle: number, value: number): MeasuredSpot => ({
  depth,
  angle,
  value,
  own: OWN,
  freedom: Infinity,
});

/** Mean size at each depth of a round bore, top first. */
const round = (...sizes: number[]): MeasuredSpot[] =>
  sizes.flatMap((size, i) =>
    [0, 90].map((angle) => spot(DEPTHS_BY_COUNT[sizes.length - 1]?.[i] ?? 'top', angle, size)),
  );

describe('shape of a bore', () => {
  it('nine readings: 2.8955, 2.8950, 2.8940 ×3 give taper 0.0015, out-of-round 0, widest at the top (common practice, no source)', () => {
    const spots = spotsOf({
      depths: DEPTHS_BY_COUNT[2] ?? [],
      directions: directionsByCount(3),
      order: 'round',
      ridge: false,
    });
    expect(spots).toHaveLength(9);
    const sizes: Partial<Record<Depth, number>> = { top: 2.8955, middle: 2.895, bottom: 2.894 };
    const shape = shapeOf(spots.map((s) => spot(s.depth, s.angle, fromInches(sizes[s.depth] ?? 0))));
    expect(shape?.taper.thrust?.value).toBe(fromThou(1.5));
    expect(shape?.taper.overall?.value).toBe(fromThou(1.5));
    expect(shape?.outOfRound?.value).toBe(0);
    expect(shape?.form).toMatchObject({ form: 'taper', widest: 'top', words: 'tapered: widest at the top' });
    expect(shape && foundWords(shape.smallest)).toBe('bottom of ring travel, square to the crank');
    expect(shape?.lean).toBeNull();
  });

  it.each([
    ['straight', [4.0001, 4, 4.0001]],
    ['taper', [4.003, 4.0015, 4]],
    ['taper', [4, 4.002]],
    ['barrel', [4, 4.002, 4]],
    ['hourglass', [4.002, 4, 4.002]],
    ['bell', [4.003, 4.0002, 4]],
    ['bell', [4, 4.0001, 4.0002, 4.004]],
    ['barrel', [4, 4.001, 4.003, 4.001]],
  ] as const)('is %s for %j', (form, sizes) => {
    expect(shapeOf(round(...sizes.map(fromInches)))?.form?.form).toBe(form);
  });

  it('finds the oval that two readings 60° either side of it hide, and says so', () => {
    const oval = { mean: fromMm(81.5), amplitude: fromMm(0.01), direction: 25 };
    const shape = shapeOf([0, 60, 120].map((angle) => spot('top', angle, Math.round(ovalAt(oval, angle)))));
    const [top] = shape?.depths ?? [];
    expect(top?.oval).toMatchObject({ proven: true, understated: true });
    expect(Math.abs((top?.oval?.total ?? 0) - fromMm(0.02))).toBeLessThan(5);
    expect(shape?.outOfRound?.value).toBe(top?.oval?.total);
    expect(top?.outOfRound?.value).toBe(Math.round(ovalAt(oval, 0)) - Math.round(ovalAt(oval, 120)));
    expect(shape?.lean?.degrees).toBeCloseTo(-65, 1);
    expect(Math.abs((shape?.widest ?? 0) - fromMm(81.51))).toBeLessThan(5);
    expect(shape?.largest.value).toBeLessThan(shape?.widest ?? 0);
    expect(top?.thrust).toMatchObject({ value: Math.round(ovalAt(oval, 90)), angle: null });
  });

  it('does not claim an oval within its uncertainty, nor a lean of it', () => {
    const shape = shapeOf([0, 60, 120].map((angle, i) => spot('top', angle, fromMm(81.5) + i * 500)));
    expect(shape?.depths[0]?.oval).toMatchObject({ proven: false, understated: false });
    expect(shape?.lean).toBeNull();
    const coarse = shapeOf(
      [0, 60, 120].map((angle) => ({ ...spot('top', angle, fromMm(81.5) + (angle === 60 ? 20_000 : 0)), own: 50_000 })),
    );
    expect(coarse?.depths[0]?.oval).toMatchObject({ proven: false, understated: false });
    expect(coarse?.outOfRound?.value).toBe(20_000);
    expect(coarse?.widest).toBe(fromMm(81.52));
  });

  it('takes the narrowest place in the thrust direction, and any direction where that is not known', () => {
    const shape = shapeOf([spot('top', 90, 1_000_500), spot('bottom', 90, 1_000_300), spot('bottom', 0, 1_000_000)]);
    expect(shape?.smallest).toMatchObject({ value: 1_000_300, depth: 'bottom', angle: 90 });
    expect(shapeOf([spot('top', 0, 1_000_500), spot('bottom', 0, 1_000_000)])?.smallest).toMatchObject({
      value: 1_000_000,
      angle: 0,
    });
  });

  it('tells the ridge from the unworn bore, which counts for nothing else', () => {
    const shape = shapeOf([
      spot('above', 90, fromInches(4)),
      ...round(4.006, 4.004, 4.002).map((s) => ({ ...s, value: fromInches(s.value) })),
    ]);
    expect(toInches(shape?.ridge?.value ?? 0)).toBeCloseTo(0.006, 9);
    expect(shape?.smallest.value).toBe(fromInches(4.002));
    expect(shape?.depths).toHaveLength(3);
    expect(shapeOf([spot('above', 90, fromInches(4))])).toBeNull();
  });

  it('is the same whatever order the spots come in, and moves with the bore', () => {
    const bores = fc.array(fc.integer({ min: -50_000, max: 50_000 }), { minLength: 9, maxLength: 9 }).chain((off) => {
      const spots = spotsOf({
        depths: DEPTHS_BY_COUNT[2] ?? [],
        directions: directionsByCount(3),
        order: 'round',
        ridge: false,
      }).map((s, i) => spot(s.depth, s.angle, 100_000_000 + (off[i] ?? 0)));
      return fc.record({
        spots: fc.constant(spots),
        shuffled: fc.shuffledSubarray(spots, { minLength: 9 }),
        by: fc.integer({ min: -1_000_000, max: 1_000_000 }),
      });
    });
    fc.assert(
      fc.property(bores, ({ spots, shuffled, by }) => {
        const [one, other] = [shapeOf(spots), shapeOf(shuffled)];
        for (const figure of ['mean', 'form'] as const) expect(other?.[figure]).toEqual(one?.[figure]);
        expect(other?.outOfRound?.value).toBe(one?.outOfRound?.value);
        const moved = shapeOf(spots.map((s) => ({ ...s, value: s.value + by })));
        expect(moved?.taper.thrust?.value).toBe(one?.taper.thrust?.value);
        expect(Math.abs((moved?.mean ?? 0) - (one?.mean ?? 0) - by)).toBeLessThanOrEqual(1);
        expect(Math.abs((moved?.outOfRound?.value ?? 0) - (one?.outOfRound?.value ?? 0))).toBeLessThanOrEqual(1);
      }),
    );
  });

  it('a taper is never less than what any direction shows, and no size lies outside largest and smallest', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 200_000 }), { minLength: 6, maxLength: 6 }), (off) => {
        const spots = spotsOf({
          depths: DEPTHS_BY_COUNT[2] ?? [],
          directions: directionsByCount(2),
          order: 'down',
          ridge: false,
        }).map((s, i) => spot(s.depth, s.angle, 100_000_000 + (off[i] ?? 0)));
        const shape = shapeOf(spots);
        expect(shape?.taper.overall?.value).toBeGreaterThanOrEqual(shape?.taper.thrust?.value ?? Infinity);
        expect(shape?.largest.value).toBe(Math.max(...spots.map((s) => s.value)));
        expect(shape?.smallest.value).toBe(Math.min(...spots.filter((s) => s.angle === 90).map((s) => s.value)));
      }),
    );
  });
});

describe('pictures of bores', () => {
  it('draw the smallest at the inner line and the largest at the full radius, all on one scale', () => {
    const measured = {
      a: round(100_020_000, 100_010_000, 100_000_000),
      b: round(100_000_000, 100_000_000, 100_000_000),
    };
    const pictures = picturesOf(
      Object.entries(measured).flatMap(([name, spots]) => {
        const shape = shapeOf(spots);
        return shape ? [{ name, shape, spots }] : [];
      }),
    );
    expect(pictures.full).toBe(20_000);
    const walls = pictures.bores.get('a')?.profiles[0]?.wall.map((w) => w.radius);
    expect(walls?.[0]).toBeCloseTo(1, 9);
    expect(walls?.[2]).toBeCloseTo(1 - FULL, 9);
    expect(
      pictures.bores.get('b')?.rings.every((r) => r.outline.every((o) => Math.abs(o.radius - (1 - FULL)) < 1e-9)),
    ).toBe(true);
  });

  it('do not blow up a bore that is straight', () => {
    const spots = round(100_001_000, 100_000_000);
    const shape = shapeOf(spots);
    if (!shape) throw new Error('no shape');
    expect(picturesOf([{ name: 'a', shape, spots }]).full).toBe(10_000);
  });
});

describe('round bores, read with scatter', () => {
  const BORES = runs(10_000);
  /** How often an oval is called proven somewhere in round bores. */
  const falseOvals = (depths: readonly Depth[], repeats: number): number => {
    const { normal } = randomFrom(3);
    let found = 0;
    for (let i = 0; i < BORES; i += 1) {
      const read = depths.map((depth) =>
        [0, 60, 120].map((angle) => ({
          depth,
          angle,
          values: Array.from({ length: repeats }, () => fromMm(81.5) + Math.round(1_000 * normal())),
        })),
      );
      const scatter = repeatability(scatterOf(read.flat().map((s) => s.values)), { limit: 0, resolution: 2_000 });
      const spots = read.flat().map(({ values, ...at }): MeasuredSpot => {
        const { standard, freedom } = ownDoubt(repeats, scatter, { limit: 0, resolution: 0 });
        return { ...at, value: average(values), own: standard, freedom };
      });
      if (shapeOf(spots)?.depths.some((d) => d.oval?.proven)) found += 1;
    }
    return found / BORES;
  };

  // one in twenty over all depths together, and three standard deviations of as many draws
  it.each([
    [['top'], 1],
    [['top', 'middle', 'bottom'], 1],
    [['top', 'upper', 'middle', 'lower', 'bottom'], 1],
    [['top'], 2],
    [['top', 'middle', 'bottom'], 2],
  ] as const)('at %s, %d times each: an oval is called proven one time in twenty', (depths, repeats) => {
    const share = falseOvals(depths, repeats);
    expect(share).toBeLessThan(0.05 + 3 * Math.sqrt((0.05 * 0.95) / BORES));
    expect(share).toBeGreaterThan(0.02);
  });
});
