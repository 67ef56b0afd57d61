/**
 * The heat model put to one cylinder: what its gaps and its clearance come to hot, and how far from trouble.
 */
import type { Nm } from '../quantity/length';
import type { ChartColumn, ChartRow } from '../targets/chart';
import type { Surface, Target } from '../targets/target';
import {
  COLD,
  type PistonHeat,
  type RingHeat,
  buttingTemperature,
  closingTemperature,
  hotGap,
  runningClearance,
} from './heat';
import { BORE_EXPANSION, PISTON_EXPANSION, RING_EXPANSION, type RingMetal } from './metals';
import { temperatureSpread } from '../load/load';
import { belowOnAverage } from '../uncertainty/spread';
import type { ColdGap, HeatSpread } from './simulate';

export type HeatRing = 'top' | 'second';

/** What is assumed of the heat. A temperature that is null is the duty's; the ring set's metal goes before this one. */
export interface HeatChoices {
  ringMetal: RingMetal;
  /** Mean temperatures, °C. */
  top: number | null;
  second: number | null;
  wall: number | null;
  skirt: number | null;
  spread: HeatSpread;
  /** Half-width of one feeler reading. */
  feeler: Nm;
}

/** From memory: ring ± 30 °C, wall ± 15 °C, expansions ± 4 %, half a thou of feel. */
export const STARTING_HEAT: HeatChoices = {
  ringMetal: 'ductileIron',
  top: null,
  second: null,
  wall: null,
  skirt: null,
  spread: { ring: 30, wall: 15, expansion: 0.04 },
  feeler: 12_700,
};

/** The second ring runs cooler than the top by about so many kelvin. From memory. */
export const SECOND_COOLER = 40;
/** A chance of closing over this is called out. */
export const THIN_CHANCE = 0.05;

export interface Temperatures {
  top: number;
  second: number;
  wall: number;
  skirt: number;
}

/** Temperatures assumed for a duty, with what was chosen instead. A skirt is taken to be as hot as its wall. From memory. */
function temperaturesFor(row: ChartRow | null, heat: HeatChoices): Temperatures | null {
  const top = heat.top ?? row?.ringTemperature ?? null;
  const wall = heat.wall ?? row?.wallTemperature ?? null;
  if (top === null || wall === null) return null;
  return { top, second: heat.second ?? top - SECOND_COOLER, wall, skirt: heat.skirt ?? wall };
}

/** How far the assumed temperatures of a ring may be off: where they follow from a heat load, that one's spread is in it. */
function spreadFor(ring: HeatRing, row: ChartRow | null, heat: HeatChoices): HeatSpread {
  const { spread } = heat;
  if (row?.load == null) return spread;
  const off = temperatureSpread(row.load);
  const fromLoad = heat.top === null && (ring === 'top' || heat.second === null);
  return {
    ...spread,
    ring: fromLoad ? Math.hypot(spread.ring, off.ring) : spread.ring,
    wall: heat.wall === null ? Math.hypot(spread.wall, off.wall) : spread.wall,
  };
}

export type HeatPoint = 'minimum' | 'aim' | 'measured';

/** One cold gap as the model has it hot. */
export interface HotGap {
  point: HeatPoint;
  cold: Nm;
  /** As far as it is known, for a simulation. */
  known: ColdGap;
  /** At the assumed ring temperature, nm; negative: the ends would overlap. */
  hot: number;
  /** °C at which the ends meet. */
  butting: number;
  /** Butting − assumed, K. */
  margin: number;
  /** The chance that the ends meet, 0 to 1, by how far the temperatures and the expansions may be off. */
  chance: number;
}

export interface JudgedRingHeat {
  assumed: number;
  metal: RingMetal;
  heat: RingHeat;
  /** How far what is assumed may be off. */
  spread: HeatSpread;
  points: HotGap[];
}

/** One cold clearance as the model has it hot. */
export interface HotClearance {
  point: HeatPoint;
  cold: Nm;
  /** At the assumed skirt temperature, nm. */
  hot: number;
  /** °C of the skirt at which it is gone on paper. */
  closing: number;
}

export interface JudgedHeat {
  temperatures: Temperatures;
  /** What the bore and the piston are taken to be; `assumed` where the job card does not say. */
  bore: { surface: Surface; assumed: boolean };
  rings: Record<HeatRing, JudgedRingHeat>;
  /** Null while the piston is not said. */
  piston: { assumed: number; heat: PistonHeat; points: HotClearance[] } | null;
}

/**
 * The chance that a gap closes hot: the model is all but a plane over what may be off, so its spread is that of a sum.
 * The same inputs as the draws, without drawing.
 *
 * @example closingChance({ least: 0, most: 0 }, 300, { bore: 100_000_000, ringExpansion: 12e-6, boreExpansion: 12e-6, wall: 120 }, STARTING_HEAT.spread) // 1
 */
