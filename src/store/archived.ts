/** The drawer: what was taken off the shelf or put away. It is all still there. */
import { desc, isNotNull } from 'drizzle-orm';
import { BUILT_IN } from '@/core/models/charts/startingCurve';
import { STARTING_INSTRUMENTS } from '@/core/foundation/uncertainty/startingInstruments';
import { instrumentSchema } from '@/files/shapes/instrument';
import { cardsForList } from './cards';
import type { Database } from './open';
import { builds, charts, instruments } from './schema';
import { parseable } from './quarantine';

/** Something that lies in the drawer. */
export interface ArchivedItem {
  id: string;
  name: string;
  /** When it was put there. */
  at: string;
}

export interface Archived {
  builds: ArchivedItem[];
  charts: ArchivedItem[];
  tools: ArchivedItem[];
}

/**
 * What lies in it, the latest first.
 *
 * @param beside see `cardsForList`
 */
export async function archivedItems(db: Database, beside?: () => Promise<unknown>): Promise<Archived> {
  await cardsForList(db, beside);
  const [laidBuilds, laidCharts, laidTools] = await db.batch([
    db.select().from(builds).where(isNotNull(builds.removedAt)).orderBy(desc(builds.removedAt)),
    db.select().from(charts).where(isNotNull(charts.removedAt)).orderBy(desc(charts.removedAt)),
    db.select().from(instruments).where(isNotNull(instruments.removedAt)).orderBy(desc(instruments.removedAt)),
  ]);
  return {
    builds: laidBuilds.map((b) => ({ id: b.id, name: b.name || b.id, at: b.removedAt ?? '' })),
    charts: laidCharts
      .filter((c) => !BUILT_IN.some((own) => own.id === c.id))
      .map((c) => ({ id: c.id, name: `${c.name}, version ${c.version}`, at: c.removedAt ?? '' })),
    tools: parseable(laidTools, (t) => ({
      id: t.id,
      name:
        instrumentSchema.parse(JSON.parse(t.body)).name ||
        (STARTING_INSTRUMENTS.find((i) => i.id === t.id)?.name ?? t.id),
      at: t.removedAt ?? '',
    })),
  };
}
