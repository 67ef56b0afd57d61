import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { eq } from 'drizzle-orm';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { openStore } from '@/fixtures/stores';
import type { Database } from './open';
import { Presence } from './presence';
import { Sharing } from './presenceShared';
import { servers } from './schema';

let folder: string;
let db: Database;
beforeEach(async () => {
  folder = mkdtempSync(join(tmpdir(), 'spatium-sharing-'));
  db = await openStore(join(folder, 'shop.db'));
});
afterEach(() => {
  db.$client.close();
  rmSync(folder, { recursive: true, force: true });
});

/** A server with a window at it, and what that window is told of the others. */
function server(by: string, mine: string[] = []) {
  const presence = new Presence();
  return {
    presence,
    sharing: new Sharing(db, presence),
    ask: (now?: number) =>
      presence.at('build', by, { by, at: '1.top', mine }, now).map((o) => `${o.by} ${o.mine.join()}`),
  };
}
const rows = () => db.select().from(servers);

describe('several servers on one database', () => {
  it('tell each other who is where and whose what is', async () => {
    const [one, two] = [server('AA', ['rings.L1']), server('ZZ', ['rings.L1', 'rings.L2'])];
    one.ask();
    // alone, it only says that it is there, once
    await one.sharing.exchange();
    await one.sharing.exchange();
    expect((await rows()).map((row) => row.body)).toEqual(['[]']);
    two.ask();
    await two.sharing.exchange();
    await one.sharing.exchange();
    await two.sharing.exchange();
    expect(two.ask()).toEqual(['AA rings.L1']);
    expect(one.ask()).toEqual(['ZZ rings.L2']);
    expect(await rows()).toHaveLength(2);
  });

  it('a server that nobody asks reads and writes nothing, and says that it has gone', async () => {
    const one = server('AA');
    await one.sharing.exchange();
    expect(await rows()).toEqual([]);
    const start = Date.now();
    one.ask(start);
    await one.sharing.exchange(start);
    expect(await rows()).toHaveLength(1);
    // its window is closed
    await one.sharing.exchange(start + 6_000);
    expect(await rows()).toEqual([]);
  });

  it('alone, it says that it is there once in twenty seconds', async () => {
    const one = server('AA');
    const at = async (now: number): Promise<number | undefined> => {
      one.ask(now);
      await db.update(servers).set({ toldAt: 0 });
      await one.sharing.exchange(now);
      return (await rows())[0]?.toldAt;
    };
    const start = Date.now();
    expect(await at(start)).toBeGreaterThan(0);
    expect(await at(start + 19_999)).toBe(0);
    expect(Math.abs((await at(start + 20_000)) ?? 0) - start).toBeLessThan(60_000);
  });

  it('one that was killed is forgotten: what it told after a minute, its row after ten', async () => {
    const [one, two] = [server('AA'), server('ZZ', ['rings.L1'])];
    for (const each of [two, one, two, one]) {
      each.ask();
      await each.sharing.exchange();
    }
    expect(one.ask()).toEqual(['ZZ rings.L1']);
    let now = Date.now();
    const age = async (by: number): Promise<void> => {
      now += by;
      for (const { id, toldAt } of await rows())
        await db
          .insert(servers)
          .values({ id, toldAt, body: '' })
          .onConflictDoUpdate({ target: servers.id, set: { toldAt: toldAt - by } });
      one.ask(now);
      await one.sharing.exchange(now);
    };
    await age(50_000);
    expect(one.ask(now)).toEqual(['ZZ rings.L1']);
    await age(11_000);
    expect(one.ask(now)).toEqual([]);
    expect(await rows()).toHaveLength(2);
    await age(550_000);
    expect(await rows()).toHaveLength(1);
  });

  it('a window at a server that tells nothing more has gone as soon as one here would have', async () => {
    const [one, two] = [server('AA'), server('ZZ')];
    for (const each of [two, one, two, one]) {
      each.ask();
      await each.sharing.exchange();
    }
    expect(one.ask()).toEqual(['ZZ ']);
    for (const { id, toldAt } of await rows())
      await db
        .update(servers)
        .set({ toldAt: toldAt - 6_000 })
        .where(eq(servers.id, id));
    await one.sharing.exchange();
    expect(one.ask()).toEqual([]);
  });

  it('what another version of the program tells otherwise is left out', async () => {
    const one = server('AA');
    one.ask();
    await one.sharing.exchange();
    await db.insert(servers).values({ id: 'newer', toldAt: Date.now(), body: '{"windows":[1]}' });
    await one.sharing.exchange();
    expect(one.ask()).toEqual([]);
  });
});
