/** Backups: everything in one database file, without what signs anybody in; and restoring one. */
import { createHmac, randomBytes } from 'node:crypto';
import { copyFileSync, existsSync, linkSync, readdirSync, renameSync, rmSync, statSync } from 'node:fs';
import { basename, dirname, join, resolve } from 'node:path';
import { pathToFileURL } from 'node:url';
import { type Client, type InValue, type ResultSet, createClient } from '@libsql/client';
import { getTableConfig } from 'drizzle-orm/sqlite-core';
import { type Database, StoreRefused, fileOf, openDatabase } from './open';
import { RESTORED_AT } from './log';
import { privateFile, withWorkFolder } from './privateFiles';
import * as tables from './schema';
import { type Connection, checkSeal, noSeal, seal } from './backupSeal';
import { SECRET, shopSecret } from './secret';

const nameOf = (table: Parameters<typeof getTableConfig>[0]): string => getTableConfig(table).name;

/** What a backup carries, tables that others refer to first. Of the shop's settings all but the secret. */
const CARRIED = [
  tables.builds,
  tables.log,
  tables.charts,
  tables.instruments,
  tables.rates,
  tables.shop,
  tables.people,
  tables.accounts,
  tables.audit,
].map((table) => {
  const { name, columns } = getTableConfig(table);
  return { name, columns: columns.map((c) => c.name), where: table === tables.shop ? `key <> '${SECRET}'` : 'true' };
});

/** What signs somebody in, slows guessing, or is of the moment: a backup has none of it, and restoring ends all of it. */
const LEFT_OUT = [tables.sessions, tables.verifications, tables.tries, tables.servers].map(nameOf);

/** Rows read at once, and values a statement holds at most. */
const PAGE = 500;
const MOST_VALUES = 900;

const quoted = (name: string): string => `"${name}"`;

/** Replaces what a backup carries in one database by what another one has. */
async function copyRows(from: Connection, to: Connection): Promise<void> {
  for (const { name, where } of CARRIED.toReversed()) await to.execute(`DELETE FROM ${quoted(name)} WHERE ${where}`);
  for (const { name, columns, where } of CARRIED) {
    const listed = columns.map(quoted).join(', ');
    let after: InValue = -1;
    for (;;) {
      const { rows }: ResultSet = await from.execute({
        sql: `SELECT rowid AS "row number", ${listed} FROM ${quoted(name)} WHERE rowid > ? AND ${where} ORDER BY rowid LIMIT ${PAGE}`,
        args: [after],
      });
      const last = rows.at(-1);
      if (!last) break;
      after = last['row number'] ?? 0;
      const most = Math.max(1, Math.floor(MOST_VALUES / columns.length));
      for (let i = 0; i < rows.length; i += most) {
        const some = rows.slice(i, i + most);
        const one = `(${columns.map(() => '?').join(', ')})`;
        await to.execute({
          sql: `INSERT INTO ${quoted(name)} (${listed}) VALUES ${some.map(() => one).join(', ')}`,
          args: some.flatMap((row) => columns.map((c): InValue => row[c] ?? null)),
        });
      }
    }
  }
}

/** What a backup holds. */
export interface Copy {
  builds: number;
  entries: number;
  people: number;
}

async function countIn(db: Connection): Promise<Copy> {
  const { rows } = await db.execute(
    'SELECT (SELECT count(*) FROM builds) AS builds, (SELECT count(*) FROM log) AS entries, (SELECT count(*) FROM people) AS people',
  );
  const [row] = rows;
  return { builds: Number(row?.builds), entries: Number(row?.entries), people: Number(row?.people) };
}

/** Whether anybody can sign in. */
async function canSignIn(db: Connection): Promise<boolean> {
  const { rows } = await db.execute('SELECT 1 FROM accounts LIMIT 1');
  return rows.length > 0;
}

