import { type Instrument, isFiler } from './instrument';

/**
 * What is wrong with a tool's figures, as sentences; empty when nothing is.
 *
 * @example instrumentFaults({ kind: 'gap', name: 'x', from: 2, to: 1, resolution: 0, limit: 0, kit: null }).length // 4
 */
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
  if (kit.preload >= kit.turn)
    faults.push('The least preload is a turn or more: no make-up could stay within one turn.');
  return faults;
}
