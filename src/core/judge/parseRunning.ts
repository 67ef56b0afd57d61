/** How an engine runs, as it is typed for the model of the gas between its rings. */
import { type Faults, faultsAmong } from '../foundation/quantity/faults';
import type { Running } from './gasCycleStudy';

/** What each is called, and the least and the most that is taken. From memory. */
export const RUNNING: Record<keyof Running, { label: string; least: number; most: number }> = {
  rpm: { label: 'Speed, rpm', least: 300, most: 20_000 },
  compression: { label: 'Compression ratio', least: 4, most: 25 },
  stroke: { label: 'Stroke, mm', least: 15, most: 400 },
  rod: { label: 'Rod length, mm', least: 20, most: 900 },
};
const KEYS = Object.keys(RUNNING) as (keyof Running)[];

/**
 * What is typed over the usual figures. What is empty or wrong stays as usual.
 *
 * @example
 *   parseRunning({ rpm: '7000', rod: '4' }, { rpm: 6000, compression: 10, stroke: 88, rod: 150 }).running.rpm // 7000
 */
export function parseRunning(
  typed: Partial<Record<keyof Running, string>>,
  usual: Running,
): { running: Running; faults: Faults; isRodShort: boolean } {
  const running = { ...usual };
  const faults: Record<string, string> = {};
  for (const key of KEYS) {
    const text = typed[key]?.trim() ?? '';
    if (text === '') continue;
    const { label, least, most } = RUNNING[key];
    const value = Number(text.replace(',', '.'));
    if (value >= least && value <= most) running[key] = value;
    else faults[key] = `${label}: from ${least} to ${most}.`;
  }
  const isRodShort = running.rod <= running.stroke / 2;
  return {
    running,
    isRodShort,
    faults: { ...faultsAmong({ rod: isRodShort && 'Longer than half the stroke.' }), ...faults },
  };
}
