/**
 * The one printer for lengths. Values stay in nanometres until they reach it.
 */
import { type Nm, type Units, toInches, toMm, toThou } from './length';

/**
 * How a length is spoken of in the trade.
 * - `size`: a bore or piston, inches to 0.0001 or mm to 0.001
 * - `fine`: a gap, thou to 0.1 or mm to 0.001, without idle zeros
 * - `clearance`: the same with its last digit always shown, so that a column lines up
 * - `raw`: a product before it is rounded up, one digit further
 */
export type LengthStyle = 'size' | 'fine' | 'clearance' | 'raw';

export interface Printed {
  number: string;
  unit: 'in' | 'thou' | 'mm';
}

/** The minus sign, U+2212: it does not break from its figure. */
const MINUS = '\u2212';

const formats = new Map<string, Intl.NumberFormat>();

/** A number with so many decimals at most and at least; never a negative zero. */
function fixed(value: number, most: number, least: number): string {
  const key = `${most}/${least}`;
  let format = formats.get(key);
  if (!format) {
    format = new Intl.NumberFormat('en', {
      maximumFractionDigits: most,
      minimumFractionDigits: least,
      useGrouping: false,
      signDisplay: 'negative',
    });
    formats.set(key, format);
  }
  return format.format(value).replace('-', MINUS);
}

/**
 * A length as number and unit in the system asked for.
 *
 * @example printLength(558_800, 'imperial', 'fine') // { number: '22', unit: 'thou' }
 * @example printLength(558_800, 'metric', 'fine') // { number: '0.559', unit: 'mm' }
 */
export function printLength(length: Nm, units: Units, style: LengthStyle): Printed {
  if (units === 'metric') {
    const least = style === 'size' || style === 'clearance' ? 3 : 2;
    return { number: fixed(toMm(length), style === 'raw' ? 4 : 3, least), unit: 'mm' };
  }
  if (style === 'size') return { number: fixed(toInches(length), 4, 4), unit: 'in' };
  if (style === 'raw') return { number: fixed(toInches(length), 5, 5), unit: 'in' };
  return { number: fixed(toThou(length), 1, style === 'clearance' ? 1 : 0), unit: 'thou' };
}

/** The unit that lengths of a style are printed in, for a heading over them. */
export const lengthUnit = (units: Units, style: LengthStyle): Printed['unit'] => printLength(0, units, style).unit;

/** A length as one string, e.g. `22 thou` or `82.500 mm`. */
export function lengthText(length: Nm, units: Units, style: LengthStyle): string {
  const { number, unit } = printLength(length, units, style);
  return `${number} ${unit}`;
}

/** A length in inches and millimetres side by side, the shop's own first, as the reading line says it back. */
export function bothText(length: Nm, style: LengthStyle, units: Units): string {
  const inches = `${fixed(toInches(length), style === 'raw' ? 5 : 4, style === 'size' ? 4 : 3)} in`;
  const millimetres = `${fixed(toMm(length), 3, 3)} mm`;
  return units === 'metric' ? `${millimetres} · ${inches}` : `${inches} · ${millimetres}`;
}

const decimalsIn = (numeral: string): number => numeral.split('.')[1]?.length ?? 0;

/** A numeral with so many decimals at least. */
const padded = (numeral: string, decimals: number): string => {
  const missing = decimals - decimalsIn(numeral);
  return missing <= 0 ? numeral : `${numeral}${numeral.includes('.') ? '' : '.'}${'0'.repeat(missing)}`;
};

/** A range such as `22–25 thou` or `0.560–0.635 mm`, both ends with as many decimals in mm; without an upper end, `≥ 15 thou`. */
export function rangeText(from: Nm, to: Nm | null, units: Units, style: LengthStyle = 'fine'): string {
  const low = printLength(from, units, style);
  if (to === null) return `≥ ${low.number} ${low.unit}`;
  const high = printLength(to, units, style);
  const decimals = units === 'metric' ? Math.max(decimalsIn(low.number), decimalsIn(high.number)) : 0;
  return `${padded(low.number, decimals)}–${padded(high.number, decimals)} ${low.unit}`;
}

/**
 * What a dial shows from a zero that has no size, with its sign.
 *
 * @example offText(-15_240, 'imperial') // '−0.6 thou from the zero'
 */
export function offText(off: Nm, units: Units): string {
  const sign = off < 0 ? '\u2212' : off > 0 ? '+' : '';
  return `${sign}${lengthText(Math.abs(off), units, 'fine')} from the zero`;
}

/**
 * What was understood of an entry, in both systems; of a dial from a zero without a size, the difference.
 *
 * @example meantText({ value: fromThou(22) }, 'fine', 'imperial') // '0.022 in · 0.559 mm'
 */
export const meantText = ({ value, zero }: { value: Nm; zero?: string }, style: LengthStyle, units: Units): string =>
  zero === undefined ? bothText(value, style, units) : offText(value, units);
