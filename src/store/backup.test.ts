import { existsSync, mkdtempSync, readFileSync, readdirSync, rmSync, truncateSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { gap, jobEntry, reading, record } from '@/fixtures/records';
import { fromThou } from '@/core/quantity/length';
import { backUp, backUpNightly, backupFolder, checkCopy, copyNamed, keptCopies, restore } from './backup';
import { createBuild } from './builds';
import { appendEntries, loadBuild, standOf } from './log';
import { people, sessions } from './schema';
import { shelf } from './shelf';
import { readShelfAsk } from '@/ui/shelf/ask';
import { IS_ON_SERVER, openStore, storeAt } from '@/fixtures/stores';
import type { Database } from './open';

let folder: string;
let url: string;
let db: Database;
beforeEach(async () => {
  folder = mkdtempSync(join(tmpdir(), 'spatium-backup-'));
  url = await storeAt(join(folder, 'shop.db'));
  db = await openStore(join(folder, 'shop.db'));
  await createBuild(db, record(gap('a', 'L1', 'top', 22)));
});
afterEach(() => {
  db.$client.close();
  rmSync(folder, { recursive: true, force: true });
});

const read = (n: number) => reading(`n${n}`, 'L1', 'top', fromThou(20 + (n % 5)));
const id = record().id;

describe('a copy of everything', () => {
  it('is one file that opens by itself with all entries, while a bench goes on writing', async () => {
    const copy = join(folder, 'copies', 'c.db');
    let n = 0;
    const over = { is: false };
    const writing = (async () => {
      while (!over.is) {
        await appendEntries(db, id, [read((n += 1))]);
        await new Promise((resolve) => setTimeout(resolve));
      }
    })();
    const found = await backUp(url, copy);
    over.is = true;
    await writing;
    expect(readdirSync(join(folder, 'copies'))).toEqual(['c.db']);
    const own = await openStore(copy);
    const [there, here] = [await loadBuild(own, id), await loadBuild(db, id)];
    own.$client.close();
    // as it stood at one moment: the first so many entries, none out of turn
    expect(there?.record.entries).toEqual(here?.record.entries.slice(0, there?.record.entries.length));
    expect(found).toEqual({ builds: 1, entries: there?.record.entries.length, people: 0 });
    expect(n).toBeGreaterThan(0);
  });

  it('writes over nothing, and leaves nothing half done', async () => {
    const copy = join(folder, 'c.db');
    writeFileSync(copy, 'mine');
    await expect(backUp(url, copy)).rejects.toThrow('is there already');
    await expect(backUp(join(folder, 'no', 'such', '\0'), join(folder, 'd.db'))).rejects.toThrow();
    expect(readdirSync(folder).filter((name) => name.includes('.part') || name === 'd.db')).toEqual([]);
  });

  it('that is no database, or was cut short, is refused, and nothing is changed by it', async () => {
    const [none, short] = [join(folder, 'none.db'), join(folder, 'short.db')];
    writeFileSync(none, 'x'.repeat(5_000));
    await backUp(url, short);
    truncateSync(short, 20_000);
    for (const bad of [none, short, join(folder, 'nowhere.db')])
      await expect(restore(url, bad, join(folder, 'kept'))).rejects.toThrow(/no database|damaged|no file/);
    expect((await loadBuild(db, id))?.record.entries).toHaveLength(2);
    expect(existsSync(join(folder, 'kept'))).toBe(false);
  });
});

describe('putting a copy back', () => {
  it('one whose index no longer says what its table does is refused', async () => {
    const copy = join(folder, 'c.db');
    await appendEntries(db, id, [read(1), read(2)]);
    await backUp(url, copy);
    // as a disk that failed leaves it: it opens and reads, and one row of an index is another
    const bytes = readFileSync(copy);
    const text = bytes.toString('latin1');
    const at = [...text.matchAll(/testn1(?!reading)/g)].map((found) => found.index);
    expect(at.length).toBeGreaterThan(0);
    for (const i of at) bytes.write('testn7', i, 'latin1');
    writeFileSync(copy, bytes);
    await expect(restore(url, copy, join(folder, 'kept'))).rejects.toThrow(/damaged/);
    expect((await loadBuild(db, id))?.record.entries).toHaveLength(4);
  });

  it('signs everybody out: a session of the copy’s time opens nothing', async () => {
    const now = new Date();
    const stamps = { createdAt: now, updatedAt: now };
    await db.insert(people).values({ ...stamps, id: 'p', name: 'Kim', email: 'p@people.invalid', emailVerified: true });
    const session = { ...stamps, token: 't', userId: 'p', expiresAt: new Date(now.getTime() + 1e9) };
    await db.insert(sessions).values({ ...session, id: 's' });
    const copy = join(folder, 'c.db');
    await backUp(url, copy);
    await db.insert(sessions).values({ ...session, id: 's2', token: 't2' });
    await restore(url, copy, join(folder, 'kept'));
    expect(await db.select().from(people)).toHaveLength(1);
    expect(await db.select().from(sessions)).toEqual([]);
  });

  it('brings everything back as it was, keeps what it replaces, and later entries count on', async () => {
    const copy = join(folder, 'c.db');
    await backUp(url, copy);
    const before = await loadBuild(db, id);
    await appendEntries(db, id, [read(1), read(2), read(3)]);
    await createBuild(db, { id: 'other', entries: [jobEntry()] });
    const highest = (await standOf(db, 'other'))?.seq ?? 0;
    const { restored, kept } = await restore(url, copy, join(folder, 'kept'));
    expect(restored).toEqual({ builds: 1, entries: 2, people: 0 });
    expect((await loadBuild(db, id))?.record).toEqual(before?.record);
    expect(await loadBuild(db, 'other')).toBeNull();
    expect(await checkCopy(kept)).toEqual({ builds: 2, entries: 6, people: 0 });
    const appended = await appendEntries(db, id, [read(4)]);
    expect(appended).toMatchObject({ ok: true });
    expect(appended.ok && appended.stand.seq).toBeGreaterThan(highest);
  });

  it('what was known before is told from what is known since, also once it is put back a second time', async () => {
    const copy = join(folder, 'c.db');
    await backUp(url, copy);
    expect((await standOf(db, id))?.before).toBe(0);
    await appendEntries(db, id, [read(1), read(2)]);
    const known = [(await standOf(db, id))?.seq ?? 0];
    const ids = (await loadBuild(db, id))?.record.entries.map((e) => e.id).slice(0, 2);
    for (let times = 0; times < 2; times += 1) {
      await restore(url, copy, join(folder, `kept-${times}`));
      const { seq = 0, before = 0 } = (await standOf(db, id)) ?? {};
      // every page from before is past, one opened now is not
      expect(known.every((position) => position <= before)).toBe(true);
      expect(seq).toBeGreaterThan(before);
      expect((await loadBuild(db, id))?.record.entries.map((e) => e.id)).toEqual(ids);
      expect((await loadBuild(db, id))?.seq).toBe(seq);
      expect((await shelf(db, readShelfAsk({}))).cards).toMatchObject([{ id, lastSeq: seq, judgedSeq: seq }]);
      known.push(seq);
    }
  });

  it('a page that was open on the machine it was made on is past on the one it is put into', async () => {
    const copy = join(folder, 'c.db');
    await appendEntries(db, id, [read(1), read(2)]);
    await backUp(url, copy);
    const known = (await standOf(db, id))?.seq ?? 0;
    const other = await openStore(join(folder, 'other.db'));
    await restore(await storeAt(join(folder, 'other.db')), copy, join(folder, 'kept'));
    const { seq = 0, before = 0 } = (await standOf(other, id)) ?? {};
    expect(known).toBeGreaterThan(0);
    expect(before).toBeGreaterThanOrEqual(known);
    expect(seq).toBeGreaterThan(before);
    other.$client.close();
  });
});

describe.skipIf(IS_ON_SERVER)('each night', () => {
  it('one copy a day, so many kept, and no other file touched', async () => {
    const at = (day: number) => new Date(Date.UTC(2026, 10, day, 2));
    for (let day = 1; day <= 5; day += 1) expect(await backUpNightly(url, 3, at(day))).not.toBeNull();
    expect(await backUpNightly(url, 3, at(5))).toBeNull();
    await backUp(url, join(backupFolder(url), 'copy-mine.db'));
    await backUpNightly(url, 3, at(6));
    expect(readdirSync(backupFolder(url)).sort()).toEqual([
      'copy-mine.db',
      'nightly-2026-11-04.db',
      'nightly-2026-11-05.db',
      'nightly-2026-11-06.db',
    ]);
    expect(keptCopies(backupFolder(url)).map((c) => c.name)).toHaveLength(4);
    expect(copyNamed(backupFolder(url), 'copy-mine.db')).toBe(join(backupFolder(url), 'copy-mine.db'));
    expect(copyNamed(backupFolder(url), '../shop.db')).toBeNull();
  });
});
