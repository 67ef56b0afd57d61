/**
 * Builds in the store: appending entries, reading records back, and the shelf.
 */
import { type SQL, and, asc, desc, eq, gt, inArray, isNull, like, lt, sql } from 'drizzle-orm';
import type { BatchItem } from 'drizzle-orm/batch';
import { judge } from '@/core/build/judge';
import { type BuildRecord, CHOICE_KINDS, type ChoiceKind, type Entry, choiceIn, isVoidable } from '@/core/build/record';
import { allPasses } from '@/core/build/sizes';
import { cylindersOf, engineWords } from '@/core/engine/engine';
import { entrySchema } from '@/files/schema';
import type { Database } from './open';
import { ownRates } from './rates';
import { builds, log, rates } from './schema';
import { SHELF_PAGE, type ShelfAsk, type ShelfSort } from './shelfAsk';

export interface StoredRecord {
  record: BuildRecord;
  /** Position in the log of the last entry: grows with every entry appended. */
  seq: number;
}

const isChoice = (entry: Entry): entry is Extract<Entry, { kind: ChoiceKind }> =>
  CHOICE_KINDS.some((kind) => kind === entry.kind);

/** The record of a build, or null when there is none of that id. */
export async function loadBuild(db: Database, id: string): Promise<StoredRecord | null> {
  const rows = await db
    .select({ seq: log.seq, body: log.body })
    .from(log)
    .where(eq(log.buildId, id))
    .orderBy(asc(log.seq));
  const last = rows.at(-1);
  if (!last) return null;
  return { record: { id, entries: rows.map((row) => entrySchema.parse(JSON.parse(row.body))) }, seq: last.seq };
}

/** The entries of a build that came after a position in the log. */
export async function entriesSince(db: Database, id: string, since: number): Promise<Entry[]> {
  const rows = await db
    .select({ body: log.body })
    .from(log)
    .where(and(eq(log.buildId, id), gt(log.seq, since)))
    .orderBy(asc(log.seq));
  return rows.map((row) => entrySchema.parse(JSON.parse(row.body)));
}

/** Position in the log of a build's last entry, or null when there is no such build: cheap to ask often. */
export async function lastSeqOf(db: Database, id: string): Promise<number | null> {
  const rows = await db.select({ seq: builds.lastSeq }).from(builds).where(eq(builds.id, id));
  return rows[0]?.seq ?? null;
}

/** What came of an append. `conflicts` are choices made over an entry that is no longer the latest. */
export type Appended =
  | { ok: true; stored: StoredRecord; conflicts: Entry[] }
  | { ok: false; missing: true }
  | { ok: false; missing: false; faults: string[] };

/** What stops new entries from joining a record, as sentences. */
function faultsOfNew(record: BuildRecord, entries: Entry[]): string[] {
  const all = new Map(record.entries.map((e) => [e.id, e]));
  const job = choiceIn({ ...record, entries: [...record.entries, ...entries] }, 'job');
  const places = new Set(job ? cylindersOf(job.value.engine).map((c) => c.id) : []);
  const faults: string[] = [];
  for (const entry of entries) {
    const at =
      entry.kind === 'reading'
        ? [entry.cylinder, entry.fit?.ring ?? entry.cylinder]
        : entry.kind === 'check' || entry.kind === 'renewed' || entry.kind === 'cut'
          ? [entry.cylinder]
          : [];
    for (const place of new Set(at)) if (!places.has(place)) faults.push(`This engine has no cylinder at ${place}.`);
    if (entry.kind === 'accepted' && all.get(entry.of)?.kind !== 'reading')
      faults.push(`There is no reading ${entry.of} to accept.`);
    if (entry.kind === 'void') {
      const target = all.get(entry.of);
      if (!target || !isVoidable(target)) faults.push(`There is no reading ${entry.of} to void.`);
    }
    if (entry.kind === 'job') faults.push(...orphaned(record, entry));
    all.set(entry.id, entry);
  }
  return faults;
}

/** A job card may not take away cylinders that have readings. */
function orphaned(record: BuildRecord, entry: Extract<Entry, { kind: 'job' }>): string[] {
  const places = new Set(cylindersOf(entry.value.engine).map((c) => c.id));
  return judge(record)
    .cylinders.filter((c) => !places.has(c.id))
    .flatMap((c) => {
      const live = allPasses(c).filter((p) => !p.voided).length;
      return live > 0
        ? [`Cylinder ${c.label} has ${live} ${live === 1 ? 'reading' : 'readings'} and would be gone. Void them first.`]
        : [];
    });
}

/** One statement that adds an entry once, and a choice only over the entry it was made over. */
function insertion(db: Database, buildId: string, entry: Entry): BatchItem<'sqlite'> {
  const row = { buildId, entryId: entry.id, kind: entry.kind, body: JSON.stringify(entry) };
  if (!isChoice(entry)) return db.insert(log).values(row).onConflictDoNothing();
  const current = sql`(SELECT entry_id FROM log WHERE build_id = ${buildId} AND kind = ${entry.kind} ORDER BY seq DESC LIMIT 1)`;
  return db.run(sql`INSERT INTO log (build_id, entry_id, kind, body)
    SELECT ${buildId}, ${entry.id}, ${entry.kind}, ${row.body} WHERE ${current} IS ${entry.replaces}
    ON CONFLICT DO NOTHING`) as unknown as BatchItem<'sqlite'>;
}

