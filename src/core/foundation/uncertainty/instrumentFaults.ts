import { type Faults, faultsAmong, faultsUnder } from '../quantity/faults';
import { type GaugeKit, type Instrument, isFiler } from './instrument';

const kitFaults = ({ rods, division, turn, preload }: GaugeKit): Faults =>
  faultsAmong({
    rods: rods.length === 0 && 'Enter at least one rod.',
    turn: (division <= 0 || turn <= division) && 'One turn of the dial must be more than one division.',
    preload: preload >= turn && 'The least preload is a turn or more: no make-up could stay within one turn.',
  });

/**
 * What is wrong with a tool, by field.
 *
 * @example
 *   instrumentFaults({ kind: 'micrometer', name: 'M1', from: 2, to: 1, resolution: 1, limit: 0, kit: null }).limit
 *   // 'The error limit must be more than zero: no tool is without error.'
 */
export function instrumentFaults({ kind, name, from, to, resolution, limit, kit }: Instrument): Faults {
  const isFiling = isFiler({ kind });
  const hasWrongKit = (kind === 'boreGauge') !== (kit !== null);
  return {
    ...faultsAmong({
      name: name.trim() === '' && 'Enter a name.',
      to: !isFiling && to <= from && 'The end of the range must be above its start.',
      resolution:
        !isFiling &&
        (resolution <= 0
          ? 'The resolution must be more than zero.'
          : resolution > to - from && 'The resolution must be finer than the range.'),
      limit: !isFiling && limit <= 0 && 'The error limit must be more than zero: no tool is without error.',
      kit: hasWrongKit && 'Only a bore gauge has a kit.',
    }),
    ...(kit && !hasWrongKit ? faultsUnder('kit', kitFaults(kit)) : {}),
  };
}
