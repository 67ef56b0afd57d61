/**
 * SQLite writes beside its file first. What stands there is folded in when it is calm and when the server ends, so that
 * the one file has everything.
 */
import { statSync } from 'node:fs';
import { type Database, fileOf } from './open';
import { databaseUrl } from './store';

/** How often it is looked at, and for how long nothing must have been written, ms. */
const [LOOK, CALM] = [5_000, 3_000];

/** Folds it in; nothing where somebody reads or writes just now, or the database is a server's. */
export async function checkpoint(db: Database): Promise<void> {
  if (db.$client.protocol !== 'file') return;
  await db.$client.execute('PRAGMA wal_checkpoint(TRUNCATE)').catch(() => null);
}

/** Folds it in whenever it is calm; gives what ends that. */
export function checkpointRegularly(db: Database): () => void {
  const file = db.$client.protocol === 'file' ? fileOf(databaseUrl()) : null;
  if (file === null) return () => undefined;
  const timer = setInterval(() => {
    const beside = statSync(`${file}-wal`, { throwIfNoEntry: false });
    if (beside && beside.size > 0 && Date.now() - beside.mtimeMs > CALM) void checkpoint(db);
  }, LOOK);
  timer.unref();
  return () => clearInterval(timer);
}
