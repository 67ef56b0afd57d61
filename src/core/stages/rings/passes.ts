/**
 * The passes of one ring: which readings are of the ring as it was last filed, which cut lies between them, and what each
 * cut took off.
 *
 * A ring only ever grows wider by filing. So a gap that is narrower over a cut says that the ring did not sit square, and
 * teaches the filer nothing. A gap that grew with no cut logged was filed, or one of the readings is wrong: it is taken
 * as filed, and asked about. A domed piston cocks a ring: tight, loose, tight. Common practice, no source.
 */
import type { Nm } from '../../foundation/quantity/length';
import { type PlacedReading, type RingBore, coldGap, isSamePlace, riseOver } from './gapEvidence';
import { likelyGap, nextLeaf } from './ring';

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

/** A gap that grew although no cut was logged. */
export interface Growth {
  /** The reading that is wider, and the earlier one it is wider than. */
  reading: PassReading;
  over: PassReading;
  /** Readings of the ring before it grew, those that still tell of it after too. */
  before: readonly PassReading[];
  /** Whether it is taken as filed until it is answered; else the places cannot be compared, and nothing is taken. */
  taken: boolean;
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
  /** Growth that is not answered, nor settled by a second reading; null for none. */
  growth: Growth | null;
  /** Readings before which it is taken as filed with no cut logged, by id. */
  unlogged: Set<string>;
  /** Readings since that are wider without filing, as somebody said, by id. */
  notFiled: Set<string>;
  /** Readings of which nobody knows whether they were made before or after the ring was filed, by id. */
  undated: Set<string>;
}

interface Ask {
  /** Of the ring as it is now, in order, without what was struck out. */
  events: readonly RingEvent[];
  /** How far apart readings of one setting may lie. */
  repeat: Nm;
  /** The cylinder that the ring is in, and the bores by cylinder. */
  home: string;
  bores: ReadonlyMap<string, RingBore>;
  /** Whether the ring was filed before a reading that had grown, by its id, where somebody said so. */
  answers: ReadonlyMap<string, boolean>;
}

/** How far two readings are apart at the least: nothing where what their leaves leave open meets. */
function apartOf(a: PassReading, b: PassReading): Nm {
  const [low, high] = coldGap(a).low <= coldGap(b).low ? [a, b] : [b, a];
  return low.open ? 0 : Math.max(0, Math.round(coldGap(high).low - (low.upTo ?? low.value) - low.cooled));
}

/** Readings of the ring between two filings, with no cut logged at either end. */
interface Stretch {
  readings: PassReading[];
  growth: Growth | null;
  /** Of these nobody knows whether they were read before or after the filing at its beginning. */
  undated: Set<PassReading>;
}

/** Compares the readings of one ring as lengths. */
class Lengths {
  constructor(private readonly ask: Pick<Ask, 'repeat' | 'home' | 'bores'>) {}

  /** Whether a reading lies above an earlier one by more than the hand and the tools explain; null where the places cannot be compared. */
  grew(earlier: PassReading, later: PassReading): boolean | null {
    const rise = riseOver(earlier, later, this.ask);
    return rise && rise.by >= Math.max(this.ask.repeat, later.step) + rise.doubt;
  }

  /** Whether what their leaves leave open has nothing in common. */
  isAbove(earlier: PassReading, later: PassReading): boolean {
    const rise = riseOver(earlier, later, this.ask);
    return rise !== null && rise.by >= rise.doubt;
  }

  /** Whether it is wider by as much in a place that cannot be compared. */
  isWiderElsewhere(earlier: PassReading, later: PassReading): boolean {
    const by = coldGap(later).low - coldGap(earlier).high;
    return by >= Math.max(this.ask.repeat, later.step) && riseOver(earlier, later, this.ask) === null;
  }

  /** Whether they tell one length, as far as the hand and the tools do. */
  agree(a: PassReading, b: PassReading): boolean {
    return this.grew(a, b) === false && this.grew(b, a) === false;
  }
}

const narrowestOf = (readings: readonly PassReading[]): PassReading | null =>
  readings.reduce<PassReading | null>(
    (least, r) => (least === null || coldGap(r).low < coldGap(least).low ? r : least),
    null,
  );

/** Whether a second reading stands by one that grew; where the places cannot be compared, one in the place that was narrower. */
const isSettled = ({ readings }: Stretch, { reading, over, taken }: Growth, lengths: Lengths): boolean =>
  taken
    ? readings.some((r) => r !== reading && lengths.agree(reading, r))
    : readings.slice(readings.indexOf(reading)).some((r) => isSamePlace(r, over));

