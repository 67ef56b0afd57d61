import { beforeEach, describe, expect, it, vi } from 'vitest';
import { boreReading, jobEntry } from '@/fixtures/records';
import { judge } from '@/core/judge/judge';
import { fromInches } from '@/core/foundation/quantity/length';
import type { Entry } from '@/core/judge/buildRecord';
import { persistRecord, persistedRecord } from './persistedRecord';

const held = new Map<string, unknown>();
vi.mock('idb-keyval', () => ({
  get: (key: string) => Promise.resolve(held.get(key)),
  set: (key: string, value: unknown) => Promise.resolve(void held.set(key, value)),
}));

const setting: Entry = {
  kind: 'setting',
  id: 's',
  at: '2026-05-04T09:00:00.000Z',
  by: 'AB',
  instrument: null,
  to: fromInches(4.06),
  sizes: null,
};
const entries: Entry[] = [jobEntry(), setting, boreReading('b', 'L1', 'top', 90, fromInches(4.065))];

describe('the record that this browser keeps', () => {
  beforeEach(() => held.clear());

  it('comes back as it was kept; nothing where nothing was', async () => {
    expect(await persistedRecord('one', 0)).toBeNull();
    await persistRecord('one', { entries, seq: 3 });
    expect(await persistedRecord('one', 2)).toEqual({ entries, seq: 3 });
    // a page that knows as much needs nothing of it
    expect(await persistedRecord('one', 3)).toBeNull();
  });

  it('that an older program kept means what it meant: a size read from a setting is that size', async () => {
    const older = entries.map((entry) => {
      const { zero, sizes, ...rest } = entry as Entry & { zero?: unknown; sizes?: unknown };
      expect([zero, sizes]).toContain(undefined);
      return rest;
    });
    held.set('spatium-record:one', { entries: older, seq: 3 });
    const kept = await persistedRecord('one', 0);
    expect(kept).toEqual({ entries, seq: 3 });
    expect(judge({ id: 'one', entries: kept?.entries ?? [] }).cylinders[0]?.bore.size?.value).toBe(fromInches(4.065));
  });
});
