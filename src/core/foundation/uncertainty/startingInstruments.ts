/** The tools a shop begins with. Limits from memory; see each tool's own sheet. */
import { type Nm, fromInches, fromMm } from '../quantity/length';
import type { GaugeKit, Instrument, InstrumentKind } from './instrument';
import { MICROMETER_LIMIT } from './repeatability';

const made = (
  id: string,
  kind: InstrumentKind,
  name: string,
  range: [Nm, Nm],
  resolution: Nm,
  limit: Nm,
  kit: GaugeKit | null = null,
): Instrument => ({
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
const steps = (from: number, to: number, step: number, unit: (n: number) => Nm): Nm[] =>
  Array.from({ length: Math.round((to - from) / step) + 1 }, (_, i) => unit(from + i * step));

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
  made('mic-1-2in', 'micrometer', 'Micrometer 1–2 in', inches(1, 2), fromInches(0.0001), MICROMETER_LIMIT),
  made('mic-2-3in', 'micrometer', 'Micrometer 2–3 in', inches(2, 3), fromInches(0.0001), MICROMETER_LIMIT),
  made('mic-3-4in', 'micrometer', 'Micrometer 3–4 in', inches(3, 4), fromInches(0.0001), MICROMETER_LIMIT),
  made('mic-4-5in', 'micrometer', 'Micrometer 4–5 in', inches(4, 5), fromInches(0.0001), MICROMETER_LIMIT),
  made('mic-0-25mm', 'micrometer', 'Micrometer 0–25 mm', mm(0, 25), fromMm(0.001), fromMm(0.002)),
  made('mic-25-50mm', 'micrometer', 'Micrometer 25–50 mm', mm(25, 50), fromMm(0.001), fromMm(0.002)),
  made('mic-50-75mm', 'micrometer', 'Micrometer 50–75 mm', mm(50, 75), fromMm(0.001), fromMm(0.002)),
  made('mic-75-100mm', 'micrometer', 'Micrometer 75–100 mm', mm(75, 100), fromMm(0.001), fromMm(0.003)),
  made('gauge-in', 'boreGauge', 'Bore gauge, inches', inches(2, 6), fromInches(0.0001), fromInches(0.0001), INCH_KIT),
  made(
    'gauge-small-in',
    'boreGauge',
    'Small bore gauge, inches',
    inches(1.4, 2.5),
    fromInches(0.0001),
    fromInches(0.0001),
    {
      ...INCH_KIT,
      rods: steps(1.4, 2.4, 0.1, fromInches),
    },
  ),
  made('gauge-mm', 'boreGauge', 'Bore gauge, metric', mm(50, 160), fromMm(0.002), fromMm(0.003), METRIC_KIT),
  made('gauge-small-mm', 'boreGauge', 'Small bore gauge, metric', mm(35, 60), fromMm(0.002), fromMm(0.003), {
    ...METRIC_KIT,
    rods: steps(35, 60, 5, fromMm),
  }),
  made('telescoping', 'telescoping', 'Telescoping gauges', mm(8, 150), fromMm(0.01), fromMm(0.01)),
  made('feelers-in', 'feelers', 'Feelers, thou', inches(0.0015, 0.05), fromInches(0.0005), fromInches(0.0002)),
  made('feelers-mm', 'feelers', 'Feelers, mm', mm(0.03, 1), fromMm(0.05), fromMm(0.005)),
  made('dial', 'dialIndicator', 'Dial indicator', mm(0.01, 10), fromMm(0.01), fromMm(0.01)),
  {
    ...made('thread', 'gaugingThread', 'Plastic gauging thread', mm(0.025, 0.25), fromMm(0.0125), fromMm(0.006)),
    months: null,
  },
  { ...made('filer-hand', 'filerByTurns', 'Hand ring filer', [0, 0], 0, 0), months: null },
  { ...made('filer-file', 'filerByStrokes', 'Fine file', [0, 0], 0, 0), months: null },
];
