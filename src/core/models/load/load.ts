/**
 * Heat load: one number Λ for how much heat an engine puts into its rings, 1 for a naturally aspirated performance
 * street engine on petrol at sea level; the product of one share for each thing that is said of it. It is a model
 * (docs/method.md): smooth, and no adder ever lowers it. At like speed Woschni's heat flux goes as p^0.8 (SAE 670931,
 * 1967, recalled), and with the mean piston speed as its w^0.8: specific air flow, as Taylor and Toong have it (ASME
 * 57-HT-17, 1957, recalled). What else enters is marked where it stands.
 */
import type { Nm } from '../../foundation/quantity/length';
import { atmosphereAt, compressedHotter, SEA_LEVEL } from './gas';
import { type Adders, type Boost, type Nitrous, type Service, fuelsOf, shotSum } from './service';
import type { Fuel } from './serviceWords';

/** What a share of the heat load is of, with what it was worked out from; said in words by `loadWords.ts`. */
export type ShareOf =
  | { kind: 'altitude'; metres: number }
  /** Over the atmosphere, Pa, and how many times its pressure. */
  | { kind: 'boost'; over: number; ratio: number }
  | { kind: 'hot charge'; kelvin: number }
  | { kind: 'thin charge' }
  /** Times the base power; whether that was taken from the engine's size. */
  | { kind: 'nitrous'; ratio: number; estimated: boolean }
  | { kind: 'fuel'; fuel: Service['fuel']; nitro: number | null }
  /** Whether the usual speed of that use is in it: so it is where nobody gave a faster one. */
  | { kind: 'time'; use: NonNullable<Service['use']>; usual: boolean }
  /** Mean piston speed, m/s, and what it was told by. */
  | { kind: 'speed'; speed: number; from: 'stroke' | 'power' }
  | { kind: 'air' }
  | { kind: 'water' | 'alcohol' };

/** One thing's share of the heat load. */
export interface LoadShare {
  of: ShareOf;
  factor: number;
  /** Whether it enters the product; one that would lower it on the strength of a tank that runs out does not. */
  counted: boolean;
}

export interface LoadOf {
  /** The product of all that is counted. */
  load: number;
  /** Pressure in the inlet, in atmospheres of the sea. */
  inlet: number;
  shares: LoadShare[];
}

export type HeatLoad =
  | {
      set: true;
      now: LoadOf;
      later: LoadOf | null;
      /** The hotter of the two: what is gapped for. */
      inForce: LoadOf;
    }
  /** What has to be said first. */
  | { set: false; ask: string };

/** Exponent of pressure and of speed in Woschni's heat flux (SAE 670931, 1967, from memory). */
const FLUX = 0.8;
/** The loads over which the model was compared with practice. From memory. */
export const TRUSTED = { from: 0.8, to: 2.6 };
/** Over this the model says nothing; between, it goes on with a doubt. From memory. */
export const MOST_LOAD = 3.3;
/** One standard deviation of the load, as a share of it. From memory. */
export const LOAD_SPREAD = 0.1;

/** How long it runs at full load. From memory. */
const USE_SHARES: Record<NonNullable<Service['use']>, number> = {
  plain: 0.85,
  street: 1,
  sprint: 1.1,
  race: 1.15,
  endurance: 1.15,
  marine: 1.25,
  pulling: 1.25,
};

/**
 * Mean piston speed at full load that the shares of use were drawn at, m/s: a street engine's is what a load of 1
 * stands at. From memory.
 */
const USUAL_SPEED: Record<NonNullable<Service['use']>, number> = {
  plain: 13,
  street: 16,
  sprint: 19,
  race: 18,
  endurance: 18,
  marine: 15,
  pulling: 17,
};
/** What a load of 1 stands at, m/s. */
export const STREET_SPEED = USUAL_SPEED.street;
/** A diesel turns slower, by a quarter; its share was drawn so. From memory. */
const DIESEL_SPEED = 0.75;
/**
 * Power without an adder of a performance street engine, kW a litre, at 16 m/s: what a power that is given is held
 * against. From memory.
 */
const STREET_KW_PER_LITRE = 60;

/**
 * From memory. A diesel burns lean and its gas is cooler: so much less that an ordinary turbo diesel lands on the
 * figures customary for one.
 */
