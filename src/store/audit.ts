/** What was done outside the logs of builds, by whom and when. It is only ever added to. */
import { asc, desc, lt } from 'drizzle-orm';
import { tableOf } from '@/files/csv';
import type { Database } from './open';
import { audit } from './schema';

export type Audited = typeof audit.$inferSelect;

/** Notes what was done. */
export async function noteDone(
  db: Database,
  act: string,
  { of, says, by: as }: { of: string; says: string; by?: string },
  { by, asking }: { by: string; asking: { person: { id: string } | null } },
  now = new Date(),
): Promise<void> {
  await db.insert(audit).values({
    at: now.toISOString(),
    by: as ?? by,
    person: asking.person?.id ?? null,
    act,
    of: of.slice(0, 200),
    says: says.slice(0, 500),
  });
}

/** What was done, the latest first: so many, before one that was shown already. */
export const auditBefore = (db: Database, before: number | null, most: number): Promise<Audited[]> =>
  db
    .select()
    .from(audit)
    .where(before === null ? undefined : lt(audit.seq, before))
    .orderBy(desc(audit.seq))
    .limit(most);

/** All that was done, the first first, as a table. */
export async function auditTable(db: Database): Promise<string> {
  const rows = await db.select().from(audit).orderBy(asc(audit.seq));
  return tableOf(
    ['at_utc', 'by', 'act', 'of', 'says'],
    rows.map(({ at, by, act, of, says }) => ({ at_utc: at, by, act, of, says })),
  );
}
