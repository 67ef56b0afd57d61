/**
 * A size from readings of one thing: brought to 20 °C (ISO 1), averaged over repeats, with what the tools leave in doubt.
 */
import type { Nm } from '../quantity/length';
import { type Message, raw, say, size } from '../quantity/message';
import { type Apart, type CostlySide, repeatsOf, sizesRepeat } from './repeats';
import {
  type Doubt,
  type Tool,
  UNNAMED_TOOL,
  micrometerLimit,
  ownDoubt,
  repeatability,
  scatterOf,
  sizeUncertainty,
} from '../uncertainty/repeatability';
import type { Instrument } from '../uncertainty/instrument';
import {
  type Noted,
  type Warmed,
  atTwenty,
  leastKnown,
  shopTemperature,
  temperaturesOf,
  thermalDoubt,
  warmedWords,
} from '../uncertainty/thermal';
import { rectangular } from '../uncertainty/combine';

/** A reading as far as a size follows from it; `instrument` the key of the tool, null where none was named. */
export interface SizeReading extends Warmed {
  subject: string;
  value: Nm;
  at: string;
  instrument: string | null;
}

export type Tools = ReadonlyMap<string, Instrument>;

/** A size in force. */
export interface Sized {
  /** At 20 °C, the mean of the repeats. */
  value: Nm;
  uncertainty: Nm;
  doubt: Doubt;
  /** Expansion it was brought to 20 °C with, per kelvin. */
  expansion: number;
  /** What was noted of its temperature. */
  noted: Noted;
  /** Where it was found, and what it is the mean of. */
  working: Message[];
  /** Readings that cannot all be true; null where they agree. The costly one counts. */
  disagreement: Apart | null;
}

const named = ({ instrument }: SizeReading, tools: Tools): Instrument | undefined =>
  instrument === null ? undefined : tools.get(instrument);

/** What is read across the inside. */
const INSIDE = new Set(['bore', 'pinBore', 'housing', 'bare', 'smallEnd']);

function toolOf(reading: SizeReading, tools: Tools): Tool {
  const limit = INSIDE.has(reading.subject) ? UNNAMED_TOOL.limit : micrometerLimit(reading.value);
  return named(reading, tools) ?? (limit === UNNAMED_TOOL.limit ? UNNAMED_TOOL : { ...UNNAMED_TOOL, limit });
}

/**
 * Whether a reading was made with a tool that only compares with what a micrometer set it to: across the inside it
 * is, unless the tool says otherwise.
 */
function isCompared(reading: SizeReading, tools: Tools): boolean {
  const kind = named(reading, tools)?.kind;
  return kind === undefined ? INSIDE.has(reading.subject) : kind === 'boreGauge' || kind === 'telescoping';
}

/** Whether it has no dial to be zeroed: a telescoping gauge is measured over each time. */
const isFreeOfZero = (reading: SizeReading, tools: Tools): boolean => named(reading, tools)?.kind === 'telescoping';

/** Standard uncertainty of reading a tool once. */
const onceDoubt = (tool: Tool): number => ownDoubt(1, repeatability({ squares: 0, freedom: 0 }, tool), tool).standard;

/** The mean of some figures, in their own unit, not rounded. */
export const average = (values: readonly number[]): number => values.reduce((a, b) => a + b, 0) / values.length;

/** Largest − smallest of some figures, in their own unit; 0 for none. */
export const rangeOf = (values: readonly number[]): number =>
  values.length === 0 ? 0 : Math.max(...values) - Math.min(...values);

/** How a part is measured. */
export interface Measuring {
  /** Of the part, per kelvin. */
  expansion: number;
  tools: Tools;
  /** The shop's temperature as noted beside this part or the one it goes into, °C; null where none was. */
  shop: number | null;
}

type Shared = Omit<Doubt, 'own' | 'freedom'>;

/**
 * What all readings share: the widest limit of their tools, the micrometer that set them and how they were zeroed on
 * it, and the temperatures.
 */
export function sharedDoubt(
  readings: readonly SizeReading[],
  value: Nm,
  { expansion, tools, shop }: Measuring,
): { doubt: Shared; noted: Noted } {
  const limit = readings.reduce((most, r) => Math.max(most, toolOf(r, tools).limit), 0);
  const compared = readings.filter((r) => isCompared(r, tools));
  const at = leastKnown(readings.map((r) => temperaturesOf(r, shop)));
  const dials = compared.filter((r) => !isFreeOfZero(r, tools));
  return {
    doubt: {
      tool: rectangular(limit),
      setting: compared.length > 0 ? rectangular(micrometerLimit(value)) : 0,
      zeroing: dials.length > 0 ? onceDoubt(coarsest(dials, tools)) : 0,
      ...thermalDoubt(value, expansion, at),
    },
    noted: at.noted,
  };
}

/**
 * What readings of one thing come to, each a repeat of the others; null for none.
 *
 * @param costly which of them counts where they disagree
 * @param within how far they may lie apart; by their tool unless given, nm
 */
export function sizedOf(
  readings: readonly SizeReading[],
  measuring: Measuring,
  costly: CostlySide,
  within: Nm = sizesRepeat(coarsest(readings, measuring.tools).resolution),
): Sized | null {
  const { expansion, tools } = measuring;
  const shop = shopTemperature(readings) ?? measuring.shop;
  const [first] = readings;
  const repeats = repeatsOf(
    readings.map((r) => atTwenty(r, expansion, shop)),
    within,
    costly,
  );
  if (!first || !repeats) return null;
  const { counting: values, disagreement } = repeats;
  const value = Math.round(repeats.value);
  const tool = toolOf(first, tools);
  const { doubt: shared, noted } = sharedDoubt(readings, value, { expansion, tools, shop });
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
    noted,
    working: [...means, ...warmedWords(readings, shop)],
    disagreement,
  };
}

/** The coarsest tool among readings; the standing one for none. */
export function coarsest(readings: readonly SizeReading[], tools: Tools): Tool {
  let worst: Tool | null = null;
  for (const reading of readings) {
    const tool = toolOf(reading, tools);
    if (!worst || tool.resolution > worst.resolution) worst = tool;
  }
  return worst ?? UNNAMED_TOOL;
}

/** The widest half-width of error among the tools of some readings, nm; not less than that of an unnamed one. */
export const toolLimit = (passes: readonly SizeReading[], tools: Tools): Nm =>
  Math.max(UNNAMED_TOOL.limit, ...passes.map((p) => toolOf(p, tools).limit));
