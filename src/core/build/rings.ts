/**
 * The rings of one build: every ring in the cylinder it is placed in, from its passes and cuts; what filers take off;
 * what to cut next; and how rings sit in their grooves.
 */
import type { MeasuredSpot } from '../bore/shape';
import type { RingMetal } from '../heat/metals';
import type { Nm } from '../quantity/length';
import { type Saying, clear, fine, say, size } from '../quantity/saying';
import { type CutAdvice, takeNext, turnsFor } from '../ring/advice';
import { type RingEvent, type Wander, passesOf } from '../ring/passes';
import { type Rate, type RateSums, NO_CUTS, addedRates, rateOf, withCut } from '../ring/rate';
import {
  type GapReading,
  type GapState,
  type Ring,
  type ToComeOff,
  gapAdvice,
  gapIsDone,
  gapState,
  isCompression,
  nextLeaf,
  toComeOff,
} from '../ring/ring';
import {
  type Groove,
  type GrooveFigure,
  type Interval,
  type LandState,
  type RingSet,
  type SideState,
  GROOVES,
  fromSizes,
  landState,
  sideState,
} from '../ring/set';
import { type Girth, type Move, USUAL_DEPTH, girthAt, girthsOf, moveOf, smallestGirth } from '../ring/travel';
import { DEPTH_WORDS } from '../bore/grid';
import type { Target } from '../targets/target';
import type { BenchChoices, CutEntry, GrooveSubject } from './record';
import type { JudgedBore, Tools } from './sizes';
import type { JudgedCylinder, LoggedReading, Voided } from './judge';

/** A cut as the log shows it. */
export interface LoggedCut extends CutEntry {
  voided: Voided | null;
  /** How often the ring was replaced before it. */
  round: number;
}

/** The gap where the bore is smallest in ring travel, and its verdict. */
export interface GapThatCounts {
  move: Move;
  gap: GapReading;
  state: GapState;
  working: Saying[];
}

export interface JudgedRing {
  ring: Ring;
  /** The place whose number the ring has, and that number. */
  number: string;
  label: string;
  target: Target;
  /** The reading in force: the last that counts, in whichever bore it was made. */
  reading: LoggedReading | null;
  /** Every pass in order, voided ones and those of a ring before it too. */
  passes: LoggedReading[];
  /** Passes and cuts in order. */
  history: (LoggedReading | LoggedCut)[];
  round: number;
  /** From one leaf to the next of what it was read with. */
  step: Nm;
  /** Where it was read, if not in this cylinder: its place and label, and how the gap moves from there. */
  readIn: { cylinder: string; label: string; move: Move | null } | null;
  /** The gap in this bore at the depth it was read at: as read, or predicted from another bore. */
  gap: GapReading | null;
  /** Verdict of that. */
  measured: GapState;
  /** Null where the bore is not measured at several depths. */
  counts: GapThatCounts | null;
  /** The verdict in force. */
  state: GapState;
  toComeOff: ToComeOff | null;
  /** Readings that do not agree. */
  wander: Wander | null;
  /** How often it was read since it was last filed. */
  repeats: number;
  /** Whether it was filed. */
  filed: boolean;
  /** Cuts since the reading in force. */
  cutsSince: number;
  /** Readings after filing that were neither deburred nor squared for. */
  unprepared: string[];
  /** What each cut took off, by the last of the cuts between two readings. */
  taken: { id: string; filer: string; count: number; removed: Nm }[];
  accepted: { id: string; by: string; at: string; reason: string } | null;
  /** Whether it may go in as it is. */
  done: boolean;
  /** What to cut next; null where nothing is to come off. */
  advice: CutAdvice | null;
}

/** A ring's metal as rates are kept by it. */
export type RateMetal = RingMetal | 'unknown';

/** What one filer takes off one metal. */
export interface JudgedRate {
  /** Id of the filer, in whichever version. */
  filer: string;
  metal: RateMetal;
  /** From the shop's other engines. */
  shop: RateSums;
  /** From this one. */
  own: RateSums;
  /** Null while there is not enough data. */
  rate: Rate | null;
}

export interface RingAsk {
  ring: Ring;
  number: string;
  label: string;
  /** The cylinder it is in. */
  cylinder: string;
  target: Target;
  history: (LoggedReading | LoggedCut)[];
  round: number;
  accepted: ReadonlyMap<string, { id: string; by: string; at: string; reason: string }>;
  bench: BenchChoices;
  tools: Tools;
  /** Leaf step where a reading names no feelers. */
  feelerStep: Nm;
  /** Bores by place, with their labels, and how often each was machined. */
  bores: ReadonlyMap<string, RingBore>;
}

