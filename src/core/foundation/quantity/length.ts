/**
 * Lengths as whole nanometres.
 *
 * 1 in = 25.4 mm exactly (international yard and pound agreement, 1959; NIST SP 811), so
 * 0.0001 in = 2540 nm and 0.001 mm = 1000 nm: both systems are exact in this unit.
 */

/** A length in whole nanometres. */
export type Nm = number;

/** The two systems a figure may be shown in. What is recorded never depends on it. */
export type Units = 'imperial' | 'metric';

/** Nanometres in a millimetre, exact. */
export const NM_PER_MM = 1_000_000;
/** Nanometres in an inch: 25.4 mm, exact by definition. */
export const NM_PER_INCH = 25_400_000;
/** Nanometres in a thousandth of an inch, exact. */
export const NM_PER_THOU = 25_400;
/** Nanometres in a micrometre, exact. */
export const NM_PER_MICROMETRE = 1_000;

/** Length of a number of millimetres, to the nearest nanometre. */
export const fromMm = (mm: number): Nm => Math.round(mm * NM_PER_MM);

/** Length of a number of inches, to the nearest nanometre. */
export const fromInches = (inches: number): Nm => Math.round(inches * NM_PER_INCH);

/**
 * Length of a number of thousandths of an inch, to the nearest nanometre.
 *
 * @example fromThou(22) // 558800
 */
export const fromThou = (thou: number): Nm => Math.round(thou * NM_PER_THOU);

/** Millimetres of a length in nm. */
export const toMm = (length: Nm): number => length / NM_PER_MM;

/** Inches of a length in nm: 25.4 mm each, exact (published: international yard and pound agreement, 1959). */
export const toInches = (length: Nm): number => length / NM_PER_INCH;

/** Thousandths of an inch of a length in nm. */
export const toThou = (length: Nm): number => length / NM_PER_THOU;

/**
 * The length a decimal numeral stands for, worked on its digits so that no binary fraction
 * creeps in: `fromDecimal('4.065', NM_PER_INCH)` is 103251000.
 *
 * @param numeral digits with at most one point, e.g. `4.065`, `.022`, `22`; no sign
 * @param unit nanometres in one of the unit
 * @returns whole nanometres, halves rounded up
 * @throws RangeError when the text is no such numeral
 */
export function fromDecimal(numeral: string, unit: number): Nm {
  const match = /^(\d*)(?:\.(\d*))?$/.exec(numeral);
  const whole = match?.[1] ?? '';
  const fraction = match?.[2] ?? '';
  if (!match || whole + fraction === '') throw new RangeError(`not a decimal number: ${numeral}`);
  const scale = 10n ** BigInt(fraction.length);
  const scaled = BigInt(whole + fraction) * BigInt(unit);
  return Number((scaled * 2n + scale) / (scale * 2n));
}

/**
 * The smallest whole multiple of `step` that is not under `length`.
 * A gap target is a minimum, so it goes up to the next leaf and never to the nearest.
 *
 * @throws RangeError when the step is not a positive whole number of nanometres
 */
export function roundUpTo(length: Nm, step: Nm): Nm {
  if (!Number.isInteger(step) || step <= 0) throw new RangeError(`not a rounding step: ${step}`);
  return Math.ceil(length / step) * step;
}
