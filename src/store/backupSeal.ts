/**
 * The seal of a backup: a table in the backup alone, with a SHA-256 digest over its schema and all its rows. It tells a
 * backup from any other database, and shows damage that SQLite's own check cannot see, such as one altered digit.
 */
import { createHash } from 'node:crypto';
import type { Client, InValue, ResultSet, Transaction } from '@libsql/client';
import { StoreRefused } from './open';

export type Connection = Pick<Client | Transaction, 'execute'>;

const TABLE = 'backup_seal';
const FORMAT = 1;
const PAGE = 500;

/** Since this migration backups are sealed; earlier ones carry none. */
const SEALED_SINCE = 1_795_987_949_379;

const quoted = (name: string): string => `"${name.replaceAll('"', '""')}"`;

async function digestOf(db: Connection): Promise<string> {
  const hash = createHash('sha256');
  const { rows: schema } = await db.execute({
    sql: 'SELECT type, name, sql FROM sqlite_master WHERE name <> ? ORDER BY type, name',
    args: [TABLE],
  });
  hash.update(JSON.stringify(schema.map((row) => [row.type, row.name, row.sql])));
  for (const { type, name } of schema) {
    if (type !== 'table' || typeof name !== 'string') continue;
    hash.update(`\n${name}\n`);
    let after: InValue = -1;
    for (;;) {
      const { rows, columns }: ResultSet = await db.execute({
        sql: `SELECT rowid AS "row number", * FROM ${quoted(name)} WHERE rowid > ? ORDER BY rowid LIMIT ${PAGE}`,
        args: [after],
      });
      const last = rows.at(-1);
      if (!last) break;
      after = last['row number'] ?? 0;
      for (const row of rows) hash.update(JSON.stringify(columns.map((_, i) => row[i])));
    }
  }
  return hash.digest('hex');
}

/** Seals a backup: nothing may be written to it afterwards. */
export async function seal(db: Connection, now: Date): Promise<void> {
  await db.execute(`CREATE TABLE ${TABLE} (format INTEGER NOT NULL, made_at TEXT NOT NULL, digest TEXT NOT NULL)`);
  await db.execute({
    sql: `INSERT INTO ${TABLE} (format, made_at, digest) VALUES (?, ?, ?)`,
    args: [FORMAT, now.toISOString(), await digestOf(db)],
  });
}

/** What is said of a shop's database that is given for a backup. */
export const noSeal = (named: string): StoreRefused =>
  new StoreRefused(
    `${named} is a shop's database, not a backup: it has no seal. Make a backup of it with npm run backup, with DATABASE_URL set to it.`,
  );

/**
 * Checks that a database is a backup of a shop, and as it was made.
 *
 * @param named in messages
 * @throws StoreRefused that says what is wrong
 */
export async function checkSeal(db: Connection, named: string): Promise<void> {
  const { rows } = await db.execute("SELECT name FROM sqlite_master WHERE type = 'table'");
  const names = new Set(rows.map((row) => row.name));
  if (!['__drizzle_migrations', 'builds', 'log', 'charts'].every((name) => names.has(name)))
    throw new StoreRefused(`${named} is not a backup of a shop: it lacks the tables of one.`);
  const { rows: applied } = await db.execute('SELECT max(created_at) AS newest FROM __drizzle_migrations');
  if (!names.has(TABLE)) {
    if (Number(applied[0]?.newest ?? 0) < SEALED_SINCE) return;
    throw noSeal(named);
  }
  const { rows: seals } = await db.execute(`SELECT format, digest FROM ${TABLE}`);
  const [found] = seals;
  if (seals.length !== 1 || !found) throw new StoreRefused(`${named} is damaged: its seal cannot be read.`);
  if (Number(found.format) > FORMAT)
    throw new StoreRefused(`${named} was made by a newer Spatium. Update the program first.`);
  if (found.digest !== (await digestOf(db)))
    throw new StoreRefused(`${named} was changed or damaged since it was made: its contents do not match its digest.`);
}
