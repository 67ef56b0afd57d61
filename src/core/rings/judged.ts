/**
 * One ring in the cylinder that it is placed in, from its passes and cuts: the gap here, the gap where the bore is
 * smallest, what is still to come off.
 */
import { DEPTH_WORDS } from '../bores/grid';
import type { JudgedBore } from '../bores/judged';
import type { Nm } from '../quantity/length';
import { type Saying, clear, fine, say, size } from '../quantity/saying';
import { type Acceptance, type Logged, type LoggedReading, isLive, isReading } from '../record/reading';
import type { Target } from '../targets/target';
import type { Tools } from '../uncertainty/sized';
import type { CutAdvice } from './advice';
import type { BenchChoices } from './choices';
import { type RingEvent, type Wander, passesOf } from './passes';
import {
  type GapReading,
  type GapState,
  type Ring,
  type ToComeOff,
  gapAdvice,
  gapIsDone,
  gapState,
  nextLeaf,
  toComeOff,
} from './ring';
import { type Girth, type Move, USUAL_DEPTH, girthAt, girthsOf, moveOf, smallestGirth } from './travel';

/** The gap where the bore is smallest in ring travel, and its verdict. */
export interface GapThatCounts {
  move: Move;
  gap: GapReading;
  state: GapState;
  working: Saying[];
}

export interface JudgedRing {
  ring: Ring;
  /** The number of the ring, and what it is called. */
  number: string;
  label: string;
  target: Target;
  /** The reading in force: the last that counts, in whichever bore it was made. */
  reading: LoggedReading | null;
  /** Every pass in order, voided ones and those of a ring before it too. */
  passes: readonly LoggedReading[];
  /** Passes and cuts in order. */
  history: readonly Logged[];
  round: number;
  /** From one leaf to the next of what it was read with. */
  step: Nm;
  /** Where it was read, if not in this cylinder: its number and label, and how the gap moves from there. */
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
  accepted: Acceptance | null;
  /** Whether it may go in as it is. */
  done: boolean;
  /** What to cut next; null where nothing is to come off. */
  advice: CutAdvice | null;
}

export interface RingAsk {
  ring: Ring;
  number: string;
  label: string;
  /** The cylinder it is in. */
  cylinder: string;
  target: Target;
  history: readonly Logged[];
  round: number;
  accepted: ReadonlyMap<string, Acceptance>;
  bench: BenchChoices;
  tools: Tools;
  /** Leaf step where a reading names no feelers. */
  feelerStep: Nm;
  /** Bores by cylinder, with their labels, and how often each was machined. */
  bores: ReadonlyMap<string, RingBore>;
}

/** A bore as rings see it. */
export interface RingBore {
  label: string;
  girths: Girth[];
  round: number;
}

/**
 * The girths of a judged bore: by depth, or its one size; none while it is not measured.
 *
 * @example boreGirths(cylinder.bore).length // 1
 */
export function boreGirths(bore: JudgedBore): Girth[] {
  const girths = girthsOf(bore.measured);
  if (girths.length > 0 || !bore.size) return girths;
  return [{ depth: null, mean: bore.size.value, own: bore.size.doubt.own }];
}

/** From one leaf to the next of the feelers a ring was read with, nm; the standing step where none are named. */
export const stepOf = (
  { instrument }: Pick<LoggedReading, 'instrument'>,
  { tools, feelerStep }: Pick<RingAsk, 'tools' | 'feelerStep'>,
): Nm => (instrument === null ? undefined : tools.get(instrument))?.resolution ?? feelerStep;

/** What counts of a ring's history: of the ring as it is now, in bores as they are now, without what was struck out. */
function eventsOf({ history, round, bores }: RingAsk): { events: RingEvent[]; readings: Map<string, LoggedReading> } {
  const readings = new Map<string, LoggedReading>();
  const events: RingEvent[] = [];
  for (const item of history) {
    if (!isLive(item, round)) continue;
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
        where: `${item.cylinder}/${fit?.depth ?? USUAL_DEPTH}`,
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
