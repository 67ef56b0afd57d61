import {
  chmodSync,
  cpSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readFileSync,
  readdirSync,
  rmSync,
  statSync,
  truncateSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { gap, jobEntry, reading, record } from '@/fixtures/records';
import { fromThou } from '@/core/foundation/quantity/length';
import { backUp, backUpNightly, backupFolder, checkCopy, copyName, copyNamed, keptCopies, restore } from './backup';
import { createBuild } from './builds';
import { appendEntries, loadBuild, positionOf } from './log';
import { sweepWork } from './privateFiles';
import { accounts, people, sessions, tries, verifications } from './schema';
import { shopSecret } from './secret';
import { updateDatabase } from './update';
import { shelf } from './shelf';
import { readShelfAsk } from '@/ui/shelf/urlParams';
import { IS_ON_SERVER, openStore, storeAt } from '@/fixtures/stores';
import { type Database, openDatabase } from './open';
import { createClient } from '@libsql/client';

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
    await expect(backUp(url, copy)).rejects.toThrow('exists already');
    await expect(backUp(join(folder, 'no', 'such', '\0'), join(folder, 'd.db'))).rejects.toThrow();
    expect(readdirSync(folder).filter((name) => name.includes('.part') || name === 'd.db')).toEqual([]);
  });

  it('that is no database, or was cut short, is refused, and nothing is changed by it', async () => {
    const [none, short] = [join(folder, 'none.db'), join(folder, 'short.db')];
    writeFileSync(none, 'x'.repeat(5_000));
    await backUp(url, short);
    truncateSync(short, 20_000);
    for (const bad of [none, short, join(folder, 'nowhere.db')])
      await expect(restore(url, bad, join(folder, 'kept'))).rejects.toThrow(/not a database|damaged|no file/);
    expect((await loadBuild(db, id))?.record.entries).toHaveLength(2);
    expect(readdirSync(join(folder, 'kept'))).toEqual([]);
  });
});

/** Bytes of a file with one text in place of another as long. */
function alter(file: string, from: string, to: string): void {
  const bytes = readFileSync(file);
  const text = bytes.toString('latin1');
  const at = [...text.matchAll(new RegExp(from, 'g'))].map((found) => found.index);
  expect(at.length).toBeGreaterThan(0);
  for (const i of at) bytes.write(to, i, 'latin1');
  writeFileSync(file, bytes);
}

const modeOf = (path: string): number => statSync(path).mode & 0o777;

/** A database of the program as it was before a step, with a build in it; its file. */
async function oldDatabase(before: number): Promise<string> {
  const migrations = join(folder, 'migrations');
  cpSync('src/store/migrations', migrations, { recursive: true });
  const journal = join(migrations, 'meta', '_journal.json');
  const { entries, ...rest } = JSON.parse(readFileSync(journal, 'utf8')) as { entries: { idx: number }[] };
  writeFileSync(journal, JSON.stringify({ ...rest, entries: entries.filter(({ idx }) => idx < before) }));
  const file = join(folder, 'old.db');
  const old = await openDatabase(file, migrations);
  const job = jobEntry();
  await old.$client.execute(
    `INSERT INTO builds (id, created_at, updated_at, name) VALUES ('from-long-ago', 'x', 'x', '')`,
  );
  await old.$client.execute({
    sql: `INSERT INTO log (build_id, entry_id, kind, body, shape) VALUES ('from-long-ago', 'job-1', 'job', ?, 0)`,
    args: [JSON.stringify(job)],
  });
  await old.$client.execute('PRAGMA wal_checkpoint(TRUNCATE)');
  old.$client.close();
  return file;
}

