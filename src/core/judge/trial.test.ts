import { describe, expect, it } from 'vitest';
import { judge } from './judge';
import { trialRecord } from './trial';
import { isTrial } from './trialId';

const stamp = { at: '2026-06-01T09:00:00.000Z', by: '' };

describe('the trial engine', () => {
  it.each(['imperial', 'metric'] as const)('has all its targets from the start, in %s', (units) => {
    const record = trialRecord('1', units, stamp);
    expect(isTrial(record.id)).toBe(true);
    const { planned } = judge(record);
    for (const target of Object.values(planned ?? {})) expect(target.set).toBe(true);
  });
});
