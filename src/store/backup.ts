/** Copies of everything, each one consistent file; and putting one back. */
import { copyFileSync, existsSync, mkdirSync, mkdtempSync, readdirSync, renameSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { basename, dirname, join, resolve } from 'node:path';
import { pathToFileURL } from 'node:url';
import { type Client, type InValue, type ResultSet, type Transaction, createClient } from '@libsql/client';
import { getTableConfig } from 'drizzle-orm/sqlite-core';
import { type Database, StoreRefused, fileOf, openDatabase } from './open';
import { PUT_BACK } from './log';
import * as tables from './schema';

/** All tables, those that others refer to first. */
const TABLES = [
  tables.builds,
  tables.log,
  tables.charts,
  tables.instruments,
  tables.rates,
  tables.shop,
  tables.people,
  tables.accounts,
  tables.sessions,
  tables.verifications,
  tables.tries,
  tables.audit,
].map((table) => {
  const { name, columns } = getTableConfig(table);
  return { name, columns: columns.map((c) => c.name) };
});

/** Rows read at once, and values a statement holds at most. */
const PAGE = 500;
const MOST_VALUES = 900;

const quoted = (name: string): string => `"${name}"`;

type Asks = Pick<Client | Transaction, 'execute'>;

/** Copies all rows of all tables, those that are there already taken out before. How many there were. */
async function copyRows(from: Asks, to: Asks): Promise<number> {
  for (const { name } of TABLES.toReversed()) await to.execute(`DELETE FROM ${quoted(name)}`);
  let copied = 0;
  for (const { name, columns } of TABLES) {
    const listed = columns.map(quoted).join(', ');
    let after: InValue = -1;
    for (;;) {
      const { rows }: ResultSet = await from.execute({
        sql: `SELECT rowid AS "row number", ${listed} FROM ${quoted(name)} WHERE rowid > ? ORDER BY rowid LIMIT ${PAGE}`,
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
      copied += rows.length;
    }
  }
  return copied;
}

/** What stands in a copy. */
export interface Copy {
  builds: number;
  entries: number;
  people: number;
}

const counted = async (db: Asks): Promise<Copy> => {
  const { rows } = await db.execute(
    'SELECT (SELECT count(*) FROM builds) AS builds, (SELECT count(*) FROM log) AS entries, (SELECT count(*) FROM people) AS people',
  );
  const [row] = rows;
  return { builds: Number(row?.builds), entries: Number(row?.entries), people: Number(row?.people) };
};

/** A database file as it is, for this process alone. */
const plainClient = (file: string): Client => createClient({ url: pathToFileURL(file).href });

const FLAWLESS = 'ok';

/** Opens a copy of a copy, brought up to this program's tables, whatever wrote it; it is gone once the work is done. */
async function withCopyOf<T>(file: string, work: (db: Database) => Promise<T>): Promise<T> {
  const folder = mkdtempSync(join(tmpdir(), 'spatium-copy-'));
  try {
    const own = join(folder, 'copy.db');
    copyFileSync(file, own);
    const client = plainClient(own);
    let state: unknown;
    try {
      state = (await client.execute('PRAGMA integrity_check')).rows[0]?.integrity_check;
    } catch (error) {
      throw new StoreRefused(`${file} is no database: ${error instanceof Error ? error.message : String(error)}`);
    } finally {
      client.close();
    }
    if (state !== FLAWLESS) throw new StoreRefused(`${file} is damaged: ${String(state).slice(0, 200)}`);
    const db = await openDatabase(own);
    try {
      return await work(db);
    } finally {
      db.$client.close();
    }
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

/**
 * Checks a copy: that it can be read, is whole, is this program's, and what stands in it.
 *
 * @throws StoreRefused that says what is wrong with it
 */
export async function checkCopy(file: string): Promise<Copy> {
  if (!existsSync(file)) throw new StoreRefused(`There is no file ${file}.`);
  return withCopyOf(file, (db) => counted(db.$client));
}

/**
 * Writes everything into one file, as it stands at one moment while benches go on writing, and checks it.
 *
 * @param url of the database
 * @throws StoreRefused where the file is there already, or the copy is not whole
 */
export async function backUp(url: string, file: string): Promise<Copy> {
  if (existsSync(file)) throw new StoreRefused(`${file} is there already: nothing is written over.`);
  mkdirSync(dirname(resolve(file)), { recursive: true });
  const half = `${file}.part`;
  rmSync(half, { force: true });
  try {
    const db = await openDatabase(url);
    try {
      if (fileOf(url) !== null) await db.$client.execute({ sql: 'VACUUM INTO ?', args: [half] });
      else await copyFromServer(db, half);
    } finally {
      db.$client.close();
    }
    const copy = await checkCopy(half);
    renameSync(half, file);
    return copy;
  } finally {
    // what was written beside it is in it by now
    for (const beside of ['', '-wal', '-shm']) rmSync(half + beside, { force: true });
  }
}

async function copyFromServer(db: Database, file: string): Promise<void> {
  const copy = await openDatabase(file);
  const [from, to] = [await db.$client.transaction('read'), await copy.$client.transaction('write')];
  try {
    await copyRows(from, to);
    await to.commit();
  } finally {
    from.close();
    to.close();
    await copy.$client.execute('PRAGMA wal_checkpoint(TRUNCATE)');
    copy.$client.close();
  }
}

export interface Restored {
  restored: Copy;
  /** Where what was there before is kept. */
  kept: string;
}

/** A moment as it stands in a file's name. */
const stamped = (at: Date): string => at.toISOString().replace(/[:.]/g, '-').replace('Z', '');

/** The highest position there ever was in the log. */
async function highestOf(db: Asks): Promise<number> {
  const { rows } = await db.execute("SELECT max(seq) AS seq FROM sqlite_sequence WHERE name = 'log'");
  return Number(rows[0]?.seq ?? 0);
}

/**
 * Moves the log past every position there ever was. A page that was opened before, or was kept in a browser, knows the
 * log up to a position that is past then: it is told so, and nobody takes what it shows for what is on record.
 */
async function moveOn(to: Asks, by: number): Promise<void> {
  await to.execute({ sql: 'UPDATE log SET seq = seq + ?', args: [by] });
  await to.execute({
    sql: 'UPDATE builds SET last_seq = last_seq + ?1, judged_seq = judged_seq + ?1',
    args: [by],
  });
  await to.execute("UPDATE sqlite_sequence SET seq = (SELECT coalesce(max(seq), 0) FROM log) WHERE name = 'log'");
  await to.execute({
    sql: 'INSERT INTO shop (key, value) VALUES (?, ?) ON CONFLICT (key) DO UPDATE SET value = excluded.value',
    args: [PUT_BACK, String(by)],
  });
}

/**
 * Puts a copy in the place of everything there is, at once or not at all, and keeps what it replaces. Everybody signs in
 * anew, and pages that are open are loaded again.
 *
 * @throws StoreRefused where the copy is not sound; nothing is changed then
 */
export async function restore(url: string, file: string, folder: string, now = new Date()): Promise<Restored> {
  const restored = await checkCopy(file);
  const kept = join(folder, `before-restore-${stamped(now)}.db`);
  await backUp(url, kept);
  await withCopyOf(file, async (copy) => {
    const db = await openDatabase(url);
    const to = await db.$client.transaction('write');
    try {
      const highest = Math.max(await highestOf(to), await highestOf(copy.$client));
      await copyRows(copy.$client, to);
      await to.execute('DELETE FROM sessions');
      await moveOn(to, highest);
      await to.commit();
    } finally {
      to.close();
      db.$client.close();
    }
  });
  return { restored, kept };
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

const NIGHTLY = /^nightly-\d{4}-\d{2}-\d{2}\.db$/;
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

/** The name of a copy made now by hand. */
export const copyName = (now = new Date()): string => `copy-${stamped(now)}.db`;

/** Tonight's copy, unless it is there; older ones than are kept are dropped. Its file, null where none was due. */
export async function backUpNightly(url: string, keep: number, now = new Date()): Promise<string | null> {
  const folder = backupFolder(url);
  const file = join(folder, `nightly-${now.toISOString().slice(0, 10)}.db`);
  if (existsSync(file)) return null;
  await backUp(url, file);
  const old = keptCopies(folder)
    .map(({ name }) => name)
    .filter((name) => NIGHTLY.test(name))
    .sort()
    .reverse()
    .slice(keep);
  for (const name of old) rmSync(join(folder, name), { force: true });
  return file;
}