describe('what a backup may be read by, and is known by', () => {
  it('carries nothing that signs anybody in, not even in pages that were freed', async () => {
    const now = new Date();
    const stamps = { createdAt: now, updatedAt: now };
    await db.insert(people).values({ ...stamps, id: 'p', name: 'Kim', email: 'p@people.invalid', emailVerified: true });
    const expiresAt = new Date(now.getTime() + 1e9);
    await db.insert(sessions).values({ ...stamps, id: 's', token: 'token-of-a-session', userId: 'p', expiresAt });
    await db
      .insert(verifications)
      .values({ ...stamps, id: 'v', identifier: 'code-of-a-device', value: 'x', expiresAt });
    await db.insert(tries).values({ of: 'name of-a-guesser', failed: 3, lastAt: 0 });
    const secret = await shopSecret(db);
    const copy = join(folder, 'c.db');
    await backUp(url, copy);
    const bytes = readFileSync(copy).toString('latin1');
    expect(bytes).toContain('Kim');
    for (const kept of [secret, 'token-of-a-session', 'code-of-a-device', 'of-a-guesser'])
      expect(bytes).not.toContain(kept);
    // elsewhere the shop signs with a secret of its own; here with the one it had
    const other = await openStore(join(folder, 'other.db'));
    await restore(await storeAt(join(folder, 'other.db')), copy, join(folder, 'kept'), { leaveNobody: true });
    expect(await shopSecret(other)).not.toBe(secret);
    other.$client.close();
    await restore(url, copy, join(folder, 'kept'));
    expect(await shopSecret(db)).toBe(secret);
  });

  it('is private to the account it was made by, like the database and their folder', async () => {
    const open = join(folder, 'open.db');
    writeFileSync(open, '', { mode: 0o644 });
    chmodSync(open, 0o644);
    const at = join(folder, 'new', 'shop.db');
    for (const file of [open, at]) {
      const own = await openDatabase(file);
      await createBuild(own, record());
      for (const end of ['', '-wal']) expect(modeOf(file + end)).toBe(0o600);
      own.$client.close();
    }
    expect(modeOf(join(folder, 'new'))).toBe(0o700);
    const made = join(backupFolder(at), copyName());
    await backUp(at, made);
    expect([modeOf(made), modeOf(backupFolder(at))]).toEqual([0o600, 0o700]);
  });

  it('is refused with one digit of a reading altered, which a check by SQLite does not see', async () => {
    const copy = join(folder, 'c.db');
    await backUp(url, copy);
    alter(copy, '"value":558800', '"value":568800');
    await expect(restore(url, copy, join(folder, 'kept'))).rejects.toThrow(/changed or damaged/);
    expect((await loadBuild(db, id))?.record.entries).toHaveLength(2);
  });

  it('an empty file, another program’s database and a shop’s own database are not backups', async () => {
    const [empty, foreign, own] = ['empty.db', 'foreign.db', 'own.db'].map((name) => join(folder, name)) as [
      string,
      string,
      string,
    ];
    writeFileSync(empty, '');
    const other = createClient({ url: `file:${foreign}` });
    await other.execute('CREATE TABLE builds (id TEXT)');
    other.close();
    const shop = await openDatabase(own);
    await shop.$client.execute('PRAGMA wal_checkpoint(TRUNCATE)');
    shop.$client.close();
    for (const [file, why] of [
      [empty, /lacks the tables/],
      [foreign, /lacks the tables/],
      [own, /not a backup: it has no seal/],
    ] as const)
      await expect(restore(url, file, join(folder, 'kept'))).rejects.toThrow(why);
    expect((await loadBuild(db, id))?.record.entries).toHaveLength(2);
  });

  it('a database is updated with what is done said before, and a backup of it as it was', async () => {
    const file = await oldDatabase(11);
    const said: string[] = [];
    await updateDatabase(file, (line) => said.push(line));
    expect(said.join('\n')).toMatch(/1 steps will be applied \(0011_stage_at_work\)[^]*before-update-[^]*up to date/);
    const kept = readdirSync(backupFolder(file)).filter((name) => name.startsWith('before-update-'));
    expect(kept).toHaveLength(1);
    await updateDatabase(file, (line) => said.push(line));
    expect(said).toHaveLength(3);
    await restore(url, join(backupFolder(file), kept[0] ?? ''), join(folder, 'kept'));
    expect(await loadBuild(db, 'from-long-ago')).not.toBeNull();
  });

  it('so is one from before there were people, whose backup has none of their tables', async () => {
    const file = await oldDatabase(7);
    await updateDatabase(file, () => undefined);
    const [kept = ''] = readdirSync(backupFolder(file));
    expect(await checkCopy(join(backupFolder(file), kept), folder)).toMatchObject({ builds: 1, people: 0 });
  });

  it('one from before backups were sealed is restored', async () => {
    await oldDatabase(10);
    await restore(url, join(folder, 'old.db'), join(folder, 'kept'));
    expect(await loadBuild(db, 'from-long-ago')).not.toBeNull();
  });

  it('one that nobody could sign in with does not take the place of a shop with people, unless that is asked for', async () => {
    const copy = join(folder, 'c.db');
    await backUp(url, copy);
    const now = new Date();
    const stamps = { createdAt: now, updatedAt: now };
    await db.insert(people).values({ ...stamps, id: 'p', name: 'Kim', email: 'p@people.invalid', emailVerified: true });
    await db.insert(accounts).values({ ...stamps, id: 'a', accountId: 'a', providerId: 'credential', userId: 'p' });
    await expect(restore(url, copy, join(folder, 'kept'))).rejects.toThrow(/nobody who can sign in/);
    expect(await db.select().from(people)).toHaveLength(1);
    await restore(url, copy, join(folder, 'kept'), { leaveNobody: true });
    expect(await db.select().from(people)).toEqual([]);
  });
});

