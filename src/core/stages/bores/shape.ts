/**
 * What the readings of a bore come to: size, taper, out-of-round, oval, form, ridge and the lean of its wear, each
 * with what the readings can prove.
 *
 * Taper: the difference along the bore in one direction, the thrust direction by convention. Out-of-round: the
 * difference between directions at one depth. Common practice, no source.
 */
import type { Nm } from '../../foundation/quantity/length';
import { type Message, raw, say, size } from '../../foundation/quantity/message';
import { average } from '../../foundation/verdict/measuredSize';
import { type Component, expandedOf, sumOf, COVERAGE } from '../../foundation/uncertainty/combine';
import { ovalSquare, pairSquare, rangeSquare, withoutScatter } from './scatter';
import {
  type Depth,
  type Spot,
  ABOVE,
  DEPTHS,
  DEPTH_WORDS,
  THRUST,
  directionWords,
  isThrust,
} from '../../foundation/parts/spots';
import { type Oval, fitOval, ovalAt, roundReaches } from './oval';

/** One spot as measured: the mean of its repeats at 20 °C, and its own standard uncertainty with its degrees of freedom. */
export interface MeasuredSpot extends Spot {
  value: Nm;
  own: number;
  freedom: number;
}

/** A figure worked out, its standard uncertainty with its degrees of freedom, U for about 95 %, and how. */
export interface Derived {
  value: Nm;
  standard: number;
  freedom: number;
  uncertainty: Nm;
  /** What it is judged by: without what the scatter of its readings alone would show, nm not rounded. */
  judged: number;
  working: Message[];
}

/** A size and where it was found. */
export interface Found {
  value: Nm;
  /** Standard uncertainty that this size has of its own, and its degrees of freedom. */
  own: number;
  freedom: number;
  depth: Depth;
  /** Null for a size worked out from the oval. */
  angle: number | null;
}

export interface JudgedOval extends Oval {
  /** Largest − smallest diameter, 2e. */
  total: Nm;
  uncertainty: Nm;
  /** Whether an oval is proven: so large a one would be found of a round bore, at any of its depths, less than one time in twenty. */
  proven: boolean;
  /** Whether largest − smallest reading says less than 2e. */
  understated: boolean;
}

export interface DepthShape {
  depth: Depth;
  /** In how many directions it was read. */
  directions: number;
  mean: Nm;
  least: Nm;
  most: Nm;
  outOfRound: Derived | null;
  oval: JudgedOval | null;
  /** In the thrust direction: as read, else from the oval. */
  thrust: Found | null;
}

export const FORMS = ['straight', 'taper', 'barrel', 'hourglass', 'bell'] as const;
export type Form = (typeof FORMS)[number];

export interface BoreShape {
  /** In ring travel, top first. */
  depths: DepthShape[];
  /** In the thrust direction, and the largest in any one direction. */
  taper: { thrust: Derived | null; overall: Derived | null };
  /** The worst of all depths: from the oval where that is larger and proven. */
  outOfRound: Derived | null;
  form: { form: Form; widest: Depth; words: string } | null;
  ridge: Derived | null;
  /** From the thrust direction to the longest diameter of the most oval depth, clockwise, −90 to 90°. */
  lean: { degrees: number; uncertainty: number; depth: Depth } | null;
  /** The place a piston passes with the least room: in the thrust direction where that is known. */
  smallest: Found;
  largest: Found;
  /** The widest anywhere: the largest reading, or a proven oval's longest diameter where that is more. */
  widest: Nm;
  mean: Nm;
}

/** An understatement under this is no news: 0.0001 in. */
const FINEST: Nm = 2_540;
/** A share of the whole change at one end that makes a bore bell-mouthed and not tapered. From memory. */
const BELL_SHARE = 0.75;

const ORDER: Depth[] = [ABOVE, ...DEPTHS];

/** A spot's own doubt. */
const doubtOf = ({ own, freedom }: { own: number; freedom: number }): Component => ({ standard: own, freedom });

const difference = (a: Component, b: Component): Pick<Derived, 'standard' | 'freedom' | 'uncertainty'> => {
  const doubt = sumOf([a, b]);
  return { ...doubt, uncertainty: Math.round(expandedOf(doubt)) };
};

function extremes<T extends { value: Nm }>(items: T[]): { least: T; most: T } | null {
  const [first, ...rest] = items;
  if (!first) return null;
  return rest.reduce(
    (found, item) => ({
      least: item.value < found.least.value ? item : found.least,
      most: item.value > found.most.value ? item : found.most,
    }),
    { least: first, most: first },
  );
}

