import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { fromThou } from '@/core/foundation/quantity/length';
import { STARTING_CURVE } from '@/core/models/charts/startingCurve';
import { STARTING_INSTRUMENTS } from '@/core/foundation/uncertainty/startingInstruments';
import { LibsqlServer } from '@/fixtures/libsqlServer';
import type { Entry } from '@/core/judge/buildRecord';
import { gap, job, reading, record } from '@/fixtures/records';
import { readShelfAsk } from '@/ui/shelf/urlParams';
import { archiveOf, importArchive } from './archive';
import { backUp, checkCopy, restore } from './backup';
import { createBuild, setRemoved } from './builds';
import { addChart, chartVersions, saveChart } from './charts';
import { archivedItems } from './archived';
import { keptInstruments, saveInstrument } from './instruments';
import { appendEntries, entriesSince, loadBuild, positionOf } from './log';
import { type Database, openDatabase } from './open';
import { shelf } from './shelf';
import { databaseErrorOf } from './databaseErrors';

let folder: string;
let server: LibsqlServer;
const opened: Database[] = [];
const open = async (): Promise<Database> => {
  const db = await openDatabase(server.url);
  opened.push(db);
  return db;
};
beforeEach(async () => {
  folder = mkdtempSync(join(tmpdir(), 'spatium-remote-'));
  server = new LibsqlServer(join(folder, 'server.db'));
  await server.start();
});
afterEach(async () => {
  for (const db of opened.splice(0)) db.$client.close();
  await server.stop();
  rmSync(folder, { recursive: true, force: true });
});

const { id } = record();
const read = (n: string) => reading(n, 'L1', 'top', fromThou(22));
const ids = async (db: Database): Promise<string[]> =>
  ((await loadBuild(db, id))?.record.entries ?? []).map((e) => e.id);

/** As a browser sends what waits: again and again, until it is acknowledged. */
async function sent(db: Database, name: string): Promise<number> {
  for (let tries = 1; ; tries += 1) {
    try {
      const appended = await appendEntries(db, id, [read(name)]);
      if (appended.ok) return tries;
      throw new Error(JSON.stringify(appended));
    } catch (error) {
      if (!databaseErrorOf(error)) throw error;
    }
    if (tries > 200) throw new Error('never');
  }
}

describe('on a database server', () => {
  it('builds, logs, the shelf, charts, tools and the drawer are as in a file', async () => {
    const db = await open();
    const first = record(gap('a', 'L1', 'top', 22));
    expect(await createBuild(db, first)).toBe('created');
    expect(await createBuild(db, first)).toBe('already here');
    expect(await appendEntries(db, id, [read('b'), read('c')])).toMatchObject({ ok: true, conflicts: [] });
    expect(await appendEntries(db, id, [read('b')])).toMatchObject({ ok: true });
    const other = await open();
    expect(await ids(other)).toEqual(['job-1', 'a', 'b', 'c']);
    expect(await entriesSince(other, id, ((await positionOf(other, id))?.seq ?? 0) - 1)).toMatchObject({
      entries: [{ id: 'c' }],
    });
    const later: Entry = {
      ...{ id: 'job-2', at: '2026-05-04T10:00:00.000Z', by: 'AW', kind: 'job', replaces: null },
      value: { ...job, name: 'Second' },
    };
    expect(await appendEntries(other, id, [later])).toMatchObject({ conflicts: [{ id: 'job-2' }] });
    expect((await shelf(db, readShelfAsk({}))).cards).toMatchObject([{ id }]);
    const chart = await addChart(db, 'own', STARTING_CURVE, 'KM', null);
    expect(await saveChart(other, chart, 1, 'AW')).toMatchObject({ ok: true });
    expect(await saveChart(db, chart, 1, 'KM')).toMatchObject({ ok: false });
    expect(await chartVersions(db, 'own')).toHaveLength(2);
    const [tool] = STARTING_INSTRUMENTS;
    if (tool) expect(await saveInstrument(db, { ...tool, name: 'Ours' }, tool.version)).toMatchObject({ ok: true });
    expect((await keptInstruments(other)).map((i) => i.name)).toContain('Ours');
    await setRemoved(db, [id], true);
    expect(await archivedItems(other)).toMatchObject({ builds: [{ id }] });
  });

  it('two processes write at once, and nothing is lost or doubled', async () => {
    const [one, two] = [await open(), await open()];
    await createBuild(one, record());
    await Promise.all([one, two].flatMap((db, k) => Array.from({ length: 20 }, (_, n) => sent(db, `${k}-${n}`))));
    const all = await ids(one);
    expect(all).toHaveLength(41);
    expect(new Set(all).size).toBe(41);
  });

  it('with three answers in ten lost, nothing that is sent again is lost or doubled', async () => {
    const db = await open();
    await createBuild(db, record());
    server.faults.lost = 0.3;
    const tries = [];
    for (let n = 0; n < 30; n += 1) tries.push(await sent(db, `n${n}`));
    server.faults.lost = 0;
    expect(Math.max(...tries)).toBeGreaterThan(1);
    expect(await ids(db)).toEqual(['job-1', ...Array.from({ length: 30 }, (_, n) => `n${n}`)]);
  });

  it('gone and back, it goes on at once; meanwhile it is told that it does not answer', async () => {
    const db = await open();
    await createBuild(db, record());
    await server.stop();
    const error: unknown = await appendEntries(db, id, [read('a')]).catch((e: unknown) => e);
    expect(databaseErrorOf(error)).toMatchObject({ status: 503 });
    await server.start();
    expect(await sent(db, 'a')).toBe(1);
    expect(await ids(db)).toEqual(['job-1', 'a']);
  });

  it('one that takes the call and never answers is given up on', async () => {
    const db = await open();
    await createBuild(db, record());
    server.faults.isMute = true;
    const error: unknown = await positionOf(db, id).catch((e: unknown) => e);
    expect(databaseErrorOf(error)).toMatchObject({ status: 503 });
    server.faults.isMute = false;
    expect((await positionOf(db, id))?.seq).toBeGreaterThan(0);
  }, 30_000);

  it('a copy of it is a file, is put back, and the whole shop goes out and comes in', async () => {
    const db = await open();
    await createBuild(db, record(gap('a', 'L1', 'top', 22)));
    const copy = join(folder, 'copy.db');
    expect(await backUp(server.url, copy)).toEqual({ builds: 1, entries: 2, people: 0 });
    await sent(db, 'later');
    const { kept } = await restore(server.url, copy, join(folder, 'kept'));
    expect(await ids(db)).toEqual(['job-1', 'a']);
    expect(await checkCopy(kept, folder)).toMatchObject({ entries: 3 });
    const pieces: Uint8Array[] = [];
    for await (const piece of archiveOf(db)) pieces.push(piece);
    const there = await openDatabase(join(folder, 'there.db'));
    opened.push(there);
    writeFileSync(join(folder, 'shop.zip'), Buffer.concat(pieces));
    expect(await importArchive(there, join(folder, 'shop.zip'), folder)).toMatchObject({
      builds: { added: 1 },
      faults: [],
    });
    expect(await ids(there)).toEqual(['job-1', 'a']);
  });
});
