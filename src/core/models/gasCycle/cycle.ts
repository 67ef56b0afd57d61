/**
 * What stands between the two compression rings through a cycle: orifices and volumes in series over the crank angle
 * (S. Furuhama and T. Tada, 1961; L. L. Ting and J. E. Mayer, J. Lubr. Technol. 96, 1974; both recalled, not opened).
 * Gas leaks past the top ring's gap into the space between, is kept there, and leaves past the second ring's gap; where
 * the space holds more than the cylinder it leaks back, and the top ring can lift. A model: direction and size.
 */
import { GAS_CONSTANT, massFlow } from './flow';
import { type CycleEngine, type PressureTrace, pressureTrace } from './trace';

/** The leaks and the space between the rings. */
export interface RingSpace {
  /** Gaps as they are hot, m. */
  top: number;
  second: number;
  /** Between piston and wall at the second and at the third land, on the radius, m. */
  landClearance: number;
  /** Height of the second land, and the free room behind and over the second ring: radial and axial, m. */
  landHeight: number;
  behind: { radial: number; axial: number };
  /** Of the gas between the rings, K. */
  kelvin: number;
}

export interface Cycle {
  /** Degrees of the crank after top dead centre, of each figure. */
  degrees: number[];
  /** Over the piston and between the rings, bar. */
  over: number[];
  between: number[];
  peak: { over: number; between: number };
  /** Where the space holds more than the cylinder: from and to in degrees, and by how much at most, bar. */
  lift: { from: number; to: number; most: number }[];
  /** Past the second ring into the crankcase, litres a minute at 1 bar and 25 °C, of one cylinder. */
  blowBy: number;
  /** The same as a share of the air that it breathes. */
  share: number;
  /** What came in less what went out over the cycle, as a share of what came in: 0 once it repeats itself. */
  imbalance: number;
}

/** Pressure in the crankcase, Pa. From memory. */
const CRANKCASE = 100_000;
/** Discharge coefficient of a ring gap: 0.65 to 0.85, recalled. */
const DISCHARGE = 0.75;
/** Litres of a kilogram of air at 1 bar and 25 °C. */
const LITRES_PER_KG = (GAS_CONSTANT * 298.15 * 1_000) / CRANKCASE;

/** Volume between the rings, m³: the land's clearance and what is free of the second groove, all round. */
export const spaceVolume = (
  bore: number,
  { landClearance, landHeight, behind }: Pick<RingSpace, 'landClearance' | 'landHeight' | 'behind'>,
): number => Math.PI * bore * (landClearance * landHeight + behind.radial * behind.axial);

/** How near a root is found, Pa. */
const NEAR = 1e-5;

/** The root of a function that falls, between two ends: regula falsi, with halving where it sticks. */
function rootOf(f: (x: number) => number, low: number, high: number): number {
  let [a, b] = [low, high];
  let [fa, fb] = [f(a), f(b)];
  if (fa <= 0) return a;
  if (fb >= 0) return b;
  let side = 0;
  for (let i = 0; i < 60; i += 1) {
    const x = (fa * b - fb * a) / (fa - fb);
    const fx = f(x);
    if (fx === 0 || Math.abs(b - a) < NEAR) return x;
    if (fx > 0) {
      [a, fa] = [x, fx];
      if (side === 1) fb /= 2;
      side = 1;
    } else {
      [b, fb] = [x, fx];
      if (side === -1) fa /= 2;
      side = -1;
    }
  }
  return (a + b) / 2;
}

/**
 * One run round the cycle from a pressure between the rings, by the trapezoidal rule (A-stable): implicit, so that no
 * step is too stiff.
 */
function round(
  { pressures, step }: PressureTrace,
  engine: CycleEngine,
  space: RingSpace,
  start: number,
): { between: Float64Array; came: number; left: number } {
  const seconds = step / (6 * engine.rpm);
  const { kelvin, landClearance } = space;
  const inArea = DISCHARGE * space.top * landClearance;
  const outArea = DISCHARGE * space.second * landClearance;
  const capacity = spaceVolume(engine.bore, space) / (GAS_CONSTANT * kelvin);
  const comes = (over: number, p: number): number => massFlow(inArea, over, p, kelvin);
  const leaves = (p: number): number => massFlow(outArea, p, CRANKCASE, kelvin);
  const between = new Float64Array(pressures.length);
  between[0] = start;
  let [came, left, p] = [0, 0, start];
  for (let i = 1; i < pressures.length; i += 1) {
    const over = pressures[i] ?? 0;
    const before = comes(pressures[i - 1] ?? 0, p) - leaves(p);
    const was = p;
    const balance = (x: number): number => capacity * (was - x) + (seconds / 2) * (before + comes(over, x) - leaves(x));
    const reach = Math.max(over, was, pressures[i - 1] ?? 0, CRANKCASE);
    p = rootOf(balance, 0, reach * 1.01);
    came += (seconds / 2) * (comes(pressures[i - 1] ?? 0, was) + comes(over, p));
    left += (seconds / 2) * (leaves(was) + leaves(p));
    between[i] = p;
  }
  return { between, came, left };
}

