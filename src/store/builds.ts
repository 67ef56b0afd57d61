/**
 * Builds as a whole: put into the store, taken off the shelf and put back.
 */
import { isDeepStrictEqual } from 'node:util';
import { eq, inArray } from 'drizzle-orm';
import type { BuildRecord } from '@/core/judge/buildRecord';
import { writeCard } from './cards';
import { loadBuild, touch } from './log';
import { rowOf } from './row';
import type { Database } from './open';
import { builds, log } from './schema';

/** What came of putting a whole record in. */
export type Created = 'created' | 'already here' | 'taken';

/** What is there by the id of a record: the same, another, or none. */
async function thereBefore(db: Database, record: BuildRecord): Promise<'already here' | 'taken' | null> {
  const existing = await loadBuild(db, record.id);
  if (!existing) return null;
  return isDeepStrictEqual(existing.record.entries, record.entries) ? 'already here' : 'taken';
}

const FROM_FILE = ' (file)';

/** A record whose initials are marked: what a file says of who did something is nobody's word in this shop. */
const marked = (record: BuildRecord): BuildRecord => ({
  ...record,
  entries: record.entries.map((entry) =>
    entry.by === '' || entry.by.endsWith(FROM_FILE) ? entry : { ...entry, by: `${entry.by.slice(0, 12)}${FROM_FILE}` },
  ),
});

/**
 * Puts a record that came from a file into the store, its initials marked. One that this shop exported itself is known
 * again, marked or not.
 */
export async function importBuild(db: Database, record: BuildRecord): Promise<Created> {
  return (await thereBefore(db, record)) === 'already here' ? 'already here' : createBuild(db, marked(record));
}

/** Rows that one statement inserts: five values each. */
const ROWS = 150;

/**
 * Puts a record into the store as it is; its card is worked out when the list of builds is next asked for. `already
 * here` when the same record is there, `taken` when another record has its id; neither changes anything.
 */
export async function putBuild(db: Database, record: BuildRecord): Promise<Created> {
  const before = await thereBefore(db, record);
  if (before) return before;
  const now = new Date().toISOString();
  const rows = record.entries.map((entry) => rowOf(record.id, entry));
  const chunks = Array.from({ length: Math.ceil(rows.length / ROWS) }, (_, i) => rows.slice(i * ROWS, (i + 1) * ROWS));
  try {
    await db.batch([
      db.insert(builds).values({ id: record.id, createdAt: record.entries[0]?.at ?? now, updatedAt: now }),
      ...chunks.map((chunk) => db.insert(log).values(chunk)),
      touch(db, record.id),
    ]);
  } catch (error) {
    // put in by another process a moment ago
    const meanwhile = await thereBefore(db, record).catch(() => null);
    if (meanwhile) return meanwhile;
    throw error;
  }
  return 'created';
}

/** Puts a record into the store as it is, and its card on the list of builds. */
export async function createBuild(db: Database, record: BuildRecord): Promise<Created> {
  const created = await putBuild(db, record);
  const stored = created === 'created' ? await loadBuild(db, record.id) : null;
  if (stored) await writeCard(db, stored);
  return created;
}

/** Takes builds off the shelf, or puts them back. The log of each stays. */
export async function setRemoved(
  db: Database,
  ids: string[],
  removed: boolean,
  at = new Date().toISOString(),
): Promise<void> {
  if (ids.length === 0) return;
  await db
    .update(builds)
    .set({ removedAt: removed ? at : null })
    .where(inArray(builds.id, ids));
}

/** Whether a build was taken off the shelf. */
export async function isRemoved(db: Database, id: string): Promise<boolean> {
  const [row] = await db.select({ removedAt: builds.removedAt }).from(builds).where(eq(builds.id, id));
  return row !== undefined && row.removedAt !== null;
}
