/**
 * One bore: its readings brought to 20 °C and averaged over repeats, and what follows from them.
 */
import type { Nm } from '../quantity/length';
import { say, size } from '../quantity/saying';
import {
  type Acceptance,
  type Accepted,
  type LoggedReading,
  type Zeroed,
  acceptanceOf,
  lastOf,
  livePasses,
} from '../record/reading';
import {
  type Repeatability,
  heatDoubt,
  ownDoubt,
  repeatability,
  scatterOf,
  sizeUncertainty,
} from '../uncertainty/budget';
import {
  type Sized,
  type Tools,
  atTwenty,
  average,
  coarsest,
  rangeOf,
  sharedDoubt,
  sizedOf,
  toolLimit,
  warmedWords,
} from '../uncertainty/sized';
import { rectangular } from '../uncertainty/uncertainty';
import { type BoreChoices, type Spot, THRUST, sameSpot, spotsOf } from './grid';
import { type BoreShape, type MeasuredSpot, foundWords, shapeOf } from './shape';
import type { Strictness } from '../verdict/decide';
import { type BoreVerdict, boreIsDone, boreVerdict } from './verdict';

/** One spot of the grid. */
export interface JudgedSpot extends Spot {
  /** Readings of this spot since the bore was last machined, voided ones too. */
  passes: readonly LoggedReading[];
  /** Mean of those that count, at 20 °C; null while there are none. */
  value: Nm | null;
  /** Largest − smallest of the repeats that count. */
  range: Nm;
  /** As many as the grid asks for are read. */
  done: boolean;
}

export interface JudgedBore {
  /** Every reading of it, of earlier rounds and voided ones too. */
  passes: readonly LoggedReading[];
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
  /** The reading that an acceptance of it is bound to: the last that counts. */
  acceptId: string | null;
  accepted: Acceptance | null;
  /** Whether a piston may go into it. */
  done: boolean;
  /** How often it was machined. */
  round: number;
  read: number;
  total: number;
  repeatability: Repeatability;
  /** The piston that its gauge was zeroed on for every reading that counts; null where it was not. */
  zeroed: Zeroed | null;
  /** U of the size at its largest reading: what the next size is planned with. */
  largestUncertainty: Nm;
}

interface BoreAsk {
  passes: readonly LoggedReading[];
  round: number;
  choices: BoreChoices;
  expansion: number;
  tools: Tools;
  strictness: Strictness;
  accepted: Accepted;
}

interface Measured {
  spots: JudgedSpot[];
  measured: MeasuredSpot[];
  repeatability: Repeatability;
  /** Readings at a spot that count. */
  counting: readonly LoggedReading[];
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
    if (value === null) continue;
    const { standard: own, freedom } = ownDoubt(values.length, sigma, tool);
    measured.push({ depth: spot.depth, angle: spot.angle, value, own, freedom });
  }
  return { spots, measured, repeatability: sigma, counting };
}

/** The piston that a gauge was zeroed on for all of some readings, at the same size each time. */
function zeroedOn(readings: readonly LoggedReading[]): Zeroed | null {
  const first = readings[0]?.zeroed ?? null;
  return readings.every(({ zeroed }) => zeroed?.piston === first?.piston && zeroed?.size === first?.size)
    ? first
    : null;
}

/** A bore of which only a size was given, without its place: the last that counts. */
const sizeAlone = ({ passes, round }: BoreAsk): LoggedReading | null =>
  livePasses(passes, round).findLast((p) => p.place === null) ?? null;

function boreSize(ask: BoreAsk, shape: BoreShape | null, placed: readonly LoggedReading[]): Sized | null {
  const { expansion, tools } = ask;
  if (!shape) {
    const alone = sizeAlone(ask);
    return alone && sizedOf([alone], expansion, tools);
  }
  const { smallest } = shape;
  const { warmth, ...shared } = sharedDoubt(placed, smallest.value, expansion, tools);
  const doubt = { ...shared, own: smallest.own, freedom: smallest.freedom };
  return {
    value: smallest.value,
    uncertainty: sizeUncertainty(doubt),
    doubt,
    expansion,
    warmth,
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
    ask.strictness,
  );
  const { state, reasons }: BoreVerdict =
    !shape && found
      ? { state: 'part read', reasons: [say`one size without its place: taper and out-of-round are not known`] }
      : verdict;
  const acceptId = lastOf(livePasses(passes, round));
  const accepted = acceptanceOf(ask.accepted, acceptId, 'bore', state, null);
  return {
    passes,
    spots,
    measured,
    size: found,
    mean: shape?.mean ?? found?.value ?? null,
    shape,
    asFound: round === 0 ? null : shapeOf(measure(ask, grid, 0).measured),
    verdict: { state, reasons },
    acceptId,
    accepted,
    done: accepted !== null || boreIsDone(state),
    round,
    read,
    total: inGrid.length,
    repeatability: scatter,
    zeroed: zeroedOn(shape ? counting : [sizeAlone(ask)].flatMap((alone) => alone ?? [])),
    largestUncertainty:
      shape && found
        ? sizeUncertainty({
            ...found.doubt,
            own: shape.largest.own,
            freedom: shape.largest.freedom,
            heat: heatDoubt(shape.largest.value, expansion, found.warmth),
          })
        : (found?.uncertainty ??
          sizeUncertainty({
            tool: rectangular(toolLimit(passes, tools)),
            setting: 0,
            heat: 0,
            own: 0,
            freedom: Infinity,
          })),
  };
}

/**
 * The spot a bore is read at when nothing else is said: the first of the grid.
 *
 * @example firstSpot(judgement.choices.bores) // { depth: 'top', angle: 90 }
 */
export const firstSpot = (choices: BoreChoices): Spot => spotsOf(choices)[0] ?? { depth: 'middle', angle: THRUST };
