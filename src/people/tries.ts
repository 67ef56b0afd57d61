/** Guessing is slowed down: by whose name, and by where from, in the store, so that every process knows. */
import { eq } from 'drizzle-orm';
import type { Database } from '@/store/open';
import { tries } from '@/store/schema';

/** So many may fail before anything is slowed down: of a name, from an address that a whole shop may share. */
const FREE = { name: 3, from: 20 } as const;
const MOST_WAIT = 5 * 60_000;
/** After so long they are forgotten. */
const FORGOTTEN = 3_600_000;

/**
 * How long to wait after so many have failed: twice as long each time, five minutes at the most; ms.
 *
 * @example waitAfter(3, 3) // 1000
 */
export const waitAfter = (failed: number, free: number): number =>
  failed < free ? 0 : Math.min(MOST_WAIT, 1_000 * 2 ** Math.min(20, failed - free));

/**
 * Counts a try before it is made, so that many at once are counted one by one. How long it has to wait, ms: 0 for none,
 * and then it may be made.
 *
 * @param now ms
 */
export async function countTry(db: Database, name: string, from: string, now = Date.now()): Promise<number> {
  const of = [[`name ${name.toLowerCase()}`, FREE.name] as const, [`from ${from}`, FREE.from] as const];
  return db.transaction(async (tx) => {
    const counted = [];
    for (const [key, free] of of) {
      const [row] = await tx.select().from(tries).where(eq(tries.of, key));
      const failed = row && row.lastAt + FORGOTTEN > now ? row.failed : 0;
      const wait = row ? row.lastAt + waitAfter(failed, free) - now : 0;
      if (wait > 0) return wait;
      counted.push({ of: key, failed: failed + 1, lastAt: now });
    }
    for (const row of counted)
      await tx
        .insert(tries)
        .values(row)
        .onConflictDoUpdate({ target: tries.of, set: { failed: row.failed, lastAt: row.lastAt } });
    return 0;
  });
}

/** Somebody got in: what had failed before was theirs. */
export async function forgetTries(db: Database, name: string, from: string): Promise<void> {
  await db.batch([
    db.delete(tries).where(eq(tries.of, `name ${name.toLowerCase()}`)),
    db.delete(tries).where(eq(tries.of, `from ${from}`)),
  ]);
}
