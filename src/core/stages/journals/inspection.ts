/** What was inspected of a bearing. */
import type { BearingCheck } from '../../record/bearingChecks';
import type { Tick } from '../../record/log';
import type { JudgedInspection } from './types';

/**
 * What was looked at of a place.
 *
 * @param isInspected whether the walk asks for it: then only what was noted here stands here
 */
export const looksOf = (
  checks: readonly BearingCheck[],
  ticks: ReadonlyMap<string, Tick> | undefined,
  parts: string,
  isInspected: boolean,
): JudgedInspection[] =>
  checks.flatMap((check): JudgedInspection[] => {
    const tick = ticks?.get(check);
    if (!tick) return isInspected ? [] : [{ check, state: 'to do', by: '', at: '' }];
    const { by, at } = tick.entry;
    return [{ check, state: tick.parts === parts ? 'right' : 'again', by, at }];
  });
