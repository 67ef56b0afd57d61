/**
 * Boost pressure over the atmosphere, in whole pascals.
 * 1 bar = 100,000 Pa; 1 psi = 6894.757 Pa (published: NIST SP 811, figure recalled from memory).
 */
export type Pascal = number;

export const PRESSURE_UNITS = ['psi', 'bar', 'kPa'] as const;
export type PressureUnit = (typeof PRESSURE_UNITS)[number];

/** Pascals in each unit; psi to seven figures (NIST SP 811, 2008). */
const PASCALS: Record<PressureUnit, number> = { psi: 6894.757, bar: 100_000, kPa: 1_000 };

/** Pascals of a pressure in some unit, rounded to whole ones. */
export const fromPressure = (value: number, unit: PressureUnit): Pascal => Math.round(value * PASCALS[unit]);

/** A pressure in some unit, from pascals. */
export const toPressure = (pressure: Pascal, unit: PressureUnit): number => pressure / PASCALS[unit];

/** Decimals that a pressure is shown with. */
const DECIMALS: Record<PressureUnit, number> = { psi: 1, bar: 2, kPa: 0 };

/**
 * A pressure in psi and bar side by side, e.g. `20.3 psi (1.40 bar)`.
 *
 * @example pressureText(fromPressure(10, 'psi')) // '10.0 psi (0.69 bar)'
 */
export const pressureText = (pressure: Pascal): string =>
  `${toPressure(pressure, 'psi').toFixed(DECIMALS.psi)} psi (${toPressure(pressure, 'bar').toFixed(DECIMALS.bar)} bar)`;

/** Boost nobody questions: 1 to 80 psi. From memory. */
const USUAL: [Pascal, Pascal] = [6_895, 551_581];
/** The most that is taken at all: 15 bar. From memory. */
export const MOST_BOOST: Pascal = 1_500_000;

const isUsual = (pressure: Pascal): boolean => pressure >= USUAL[0] && pressure <= USUAL[1];

export type ParsedPressure =
  | { kind: 'empty' }
  | { kind: 'understood'; value: Pascal }
  | { kind: 'question'; ask: string; options: { value: Pascal; words: string }[] }
  | { kind: 'refused'; why: string };

/**
 * What was typed as boost: a number, with its unit after it or in the unit chosen beside it. A figure that
 * only makes sense in another unit is asked about. Never throws.
 */
export function parsePressure(text: string, unit: PressureUnit): ParsedPressure {
  const entry = text.trim().toLowerCase().replace(',', '.');
  if (entry === '') return { kind: 'empty' };
  const match = /^(\d+\.?\d*|\.\d+) ?(psi|lb|lbs|bar|kpa)?$/.exec(entry);
  if (!match)
    return {
      kind: 'refused',
      why: `“${text.trim().slice(0, 40)}” is no pressure. Accepted: 20, 20 psi, 1.4 bar, 140 kPa.`,
    };
  const value = Number(match[1]);
  const named = match[2] === undefined ? unit : match[2] === 'bar' ? 'bar' : match[2] === 'kpa' ? 'kPa' : 'psi';
  const pressure = fromPressure(value, named);
  if (isUsual(pressure)) return { kind: 'understood', value: pressure };
  const others = PRESSURE_UNITS.filter((u) => u !== named && isUsual(fromPressure(value, u))).map((u) => ({
    value: fromPressure(value, u),
    words: `${value} ${u}`,
  }));
  const kept =
    pressure > 0 && pressure <= MOST_BOOST ? [{ value: pressure, words: `${value} ${named}, as typed` }] : [];
  const options = [...others, ...kept];
  if (options.length === 0)
    return { kind: 'refused', why: `${value} ${named} is no boost pressure. Accepted: 20 psi, 1.4 bar, 140 kPa.` };
  return {
    kind: 'question',
    ask: `${value} ${named} is ${pressureText(pressure)}${others[0] ? `; did you mean ${others[0].words}?` : ': is that right?'}`,
    options,
  };
}
