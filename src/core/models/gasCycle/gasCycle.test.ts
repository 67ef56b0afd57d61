import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { gap, record } from '@/fixtures/records';
import { hotGap } from '../heat/hotGap';
import { judge } from '../../judge/judge';
import { fromMm, fromThou } from '../../foundation/quantity/length';
import { type Cycle, type RingSpace, gasCycle, spaceVolume } from './cycle';
import { CHOKED, GAS_CONSTANT, flowFactor, massFlow } from './flow';
import { studyAsk, studyOf, usualRunning } from '../../judge/gasCycleStudy';
import { type CycleEngine, pressureTrace, volumeAt } from './trace';

/** A street V8 at full load. */
const STREET: CycleEngine = {
  ...{ bore: 0.1, stroke: 0.087, rod: 0.148, compression: 9.5, rpm: 3_000 },
  ...{ inlet: 98_000, charge: 330, heat: 2.3e6, nitrous: 1 },
};
const SPACE: RingSpace = {
  ...{ top: 3e-4, second: 4e-4, landClearance: 4e-4, landHeight: 4.5e-3 },
  ...{ behind: { radial: 5e-4, axial: 1.2e-3 }, kelvin: 400 },
};
const run = (space: Partial<RingSpace> = {}, engine: Partial<CycleEngine> = {}): Cycle =>
  gasCycle({ ...STREET, ...engine }, { ...SPACE, ...space });

describe('flow through a gap', () => {
  it('is choked under 0.528, as at 0.6847 of √(R·T) (textbook, recalled)', () => {
    expect(CHOKED).toBeCloseTo(0.5283, 4);
    expect(flowFactor(0.3)).toBeCloseTo(0.6847, 4);
    expect(massFlow(1e-6, 600_000, 100_000, 400)).toBeCloseTo((1e-6 * 600_000 * 0.6847) / Math.sqrt(287 * 400), 6);
  });

  it('is none at equal pressures, and the same the other way round', () => {
    expect(massFlow(1e-6, 300_000, 300_000, 400)).toBe(0);
    fc.assert(
      fc.property(
        fc.double({ min: 1e5, max: 1e7, noNaN: true }),
        fc.double({ min: 1e5, max: 1e7, noNaN: true }),
        (a, b) => {
          expect(massFlow(1e-7, a, b, 400)).toBeCloseTo(-massFlow(1e-7, b, a, 400), 15);
        },
      ),
    );
  });
});

describe('the pressure over the piston', () => {
  it('the volume is that of the slider–crank: compression as given, a stroke between the dead centres (identity)', () => {
    expect(volumeAt(STREET, 180) / volumeAt(STREET, 0)).toBeCloseTo(9.5, 10);
    expect(volumeAt(STREET, 180) - volumeAt(STREET, 0)).toBeCloseTo((Math.PI * 0.1 ** 2 * 0.087) / 4, 12);
    // at 90° the piston is past the middle: r + l − √(l² − r²)
    const down = (volumeAt(STREET, 90) - volumeAt(STREET, 0)) / ((Math.PI * 0.1 ** 2) / 4);
    expect(down).toBeCloseTo(0.0435 + 0.148 - Math.sqrt(0.148 ** 2 - 0.0435 ** 2), 12);
  });

  it('without heat it is polytropic (identity), and with it the peak is what such engines have: 55 to 75 bar (from memory)', () => {
    const cold = pressureTrace({ ...STREET, heat: 0 }, 1_440);
    const at = (degrees: number): number => cold.pressures[(degrees + 360) / cold.step] ?? 0;
    expect(at(0) / at(-90)).toBeCloseTo((volumeAt(STREET, -90) / volumeAt(STREET, 0)) ** 1.32, 4);
    expect(at(60)).toBeCloseTo(at(-60), 0);
    const { peak } = run();
    expect(peak.over).toBeGreaterThan(55);
    expect(peak.over).toBeLessThan(75);
  });

  it('is refused where the engine cannot be', () => {
    for (const wrong of [{ rod: 0.04 }, { stroke: 0 }, { compression: 1 }])
      expect(() => pressureTrace({ ...STREET, ...wrong }, 720)).toThrow(RangeError);
  });
});

