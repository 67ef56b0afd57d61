/**
 * What cannot be read is set aside: one row that something went wrong with never closes a page. It stays where it is, is
 * named, and can be taken out as it stands.
 */
import { asc, eq } from 'drizzle-orm';
import { chartSchema } from '@/files/shapes/targets';
import { instrumentSchema } from '@/files/shapes/instrument';
import type { Database } from './open';
import { charts, instruments, log } from './schema';
import { entryOf } from './row';

/** A row that could not be read. */
export interface Quarantined {
  /** What it is: an entry’s kind, a chart, a tool. */
  what: string;
  id: string;
  why: string;
  /** As it stands in the store. */
  body: string;
}

const whyOf = (error: unknown): string => (error instanceof Error ? error.message : String(error)).slice(0, 300);

/** Rows that can be read, as what they are; of the others nothing. */
export const parseable = <R, T>(rows: readonly R[], read: (row: R) => T): T[] =>
  rows.flatMap((row) => {
    try {
      return [read(row)];
    } catch {
      return [];
    }
  });

/** What could not be read, of rows that are named. */
const unread = <R extends { body: string }>(
  rows: readonly R[],
  read: (row: R) => unknown,
  name: (row: R) => Pick<Quarantined, 'what' | 'id'>,
): Quarantined[] =>
  rows.flatMap((row) => {
    try {
      read(row);
      return [];
    } catch (error) {
      return [{ ...name(row), why: whyOf(error), body: row.body }];
    }
  });

/** Entries of a build that could not be read. */
export async function quarantinedInBuild(db: Database, id: string): Promise<Quarantined[]> {
  const rows = await db.select().from(log).where(eq(log.buildId, id)).orderBy(asc(log.seq));
  return unread(rows, entryOf, (row) => ({ what: row.kind, id: row.entryId }));
}

/** Charts and tools that could not be read. */
export async function quarantinedInShop(db: Database): Promise<Quarantined[]> {
  return [
    ...unread(
      await db.select().from(charts),
      (row) => chartSchema.parse(JSON.parse(row.body)),
      (row) => ({ what: 'chart', id: `${row.id}, version ${row.version}` }),
    ),
    ...unread(
      await db.select().from(instruments),
      (row) => instrumentSchema.parse(JSON.parse(row.body)),
      (row) => ({ what: 'tool', id: row.id }),
    ),
  ];
}
