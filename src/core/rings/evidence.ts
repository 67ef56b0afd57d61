/**
 * The gap that counts, from every reading of a ring since it was last filed: each says, through π times the difference
 * of diameters, what the gap is where the bore is smallest.
 *
 * A reading in a place that is measured speaks for every measured place of every bore; one in a place that is not speaks
 * for that place alone, and the narrowest place counts. A reading that does not say how deep it was made may have been
 * made anywhere in ring travel.
 */
import type { Depth } from '../bores/grid';
import type { Nm } from '../quantity/length';
import { type Component, expandedOf, sumOf } from '../uncertainty/spread';
import { rectangular } from '../uncertainty/uncertainty';
import { type Agreed, type Disagreement, type Evidence, agreed } from '../verdict/evidence';
import { type Estimate, bestOf } from '../verdict/decide';
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
}

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
}

/** What a reading says of the gap at `to`; null where it was made in a place of that bore that is not measured. */
function broughtTo(to: Girth, reading: PlacedReading, { home, bores }: Ask): Evidence | null {
  const from = bores.get(reading.cylinder);
  const here = bores.get(home);
  if (!from || !here || from.girths.length === 0) return null;
  const own = reading.cylinder === home;
  const at = from.girths.find(({ depth }) => depth === reading.depth || (depth === null && !own));
  if (!at && own && (from.girths.length === 1 || reading.depth !== null)) return null;
  const [wide, narrow] = [at ?? largestGirth(from.girths) ?? to, at ?? smallestGirth(from.girths) ?? to];
  const tools = own || from.gauge === here.gauge ? 0 : Math.hypot(from.tool, here.tool);
  return {
    id: reading.id,
    low: reading.value + gapMove(wide, to),
    high: nextLeaf(reading, reading.step) + gapMove(narrow, to),
    ...sumOf([moveDoubt(wide, to, tools), { standard: rectangular(reading.leaf), freedom: Infinity }]),
    direct: at === to,
  };
}

const inPlace = (reading: PlacedReading): Evidence => ({
  id: reading.id,
  low: reading.value,
  high: nextLeaf(reading, reading.step),
  standard: rectangular(reading.leaf),
  freedom: Infinity,
  direct: true,
});

interface Group {
  depth: Depth | null;
  evidence: [Evidence, ...Evidence[]];
}

/** Readings by the place whose gap they tell: all that can be brought to the smallest measured place in one, each other depth for itself. */
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
  (repeat: Nm) =>
  (a: Evidence, b: Evidence): number => {
    const moved: Component = sumOf([a, b].filter((e) => !e.direct));
    return repeat + expandedOf(moved);
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

/**
 * The gap that counts in the cylinder a ring is in; null where no reading tells it there.
 *
 * @example countedGap({ readings: [], home: '1', bores: new Map(), repeat: 25_400 }) // null
 */
export function countedGap(ask: Ask): CountedGap | null {
  const groups = groupsOf(ask).map(({ depth, evidence }) => ({
    depth,
    evidence,
    found: agreed(evidence, explainedBy(ask.repeat)),
  }));
  const [first, ...rest] = groups;
  if (!first) return null;
  const narrowest = rest.reduce((least, g) => (g.found.low < least.found.low ? g : least), first);
  const { found, depth } = narrowest;
  const high = Math.min(...groups.map((g) => g.found.high));
  const reading = ask.readings.find((r) => r.id === found.by);
  const asRead = found.direct && reading !== undefined && reading.value === found.low;
  const estimate: Estimate = {
    low: found.low,
    high: Math.max(found.low, high),
    standard: found.standard,
    freedom: found.freedom,
    passed: found.direct,
  };
  return {
    ...estimate,
    value: Math.round(asRead ? found.low : bestOf(estimate)),
    asRead,
    depth,
    uncertainty: Math.round(expandedOf(found)),
    by: found.by,
    moved: Math.round(found.low - (reading?.value ?? found.low)),
    evidence: groups.flatMap((g) => g.evidence),
    disagreement: found.disagreement ?? groups.find((g) => g.found.disagreement)?.found.disagreement ?? null,
    aside: groups.flatMap((g) => g.found.aside),
    taper: taperOf(groups),
  };
}