/** Rounds at the most until the cycle repeats itself, and how near: as a share. */
const MOST_ROUNDS = 40;
/** How near the cycle has to repeat itself, as a share. */
const SAME = 1e-10;
/** Steps to a cycle to begin with and at the most, and how little halving them may change the peak between the rings. */
const FIRST_STEPS = 720;
const MOST_STEPS = 5_760;
const SETTLED = 1e-3;

/** The cycle that repeats itself: the pressure it begins with is found by the secant of what one round makes of it. */
function periodic(trace: PressureTrace, engine: CycleEngine, space: RingSpace) {
  let start = CRANKCASE;
  let found = round(trace, engine, space, start);
  let off = (found.between.at(-1) ?? start) - start;
  let before: { start: number; off: number } | null = null;
  for (let i = 0; i < MOST_ROUNDS && Math.abs(off) > SAME * start; i += 1) {
    const slope: number = before ? (off - before.off) / (start - before.start) : -1;
    const next: number = start - off / slope;
    before = { start, off };
    start = next > 0 && Number.isFinite(next) ? next : start + off;
    found = round(trace, engine, space, start);
    off = (found.between.at(-1) ?? start) - start;
  }
  return found;
}

/** Where the space holds more than the cylinder. */
function liftsIn(degrees: readonly number[], over: readonly number[], between: readonly number[]): Cycle['lift'] {
  const lifts: Cycle['lift'] = [];
  let wasOver = true;
  for (const [i, at] of degrees.entries()) {
    const more = (between[i] ?? 0) - (over[i] ?? 0);
    if (more > 0 && wasOver) lifts.push({ from: at, to: at, most: more });
    const open = lifts.at(-1);
    if (more > 0 && open) {
      open.to = at;
      open.most = Math.max(open.most, more);
    }
    wasOver = more <= 0;
  }
  return lifts;
}

/** Degrees between the figures that are given. */
const SHOWN = 2;
const toBar = (pascal: number): number => pascal / 100_000;

/**
 * The pressures over the piston and between the rings through a cycle that repeats itself. Steps are halved until the
 * peak between the rings changes by less than a thousandth.
 *
 * @param traces of this engine by their steps, kept from one run to the next
 * @throws RangeError as `pressureTrace`
 * @example
 *   gasCycle({ bore: 0.1, stroke: 0.087, rod: 0.148, compression: 10, rpm: 3000, inlet: 101_325, charge: 330, heat:
 *   2.3e6, nitrous: 1 }, { top: 3e-4, second: 4e-4, landClearance: 4e-4, landHeight: 4.5e-3, behind: { radial:
 *   5e-4, axial: 1.2e-3 }, kelvin: 400 }).lift.length > 0 // true
 */
export function gasCycle(engine: CycleEngine, space: RingSpace, traces = new Map<number, PressureTrace>()): Cycle {
  const traceOf = (of: number): PressureTrace => {
    const known = traces.get(of) ?? pressureTrace(engine, of);
    traces.set(of, known);
    return known;
  };
  let steps = FIRST_STEPS;
  let found = periodic(traceOf(steps), engine, space);
  const peakOf = ({ between }: { between: Float64Array }): number => between.reduce((a, b) => Math.max(a, b), 0);
  while (steps < MOST_STEPS) {
    const finer = periodic(traceOf(steps * 2), engine, space);
    const isSettled = Math.abs(peakOf(finer) - peakOf(found)) <= SETTLED * peakOf(finer);
    steps *= 2;
    found = finer;
    if (isSettled) break;
  }
  const { between, came, left } = found;
  const trace = traceOf(steps);
  const every = Math.round(SHOWN / trace.step);
  const at = Array.from({ length: 720 / SHOWN + 1 }, (_, i) => i * every);
  const degrees = at.map((i) => i * trace.step - 360);
  const over = at.map((i) => toBar(trace.pressures[i] ?? 0));
  const p2 = at.map((i) => toBar(between[i] ?? 0));
  const cycles = engine.rpm / 2;
  const breathed = (engine.inlet * Math.PI * engine.bore ** 2 * engine.stroke) / 4 / (GAS_CONSTANT * engine.charge);
  return {
    degrees,
    over,
    between: p2,
    peak: { over: toBar(trace.pressures.reduce((a, b) => Math.max(a, b), 0)), between: toBar(peakOf(found)) },
    lift: liftsIn(degrees, over, p2),
    blowBy: left * cycles * LITRES_PER_KG,
    share: left / breathed,
    imbalance: came === 0 && left === 0 ? 0 : (came - left) / Math.max(Math.abs(came), Math.abs(left)),
  };
}
