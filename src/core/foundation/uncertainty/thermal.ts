/**
 * What temperature does to a size: a part that is not at 20 °C (ISO 1) has grown, and so has the tool that reads it.
 *
 * The size at 20 °C is l·(1 + α_t·ΔT_t) ÷ (1 + α_p·ΔT_p), part p and tool t. With one temperature ΔT of the shop and the
 * part δθ off its tool, its standard uncertainty is the root sum of squares of l·|α_p − α_t|·u(ΔT), l·α_p·u(δθ) and
 * l·ΔT·u(α) of either (JCGM 100:2008, H.1, to first order; ISO/TR 16015 takes the same terms; both recalled). The tests
 * hold `thermalTerms` against H.1's end gauge. It stops being true where part or tool is not at one temperature throughout.
 */
import { atReference, COLD, STEEL_EXPANSION } from './expansion';
import type { Nm } from '../quantity/length';
import { type Message, say } from '../quantity/message';
import { rectangular } from './combine';

/** What was noted of the temperatures of a part and its tool. Two that are alike are one: the second was often filled in from the first. */
export type Noted = 'none' | 'one' | 'both';

/** The temperatures a reading was made at, °C. */
export interface Temperatures {
  part: number;
  tool: number;
  noted: Noted;
}

/** Temperatures noted with a reading, °C: of the part and of the tool; null where not noted. */
export interface Warmed {
  temperature: number | null;
  gaugeTemperature: number | null;
}

const isNoted = ({ temperature, gaugeTemperature }: Warmed): boolean =>
  temperature !== null || gaugeTemperature !== null;

/**
 * The temperatures of a reading. One that was not noted is taken to be the other: part and tool lay in one shop. Where
 * neither was, the shop's own as noted beside it; 20 °C where nothing was.
 *
 * @param shop what was noted of the same part, or of the one it goes into, °C; null for nothing
 * @example temperaturesOf({ temperature: 30, gaugeTemperature: null }, null) // { part: 30, tool: 30, noted: 'one' }
 */
export function temperaturesOf({ temperature, gaugeTemperature }: Warmed, shop: number | null): Temperatures {
  const part = temperature ?? gaugeTemperature ?? shop;
  const tool = gaugeTemperature ?? temperature ?? shop;
  if (part === null || tool === null) return { part: COLD, tool: COLD, noted: 'none' };
  return { part, tool, noted: temperature !== null && gaugeTemperature !== null && part !== tool ? 'both' : 'one' };
}

/**
 * The shop's temperature as it was last noted beside some readings, °C: the tool's, for a part may come from the wash;
 * null where none was.
 *
 * @example shopTemperature([{ temperature: 26, gaugeTemperature: 20, at: '2026-05-04' }]) // 20
 */
export function shopTemperature(readings: readonly (Warmed & { at: string })[]): number | null {
  const last = readings.reduce<(Warmed & { at: string }) | null>(
    (found, r) => (isNoted(r) && (found === null || r.at >= found.at) ? r : found),
    null,
  );
  return last && (last.gaugeTemperature ?? last.temperature);
}

/**
 * A reading at 20 °C, nm not rounded.
 *
 * @example atTwenty({ value: 100_000_000, temperature: null, gaugeTemperature: null }, 11e-6, null) // 100000000
 */
export function atTwenty(reading: { value: Nm } & Warmed, expansion: number, shop: number | null): number {
  if (shop === null && !isNoted(reading)) return reading.value;
  const { part, tool } = temperaturesOf(reading, shop);
  return atReference(reading.value, part, expansion, { celsius: tool, expansion: STEEL_EXPANSION });
}

/** Half-width of a shop about 20 °C where no temperature was noted, and of one that was noted, K. From memory. */
const SWING: Record<Noted, number> = { none: 3, one: 1, both: 1 };

/** How far part and tool may be apart, half-width, K: less where both were noted. From memory. */
const APART: Record<Noted, number> = { none: 2, one: 2, both: 1 };

/** How far a handbook's expansion may be off, half-width, as a share. From memory. */
const EXPANSION_OFF = 0.04;

/**
 * What the uncertainty of a size's temperature is worked out from; temperatures in K, expansions per kelvin, all
 * standard uncertainties.
 */
export interface ThermalInputs {
  size: Nm;
  part: number;
  tool: number;
  /** Off 20 °C. */
  off: number;
  swing: number;
  apart: number;
  partOff: number;
  toolOff: number;
}

/** Standard uncertainties of a size from its temperatures, nm. */
export interface ThermalDoubt {
  /** Of the shop's temperature and the tool's expansion: a second size read with the tool shares them. */
  shop: number;
  /** Of this part alone: how far it is off its tool, and its expansion. */
  apart: number;
}

/**
 * The terms of the uncertainty of a size from its temperatures.
 *
 * @example
 *   thermalTerms({ size: 1_000_000, part: 25e-6, tool: 25e-6, off: 0, swing: 1, apart: 2, partOff: 0, toolOff: 0 })
 *   // { shop: 0, apart: 50 }
 */
export const thermalTerms = ({
  size,
  part,
  tool,
  off,
  swing,
  apart,
  partOff,
  toolOff,
}: ThermalInputs): ThermalDoubt => ({
  shop: size * Math.hypot(Math.abs(part - tool) * swing, off * toolOff),
  apart: size * Math.hypot(part * apart, off * partOff),
});

/** How far off 20 °C a part may be taken to be: as noted, else at the edge of a shop of which nothing was noted. */
const offOf = ({ part, noted }: Temperatures): number => (noted === 'none' ? SWING.none : Math.abs(part - COLD));

/** The uncertainty of a size read with a steel tool, from its temperatures. */
export const thermalDoubt = (size: Nm, expansion: number, at: Temperatures): ThermalDoubt =>
  thermalTerms({
    ...{ size, part: expansion, tool: STEEL_EXPANSION, off: offOf(at) },
    ...{ swing: rectangular(SWING[at.noted]), apart: rectangular(APART[at.noted]) },
    ...{ partOff: rectangular(expansion * EXPANSION_OFF), toolOff: rectangular(STEEL_EXPANSION * EXPANSION_OFF) },
  });

/** The uncertainty of a difference of two sizes from the one shop they were read in, by the difference of their expansions, nm. */
export const sharedShopDoubt = (size: Nm, difference: number, noted: Noted): number =>
  rectangular(size * Math.abs(difference) * SWING[noted]);

/** What is known of the temperatures of several readings: of the one that is known least, and furthest from 20 °C. */
export function leastKnown(all: readonly Temperatures[]): Temperatures {
  const order: readonly Noted[] = ['none', 'one', 'both'];
  return (
    all.reduce<Temperatures | null>((worst, at) => {
      if (!worst) return at;
      const by = order.indexOf(at.noted) - order.indexOf(worst.noted);
      return by < 0 || (by === 0 && Math.abs(at.part - COLD) > Math.abs(worst.part - COLD)) ? at : worst;
    }, null) ?? { part: COLD, tool: COLD, noted: 'none' }
  );
}

/** How warm readings were that were brought to 20 °C, by the first of them; nothing where nothing is known. */
export function warmedWords(readings: readonly Warmed[], shop: number | null): Message[] {
  const warm = readings.map((r) => temperaturesOf(r, shop)).find(({ noted }) => noted !== 'none');
  if (!warm) return [];
  return warm.noted === 'both'
    ? [say`brought to 20 °C: part at ${warm.part} °C, tool at ${warm.tool} °C`]
    : [say`brought to 20 °C: part and tool at ${warm.part} °C`];
}