/** A bore as rings see it. */
export interface RingBore {
  label: string;
  girths: Girth[];
  round: number;
}

/** The girths of a judged bore: by depth, or its one size; none while it is not measured. */
export function boreGirths(bore: JudgedBore): Girth[] {
  const girths = girthsOf(bore.measured as MeasuredSpot[]);
  if (girths.length > 0 || !bore.size) return girths;
  return [{ depth: null, mean: bore.size.value, own: bore.size.doubt.own }];
}

const isReading = (item: LoggedReading | LoggedCut): item is LoggedReading => item.kind === 'reading';

const stepOf = (
  { instrument }: Pick<LoggedReading, 'instrument'>,
  { tools, feelerStep }: Pick<RingAsk, 'tools' | 'feelerStep'>,
): Nm => (instrument === null ? undefined : tools.get(instrument))?.resolution ?? feelerStep;

/** What counts of a ring's history: of the ring as it is now, in bores as they are now, without what was struck out. */
function eventsOf({ history, round, bores }: RingAsk): { events: RingEvent[]; readings: Map<string, LoggedReading> } {
  const readings = new Map<string, LoggedReading>();
  const events: RingEvent[] = [];
  for (const item of history) {
    if (item.voided !== null || item.round !== round) continue;
    if (!isReading(item)) {
      events.push({ kind: 'cut', id: item.id, filer: item.filer, count: item.count });
      continue;
    }
    if (item.boreRound !== (bores.get(item.cylinder)?.round ?? 0)) continue;
    readings.set(item.id, item);
    const { fit } = item;
    events.push({
      kind: 'reading',
      reading: {
        id: item.id,
        place: `${item.cylinder}/${fit?.depth ?? USUAL_DEPTH}`,
        value: item.value,
        upTo: item.upTo,
        open: fit?.open ?? false,
        deburred: fit?.deburred ?? false,
        squared: fit?.squared ?? false,
      },
    });
  }
  return { events, readings };
}

const shifted = (gap: GapReading, by: Nm, step: Nm): GapReading => ({
  value: gap.value + by,
  upTo: gap.open ? null : nextLeaf(gap, step) === gap.value ? null : nextLeaf(gap, step) + by,
  open: gap.open,
});

/** Widened by U at both ends, so that what is only likely is not proven. */
const widened = ({ value, upTo, open }: GapReading, by: Nm): GapReading => ({
  value: value - by,
  upTo: open ? null : (upTo ?? value) + by,
  open,
});

/** Verdict of a predicted gap: its lower end must be proven; that it is wider than asked is judged by the leaf. */
function predictedState(gap: GapReading, uncertainty: Nm, target: Target): GapState {
  if (!target.set) return 'no target';
  const low = gapState(widened(gap, uncertainty), { ...target, inForce: { ...target.inForce, limit: null } });
  if (low === 'short' || low === 'not proven') return low;
  return gapState({ value: gap.value, upTo: null, open: false }, target);
}

const depthWords = ({ depth }: Girth): string => (depth === null ? 'its one size' : DEPTH_WORDS[depth]);

const moveWords = ({ from, to, by }: Move, value: Nm): Saying =>
  say`${fine(value)} + π × (${size(to.mean)} − ${size(from.mean)}) = ${fine(value + by)}`;

/** The gap in force in the bore that the ring is in, and where it was read. */
function gapHere(
  reading: LoggedReading,
  asRead: GapReading,
  step: Nm,
  { cylinder, bores }: RingAsk,
): Pick<JudgedRing, 'gap' | 'readIn'> & { at: Girth | null; uncertainty: Nm } {
  const own = bores.get(cylinder)?.girths ?? [];
  const depth = reading.fit?.depth ?? null;
  const at = girthAt(own, depth);
  if (reading.cylinder === cylinder) return { gap: asRead, readIn: null, at, uncertainty: 0 };
  const there = bores.get(reading.cylinder);
  const from = there && girthAt(there.girths, depth);
  const move = from && at ? moveOf(from, at) : null;
  return {
    gap: move ? shifted(asRead, move.by, step) : null,
    readIn: { cylinder: reading.cylinder, label: there?.label ?? reading.cylinder, move },
    at,
    uncertainty: move?.uncertainty ?? 0,
  };
}