describe('putting a copy back', () => {
  it('loses no entry that was acknowledged: each is in the shop, or in what is kept', async () => {
    const copy = join(folder, 'c.db');
    await backUp(url, copy);
    const acknowledged: string[] = [];
    const over = { is: false };
    const writers = Array.from({ length: 4 }, async (_, w) => {
      const own = await openDatabase(url);
      for (let n = 0; !over.is; n += 1) {
        const entry = reading(`w${w}-${n}`, 'L1', 'top', fromThou(20));
        const appended = await appendEntries(own, id, [entry]).catch(() => null);
        if (appended?.ok) acknowledged.push(entry.id);
        await new Promise((resolve) => setTimeout(resolve, 1));
      }
      own.$client.close();
    });
    const found = new Set<string>();
    for (let times = 1; times <= 3; times += 1) {
      while (acknowledged.length < times * 10) await new Promise((resolve) => setTimeout(resolve, 5));
      const { kept } = await restore(url, copy, join(folder, 'kept'));
      const before = await openStore(kept);
      for (const entry of (await loadBuild(before, id))?.record.entries ?? []) found.add(entry.id);
      before.$client.close();
    }
    over.is = true;
    await Promise.all(writers);
    for (const entry of (await loadBuild(db, id))?.record.entries ?? []) found.add(entry.id);
    expect(acknowledged.filter((entry) => !found.has(entry))).toEqual([]);
  });

  it('one whose index no longer says what its table does is refused', async () => {
    const copy = join(folder, 'c.db');
    await appendEntries(db, id, [read(1), read(2)]);
    await backUp(url, copy);
    // as a disk that failed leaves it: it opens and reads, and one row of an index is another
    alter(copy, 'testn1(?!reading)', 'testn7');
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
    const highest = (await positionOf(db, 'other'))?.seq ?? 0;
    const { restored, kept } = await restore(url, copy, join(folder, 'kept'));
    expect(restored).toEqual({ builds: 1, entries: 2, people: 0 });
    expect((await loadBuild(db, id))?.record).toEqual(before?.record);
    expect(await loadBuild(db, 'other')).toBeNull();
    expect(await checkCopy(kept, folder)).toEqual({ builds: 2, entries: 6, people: 0 });
    const appended = await appendEntries(db, id, [read(4)]);
    expect(appended).toMatchObject({ ok: true });
    expect(appended.ok && appended.stand.seq).toBeGreaterThan(highest);
  });

  it('what was known before is told from what is known since, also once it is put back a second time', async () => {
    const copy = join(folder, 'c.db');
    await backUp(url, copy);
    expect((await positionOf(db, id))?.restoredAt).toBe(0);
    await appendEntries(db, id, [read(1), read(2)]);
    const known = [(await positionOf(db, id))?.seq ?? 0];
    const ids = (await loadBuild(db, id))?.record.entries.map((e) => e.id).slice(0, 2);
    for (let times = 0; times < 2; times += 1) {
      await restore(url, copy, join(folder, `kept-${times}`));
      const { seq = 0, restoredAt: before = 0 } = (await positionOf(db, id)) ?? {};
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
    const known = (await positionOf(db, id))?.seq ?? 0;
    const other = await openStore(join(folder, 'other.db'));
    await restore(await storeAt(join(folder, 'other.db')), copy, join(folder, 'kept'));
    const { seq = 0, restoredAt: before = 0 } = (await positionOf(other, id)) ?? {};
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
    expect(
      readdirSync(backupFolder(url))
        .sort()
        .map((name) => name.replace(/-[0-9a-f]{24}\./, '-….')),
    ).toEqual(['copy-mine.db', 'nightly-2026-11-04-….db', 'nightly-2026-11-05-….db', 'nightly-2026-11-06-….db']);
    expect(keptCopies(backupFolder(url)).map((c) => c.name)).toHaveLength(4);
    expect(copyNamed(backupFolder(url), 'copy-mine.db')).toBe(join(backupFolder(url), 'copy-mine.db'));
    expect(copyNamed(backupFolder(url), '../shop.db')).toBeNull();
  });

  it('two processes at once make one', async () => {
    const at = new Date(Date.UTC(2026, 10, 9, 2));
    const made = await Promise.all([1, 2, 3].map(() => backUpNightly(url, 3, at)));
    expect(made.filter((file) => file !== null)).toHaveLength(1);
    expect(readdirSync(backupFolder(url))).toHaveLength(1);
  });

  it('what a killed process left is removed, what a running one uses is not', async () => {
    const backups = backupFolder(url);
    const left = join(backups, '.work-999999999-x');
    const used = join(backups, `.work-${process.pid}-x`);
    for (const work of [left, used]) mkdirSync(work, { recursive: true });
    sweepWork(backups);
    expect([existsSync(left), existsSync(used)]).toEqual([false, true]);
    await backUp(url, join(backups, copyName()));
    expect(existsSync(used)).toBe(true);
  });
});