/** Does work on a database file as it is, without bringing it up to this program. */
async function withPlainFile<T>(file: string, work: (client: Client) => Promise<T>): Promise<T> {
  const client = createClient({ url: pathToFileURL(file).href });
  try {
    return await work(client);
  } finally {
    client.close();
  }
}

async function checkFile(file: string, named: string): Promise<void> {
  await withPlainFile(file, async (client) => {
    let state: unknown;
    try {
      state = (await client.execute('PRAGMA integrity_check')).rows[0]?.integrity_check;
    } catch (error) {
      throw new StoreRefused(`${named} is not a database: ${error instanceof Error ? error.message : String(error)}`);
    }
    if (state !== 'ok') throw new StoreRefused(`${named} is damaged: ${String(state).slice(0, 200)}`);
    await checkSeal(client, named);
  });
}

/** Checks a backup, then opens a copy of it that is brought up to this program's tables; the copy is gone once the work is done. */
async function withBackup<T>(file: string, folder: string, work: (db: Database) => Promise<T>): Promise<T> {
  if (!existsSync(file)) throw new StoreRefused(`There is no file ${file}.`);
  // a database that is, or was, in use: part of it stands there
  if ((statSync(`${file}-wal`, { throwIfNoEntry: false })?.size ?? 0) > 0) throw noSeal(file);
  return withWorkFolder(folder, async (own) => {
    const copy = join(own, 'copy.db');
    copyFileSync(file, copy);
    privateFile(copy);
    await checkFile(copy, file);
    const db = await openDatabase(copy);
    try {
      return await work(db);
    } finally {
      db.$client.close();
    }
  });
}

/**
 * Checks a backup: that it can be read, is whole, is this program's and as it was made; gives what it holds.
 *
 * @param folder that a copy is put in meanwhile
 * @throws StoreRefused that says what is wrong with it
 */
export const checkCopy = (file: string, folder: string): Promise<Copy> =>
  withBackup(file, folder, (db) => countIn(db.$client));

/** Writes what stands in a database at one moment to a file, seals and checks it. */
async function writeSealed(from: Connection, isFile: boolean, file: string, now: Date): Promise<Copy> {
  if (isFile) await from.execute({ sql: 'VACUUM INTO ?', args: [file] });
  else await copyFromServer(from, file);
  privateFile(file);
  const held = await withPlainFile(file, async (client) => {
    // what is deleted is overwritten, not left in free pages
    await client.execute('PRAGMA secure_delete = ON');
    // one of an older program may lack some
    const { rows } = await client.execute("SELECT name FROM sqlite_master WHERE type = 'table'");
    const there = new Set(rows.map((row) => row.name));
    for (const name of LEFT_OUT) if (there.has(name)) await client.execute(`DELETE FROM ${quoted(name)}`);
    if (there.has('shop')) await client.execute({ sql: 'DELETE FROM shop WHERE key = ?', args: [SECRET] });
    await seal(client, now);
    return there.has('people') ? countIn(client) : { builds: NaN, entries: NaN, people: 0 };
  });
  await checkFile(file, file);
  return held;
}

/** Of a database server: the rows of one transaction, by way of a database of this program's tables beside the file. */
async function copyFromServer(from: Connection, file: string): Promise<void> {
  const copy = await openDatabase(`${file}.rows`);
  const to = await copy.$client.transaction('write');
  try {
    await copyRows(from, to);
    await to.commit();
    await copy.$client.execute({ sql: 'VACUUM INTO ?', args: [file] });
  } finally {
    to.close();
    copy.$client.close();
  }
}

/**
 * Backs up a database file as it is, before its tables are brought up to this program's.
 *
 * @returns the file of the backup
 */
export async function backUpAsItIs(file: string, now = new Date()): Promise<string> {
  const folder = backupFolder(file);
  const kept = join(folder, `before-update-${stamped(now)}-${unguessable()}.db`);
  await withWorkFolder(folder, async (own) => {
    const made = join(own, 'made.db');
    await withPlainFile(file, (client) => writeSealed(client, true, made, now));
    await moveTo(made, kept);
  });
  return kept;
}