/** The smallest gap over ring travel; null where the bore does not say how it runs. */
function gapThatCounts(
  gap: GapReading,
  at: Girth | null,
  already: Nm,
  step: Nm,
  { cylinder, bores, target }: RingAsk,
): GapThatCounts | null {
  const girths = bores.get(cylinder)?.girths ?? [];
  const to = smallestGirth(girths);
  if (!at || !to || girths.length < 2) return null;
  const move = moveOf(at, to);
  const there = shifted(gap, move.by, step);
  const uncertainty = Math.round(Math.hypot(move.uncertainty, already));
  return {
    move,
    gap: there,
    state: predictedState(there, uncertainty, target),
    working: [
      say`smallest in ring travel: ${depthWords(to)}, mean ${size(to.mean)}; read at ${depthWords(at)}, mean ${size(at.mean)}`,
      say`${moveWords(move, gap.value)} ± ${clear(uncertainty)} (k = 2)`,
    ],
  };
}

/** A ring from its history. Its advice comes once all rates are known. */
export function judgedRing(ask: RingAsk): JudgedRing {
  const { ring, number, label, target, history, round, bench, accepted } = ask;
  const { events, readings } = eventsOf(ask);
  const last = events.findLast((e) => e.kind === 'reading');
  const reading = last?.kind === 'reading' ? (readings.get(last.reading.id) ?? null) : null;
  const step = reading ? stepOf(reading, ask) : ask.feelerStep;
  const min = target.set ? target.inForce.min : null;
  const passes = passesOf({ events, limit: bench.repeat, step, min });
  const base = {
    ring,
    number,
    label,
    target,
    passes: history.filter(isReading),
    history,
    round,
    step,
    wander: passes.wander,
    repeats: passes.repeats,
    filed: passes.filed,
    cutsSince: passes.cutsSince,
    unprepared: [...passes.unprepared],
    taken: passes.taken.flatMap(({ ids, filer, count, removed }) =>
      ids.slice(-1).map((id) => ({ id, filer, count, removed: Math.round(removed) })),
    ),
    advice: null,
  };
  if (!reading || !passes.reading)
    return {
      ...base,
      reading: null,
      readIn: null,
      gap: null,
      measured: 'to do',
      counts: null,
      state: 'to do',
      toComeOff: null,
      accepted: null,
      done: false,
    };
  const { gap, readIn, at, uncertainty } = gapHere(reading, passes.reading, step, ask);
  const measured =
    gap === null ? 'not proven' : readIn ? predictedState(gap, uncertainty, target) : gapState(gap, target, step);
  const counts = gap && gapThatCounts(gap, at, uncertainty, step, ask);
  const state = passes.wander ? 'not proven' : counts?.state === 'short' ? 'short' : measured;
  const found = counts?.state === 'short' ? counts.gap : gap;
  const yes = state === 'over' ? (accepted.get(reading.id) ?? null) : null;
  return {
    ...base,
    reading,
    readIn,
    gap,
    measured,
    counts,
    state,
    toComeOff: passes.wander ? null : toComeOff(found, target, state),
    accepted: yes,
    done: (gapIsDone(state) || yes !== null) && passes.cutsSince === 0,
  };
}

/** The metal of a ring as the set says. */
export const metalOf = (set: RingSet, ring: Ring): RateMetal =>
  (isCompression(ring) ? set[ring].metal : null) ?? 'unknown';

/** The filer of a key, in whichever version. */
export const filerId = (key: string): string => key.split('.')[0] ?? key;

/** What each filer takes off each metal: from the shop's other engines, and from this one. */
export function ratesOf(
  rings: JudgedRing[],
  shop: ReadonlyMap<string, { filer: string; metal: RateMetal; sums: RateSums }>,
  set: RingSet,
): JudgedRate[] {
  const rates = new Map<string, JudgedRate>();
  const at = (filer: string, metal: RateMetal): JudgedRate => {
    const key = `${filer}/${metal}`;
    const found = rates.get(key) ?? { filer, metal, shop: shop.get(key)?.sums ?? NO_CUTS, own: NO_CUTS, rate: null };
    rates.set(key, found);
    return found;
  };
  for (const { filer, metal } of shop.values()) at(filer, metal);
  for (const ring of rings)
    for (const { filer, count, removed } of ring.taken) {
      const rate = at(filerId(filer), metalOf(set, ring.ring));
      rate.own = withCut(rate.own, count, removed);
    }
  return [...rates.values()].map((r) => ({ ...r, rate: rateOf(addedRates(r.shop, r.own)) }));
}

