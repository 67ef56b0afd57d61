/**
 * Guessing is slowed down: of a person from one place, of anybody from one place, and of a person from wherever, so that
 * many places together gain little. A device that somebody signed in on before is counted by itself: no stranger's tries
 * keep its people out. The store has the counts, so that every process knows them.
 */
import { eq, lt, sql } from 'drizzle-orm';
import type { Database } from '@/store/open';
import { tries } from '@/store/schema';

/** A try to sign in. */
export interface Attempt {
  /** Initials, in any case. */
  name: string;
  /** The address it came from. */
  from: string;
  /** The device, where these initials signed in on it before; else null. */
  device: string | null;
}

const MOST_WAIT = 5 * 60_000;
const HOUR = 3_600_000;

/** A count, how many may fail before anything is slowed down, and how long after the last it is forgotten, ms. */
interface Limit {
  of: string;
  free: number;
  forgotten: number;
}

function limitsOf({ name, from, device }: Attempt): Limit[] {
  const who = name.toLowerCase();
  if (device !== null) return [{ of: `device ${device} ${who}`, free: 5, forgotten: HOUR }];
  return [
    { of: `name ${who} from ${from}`, free: 3, forgotten: HOUR },
    // an address that a whole shop may share
    { of: `from ${from}`, free: 20, forgotten: HOUR },
    { of: `name ${who}`, free: 30, forgotten: 24 * HOUR },
  ];
}

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
export async function countAttempt(db: Database, made: Attempt, now = Date.now()): Promise<number> {
  return db.transaction(async (tx) => {
    await tx.delete(tries).where(lt(tries.lastAt, now - 24 * HOUR));
    const counted = [];
    for (const { of, free, forgotten } of limitsOf(made)) {
      const [row] = await tx.select().from(tries).where(eq(tries.of, of));
      const failed = row && row.lastAt + forgotten > now ? row.failed : 0;
      const wait = row ? row.lastAt + waitAfter(failed, free) - now : 0;
      if (wait > 0) return wait;
      counted.push({ of, failed: failed + 1, lastAt: now });
    }
    for (const row of counted)
      await tx
        .insert(tries)
        .values(row)
        .onConflictDoUpdate({ target: tries.of, set: { failed: row.failed, lastAt: row.lastAt } });
    return 0;
  });
}

/** The try was right: it is taken off the counts, and what failed before it at the same place was theirs. */
export async function forgetAttempts(db: Database, made: Attempt): Promise<void> {
  const [own, ...shared] = limitsOf(made);
  if (!own) return;
  await db.batch([
    db.delete(tries).where(eq(tries.of, own.of)),
    ...shared.map(({ of }) =>
      db
        .update(tries)
        .set({ failed: sql`max(0, ${tries.failed} - 1)` })
        .where(eq(tries.of, of)),
    ),
  ]);
}
