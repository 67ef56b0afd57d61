/** An entry as it stands in its row, and back. */
import { type Entry, ENTRY_SHAPE } from '@/core/judge/buildRecord';
import { entrySchema } from '@/files/schema';
import type { log } from './schema';

/**
 * The entry of a row: as it stands where this program’s shape wrote it, else read through the schema.
 *
 * @throws Error where it cannot be read
 */
export function entryOf({ body, shape }: { body: string; shape: number }): Entry {
  const json: unknown = JSON.parse(body);
  return shape === ENTRY_SHAPE ? (json as Entry) : entrySchema.parse(json);
}

/** An entry as its row. */
export const rowOf = (buildId: string, entry: Entry): typeof log.$inferInsert => ({
  buildId,
  entryId: entry.id,
  kind: entry.kind,
  body: JSON.stringify(entry),
  shape: ENTRY_SHAPE,
});
