/** What kinds of tool are called. */
import type { InstrumentKind } from './instrument';

export const INSTRUMENT_KIND_WORDS: Record<InstrumentKind, string> = {
  micrometer: 'outside micrometer',
  boreGauge: 'dial bore gauge',
  insideMicrometer: 'inside micrometer',
  telescoping: 'telescoping gauges',
  feelers: 'feeler leaves',
  dialIndicator: 'dial indicator',
  gaugingThread: 'plastic gauging thread',
  filerByTurns: 'ring filer, counted in turns',
  filerByStrokes: 'ring filer, counted in strokes',
};