const FUEL_SHARES: Record<Exclude<Fuel, 'nitromethane'>, number> = {
  petrol: 1,
  e85: 0.95,
  ethanol: 0.9,
  methanol: 0.9,
  gas: 1.05,
  diesel: 0.74,
  twoStroke: 1.15,
};

/**
 * Nitromethane in methanol: half a percent more heat for each percent of it, up to a fifth; over that the model says
 * nothing. From memory.
 */
const NITRO = { each: 0.5, most: 0.2 };
/** Air cooling, and a spray of water or alcohol. From memory. */
export const AIR_COOLED = 1.1;
/** What water or alcohol injection leaves of the heat load. From memory. */
const INJECTION = 0.93;

/** Isentropic efficiency of a compressor. From memory. */
const COMPRESSOR = 0.65;
/**
 * The cycle that a hotter charge is put through: charge, K; compression ratio and exponent; rise by combustion, K;
 * wall, K. From memory.
 */
const CYCLE = { charge: 300, ratio: 10, exponent: 0.35, burn: 2_000, wall: 450 };

/** Power without an adder, kW a litre, of a street engine; its stroke as a share of its bore; kW a horsepower. From memory. */
const KW_PER_LITRE = 45;
/** Usual stroke, as a share of the bore. From memory. */
const STROKE = 0.9;
/** Kilowatts in a horsepower of 550 ft·lbf/s (NIST SP 811, 2008). */
const KW_PER_HP = 0.7457;
/**
 * Combustion with nitrous is hotter than its power says: a quarter more once it adds 0.65 of the base power, and so
 * much of it from nothing on that a horsepower more moves the load about as far anywhere. From memory.
 */
const HOTTER_BURN = { most: 0.25, over: 0.65, start: 0.75 };

/** What the model needs to know of the engine itself. */
export interface LoadEngine {
  cylinders: number;
  /** Null while none is planned. */
  bore: Nm | null;
}

/** Inlet pressure in Pa at its most; null while the boost is not said. */
function inletOf(boost: Boost | null, ambient: number): number | null {
  if (!boost) return ambient;
  if (boost.pressure === null) return null;
  return boost.absolute ? Math.max(ambient, boost.pressure) : ambient + boost.pressure;
}

/** Shares of a charge that is hotter by a ratio: of its temperature, and of the air that is missing for it. */
function hotCharge(hotter: number): { temperature: number; density: number } {
  const { charge, ratio, exponent, burn, wall } = CYCLE;
  const after = (kelvin: number): number => kelvin * ratio ** exponent + burn;
  const [base, hot] = [after(charge), after(charge * hotter)];
  return {
    temperature: (hot / base) ** -0.55 * ((hot - wall) / (base - wall)),
    density: (hot / base / hotter) ** FLUX,
  };
}

/** Swept volume of one cylinder, litres, of its bore and a usual stroke. */
const litresOf = (bore: Nm): number => (Math.PI / 4) * (bore / 1e8) ** 3 * STROKE;

/**
 * Mean piston speed, m/s: 2 × stroke × speed (identity); null while either is not known.
 *
 * @param stroke nm
 * @param redline rpm
 * @example pistonSpeed({ stroke: 90_000_000, redline: 6_000 }) // 18
 */
export const pistonSpeed = ({ stroke, redline }: Pick<Service, 'stroke' | 'redline'>): number | null =>
  stroke === null || redline === null ? null : (stroke * redline) / 30e9;

/**
 * Mean piston speed as stroke and speed give it, m/s; else as the power over a street engine's of that size does;
 * null where neither is known.
 */
function speedOf(
  service: Service,
  { cylinders, bore }: LoadEngine,
  atmospheres: number,
): { speed: number; from: 'stroke' | 'power' } | null {
  const { basePower } = service;
  const speed = pistonSpeed(service);
  if (speed !== null) return { speed, from: 'stroke' };
  if (basePower === null || bore === null) return null;
  const usual = litresOf(bore) * cylinders * STREET_KW_PER_LITRE * atmospheres;
  return { speed: (STREET_SPEED * basePower * KW_PER_HP) / usual, from: 'power' };
}

