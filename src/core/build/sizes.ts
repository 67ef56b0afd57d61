/**
 * Sizes of one cylinder: readings of its bore, its piston and pin, brought to 20 °C and averaged over repeats, and
 * what follows from them.
 */
import { type BoreChoices, type Spot, THRUST, sameSpot, spotsOf } from '../bore/grid';
import { type BoreShape, type MeasuredSpot, foundWords, shapeOf } from '../bore/shape';
import { type BoreVerdict, boreVerdict } from '../bore/verdict';
import { atReference } from '../heat/heat';
import { STEEL_EXPANSION } from '../heat/metals';
import { type Outlier, type PinState, type PistonChoices, NEAR, outlierOf, pinState } from '../piston/piston';
import type { Nm } from '../quantity/length';
import { type Saying, raw, say, size } from '../quantity/saying';
import {
  type Doubt,
  type Repeatability,
  type Tool,
  UNNAMED_TOOL,
  heatDoubt,
  ownDoubt,
  repeatability,
  scatterOf,
  sizeUncertainty,
} from '../uncertainty/budget';
import type { Instrument } from '../uncertainty/instrument';
import { combined, expanded, rectangular } from '../uncertainty/uncertainty';
import type { JudgedCylinder, LoggedReading } from './judge';

export type Tools = ReadonlyMap<string, Instrument>;

/** A size in force. */
export interface Sized {
  /** At 20 °C, the mean of the repeats. */
  value: Nm;
  uncertainty: Nm;
  doubt: Doubt;
  /** Expansion it was brought to 20 °C with, per kelvin. */
  expansion: number;
  /** Whether a temperature was noted with it. */
  noted: boolean;
  /** Where it was found, and what it is the mean of. */
  working: Saying[];
}

/** One spot of the grid. */
export interface JudgedSpot extends Spot {
  /** Readings of this spot since the bore was last machined, voided ones too. */
  passes: LoggedReading[];
  /** Mean of those that count, at 20 °C; null while there are none. */
  value: Nm | null;
  /** Largest − smallest of the repeats that count. */
  range: Nm;
  /** As many as the grid asks for are read. */
  done: boolean;
}

export interface JudgedBore {
  /** Every reading of it, of earlier rounds and voided ones too. */
  passes: LoggedReading[];
  spots: JudgedSpot[];
  /** The spots that are read, as the shape is worked out from them. */
  measured: MeasuredSpot[];
  size: Sized | null;
  /** Mean size over ring travel. */
  mean: Nm | null;
  shape: BoreShape | null;
  /** The shape as it was found, where the bore has been machined since. */
  asFound: BoreShape | null;
  verdict: BoreVerdict;
  /** How often it was machined. */
  round: number;
  read: number;
  total: number;
  repeatability: Repeatability;
  /** U of the size at its largest reading: what the next size is planned with. */
  largestUncertainty: Nm;
}

export interface JudgedPin {
  pin: Sized | null;
  bore: Sized | null;
  clearance: { value: Nm; uncertainty: Nm; state: PinState; working: Saying[] } | null;
}

export interface JudgedPiston {
  /** The place whose number it has, and that number. */
  id: string;
  label: string;
  passes: LoggedReading[];
  /** Readings of the pin and of the pin bore. */
  pinPasses: Record<'pin' | 'pinBore', LoggedReading[]>;
  size: Sized | null;
  /** Readings that count. */
  read: number;
  range: Nm;
  outlier: Outlier | null;
  pin: JudgedPin;
  round: number;
}

const live = (passes: LoggedReading[], round: number): LoggedReading[] =>
  passes.filter((p) => p.voided === null && p.round === round);

const toolOf = (reading: LoggedReading, tools: Tools): Tool =>
  (reading.instrument === null ? null : tools.get(reading.instrument)) ?? UNNAMED_TOOL;

const isNoted = (reading: LoggedReading): boolean => reading.temperature !== null || reading.gaugeTemperature !== null;

/** A reading at 20 °C, nm not rounded. Where one temperature is given and not the other, the other is 20 °C. */
export function atTwenty(
  reading: Pick<LoggedReading, 'value' | 'temperature' | 'gaugeTemperature'>,
  expansion: number,
): number {
  const { value, temperature, gaugeTemperature } = reading;
  if (temperature === null && gaugeTemperature === null) return value;
  return atReference(value, temperature ?? 20, expansion, {
    celsius: gaugeTemperature ?? 20,
    expansion: STEEL_EXPANSION,
  });
}

const average = (values: number[]): number => values.reduce((a, b) => a + b, 0) / values.length;
const rangeOf = (values: number[]): number => (values.length === 0 ? 0 : Math.max(...values) - Math.min(...values));

