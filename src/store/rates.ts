/**
 * What the shop's ring filers take off, learnt from all builds: one row of sums a build, filer and ring metal, worked
 * out anew whenever the build's log grows.
 */
import { ne, sql } from 'drizzle-orm';
import type { AnySQLiteColumn } from 'drizzle-orm/sqlite-core';
import { z } from 'zod';
import { RING_METALS } from '@/core/models/heat/metals';
import type { ShopRate } from '@/core/record/log';
import { freshenCards } from './cards';
import type { Database } from './open';
import { rates } from './schema';

const metalSchema = z.enum([...RING_METALS, 'unknown']);

/** What all builds but one taught: that one knows its own cuts itself. */
export async function shopRates(db: Database, except: string): Promise<ShopRate[]> {
  await freshenCards(db);
  const total = (column: AnySQLiteColumn) => sql<number>`sum(${column})`;
  const rows = await db
    .select({
      filer: rates.filer,
      metal: rates.metal,
      cuts: total(rates.cuts),
      xx: total(rates.xx),
      xy: total(rates.xy),
      yy: total(rates.yy),
    })
    .from(rates)
    .where(ne(rates.buildId, except))
    .groupBy(rates.filer, rates.metal);
  return rows.map(({ filer, metal, ...sums }) => ({ filer, metal: metalSchema.parse(metal), sums }));
}