/** What a speed is over another, as a share of the heat flux. */
const speedShare = (speed: number, over: number): number => (speed / over) ** FLUX;

/**
 * Base power of one cylinder, hp, at an inlet pressure of so many atmospheres: as said, else from its size; null
 * where neither is known.
 */
function baseOf({ basePower }: Service, { cylinders, bore }: LoadEngine, atmospheres: number): number | null {
  if (basePower !== null) return basePower / cylinders;
  if (bore === null) return null;
  return (litresOf(bore) * KW_PER_LITRE * atmospheres) / KW_PER_HP;
}

const share = (of: ShareOf, factor: number, counted = true): LoadShare => ({ of, factor, counted });

function boostShares(boost: Boost, inlet: number, ambient: number): LoadShare[] {
  const ratio = inlet / ambient;
  const of = share({ kind: 'boost', over: inlet - ambient, ratio }, ratio ** FLUX);
  if (boost.cooled !== false) return [of];
  const hotter = compressedHotter(ratio, COMPRESSOR);
  const { temperature, density } = hotCharge(hotter);
  return [
    of,
    share({ kind: 'hot charge', kelvin: (hotter - 1) * CYCLE.charge }, temperature),
    // never counted, since a hot charge knocks sooner
    share({ kind: 'thin charge' }, density, false),
  ];
}

/** How many times the base power with nitrous is, in a cylinder that is fed; or what has to be said first. */
function powerRatio(nitrous: Nitrous, service: Service, engine: LoadEngine, atmospheres: number): number | string {
  if (nitrous.share !== null) return 1 + (nitrous.share * engine.cylinders) / (nitrous.cylinders ?? engine.cylinders);
  if (nitrous.shots.length === 0) return 'Say how large the nitrous shot is.';
  const base = baseOf(service, engine, atmospheres);
  if (base === null) return 'Give the base power, or the planned bore: what nitrous adds is held against it.';
  return 1 + shotSum(nitrous) / (nitrous.cylinders ?? engine.cylinders) / base;
}

/** The share of nitrous at so many times the base power; a cubic that starts at a slope and ends level leads to the hotter burn. */
function nitrousFactor(ratio: number): number {
  const x = Math.min(1, (ratio - 1) / HOTTER_BURN.over);
  const burn = HOTTER_BURN.start * x * (1 - x) ** 2 + x * x * (3 - 2 * x);
  return ratio ** FLUX * (1 + HOTTER_BURN.most * burn);
}

/** A fuel's share, whether it is relied on or not; or what has to be said first. */
function fuelFactor(fuel: Fuel, nitro: number | null): number | string {
  if (fuel !== 'nitromethane') return FUEL_SHARES[fuel];
  if (nitro === null) return 'Enter how much nitromethane is in the fuel.';
  if (nitro > NITRO.most)
    return 'Over a fifth of nitromethane the heat is beyond this model: enter the figure from the ring and piston sheets.';
  return FUEL_SHARES.methanol * (1 + NITRO.each * nitro);
}

/** The share of the hottest fuel. Where it lowers the heat it counts only if the engine always runs on it; no diesel runs on petrol. */
function fuelShares(service: Service): LoadShare[] | string {
  const { nitro, always } = service;
  let hottest: { fuel: Fuel; factor: number } | null = null;
  for (const fuel of fuelsOf(service)) {
    const factor = fuelFactor(fuel, nitro);
    if (typeof factor === 'string') return factor;
    if (!hottest || factor > hottest.factor) hottest = { fuel, factor };
  }
  if (!hottest || hottest.factor === 1) return [];
  const { fuel, factor } = hottest;
  const of = { kind: 'fuel' as const, fuel, nitro: fuel === 'nitromethane' ? nitro : null };
  return [share(of, factor, factor > 1 || fuel === 'diesel' || always.fuel)];
}

/**
 * The shares of fuel and of time at full load, and of the speed. What was drawn at a usual speed holds that speed already:
 * where a faster one is given, it is taken out of both, so that nothing counts twice. A slower one lowers nothing.
 */
