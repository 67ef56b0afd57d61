import fc from 'fast-check';
import { runs } from '@/fixtures/runs';
import { describe, expect, it } from 'vitest';
import { fromInches, fromMm, fromThou } from '../../foundation/quantity/length';
import { STARTING_INSTRUMENTS } from '../../foundation/uncertainty/startingInstruments';
import { dialFigures, easySetting, makeUpsFor, needleAt, spanFor } from './gauge';

const kit = STARTING_INSTRUMENTS.find((i) => i.id === 'gauge-in')?.kit;
const metric = STARTING_INSTRUMENTS.find((i) => i.id === 'gauge-mm')?.kit;
if (!kit || !metric) throw new Error('no kits');

describe('make-ups', () => {
  it('every one reaches with its preload and within a turn, and no other of the kit does (identity)', () => {
    fc.assert(
      fc.property(fc.integer({ min: 2_200, max: 5_600 }), fc.integer({ min: 0, max: 15 }), (thou, span) => {
        const bores = { least: fromThou(thou), most: fromThou(thou + span) };
        const found = makeUpsFor(kit, bores);
        const all = kit.rods.flatMap((rod) =>
          Array.from({ length: 2 ** kit.washers.length }, (_, bits) => ({
            rod,
            washers: kit.washers.filter((_w, i) => bits & (1 << i)),
          })),
        );
        const suits = all.filter(({ rod, washers }) => {
          const length = rod + washers.reduce((a, b) => a + b, 0);
          return washers.length <= 3 && length - bores.most >= kit.preload && length - bores.least < kit.turn;
        });
        const key = (m: { rod: number; washers: number[] }): string =>
          [m.rod, ...[...m.washers].sort((a, b) => a - b)].join();
        expect(found.map(key).sort()).toEqual(suits.map(key).sort());
        expect(found.map((m) => m.washers.length)).toEqual(found.map((m) => m.washers.length).sort((a, b) => a - b));
      }),
      { numRuns: runs(40) },
    );
  });

  it('puts the simplest first, and counts the gauge’s own length', () => {
    expect(makeUpsFor(metric, { least: fromMm(79.5), most: fromMm(79.6) })[0]).toMatchObject({
      rod: fromMm(80),
      washers: [],
    });
    expect(
      makeUpsFor(
        { ...kit, body: fromInches(0.539), rods: [fromInches(3.6)], washers: [0.051, 0.02].map(fromInches) },
        { least: fromInches(4.185), most: fromInches(4.19) },
      )[0],
    ).toMatchObject({ washers: [0.051, 0.02].map(fromInches), length: fromInches(4.21) });
    expect(makeUpsFor({ ...kit, rods: [fromInches(2)] }, { least: fromInches(4), most: fromInches(4) })).toEqual([]);
  });

  it('is made up for what was read, else about what was asked for or planned', () => {
    const read = [
      { smallest: 100, largest: 300 },
      { smallest: 90, largest: 200 },
    ];
    expect(spanFor(read, null, fromMm(80))).toEqual({ least: 90, most: 300 });
    expect(spanFor(read, fromMm(82), fromMm(80))).toEqual({ least: fromMm(81.9), most: fromMm(82.1) });
    expect(spanFor([], null, fromMm(80))).toEqual({ least: fromMm(79.9), most: fromMm(80.1) });
    expect(spanFor([], null, null)).toBeNull();
  });

  it('sets the micrometer to a figure that is easily set', () => {
    expect(easySetting(fromInches(4.06537), 'imperial')).toBe(fromInches(4.065));
    expect(easySetting(fromMm(82.5049), 'metric')).toBe(fromMm(82.5));
  });
});

describe('the dial', () => {
  it('stands at zero for the setting, goes back for a larger bore, and counts turns', () => {
    const at = (thou: number) => needleAt(fromInches(4.06) + fromThou(thou), fromInches(4.06), kit);
    expect(at(0)).toEqual({ off: 0, angle: 0, turns: 0 });
    expect(at(12.5).angle).toBeCloseTo(270, 9);
    expect(at(-12.5).angle).toBeCloseTo(90, 9);
    expect(at(56)).toMatchObject({ turns: 1 });
    expect(at(56).angle).toBeCloseTo(360 - (6 / 50) * 360, 6);
    expect(needleAt(fromThou(12.5), 0, { ...kit, larger: 'clockwise' }).angle).toBeCloseTo(90, 9);
  });

  it('has its figures where the needle stands for them (identity)', () => {
    for (const one of [kit, metric, { ...kit, larger: 'clockwise' as const }]) {
      const { figures, divisions, every } = dialFigures(one);
      expect(divisions * one.division).toBe(one.turn);
      expect(figures).toHaveLength(divisions / every);
      for (const { angle, off } of figures) expect(needleAt(off, 0, one).angle).toBeCloseTo(angle, 6);
    }
  });
});
