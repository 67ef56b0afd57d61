import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fromInches, toInches } from '../../foundation/quantity/length';
import { CLEARANCES } from '../charts/chart';
import { ALLOYS } from '../../foundation/parts/materials';
import {
  type RingHeat,
  buttingTemperature,
  closingTemperature,
  growth,
  hotGap,
  runningClearance,
  temperatureOf,
} from './hotGap';
import { atReference } from '../../foundation/uncertainty/expansion';
import {
  type Expansion,
  BORE_EXPANSION,
  HOT_BORE,
  HOT_RING,
  PISTON_EXPANSION,
  RING_EXPANSION,
  hotSkirt,
} from './metals';
import { temperaturesAt } from './temperatures';

/** A coefficient that does not change with temperature. */
const flat = (at0: number): Expansion => ({ at0, each: 0 });
const worked: RingHeat = { bore: fromInches(4), ringExpansion: flat(11.2e-6), boreExpansion: flat(10.8e-6), wall: 120 };

describe('the two worked rows (identity)', () => {
  it.each([
    [0.016, 0.005676, 230.4],
    [0.024, 0.013691, 287.5],
  ])('4.000 in, cold %s in, ring at 190 °C: %s in hot, ends meet at %s °C', (cold, hot, butting) => {
    expect(toInches(hotGap(fromInches(cold), 190, worked))).toBeCloseTo(hot, 6);
    expect(buttingTemperature(fromInches(cold), worked)).toBeCloseTo(butting, 1);
  });

  it('the metals of those rows are ductile iron in grey iron (published: handbook values, figures recalled from memory)', () => {
    expect(flat(RING_EXPANSION.ductileIron)).toEqual(worked.ringExpansion);
    expect(flat(BORE_EXPANSION.iron)).toEqual(worked.boreExpansion);
  });
});

it('a 4.0000 in 2618 piston measured at 26 °C is 3.99946 in at 20 °C (identity)', () => {
  expect(toInches(atReference(fromInches(4), 26, PISTON_EXPANSION['2618']))).toBeCloseTo(3.99946, 5);
});

describe('properties of the heat model', () => {
  const heats = fc.record({
    bore: fc.integer({ min: 40_000_000, max: 160_000_000 }),
    ringExpansion: fc.constantFrom(...Object.values(HOT_RING), flat(11.2e-6)),
    boreExpansion: fc.constantFrom(...Object.values(HOT_BORE), flat(10.8e-6)),
    wall: fc.double({ min: 60, max: 200, noNaN: true }),
  });
  const gaps = fc.integer({ min: 100_000, max: 1_500_000 });

  it('the gap is nothing at the butting temperature', () => {
    fc.assert(
      fc.property(heats, gaps, (heat, cold) => {
        expect(Math.abs(hotGap(cold, buttingTemperature(cold, heat), heat))).toBeLessThan(1);
      }),
    );
  });

  it('with ring and bore cold it is the cold gap', () => {
    fc.assert(
      fc.property(heats, gaps, (heat, cold) => {
        expect(hotGap(cold, 20, { ...heat, wall: 20 })).toBeCloseTo(cold, 3);
      }),
    );
  });

  it('a hotter ring has less gap, a hotter wall more, and a wider cold gap butts later', () => {
    fc.assert(
      fc.property(heats, gaps, fc.double({ min: 1, max: 100, noNaN: true }), (heat, cold, by) => {
        expect(hotGap(cold, 200 + by, heat)).toBeLessThan(hotGap(cold, 200, heat));
        expect(hotGap(cold, 200, { ...heat, wall: heat.wall + by })).toBeGreaterThan(hotGap(cold, 200, heat));
        expect(buttingTemperature(cold + 25_400, heat)).toBeGreaterThan(buttingTemperature(cold, heat));
      }),
    );
  });

  it('the clearance is gone at the closing temperature, and is the cold one when all is cold', () => {
    fc.assert(
      fc.property(
        heats,
        fc.integer({ min: 10_000, max: 300_000 }),
        fc.constantFrom(...ALLOYS.map(hotSkirt)),
        ({ bore, boreExpansion, wall }, cold, pistonExpansion) => {
          const heat = { bore, boreExpansion, wall, pistonExpansion };
          expect(Math.abs(runningClearance(cold, closingTemperature(cold, heat), heat))).toBeLessThan(1);
          expect(runningClearance(cold, 20, { ...heat, wall: 20 })).toBeCloseTo(cold, 3);
        },
      ),
    );
  });
});

describe('expansion hot', () => {
  // handbook values, recalled: grey iron about 11.7 to 200 °C and 13.0 to 400, ductile 12 to 12.5, the steels about 12 and 10.5 to 11
  it.each([
    ['greyIron', 200, 11.7],
    ['greyIron', 400, 13.0],
    ['ductileIron', 200, 12.0],
    ['ductileIron', 300, 12.5],
    ['steel', 200, 12.0],
    ['nitridedSteel', 200, 10.6],
  ] as const)('the mean coefficient of %s to %d °C is about %d ppm a kelvin', (metal, to, ppm) => {
    expect(Math.abs((growth(HOT_RING[metal], to) / (to - 20)) * 1e6 - ppm)).toBeLessThan(0.15);
  });

  it('near 20 °C it is what parts are measured with, to a few tenths of a ppm', () => {
    for (const metal of ['greyIron', 'ductileIron', 'steel', 'nitridedSteel'] as const)
      expect(Math.abs(growth(HOT_RING[metal], 100) / 80 - RING_EXPANSION[metal])).toBeLessThan(0.2e-6);
    for (const surface of ['iron', 'plated'] as const)
      expect(Math.abs(growth(HOT_BORE[surface], 100) / 80 - BORE_EXPANSION[surface])).toBeLessThan(0.2e-6);
  });

  it('a temperature is found again from its growth', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...Object.values(HOT_RING), flat(11e-6)),
        fc.double({ min: 20, max: 400, noNaN: true }),
        (metal, celsius) => {
          expect(temperatureOf(metal, growth(metal, celsius))).toBeCloseTo(celsius, 6);
        },
      ),
    );
  });
});

// the least clearances of the starting chart are what practice runs: none of them may be told that nothing is left
it('no clearance that practice runs is gone hot, on any piston at any load its chart row is for', () => {
  const loads = [1, 1.25, 2.3];
  for (const [piston, alloy] of [
    ['cast', 'cast'],
    ['hypereutectic', 'hypereutectic'],
    ['forged4032', '4032'],
    ['forged2618', '2618'],
  ] as const)
    CLEARANCES[piston].forEach((factor, i) => {
      const { wall } = temperaturesAt(loads[i] ?? 1, 90);
      const bore = fromInches(4);
      const heat = { bore, wall, boreExpansion: HOT_BORE.iron, pistonExpansion: hotSkirt(alloy) };
      const left = runningClearance(Math.round(factor * bore), wall, heat);
      expect(toInches(left) * 1000, `${piston} at ${loads[i]}`).toBeGreaterThan(0.4);
    });
});
