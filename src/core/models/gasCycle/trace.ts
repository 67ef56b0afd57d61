/**
 * The pressure over the piston through a cycle: one zone, polytropic but for the heat that a Wiebe function releases
 * (I. Wiebe, 1956, and J. B. Heywood, Internal Combustion Engine Fundamentals, 1988, both recalled). Angles are degrees
 * of the crank after the top dead centre of the power stroke, from −360 to 360.
 */

/** What a cylinder is taken to be. */
export interface CycleEngine {
  /** m. */
  bore: number;
  stroke: number;
  /** Centre to centre, m. */
  rod: number;
  compression: number;
  rpm: number;
  /** Pressure in the inlet, Pa, and temperature of the charge as the inlet closes, K. */
  inlet: number;
  charge: number;
  /** Heat released for each kilogram of air, J/kg, losses to the walls taken off; and by how much nitrous raises it. */
  heat: number;
  nitrous: number;
}

/** Exponent of compression and expansion. From memory. */
const POLYTROPIC = 1.32;
/** Inlet closes and exhaust opens, begin and length of burning, and the shape of the Wiebe function. From memory. */
const INLET_CLOSES = -130;
/** The exhaust valve opens so many degrees after top dead centre. From memory. */
const EXHAUST_OPENS = 130;
/** Heat by a Wiebe function: degrees of its beginning and its length, and its two shape factors. From memory. */
const BURN = { begins: -25, lasts: 52, efficiency: 5, form: 2 };
/** Over the atmosphere in the exhaust, as a share; and how fast the cylinder empties after the valve opens, degrees. From memory. */
const BACK_PRESSURE = 1.1;
/** Degrees that it takes the cylinder to blow down. From memory. */
const BLOWDOWN = 25;
/** Standard atmosphere, Pa (ISO 2533:1975). */
const ATMOSPHERE = 101_325;
/** Gas constant of air, J/(kg·K), from memory. */
const AIR_CONSTANT = 287;

const radians = (degrees: number): number => (degrees * Math.PI) / 180;

/**
 * Volume over the piston, m³: exact slider–crank.
 *
 * @example
 *   (volumeAt({ bore: 0.1, stroke: 0.09, rod: 0.15, compression: 10 }, 180) / volumeAt({ bore: 0.1, stroke: 0.09,
 *   rod: 0.15, compression: 10 }, 0)).toFixed(6) // '10.000000'
 */
export function volumeAt(
  { bore, stroke, rod, compression }: Pick<CycleEngine, 'bore' | 'stroke' | 'rod' | 'compression'>,
  degrees: number,
): number {
  const crank = stroke / 2;
  const angle = radians(degrees);
  const down = crank * (1 - Math.cos(angle)) + rod - Math.sqrt(rod ** 2 - (crank * Math.sin(angle)) ** 2);
  const area = (Math.PI * bore ** 2) / 4;
  return (area * stroke) / (compression - 1) + area * down;
}

/** Share of the heat released by an angle. */
function burnt(degrees: number): number {
  const share = (degrees - BURN.begins) / BURN.lasts;
  return share <= 0 ? 0 : 1 - Math.exp(-BURN.efficiency * share ** (BURN.form + 1));
}

/** Pressure over the piston, Pa, at each step of a cycle. */
export interface PressureTrace {
  /** Degrees between two figures; the first is at −360. */
  step: number;
  pressures: Float64Array;
}

/**
 * The pressure over the piston through one cycle.
 *
 * @param steps how many to a cycle of 720°
 * @throws RangeError where the rod is too short for its stroke, or a size is not positive
 * @example
 *   Math.round(Math.max(...pressureTrace({ bore: 0.1, stroke: 0.087, rod: 0.148, compression: 10, rpm: 3000, inlet: 101_325,
 *   charge: 330, heat: 2.3e6, nitrous: 1 }, 1440).pressures) / 1e5) // 65
 */
export function pressureTrace(engine: CycleEngine, steps: number): PressureTrace {
  const { bore, stroke, rod, compression, inlet, charge, heat, nitrous } = engine;
  if (!(bore > 0 && stroke > 0 && rod > stroke / 2 && compression > 1 && inlet > 0))
    throw new RangeError('bore, stroke and inlet over zero, a rod longer than half the stroke, compression over 1');
  const step = 720 / steps;
  const volumes = Float64Array.from({ length: steps + 1 }, (_, i) => volumeAt(engine, i * step - 360));
  const pressures = new Float64Array(steps + 1);
  const exhaust = BACK_PRESSURE * Math.max(ATMOSPHERE, 0.8 * inlet);
  const air = (inlet * volumeAt(engine, INLET_CLOSES)) / (AIR_CONSTANT * charge);
  const released = air * heat * nitrous;
  let before = inlet;
  let atOpening = inlet;
  for (let i = 0; i <= steps; i += 1) {
    const degrees = i * step - 360;
    const volume = volumes[i] ?? 0;
    if (degrees <= INLET_CLOSES) before = inlet;
    else if (degrees <= EXHAUST_OPENS) {
      const last = volumes[i - 1] ?? volume;
      // exactly polytropic over the step, and its heat at the mean volume
      const squeezed = before * (last / volume) ** POLYTROPIC;
      const gained = (released * (burnt(degrees) - burnt(degrees - step)) * (POLYTROPIC - 1)) / ((last + volume) / 2);
      before = squeezed + gained;
      atOpening = before;
    } else before = exhaust + (atOpening - exhaust) * Math.exp(-(degrees - EXHAUST_OPENS) / BLOWDOWN);
    pressures[i] = before;
  }
  return { step, pressures };
}
