/**
 * What whoever machined the bores or made the pistons was asked for, and what they say it came to. It stands beside
 * what is found here, and in its place where nothing is measured here.
 */
import type { Job } from '../../record/jobCard';
import type { Nm } from '../../foundation/quantity/length';

/** Of all bores, or of all pistons. */
export interface Supply {
  /** Who reported it: the shop, the packet, a sheet. */
  by: string;
  ordered: Nm | null;
  /** What was reported of each, by its number. */
  sizes: { number: string; size: Nm }[];
}

export interface SuppliedChoices {
  bores: Supply;
  pistons: Supply;
}

const NO_SUPPLY: Supply = { by: '', ordered: null, sizes: [] };

/** Nobody said anything. */
export const STARTING_SUPPLIED: SuppliedChoices = { bores: NO_SUPPLY, pistons: NO_SUPPLY };

/** Of one bore, or of one piston. */
export interface Supplied {
  by: string;
  ordered: Nm | null;
  reported: Nm | null;
  /** Whether it is measured here: else nothing is asked of it. */
  here: boolean;
  /** What was found, against what was reported; null without either. */
  against: Against | null;
}

/**
 * What was supplied of one number.
 *
 * @example
 *   suppliedOf({ by: '', ordered: null, sizes: [{ number: 'L1', size: 100_000_000 }] }, 'L1', true, null).reported
 *   // 100000000
 */
export function suppliedOf(
  { by, ordered, sizes }: Supply,
  number: string,
  here: boolean,
  found: { value: Nm; uncertainty: Nm } | null,
): Supplied {
  const reported = sizes.find((s) => s.number === number)?.size ?? null;
  return { by, ordered, reported, here, against: againstReported(found, reported) };
}

/**
 * Whether a job leaves a stage to others.
 *
 * @example ['bores', 'pistons'].filter((stage) => isHere({ elsewhere: ['bores'] }, stage)) // ['pistons']
 */
export const isHere = (job: Job | null, stage: 'bores' | 'pistons'): boolean => !job?.elsewhere.includes(stage);

/** What was found against what was reported: how far off, and whether that is more than both can be read to. */
export interface Against {
  off: Nm;
  agrees: boolean;
}

/** The last digit of what is reported: 0.0001 in. From memory. */
const LAST_DIGIT: Nm = 2_540;

/**
 * A size that was found, against what was reported of it. They agree within U of the size and a digit of the report.
 *
 * @example
 *   [100_004_000, 100_010_000].map((value) => againstReported({ value, uncertainty: 5_000 }, 100_000_000)?.agrees)
 *   // [ true, false ]
 */
export const againstReported = (found: { value: Nm; uncertainty: Nm } | null, reported: Nm | null): Against | null => {
  if (!found || reported === null) return null;
  const off = found.value - reported;
  return { off, agrees: Math.abs(off) <= found.uncertainty + LAST_DIGIT };
};