/** Puts a reading to the others since the ring was last filed, or begins a stretch where it grew. */
function addReading(
  stretches: Stretch[],
  reading: PassReading,
  lengths: Lengths,
  { answers, notFiled }: { answers: ReadonlyMap<string, boolean>; notFiled: Set<string> },
): void {
  const [past, now] = [stretches.at(-2), stretches.at(-1)];
  if (!now) return void stretches.push({ readings: [reading], growth: null, undated: new Set() });
  const { undated } = now;
  // read before or after it was filed, nobody knew: now it is known
  for (const r of now.readings)
    if (undated.has(r) && isSamePlace(r, reading)) {
      undated.delete(r);
      if (lengths.grew(r, reading)) now.readings = now.readings.filter((other) => other !== r);
    }
  const { readings } = now;
  const answer = answers.get(reading.id);
  const over = narrowestOf(readings.filter((r) => lengths.grew(r, reading)));
  const elsewhere = narrowestOf(readings.filter((r) => !undated.has(r) && lengths.isWiderElsewhere(r, reading)));
  if (over && answer === false) notFiled.add(reading.id);
  else if (over || (elsewhere && answer)) {
    // what lies below it was read before it was filed; what may be true with it may have been read since
    const last = readings.findLastIndex(
      (r) => lengths.isAbove(r, reading) || (!over && lengths.isWiderElsewhere(r, reading)),
    );
    const still = readings.slice(last + 1);
    return void stretches.push({
      readings: [...still, reading],
      growth: { reading, over: over ?? elsewhere ?? reading, before: readings, taken: true },
      undated: new Set(still.filter((r) => lengths.grew(r, reading) === null)),
    });
  } else if (elsewhere && answer === undefined)
    now.growth ??= { reading, over: elsewhere, before: readings, taken: false };
  const { growth } = now;
  const isOpen = growth?.taken && !answers.has(growth.reading.id) && !isSettled(now, growth, lengths);
  // as narrow as before: it was not filed, and what lies between was read wrong
  if (past && isOpen && lengths.grew(reading, growth.reading) && past.readings.some((r) => lengths.agree(r, reading))) {
    past.readings.push(...readings.filter((r) => !past.readings.includes(r)), reading);
    stretches.pop();
  } else readings.push(reading);
}

/**
 * The passes of one ring put in order.
 *
 * @example passesOf({ events: [], repeat: 25_400, home: '1', bores: new Map(), answers: new Map() }).filed // false
 */
export function passesOf({ events, answers, ...ask }: Ask): Passes {
  const lengths = new Lengths(ask);
  const found: Passes = {
    reading: null,
    since: [],
    before: null,
    repeats: 0,
    unprepared: new Set(),
    cutsSince: 0,
    filed: false,
    taken: [],
    growth: null,
    unlogged: new Set(),
    notFiled: new Set(),
    undated: new Set(),
  };
  let cuts: Extract<RingEvent, { kind: 'cut' }>[] = [];
  let stretches: Stretch[] = [];
  let earlier: PassReading[] = [];
  for (const event of events) {
    if (event.kind === 'cut') {
      cuts.push(event);
      continue;
    }
    const { reading } = event;
    const before = found.reading;
    const same = before !== null && isSamePlace(before, reading);
    const removed = before
      ? likelyGap(reading, reading.step) + reading.cooled - likelyGap(before, before.step) - before.cooled
      : 0;
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
    const isFiled = before !== null && (cuts.length > 0 || reading.deburred);
    const count = stretches.length;
    if (isFiled) {
      earlier = stretches.at(-1)?.readings ?? [];
      for (const { growth } of stretches) if (growth?.taken) found.unlogged.add(growth.reading.id);
      stretches = [{ readings: [reading], growth: null, undated: new Set() }];
      found.notFiled.clear();
    } else addReading(stretches, reading, lengths, { answers, notFiled: found.notFiled });
    if ((isFiled || stretches.length > count) && before && !reading.deburred && !reading.squared)
      found.unprepared.add(reading.id);
    found.filed ||= isFiled;
    found.reading = reading;
    cuts = [];
  }
  const last = stretches.at(-1);
  for (const { growth } of stretches) if (growth?.taken) found.unlogged.add(growth.reading.id);
  if (last) {
    found.since = last.readings;
    const { growth } = last;
    const isAnswered =
      growth && (cuts.length > 0 || answers.has(growth.reading.id) || isSettled(last, growth, lengths));
    found.growth = isAnswered ? null : growth;
    for (const { id } of last.undated) found.undated.add(id);
  }
  const [first] = found.since;
  const past = stretches.at(-2)?.readings ?? earlier;
  found.before = (first && past.findLast((r) => isSamePlace(r, first))) ?? null;
  const { reading } = found;
  const apart = reading ? found.since.findLastIndex((r) => !isSamePlace(r, reading)) : -1;
  found.repeats = found.since.length - 1 - apart;
  found.cutsSince = cuts.length;
  found.filed ||= cuts.length > 0 || found.unlogged.size > 0;
  return found;
}

/**
 * How far under what was read before a cut a ring reads after it: it cannot have become narrower. 0 where what the leaves
 * leave open meets, and once another reading there stands by the one after, or does not: then one of them was wrong.
 */
export const shrunkOver = ({ before, since }: Pick<Passes, 'before' | 'since'>): Nm => {
  const [after, ...others] = before ? since.filter((r) => isSamePlace(r, before)) : [];
  const lowOf = (reading: PassReading): number => coldGap(reading).low;
  if (!before || !after || lowOf(after) >= lowOf(before)) return 0;
  const isSettledBy = (reading: PassReading): boolean =>
    lowOf(reading) >= lowOf(before) || Math.abs(lowOf(reading) - lowOf(after)) <= reading.step;
  return others.some(isSettledBy) ? 0 : apartOf(before, after);
};
