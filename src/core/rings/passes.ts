/**
 * The passes of one ring: which readings are of the ring as it was last filed, which cut lies between them, and what each
 * cut took off.
 *
 * A ring only ever grows wider by filing. So a gap that is narrower over a cut says that the ring did not sit square, and
 * teaches the filer nothing. A domed piston cocks it: tight, loose, tight. Common practice, no source.
 */
import type { Nm } from '../quantity/length';
import type { PlacedReading } from './evidence';
import { type GapReading, likelyGap, nextLeaf } from './ring';

/** A reading as far as its order matters. */
export interface PassReading extends PlacedReading {
  deburred: boolean;
  squared: boolean;
}

export type RingEvent =
  { kind: 'reading'; reading: PassReading } | { kind: 'cut'; id: string; filer: string | null; count: number | null };

/** What one or several cuts with the same filer took off between two readings. */
export interface CutTaken {
  /** The cuts. */
  ids: string[];
  filer: string;
  count: number;
  /** nm of gap, not rounded. */
  removed: number;
}

export interface Passes {
  /** The reading as called: the last. */
  reading: PassReading | null;
  /** All since the ring was last filed, in order: what its gap is known from. */
  since: PassReading[];
  /** The last of before that, in the same place as the first since; null where there is none. */
  before: PassReading | null;
  /** How often it was read in the place of the last since it was last filed. */
  repeats: number;
  /** Readings after filing that were neither deburred nor squared for, by id. */
  unprepared: Set<string>;
  /** Cuts since the last reading: it does not hold any more. */
  cutsSince: number;
  /** Whether it was filed before. */
  filed: boolean;
  taken: CutTaken[];
}

interface Ask {
  /** Of the ring as it is now, in order, without what was struck out. */
  events: readonly RingEvent[];
  /** How far apart readings of one setting may lie. */
  repeat: Nm;
  /** Under this a ring is filed; null where nothing is asked. */
  min: Nm | null;
}

/** How far two readings are apart at the least: nothing where what their leaves leave open meets. */
function apartOf(a: GapReading, b: GapReading): Nm {
  const [low, high] = a.value <= b.value ? [a, b] : [b, a];
  return low.open ? 0 : Math.max(0, high.value - (low.upTo ?? low.value));
}

const samePlace = (a: PassReading, b: PassReading): boolean => a.cylinder === b.cylinder && a.depth === b.depth;

/**
 * The passes of one ring put in order.
 *
 * @example passesOf({ events: [], repeat: 25_400, min: null }).filed // false
 */
export function passesOf({ events, repeat, min }: Ask): Passes {
  const found: Passes = {
    reading: null,
    since: [],
    before: null,
    repeats: 0,
    unprepared: new Set(),
    cutsSince: 0,
    filed: false,
    taken: [],
  };
  let cuts: Extract<RingEvent, { kind: 'cut' }>[] = [];
  for (const event of events) {
    if (event.kind === 'cut') {
      cuts.push(event);
      continue;
    }
    const { reading } = event;
    const before = found.reading;
    const same = before !== null && samePlace(before, reading);
    const grew = same && reading.value > before.value && apartOf(before, reading) > Math.max(repeat, reading.step);
    const filed =
      before !== null && (cuts.length > 0 || reading.deburred || (grew && (min === null || before.value < min)));
    if (filed && !reading.deburred && !reading.squared) found.unprepared.add(reading.id);
    const removed = before ? likelyGap(reading, reading.step) - likelyGap(before, before.step) : 0;
    const filer = cuts[0]?.filer ?? null;
    const counts = cuts.map((c) => c.count);
    if (
      same &&
      removed >= 0 &&
      filer !== null &&
      cuts.every((c) => c.filer === filer) &&
      counts.every((c): c is number => c !== null && c > 0) &&
      nextLeaf(before, before.step) < Infinity &&
      !reading.open
    )
      found.taken.push({ ids: cuts.map((c) => c.id), filer, count: counts.reduce((a, b) => a + b, 0), removed });
    if (filed) {
      found.before = found.since.findLast((r) => samePlace(r, reading)) ?? null;
      found.since = [];
    }
    found.since.push(reading);
    found.filed ||= filed;
    found.repeats = filed || !same ? 1 : found.repeats + 1;
    found.reading = reading;
    cuts = [];
  }
  found.cutsSince = cuts.length;
  found.filed ||= cuts.length > 0;
  return found;
}

/** How far under what was read before a cut a ring reads after it: it cannot have become narrower. 0 where what the leaves leave open meets. */
export const shrunkOver = ({ before, since }: Pick<Passes, 'before' | 'since'>): Nm => {
  const after = before && since.find((r) => samePlace(r, before));
  return before && after && after.value < before.value ? apartOf(before, after) : 0;
};