/** What all readings share: the widest limit of their tools, and the temperature, which counts as noted once it was with each. */
function sharedDoubt(
  readings: LoggedReading[],
  value: Nm,
  expansion: number,
  tools: Tools,
): { tool: number; heat: number; noted: boolean } {
  const noted = readings.every(isNoted);
  const limit = readings.reduce((most, r) => Math.max(most, toolOf(r, tools).limit), 0);
  return {
    tool: rectangular(limit),
    heat: heatDoubt(value, noted ? expansion : expansion - STEEL_EXPANSION, noted),
    noted,
  };
}

/** The mean of readings of one thing, each a repeat of the others; null for none. */
export function sizedOf(readings: LoggedReading[], expansion: number, tools: Tools): Sized | null {
  const [first] = readings;
  if (!first) return null;
  const values = readings.map((r) => atTwenty(r, expansion));
  const value = Math.round(average(values));
  const tool = toolOf(first, tools);
  const { noted, ...shared } = sharedDoubt(readings, value, expansion, tools);
  const doubt = { ...shared, own: ownDoubt(values.length, repeatability(scatterOf([values]), tool), tool) };
  const means =
    values.length > 1 ? [say`mean of ${values.length} readings, ${raw(Math.round(rangeOf(values)))} apart`] : [];
  return {
    value,
    uncertainty: sizeUncertainty(doubt),
    doubt,
    expansion,
    noted,
    working: [...means, ...warmedWords(readings)],
  };
}

/** How warm readings were that were brought to 20 °C, by the first of them; nothing where none says. */
function warmedWords(readings: LoggedReading[]): Saying[] {
  const warm = readings.find(isNoted);
  return warm
    ? [say`brought to 20 °C: part at ${warm.temperature ?? 20} °C, tool at ${warm.gaugeTemperature ?? 20} °C`]
    : [];
}

interface BoreAsk {
  passes: LoggedReading[];
  round: number;
  choices: BoreChoices;
  expansion: number;
  tools: Tools;
}

interface Measured {
  spots: JudgedSpot[];
  measured: MeasuredSpot[];
  repeatability: Repeatability;
  /** Readings at a spot that count. */
  counting: LoggedReading[];
}

/** A spot with its readings, as they are gathered. */
interface Gathered {
  spot: Spot;
  here: LoggedReading[];
  values: number[];
}

/** The spots of the grid in its order, then any other that was read, each with the readings of one round. One pass over them: this runs at every keystroke. */
function gathered(
  { passes, expansion }: BoreAsk,
  grid: Spot[],
  round: number,
): { at: Gathered[]; counting: LoggedReading[] } {
  const at = grid.map((spot): Gathered => ({ spot, here: [], values: [] }));
  const counting: LoggedReading[] = [];
  for (const pass of passes) {
    if (pass.round !== round || pass.place === null) continue;
    const { place } = pass;
    let found = at.find((g) => sameSpot(g.spot, place));
    if (!found) {
      if (pass.voided !== null) continue;
      found = { spot: place, here: [], values: [] };
      at.push(found);
    }
    found.here.push(pass);
    if (pass.voided !== null) continue;
    found.values.push(atTwenty(pass, expansion));
    counting.push(pass);
  }
  return { at, counting };
}

/** The coarsest tool among readings; the standing one for none. */
function coarsest(readings: LoggedReading[], tools: Tools): Tool {
  let worst: Tool | null = null;
  for (const reading of readings) {
    const tool = toolOf(reading, tools);
    if (!worst || tool.resolution > worst.resolution) worst = tool;
  }
  return worst ?? UNNAMED_TOOL;
}

function measure(ask: BoreAsk, grid: Spot[], round: number): Measured {
  const { choices, tools } = ask;
  const { at, counting } = gathered(ask, grid, round);
  const tool = coarsest(counting, tools);
  const sigma = repeatability(scatterOf(at.map((a) => a.values)), tool);
  const spots: JudgedSpot[] = [];
  const measured: MeasuredSpot[] = [];
  for (const { spot, here, values } of at) {
    const value = values.length === 0 ? null : Math.round(average(values));
    spots.push({
      depth: spot.depth,
      angle: spot.angle,
      passes: here,
      value,
      range: Math.round(rangeOf(values)),
      done: values.length >= choices.repeats,
    });
    if (value !== null)
      measured.push({ depth: spot.depth, angle: spot.angle, value, own: ownDoubt(values.length, sigma, tool) });
  }
  return { spots, measured, repeatability: sigma, counting };
}

/** A bore of which only a size was given, without its place: the last that counts. */
const sizeAlone = ({ passes, round }: BoreAsk): LoggedReading | null =>
  live(passes, round).findLast((p) => p.place === null) ?? null;

function boreSize(ask: BoreAsk, shape: BoreShape | null, placed: LoggedReading[]): Sized | null {
  const { expansion, tools } = ask;
  if (!shape) {
    const alone = sizeAlone(ask);
    return alone && sizedOf([alone], expansion, tools);
  }
  const { smallest } = shape;
  const { noted, ...shared } = sharedDoubt(placed, smallest.value, expansion, tools);
  const doubt = { ...shared, own: smallest.own };
  return {
    value: smallest.value,
    uncertainty: sizeUncertainty(doubt),
    doubt,
    expansion,
    noted,
    working: [say`smallest in ring travel: ${size(smallest.value)} (${foundWords(smallest)})`, ...warmedWords(placed)],
  };
}

