/**
 * One bore: its readings brought to 20 °C and averaged over repeats, and what follows from them.
 */
import type { Nm } from '../../foundation/quantity/length';
import { type Message, fine, say, size } from '../../foundation/quantity/message';
import {
  type Accepted,
  type LoggedReading,
  type Zeroed,
  type Answer,
  isLive,
  lastOf,
  livePasses,
  zeroedAlike,
  answerOf,
} from '../../record/reading';
import {
  type Repeatability,
  ownDoubt,
  repeatability,
  scatterOf,
  sizeUncertainty,
  wholeDoubt,
} from '../../foundation/uncertainty/repeatability';
import {
  type Measuring,
  type Sized,
  coarsest,
  sharedDoubt,
  sizedOf,
  toolLimit,
} from '../../foundation/verdict/measuredSize';
import { atTwenty, shopTemperature, warmedWords } from '../../foundation/uncertainty/thermal';
import { type Component, rectangular, expandedOf } from '../../foundation/uncertainty/combine';
import { type Spot, THRUST, sameSpot } from '../../foundation/parts/spots';
import { type BoreChoices, spotsOf } from './measuringPlan';
import { type BoreShape, type Found, type MeasuredSpot, foundWords, shapeOf } from './shape';
import { classAt } from '../../foundation/quantity/sizeLimits';
import type { Strictness } from '../../foundation/verdict/decide';
import { type Apart, repeatsOf, sizesRepeat } from '../../foundation/verdict/repeats';
import { type BoreVerdict, boreIsDone, boreVerdict } from './verdict';

/** One spot of the grid. */
export interface JudgedSpot extends Spot {
  /** Readings of this spot since the bore was last machined, voided ones too. */
  passes: readonly LoggedReading[];
  /** What those that count come to, at 20 °C; null while there are none. */
  value: Nm | null;
  /** Mean of what the dial showed from a zero that has no size yet; null for none. */
  off: Nm | null;
  /** Repeats that cannot all be true; null where they agree. The smaller counts. */
  disagreement: Apart | null;
  /** As many as the grid asks for are read. */
  done: boolean;
}

