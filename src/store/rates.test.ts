import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, describe, expect, it } from 'vitest';
import type { BuildRecord, Entry } from '@/core/judge/buildRecord';
import { gap, record, voiding } from '@/fixtures/records';
import { createBuild } from './builds';
import { openStore } from '@/fixtures/stores';
import { shopRates } from './rates';
import { appendEntries } from './log';

const folder = mkdtempSync(join(tmpdir(), 'spatium-rates-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

const cut = (id: string, count: number): Entry => ({
  kind: 'cut',
  id,
  at: '2026-05-04T09:00:00.000Z',
  by: 'AB',
  cylinder: 'L1',
  ring: 'top',
  filer: 'hand.1',
  count,
});
const filed = (id: string): BuildRecord => ({
  ...record(gap('a', 'L1', 'top', 12), cut('c', 10), gap('b', 'L1', 'top', 17)),
  id,
});

describe('what the shop’s filers take off', () => {
  it('adds up over builds but the one that asks, follows every correction, and outlasts the process', async () => {
    const file = join(folder, 'one.db');
    const db = await openStore(file);
    for (const id of ['one', 'two']) await createBuild(db, filed(id));
    const removed = 5 * 25_400;
    expect(await shopRates(db, '')).toEqual([
      { filer: 'hand', metal: 'unknown', sums: { cuts: 2, xx: 200, xy: 20 * removed, yy: 2 * removed ** 2 } },
    ]);
    expect(await shopRates(db, 'one')).toMatchObject([{ sums: { cuts: 1, xx: 100 } }]);
    await appendEntries(db, 'two', [voiding('v', 'c')]);
    expect(await shopRates(db, 'one')).toEqual([]);
    db.$client.close();
    expect(await shopRates(await openStore(file), '')).toMatchObject([{ sums: { cuts: 1 } }]);
  });

  it('a cut or an acceptance of what is not there is refused', async () => {
    const db = await openStore(join(folder, 'two.db'));
    await createBuild(db, record());
    expect(await appendEntries(db, 'test', [{ ...cut('c', 3), cylinder: 'L9' } as Entry])).toMatchObject({
      ok: false,
      faults: ['This engine has no cylinder at L9.'],
    });
    expect(
      await appendEntries(db, 'test', [
        {
          kind: 'accepted',
          id: 'y',
          at: '2026-05-04T09:00:00.000Z',
          by: '',
          of: 'nothing',
          what: null,
          state: 'over',
          reason: 'why',
        },
      ]),
    ).toMatchObject({ ok: false, faults: ['There is no reading nothing to accept.'] });
  });
});