describe('between the rings', () => {
  it('repeats itself: what comes in over a cycle goes out, to a millionth', () => {
    for (const space of [{}, { second: 1e-6 }, { top: 1e-6 }, { second: 2e-3 }])
      expect(Math.abs(run(space).imbalance)).toBeLessThan(1e-6);
  });

  it('a closed second gap gives no blow-by; an open one the usual: 0.2 to 1 % of what it breathes (from memory)', () => {
    expect(run({ second: 0 }).blowBy).toBe(0);
    const { share, blowBy } = run();
    expect(share).toBeGreaterThan(0.002);
    expect(share).toBeLessThan(0.01);
    expect(blowBy).toBeGreaterThan(1);
  });

  it('peaks at a twentieth to a quarter of the peak over the piston, later than that', () => {
    const { peak, over, between, degrees } = run();
    expect(peak.between / peak.over).toBeGreaterThan(0.05);
    expect(peak.between / peak.over).toBeLessThan(0.25);
    const at = (list: number[]): number => degrees[list.indexOf(Math.max(...list))] ?? 0;
    expect(at(between)).toBeGreaterThan(at(over));
  });

  it('holds more than the cylinder late in expansion and in exhaust, and less so with a wider second gap', () => {
    const most = (c: Cycle): number => Math.max(0, ...c.lift.map((l) => l.most));
    const tight = run({ second: 2e-4 });
    const wide = run({ second: 8e-4 });
    expect(most(wide)).toBeLessThan(most(tight));
    expect(wide.blowBy).toBeGreaterThan(tight.blowBy);
    const begins = (c: Cycle): number => c.lift.find((l) => l.from > 0)?.from ?? 360;
    expect(begins(wide)).toBeGreaterThan(begins(tight));
    expect(begins(tight)).toBeGreaterThan(30);
    expect(begins(wide)).toBeLessThan(200);
  });

  it('agrees with an independent integration: explicit Runge–Kutta in mass, at a fiftieth of a degree', () => {
    const steps = 36_000;
    const { pressures } = pressureTrace(STREET, steps);
    const dt = 720 / steps / (6 * STREET.rpm);
    const volume = spaceVolume(STREET.bore, SPACE);
    const toPressure = (mass: number): number => (mass * GAS_CONSTANT * SPACE.kelvin) / volume;
    const rate = (mass: number, over: number): number => {
      const p = toPressure(mass);
      const flow = (area: number, from: number, to: number): number =>
        massFlow(0.75 * area * SPACE.landClearance, from, to, SPACE.kelvin);
      return flow(SPACE.top, over, p) - flow(SPACE.second, p, 100_000);
    };
    let mass = (100_000 * volume) / (GAS_CONSTANT * SPACE.kelvin);
    let peak = 0;
    for (let turn = 0; turn < 6; turn += 1) {
      peak = 0;
      for (let i = 1; i < pressures.length; i += 1) {
        const [a, b] = [pressures[i - 1] ?? 0, pressures[i] ?? 0];
        const k1 = rate(mass, a);
        const k2 = rate(mass + (dt / 2) * k1, (a + b) / 2);
        const k3 = rate(mass + (dt / 2) * k2, (a + b) / 2);
        const k4 = rate(mass + dt * k3, b);
        mass += (dt / 6) * (k1 + 2 * k2 + 2 * k3 + k4);
        peak = Math.max(peak, toPressure(mass));
      }
    }
    expect(Math.abs(run().peak.between / (peak / 1e5) - 1)).toBeLessThan(0.0015);
  });

  it('is asked of a cylinder with its gaps as read, hot; a gap that the heat model has closed is 0', () => {
    const ask = (thou: number) => {
      const { cylinders, duty } = judge(record(gap('t', 'L1', 'top', thou)));
      const [cylinder] = cylinders;
      return cylinder ? studyAsk(cylinder, duty.load, usualRunning(fromMm(100), 1)) : null;
    };
    expect(ask(30)?.top).toBeGreaterThan(0);
    expect((ask(32)?.top ?? 0) - (ask(30)?.top ?? 0)).toBeCloseTo(fromThou(2) * 1.002, -3);
    expect(ask(5)?.top).toBe(0);
    expect(ask(30)).toMatchObject({ inlet: 1, nitrous: 1 });
  });

  it('a study moves as either gap does: a wider second gap vents more and is paid in blow-by', () => {
    const bore = fromMm(100);
    const running = usualRunning(bore, 1);
    const { bySecond, byTop, here } = studyOf({
      ...{ bore, running, inlet: 1, nitrous: 1 },
      ...{ top: fromMm(0.3), second: fromMm(0.4), wall: 120 },
    });
    const rises = (list: number[]): boolean => list.every((v, i) => i === 0 || v > (list[i - 1] ?? 0));
    expect(rises(bySecond.map((p) => p.blowBy))).toBe(true);
    expect(rises(bySecond.map((p) => -p.peak))).toBe(true);
    expect(rises(byTop.map((p) => p.blowBy))).toBe(true);
    expect(rises(byTop.map((p) => p.peak))).toBe(true);
    expect(bySecond[2]?.peak).toBe(here.peak.between);
  });
});

describe('what the model is asked', () => {
  it('has stroke and speed as the job card gives them; without them, what is usual of the bore', () => {
    const given = usualRunning(fromMm(100), 1, { stroke: fromMm(84.5), redline: 7_200 });
    expect(given).toMatchObject({ stroke: 84.5, rpm: 7_200, rod: 144 });
    expect(usualRunning(fromMm(100), 1)).toMatchObject({ stroke: 87, rpm: 6_200 });
    expect(usualRunning(fromMm(100), 1, { stroke: null, redline: 5_000 })).toMatchObject({ stroke: 87, rpm: 5_000 });
  });

  it('has the gaps as they are by the mean wall: the gas passes over all of the travel, not at its bottom', () => {
    const { cylinders, duty } = judge(record(gap('g', 'L1', 'top', 24)));
    const [cylinder] = cylinders;
    const heat = cylinder?.heat;
    if (!cylinder || !heat) throw new Error('its heat is known');
    const ask = studyAsk(cylinder, duty.load, usualRunning(fromMm(100), 1));
    const { assumed, heat: ring } = heat.rings.top;
    expect(ask?.top).toBe(Math.round(hotGap(fromThou(24), assumed, { ...ring, wall: heat.temperatures.wall })));
    expect(heat.temperatures.wall).toBeGreaterThan(ring.wall);
  });
});