/**
 * A bore from all its readings.
 *
 * @param sold whether an oversize that is sold cleans it
 */
export function judgedBore(ask: BoreAsk, sold: (largest: Nm) => boolean): JudgedBore {
  const { passes, round, choices, expansion, tools } = ask;
  const grid = spotsOf(choices);
  const { spots, measured, repeatability: scatter, counting } = measure(ask, grid, round);
  const shape = shapeOf(measured);
  const inGrid = spots.slice(0, grid.length);
  const read = inGrid.filter((s) => s.done).length;
  const found = boreSize(ask, shape, counting);
  const verdict = boreVerdict(
    shape,
    choices.limits[choices.basis],
    read === inGrid.length,
    shape === null || sold(shape.widest),
  );
  return {
    passes,
    spots,
    measured,
    size: found,
    mean: shape?.mean ?? found?.value ?? null,
    shape,
    asFound: round === 0 ? null : shapeOf(measure(ask, grid, 0).measured),
    verdict:
      !shape && found
        ? { state: 'part read', reasons: [say`one size without its place: taper and out-of-round are not known`] }
        : verdict,
    round,
    read,
    total: inGrid.length,
    repeatability: scatter,
    largestUncertainty:
      shape && found
        ? sizeUncertainty({
            ...found.doubt,
            own: shape.largest.own,
            heat: heatDoubt(shape.largest.value, found.noted ? expansion : expansion - STEEL_EXPANSION, found.noted),
          })
        : (found?.uncertainty ?? sizeUncertainty({ tool: rectangular(toolLimit(passes, tools)), heat: 0, own: 0 })),
  };
}

const toolLimit = (passes: LoggedReading[], tools: Tools): Nm =>
  Math.max(UNNAMED_TOOL.limit, ...passes.map((p) => toolOf(p, tools).limit));

/** The spot a bore is read at when nothing else is said: the first of the grid. */
export const firstSpot = (choices: BoreChoices): Spot => spotsOf(choices)[0] ?? { depth: 'middle', angle: THRUST };

interface PistonAsk {
  id: string;
  label: string;
  /** By subject. */
  passes: (subject: 'piston' | 'pin' | 'pinBore') => LoggedReading[];
  round: number;
  expansion: number;
  tools: Tools;
  choices: PistonChoices;
}

function judgedPin({ passes, round, expansion, tools, choices }: PistonAsk): JudgedPin {
  const pin = sizedOf(live(passes('pin'), round), STEEL_EXPANSION, tools);
  const bore = sizedOf(live(passes('pinBore'), round), expansion, tools);
  if (!pin || !bore) return { pin, bore, clearance: null };
  const value = bore.value - pin.value;
  const uncertainty = Math.round(
    expanded(
      combined([pin.doubt.tool, pin.doubt.own, pin.doubt.heat, bore.doubt.tool, bore.doubt.own, bore.doubt.heat]),
    ),
  );
  return {
    pin,
    bore,
    clearance: {
      value,
      uncertainty,
      state: pinState(value, uncertainty, choices.pin),
      working: [say`pin bore ${size(bore.value)} − pin ${size(pin.value)} = ${raw(value)}`],
    },
  };
}

/** A piston from its readings; whether it stands out is seen once all are. */
export function judgedPiston(ask: PistonAsk): JudgedPiston {
  const { id, label, passes, round, expansion, tools } = ask;
  const counting = live(passes('piston'), round);
  return {
    id,
    label,
    passes: passes('piston'),
    pinPasses: { pin: passes('pin'), pinBore: passes('pinBore') },
    size: sizedOf(counting, expansion, tools),
    read: counting.length,
    range: Math.round(rangeOf(counting.map((p) => atTwenty(p, expansion)))),
    outlier: null,
    pin: judgedPin(ask),
    round,
  };
}

/** The pistons with those called out that stand away from the others. */
export function withOutliers(pistons: JudgedPiston[]): JudgedPiston[] {
  return pistons.map((piston) => {
    const others = pistons.flatMap((p) => (p === piston ? [] : (p.size?.value ?? [])));
    const typed = piston.passes.findLast((p) => p.voided === null)?.typed ?? '';
    return piston.size ? { ...piston, outlier: outlierOf(piston.size.value, typed, others, NEAR.piston) } : piston;
  });
}

/** Every reading of a cylinder and of the piston in it, voided ones too. */
export const allPasses = ({ bore, piston, clearance, rings, grooves }: JudgedCylinder): LoggedReading[] => [
  ...bore.passes,
  ...piston.passes,
  ...piston.pinPasses.pin,
  ...piston.pinPasses.pinBore,
  ...clearance.strip.passes,
  ...grooves.passes,
  ...Object.values(rings).flatMap((r) => r.passes),
];
