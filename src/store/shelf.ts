/** The shelf: every build by its card, searched, sorted, a page at a time. */
import { type SQL, and, asc, desc, isNull, like, sql } from 'drizzle-orm';
import { cardsForList } from './cards';
import type { Database } from './open';
import { builds } from './schema';
import { SHELF_PAGE, type ShelfAsk, type ShelfSort } from './shelfAsk';

const SORT_COLUMNS: Record<ShelfSort, SQL> = {
  updated: sql`${builds.updatedAt}`,
  name: sql`lower(${builds.name})`,
  customer: sql`lower(${builds.customer})`,
  engine: sql`${builds.engine}`,
  bore: sql`${builds.boreNm}`,
  progress: sql`1.0 * ${builds.done} / max(${builds.total}, 1)`,
};

export type ShelfCard = typeof builds.$inferSelect;

/** A page of the list of builds. */
export interface ShelfPage {
  cards: ShelfCard[];
  /** Builds that are found, and builds there are. */
  total: number;
  all: number;
  /** Builds whose cards are still being worked out: a search may not find them yet. */
  behind: number;
}

/**
 * A page of the list: every word of the query must occur in the card.
 *
 * @param beside see `cardsForList`
 */
export async function shelf(db: Database, ask: ShelfAsk, beside?: () => Promise<unknown>): Promise<ShelfPage> {
  const behind = await cardsForList(db, beside);
  const words = ask.query.toLowerCase().split(/\s+/).filter(Boolean).slice(0, 8);
  const matches = words.map((word) => like(builds.search, sql`${`%${word.replace(/[\\%_]/g, '\\$&')}%`} ESCAPE '\\'`));
  const where = and(isNull(builds.removedAt), ...matches);
  const order = ask.descending ? desc(SORT_COLUMNS[ask.sort]) : asc(SORT_COLUMNS[ask.sort]);
  const [cards, count, all] = await db.batch([
    db
      .select()
      .from(builds)
      .where(where)
      .orderBy(order, asc(builds.id))
      .limit(SHELF_PAGE)
      .offset((ask.page - 1) * SHELF_PAGE),
    db
      .select({ n: sql<number>`count(*)` })
      .from(builds)
      .where(where),
    db
      .select({ n: sql<number>`count(*)` })
      .from(builds)
      .where(isNull(builds.removedAt)),
  ]);
  return { cards, total: count[0]?.n ?? 0, all: all[0]?.n ?? 0, behind };
}
