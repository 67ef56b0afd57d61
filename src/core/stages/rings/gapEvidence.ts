/**
 * The gap that counts, from every reading of a ring since it was last filed: each says, through π times the difference
 * of diameters, what the gap is where the bore is smallest.
 *
 * A reading in a place that is measured speaks for every measured place of every bore. One at a depth that is not, in a
 * bore of which others are, is bounded by its neighbours, and at an end by the whole bore and where it leads. In a bore
 * that is not measured each reading speaks for its place alone, and the narrowest counts. A reading that does not say
 * how deep it was made may have been made anywhere in ring travel.
 */
import { type Depth, DEPTHS } from '../../foundation/parts/spots';
import type { Nm } from '../../foundation/quantity/length';
import { type Component, expandedOf, sumOf, rectangular } from '../../foundation/uncertainty/combine';
import { type Agreed, type Disagreement, type Evidence, agreed } from '../../foundation/verdict/evidence';
import { type Estimate, bestOf } from '../../foundation/verdict/decide';
import { type GapReading, nextLeaf } from './ring';
import { type Girth, gapMove, largestGirth, moveDoubt, smallestGirth } from './travel';

/** A bore as rings see it. */
export interface RingBore {
  label: string;
  /** By depth, or its one size; none while it is not measured. */
  girths: Girth[];
  /** How often it was machined. */
  round: number;
  /** Key of what it was measured with, and how far that may be off, standard; two bores measured with one tool share it. */
  gauge: string | null;
  tool: number;
}

/** One reading of a ring, as far as its gap elsewhere needs it. */
export interface PlacedReading extends GapReading {
  id: string;
  /** The bore it was made in, and how deep; null when not said. */
  cylinder: string;
  depth: Depth | null;
  /** From the leaf that passed to the next of its set, and how far its leaves may be off. */
  step: Nm;
  leaf: Nm;
  /** What its gap changes by to 20 °C, nm, and the standard uncertainty of its temperature. */
  cooled: number;
  heat: number;
}

/** The least a reading says its gap is at 20 °C, and the most, nm. */
export const coldGap = (reading: PlacedReading): { low: number; high: number } => ({
  low: reading.value + reading.cooled,
  high: nextLeaf(reading, reading.step) + reading.cooled,
});

/** Where a gap counts: a depth that is measured, a place that is not, or the bore's one size. */
export interface CountedGap extends Estimate {
  /** The figure: the leaf that passed where it was read there, else the middle of what is left open. */
  value: Nm;
  /** Whether that is the leaf that passed, at the place that counts. */
  asRead: boolean;
  /** The deepest it can be told; null where the bore is known by one size, or no depth was said. */
  depth: Depth | null;
  /** U of both ends of what is left open, for about 95 %. */
  uncertainty: Nm;
  /** The reading its lower end comes from, and how far that was moved, nm. */
  by: string;
  moved: Nm;
  /** What that reading changed by to 20 °C, nm. */
  cooled: Nm;
  /** Where each reading was made, and what it says of this gap. */
  evidence: readonly Evidence[];
  disagreement: Disagreement | null;
  /** Readings that later ones settled against. */
  aside: readonly string[];
  /** The taper that two depths tell by themselves, in diameter; null where the bore is measured, or one depth was read. */
  taper: { wide: Depth; narrow: Depth; change: Nm } | null;
}

interface Ask {
  readings: readonly PlacedReading[];
  /** The cylinder that the ring is in. */
  home: string;
  bores: ReadonlyMap<string, RingBore>;
  /** How far apart readings of one setting may lie for all that the hand does. */
  repeat: Nm;
  /** Readings that are wider than earlier ones although the ring was not filed between them, by id: the hand explains none of it. */
  notFiled: ReadonlySet<string>;
}

/** Between which girths of a bore a reading may have been made. */
interface Girths {
  wide: Girth;
  narrow: Girth;
  /** The depth where it was not measured; null where it was, or none was said. */
  unmeasured: Depth | null;
}

const wider = (a: Girth, b: Girth): Girth => (b.mean > a.mean ? b : a);
const narrower = (a: Girth, b: Girth): Girth => (b.mean < a.mean ? b : a);

/** How far a bore may bulge where it was not measured, half-width. From memory: 0.0003 in. */
const BULGE: Nm = 7_620;

/** A girth as known at a depth that was not measured. */
const unmeasured = (girth: Girth): Girth => ({ ...girth, own: Math.hypot(girth.own, rectangular(BULGE)) });

