/**
 * The log of each build in the store: reading it back, and appending to it. It is only ever added to.
 */
import { isDeepStrictEqual } from 'node:util';
import { type SQL, and, asc, count, desc, eq, gt, inArray, sql } from 'drizzle-orm';
import type { BatchItem } from 'drizzle-orm/batch';
import { cylindersOf } from '@/core/foundation/engine/engine';
import { isCylinderId, isOnEngine } from '@/core/foundation/engine/places';
import type { Job } from '@/core/record/jobCard';
import { judge } from '@/core/judge/judge';
import { isCylinder, readingsAt } from '@/core/judge/judgement';
import { type BuildRecord, type Entry, acceptedAt, isChoice, isVoidable, lastOf } from '@/core/judge/buildRecord';
import { SUBJECTS, SUBJECT_IDS } from '@/core/judge/stageTables';
import { sizeFault } from '@/core/foundation/quantity/readingField';
import { parseable } from './quarantine';
import type { Database } from './open';
import { entryOf, rowOf } from './row';
import { builds, log } from './schema';

export interface StoredRecord {
  record: BuildRecord;
  /** How many entries could not be read and are set aside, see `quarantine.ts`. */
  aside: number;
  /** Position in the log of the last entry: grows with every entry appended. */
  seq: number;
}

const ROW = { seq: log.seq, body: log.body, shape: log.shape };

/** The record of a build, or null when there is none of that id. */
export async function loadBuild(db: Database, id: string): Promise<StoredRecord | null> {
  const rows = await db.select(ROW).from(log).where(eq(log.buildId, id)).orderBy(asc(log.seq));
  const last = rows.at(-1);
  if (!last) return null;
  const entries = parseable(rows, entryOf);
  return { record: { id, entries }, aside: rows.length - entries.length, seq: last.seq };
}

/** How many entries a build has, and its name by its job card; null when there is none of that id. */
export async function sizeOf(db: Database, id: string): Promise<{ entries: number; name: string | null } | null> {
  const [[counted], [card]] = await db.batch([
    db.select({ n: count() }).from(log).where(eq(log.buildId, id)),
    lastJob(db, id),
  ]);
  if (!counted || counted.n === 0) return null;
  const [job] = parseable(card ? [card] : [], entryOf);
  return { entries: counted.n, name: job?.kind === 'job' ? job.value.name : null };
}

/** The row of the last job card of a build. */
const lastJob = (db: Database, id: string) =>
  db
    .select(ROW)
    .from(log)
    .where(and(eq(log.buildId, id), eq(log.kind, 'job')))
    .orderBy(desc(log.seq))
    .limit(1);

/** Entries that one answer carries at most: whoever is further behind asks again. */
const PAGE = 500;

/** Entries that came after a position in the log. */
export interface EntryPage {
  entries: Entry[];
  /** Position of the last row of them; null where none came. */
  last: number | null;
  /** Whether more came than these. */
  isMore: boolean;
}

/** The entries of a build that came after a position in the log, a page of them. */
export async function entriesSince(db: Database, id: string, since: number): Promise<EntryPage> {
  const rows = await db
    .select(ROW)
    .from(log)
    .where(and(eq(log.buildId, id), gt(log.seq, since)))
    .orderBy(asc(log.seq))
    .limit(PAGE);
  return { entries: parseable(rows, entryOf), last: rows.at(-1)?.seq ?? null, isMore: rows.length === PAGE };
}

/** By which the shop knows up to where the log reached when a copy was put in its place. */
export const RESTORED_AT = 'putBack';

/** Where the log of a build stands. */
export interface LogPosition {
  /** Position of its last entry. */
  seq: number;
  /** What is known up to here was known before a copy was put in the place of everything: it may not hold. */
  restoredAt: number;
}

const standing = (db: Database, id: string) =>
  db
    .select({ seq: builds.lastSeq, before: sql<string | null>`(SELECT value FROM shop WHERE key = ${RESTORED_AT})` })
    .from(builds)
    .where(eq(builds.id, id));

const positionIn = ([row]: { seq: number; before: string | null }[]): LogPosition | null =>
  row ? { seq: row.seq, restoredAt: Number(row.before ?? 0) } : null;

/** Where the log of a build stands, or null when there is no such build: cheap to ask often. */
export const positionOf = async (db: Database, id: string): Promise<LogPosition | null> =>
  positionIn(await standing(db, id));

/** What came of an append. `conflicts` are choices made over an entry that is no longer the latest. */
export type Appended =
  | { ok: true; stand: LogPosition; conflicts: Entry[] }
  /** Nothing was added: there is no such build, entries are wrong, or their ids are on record with other contents. */
  | { ok: false; why: 'missing' | 'faults' | 'clash'; faults: string[] };