/** Puts a finished backup under its name, in one step. Whether it is there now by this call: another may have been first. */
async function moveTo(made: string, file: string): Promise<boolean> {
  const folder = dirname(resolve(file));
  return withWorkFolder(folder, (own) => {
    const beside = join(own, 'backup.db');
    copyFileSync(made, beside);
    privateFile(beside);
    if (existsSync(file)) return Promise.resolve(false);
    try {
      linkSync(beside, file);
    } catch (error) {
      if ((error as NodeJS.ErrnoException).code === 'EEXIST') return Promise.resolve(false);
      // a stick whose file system has no links
      renameSync(beside, file);
    }
    return Promise.resolve(true);
  });
}

const isThere = (file: string): StoreRefused => new StoreRefused(`${file} exists already and is not overwritten.`);

/**
 * Writes everything into one file, as it stands at one moment while benches go on writing, and checks it.
 *
 * @param url of the database
 * @throws StoreRefused where the file exists already, or the backup is not whole
 */
export async function backUp(url: string, file: string, now = new Date()): Promise<Copy> {
  if (existsSync(file)) throw isThere(file);
  return withWorkFolder(backupFolder(url), async (own) => {
    const made = join(own, 'made.db');
    const db = await openDatabase(url);
    try {
      const isFile = fileOf(url) !== null;
      const from = isFile ? db.$client : await db.$client.transaction('read');
      const held = await writeSealed(from, isFile, made, now);
      if (!isFile && 'closed' in from) from.close();
      if (!(await moveTo(made, file))) throw isThere(file);
      return held;
    } finally {
      db.$client.close();
    }
  });
}

export interface Restored {
  restored: Copy;
  /** Where what was there before is kept. */
  kept: string;
}

/** What makes a file's name one that nobody guesses. */
const unguessable = (): string => randomBytes(12).toString('hex');

/** A moment as it stands in a file's name. */
const stamped = (at: Date): string => at.toISOString().replace(/[:.]/g, '-').replace('Z', '');

/** The highest position there ever was in the log. */
async function highestOf(db: Connection): Promise<number> {
  const { rows } = await db.execute("SELECT max(seq) AS seq FROM sqlite_sequence WHERE name = 'log'");
  return Number(rows[0]?.seq ?? 0);
}

/**
 * Moves the log past every position there ever was. A page that was opened before, or was kept in a browser, knows the
 * log up to a position that is past then: it is told so, and nobody takes what it shows for what is on record.
 */
async function moveOn(to: Connection, by: number): Promise<void> {
  await to.execute({ sql: 'UPDATE log SET seq = seq + ?', args: [by] });
  await to.execute({
    sql: 'UPDATE builds SET last_seq = last_seq + ?1, judged_seq = judged_seq + ?1',
    args: [by],
  });
  await to.execute("UPDATE sqlite_sequence SET seq = (SELECT coalesce(max(seq), 0) FROM log) WHERE name = 'log'");
  await to.execute({
    sql: 'INSERT INTO shop (key, value) VALUES (?, ?) ON CONFLICT (key) DO UPDATE SET value = excluded.value',
    args: [RESTORED_AT, String(by)],
  });
}

/**
 * Puts a backup in the place of everything there is, at once or not at all, and keeps what it replaces. Nobody else
 * writes meanwhile: an entry that was acknowledged is in what is kept, or comes later. Everybody signs in anew, and
 * pages that are open are loaded again.
 *
 * @param folder that what is replaced is kept in
 * @param may.leaveNobody whether a backup without people may take the place of a shop with people
 * @throws StoreRefused where the backup is not sound; nothing is changed then
 */
