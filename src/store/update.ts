/** Bringing an existing database up to this program: what is done is said before, and the old one is kept. */
import { existsSync } from 'node:fs';
import { pathToFileURL } from 'node:url';
import { createClient } from '@libsql/client';
import { backUpAsItIs } from './backup';
import { fileOf, openDatabase, pendingMigrations } from './open';

/**
 * Applies the steps that a database lacks. A file is backed up first; of a database server its own backups are used.
 *
 * @param say told what is about to be done
 * @throws StoreRefused as `openDatabase` does
 */
export async function updateDatabase(url: string, say: (line: string) => void): Promise<void> {
  const file = fileOf(url);
  if (file === null || !existsSync(file)) return;
  const client = createClient({ url: pathToFileURL(file).href });
  // what is no database of ours is refused when it is opened, with words
  const pending = await pendingMigrations(client).catch(() => []);
  client.close();
  if (pending.length === 0) return;
  say(`The database is from an earlier Spatium: ${pending.length} steps will be applied (${pending.join(', ')}).`);
  say(`A backup of it as it is: ${await backUpAsItIs(file)}`);
  (await openDatabase(url)).$client.close();
  say('The database is up to date.');
}
