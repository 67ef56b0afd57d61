/**
 * Several servers on one database tell each other which windows ask them, so that who is on a build is known whichever
 * of them is asked. A server that is alone with its database reads one row a second, and writes one every 20 s, while
 * somebody is there; else nothing.
 */
import { randomUUID } from 'node:crypto';
import { eq, sql } from 'drizzle-orm';
import { z } from 'zod';
import type { Database } from './open';
import type { Presence, Told } from './presence';
import { servers } from './schema';

/** How often they tell each other; how often one says that it is there, with nobody to tell; ms. */
const [EVERY, AGAIN] = [1_000, 20_000];
/** A server that said nothing for so long is gone, and for so long its row is left lying, ms. */
const [STAYS, LIES] = [60_000, 600_000];

const toldSchema = z.array(
  z.strictObject({
    build: z.string(),
    bench: z.string(),
    by: z.string(),
    at: z.string(),
    asked: z.number(),
    mine: z.record(z.string(), z.number()),
  }),
);

/** The database's clock, ms: the servers' own may be a minute apart. */
const NOW = sql<number>`CAST((julianday('now') - 2440587.5) * 86400000 AS INTEGER)`;

/** What a row tells, asked for longer ago by as long as it lies there. What another version of the program wrote tells nothing. */
function heard({ body, age }: { body: string; age: number }): Told[] {
  const told = toldSchema.safeParse(JSON.parse(body));
  return (told.data ?? []).map((one) => ({ ...one, asked: one.asked + age }));
}

/** One server among those of a database. */
export class Sharing {
  private readonly id = randomUUID();
  private toldAt = -Infinity;

  constructor(
    private readonly db: Database,
    private readonly presence: Presence,
  ) {}

  /**
   * Hears what the others tell, and tells them the same. Whatever a database does that is away, full or in use is left
   * to whoever asks here: nothing of this is on record.
   */
  async exchange(now = Date.now()): Promise<void> {
    const told = this.presence.told(now);
    if (told.length === 0) return this.leave();
    const age = sql<number>`${NOW} - ${servers.toldAt}`;
    const rows = await this.db.select({ id: servers.id, body: servers.body, age }).from(servers);
    const others = rows.filter((row) => row.id !== this.id && row.age < STAYS);
    this.presence.hear(others.flatMap(heard), now);
    if (others.length === 0 && now - this.toldAt < AGAIN) return;
    const row = { toldAt: NOW, body: JSON.stringify(others.length === 0 ? [] : told) };
    await this.db
      .insert(servers)
      .values({ id: this.id, ...row })
      .onConflictDoUpdate({ target: servers.id, set: row });
    this.toldAt = now;
    if (rows.some((r) => r.age > LIES)) await this.db.delete(servers).where(sql`${age} > ${LIES}`);
  }

  /** Tells the others that nobody is here any more. */
  private async leave(): Promise<void> {
    if (this.toldAt === -Infinity) return;
    await this.db.delete(servers).where(eq(servers.id, this.id));
    this.toldAt = -Infinity;
  }
}

/** Exchanges it every second; gives what ends that. */
export function keepSharing(db: Database, presence: Presence): () => void {
  const sharing = new Sharing(db, presence);
  let timer: NodeJS.Timeout;
  let isEnded = false;
  const next = (): void => {
    if (isEnded) return;
    timer = setTimeout(() => void sharing.exchange().then(next, next), EVERY);
    timer.unref();
  };
  next();
  return () => {
    isEnded = true;
    clearTimeout(timer);
  };
}
