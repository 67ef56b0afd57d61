/** What the shop has fitted: mean gaps of its builds, over heat loads. */
import { and, desc, isNotNull, isNull } from 'drizzle-orm';
import { freshenCards } from './cards';
import type { Database } from './open';
import { builds } from './schema';

/** A build whose top rings were measured right; gaps as a share of the bore. */
export interface FittedGaps {
  id: string;
  name: string;
  load: number;
  construction: string;
  top: number;
  second: number | null;
}

/** As many builds as a picture can show. */
const MOST = 300;

/** The shop's builds with fitted rings, the latest first. */
export async function gapHistory(db: Database): Promise<FittedGaps[]> {
  await freshenCards(db);
  const { id, name, load, construction, topFactor, secondFactor } = builds;
  const rows = await db
    .select({ id, name, load, construction, top: topFactor, second: secondFactor })
    .from(builds)
    .where(and(isNull(builds.removedAt), isNotNull(load), isNotNull(construction), isNotNull(topFactor)))
    .orderBy(desc(builds.updatedAt))
    .limit(MOST);
  return rows.flatMap(({ load: at, construction: piston, top, ...row }) =>
    at === null || piston === null || top === null ? [] : [{ ...row, load: at, construction: piston, top }],
  );
}