/** What new entries are held against: what they name, looked up one by one, whatever else is on record. */
interface Against {
  /** Kinds of the entries they name, by id. */
  kinds: ReadonlyMap<string, Entry['kind']>;
  /** The job card that holds once they are added; null where there is none. */
  job: Job | null;
}

/** Earlier entries that an entry names, by id. */
function namesOf(entry: Entry): string[] {
  if (entry.kind === 'void' || entry.kind === 'accepted' || entry.kind === 'filed') return [entry.of];
  return entry.kind === 'reading' && entry.zero !== null ? [entry.zero] : [];
}

/** Places and rings that an entry names. */
function namedBy(entry: Entry): string[] {
  if (entry.kind === 'reading') return [entry.cylinder, entry.fit?.ring ?? entry.cylinder];
  return 'cylinder' in entry ? [entry.cylinder] : [];
}

/** Whether something can be read on an engine: one of its cylinders, a main that it may have, its crank. */
function isPlaceIn({ engine }: Job): (place: string) => boolean {
  const cylinders = new Set(cylindersOf(engine).map((c) => c.id));
  return (place) => (isCylinderId(place) ? cylinders.has(place) : isOnEngine(place, engine.cylinders));
}

/** What is wrong with an earlier entry that a new one names; null for nothing. */
function nameFault(entry: Entry, kinds: ReadonlyMap<string, Entry['kind']>): string | null {
  switch (entry.kind) {
    case 'reading':
      return entry.zero === null || kinds.get(entry.zero) === 'setting'
        ? null
        : `There is no zero ${entry.zero} to count from.`;
    case 'accepted':
      return kinds.get(entry.of) === acceptedAt(entry.what) ? null : `There is no reading ${entry.of} to accept.`;
    case 'filed':
      return kinds.get(entry.of) === 'reading' ? null : `There is no reading ${entry.of} to answer for.`;
    case 'void': {
      const kind = kinds.get(entry.of);
      return kind && isVoidable({ kind }) ? null : `There is no reading ${entry.of} to void.`;
    }
    default:
      return null;
  }
}

/** What stops new entries from joining a record, as sentences. */
function faultsOfNew(entries: Entry[], { kinds, job }: Against): string[] {
  const all = new Map(kinds);
  const isThere = job ? isPlaceIn(job) : () => false;
  return entries.flatMap((entry) => {
    const gone = [...new Set(namedBy(entry))].filter((place) => !isThere(place));
    const named = nameFault(entry, all);
    const isSize = entry.kind === 'reading' && entry.zero === null;
    const wrong = isSize && sizeFault(SUBJECTS[entry.subject].field, entry.value, job?.plannedBore ?? null);
    all.set(entry.id, entry.kind);
    return [
      ...gone.map((place) => `This engine has no ${isCylinderId(place) ? 'cylinder at' : 'main bearing'} ${place}.`),
      ...(named ? [named] : []),
      ...(wrong ? [`At ${entry.cylinder}: ${wrong}.`] : []),
    ];
  });
}

/** A job card may not take away cylinders or mains that have readings. Asked of the whole record, for job cards alone. */
async function orphanedBy(db: Database, buildId: string, job: Job): Promise<string[]> {
  const stored = await loadBuild(db, buildId);
  if (!stored) return [];
  const isThere = isPlaceIn(job);
  const { cylinders, places, log: entries } = judge(stored.record);
  return [...cylinders, ...places].flatMap((place) => {
    if (isThere(place.id)) return [];
    const readings = SUBJECT_IDS.flatMap((subject) => readingsAt(entries, place, subject));
    const live = readings.filter((p) => !p.voided).length;
    return live > 0
      ? [
          `${isCylinder(place) ? `Cylinder ${place.label}` : place.words} has ${live} ${live === 1 ? 'reading' : 'readings'} and would be gone. Void them first.`,
        ]
      : [];
  });
}

/**
 * One statement that adds an entry once, and a choice only over the entry it was made over.
 *
 * @param isUnchanged a condition without which nothing is added
 */
function insertion(db: Database, buildId: string, entry: Entry, isUnchanged: SQL): BatchItem<'sqlite'> {
  const { body, shape } = rowOf(buildId, entry);
  const current = sql`(SELECT entry_id FROM log WHERE build_id = ${buildId} AND kind = ${entry.kind} ORDER BY seq DESC LIMIT 1)`;
  const isLatest = isChoice(entry) ? sql`${current} IS ${entry.replaces}` : sql`true`;
  return db.run(sql`INSERT INTO log (build_id, entry_id, kind, body, shape)
    SELECT ${buildId}, ${entry.id}, ${entry.kind}, ${body}, ${shape} WHERE ${isUnchanged} AND ${isLatest}
    ON CONFLICT DO NOTHING`);
}

/** Moves the shelf's card on, so that it is known to be stale until it is worked out again. */
export const touch = (db: Database, buildId: string): BatchItem<'sqlite'> =>
  db
    .update(builds)
    .set({ lastSeq: sql`(SELECT coalesce(max(seq), 0) FROM log WHERE build_id = ${buildId})` })
    .where(eq(builds.id, buildId));

