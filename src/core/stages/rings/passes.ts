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
  | { kind: 'reading'; reading: PassReading }
  | { kind: 'cut'; id: string; filer: string | null; count: number | null };

type Cut = Extract<RingEvent, { kind: 'cut' }>;

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

/** Drops what was read before it was filed or after, nobody knew, once a reading in its place shows which. */
function dateBy(stretch: Stretch, reading: PassReading, lengths: Lengths): void {
  const { undated } = stretch;
  for (const r of stretch.readings)
    if (undated.has(r) && isSamePlace(r, reading)) {
      undated.delete(r);
      if (lengths.grew(r, reading)) stretch.readings = stretch.readings.filter((other) => other !== r);
    }
}

/** The readings of one ring put in order, one after another. */
class PassOrder {
  readonly passes: Passes = {
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
  private cuts: Cut[] = [];
  private stretches: Stretch[] = [];
  /** Readings of the stretch before it was last filed with a cut logged. */
  private earlier: PassReading[] = [];
  private readonly lengths: Lengths;

  constructor(
    ask: Pick<Ask, 'repeat' | 'home' | 'bores'>,
    private readonly answers: Ask['answers'],
  ) {
    this.lengths = new Lengths(ask);
  }

  cut(cut: Cut): void {
    this.cuts.push(cut);
  }

  read(reading: PassReading): void {
    const { passes, cuts } = this;
    const before = passes.reading;
    const taken = before && takenBetween(before, reading, cuts);
    if (taken) passes.taken.push(taken);
    const isFiled = before !== null && (cuts.length > 0 || reading.deburred);
    const count = this.stretches.length;
    if (isFiled) {
      this.earlier = this.stretches.at(-1)?.readings ?? [];
      this.noteUnlogged();
      this.stretches = [];
      passes.notFiled.clear();
    }
    this.add(reading);
    const isAfterFiling = isFiled || (before !== null && this.stretches.length > count);
    if (isAfterFiling && !reading.deburred && !reading.squared) passes.unprepared.add(reading.id);
    passes.filed ||= isFiled;
    passes.reading = reading;
    this.cuts = [];
  }

  private noteUnlogged(): void {
    for (const { growth } of this.stretches) if (growth?.taken) this.passes.unlogged.add(growth.reading.id);
  }

  /** Puts a reading to the others since the ring was last filed, or begins a stretch where it grew. */
  private add(reading: PassReading): void {
    const now = this.stretches.at(-1);
    if (!now) this.stretches.push({ readings: [reading], growth: null, undated: new Set() });
    else {
      dateBy(now, reading, this.lengths);
      if (!this.isBegun(now, reading)) this.join(now, reading);
    }
  }

  /** Begins a stretch with a reading that grew; false where it did not, or nobody said that it was filed. */
  private isBegun(now: Stretch, reading: PassReading): boolean {
    const { lengths } = this;
    const { readings, undated } = now;
    const answer = this.answers.get(reading.id);
    const over = narrowestOf(readings.filter((r) => lengths.grew(r, reading)));
    const elsewhere = narrowestOf(readings.filter((r) => !undated.has(r) && lengths.isWiderElsewhere(r, reading)));
    if (over && answer === false) this.passes.notFiled.add(reading.id);
    else if (over || (elsewhere && answer)) {
      // what lies below it was read before it was filed; what may be true with it may have been read since
      const last = readings.findLastIndex(
        (r) => lengths.isAbove(r, reading) || (!over && lengths.isWiderElsewhere(r, reading)),
      );
      const still = readings.slice(last + 1);
      this.stretches.push({
        readings: [...still, reading],
        growth: { reading, over: over ?? elsewhere ?? reading, before: readings, taken: true },
        undated: new Set(still.filter((r) => lengths.grew(r, reading) === null)),
      });
      return true;
    } else if (elsewhere && answer === undefined)
      now.growth ??= { reading, over: elsewhere, before: readings, taken: false };
    return false;
  }

  /** Puts a reading to the others of a stretch; where it is as narrow as before, to those of the one before it too. */
  private join(now: Stretch, reading: PassReading): void {
    const { lengths, stretches } = this;
    const past = stretches.at(-2);
    const { growth, readings } = now;
    const isOpen = growth?.taken && !this.answers.has(growth.reading.id) && !isSettled(now, growth, lengths);
    // as narrow as before: it was not filed, and what lies between was read wrong
    if (
      past &&
      isOpen &&
      lengths.grew(reading, growth.reading) &&
      past.readings.some((r) => lengths.agree(r, reading))
    ) {
      past.readings.push(...readings.filter((r) => !past.readings.includes(r)), reading);
      stretches.pop();
    } else readings.push(reading);
  }

  /** What they come to, once all are in. */
  ended(): Passes {
    const { passes, stretches, cuts } = this;
    this.noteUnlogged();
    const last = stretches.at(-1);
    if (last) {
      passes.since = last.readings;
      passes.growth = this.openGrowth(last);
      for (const { id } of last.undated) passes.undated.add(id);
    }
    const [first] = passes.since;
    const past = stretches.at(-2)?.readings ?? this.earlier;
    passes.before = (first && past.findLast((r) => isSamePlace(r, first))) ?? null;
    const { reading } = passes;
    const apart = reading ? passes.since.findLastIndex((r) => !isSamePlace(r, reading)) : -1;
    passes.repeats = passes.since.length - 1 - apart;
    passes.cutsSince = cuts.length;
    passes.filed ||= cuts.length > 0 || passes.unlogged.size > 0;
    return passes;
  }

  private openGrowth(last: Stretch): Growth | null {
    const { growth } = last;
    const isAnswered =
      growth !== null &&
      (this.cuts.length > 0 || this.answers.has(growth.reading.id) || isSettled(last, growth, this.lengths));
    return isAnswered ? null : growth;
  }
}

/** What cuts took off between two readings in one place; null where that is not known. */
function takenBetween(before: PassReading, reading: PassReading, cuts: readonly Cut[]): CutTaken | null {
  const removed = likelyGap(reading, reading.step) + reading.cooled - likelyGap(before, before.step) - before.cooled;
  const filer = cuts[0]?.filer ?? null;
  const isKnown = isSamePlace(before, reading) && !reading.open && nextLeaf(before, before.step) < Infinity;
  if (filer === null || removed < 0 || !isKnown || cuts.some((c) => c.filer !== filer || !c.count)) return null;
  return { ids: cuts.map((c) => c.id), filer, count: cuts.reduce((sum, c) => sum + (c.count ?? 0), 0), removed };
}

/**
 * The passes of one ring put in order.
 *
 * @example
 *   passesOf({ events: [{ kind: 'cut', id: 'c', filer: null, count: 4 }], repeat: 25_400, home: '1', bores: new
 *   Map(), answers: new Map() }).cutsSince // 1
 */
export function passesOf({ events, answers, ...ask }: Ask): Passes {
  const order = new PassOrder(ask, answers);
  for (const event of events) {
    if (event.kind === 'cut') order.cut(event);
    else order.read(event.reading);
  }
  return order.ended();
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
