import fc from 'fast-check';
import { runs } from '@/fixtures/runs';
import { lusolve, matrix, multiply, transpose } from 'mathjs';
import { describe, expect, it } from 'vitest';
import { fromMm, toMm } from '../../foundation/quantity/length';
import { fitOval, ovalAt, roundReaches } from './oval';
import { betweenDirections, foldedDirection } from '../../foundation/quantity/angle';

const rad = (degrees: number): number => (degrees * Math.PI) / 180;

/** The same least squares by a general linear solve: the coefficients of 1, cos 2θ and sin 2θ. */
function reference(points: { angle: number; value: number }[]): number[] {
  const design = matrix(points.map(({ angle }) => [1, Math.cos(2 * rad(angle)), Math.sin(2 * rad(angle))]));
  const values = matrix(points.map(({ value }) => [value]));
  const solved = lusolve(multiply(transpose(design), design), multiply(transpose(design), values));
  return (solved.toArray() as number[][]).map((row) => row[0] ?? NaN);
}

describe('oval fit', () => {
  it('is exact on three directions 60° apart (identity): mean 81.500, e 0.010, φ 25°', () => {
    const readings = [
      [0, 81.506428],
      [60, 81.50342],
      [120, 81.490152],
    ] as const;
    const oval = fitOval(readings.map(([angle, value]) => ({ angle, value: fromMm(value) })));
    expect(toMm(oval?.mean ?? 0)).toBeCloseTo(81.5, 6);
    expect(toMm(oval?.amplitude ?? 0)).toBeCloseTo(0.01, 6);
    expect(oval?.direction).toBeCloseTo(25, 2);
    expect(oval?.residual).toBeLessThan(1);
    const values = readings.map(([, value]) => value);
    expect(Math.max(...values) - Math.min(...values)).toBeCloseTo(0.016276, 6);
    for (const [angle, value] of readings) expect(81.5 + 0.01 * Math.cos(2 * rad(angle - 25))).toBeCloseTo(value, 6);
  });

  /** Directions no nearer to each other than 22°, on either side of the bore. */
  const directions = fc
    .uniqueArray(fc.record({ sixth: fc.nat(5), off: fc.integer({ min: 0, max: 8 }), across: fc.boolean() }), {
      minLength: 3,
      maxLength: 6,
      selector: (d) => d.sixth,
    })
    .map((all) => all.map(({ sixth, off, across }) => sixth * 30 + off + (across ? 180 : 0)));

  it('says nothing from directions that are next to each other: 0, 1 and 2° put the mean of a bore 21 mm off', () => {
    const near = (...angles: number[]) =>
      fitOval(angles.map((angle, i) => ({ angle, value: fromMm(81.5) + i * 13_000 })));
    expect(near(0, 1, 2)).toBeNull();
    expect(near(0, 10, 20)).toBeNull();
    expect(near(0, 45, 90)).not.toBeNull();
  });

  it('returns what a bore without noise was made from (identity)', () => {
    const bores = fc.record({
      mean: fc.integer({ min: 50_000_000, max: 150_000_000 }),
      e: fc.integer({ min: 2_000, max: 200_000 }),
      direction: fc.double({ min: 0, max: 179.9, noNaN: true }),
      directions,
    });
    fc.assert(
      fc.property(bores, ({ mean, e, direction, directions: angles }) => {
        const oval = fitOval(
          angles.map((angle) => ({ angle, value: ovalAt({ mean, amplitude: e, direction }, angle) })),
        );
        expect(oval?.mean).toBeCloseTo(mean, 1);
        expect(oval?.amplitude).toBeCloseTo(e, 1);
        expect(betweenDirections(oval?.direction ?? 0, direction)).toBeLessThan(0.01);
        expect(oval?.residual).toBeLessThan(1);
      }),
      { numRuns: runs(300) },
    );
  });

  it('agrees with a general least-squares solve on random bores with noise (reference library: mathjs)', () => {
    const bores = directions.chain((angles) =>
      fc.record({
        angles: fc.constant(angles),
        noise: fc.array(fc.integer({ min: -30_000, max: 30_000 }), {
          minLength: angles.length,
          maxLength: angles.length,
        }),
      }),
    );
    fc.assert(
      fc.property(bores, ({ angles, noise }) => {
        const points = angles.map((angle, i) => ({ angle, value: 100_000_000 + (noise[i] ?? 0) }));
        const oval = fitOval(points);
        const [mean = 0, a = 0, b = 0] = reference(points);
        expect(oval?.mean).toBeCloseTo(mean, 0);
        expect((oval?.amplitude ?? 0) * Math.cos(2 * rad(oval?.direction ?? 0))).toBeCloseTo(a, 0);
        expect((oval?.amplitude ?? 0) * Math.sin(2 * rad(oval?.direction ?? 0))).toBeCloseTo(b, 0);
      }),
      { numRuns: runs(300) },
    );
  });

  it('knows how sure it is: even directions give u/√n for the mean and u·√(2/n) for e (identity)', () => {
    for (const n of [3, 4, 6]) {
      const oval = fitOval(
        Array.from({ length: n }, (_, i) => ({
          angle: (i * 180) / n,
          value: ovalAt({ mean: 1e8, amplitude: 9_000, direction: 40 }, (i * 180) / n),
        })),
      );
      expect(oval?.doubt.mean).toBeCloseTo(1 / Math.sqrt(n), 9);
      expect(oval?.doubt.amplitude).toBeCloseTo(Math.sqrt(2 / n), 9);
    }
  });

  it('says nothing from two directions, however often they are read', () => {
    const at = (...angles: number[]) => angles.map((angle) => ({ angle, value: 1e8 + angle }));
    expect(fitOval(at(0, 90))).toBeNull();
    expect(fitOval(at(0, 90, 180, 270, 90.2))).toBeNull();
    expect(fitOval(at(0, 60, 120))).not.toBeNull();
  });

  it('folds directions: a diameter has two ends', () => {
    expect([0, 90, 180, 270, -30, 359].map(foldedDirection)).toEqual([0, 90, 0, 90, 150, 179]);
    expect([
      betweenDirections(0, 179),
      betweenDirections(90, 270),
      betweenDirections(30, 150),
      betweenDirections(0, 90),
    ]).toEqual([1, 0, 60, 90]);
  });
});

