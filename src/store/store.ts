/**
 * The one database of this process.
 */
import { type Database, defaultUrl, openDatabase } from './open';

const held = globalThis as { spatiumDatabase?: Promise<Database> };

/** Where this process keeps its data. */
export const databaseUrl = (): string => process.env.DATABASE_URL || defaultUrl();

/** The database that DATABASE_URL names, opened and migrated once a process; a failure is tried again. */
export function database(): Promise<Database> {
  held.spatiumDatabase ??= openDatabase(databaseUrl()).catch((error: unknown) => {
    held.spatiumDatabase = undefined;
    throw error;
  });
  return held.spatiumDatabase;
}
