import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { type Client, createClient } from '@libsql/client';
import { DrizzleQueryError } from 'drizzle-orm';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { openDatabase } from './open';
import { withBusyRetry } from './busyRetry';
import { causesOf, databaseErrorOf } from './databaseErrors';

let folder: string;
let url: string;
const clients: Client[] = [];
const client = (): Client => {
  const made = createClient({ url });
  clients.push(made);
  return made;
};
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'spatium-patience-'));
  url = pathToFileURL(join(folder, 'x.db')).href;
});
afterEach(() => {
  for (const made of clients.splice(0)) made.close();
  rmSync(folder, { recursive: true, force: true });
});

describe('a database that another program has locked', () => {
  it('is waited for while all else goes on, and works again at once', async () => {
    const own = withBusyRetry(client);
    await own.execute('CREATE TABLE t (x)');
    const other = await client().transaction('write');
    let ticks = 0;
    const ticking = setInterval(() => (ticks += 1), 5);
    let isWritten = false;
    const writing = own.execute('INSERT INTO t VALUES (1)').then(() => (isWritten = true));
    while (ticks < 30) await new Promise((resolve) => setTimeout(resolve, 1));
    expect(isWritten).toBe(false);
    await other.commit();
    await writing;
    clearInterval(ticking);
    expect((await own.execute('SELECT count(*) AS n FROM t')).rows[0]?.n).toBe(1);
  });

  it('is given up on in the end, said as what it is, and nothing of it is written', async () => {
    const own = withBusyRetry(client, 60);
    await own.execute('CREATE TABLE t (x)');
    const other = await client().transaction('write');
    const error: unknown = await own
      .batch(['INSERT INTO t VALUES (1)', 'INSERT INTO t VALUES (2)'])
      .catch((e: unknown) => e);
    expect(databaseErrorOf(error)).toMatchObject({ status: 503, says: expect.stringContaining('in use') as string });
    await other.rollback();
    expect((await own.execute('SELECT count(*) AS n FROM t')).rows[0]?.n).toBe(0);
    await own.batch(['INSERT INTO t VALUES (1)', 'INSERT INTO t VALUES (2)']);
    expect((await own.execute('SELECT count(*) AS n FROM t')).rows[0]?.n).toBe(2);
  });

  it('more transactions at once than there are connections take turns', async () => {
    const own = withBusyRetry(client);
    await own.execute('CREATE TABLE t (x)');
    await Promise.all(
      Array.from({ length: 60 }, async (_, n) => {
        const transaction = await own.transaction('write');
        await transaction.execute({ sql: 'INSERT INTO t VALUES (?)', args: [n] });
        await new Promise((resolve) => setTimeout(resolve));
        await transaction.commit();
      }),
    );
    expect((await own.execute('SELECT count(*) AS n FROM t')).rows[0]?.n).toBe(60);
  });
});

describe('trouble with the database', () => {
  const withCode = (code: string, message = 'x') => Object.assign(new Error(message), { code });

  it.each([
    [withCode('SQLITE_FULL'), 507],
    [withCode('', 'database or disk is full'), 507],
    [withCode('SQLITE_BUSY'), 503],
    [withCode('SQLITE_IOERR'), 503],
    [withCode('SERVER_ERROR'), 503],
    [withCode('ECONNREFUSED'), 503],
    [new TypeError('fetch failed'), 503],
    [Object.assign(new Error('x'), { name: 'TimeoutError' }), 503],
  ])('%s is told', (error, status) => {
    expect(databaseErrorOf(error)?.status).toBe(status);
    expect(databaseErrorOf(new DrizzleQueryError('select 1', [], error))?.status).toBe(status);
  });

  it('a fault of the program is none', () => {
    expect(databaseErrorOf(new TypeError('x is not a function'))).toBeNull();
    expect(databaseErrorOf('x')).toBeNull();
    expect(causesOf(new Error('a', { cause: new Error('b') })).map((c) => c.message)).toEqual(['a', 'b']);
  });
});

describe('where a database is', () => {
  it.each(['postgres://x/y', 'sqlite:x.db', 'flie:x.db', 'ws://x', 'mysql:x'])(
    '%s is refused by its scheme',
    async (wrong) => {
      await expect(openDatabase(wrong)).rejects.toThrow(/is no database this program knows/);
    },
  );
});