export async function restore(
  url: string,
  file: string,
  folder: string,
  { now = new Date(), leaveNobody = false }: { now?: Date; leaveNobody?: boolean } = {},
): Promise<Restored> {
  return withBackup(file, folder, async (copy) => {
    const db = await openDatabase(url);
    const to = await db.$client.transaction('write');
    try {
      if (!leaveNobody && (await canSignIn(to)) && !(await canSignIn(copy.$client)))
        throw new StoreRefused(
          `${file} holds nobody who can sign in: whoever reaches this server would own it. Add --without-people to restore it all the same; the server then answers this machine alone.`,
        );
      const kept = join(folder, `before-restore-${stamped(now)}-${unguessable()}.db`);
      await withWorkFolder(folder, async (own) => {
        const made = join(own, 'made.db');
        const isFile = fileOf(url) !== null;
        // of a file by a second connection: this one holds the only right to write
        await writeSealed(isFile ? db.$client : to, isFile, made, now);
        await moveTo(made, kept);
      });
      const highest = Math.max(await highestOf(to), await highestOf(copy.$client));
      await copyRows(copy.$client, to);
      for (const name of LEFT_OUT) await to.execute(`DELETE FROM ${quoted(name)}`);
      await moveOn(to, highest);
      await to.commit();
      return { restored: await countIn(copy.$client), kept };
    } catch (error) {
      await to.rollback().catch(() => null);
      throw error;
    } finally {
      to.close();
      db.$client.close();
    }
  });
}

/** The folder that copies are kept in: beside the database, or beside the program's own data for a server. */
export function backupFolder(url: string): string {
  const file = fileOf(url);
  return join(file === null ? resolve('data') : dirname(file), 'backups');
}

/** A copy that is kept. */
export interface Kept {
  name: string;
  bytes: number;
  at: string;
}

const NIGHTLY = /^nightly-(\d{4}-\d{2}-\d{2})(?:-[0-9a-f]+)?\.db$/;
const COPY = /^[\w-]+\.db$/;

/** Copies that are kept, the latest first. */
export function keptCopies(folder: string): Kept[] {
  if (!existsSync(folder)) return [];
  return readdirSync(folder)
    .filter((name) => COPY.test(name))
    .map((name) => {
      const { size, mtime } = statSync(join(folder, name));
      return { name, bytes: size, at: mtime.toISOString() };
    })
    .sort((a, b) => b.at.localeCompare(a.at));
}

/** The file of a copy by its name; null for none that is kept. */
export const copyNamed = (folder: string, name: string): string | null =>
  keptCopies(folder).some((copy) => copy.name === name) ? join(folder, basename(name)) : null;

/** The name of a backup made now by hand. */
export const copyName = (now = new Date()): string => `backup-${stamped(now)}-${unguessable()}.db`;

/** The name of a night's backup: the same for all processes of a shop, so that two at once make one. */
async function nightlyName(url: string, day: string): Promise<string> {
  const db = await openDatabase(url);
  try {
    const mark = createHmac('sha256', await shopSecret(db))
      .update(`nightly ${day}`)
      .digest('hex')
      .slice(0, 24);
    return `nightly-${day}-${mark}.db`;
  } finally {
    db.$client.close();
  }
}

const dayOf = (name: string): string | null => NIGHTLY.exec(name)?.[1] ?? null;

/** Tonight's backup, unless it exists; older ones than are kept are deleted. Its file, null where none was due. */
export async function backUpNightly(url: string, keep: number, now = new Date()): Promise<string | null> {
  const folder = backupFolder(url);
  const day = now.toISOString().slice(0, 10);
  const nightly = (): string[] =>
    keptCopies(folder)
      .map(({ name }) => name)
      .filter((name) => dayOf(name) !== null)
      .sort()
      .reverse();
  if (nightly().some((name) => dayOf(name) === day)) return null;
  const file = join(folder, await nightlyName(url, day));
  try {
    await backUp(url, file, now);
  } catch (error) {
    // another process was first
    if (existsSync(file)) return null;
    throw error;
  }
  for (const name of nightly().slice(keep)) rmSync(join(folder, name), { force: true });
  return file;
}
