/** What signs the cookies of a shop: made once for it, kept with its data, and never part of a backup. */
import { randomBytes } from 'node:crypto';
import { eq } from 'drizzle-orm';
import type { Database } from './open';
import { shop } from './schema';

/** Under which the table `shop` has it. */
export const SECRET = 'secret';

/** The secret, made where there is none yet. */
export async function shopSecret(db: Database): Promise<string> {
  await db
    .insert(shop)
    .values({ key: SECRET, value: randomBytes(32).toString('base64url') })
    .onConflictDoNothing();
  const [row] = await db.select().from(shop).where(eq(shop.key, SECRET));
  if (!row) throw new Error('the secret was not kept');
  return row.value;
}