/** Some of a build's entries, by id: those of them that are there. */
const rowsOf = (db: Database, buildId: string, ids: string[]) =>
  db
    .select({ id: log.entryId, kind: log.kind, body: log.body, shape: log.shape })
    .from(log)
    .where(and(eq(log.buildId, buildId), inArray(log.entryId, ids)));

/**
 * Whether an entry is on record as it was sent. Whose initials it has does not count: what was sent by one person and
 * not acknowledged may be sent again by whoever has the device in hand then.
 */
function isAsRecorded(entry: Entry, row: { body: string; shape: number }): boolean {
  try {
    return isDeepStrictEqual({ ...entryOf(row), by: '' }, { ...(JSON.parse(JSON.stringify(entry)) as Entry), by: '' });
  } catch {
    return false;
  }
}

type JobEntry = Extract<Entry, { kind: 'job' }>;

/** The job card that holds after some entries: one that was made over another than holds is not taken. */
const jobAfter = (entries: readonly Entry[], before: JobEntry | null): JobEntry | null =>
  entries.reduce((now, entry) => (entry.kind === 'job' && entry.replaces === (now?.id ?? null) ? entry : now), before);

/** How often an append is tried over while others change what it was checked against. */
const MOST_TRIES = 20;

/**
 * Appends entries to a build, in one transaction. Sending an entry twice adds it once; the id of one that is on record
 * with other contents is refused. A choice made over an outdated one is not added and comes back among the conflicts.
 * What is added was checked against the job card that holds at that moment, and a job card against every entry.
 * Costs the same on a record of ten entries and of thousands; only a new job card is held against all of them.
 *
 * @throws Error with the code SQLITE_BUSY where others changed the build all the while
 */
export async function appendEntries(db: Database, buildId: string, entries: Entry[]): Promise<Appended> {
  for (let tries = 0; tries < MOST_TRIES; tries += 1) {
    const appended = await appendOver(db, buildId, entries);
    if (appended) return appended;
  }
  throw Object.assign(new Error('the build changed all the while'), { code: 'SQLITE_BUSY' });
}

const missing = (id: string): Appended => ({ ok: false, why: 'missing', faults: [`There is no build ${id}.`] });

/** Appends unless what it is checked against changes meanwhile; null then. */
async function appendOver(db: Database, buildId: string, entries: Entry[]): Promise<Appended | null> {
  const ids = entries.map((e) => e.id);
  const named = entries.flatMap(namesOf);
  const [found, [card], [build]] = await db.batch([
    rowsOf(db, buildId, [...ids, ...named]),
    lastJob(db, buildId),
    standing(db, buildId),
  ]);
  if (!build) return missing(buildId);
  const known = new Map(found.map((row) => [row.id, row]));
  const clashes = entries.filter((e) => known.has(e.id) && !isAsRecorded(e, known.get(e.id) ?? { body: '', shape: 0 }));
  if (clashes.length > 0)
    return {
      ok: false,
      why: 'clash',
      faults: clashes.map(({ id }) => `Entry ${id} is on record with other contents. Enter it again.`),
    };
  const kinds = new Map(found.map(({ id, kind }) => [id, kind as Entry['kind']]));
  const fresh = entries.filter((e) => !kinds.has(e.id));
  const job = jobAfter(fresh, card ? (entryOf(card) as JobEntry) : null);
  const newJob = lastOf(fresh, 'job');
  const faults = faultsOfNew(fresh, { kinds, job: job?.value ?? null });
  if (newJob) faults.push(...(await orphanedBy(db, buildId, newJob.value)));
  if (faults.length > 0) return { ok: false, why: 'faults', faults };
  // a job card was held against all that is there, everything else against the job card
  const isUnchanged = newJob
    ? sql`(SELECT last_seq FROM builds WHERE id = ${buildId}) = ${build.seq}`
    : sql`(SELECT coalesce(max(seq), 0) FROM log WHERE build_id = ${buildId} AND kind = 'job') = ${card?.seq ?? 0}`;
  const [[checked]] = await db.batch([
    db
      .select({ isUnchanged: sql<number>`${isUnchanged}` })
      .from(builds)
      .where(eq(builds.id, buildId)),
    ...fresh.map((entry) => insertion(db, buildId, entry, isUnchanged)),
    touch(db, buildId),
  ]);
  if (!checked?.isUnchanged) return null;
  const [present, now] = await db.batch([rowsOf(db, buildId, ids), standing(db, buildId)]);
  const there = new Set(present.map((p) => p.id));
  const stand = positionIn(now);
  if (!stand) return missing(buildId);
  return { ok: true, stand, conflicts: entries.filter((e) => !there.has(e.id)) };
}