export function closingChance(known: ColdGap, assumed: number, heat: RingHeat, spread: HeatSpread): number {
  const [ring, wall] = [assumed - COLD, heat.wall - COLD];
  const round = Math.PI * heat.bore;
  const standard =
    (round / 2) *
    Math.hypot(
      heat.ringExpansion * spread.ring,
      heat.boreExpansion * spread.wall,
      heat.ringExpansion * spread.expansion * ring,
      heat.boreExpansion * spread.expansion * wall,
    );
  const [low, high] = [hotGap(known.least, assumed, heat), hotGap(known.most, assumed, heat)];
  return belowOnAverage(-high, -low, standard, Infinity);
}

function hotGapOf(
  point: HeatPoint,
  cold: Nm,
  known: ColdGap,
  assumed: number,
  heat: RingHeat,
  spread: HeatSpread,
): HotGap {
  const hot = hotGap(cold, assumed, heat);
  const butting = buttingTemperature(cold, heat);
  return {
    point,
    cold,
    known,
    hot,
    butting,
    margin: butting - assumed,
    chance: closingChance(known, assumed, heat, spread),
  };
}

const hotClearanceOf = (point: HeatPoint, cold: Nm, assumed: number, heat: PistonHeat): HotClearance => ({
  point,
  cold,
  hot: runningClearance(cold, assumed, heat),
  closing: closingTemperature(cold, heat),
});

export interface HeatAsk {
  bore: Nm;
  row: ChartRow | null;
  column: ChartColumn | null;
  surface: Surface | null;
  choices: HeatChoices;
  targets: Record<HeatRing | 'clearance', Target>;
  measured: Record<HeatRing, { value: Nm; low: number; high: number } | null>;
  /** What the rings are made of. */
  metals: Record<HeatRing, RingMetal>;
  /** Measured clearance; null when there is none. */
  clearance: Nm | null;
}

/** As far over a leaf that passed with no larger one tried as the gap is taken to lie: two leaves of a set in thou. From memory. */
const MOST_OPEN: Nm = 50_800;

function ringHeat(ring: HeatRing, ask: HeatAsk, temperatures: Temperatures, surface: Surface): JudgedRingHeat {
  const { choices, bore, metals } = ask;
  const heat: RingHeat = {
    bore,
    wall: temperatures.wall,
    ringExpansion: RING_EXPANSION[metals[ring]],
    boreExpansion: BORE_EXPANSION[surface],
  };
  const assumed = temperatures[ring];
  const spread = spreadFor(ring, ask.row, choices);
  const target = ask.targets[ring];
  const about = (cold: Nm): ColdGap => ({ least: Math.max(0, cold - choices.feeler), most: cold + choices.feeler });
  const reading = ask.measured[ring];
  const points = [
    ...(target.set
      ? [hotGapOf('minimum', target.inForce.aimFrom, about(target.inForce.aimFrom), assumed, heat, spread)]
      : []),
    ...(target.set && target.inForce.aimTo !== null
      ? [hotGapOf('aim', target.inForce.aimTo, about(target.inForce.aimTo), assumed, heat, spread)]
      : []),
    ...(reading
      ? [
          hotGapOf(
            'measured',
            reading.value,
            {
              least: Math.max(0, Math.round(reading.low)),
              most: Math.round(Math.min(reading.high, reading.low + MOST_OPEN)),
            },
            assumed,
            heat,
            spread,
          ),
        ]
      : []),
  ];
  return { assumed, metal: metals[ring], heat, spread, points };
}

/**
 * The heat model of one cylinder, or null where no temperature is known (no duty said and none entered), or the bore is none.
 *
 * @example cylinder.heat?.temperatures.wall // 125
 */
export function heatOf(ask: HeatAsk): JudgedHeat | null {
  const temperatures = temperaturesFor(ask.row, ask.choices);
  if (!temperatures || ask.bore <= 0) return null;
  const surface = ask.surface ?? 'iron';
  const { column, bore, targets } = ask;
  const target = targets.clearance;
  const pistonHeat = column && {
    bore,
    wall: temperatures.wall,
    pistonExpansion: PISTON_EXPANSION[column.alloy],
    boreExpansion: BORE_EXPANSION[surface],
  };
  const clearances: [HeatPoint, Nm | null][] = [
    ['minimum', target.set ? target.inForce.aimFrom : null],
    ['aim', target.set ? target.inForce.aimTo : null],
    ['measured', ask.clearance],
  ];
  return {
    temperatures,
    bore: { surface, assumed: ask.surface === null },
    rings: { top: ringHeat('top', ask, temperatures, surface), second: ringHeat('second', ask, temperatures, surface) },
    piston: pistonHeat && {
      assumed: temperatures.skirt,
      heat: pistonHeat,
      points: clearances.flatMap(([point, cold]) =>
        cold === null || cold < 0 || cold >= bore ? [] : [hotClearanceOf(point, cold, temperatures.skirt, pistonHeat)],
      ),
    },
  };
}