describe('how far from round a round bore reads', () => {
  it('is 2.4477 standard uncertainties at one depth (χ with 2 degrees of freedom, from memory), 3.0281 at the worst of five (the same formula, worked by hand)', () => {
    expect(roundReaches(1, Infinity)).toBeCloseTo(2.4477, 4);
    expect(roundReaches(5, Infinity)).toBeCloseTo(3.0281, 3);
  });

  it('is more where the scatter is known from few readings: √(2 · F(2, 3)) = √(2 · 9.5521) (F table, from memory)', () => {
    expect(roundReaches(1, 3)).toBeCloseTo(Math.sqrt(2 * 9.5521), 3);
    expect(roundReaches(1, 1e6)).toBeCloseTo(roundReaches(1, Infinity), 4);
  });

  it('the distance of an oval is what it explains of the readings, in whichever directions (identity of least squares)', () => {
    const uneven = [0, 25, 70, 110];
    fc.assert(
      fc.property(fc.array(fc.integer({ min: -50, max: 50 }), { minLength: 4, maxLength: 4 }), (off) => {
        const points = uneven.map((angle, i) => ({ angle, value: 1_000 + (off[i] ?? 0) }));
        const oval = fitOval(points);
        if (!oval) throw new Error('four directions tell an oval');
        const middle = points.reduce((sum, p) => sum + p.value, 0) / points.length;
        const squares = (of: (p: { angle: number; value: number }) => number): number =>
          points.reduce((sum, p) => sum + of(p) ** 2, 0);
        const explained = squares((p) => p.value - middle) - squares((p) => p.value - ovalAt(oval, p.angle));
        expect(oval.distance ** 2).toBeCloseTo(explained, 3);
      }),
    );
  });

  it('the distance of an oval counts both its parameters, whichever way it lies', () => {
    for (const direction of [0, 20, 45, 90, 133]) {
      const oval = fitOval(
        [0, 60, 120].map((angle) => ({ angle, value: ovalAt({ mean: 100, amplitude: 3, direction }, angle) })),
      );
      expect(oval?.distance).toBeCloseTo(3 / Math.sqrt(2 / 3), 9);
    }
  });
});
