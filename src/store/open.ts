/**
 * Opening a database and bringing its tables up to this program's.
 */
import { readFileSync } from 'node:fs';
import { dirname, join, resolve } from 'node:path';
import { pathToFileURL } from 'node:url';
import { type Client, type InStatement, type Transaction, createClient } from '@libsql/client';
import { sql } from 'drizzle-orm';
import { type LibSQLDatabase, drizzle } from 'drizzle-orm/libsql';
import { migrate } from 'drizzle-orm/libsql/migrator';
import { readMigrationFiles } from 'drizzle-orm/migrator';
import { withBusyRetry } from './busyRetry';
import { privateFile, privateFolder } from './privateFiles';
import * as tables from './schema';

export type Database = LibSQLDatabase<typeof tables> & { $client: Client };

/** A database, or a transaction of it: what is asked and changed in either. */
export type Within = Pick<Database, 'select' | 'insert' | 'update'>;

/** A database this program must not touch, or cannot read. Its message is for the person at the keyboard. */
export class StoreRefused extends Error {
  override name = 'StoreRefused';
}

const MIGRATIONS = join(process.cwd(), 'src/store/migrations');
/** How long an answer of a database server is waited for, ms. */
const ANSWER = 10_000;

/** Where the data is unless DATABASE_URL says otherwise: a file in the data folder beside the program. */
export const defaultUrl = (): string => pathToFileURL(resolve('data/spatium.db')).href;

const SERVERS = /^(libsql|https?):/;

/** A `file:` URL or a path as the file it names; null for a server. */
export function fileOf(url: string): string | null {
  if (SERVERS.test(url)) return null;
  if (url.startsWith('file://')) return decodeURIComponent(new URL(url).pathname);
  return resolve(url.replace(/^file:/, ''));
}

/** A server that takes the call and never answers must not be waited for for ever. */
const fetchInTime: typeof fetch = (input, init) => fetch(input, { ...init, signal: AbortSignal.timeout(ANSWER) });

/** Where a database is, in words for the person at the keyboard: without the secrets an address may hold. */
const named = (url: string): string => url.replace(/\/\/[^/@]*@/, '//').replace(/\?.*$/, '');

function refuseScheme(url: string): void {
  const [, scheme] = /^([a-z][a-z0-9+.-]+):/i.exec(url) ?? [];
  if (scheme !== undefined && scheme !== 'file' && !SERVERS.test(url))
    throw new StoreRefused(
      `DATABASE_URL begins with "${scheme}:", which is no database this program knows. Accepted: a path, file:, libsql:, https: and http:.`,
    );
}

async function tablesIn(db: Database): Promise<string[]> {
  const rows = await db.all<{ name: string }>(
    sql`SELECT name FROM sqlite_master WHERE type = 'table' AND name NOT LIKE 'sqlite_%'`,
  );
  return rows.map((row) => row.name);
}

const MIGRATIONS_TABLE = '__drizzle_migrations';

async function newestApplied(db: Database): Promise<number> {
  if (!(await tablesIn(db)).includes(MIGRATIONS_TABLE)) return 0;
  const rows = await db.all<{ newest: number | null }>(sql`SELECT max(created_at) AS newest FROM __drizzle_migrations`);
  return rows[0]?.newest ?? 0;
}

async function refuseForeign(db: Database, url: string): Promise<void> {
  const tables = await tablesIn(db);
  if (tables.length > 0 && !tables.includes(MIGRATIONS_TABLE))
    throw new StoreRefused(
      `The database at ${named(url)} belongs to another program (it has the table "${tables[0]}"). Nothing was changed. Point DATABASE_URL at another file.`,
    );
}

/**
 * Opens the database at a URL, applying what migrations it lacks in one transaction.
 *
 * @param url `file:` URL or path, or a libSQL server's URL
 * @param migrations folder of the migration files
 * @throws StoreRefused when the database is newer than this program, another program's, or no database;
 *   it is left as it was
 */
export async function openDatabase(url: string, migrations = MIGRATIONS): Promise<Database> {
  refuseScheme(url);
  const file = fileOf(url);
  let client: Client;
  try {
    if (file) {
      privateFolder(dirname(file));
      privateFile(file, true);
    }
    client = file
      ? withBusyRetry(() => createClient({ url: pathToFileURL(file).href }))
      : createClient({ url, authToken: process.env.DATABASE_AUTH_TOKEN, fetch: fetchInTime });
    await client.execute('SELECT count(*) FROM sqlite_master');
  } catch (error) {
    throw new StoreRefused(
      `The database at ${named(url)} cannot be opened: ${error instanceof Error ? error.message : String(error)}`,
    );
  }
  const db = drizzle(client, { schema: tables });
  const newest = Math.max(...readMigrationFiles({ migrationsFolder: migrations }).map((m) => m.folderMillis));
  try {
    const applied = await newestApplied(db);
    if (applied > newest)
      throw new StoreRefused(
        `The database at ${named(url)} was written by a newer Spatium. Nothing was changed. Update the program, or point DATABASE_URL at another file.`,
      );
    await refuseForeign(db, url);
    if (file) await client.execute('PRAGMA journal_mode = WAL');
    if (applied < newest) await applyMigrations(db, migrations, newest);
  } catch (error) {
    client.close();
    throw error;
  }
  return db;
}

/** Steps that a database lacks, by their names, in order; none for one that is new. Nothing is changed. */
export async function pendingMigrations(client: Client, migrations = MIGRATIONS): Promise<string[]> {
  const db = drizzle(client, { schema: tables });
  const applied = await newestApplied(db);
  if (applied === 0) return [];
  const journal = JSON.parse(readFileSync(join(migrations, 'meta', '_journal.json'), 'utf8')) as {
    entries: { when: number; tag: string }[];
  };
  return journal.entries.filter(({ when }) => when > applied).map(({ tag }) => tag);
}

/** Two processes may start at once: the one that comes second finds the work done. */
async function applyMigrations(db: Database, migrationsFolder: string, newest: number): Promise<void> {
  try {
    await migrate(db, { migrationsFolder });
  } catch (error) {
    if ((await newestApplied(db)) < newest) throw error;
  }
}

/** A transaction as something that asks like a client: what is written for a database works within it too. */
const asClient = (transaction: Transaction): Client =>
  ({
    execute: (statement: InStatement) => transaction.execute(statement),
    batch: (statements: InStatement[]) => transaction.batch(statements),
  }) as Partial<Client> as Client;

/** Does all of some work in one write transaction, or nothing of it. Whoever else writes waits meanwhile. */
export async function inOneTransaction<T>(db: Database, work: (within: Database) => Promise<T>): Promise<T> {
  const transaction = await db.$client.transaction('write');
  try {
    const done = await work(drizzle(asClient(transaction), { schema: tables }));
    await transaction.commit();
    return done;
  } catch (error) {
    await transaction.rollback().catch(() => null);
    throw error;
  } finally {
    transaction.close();
  }
}