function runningShares(
  service: Service & { use: NonNullable<Service['use']> },
  found: ReturnType<typeof speedOf>,
): LoadShare[] | string {
  const { use } = service;
  const fuel = fuelShares(service);
  if (typeof fuel === 'string') return fuel;
  const isDiesel = service.fuel === 'diesel' || fuel.some(({ of }) => of.kind === 'fuel' && of.fuel === 'diesel');
  const usual = USUAL_SPEED[use] * (isDiesel ? DIESEL_SPEED : 1);
  const isFaster = found !== null && found.speed > usual;
  const time = isFaster ? USE_SHARES[use] / speedShare(USUAL_SPEED[use], STREET_SPEED) : USE_SHARES[use];
  return [
    ...fuel.map((s) => (isFaster && isDiesel ? { ...s, factor: s.factor / speedShare(DIESEL_SPEED, 1) } : s)),
    ...(time === 1 ? [] : [share({ kind: 'time', use, usual: !isFaster }, time)]),
    ...(found === null
      ? []
      : [share({ kind: 'speed', ...found }, speedShare(found.speed, isFaster ? STREET_SPEED : usual), isFaster)]),
  ];
}

/** The load with some adders; or what has to be said first. */
function loadWith(adders: Adders, service: Service, engine: LoadEngine): LoadOf | string {
  const { use, altitude, cooling, basePower, always } = service;
  const { boost, nitrous, injection } = adders;
  if (use === null) return 'Set the use.';
  const air = atmosphereAt(altitude);
  const isAirCounted = always.altitude || air > SEA_LEVEL;
  const ambient = isAirCounted ? air : SEA_LEVEL;
  const inlet = inletOf(boost, ambient);
  if (inlet === null) return 'Say how much boost it runs.';
  const running = runningShares({ ...service, use }, speedOf(service, engine, inlet / SEA_LEVEL));
  if (typeof running === 'string') return running;
  const shares: LoadShare[] = [];
  if (altitude !== 0)
    shares.push(share({ kind: 'altitude', metres: altitude }, (air / SEA_LEVEL) ** FLUX, isAirCounted));
  if (boost) shares.push(...boostShares(boost, inlet, ambient));
  if (nitrous) {
    const ratio = powerRatio(nitrous, service, engine, inlet / SEA_LEVEL);
    if (typeof ratio === 'string') return ratio;
    const estimated = basePower === null && nitrous.share === null;
    shares.push(share({ kind: 'nitrous', ratio, estimated }, nitrousFactor(ratio)));
  }
  shares.push(...running);
  if (cooling === 'air') shares.push(share({ kind: 'air' }, AIR_COOLED));
  if (injection) shares.push(share({ kind: injection.what }, INJECTION, injection.counted));
  return {
    inlet: inlet / SEA_LEVEL,
    load: shares.reduce((all, { factor, counted }) => (counted ? all * factor : all), 1),
    shares,
  };
}

/**
 * The heat load of an engine as it is and as it is planned, with each thing's share; the hotter of the two is gapped for.
 * Never throws.
 *
 * @example heatLoad(demo.job.service, { cylinders: 5, bore: fromInches(3.248) }).inForce.load.toFixed(2) // '2.30'
 */
export function heatLoad(service: Service, engine: LoadEngine): HeatLoad {
  const now = loadWith(service.now, service, engine);
  if (typeof now === 'string') return { set: false, ask: now };
  if (!service.later) return { set: true, now, later: null, inForce: now };
  const later = loadWith(service.later, service, engine);
  if (typeof later === 'string') return { set: false, ask: `Planned upgrades: ${later}` };
  return { set: true, now, later, inForce: later.load > now.load ? later : now };
}

/** Where a load lies over what the model says anything of, as a sentence; null under it. */
export const outsideWords = (load: number): string | null =>
  load > MOST_LOAD
    ? `A heat load of ${load.toFixed(2)} is beyond this model, which ends at ${MOST_LOAD}: enter the figure from the ring and piston sheets.`
    : null;

/** The doubt of a load over what the model was compared with, as a sentence; null where there is none, and where it says nothing. */
export const doubtWords = (load: number): string | null =>
  load > TRUSTED.to && load <= MOST_LOAD
    ? `A heat load of ${load.toFixed(2)} is over ${TRUSTED.to}, as far as the model was compared with practice. Its figure is from memory: use the ring sheet’s if there is one.`
    : null;
