import { erf } from 'mathjs';
import { mean, standardDeviation } from 'simple-statistics';
import { describe, expect, it } from 'vitest';
import { fromThou } from '../../foundation/quantity/length';
import { type RingHeat, buttingTemperature, hotGap } from './hotGap';
import { HOT_BORE, HOT_RING } from './metals';
import { randomFrom } from './random';
import { type SimulationAsk, chanceWords, simulate, simulation } from './simulate';

const [RING, BORE] = [11.2e-6, 10.8e-6];
const heat: RingHeat = {
  bore: 101_600_000,
  ringExpansion: { at0: RING, each: 0 },
  boreExpansion: { at0: BORE, each: 0 },
  wall: 120,
};
const exact = { least: fromThou(16), most: fromThou(16) };
const ask: SimulationAsk = {
  cold: exact,
  heat,
  ring: 200,
  spread: { ring: 40, wall: 20, expansion: 0 },
  draws: 200_000,
  seed: 1,
  at: [20, 150, 230],
};

/** The normal distribution's share under z (identity; erf from a reference library). */
const under = (z: number): number => (1 + erf(z / Math.SQRT2)) / 2;

describe('numbers drawn', () => {
  const random = randomFrom(7);
  const uniforms = Array.from({ length: 50_000 }, random.uniform);
  const normals = Array.from({ length: 50_000 }, random.normal);

  it('uniform: mean ½ and deviation 1/√12, within five standard errors (identity; reference library: simple-statistics)', () => {
    expect(Math.abs(mean(uniforms) - 0.5)).toBeLessThan(5 / Math.sqrt(12 * 50_000));
    expect(standardDeviation(uniforms)).toBeCloseTo(1 / Math.sqrt(12), 2);
    expect(Math.min(...uniforms)).toBeGreaterThan(0);
    expect(Math.max(...uniforms)).toBeLessThan(1);
  });

  it('normal: mean 0, deviation 1, and the shares inside one and two deviations (identity)', () => {
    expect(Math.abs(mean(normals))).toBeLessThan(5 / Math.sqrt(50_000));
    expect(standardDeviation(normals)).toBeCloseTo(1, 1);
    for (const z of [1, 2]) {
      const share = normals.filter((x) => Math.abs(x) < z).length / normals.length;
      const p = under(z) - under(-z);
      expect(Math.abs(share - p)).toBeLessThan(5 * Math.sqrt((p * (1 - p)) / 50_000));
    }
  });

  it('come again from the same seed, and are others from another', () => {
    const three = (seed: number): number[] => Array.from({ length: 3 }, randomFrom(seed).uniform);
    expect(three(5)).toEqual(three(5));
    expect(three(5)).not.toEqual(three(6));
  });
});

describe('the chance that a gap closes', () => {
  it.each([170, 200, 230, 250])(
    'is the closed form where inputs are normal and the model linear: ring assumed at %s °C (identity)',
    (ring) => {
      const result = simulate({ ...ask, ring });
      const slope = {
        ring: (Math.PI * heat.bore - exact.least) * RING,
        wall: Math.PI * heat.bore * BORE,
      };
      const deviation = Math.hypot(slope.ring * 20, slope.wall * 10);
      const p = under(-hotGap(exact.least, ring, heat) / deviation);
      expect(Math.abs(result.chance - p)).toBeLessThan(5 * Math.sqrt((p * (1 - p)) / ask.draws) + 1e-5);
      expect(result.closed).toBe(Math.round(result.chance * result.draws));
    },
  );

  it('gives the margin’s mean and deviation: closed form where only the ring’s temperature is spread (identity)', () => {
    const { margin } = simulate({ ...ask, spread: { ring: 40, wall: 0, expansion: 0 } });
    expect(margin.mean).toBeCloseTo(buttingTemperature(exact.least, heat) - 200, 0);
    expect(margin.deviation).toBeCloseTo(20, 0);
  });

  it('with nothing spread it is none or all, and the band is the line itself', () => {
    const still = { ...ask, spread: { ring: 0, wall: 0, expansion: 0 }, draws: 100 };
    expect(simulate(still).chance).toBe(0);
    expect(simulate({ ...still, ring: 300 }).chance).toBe(1);
    for (const point of simulate(still).band) {
      expect(point.low).toBeCloseTo(hotGap(exact.least, point.celsius, heat), 0);
      expect(point.high).toBeCloseTo(point.low, 0);
    }
  });

  it('with coefficients that rise with temperature the band with nothing spread is the curve itself', () => {
    const rising = { ...heat, ringExpansion: HOT_RING.ductileIron, boreExpansion: HOT_BORE.plated };
    const still = { ...ask, heat: rising, spread: { ring: 0, wall: 0, expansion: 0 }, draws: 50 };
    for (const point of simulate(still).band)
      expect(point.middle).toBeCloseTo(hotGap(exact.least, point.celsius, rising), 0);
  });

  it('the band holds nine in ten: the normal’s 5 % and 95 % where only the wall is spread (identity)', () => {
    const [cold] = simulate({ ...ask, spread: { ring: 0, wall: 20, expansion: 0 } }).band;
    const deviation = Math.PI * heat.bore * BORE * 10;
    expect(((cold?.high ?? 0) - (cold?.middle ?? 0)) / (1.6449 * deviation)).toBeCloseTo(1, 1);
    expect(((cold?.middle ?? 0) - (cold?.low ?? 0)) / (1.6449 * deviation)).toBeCloseTo(1, 1);
  });

  it('a bracket is drawn evenly between its two leaves', () => {
    const bracket = { least: fromThou(15), most: fromThou(17) };
    const [cold] = simulate({ ...ask, cold: bracket, spread: { ring: 0, wall: 0, expansion: 0 } }).band;
    const wide = (cold?.high ?? 0) - (cold?.low ?? 0);
    expect(wide / fromThou(2)).toBeCloseTo(0.9, 1);
  });

  it('is the same from the same seed, in parts or at once; a stopped run says how far it came', () => {
    const whole = simulate({ ...ask, draws: 5_000 });
    const parted = simulation({ ...ask, draws: 5_000 });
    parted.step(1_234);
    expect(parted.done()).toBe(1_234);
    expect(parted.result().draws).toBe(1_234);
    parted.step(1_000_000);
    expect(parted.result()).toEqual(whole);
    expect(simulate({ ...ask, draws: 5_000, seed: 2 }).closed).not.toBe(whole.closed);
  });

  it.each([
    [0, '< 1 in 6,666'],
    [4, '1 in 5,000'],
    [136, '0.68 %'],
    [840, '4.2 %'],
    [20_000, '100.0 %'],
  ])('%s of 20,000 closed is said as %s', (closed, words) => {
    expect(chanceWords({ ...simulate({ ...ask, draws: 1 }), draws: 20_000, closed, chance: closed / 20_000 })).toBe(
      words,
    );
  });

  it.each([0, -1, 1.5, 2_000_001, Number.NaN])('refuses %s draws', (draws) => {
    expect(() => simulation({ ...ask, draws })).toThrow(RangeError);
  });
});
