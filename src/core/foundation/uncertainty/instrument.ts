/**
 * The shop's measuring tools: what they reach, what they resolve, how far they may be off, and when they were
 * last checked. A reading names its tool; a tool never changes, an edit makes its next version.
 */
import type { Nm } from '../quantity/length';

export const INSTRUMENT_KINDS = [
  'micrometer',
  'boreGauge',
  'insideMicrometer',
  'telescoping',
  'feelers',
  'dialIndicator',
  'gaugingThread',
  'filerByTurns',
  'filerByStrokes',
] as const;
export type InstrumentKind = (typeof INSTRUMENT_KINDS)[number];

/** A ring filer measures nothing: it has no range, resolution, limit or calibration, only a rate that is learnt. */
export const isFiler = ({ kind }: Pick<Instrument, 'kind'>): boolean =>
  kind === 'filerByTurns' || kind === 'filerByStrokes';

/** What a filer's cuts are counted in. */
export const countWords = ({ kind }: Pick<Instrument, 'kind'>, count: number): string =>
  `${kind === 'filerByStrokes' ? 'stroke' : 'turn'}${count === 1 ? '' : 's'}`;

/** What a bore gauge's anvil is made up of, and what its dial shows. */
export interface GaugeKit {
  /** Lengths of the extension rods. */
  rods: Nm[];
  /** Thicknesses of the washers, one entry each. */
  washers: Nm[];
  /** What the gauge itself adds to rod and washers; nothing where rods are marked with the whole length. */
  body: Nm;
  /** The least the plunger should be pushed in at the bore. */
  preload: Nm;
  /** One division of the dial. */
  division: Nm;
  /** One full turn of the needle. */
  turn: Nm;
  /** The way the needle goes for a larger bore. */
  larger: 'clockwise' | 'anticlockwise';
}

export interface Instrument {
  id: string;
  version: number;
  kind: InstrumentKind;
  /** What the shop calls it. */
  name: string;
  from: Nm;
  to: Nm;
  /** The last step it can be read to. */
  resolution: Nm;
  /** Error limit, half-width. */
  limit: Nm;
  /** Day of the last calibration, YYYY-MM-DD; null where none is on record. */
  calibrated: string | null;
  /** How many months a calibration holds; null for ever. */
  months: number | null;
  /** Of a bore gauge, else null. */
  kit: GaugeKit | null;
}

/** The name a reading gives its tool by: the version it was made with. */
export const instrumentKey = ({ id, version }: Pick<Instrument, 'id' | 'version'>): string => `${id}.${version}`;

/**
 * The first day a calibration no longer holds, YYYY-MM-DD, a shorter month ending on its last day; null where it
 * always does, or there is none.
 *
 * @example calibrationEnds({ calibrated: '2026-01-31', months: 1 }) // '2026-02-28'
 */
export function calibrationEnds({ calibrated, months }: Pick<Instrument, 'calibrated' | 'months'>): string | null {
  if (calibrated === null || months === null) return null;
  const [year = 0, month = 1, day = 1] = calibrated.split('-').map(Number);
  const last = new Date(Date.UTC(year, month - 1 + months + 1, 0));
  const end = new Date(Date.UTC(last.getUTCFullYear(), last.getUTCMonth(), Math.min(day, last.getUTCDate())));
  return end.toISOString().slice(0, 10);
}

/** Whether a tool was out of date on a day, YYYY-MM-DD or longer. */
export function isOutOfDate(instrument: Pick<Instrument, 'calibrated' | 'months'>, day: string): boolean {
  const end = calibrationEnds(instrument);
  return end !== null && day.slice(0, 10) >= end;
}

/** Whether a size is one the tool does not reach. */
export const isOutOfRange = ({ from, to }: Pick<Instrument, 'from' | 'to'>, size: Nm): boolean =>
  size < from || size > to;

/** What a kind of reading may be taken with, likeliest first. */
export const SUITED = {
  bore: ['boreGauge', 'insideMicrometer', 'telescoping'],
  piston: ['micrometer'],
  pin: ['micrometer'],
  pinBore: ['boreGauge', 'telescoping', 'insideMicrometer'],
  gap: ['feelers'],
  play: ['dialIndicator', 'feelers'],
  thread: ['gaugingThread'],
  filing: ['filerByTurns', 'filerByStrokes'],
} as const satisfies Record<string, readonly InstrumentKind[]>;

/** What a tool is taken in hand for. */
export type Family = keyof typeof SUITED;

/** Whether a tool suits a kind of reading. */
export const suits = (instrument: Pick<Instrument, 'kind'>, family: Family): boolean =>
  SUITED[family].some((kind) => kind === instrument.kind);
