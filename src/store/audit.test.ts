import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { openStore } from '@/fixtures/stores';
import { auditBefore, auditTable, noteDone } from './audit';
import type { Database } from './open';

let folder: string;
let db: Database;
beforeEach(async () => {
  folder = mkdtempSync(join(tmpdir(), 'spatium-audit-'));
  db = await openStore(join(folder, 'shop.db'));
});
afterEach(() => {
  db.$client.close();
  rmSync(folder, { recursive: true, force: true });
});

const as = (by: string, person: string | null = null) => ({
  by,
  asking: { person: person === null ? null : { id: person } },
});
const at = (minute: number) => new Date(Date.UTC(2026, 4, 4, 9, minute));
const note = (n: number) => noteDone(db, 'saveChart', { of: `c${n}`, says: `version ${n}` }, as('KM', 'p1'), at(n));

describe('the audit', () => {
  it('is read the latest first, and on from where it was read to: each once', async () => {
    for (let n = 1; n <= 7; n += 1) await note(n);
    const first = await auditBefore(db, null, 3);
    expect(first.map((a) => a.of)).toEqual(['c7', 'c6', 'c5']);
    const rest = await auditBefore(db, first.at(-1)?.seq ?? 0, 10);
    expect(rest.map((a) => a.of)).toEqual(['c4', 'c3', 'c2', 'c1']);
    expect(first[0]).toMatchObject({ at: '2026-05-04T09:07:00.000Z', by: 'KM', person: 'p1', act: 'saveChart' });
  });

  it('says whose act it was where that is another than who asks, and whose no people are set up', async () => {
    await noteDone(db, 'signIn', { of: 'AW', says: 'in', by: 'AW' }, as(''));
    expect(await auditBefore(db, null, 1)).toMatchObject([{ by: 'AW', person: null }]);
  });

  it('keeps of what is long its beginning', async () => {
    await noteDone(db, 'saveChart', { of: 'o'.repeat(900), says: 's'.repeat(900) }, as('KM'));
    const [kept] = await auditBefore(db, null, 1);
    expect([kept?.of.length, kept?.says.length]).toEqual([200, 500]);
  });

  it('is a table, the first first, with cells that no spreadsheet takes for a formula', async () => {
    await note(1);
    await noteDone(db, 'addPerson', { of: 'AW', says: '=1+1' }, as('KM'), at(2));
    expect(
      (await auditTable(db))
        .replace(/^\uFEFF/, '')
        .trim()
        .split(/\r?\n/),
    ).toEqual([
      'at_utc,by,act,of,says',
      '2026-05-04T09:01:00.000Z,KM,saveChart,c1,version 1',
      "2026-05-04T09:02:00.000Z,KM,addPerson,AW,'=1+1",
    ]);
  });
});
