/** What is entered for the targets of one build: figures of a sheet, a manual, the builder; schools and widths. */
import type { Nm } from '../../foundation/quantity/length';

/**
 * A figure from a sheet, a manual or a builder, in one of the forms such papers use. `hardTop`: its upper end is
 * guarded as its lower one is.
 */
export type Given =
  | {
      form: 'range';
      min: Nm;
      max: Nm;
      hardTop: boolean;
      /** What the builder narrows it to; null for the whole of it. */
      aim: { from: Nm; to: Nm } | null;
      from: string;
    }
  | { form: 'minimum'; min: Nm; from: string }
  /** One figure, and how far from it is still it. */
  | { form: 'nominal'; value: Nm; plusMinus: Nm; from: string }
  | { form: 'factor'; factor: number; from: string }
  | { form: 'factors'; least: number; most: number; hardTop: boolean; from: string };

/** The builder's own figure; its `from` is the reason. `over` puts it in force over what ranks above it. */
export interface Own {
  given: Given;
  over: boolean;
}

/** What was entered for one figure, by where it comes from. */
export interface Papers {
  sheet: Given | null;
  manual: Given | null;
  own: Own | null;
}

/** Which school the second ring follows: larger than the top (the default), or equal or tighter. */
export type SecondSchool = 'larger' | 'equalOrTighter';

/** How a second ring that is larger than the top is come by: its own factor, or from the top ring's minimum. */
export type SecondBy = { by: 'factor' } | { by: 'difference'; over: Nm } | { by: 'ratio'; ratio: number };
type GapKind = 'top' | 'second' | 'rails';

/** A cylinder that is fitted looser on purpose, e.g. because it runs hotter: added to minimum, aim and limit. */
export interface Allowance {
  /** Place in the block, see `Cylinder.id`. */
  cylinder: string;
  gap: Nm;
  clearance: Nm;
  reason: string;
}

/** The choices that set the targets of one build. */
export interface TargetChoices {
  secondSchool: SecondSchool;
  /** In the first school. */
  secondBy: SecondBy;
  /** The feeler step that gap minimums go up to. */
  feelerStep: Nm;
  /** From the minimum to the end of the aim window, and to the upper limit. */
  gapWindow: Nm;
  gapLimit: Nm;
  clearanceWindow: Nm;
  clearanceLimit: Nm;
  gaps: Record<GapKind, Papers>;
  clearance: Papers;
  allowances: Allowance[];
}
export const NO_PAPERS: Papers = { sheet: null, manual: null, own: null };

/** Widths as they start, by the system the shop works in, for usual bores. Common practice, no source. */
export const STARTING_WIDTHS = {
  imperial: {
    feelerStep: 25_400,
    gapWindow: 76_200,
    gapLimit: 127_000,
    clearanceWindow: 25_400,
    clearanceLimit: 50_800,
  },
  metric: { feelerStep: 10_000, gapWindow: 80_000, gapLimit: 130_000, clearanceWindow: 25_000, clearanceLimit: 50_000 },
};

/** Starting choices, by the system the shop works in. */
export function startingChoices(units: 'imperial' | 'metric'): TargetChoices {
  const widths = STARTING_WIDTHS[units];
  return {
    secondSchool: 'larger',
    secondBy: { by: 'factor' },
    ...widths,
    gaps: { top: NO_PAPERS, second: NO_PAPERS, rails: NO_PAPERS },
    clearance: NO_PAPERS,
    allowances: [],
  };
}

/**
 * The minimum a figure states for a bore, before it is rounded up; null for a factor without a bore.
 *
 * @example statedMinimum({ form: 'factor', factor: 0.0045, from: 'sheet' }, fromInches(4)) // 457_200
 */
export function statedMinimum(given: Given, bore: Nm | null): Nm | null {
  if (given.form === 'range' || given.form === 'minimum') return given.min;
  if (given.form === 'nominal') return given.value - given.plusMinus;
  return bore === null ? null : Math.round(bore * (given.form === 'factor' ? given.factor : given.least));
}

/** Why each school of the second ring. Common practice, no source. */
export const SECOND_SCHOOL_REASON: Record<SecondSchool, string> = {
  larger:
    'Gas that passes the top ring must be able to leave past the second; trapped between them it lifts the top ring off its seat. So the second is gapped wider than the top.',
  equalOrTighter:
    'The second ring runs cooler than the top and grows less, so it needs no more gap. Older manuals and some plain rebuilds follow this.',
};
