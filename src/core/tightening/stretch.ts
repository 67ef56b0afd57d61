/**
 * What the bolts of a set stretch for each lb·ft or N·m more, learned from their own readings: the slope of stretch
 * against torque within each bolt, least squares, as a regression with a level of its own for every bolt gives it.
 */
import type { Nm } from '../quantity/length';
import type { MilliNm } from '../quantity/torque';

/** Stretch of one bolt as read at a torque. */
export interface StretchAt {
  torque: MilliNm;
  length: Nm;
}

export interface StretchRate {
  /** nm of stretch for each mN·m. */
  rate: number;
  /** Its standard deviation; null where there are too few readings to tell. */
  doubt: number | null;
  /** How many bolts had it from readings at two torques or more. */
  bolts: number;
}

const mean = (values: readonly number[]): number => values.reduce((sum, v) => sum + v, 0) / values.length;

/**
 * The rate of a set; null before a bolt was read at two torques: the first of a torque goes into threads and seat, so
 * that one reading tells nothing of the next.
 *
 * @example rateOf([[{ torque: 40_000, length: 80_000 }, { torque: 50_000, length: 120_000 }]])?.rate // 4
 */
export function rateOf(bolts: readonly (readonly StretchAt[])[]): StretchRate | null {
  const read = bolts.filter((b) => b.length > 0);
  const centred = read.map((b) => {
    const [t, s] = [mean(b.map((r) => r.torque)), mean(b.map((r) => r.length))];
    return b.map((r) => ({ t: r.torque - t, s: r.length - s }));
  });
  const points = centred.flat();
  const tt = points.reduce((sum, p) => sum + p.t * p.t, 0);
  if (tt === 0) return null;
  const rate = points.reduce((sum, p) => sum + p.t * p.s, 0) / tt;
  const free = points.length - read.length - 1;
  const left = points.reduce((sum, p) => sum + (p.s - rate * p.t) ** 2, 0);
  return {
    rate,
    doubt: free > 0 ? Math.sqrt(left / free / tt) : null,
    bolts: centred.filter((b) => b.some((p) => p.t !== 0)).length,
  };
}

/** What is taken as the doubt of a rate that is known from too few readings, as a share of it. */
const ROUGH = 0.25;
/** The most that is added while a set's rate is not known, as a share of the torque; then it is read again. From memory. */
const SMALL_STEP = 0.05;

/**
 * How much torque more brings a bolt to the middle of its range, and at the steepest that the set may have not over it;
 * a small step while the set's rate is not known. In whole steps of the wrench, rounded down; 0 where even one step may
 * be too much.
 *
 * @param last what the bolt was last read at
 * @param step what the wrench is set by
 * @example addFor({ torque: 60_000, length: 110_000 }, { from: 127_000, to: 140_000 }, { rate: 4, doubt: 0.1, bolts: 3 }, 500) // 5500
 */
export function addFor(
  { torque, length }: StretchAt,
  { from, to }: { from: Nm; to: Nm },
  known: StretchRate | null,
  step: MilliNm,
): MilliNm {
  if (length >= from) return 0;
  // a step is a rounded number of mN·m: a whole number of them is not missed by that
  if (!known) return Math.floor((SMALL_STEP * torque) / step + 0.01) * step;
  const { rate, doubt } = known;
  if (rate <= 0) return 0;
  const steepest = rate + 2 * (doubt ?? rate * ROUGH);
  const wanted = Math.min(((from + to) / 2 - length) / rate, (to - length) / steepest);
  return Math.max(0, Math.floor(wanted / step) * step);
}
