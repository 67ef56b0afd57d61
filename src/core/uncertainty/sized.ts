/**
 * A size from readings of one thing: brought to 20 °C (ISO 1), averaged over repeats, with what the tools leave in doubt.
 */
import { atReference } from '../heat/heat';
import { STEEL_EXPANSION } from '../heat/metals';
import type { Nm } from '../quantity/length';
import { type Saying, raw, say, size } from '../quantity/saying';
import type { LoggedReading } from '../record/reading';
import { type Apart, type CostlySide, repeatsOf, sizesRepeat } from '../verdict/repeats';
import {
  type Doubt,
  type Tool,
  type Warmth,
  UNNAMED_TOOL,
  heatDoubt,
  ownDoubt,
  repeatability,
  scatterOf,
  sizeUncertainty,
} from './budget';
import type { Instrument } from './instrument';
import { MICROMETER_LIMIT, rectangular } from './uncertainty';

export type Tools = ReadonlyMap<string, Instrument>;

/** A size in force. */
export interface Sized {
  /** At 20 °C, the mean of the repeats. */
  value: Nm;
  uncertainty: Nm;
  doubt: Doubt;
  /** Expansion it was brought to 20 °C with, per kelvin. */
  expansion: number;
  /** What is known of its temperature. */
  warmth: Warmth;
  /** Where it was found, and what it is the mean of. */
  working: Saying[];
  /** Readings that cannot all be true; null where they agree. The costly one counts. */
  disagreement: Apart | null;
}

const toolOf = (reading: LoggedReading, tools: Tools): Tool =>
  (reading.instrument === null ? null : tools.get(reading.instrument)) ?? UNNAMED_TOOL;

/** Part and tool this near count as alike, K: what a note of either may be off by. From memory. */
const ALIKE = 2;

function warmthOf(readings: readonly LoggedReading[]): Warmth {
  if (!readings.every(isNoted)) return 'not noted';
  return readings.every((r) => Math.abs((r.temperature ?? 20) - (r.gaugeTemperature ?? 20)) <= ALIKE)
    ? 'alike'
    : 'apart';
}

/** What is read across the inside. */
const INSIDE = new Set(['bore', 'pinBore', 'housing', 'bare', 'smallEnd']);

/** Whether a reading was made with a tool that only compares with what a micrometer set it to: across the inside it is, unless the tool says otherwise. */
function isCompared({ subject, instrument }: LoggedReading, tools: Tools): boolean {
  const kind = instrument === null ? undefined : tools.get(instrument)?.kind;
  return kind === undefined ? INSIDE.has(subject) : kind === 'boreGauge' || kind === 'telescoping';
}

const isNoted = (reading: LoggedReading): boolean => reading.temperature !== null || reading.gaugeTemperature !== null;

/**
 * A reading at 20 °C, nm not rounded. Where one temperature is given and not the other, the other is 20 °C.
 *
 * @example atTwenty({ value: 100_000_000, temperature: null, gaugeTemperature: null }, 11e-6) // 100000000
 */
export function atTwenty(
  reading: Pick<LoggedReading, 'value' | 'temperature' | 'gaugeTemperature'>,
  expansion: number,
): number {
  const { value, temperature, gaugeTemperature } = reading;
  if (temperature === null && gaugeTemperature === null) return value;
  return atReference(value, temperature ?? 20, expansion, {
    celsius: gaugeTemperature ?? 20,
    expansion: STEEL_EXPANSION,
  });
}

/** The mean of some figures, in their own unit, not rounded. */
export const average = (values: readonly number[]): number => values.reduce((a, b) => a + b, 0) / values.length;

/** Largest − smallest of some figures, in their own unit; 0 for none. */
export const rangeOf = (values: readonly number[]): number =>
  values.length === 0 ? 0 : Math.max(...values) - Math.min(...values);

/** What all readings share: the widest limit of their tools, the micrometer that set them, and the temperature, which counts as noted once it was with each. */
export function sharedDoubt(
  readings: readonly LoggedReading[],
  value: Nm,
  expansion: number,
  tools: Tools,
): { tool: number; setting: number; heat: number; warmth: Warmth } {
  const warmth = warmthOf(readings);
  const limit = readings.reduce((most, r) => Math.max(most, toolOf(r, tools).limit), 0);
  return {
    tool: rectangular(limit),
    setting: readings.some((r) => isCompared(r, tools)) ? rectangular(MICROMETER_LIMIT) : 0,
    heat: heatDoubt(value, expansion, warmth),
    warmth,
  };
}

/**
 * What readings of one thing come to, each a repeat of the others; null for none.
 *
 * @param costly which of them counts where they disagree
 * @param within how far they may lie apart; by their tool unless given, nm
 */
export function sizedOf(
  readings: readonly LoggedReading[],
  expansion: number,
  tools: Tools,
  costly: CostlySide,
  within: Nm = sizesRepeat(coarsest(readings, tools).resolution),
): Sized | null {
  const [first] = readings;
  const repeats = repeatsOf(
    readings.map((r) => atTwenty(r, expansion)),
    within,
    costly,
  );
  if (!first || !repeats) return null;
  const { counting: values, disagreement } = repeats;
  const value = Math.round(repeats.value);
  const tool = toolOf(first, tools);
  const { warmth, ...shared } = sharedDoubt(readings, value, expansion, tools);
  const { standard: own, freedom } = ownDoubt(values.length, repeatability(scatterOf([values]), tool), tool);
  const doubt = { ...shared, own, freedom };
  const means = disagreement
    ? [
        say`readings from ${size(disagreement.least)} to ${size(disagreement.most)} disagree: the ${costly === 'least' ? 'smaller' : 'larger'} counts`,
      ]
    : values.length > 1
      ? [say`mean of ${values.length} readings, ${raw(Math.round(rangeOf(values)))} apart`]
      : [];
  return {
    value,
    uncertainty: sizeUncertainty(doubt),
    doubt,
    expansion,
    warmth,
    working: [...means, ...warmedWords(readings)],
    disagreement,
  };
}

/** How warm readings were that were brought to 20 °C, by the first of them; nothing where none says. */
export function warmedWords(readings: readonly LoggedReading[]): Saying[] {
  const warm = readings.find(isNoted);
  return warm
    ? [say`brought to 20 °C: part at ${warm.temperature ?? 20} °C, tool at ${warm.gaugeTemperature ?? 20} °C`]
    : [];
}

/** The coarsest tool among readings; the standing one for none. */
export function coarsest(readings: readonly LoggedReading[], tools: Tools): Tool {
  let worst: Tool | null = null;
  for (const reading of readings) {
    const tool = toolOf(reading, tools);
    if (!worst || tool.resolution > worst.resolution) worst = tool;
  }
  return worst ?? UNNAMED_TOOL;
}

/** The widest half-width of error among the tools of some readings, nm; not less than that of an unnamed one. */
export const toolLimit = (passes: readonly LoggedReading[], tools: Tools): Nm =>
  Math.max(UNNAMED_TOOL.limit, ...passes.map((p) => toolOf(p, tools).limit));