function across(items: (MeasuredSpot | Found)[], where: (item: MeasuredSpot | Found) => string): Derived | null {
  const found = items.length > 1 ? extremes(items) : null;
  if (!found) return null;
  const { least, most } = found;
  const value = most.value - least.value;
  const own = Math.max(...items.map((i) => i.own));
  return {
    value,
    judged: withoutScatter(value, rangeSquare(items.length, own)),
    ...difference(doubtOf(most), doubtOf(least)),
    working: [
      value === 0
        ? say`${size(most.value)} throughout`
        : say`${size(most.value)} (${where(most)}) − ${size(least.value)} (${where(least)}) = ${raw(value)}`,
    ],
  };
}

/** The spot that is known least. */
const leastKnown = (spots: readonly MeasuredSpot[]): Component =>
  spots.map(doubtOf).reduce((worst, d) => (d.standard > worst.standard ? d : worst));

/** @param depths at how many an oval is looked for */
function judgedOval(spots: MeasuredSpot[], depths: number): JudgedOval | null {
  const oval = fitOval(spots);
  if (!oval) return null;
  const own = leastKnown(spots);
  const total = Math.round(2 * oval.amplitude);
  const uncertainty = Math.round(2 * oval.doubt.amplitude * expandedOf(own));
  const read = extremes(spots);
  const proven = oval.distance > roundReaches(depths, own.freedom) * own.standard;
  return {
    ...oval,
    total,
    uncertainty,
    proven,
    understated: proven && read !== null && total - (read.most.value - read.least.value) > FINEST,
  };
}

function depthShape(depth: Depth, spots: MeasuredSpot[], depths: number): DepthShape {
  const oval = judgedOval(spots, depths);
  const read = spots.find((s) => isThrust(s.angle));
  const fitted = oval && {
    value: Math.round(ovalAt(oval, THRUST)),
    own: leastKnown(spots).standard,
    freedom: leastKnown(spots).freedom,
    depth,
    angle: null,
  };
  const values = spots.map((s) => s.value);
  return {
    depth,
    directions: spots.length,
    mean: Math.round(oval ? oval.mean : average(values)),
    least: Math.min(...values),
    most: Math.max(...values),
    outOfRound: across(spots, (s) => directionWords(s.angle ?? THRUST)),
    oval,
    thrust: read ? { value: read.value, own: read.own, freedom: read.freedom, depth, angle: read.angle } : fitted,
  };
}

/** Out-of-round of a depth: what was read, or the oval where that is larger and proven. */
function worstRound({ depth, outOfRound, oval }: DepthShape): Derived | null {
  if (!oval?.understated) return outOfRound;
  return {
    value: oval.total,
    standard: oval.uncertainty / COVERAGE,
    freedom: Infinity,
    uncertainty: oval.uncertainty,
    judged: oval.total,
    working: [
      say`${DEPTH_WORDS[depth]}: oval 2e = ${raw(oval.total)}, largest at ${oval.direction.toFixed(0)}°; largest − smallest reading says only ${raw(outOfRound?.value ?? 0)}`,
    ],
  };
}

/** Out-of-round of the worst depth, judged by the ovals of all depths, or by two directions, without what scatter alone would show. */
function outOfRoundOf(depths: readonly DepthShape[], spots: readonly (readonly MeasuredSpot[])[]): Derived | null {
  const worst = largestOf(depths.map(worstRound));
  if (!worst) return null;
  const judged = depths.map(({ oval, outOfRound, directions }, i) => {
    const own = leastKnown(spots[i] ?? []).standard;
    if (oval) return withoutScatter(oval.total, ovalSquare(depths.length, oval.doubt.both, own));
    if (directions === 2) return withoutScatter(outOfRound?.value ?? 0, pairSquare(depths.length, own));
    return outOfRound?.judged ?? 0;
  });
  // an oval that is not proven makes no bore worse than what was seen of it
  return { ...worst, judged: Math.min(worst.value, Math.max(...judged)) };
}

const largestOf = (all: (Derived | null)[]): Derived | null =>
  all.reduce<Derived | null>((worst, d) => (d && (!worst || d.value > worst.value) ? d : worst), null);

/** `widest at the top` and the like. */
const end = (depth: Depth): string => DEPTH_WORDS[depth].replace(' of ring travel', '');

/** The doubt of a depth's mean, where it is known least. */
const worstMean = (depths: readonly (readonly MeasuredSpot[])[]): Component =>
  depths
    .map((at) => sumOf(at.map(({ own, freedom }) => ({ standard: own / at.length, freedom }))))
    .reduce((worst, d) => (d.standard > worst.standard ? d : worst));

