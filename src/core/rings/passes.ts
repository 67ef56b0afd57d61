/**
 * The passes of one ring: which readings repeat one another, which cut lies between them, and what each cut took off.
 *
 * A ring only ever grows wider by filing. So a reading that is narrower than the one before, or two of one setting that
 * differ, say that the ring did not sit square: tight, loose, tight. A domed piston cocks it. Common practice, no source.
 */
import type { Nm } from '../quantity/length';
import { type GapReading, likelyGap, nextLeaf } from './ring';

/** A reading as far as its order matters. */
export interface PassReading extends GapReading {
  id: string;
  /** The bore and the depth: readings at different depths or in different bores say nothing of one another. */
  where: string;
  deburred: boolean;
  squared: boolean;
}

export type RingEvent =
  { kind: 'reading'; reading: PassReading } | { kind: 'cut'; id: string; filer: string | null; count: number | null };

/** Readings that do not agree. */
export interface Wander {
  before: Nm;
  after: Nm;
  /** How far apart. */
  apart: Nm;
  /** Whether it was filed between them: then the ring cannot have become narrower. */
  filed: boolean;
}

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
  /** The reading in force: the last. */
  reading: PassReading | null;
  /** How often it was read since it was last filed. */
  repeats: number;
  wander: Wander | null;
  /** Readings after filing that were neither deburred nor squared for, by id. */
  unprepared: Set<string>;
  /** Cuts since the reading in force: it does not hold any more. */
  cutsSince: number;
  /** Whether it was filed before. */
  filed: boolean;
  taken: CutTaken[];
}

interface Ask {
  /** Of the ring as it is now, in order, without what was struck out. */
  events: readonly RingEvent[];
  /** How far apart readings of one setting may lie. */
  limit: Nm;
  /** From one leaf to the next: readings one leaf apart always agree. */
  step: Nm;
  /** Under this a ring is filed; null where nothing is asked. */
  min: Nm | null;
}

/** How far two readings are apart at the least: nothing where what their leaves leave open meets. */
function apartOf(a: GapReading, b: GapReading): Nm {
  const [low, high] = a.value <= b.value ? [a, b] : [b, a];
  return low.open ? 0 : Math.max(0, high.value - (low.upTo ?? low.value));
}

/**
 * The passes of one ring put in order.
 *
 * @example passesOf({ events: [], limit: null, step: 25_400, min: null }).wander // null
 */
export function passesOf({ events, limit, step, min }: Ask): Passes {
  const most = Math.max(limit, step);
  const found: Passes = {
    reading: null,
    repeats: 0,
    wander: null,
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
    const same = before !== null && before.where === reading.where;
    const grew = same && reading.value > before.value && apartOf(before, reading) > most;
    const filed =
      before !== null && (cuts.length > 0 || reading.deburred || (grew && (min === null || before.value < min)));
    const apart = !same ? 0 : apartOf(before, reading);
    const shrank = same && reading.value < before.value;
    // Between two leaves lies what the hand feels; but over a cut a ring cannot shrink at all.
    const agree = apart <= (shrank && cuts.length > 0 ? 0 : most);
    found.wander =
      same && !agree && (shrank || !filed) ? { before: before.value, after: reading.value, apart, filed } : null;
    if (filed && !reading.deburred && !reading.squared) found.unprepared.add(reading.id);
    const removed = before ? likelyGap(reading, step) - likelyGap(before, step) : 0;
    const [first] = cuts;
    const filer = first?.filer ?? null;
    const counts = cuts.map((c) => c.count);
    if (
      same &&
      !found.wander &&
      removed >= 0 &&
      filer !== null &&
      cuts.every((c) => c.filer === filer) &&
      counts.every((c): c is number => c !== null && c > 0) &&
      nextLeaf(before, step) < Infinity &&
      !reading.open
    )
      found.taken.push({
        ids: cuts.map((c) => c.id),
        filer,
        count: counts.reduce((a, b) => a + b, 0),
        removed,
      });
    found.filed ||= filed;
    found.repeats = filed || !same ? 1 : found.repeats + 1;
    found.reading = reading;
    cuts = [];
  }
  found.cutsSince = cuts.length;
  found.filed ||= cuts.length > 0;
  return found;
}
