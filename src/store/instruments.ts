/**
 * The shop's measuring tools. The latest version of each is kept; builds hold the versions their readings name.
 * Until the shop says otherwise it has the starting ones.
 */
import { eq } from 'drizzle-orm';
import type { Instrument } from '@/core/foundation/uncertainty/instrument';
import { STARTING_INSTRUMENTS } from '@/core/foundation/uncertainty/startingInstruments';
import { parseable } from './quarantine';
import type { Database } from './open';
import { instruments } from './schema';
import { instrumentSchema } from '@/files/shapes/instrument';

const read = (body: string): Instrument => instrumentSchema.parse(JSON.parse(body));

interface Kept {
  instrument: Instrument;
  removed: boolean;
}

async function allInstruments(db: Database): Promise<Map<string, Kept>> {
  const rows = await db.select().from(instruments);
  const kept = new Map(
    STARTING_INSTRUMENTS.map((instrument): [string, Kept] => [instrument.id, { instrument, removed: false }]),
  );
  for (const [id, tool] of parseable(
    rows,
    (row) => [row.id, { instrument: read(row.body), removed: row.removedAt !== null }] as const,
  ))
    kept.set(id, tool);
  return kept;
}

/** The tools in use, by kind and then by name. */
export async function keptInstruments(db: Database): Promise<Instrument[]> {
  const kept = [...(await allInstruments(db)).values()].flatMap((k) => (k.removed ? [] : [k.instrument]));
  return kept.sort(
    (a, b) => a.kind.localeCompare(b.kind, 'en') || a.name.localeCompare(b.name, 'en', { numeric: true }),
  );
}

export type SavedInstrument = { ok: true; instrument: Instrument } | { ok: false; latest: Instrument | null };

/**
 * Keeps a tool as its next version, over the one it was made from (0 for a new one). When someone else saved one
 * meanwhile nothing changes, and theirs comes back.
 */
export async function saveInstrument(db: Database, instrument: Instrument, over: number): Promise<SavedInstrument> {
  const next = { ...instrument, version: over + 1 };
  const body = JSON.stringify(next);
  return db.transaction(async (tx) => {
    const [row] = await tx.select().from(instruments).where(eq(instruments.id, next.id));
    const latest = row ? read(row.body) : (STARTING_INSTRUMENTS.find((i) => i.id === next.id) ?? null);
    if ((latest?.version ?? 0) !== over) return { ok: false, latest };
    await tx
      .insert(instruments)
      .values({ id: next.id, body })
      .onConflictDoUpdate({ target: instruments.id, set: { body } });
    return { ok: true, instrument: next };
  });
}

/** Puts a tool away, or takes it out again. Readings made with it keep it. */
export async function setInstrumentRemoved(db: Database, id: string, removed: boolean): Promise<void> {
  const kept = (await allInstruments(db)).get(id);
  if (!kept) return;
  const removedAt = removed ? new Date().toISOString() : null;
  await db
    .insert(instruments)
    .values({ id, body: JSON.stringify(kept.instrument), removedAt })
    .onConflictDoUpdate({ target: instruments.id, set: { removedAt } });
}