export interface JudgedBore extends Answer {
  /** Every reading of it, of earlier rounds and voided ones too. */
  passes: readonly LoggedReading[];
  spots: JudgedSpot[];
  /** The spots that are read, as the shape is worked out from them. */
  measured: MeasuredSpot[];
  size: Sized | null;
  /** The class of sizes it belongs to; null for none. */
  sizeClass: string | null;
  /** Mean size over ring travel. */
  mean: Nm | null;
  shape: BoreShape | null;
  /** Taper and out-of-round by what was read from a zero that has no size yet; null for none. */
  relative: Relative | null;
  /** The shape as it was found, where the bore has been machined since. */
  asFound: BoreShape | null;
  verdict: BoreVerdict;
  /** Whether a piston may go into it. */
  done: boolean;
  /** How far it may be out of round: what is taken of directions that were not read. */
  roundWithin: Nm;
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

/** What differences tell without a size. */
export interface Relative {
  /** The zero they count from. */
  zero: string;
  taper: Nm | null;
  outOfRound: Nm | null;
}

interface BoreAsk extends Measuring {
  passes: readonly LoggedReading[];
  round: number;
  choices: BoreChoices;
  strictness: Strictness;
  accepted: Accepted;
}

interface Measured {
  spots: JudgedSpot[];
  measured: MeasuredSpot[];
  relative: Relative | null;
  repeatability: Repeatability;
  /** Readings at a spot that count. */
  counting: readonly LoggedReading[];
}

/** A spot with its readings, as they are gathered. */
interface Gathered {
  spot: Spot;
  here: LoggedReading[];
  values: number[];
  /** What the dial showed from the zero that is in force. */
  offs: number[];
}

/**
 * The spots of the grid in its order, then any other that was read, each with the readings of one round. One pass
 * over them: this runs at every keystroke.
 */
function gathered(
  { passes, expansion, shop: beside }: BoreAsk,
  grid: Spot[],
  round: number,
): { at: Gathered[]; counting: LoggedReading[]; zero: string | null } {
  const shop = shopTemperature(livePasses(passes, round)) ?? beside;
  const zero = passes.findLast((p) => p.unsized && isLive(p, round))?.zero ?? null;
  const at = grid.map((spot): Gathered => ({ spot, here: [], values: [], offs: [] }));
  const counting: LoggedReading[] = [];
  for (const pass of passes) {
    if (pass.round !== round || pass.place === null) continue;
    const { place } = pass;
    let found = at.find((g) => sameSpot(g.spot, place));
    if (!found) {
      if (pass.voided !== null) continue;
      found = { spot: place, here: [], values: [], offs: [] };
      at.push(found);
    }
    found.here.push(pass);
    if (pass.voided !== null) continue;
    if (pass.unsized) {
      if (pass.zero === zero) found.offs.push(pass.value);
      continue;
    }
    found.values.push(atTwenty(pass, expansion, shop));
    counting.push(pass);
  }
  return { at, counting, zero };
}

/** Differences are the same whatever the size: this stands for it. */
const ANY_SIZE: Nm = 100_000_000;

function relativeOf(zero: string | null, differing: MeasuredSpot[]): Relative | null {
  const shape = zero === null ? null : shapeOf(differing);
  if (zero === null || !shape) return null;
  const taper = shape.taper.thrust ?? shape.taper.overall;
  return { zero, taper: taper?.value ?? null, outOfRound: shape.outOfRound?.value ?? null };
}

function measure(ask: BoreAsk, grid: Spot[], round: number): Measured {
  const { choices, tools } = ask;
  const { at, counting, zero } = gathered(ask, grid, round);
  const tool = coarsest(counting, tools);
  const found = at.map(({ spot, here, values, offs }) => ({
    spot,
    here,
    read: values.length + offs.length,
    sized: repeatsOf(values, sizesRepeat(tool.resolution), 'least'),
    dialled: repeatsOf(offs, sizesRepeat(tool.resolution), 'least'),
  }));
  const sigma = repeatability(scatterOf(found.map(({ sized }) => sized?.counting ?? [])), tool);
  const ownOf = (n: number): { own: number; freedom: number } => {
    const { standard: own, freedom } = ownDoubt(n, sigma, tool);
    return { own, freedom };
  };
  const spots: JudgedSpot[] = [];
  const measured: MeasuredSpot[] = [];
  const differing: MeasuredSpot[] = [];
  for (const { spot, here, read, sized, dialled } of found) {
    const off = dialled && Math.round(dialled.value);
    const value = sized && Math.round(sized.value);
    spots.push({
      depth: spot.depth,
      angle: spot.angle,
      passes: here,
      value,
      off: value === null ? off : null,
      disagreement: (sized ?? dialled)?.disagreement ?? null,
      done: read >= choices.repeats,
    });
    if (dialled && off !== null) differing.push({ ...spot, value: ANY_SIZE + off, ...ownOf(dialled.counting.length) });
    if (sized && value !== null) measured.push({ ...spot, value, ...ownOf(sized.counting.length) });
  }
  return { spots, measured, relative: relativeOf(zero, differing), repeatability: sigma, counting };
}

/** What differences tell, and what they wait for. */
const relativeWords = ({ taper, outOfRound }: Relative): Message => [
  ...say`read from a zero in the bore`,
  ...(taper === null ? [] : say`, taper ${fine(taper)}`),
  ...(outOfRound === null ? [] : say`, out-of-round ${fine(outOfRound)}`),
  ...say`; sizes wait for the micrometer`,
];

/** Sizes of a bore that were given without their place, and count. */
const sizesAlone = ({ passes, round }: BoreAsk): LoggedReading[] =>
  livePasses(passes, round).filter((p) => p.place === null);

function boreSize(ask: BoreAsk, shape: BoreShape | null, placed: readonly LoggedReading[]): Sized | null {
  const { expansion } = ask;
  if (!shape) return sizedOf(sizesAlone(ask), ask, 'least');
  const { smallest } = shape;
  const shop = shopTemperature(placed) ?? ask.shop;
  const { doubt: shared, noted } = sharedDoubt(placed, smallest.value, { ...ask, shop });
  const doubt = { ...shared, own: smallest.own, freedom: smallest.freedom };
  return {
    value: smallest.value,
    uncertainty: sizeUncertainty(doubt),
    doubt,
    expansion,
    noted,
    disagreement: null,
    working: [
      say`smallest in ring travel: ${size(smallest.value)} (${foundWords(smallest)})`,
      ...warmedWords(placed, shop),
    ],
  };
}

/**
 * A bore from all its readings.
 *
 * @param sold whether an oversize that is sold cleans it
 */
export function judgeBore(ask: BoreAsk, sold: (largest: Nm) => boolean): JudgedBore {
  const { passes, round, choices, tools } = ask;
  const grid = spotsOf(choices);
  const { spots, measured, relative, repeatability: scatter, counting } = measure(ask, grid, round);
  const shape = shapeOf(measured);
  const inGrid = spots.slice(0, grid.length);
  const read = inGrid.filter((s) => s.done).length;
  const found = boreSize(ask, shape, counting);
  const doubt = found?.doubt ?? {
    ...{ tool: rectangular(toolLimit(passes, tools)), setting: 0, zeroing: 0, shop: 0, apart: 0 },
    ...{ own: 0, freedom: Infinity },
  };
  const known = (at: Found): Component & { value: Nm } => ({
    value: at.value,
    ...wholeDoubt({ ...doubt, own: at.own, freedom: at.freedom }),
  });
  const verdict = boreVerdict(
    shape,
    choices.limits[choices.basis],
    inGrid.every((s) => s.done && s.off === null),
    shape === null || sold(shape.widest),
    ask.strictness,
    shape && { limits: choices.sizes, smallest: known(shape.smallest), largest: known(shape.largest) },
  );
  const { state, reasons }: Pick<BoreVerdict, 'state' | 'reasons'> =
    !shape && !found && relative
      ? { state: 'part read', reasons: [relativeWords(relative)] }
      : !shape && found
        ? { state: 'part read', reasons: [say`one size without its place: taper and out-of-round are not known`] }
        : verdict;
  const acceptId = lastOf(livePasses(passes, round));
  const answer = answerOf(ask.accepted, { acceptId, what: 'bore', state, held: verdict.held });
  return {
    passes,
    spots,
    measured,
    size: found,
    mean: shape?.mean ?? found?.value ?? null,
    shape,
    relative,
    asFound: round === 0 ? null : shapeOf(measure(ask, grid, 0).measured),
    verdict: { state, reasons, held: verdict.held },
    ...answer,
    done: answer.accepted !== null || boreIsDone(state),
    roundWithin: choices.limits[choices.basis].within.outOfRound,
    round,
    read,
    total: inGrid.length,
    repeatability: scatter,
    zeroed: zeroedAlike(shape ? counting : sizesAlone(ask)),
    largestUncertainty: shape ? Math.round(expandedOf(known(shape.largest))) : sizeUncertainty(doubt),
    sizeClass: found && classAt(found.value, choices.sizes),
  };
}

/**
 * The spot a bore is read at when nothing else is said: the first of the grid.
 *
 * @example firstSpot(judgement.choices.bores) // { depth: 'top', angle: 90 }
 */
export const firstSpot = (choices: BoreChoices): Spot => spotsOf(choices)[0] ?? { depth: 'middle', angle: THRUST };
