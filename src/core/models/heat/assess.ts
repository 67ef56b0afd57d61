/**
 * The heat model put to one cylinder: what its gaps and its clearance come to hot, and how far from trouble.
 *
 * A gap is least where the wall is coolest, at the bottom of ring travel, and before the block is warm. Both cases are
 * worked out: the engine warm, and a hot ring in a cold wall. A bore of iron grows little and is judged warm; one of
 * aluminium, which opens the gap by more than the ring closes it once it is warm, by the cold wall.
 */
import type { Nm } from '../../foundation/quantity/length';
import { DEPTHS } from '../../foundation/parts/spots';
import { type ChartColumn, type ChartRow, loadOfRow } from '../charts/chart';
import type { Target } from '../targets/target';
import type { Surface } from '../../foundation/parts/materials';
import {
  type PistonHeat,
  type RingHeat,
  buttingTemperature,
  closingTemperature,
  growth,
  hotGap,
  runningClearance,
} from './hotGap';
import { COLD } from '../../foundation/uncertainty/expansion';
import { type Expansion, type RingMetal, HOT_BORE, HOT_RING, hotSkirt } from './metals';
import { COLD_WALL, COOLANT, secondAt, temperatureSpread, temperaturesAt, wallAt } from './temperatures';
import { AIR_COOLED } from '../load/load';
import { belowOnAverage } from '../../foundation/uncertainty/combine';
import type { ColdGap, HeatSpread } from './simulate';

export type HeatRing = 'top' | 'second';

/** What is assumed of the heat. A temperature that is null is the duty's; the ring set's metal goes before this one. */
export interface HeatChoices {
  ringMetal: RingMetal;
  /** Of the coolant, or of an air-cooled barrel, °C; null for what is usual. */
  coolant: number | null;
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
  coolant: null,
  top: null,
  second: null,
  wall: null,
  skirt: null,
  spread: { ring: 30, wall: 15, expansion: 0.04 },
  feeler: 12_700,
};

/** A chance of closing over this is called out: 5 %, as for verdicts. From memory. */
export const THIN_CHANCE = 0.05;

export interface Temperatures {
  coolant: number;
  top: number;
  second: number;
  /** Of the wall: its mean over ring travel, and at the bottom, where it is coolest. */
  wall: number;
  wallBottom: number;
  skirt: number;
}

type Cooling = 'water' | 'air';

/**
 * The heat load that a row's temperatures follow from; null where it stands for none. Air cooling is in the load of a curve,
 * which gaps are chosen by: the temperatures have the barrel's own instead.
 */
function heatOfRow(row: ChartRow, cooling: Cooling): number | null {
  const load = loadOfRow(row);
  return load !== null && row.load !== null && cooling === 'air' ? load / AIR_COOLED : load;
}

/** Temperatures of a duty, by its heat load or as a shop's own chart gives them; nulls where nothing says. */
export function rowTemperatures(
  row: ChartRow | null,
  coolant: number,
  cooling: Cooling,
): { top: number | null; wall: number | null } {
  if (!row) return { top: null, wall: null };
  const load = heatOfRow(row, cooling);
  const law = load === null ? null : temperaturesAt(load, coolant);
  return { top: row.ringTemperature ?? law?.top ?? null, wall: row.wallTemperature ?? law?.wall ?? null };
}

const tenth = (celsius: number): number => Math.round(celsius * 10) / 10;

/** Temperatures assumed for a duty, with what was chosen instead. A skirt is taken to be as hot as its wall. From memory. */
export function temperaturesFor(row: ChartRow | null, heat: HeatChoices, cooling: Cooling): Temperatures | null {
  const coolant = heat.coolant ?? COOLANT[cooling];
  const duty = rowTemperatures(row, coolant, cooling);
  const [top, wall] = [heat.top ?? duty.top, heat.wall ?? duty.wall];
  if (top === null || wall === null) return null;
  const walls = DEPTHS.map((_, i) => wallAt(i / (DEPTHS.length - 1), wall, coolant));
  return {
    ...{ coolant, top: tenth(top), wall: tenth(wall), wallBottom: tenth(Math.min(...walls)) },
    second: tenth(heat.second ?? secondAt(top, wall)),
    skirt: heat.skirt ?? tenth(wall),
  };
}