/** The girth beyond two that are measured, were the bore to go on so. */
const beyond = (near: Girth, far: Girth, depth: Depth): Girth => ({
  depth,
  mean: 2 * near.mean - far.mean,
  own: Math.hypot(2 * near.own, far.own),
  freedom: Math.min(near.freedom, far.freedom),
});

/**
 * Between which girths a depth lies that was not measured: those of its neighbours; at an end, all of the bore's and
 * what it would be were the bore to go on as from the last but one to the last.
 */
function girthsAround(girths: readonly Girth[], depth: Depth): Girths | null {
  const wide = largestGirth(girths);
  const narrow = smallestGirth(girths);
  if (!wide || !narrow) return null;
  const down: readonly (Depth | null)[] = DEPTHS;
  const order = (g: Girth): number => down.indexOf(g.depth) - down.indexOf(depth);
  const [above, below] = [girths.filter((g) => order(g) < 0), girths.filter((g) => order(g) > 0).toReversed()];
  const [over, under] = [above.at(-1), below.at(-1)];
  if (over && under)
    return { wide: unmeasured(wider(over, under)), narrow: unmeasured(narrower(over, under)), unmeasured: depth };
  const [near, far] = over ? [over, above.at(-2)] : [under, below.at(-2)];
  if (!near || !far) return { wide: unmeasured(wide), narrow: unmeasured(narrow), unmeasured: depth };
  const end = beyond(near, far, depth);
  return { wide: unmeasured(wider(wide, end)), narrow: unmeasured(narrower(narrow, end)), unmeasured: depth };
}

/** Between which girths a reading was made; null where nothing measured tells, and it speaks for its own place alone. */
function girthsOfReading(reading: PlacedReading, { home, bores }: Pick<Ask, 'home' | 'bores'>): Girths | null {
  const girths = bores.get(reading.cylinder)?.girths ?? [];
  const own = reading.cylinder === home;
  const at = girths.find(({ depth }) => depth === reading.depth || (depth === null && !own));
  if (at) return { wide: at, narrow: at, unmeasured: null };
  const [wide, narrow] = [largestGirth(girths), smallestGirth(girths)];
  if (!wide || !narrow || (own && girths.length === 1)) return null;
  return reading.depth === null ? { wide, narrow, unmeasured: null } : girthsAround(girths, reading.depth);
}

/** How far the tools may be off between two bores. */
function toolsBetween(one: string, other: string, bores: Ask['bores']): number {
  const [a, b] = [bores.get(one), bores.get(other)];
  return !a || !b || one === other || a.gauge === b.gauge ? 0 : Math.hypot(a.tool, b.tool);
}

/** Whether two readings were made in one place, as far as it was said. */
export const isSamePlace = (a: PlacedReading, b: PlacedReading): boolean =>
  a.cylinder === b.cylinder && a.depth === b.depth;

/**
 * How far a reading lies above an earlier one at the least, as lengths of the ring, nm, and what the doubt of the bore
 * between them explains, for about 95 %; null where the places cannot be compared.
 */
export function riseOver(
  earlier: PlacedReading,
  later: PlacedReading,
  ask: Pick<Ask, 'home' | 'bores'>,
): { by: number; doubt: number } | null {
  const by = coldGap(later).low - coldGap(earlier).high;
  if (isSamePlace(earlier, later)) return { by, doubt: 0 };
  const [from, to] = [girthsOfReading(earlier, ask), girthsOfReading(later, ask)];
  if (!from || !to || from.unmeasured || to.unmeasured) return null;
  const tools = toolsBetween(earlier.cylinder, later.cylinder, ask.bores);
  return { by: by + gapMove(to.wide, from.narrow), doubt: expandedOf(moveDoubt(to.wide, from.narrow, tools)) };
}

/** How well a reading tells its gap where it was made: by its leaf, and its temperature. */
const readDoubt = ({ leaf, heat }: PlacedReading): Component =>
  sumOf([rectangular(leaf), heat].map((standard) => ({ standard, freedom: Infinity })));

/** What a reading says of the gap at `to`; null where it was made in a place of that bore that is not measured. */
function broughtTo(to: Girth, reading: PlacedReading, ask: Ask): Evidence | null {
  const from = girthsOfReading(reading, ask);
  if (!from) return null;
  const { wide, narrow } = from;
  const { low, high: next } = coldGap(reading);
  const direct = wide === to && narrow === to;
  return {
    id: reading.id,
    low: low + gapMove(wide, to),
    // in its own bore a gap is nowhere narrower than where it counts
    high: Math.min(next + gapMove(narrow, to), reading.cylinder === ask.home && wide !== narrow ? next : Infinity),
    ...sumOf([moveDoubt(wide, to, toolsBetween(reading.cylinder, ask.home, ask.bores)), readDoubt(reading)]),
    direct,
    place: reading.cylinder === ask.home ? from.unmeasured : null,
  };
}

