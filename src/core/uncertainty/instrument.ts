/**
 * The shop's measuring tools: what they reach, what they resolve, how far they may be off, and when they were
 * last checked. A reading names its tool; a tool never changes, an edit makes its next version.
 */
import { type Nm, fromInches, fromMm } from '../quantity/length';
import { MICROMETER_LIMIT } from './uncertainty';

export const INSTRUMENT_KINDS = ['micrometer', 'boreGauge', 'insideMicrometer', 'telescoping', 'feelers', 'filerByTurns', 'filerByStrokes'] as const;
export type InstrumentKind = (typeof INSTRUMENT_KINDS)[number];

export const INSTRUMENT_KIND_WORDS: Record<InstrumentKind, string> = {
  micrometer: 'outside micrometer',
  boreGauge: 'dial bore gauge',
  insideMicrometer: 'inside micrometer',
  telescoping: 'telescoping gauges',
  feelers: 'feeler leaves',
  filerByTurns: 'ring filer, counted in turns',
  filerByStrokes: 'ring filer, counted in strokes',
};

/** A ring filer measures nothing: it has no range, resolution, limit or calibration, only a rate that is learnt. */
export const isFiler = ({ kind }: Pick<Instrument, 'kind'>): boolean => kind === 'filerByTurns' || kind === 'filerByStrokes';

/** What a filer's cuts are counted in. */
export const countWords = ({ kind }: Pick<Instrument, 'kind'>, count: number): string => `${kind === 'filerByStrokes' ? 'stroke' : 'turn'}${count === 1 ? '' : 's'}`;

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

/** The first day a calibration no longer holds, YYYY-MM-DD, a shorter month ending on its last day; null where it always does, or there is none. */
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
export const isOutOfRange = ({ from, to }: Pick<Instrument, 'from' | 'to'>, size: Nm): boolean => size < from || size > to;

/** What is wrong with a tool's figures, as sentences; empty when nothing is. */
export function instrumentFaults({ kind, from, to, resolution, limit, kit }: Instrument): string[] {
  const faults: string[] = [];
  if (isFiler({ kind })) return kit === null ? [] : ['A bore gauge has a kit, and nothing else has.'];
  if (to <= from) faults.push('The range ends where it begins, or before.');
  if (resolution <= 0) faults.push('The resolution is more than nothing.');
  if (limit <= 0) faults.push('The error limit is more than nothing: no tool is without error.');
  if (resolution > to - from) faults.push('The resolution is wider than the range.');
  if ((kind === 'boreGauge') !== (kit !== null)) faults.push('A bore gauge has a kit, and nothing else has.');
  if (!kit) return faults;
  if (kit.rods.length === 0) faults.push('A kit has at least one rod.');
  if (kit.division <= 0 || kit.turn <= kit.division) faults.push('One turn of the dial is more than one division.');
  if (kit.preload >= kit.turn) faults.push('The least preload is a turn or more: no make-up could stay within one turn.');
  return faults;
}

const made = (id: string, kind: InstrumentKind, name: string, range: [Nm, Nm], resolution: Nm, limit: Nm, kit: GaugeKit | null = null): Instrument => ({
  id,
  version: 1,
  kind,
  name,
  from: range[0],
  to: range[1],
  resolution,
  limit,
  calibrated: null,
  months: 12,
  kit,
});

const inches = (from: number, to: number): [Nm, Nm] => [fromInches(from), fromInches(to)];
const mm = (from: number, to: number): [Nm, Nm] => [fromMm(from), fromMm(to)];
const steps = (from: number, to: number, step: number, unit: (n: number) => Nm): Nm[] => Array.from({ length: Math.round((to - from) / step) + 1 }, (_, i) => unit(from + i * step));

/** Bore gauges' kits, from memory: rods and washers as commonly boxed, one turn in whole divisions. */
const INCH_KIT: GaugeKit = {
  rods: steps(2, 5.8, 0.2, fromInches),
  washers: [0.02, 0.04, 0.06, 0.08, 0.1].map(fromInches),
  body: 0,
  preload: fromInches(0.01),
  division: fromInches(0.0005),
  turn: fromInches(0.05),
  larger: 'anticlockwise',
};

const METRIC_KIT: GaugeKit = {
  rods: steps(50, 150, 5, fromMm),
  washers: [0.5, 1, 2, 3].map(fromMm),
  body: 0,
  preload: fromMm(0.2),
  division: fromMm(0.01),
  turn: fromMm(1),
  larger: 'anticlockwise',
};

/** What a shop is taken to have until it says otherwise. Ranges, resolutions and error limits: from memory. */
export const STARTING_INSTRUMENTS: Instrument[] = [
  made('mic-0-1in', 'micrometer', 'Micrometer 0–1 in', inches(0, 1), fromInches(0.0001), MICROMETER_LIMIT),
  made('mic-3-4in', 'micrometer', 'Micrometer 3–4 in', inches(3, 4), fromInches(0.0001), MICROMETER_LIMIT),
  made('mic-4-5in', 'micrometer', 'Micrometer 4–5 in', inches(4, 5), fromInches(0.0001), MICROMETER_LIMIT),
  made('mic-0-25mm', 'micrometer', 'Micrometer 0–25 mm', mm(0, 25), fromMm(0.001), fromMm(0.002)),
  made('mic-75-100mm', 'micrometer', 'Micrometer 75–100 mm', mm(75, 100), fromMm(0.001), fromMm(0.003)),
  made('gauge-in', 'boreGauge', 'Bore gauge, inches', inches(2, 6), fromInches(0.0001), fromInches(0.0001), INCH_KIT),
  made('gauge-mm', 'boreGauge', 'Bore gauge, metric', mm(50, 160), fromMm(0.002), fromMm(0.003), METRIC_KIT),
  made('telescoping', 'telescoping', 'Telescoping gauges', mm(8, 150), fromMm(0.01), fromMm(0.01)),
  made('feelers-in', 'feelers', 'Feelers, thou', inches(0.0015, 0.05), fromInches(0.0005), fromInches(0.0002)),
  made('feelers-mm', 'feelers', 'Feelers, mm', mm(0.03, 1), fromMm(0.05), fromMm(0.005)),
  { ...made('filer-hand', 'filerByTurns', 'Hand ring filer', [0, 0], 0, 0), months: null },
  { ...made('filer-file', 'filerByStrokes', 'Fine file', [0, 0], 0, 0), months: null },
];

/** What a kind of reading may be taken with, likeliest first. */
export const SUITED = {
  bore: ['boreGauge', 'insideMicrometer', 'telescoping'],
  piston: ['micrometer'],
  pin: ['micrometer'],
  pinBore: ['boreGauge', 'telescoping', 'insideMicrometer'],
  gap: ['feelers'],
  filing: ['filerByTurns', 'filerByStrokes'],
} as const satisfies Record<string, readonly InstrumentKind[]>;