/** What to cut next from a ring; null where nothing is to come off, or it was cut since it was read. */
export function cutAdvice(ring: JudgedRing, rates: JudgedRate[], metal: RateMetal, chance: number): CutAdvice | null {
  const { toComeOff: off, target, step } = ring;
  const reading = ring.counts?.state === 'short' ? ring.counts.gap : ring.gap;
  if (!off || !target.set || !reading || ring.cutsSince > 0) return null;
  const { min, aimTo, limit } = target.inForce;
  const end = aimTo ?? limit ?? Infinity;
  const aim = Math.round((min + (aimTo ?? min)) / 2);
  const turns = rates.flatMap(({ filer, metal: of, rate }) =>
    rate && of === metal ? [turnsFor({ filer, rate, reading, step, aim, end, chance })] : [],
  );
  return { take: takeNext(off, !ring.filed), first: !ring.filed, off, turns };
}

/** What to do about a ring, in one sentence. */
export function ringAdvice(
  ring: Pick<JudgedRing, 'state' | 'wander' | 'cutsSince' | 'readIn' | 'gap' | 'accepted' | 'counts' | 'measured'>,
): string {
  const { state, wander, cutsSince, readIn, accepted, counts, measured } = ring;
  if (wander?.filed)
    return 'Narrower than before it was filed: it did not sit square. A domed piston cocks the ring. Square it and read again.';
  if (wander)
    return 'The readings wander: it does not sit square. A domed piston cocks the ring. Square it and read again.';
  if (cutsSince > 0) return 'Cut since it was read: deburr, square it, read again.';
  if (readIn && ring.gap === null)
    return `Read in cylinder ${readIn.label}, and not both bores are measured: read it here.`;
  if (readIn && state === 'not proven')
    return `Predicted from cylinder ${readIn.label}, too near a limit to be sure: read it here.`;
  if (accepted) return `Accepted by ${accepted.by || 'someone'}: ${accepted.reason}.`;
  if (state === 'short' && measured !== 'short' && counts)
    return 'Wide enough where it was read, short where the bore is smallest: file it.';
  if (readIn && (state === 'in window' || state === 'loose'))
    return `Predicted from cylinder ${readIn.label}. A reading here would prove it.`;
  return gapAdvice(state);
}

export interface JudgedGroove {
  groove: Groove;
  side: GrooveFigure<SideState>;
  land: GrooveFigure<LandState>;
}

export interface JudgedGrooves {
  /** Every reading of this piston's grooves. */
  passes: LoggedReading[];
  grooves: JudgedGroove[];
}

interface GrooveAsk {
  set: RingSet;
  /** Passes of a subject of this piston that count, and of the pistons that stand for all. */
  own: (subject: GrooveSubject) => LoggedReading | null;
  sampled: (subject: GrooveSubject) => { reading: LoggedReading; label: string } | null;
  passes: LoggedReading[];
  tools: Tools;
}

/** How rings sit in the grooves of one piston: as read there, else as read of the piston that stands for all, else from the sizes of the set. */
export function judgedGrooves({ set, own, sampled, passes, tools }: GrooveAsk): JudgedGrooves {
  const leaf = (reading: LoggedReading): Interval => {
    const next = nextLeaf(
      { value: reading.value, upTo: reading.upTo, open: false },
      stepOf(reading, { tools, feelerStep: 0 }),
    );
    return { low: reading.value, high: reading.upTo === null ? next : reading.upTo - 1 };
  };
  const exact = (reading: LoggedReading): Interval => ({ low: reading.value, high: reading.value });
  const figure = <S>(
    subject: GrooveSubject,
    sizes: { value: Nm; working: Saying[] } | null,
    interval: (r: LoggedReading) => Interval,
    state: (i: Interval | null) => S,
  ): GrooveFigure<S> => {
    const here = own(subject);
    const other = here || set.grooves === 'each' ? null : sampled(subject);
    const reading = here ?? other?.reading ?? null;
    const found = reading ? interval(reading) : sizes ? { low: sizes.value, high: sizes.value } : null;
    const working = reading
      ? other
        ? [say`as read at piston ${other.label}, which stands for all`]
        : []
      : (sizes?.working ?? []);
    return { low: found?.low ?? null, high: found?.high ?? null, state: state(found), working, read: here !== null };
  };
  return {
    passes,
    grooves: GROOVES.map((groove) => {
      const sizes = fromSizes(set[groove]);
      return {
        groove,
        side: figure(`${groove}Side`, sizes.side, leaf, (i) => sideState(i, set.side)),
        land: figure(`${groove}Land`, sizes.land, exact, landState),
      };
    }),
  };
}

/** The cylinders that placing is worked out over for one kind: ring read, bore measured, target set. */
export const readyToPlace = (cylinders: JudgedCylinder[], kind: 'top' | 'second'): JudgedCylinder[] =>
  cylinders.filter(
    ({ rings }) =>
      rings[kind].reading !== null && rings[kind].target.set && !rings[kind].wander && rings[kind].cutsSince === 0,
  );
