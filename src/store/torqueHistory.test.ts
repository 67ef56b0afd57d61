import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, describe, expect, it } from 'vitest';
import type { Entry } from '@/core/judge/buildRecord';
import { readBuildFile, writeBuildFile } from '@/files/buildFile';
import { job, jobEntry, voiding } from '@/fixtures/records';
import { createBuild, setRemoved } from './builds';
import { appendEntries } from './log';
import { openStore } from '@/fixtures/stores';
import { torqueHistory } from './torqueHistory';

const folder = mkdtempSync(join(tmpdir(), 'spatium-turning-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

const turned = (id: string, after: 'crank' | 'piston' | 'all', cylinder: string, value: number): Entry => ({
  kind: 'turned',
  id,
  at: '2026-05-04T09:00:00.000Z',
  by: 'AB',
  after,
  cylinder,
  pistons: after === 'piston' ? 1 : 0,
  value,
  starts: null,
  typed: '',
});
const some = (): Entry[] => [
  turned('a', 'crank', 'block', 2_000),
  turned('b', 'piston', 'L1', 5_000),
  turned('c', 'piston', 'R1', 7_500),
  turned('d', 'all', 'block', 30_000),
];

describe('what is accepted', () => {
  const accepted = (of: string, what: 'set' | 'bolt' | 'turn' | null): Entry => ({
    ...{
      kind: 'accepted',
      id: 'x',
      at: '2026-05-04T10:00:00.000Z',
      by: 'AB',
      of,
      what,
      state: 'over',
      reason: 'why',
    },
  });

  it('is accepted at what it rests on, in the log and in a file', async () => {
    const db = await openStore(join(folder, 'accepted.db'));
    const record = { id: 'own', entries: [jobEntry({ name: 'Own' }), ...some()] };
    await createBuild(db, record);
    for (const wrong of [accepted('b', 'set'), accepted('b', 'bolt'), accepted('b', null), accepted('z', 'turn')]) {
      expect(await appendEntries(db, 'own', [wrong])).toMatchObject({ ok: false });
      expect(readBuildFile(JSON.stringify(writeBuildFile({ ...record, entries: [...record.entries, wrong] }))).ok).toBe(
        false,
      );
    }
    const right = accepted('b', 'turn');
    expect(await appendEntries(db, 'own', [right])).toMatchObject({ ok: true });
    expect(readBuildFile(JSON.stringify(writeBuildFile({ ...record, entries: [...record.entries, right] }))).ok).toBe(
      true,
    );
  });
});

describe('what the shop’s other engines took to turn', () => {
  it('is of builds of the same kind but the one that asks, follows corrections, and not of those taken off', async () => {
    const db = await openStore(join(folder, 'one.db'));
    const six = { ...job.engine, cylinders: 6 };
    await createBuild(db, { id: 'own', entries: [jobEntry({ name: 'Own' }), ...some()] });
    await createBuild(db, { id: 'like', entries: [jobEntry({ name: 'Like' }), ...some()] });
    await createBuild(db, { id: 'six', entries: [jobEntry({ name: 'Six', engine: six }), ...some()] });
    await createBuild(db, { id: 'bare', entries: [jobEntry({ name: 'Bare' })] });
    expect(await torqueHistory(db, 'own')).toEqual([
      { id: 'like', name: 'Like', crank: 2_000, shares: [3_000, 2_500], all: 30_000 },
    ]);
    await appendEntries(db, 'like', [voiding('v', 'b')]);
    expect(await torqueHistory(db, 'own')).toMatchObject([{ shares: [5_500] }]);
    await setRemoved(db, ['like'], true);
    expect(await torqueHistory(db, 'own')).toEqual([]);
    expect(await torqueHistory(db, 'nobody')).toEqual([]);
  });
});
