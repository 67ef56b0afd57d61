/** What the shop’s other builds of the same kind took to turn. */
import { and, desc, eq, inArray, isNull, ne } from 'drizzle-orm';
import type { TurnedEntry } from '@/core/record/benchWork';
import { type PastTurning, taught } from '@/core/stages/assembly/rotating/rotatingTorque';
import { entrySchema } from '@/files/schema';
import { freshenCards } from './cards';
import type { Database } from './open';
import { builds, log } from './schema';

/** As many builds as teach anything. */
const MOST = 50;

/**
 * Builds of the same layout and number of cylinders, the latest first, that the crank was turned of; none for a build
 * that is not there.
 */
export async function torqueHistory(db: Database, except: string): Promise<PastTurning[]> {
  await freshenCards(db);
  const [own] = await db.select({ engine: builds.engine }).from(builds).where(eq(builds.id, except));
  if (!own || own.engine === '') return [];
  const alike = await db
    .selectDistinct({ id: builds.id, name: builds.name, updatedAt: builds.updatedAt })
    .from(builds)
    .innerJoin(log, and(eq(log.buildId, builds.id), eq(log.kind, 'turned')))
    .where(and(eq(builds.engine, own.engine), ne(builds.id, except), isNull(builds.removedAt)))
    .orderBy(desc(builds.updatedAt))
    .limit(MOST);
  if (alike.length === 0) return [];
  const rows = await db
    .select({ buildId: log.buildId, body: log.body })
    .from(log)
    .where(
      and(
        inArray(
          log.buildId,
          alike.map((b) => b.id),
        ),
        inArray(log.kind, ['turned', 'void']),
      ),
    )
    .orderBy(log.seq);
  const entries = rows.map(({ buildId, body }) => ({ buildId, entry: entrySchema.parse(JSON.parse(body)) }));
  return alike.map(({ id, name }) => {
    const own = entries.flatMap((e) => (e.buildId === id ? [e.entry] : []));
    const voided = new Set(own.flatMap((e) => (e.kind === 'void' ? [e.of] : [])));
    return taught(
      { id, name },
      own.filter((e): e is TurnedEntry => e.kind === 'turned' && !voided.has(e.id)),
    );
  });
}