/** Moves the shelf's card on, so that it is known to be stale until it is worked out again. */
const touch = (db: Database, buildId: string): BatchItem<'sqlite'> =>
  db
    .update(builds)
    .set({ lastSeq: sql`(SELECT coalesce(max(seq), 0) FROM log WHERE build_id = ${buildId})` })
    .where(eq(builds.id, buildId));

/**
 * Appends entries to a build, in one transaction. Sending an entry twice adds it once.
 * A choice made over an outdated one is not added and comes back among the conflicts.
 */
export async function appendEntries(db: Database, buildId: string, entries: Entry[]): Promise<Appended> {
  const before = await loadBuild(db, buildId);
  if (!before) return { ok: false, missing: true };
  const known = new Set(before.record.entries.map((e) => e.id));
  const faults = faultsOfNew(
    before.record,
    entries.filter((e) => !known.has(e.id)),
  );
  if (faults.length > 0) return { ok: false, missing: false, faults };
  const statements = [...entries.map((entry) => insertion(db, buildId, entry)), touch(db, buildId)];
  await db.batch(statements as [BatchItem<'sqlite'>, ...BatchItem<'sqlite'>[]]);
  const stored = await loadBuild(db, buildId);
  if (!stored) return { ok: false, missing: true };
  await writeCard(db, stored);
  const present = new Set(stored.record.entries.map((e) => e.id));
  return { ok: true, stored, conflicts: entries.filter((e) => !present.has(e.id)) };
}

/** What came of putting a whole record in. */
export type Created = 'created' | 'already here' | 'taken';

/**
 * Puts a record on the shelf as it is. `already here` when the same record is there, `taken` when another
 * record has its id; neither changes anything.
 */
export async function createBuild(db: Database, record: BuildRecord): Promise<Created> {
  const existing = await loadBuild(db, record.id);
  if (existing) return JSON.stringify(existing.record) === JSON.stringify(normal(record)) ? 'already here' : 'taken';
  const now = new Date().toISOString();
  const statements: BatchItem<'sqlite'>[] = [
    db.insert(builds).values({ id: record.id, createdAt: record.entries[0]?.at ?? now, updatedAt: now }),
  ];
  for (const entry of record.entries)
    statements.push(
      db.insert(log).values({ buildId: record.id, entryId: entry.id, kind: entry.kind, body: JSON.stringify(entry) }),
    );
  statements.push(touch(db, record.id));
  await db.batch(statements as [BatchItem<'sqlite'>, ...BatchItem<'sqlite'>[]]);
  const stored = await loadBuild(db, record.id);
  if (stored) await writeCard(db, stored);
  return 'created';
}

/** A record with its keys in the schema's order, so that two of them compare as text. */
const normal = (record: BuildRecord): BuildRecord => ({
  id: record.id,
  entries: record.entries.map((e) => entrySchema.parse(e)),
});

/** Writes the shelf's card from the judgement, unless a later one is there already. */
async function writeCard(db: Database, { record, seq }: StoredRecord): Promise<void> {
  const judgement = judge(record);
  const { job, duty, piston, progress, findings, lastAt } = judgement;
  if (!job) return;
  const engine = engineWords(job.engine);
  const learnt = ownRates(judgement);
  if (record.entries.some((e) => e.kind === 'cut'))
    await db.batch([
      db.delete(rates).where(eq(rates.buildId, record.id)),
      ...learnt.map((row) => db.insert(rates).values(row)),
    ]);
  await db
    .update(builds)
    .set({
      name: job.name,
      customer: job.customer,
      engine,
      search: [job.name, job.customer, job.description, job.notes, engine, duty.row?.words, piston?.words]
        .join(' ')
        .toLowerCase(),
      units: job.units,
      boreNm: job.plannedBore,
      duty: duty.wanted,
      done: progress.done,
      total: progress.total,
      stops: findings.filter((f) => f.severity === 'stop').length,
      updatedAt: lastAt ?? new Date().toISOString(),
      judgedSeq: seq,
    })
    .where(and(eq(builds.id, record.id), lt(builds.judgedSeq, seq)));
}

const SORT_COLUMNS: Record<ShelfSort, SQL> = {
  updated: sql`${builds.updatedAt}`,
  name: sql`lower(${builds.name})`,
  customer: sql`lower(${builds.customer})`,
  engine: sql`${builds.engine}`,
  bore: sql`${builds.boreNm}`,
  progress: sql`1.0 * ${builds.done} / max(${builds.total}, 1)`,
};

/** Cards left stale by a stop between an entry and its card are worked out now. */
async function freshenCards(db: Database): Promise<void> {
  const stale = await db.select({ id: builds.id }).from(builds).where(lt(builds.judgedSeq, builds.lastSeq)).limit(50);
  for (const { id } of stale) {
    const stored = await loadBuild(db, id);
    if (stored) await writeCard(db, stored);
  }
}

export type ShelfCard = typeof builds.$inferSelect;

/** A page of the shelf: every word of the query must occur in the card. */
export async function shelf(db: Database, ask: ShelfAsk): Promise<{ cards: ShelfCard[]; total: number; all: number }> {
  await freshenCards(db);
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
  return { cards, total: count[0]?.n ?? 0, all: all[0]?.n ?? 0 };
}

/** Takes builds off the shelf, or puts them back. The log of each stays. */
export async function setRemoved(db: Database, ids: string[], removed: boolean): Promise<void> {
  if (ids.length === 0) return;
  await db
    .update(builds)
    .set({ removedAt: removed ? new Date().toISOString() : null })
    .where(inArray(builds.id, ids));
}
