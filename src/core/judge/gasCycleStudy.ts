/** What the model of the gas between the rings is asked, and how it moves as either gap changes. */
import { hotGap } from '../models/heat/hotGap';
import type { JudgedCylinder } from './judgement';
import type { HeatLoad } from '../models/load/load';
import type { Service } from '../models/load/service';
import type { Nm } from '../foundation/quantity/length';
import { type Cycle, type RingSpace, gasCycle } from '../models/gasCycle/cycle';
import type { CycleEngine, PressureTrace } from '../models/gasCycle/trace';

/** What is said of the engine beside its bore; each from memory where nobody says. */
export interface Running {
  /** mm. */
  stroke: number;
  rod: number;
  compression: number;
  rpm: number;
}

/** Metres in a nanometre. */
const METRES = 1e-9;

/**
 * What is usual of a bore, from memory: a stroke of 0.87 of it, a rod of 1.7 strokes, 10 to 1 (8.5 with boost), and the
 * speed at which the piston makes 18 m/s in the mean.
 *
 * @param inlet pressure in atmospheres
 * @param given stroke and speed as they were entered
 * @example usualRunning(100_000_000, 1) // { stroke: 87, rod: 148, compression: 10, rpm: 6200 }
 */
export function usualRunning(
  bore: Nm,
  inlet: number,
  given: Pick<Service, 'stroke' | 'redline'> = { stroke: null, redline: null },
): Running {
  const stroke = given.stroke === null ? Math.round(0.87 * bore * METRES * 1_000) : given.stroke * METRES * 1_000;
  return {
    stroke,
    rod: Math.round(1.7 * stroke),
    compression: inlet > 1.1 ? 8.5 : 10,
    rpm: given.redline ?? Math.round((18 * 30) / (stroke / 1_000) / 100) * 100,
  };
}

/** Charge as the inlet closes, K; heat of a kilogram of air less what goes into the walls, J. From memory. */
const CHARGE = 330;
/** Heat that a kilogram of charge brings, J. From memory. */
const HEAT = 2.3e6;
/** Standard atmosphere, Pa (ISO 2533:1975). */
const ATMOSPHERE = 101_325;

/** Second land: clearance on the radius and height, and free room of the second groove, as shares of the bore. From memory. */
const LAND = { clearance: 0.004, height: 0.045, radial: 0.005, axial: 0.012 };

export interface StudyAsk {
  bore: Nm;
  running: Running;
  /** Pressure in the inlet, atmospheres; and by how much nitrous raises the power. */
  inlet: number;
  nitrous: number;
  /** Gaps as they are hot, nm. */
  top: Nm;
  second: Nm;
  /** Of the wall, °C: the gas between the rings is as warm. */
  wall: number;
}

/** What comes of other gaps. */
export interface StudyPoint {
  /** Gaps as they are hot. */
  top: Nm;
  second: Nm;
  /** Peak between the rings, bar; most that the top ring can be lifted by, bar; and blow-by of one cylinder, litres a minute. */
  peak: number;
  lift: number;
  blowBy: number;
}

export interface Study {
  here: Cycle;
  /** As the second gap opens from half to twice what it is, and the same of the top gap. */
  bySecond: StudyPoint[];
  byTop: StudyPoint[];
}

/**
 * What the model is asked of a cylinder: its gaps as read, else where their aim begins, hot by the heat model; 0
 * where the ends meet. Null while its heat is not known.
 */
export function studyAsk(
  { heat, targetBore, rings }: Pick<JudgedCylinder, 'heat' | 'targetBore' | 'rings'>,
  load: HeatLoad,
  running: Running,
): StudyAsk | null {
  const [top, second] = [rings.top.target, rings.second.target];
  if (!heat || !targetBore || !top.set || !second.set || !load.set) return null;
  const hot = (ring: 'top' | 'second', cold: number): number =>
    Math.max(
      0,
      Math.round(hotGap(cold, heat.rings[ring].assumed, { ...heat.rings[ring].heat, wall: heat.temperatures.wall })),
    );
  const { inlet, shares } = load.inForce;
  return {
    bore: targetBore.nm,
    running,
    inlet,
    nitrous: shares.reduce((all, { of }) => (of.kind === 'nitrous' ? all * of.ratio : all), 1),
    top: hot('top', rings.top.counts?.value ?? top.inForce.aimFrom),
    second: hot('second', rings.second.counts?.value ?? second.inForce.aimFrom),
    wall: heat.temperatures.wall,
  };
}

/** The engine of a study in SI units: m, rpm, Pa. */
const engineOf = ({ bore, running, inlet, nitrous }: StudyAsk): CycleEngine => ({
  bore: bore * METRES,
  stroke: running.stroke / 1_000,
  rod: running.rod / 1_000,
  compression: running.compression,
  rpm: running.rpm,
  inlet: inlet * ATMOSPHERE,
  ...{ charge: CHARGE, heat: HEAT, nitrous },
});

/** The space between the rings of a study, in m. */
const spaceOf = ({ bore, top, second, wall }: StudyAsk): RingSpace => ({
  top: Math.max(0, top) * METRES,
  second: Math.max(0, second) * METRES,
  landClearance: LAND.clearance * bore * METRES,
  landHeight: LAND.height * bore * METRES,
  behind: { radial: LAND.radial * bore * METRES, axial: LAND.axial * bore * METRES },
  kelvin: wall + 273.15,
});

/** Other gaps that are worked out, as shares of the one in hand. */
const FACTORS = [0.5, 0.75, 1, 1.25, 1.5, 2];

const pointOf = ({ top, second }: StudyAsk, { peak, lift, blowBy }: Cycle): StudyPoint => ({
  ...{ top, second, blowBy },
  peak: peak.between,
  lift: Math.max(0, ...lift.map((l) => l.most)),
});

/**
 * The cycle at the gaps that are asked for, and what other gaps make of it.
 *
 * @throws RangeError as `pressureTrace`
 * @example
 *   studyOf({ bore: 100_000_000, running: usualRunning(100_000_000, 1), inlet: 1, nitrous: 1, top: 300_000, second:
 *   400_000, wall: 120 }).bySecond.length // 6
 */
export function studyOf(ask: StudyAsk): Study {
  const engine = engineOf(ask);
  const traces = new Map<number, PressureTrace>();
  const run = (gaps: Pick<StudyAsk, 'top' | 'second'>): Cycle => gasCycle(engine, spaceOf({ ...ask, ...gaps }), traces);
  const here = run(ask);
  const along = (which: 'top' | 'second'): StudyPoint[] =>
    FACTORS.map((factor) => {
      const gaps = { top: ask.top, second: ask.second, [which]: Math.round(ask[which] * factor) };
      return pointOf({ ...ask, ...gaps }, factor === 1 ? here : run(gaps));
    });
  return { here, bySecond: along('second'), byTop: along('top') };
}
