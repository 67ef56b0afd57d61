/** Base power and altitude as they are typed. */
import type { ParsedFigure } from '../../foundation/quantity/parseNumber';

/** Horsepower of a kilowatt: 1 ÷ 0.7457 (NIST SP 811, recalled). */
export const HP_PER_KW = 1 / 0.7457;
/** Metres of a foot: exact. */
const METRES_PER_FOOT = 0.3048;

const figure = (text: string, units: string): RegExpExecArray | null =>
  new RegExp(`^(-?\\d+(?:\\.\\d+)?) ?(${units})?$`).exec(text.trim().toLowerCase().replace(',', '.'));

/** The most power that is taken, hp. From memory. */
export const MOST_POWER = 50_000;
/** Altitudes that are taken, m. From memory. */
export const ALTITUDES = { from: -500, to: 6_000 };
/** Speeds that are taken, rpm. From memory. */
export const SPEEDS = { from: 300, to: 25_000 };
/** Strokes that are taken, nm. From memory. */
export const STROKES = { from: 10_000_000, to: 600_000_000 };

/**
 * Power in hp: `250`, `250 hp`, `180 kW`. Never throws.
 *
 * @example parsePower('180 kW') // { kind: 'understood', value: 241 }
 */
export function parsePower(text: string): ParsedFigure {
  if (text.trim() === '') return { kind: 'empty' };
  const found = figure(text, 'hp|bhp|ps|kw');
  const value = found ? Number(found[1]) * (found[2] === 'kw' ? HP_PER_KW : 1) : Number.NaN;
  if (!(value > 0 && value <= MOST_POWER))
    return { kind: 'refused', why: `“${text.trim().slice(0, 40)}” is no power. Accepted: 250, 250 hp, 180 kW.` };
  return { kind: 'understood', value: Math.round(value) };
}

/**
 * Speed in rpm: `6500`, `6500 rpm`. Never throws.
 *
 * @example parseSpeed('6500 rpm') // { kind: 'understood', value: 6500 }
 */
export function parseSpeed(text: string): ParsedFigure {
  if (text.trim() === '') return { kind: 'empty' };
  const found = figure(text, 'rpm');
  const value = found ? Number(found[1]) : Number.NaN;
  if (!(value >= SPEEDS.from && value <= SPEEDS.to))
    return { kind: 'refused', why: `“${text.trim().slice(0, 40)}” is not an engine speed. Accepted: 6500, 6500 rpm.` };
  return { kind: 'understood', value: Math.round(value) };
}

/**
 * Altitude in metres: in feet or in metres as the shop speaks, or with its unit: `1500 m`, `5000 ft`. Never throws.
 *
 * @example parseAltitude('1000 ft', 'metric') // { kind: 'understood', value: 305 }
 */
export function parseAltitude(text: string, units: 'imperial' | 'metric'): ParsedFigure {
  if (text.trim() === '') return { kind: 'empty' };
  const found = figure(text, 'm|ft');
  const inFeet = (found?.[2] ?? (units === 'imperial' ? 'ft' : 'm')) === 'ft';
  const value = found ? Math.round(Number(found[1]) * (inFeet ? METRES_PER_FOOT : 1)) : Number.NaN;
  if (!(value >= ALTITUDES.from && value <= ALTITUDES.to))
    return {
      kind: 'refused',
      why: `“${text.trim().slice(0, 40)}” is no altitude an engine runs at. Accepted: 1500 m, 5000 ft.`,
    };
  return { kind: 'understood', value };
}

/**
 * An altitude as it is typed.
 *
 * @example altitudeText(305, 'imperial') // '1001 ft'
 */
export const altitudeText = (metres: number, units: 'imperial' | 'metric'): string =>
  units === 'imperial' ? `${(metres / METRES_PER_FOOT).toFixed(0)} ft` : `${metres} m`;