/** How far the assumed temperatures of a ring may be off: where they follow from a heat load, that one's spread is in it. */
function spreadFor(ring: HeatRing, { row, choices: heat, cooling }: CaseAsk, { coolant }: Temperatures): HeatSpread {
  const { spread } = heat;
  const load = row && heatOfRow(row, cooling);
  if (!row || load === null) return spread;
  const off = temperatureSpread(load, coolant);
  const fromLoad = heat.top === null && row.ringTemperature === null && (ring === 'top' || heat.second === null);
  return {
    ...spread,
    ring: fromLoad ? Math.hypot(spread.ring, off.ring) : spread.ring,
    wall: heat.wall === null && row.wallTemperature === null ? Math.hypot(spread.wall, off.wall) : spread.wall,
  };
}

export type HeatPoint = 'minimum' | 'aim' | 'measured';

/** The engine warm, the wall as it is at the bottom of ring travel; or a ring as hot in a wall that is not warm yet. */
export const HEAT_CASES = ['warm', 'cold wall'] as const;
export type HeatCase = (typeof HEAT_CASES)[number];

/** One cold gap as the model has it hot, in the case that decides. */
export interface HotGap extends HotCase {
  point: HeatPoint;
  cold: Nm;
  /** As far as it is known, for a simulation. */
  known: ColdGap;
  /** In either case. */
  cases: Record<HeatCase, HotCase>;
}