function formOf(depths: DepthShape[], own: Component): BoreShape['form'] {
  const found = extremes(depths.map(({ depth, mean }) => ({ depth, value: mean })));
  const [first, last] = [depths[0], depths.at(-1)];
  if (!found || !first || !last || depths.length < 2) return null;
  const { most, least } = found;
  const change = most.value - least.value;
  const unproven = Math.max(difference(own, own).uncertainty, FINEST);
  const widest = most.depth;
  const named = (form: Form, words: string): BoreShape['form'] => ({ form, widest, words });
  if (change <= unproven) return named('straight', 'straight, as far as the readings can tell');
  const over = (value: Nm): boolean => value - Math.max(first.mean, last.mean) > unproven;
  const under = (value: Nm): boolean => Math.min(first.mean, last.mean) - value > unproven;
  if (over(most.value)) return named('barrel', `barrel: widest at the ${end(widest)}`);
  if (under(least.value)) return named('hourglass', `hourglass: narrowest at the ${end(least.depth)}`);
  const atTop = first.mean > last.mean;
  const neighbour = atTop ? depths[1] : depths.at(-2);
  const flare = neighbour && depths.length > 2 ? (atTop ? first.mean : last.mean) - neighbour.mean : 0;
  return flare > BELL_SHARE * change
    ? named('bell', `bell-mouthed at the ${end(widest)}`)
    : named('taper', `tapered: widest at the ${end(widest)}`);
}

function leanOf(depths: DepthShape[]): BoreShape['lean'] {
  const most = depths
    .filter((d) => d.oval?.proven)
    .reduce<DepthShape | null>(
      (worst, d) => (!worst || (d.oval?.amplitude ?? 0) > (worst.oval?.amplitude ?? 0) ? d : worst),
      null,
    );
  if (!most?.oval) return null;
  const off = most.oval.direction - THRUST;
  const radians = most.oval.uncertainty / 2 / (2 * most.oval.amplitude);
  return {
    degrees: off > 90 ? off - 180 : off <= -90 ? off + 180 : off,
    uncertainty: Math.min(90, (radians * 180) / Math.PI),
    depth: most.depth,
  };
}

/**
 * The shape of a bore from its spots; null while there is none in ring travel.
 *
 * @param spots each spot once, values at 20 °C, in any order
 * @example
 *   shapeOf([{ depth: 'top', angle: 90, value: 100_010_000, own: 0 }, { depth: 'bottom', angle: 90, value:
 *   100_000_000, own: 0 }])?.taper.thrust?.value // 10000
 */
export function shapeOf(spots: MeasuredSpot[]): BoreShape | null {
  const byDepth = ORDER.flatMap((depth) => {
    const at = spots.filter((s) => s.depth === depth);
    return at.length > 0 ? [{ depth, at }] : [];
  });
  const inTravel = byDepth.filter((d) => d.depth !== ABOVE);
  const travel = inTravel.flatMap((d) => d.at);
  const all = extremes(
    travel.map(({ value, own, freedom, depth, angle }): Found => ({ value, own, freedom, depth, angle })),
  );
  if (!all) return null;
  const depths = inTravel.map(({ depth, at }) => depthShape(depth, at, inTravel.length));
  const thrust = depths.flatMap((d) => d.thrust ?? []);
  const along = [...new Set(travel.map((s) => s.angle))].map((angle) =>
    across(
      travel.filter((s) => s.angle === angle),
      (s) => end(s.depth),
    ),
  );
  const [top, above] = [depths[0]?.thrust, spots.find((s) => s.depth === ABOVE)];
  return {
    depths,
    taper: { thrust: across(thrust, (s) => end(s.depth)), overall: largestOf(along) },
    outOfRound: outOfRoundOf(
      depths,
      inTravel.map((d) => d.at),
    ),
    form: formOf(depths, worstMean(inTravel.map((d) => d.at))),
    ridge:
      top && above
        ? {
            value: top.value - above.value,
            judged: top.value - above.value,
            ...difference(doubtOf(top), doubtOf(above)),
            working: [
              say`${size(top.value)} (${end(top.depth)}) − ${size(above.value)} (above ring travel) = ${raw(top.value - above.value)}`,
            ],
          }
        : null,
    lean: leanOf(depths),
    smallest: extremes(thrust)?.least ?? all.least,
    largest: all.most,
    widest: Math.max(
      ...depths.map(({ most, oval }) => (oval?.proven ? Math.max(most, Math.round(oval.mean + oval.amplitude)) : most)),
    ),
    mean: Math.round(average(depths.map((d) => d.mean))),
  };
}

/** Where a size was found, in words. */
export const foundWords = ({ depth, angle }: Found): string =>
  `${DEPTH_WORDS[depth]}, ${angle === null ? 'square to the crank by the oval' : directionWords(angle)}`;
