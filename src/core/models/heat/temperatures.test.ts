import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { COOLANT, temperatureSpread, temperaturesAt, wallAt } from './temperatures';

const loads = fc.double({ min: 0.5, max: 3.3, noNaN: true });

describe('temperatures by heat load', () => {
  it('begin at the coolant: nothing is hotter than it at no load', () => {
    for (const coolant of Object.values(COOLANT))
      expect(temperaturesAt(0, coolant)).toEqual({ top: coolant, second: coolant, wall: coolant });
  });

  it('an air-cooled barrel is hotter than a jacket by what its own temperature is', () => {
    const [water, air] = [temperaturesAt(1, COOLANT.water), temperaturesAt(1, COOLANT.air)];
    expect(air.wall).toBeGreaterThan(180);
    expect(air.top - water.top).toBeGreaterThan(50);
  });

  it('the second ring stands the same share of the top ring’s rise over the wall at every load', () => {
    fc.assert(
      fc.property(loads, (load) => {
        const { top, second, wall } = temperaturesAt(load, 90);
        expect((second - wall) / (top - wall)).toBeCloseTo(0.53, 9);
      }),
    );
  });

  it('rise with the load and with the coolant, and no faster than in proportion', () => {
    fc.assert(
      fc.property(loads, fc.double({ min: 0.01, max: 1, noNaN: true }), (load, more) => {
        const [less, hotter] = [temperaturesAt(load, 90), temperaturesAt(load + more, 90)];
        for (const of of ['top', 'second', 'wall'] as const) {
          expect(hotter[of]).toBeGreaterThan(less[of]);
          expect((hotter[of] - 90) / (less[of] - 90)).toBeLessThan((load + more) / load);
          expect(temperaturesAt(load, 100)[of]).toBeGreaterThan(less[of]);
        }
      }),
    );
  });

  it('the spread is that of the slope (differences)', () => {
    fc.assert(
      fc.property(loads, (load) => {
        const slope = (temperaturesAt(load + 1e-5, 90).top - temperaturesAt(load - 1e-5, 90).top) / 2e-5;
        expect(temperatureSpread(load, 90).ring / (0.2 * load * slope)).toBeCloseTo(1, 5);
      }),
    );
  });
});

describe('the wall down its travel', () => {
  it('has the mean it is given (convergence over depth)', () => {
    const meanOf = (n: number): number =>
      Array.from({ length: n }, (_, i) => wallAt((i + 0.5) / n, 118, 90)).reduce((a, b) => a + b, 0) / n;
    for (const n of [10, 100, 1_000]) expect(Math.abs(meanOf(n) - 118)).toBeLessThan(4 / n ** 1.5);
  });

  it('is coolest at the bottom, and as warm throughout as a coolant that is as warm as it', () => {
    expect(wallAt(0, 118, 90)).toBeGreaterThan(wallAt(0.5, 118, 90));
    expect(wallAt(1, 118, 90)).toBeCloseTo(101.3, 1);
    expect(wallAt(0, 90, 90)).toBe(90);
  });
});