export interface HotCase {
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
  /** The case that decides, and both. */
  decides: HeatCase;
  heat: RingHeat;
  heats: Record<HeatCase, RingHeat>;
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

/** How fast a metal grows at a temperature, per kelvin: the slope of its growth. */
const slopeAt = ({ at0, each }: Expansion, celsius: number): number => at0 + each * (2 * celsius - COLD);

/**
 * The chance that a gap closes hot: the model is all but a plane over what may be off, so its spread is that of a sum.
 * The same inputs as the draws, without drawing. It is doubt about temperatures that all rings of the engine share, not
 * how many of them would close.
 *
 * @example
 *   closingChance({ least: 0, most: 0 }, 300, { bore: 100_000_000, ringExpansion: { at0: 12e-6, each: 0 },
 *   boreExpansion: { at0: 12e-6, each: 0 }, wall: 120 }, STARTING_HEAT.spread) // 1
 */
export function closingChance(known: ColdGap, assumed: number, heat: RingHeat, spread: HeatSpread): number {
  const round = Math.PI * heat.bore;
  const standard =
    (round / 2) *
    Math.hypot(
      slopeAt(heat.ringExpansion, assumed) * spread.ring,
      slopeAt(heat.boreExpansion, heat.wall) * spread.wall,
      growth(heat.ringExpansion, assumed) * spread.expansion,
      growth(heat.boreExpansion, heat.wall) * spread.expansion,
    );
  const [low, high] = [hotGap(known.least, assumed, heat), hotGap(known.most, assumed, heat)];
  return belowOnAverage(-high, -low, standard, Infinity);
}

function hotCaseOf(cold: Nm, known: ColdGap, assumed: number, heat: RingHeat, spread: HeatSpread): HotCase {
  const butting = buttingTemperature(cold, heat);
  return {
    hot: hotGap(cold, assumed, heat),
    butting,
    margin: butting - assumed,
    chance: closingChance(known, assumed, heat, spread),
  };
}

function hotGapOf(
  point: HeatPoint,
  cold: Nm,
  known: ColdGap,
  { assumed, heats, spread, decides }: Omit<JudgedRingHeat, 'points'>,
): HotGap {
  const caseOf = (at: HeatCase): HotCase => hotCaseOf(cold, known, assumed, heats[at], spread);
  const cases = { warm: caseOf('warm'), 'cold wall': caseOf('cold wall') };
  return { point, cold, known, ...cases[decides], cases };
}

const hotClearanceOf = (point: HeatPoint, cold: Nm, assumed: number, heat: PistonHeat): HotClearance => ({
  point,
  cold,
  hot: runningClearance(cold, assumed, heat),
  closing: closingTemperature(cold, heat),
});

/** The wall of each case, °C. A bore is no colder before it is warm than that, whatever it comes to. */
const wallsOf = ({ wallBottom }: Temperatures): Record<HeatCase, number> => ({
  warm: wallBottom,
  'cold wall': Math.min(COLD_WALL, wallBottom),
});

/** The case that a bore is judged by. */
const DECIDES: Record<Surface, HeatCase> = { iron: 'warm', plated: 'cold wall' };

export interface HeatAsk {
  bore: Nm;
  row: ChartRow | null;
  column: ChartColumn | null;
  surface: Surface | null;
  cooling: Cooling;
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

export type CaseAsk = Pick<HeatAsk, 'bore' | 'row' | 'surface' | 'cooling' | 'choices' | 'metals'>;

/** A ring in either case, and which of them decides. */
export function caseAsk(ring: HeatRing, ask: CaseAsk, temperatures: Temperatures): Omit<JudgedRingHeat, 'points'> {
  const { bore, metals } = ask;
  const surface = ask.surface ?? 'iron';
  const walls = wallsOf(temperatures);
  const heatAt = (at: HeatCase): RingHeat => ({
    bore,
    wall: walls[at],
    ringExpansion: HOT_RING[metals[ring]],
    boreExpansion: HOT_BORE[surface],
  });
  const heats = { warm: heatAt('warm'), 'cold wall': heatAt('cold wall') };
  const decides = DECIDES[surface];
  return {
    ...{ assumed: temperatures[ring], metal: metals[ring], decides, heats, heat: heats[decides] },
    spread: spreadFor(ring, ask, temperatures),
  };
}

function ringHeat(ring: HeatRing, ask: HeatAsk, temperatures: Temperatures): JudgedRingHeat {
  const { choices } = ask;
  const of = caseAsk(ring, ask, temperatures);
  const target = ask.targets[ring];
  const about = (cold: Nm): ColdGap => ({ least: Math.max(0, cold - choices.feeler), most: cold + choices.feeler });
  const reading = ask.measured[ring];
  const points = [
    ...(target.set ? [hotGapOf('minimum', target.inForce.aimFrom, about(target.inForce.aimFrom), of)] : []),
    ...(target.set && target.inForce.aimTo !== null
      ? [hotGapOf('aim', target.inForce.aimTo, about(target.inForce.aimTo), of)]
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
            of,
          ),
        ]
      : []),
  ];
  return { ...of, points };
}

/**
 * The heat model of one cylinder, or null where no temperature is known (no duty said and none entered), or the bore is none.
 *
 * @example cylinder.heat?.temperatures.coolant // 90
 */
export function heatOf(ask: HeatAsk): JudgedHeat | null {
  const temperatures = temperaturesFor(ask.row, ask.choices, ask.cooling);
  if (!temperatures || ask.bore <= 0) return null;
  const surface = ask.surface ?? 'iron';
  const { column, bore, targets } = ask;
  const target = targets.clearance;
  const pistonHeat = column && {
    bore,
    wall: temperatures.wall,
    pistonExpansion: hotSkirt(column.alloy),
    boreExpansion: HOT_BORE[surface],
  };
  const clearances: [HeatPoint, Nm | null][] = [
    ['minimum', target.set ? target.inForce.aimFrom : null],
    ['aim', target.set ? target.inForce.aimTo : null],
    ['measured', ask.clearance],
  ];
  return {
    temperatures,
    bore: { surface, assumed: ask.surface === null },
    rings: { top: ringHeat('top', ask, temperatures), second: ringHeat('second', ask, temperatures) },
    piston: pistonHeat && {
      assumed: temperatures.skirt,
      heat: pistonHeat,
      points: clearances.flatMap(([point, cold]) =>
        cold === null || cold < 0 || cold >= bore ? [] : [hotClearanceOf(point, cold, temperatures.skirt, pistonHeat)],
      ),
    },
  };
}