const inPlace = (reading: PlacedReading): Evidence => ({
  id: reading.id,
  ...coldGap(reading),
  ...readDoubt(reading),
  direct: true,
  place: null,
});

interface Group {
  depth: Depth | null;
  evidence: [Evidence, ...Evidence[]];
}

/**
 * Readings by the place whose gap they tell: all that can be brought to the smallest measured place in one, each
 * other depth for itself.
 */
function groupsOf(ask: Ask): Group[] {
  const here = ask.bores.get(ask.home);
  const to = here ? smallestGirth(here.girths) : null;
  const linked: Evidence[] = [];
  const places = new Map<Depth | null, Group>();
  for (const reading of ask.readings) {
    const brought = to && broughtTo(to, reading, ask);
    if (brought) {
      linked.push(brought);
      continue;
    }
    if (reading.cylinder !== ask.home) continue;
    const found = inPlace(reading);
    const group = places.get(reading.depth);
    if (group) group.evidence.push(found);
    else places.set(reading.depth, { depth: reading.depth, evidence: [found] });
  }
  const [first, ...rest] = linked;
  return [
    ...(first && to ? [{ depth: to.depth, evidence: [first, ...rest] as Group['evidence'] }] : []),
    ...places.values(),
  ];
}

/**
 * How far two readings may miss each other for all that the hand and the tools explain: what repeats may differ by, and
 * the doubt of what they were brought together with.
 */
const explainedBy =
  ({ repeat, notFiled }: Pick<Ask, 'repeat' | 'notFiled'>) =>
  (a: Evidence, b: Evidence): { tools: number; all: number } => {
    const moved: Component = sumOf([a, b].filter((e) => !e.direct));
    const tools = expandedOf(moved);
    return { tools, all: tools + (notFiled.has(a.id) || notFiled.has(b.id) ? 0 : repeat) };
  };

/** The taper that gaps at two depths of one bore tell: Δgap ÷ π. */
function taperOf(groups: readonly { depth: Depth | null; found: Agreed }[]): CountedGap['taper'] {
  const told = groups.flatMap(({ depth, found }) => (depth === null ? [] : [{ depth, gap: bestOf(found) }]));
  const [first, ...rest] = told;
  if (!first || rest.length === 0) return null;
  const wide = rest.reduce((most, t) => (t.gap > most.gap ? t : most), first);
  const narrow = rest.reduce((least, t) => (t.gap < least.gap ? t : least), first);
  const change = Math.round((wide.gap - narrow.gap) / Math.PI);
  return change > 0 ? { wide: wide.depth, narrow: narrow.depth, change } : null;
}

/** The gap that counts in the cylinder a ring is in, nm; null where no reading tells it there. */
export function countedGap(ask: Ask): CountedGap | null {
  const groups = groupsOf(ask).map(({ depth, evidence }) => ({
    depth,
    evidence,
    found: agreed(evidence, explainedBy(ask)),
  }));
  const [first, ...rest] = groups;
  if (!first) return null;
  const narrowest = rest.reduce((least, g) => (g.found.low < least.found.low ? g : least), first);
  const { found, depth } = narrowest;
  const high = Math.min(...groups.map((g) => g.found.high));
  const reading = ask.readings.find((r) => r.id === found.by);
  const asRead = found.direct && reading !== undefined && Math.abs(reading.value - found.low) <= reading.leaf;
  const estimate: Estimate = {
    low: found.low,
    high: Math.max(found.low, high),
    standard: found.standard,
    freedom: found.freedom,
    passed: found.direct,
  };
  return {
    ...estimate,
    value: asRead ? reading.value : Math.round(bestOf(estimate)),
    asRead,
    depth,
    uncertainty: Math.round(expandedOf(found)),
    by: found.by,
    moved: Math.round(found.low - (reading?.value ?? found.low)),
    cooled: Math.round(reading?.cooled ?? 0),
    evidence: groups.flatMap((g) => g.evidence),
    disagreement: found.disagreement ?? groups.find((g) => g.found.disagreement)?.found.disagreement ?? null,
    aside: groups.flatMap((g) => g.found.aside),
    taper: taperOf(groups),
  };
}
