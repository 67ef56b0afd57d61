/** A tool to begin with, and a tool made another kind. */
import type { Units } from '../quantity/length';
import { type Instrument, isFiler } from './instrument';
import { STARTING_INSTRUMENTS } from './startingInstruments';

function startingOf(units: Units, kind: Instrument['kind']): Instrument {
  const own = STARTING_INSTRUMENTS.filter((i) => i.kind === kind);
  const found = own.find((i) => /mm|metric/.test(i.id) === (units === 'metric')) ?? own[0] ?? STARTING_INSTRUMENTS[0];
  if (!found) throw new Error('there are no starting tools');
  return found;
}

/**
 * The starting micrometer of the system, without a name.
 *
 * @example newInstrument('metric', 'm1').kind // 'micrometer'
 */
export const newInstrument = (units: Units, id: string): Instrument => ({
  ...startingOf(units, 'micrometer'),
  ...{ id, version: 0, name: '' },
});

/**
 * A tool made another kind: with the starting figures of that kind where its own cannot stand for it.
 *
 * @example asKind(newInstrument('metric', 'm1'), 'boreGauge', 'metric').kit?.turn // 1000000
 */
export function asKind(tool: Instrument, kind: Instrument['kind'], units: Units): Instrument {
  const { from, to, resolution, limit, months, kit } = startingOf(units, kind);
  const figures =
    isFiler({ kind }) !== isFiler(tool)
      ? { from, to, resolution, limit, months: isFiler({ kind }) ? null : months, calibrated: null }
      : {};
  return { ...tool, ...figures, kind, kit: kind === 'boreGauge' ? (tool.kit ?? kit) : null };
}
