/**
 * The whole shop as open files in one archive (ZIP): build files, charts, tools, people without their secrets. It is read
 * in on another machine with all ids kept; what is there already is not doubled. Described in docs/backup.md.
 */
import { asc } from 'drizzle-orm';
import { Zip, ZipDeflate, strFromU8, strToU8, unzipSync } from 'fflate';
import { z } from 'zod';
import { readBuildFile, writeBuildFile } from '@/files/buildFile';
import { readChartFile, writeChartFile } from '@/files/chartFile';
import { faultsOf } from '@/files/schema';
import { instrumentSchema } from '@/files/shapes/instrument';
import { chartSchema } from '@/files/shapes/targets';
import { ROLES } from '@/people/rules';
import { auditTable } from './audit';
import { createBuild, setRemoved } from './builds';
import { STANDARD } from './charts';
import { appendEntries, loadBuild } from './log';
import type { Database } from './open';
import { builds, charts, instruments, people, shop } from './schema';

const FORMAT = 'spatium-shop';
const VERSION = 1;
const MANIFEST = 'spatium-shop.json';
/** As much as one file of an archive may come to, and all of it, in bytes. */
const [MOST_OF_ONE, MOST_OF_ALL] = [64 * 1024 * 1024, 4 * 1024 * 1024 * 1024];

const personSchema = z.strictObject({
  id: z.string().min(1).max(64),
  name: z.string().min(1).max(80),
  initials: z.string().min(1).max(12),
  role: z.enum(ROLES),
  hasLeft: z.boolean(),
});
const manifestSchema = z.strictObject({
  format: z.literal(FORMAT),
  version: z.literal(VERSION),
  at: z.string(),
  /** When builds were taken off the shelf, charts (in their latest version) and tools put away, by their ids. */
  buildsOff: z.record(z.string(), z.string()),
  chartsOff: z.record(z.string(), z.string()),
  toolsOff: z.record(z.string(), z.string()),
  /** Small settings of the shop, by their names. */
  settings: z.record(z.string(), z.string()),
  tools: z.array(instrumentSchema),
  people: z.array(personSchema),
});
type Manifest = z.infer<typeof manifestSchema>;

/** What of the shop's settings goes along: nothing that signs anything. */
const SETTINGS = [STANDARD];

const offs = (rows: { id: string; removedAt: string | null }[]): Record<string, string> =>
  Object.fromEntries(rows.flatMap(({ id, removedAt }) => (removedAt === null ? [] : [[id, removedAt]])));

async function manifestOf(db: Database, at: Date): Promise<Manifest> {
  const tools = await db.select().from(instruments);
  const versions = db.select({ id: charts.id, removedAt: charts.removedAt }).from(charts).orderBy(asc(charts.version));
  const latest = new Map((await versions).map((row) => [row.id, row]));
  const everybody = await db.select().from(people);
  return {
    format: FORMAT,
    version: VERSION,
    at: at.toISOString(),
    buildsOff: offs(await db.select({ id: builds.id, removedAt: builds.removedAt }).from(builds)),
    chartsOff: offs([...latest.values()]),
    toolsOff: offs(tools),
    settings: Object.fromEntries(
      (await db.select().from(shop)).flatMap(({ key, value }) => (SETTINGS.includes(key) ? [[key, value]] : [])),
    ),
    tools: tools.map(({ body }) => instrumentSchema.parse(JSON.parse(body))),
    people: everybody.map((p) => ({
      id: p.id,
      name: p.name,
      initials: p.displayUsername ?? '',
      role: ROLES.find((r) => r === p.role) ?? 'reader',
      hasLeft: p.banned === true,
    })),
  };
}

/** The files of the archive, one after the other. */
async function* filesOf(db: Database, at: Date): AsyncGenerator<[name: string, text: string]> {
  yield [MANIFEST, JSON.stringify(await manifestOf(db, at), null, 1)];
  for (const row of await db.select().from(charts).orderBy(asc(charts.id), asc(charts.version)))
    yield [
      `charts/${encodeURIComponent(row.id)}/v${row.version}.json`,
      JSON.stringify(writeChartFile(chartSchema.parse(JSON.parse(row.body))), null, 1),
    ];
  for (const { id } of await db.select({ id: builds.id }).from(builds).orderBy(asc(builds.id))) {
    const stored = await loadBuild(db, id);
    if (stored)
      yield [`builds/${encodeURIComponent(id)}.spatium.json`, JSON.stringify(writeBuildFile(stored.record), null, 1)];
  }
  yield ['audit.csv', await auditTable(db)];
}

/** The archive, piece by piece: no more of it is held than one build. */
export async function* archiveOf(db: Database, at = new Date()): AsyncGenerator<Uint8Array> {
  const ready: Uint8Array[] = [];
  const zip = new Zip((error, piece) => {
    if (error) throw error;
    ready.push(piece);
  });
  for await (const [name, text] of filesOf(db, at)) {
    const file = new ZipDeflate(name, { level: 6 });
    zip.add(file);
    file.push(strToU8(text), true);
    yield* ready.splice(0);
  }
  zip.end();
  yield* ready.splice(0);
}

/** What came of reading an archive in. */
export interface ReadIn {
  /** Builds that were not there; those that were, as they are; those that got entries they had not. */
  builds: { added: number; same: number; grown: number };
  charts: number;
  tools: number;
  people: number;
  /** What was left out, and why. */
  faults: string[];
}

/** An archive's files by name; what cannot be read is refused. */
function opened(bytes: Uint8Array): { names: string[]; text: (name: string) => string } | string {
  const names: string[] = [];
  let all = 0;
  try {
    unzipSync(bytes, {
      filter: ({ name, originalSize }) => {
        if (originalSize > MOST_OF_ONE) throw new RangeError(`${name} in it is larger than any file of an archive.`);
        all += originalSize;
        if (all > MOST_OF_ALL) throw new RangeError('It unpacks to more than any shop comes to.');
        names.push(name);
        return false;
      },
    });
  } catch (error) {
    return error instanceof RangeError ? error.message : 'This is no archive, or it was cut short.';
  }
  const text = (wanted: string): string => {
    const found = unzipSync(bytes, { filter: ({ name }) => name === wanted })[wanted];
    if (!found) throw new RangeError(`${wanted} is not in it.`);
    return strFromU8(found);
  };
  return { names, text };
}

const CHART = /^charts\/([^/]+)\/v(\d+)\.json$/;

/** Whether the file of a chart has its latest version of those in an archive. */
function isLatest(name: string, names: readonly string[]): boolean {
  const [, id, version] = CHART.exec(name) ?? [];
  return names.every((other) => {
    const [, its, later] = CHART.exec(other) ?? [];
    return its !== id || Number(later) <= Number(version);
  });
}

/** A build that is there with other entries: those it has not are added, each once. */
async function grown(db: Database, id: string, entries: Parameters<typeof appendEntries>[2]): Promise<string | null> {
  const stored = await loadBuild(db, id);
  const known = new Set(stored?.record.entries.map((e) => e.id));
  const fresh = entries.filter((e) => !known.has(e.id));
  if (fresh.length === 0) return null;
  const appended = await appendEntries(db, id, fresh);
  if (!appended.ok) return appended.faults.join(' ');
  return appended.conflicts.length > 0
    ? `${appended.conflicts.length} choices were made otherwise here, and stay so`
    : null;
}

/**
 * Reads an archive in. Nothing that is there is changed or doubled: charts get the versions they have not, builds the
 * entries they have not. People come without a PIN: the owner gives them one.
 *
 * @returns what came of it, or why nothing did
 */
export async function readIn(db: Database, bytes: Uint8Array): Promise<ReadIn | string> {
  const archive = opened(bytes);
  if (typeof archive === 'string') return archive;
  const { names, text } = archive;
  if (!names.includes(MANIFEST)) return 'This is no archive of a shop: its list of contents is missing.';
  let manifest: Manifest;
  try {
    const parsed = manifestSchema.safeParse(JSON.parse(text(MANIFEST)));
    if (!parsed.success) return faultsOf(parsed.error).join(' ');
    manifest = parsed.data;
  } catch {
    return 'Its list of contents cannot be read, or it was cut short.';
  }
  const came: ReadIn = { builds: { added: 0, same: 0, grown: 0 }, charts: 0, tools: 0, people: 0, faults: [] };
  for (const name of names) {
    if (CHART.test(name)) await chartIn(db, text(name), isLatest(name, names) ? manifest.chartsOff : {}, came, name);
    else if (/^builds\/[^/]+\.spatium\.json$/.test(name)) await buildIn(db, text(name), manifest, came, name);
  }
  for (const tool of manifest.tools) {
    const added = await db
      .insert(instruments)
      .values({ id: tool.id, body: JSON.stringify(tool), removedAt: manifest.toolsOff[tool.id] ?? null })
      .onConflictDoNothing()
      .returning({ id: instruments.id });
    came.tools += added.length;
  }
  for (const person of manifest.people) await personIn(db, person, came);
  for (const key of SETTINGS) {
    const value = manifest.settings[key];
    if (value !== undefined) await db.insert(shop).values({ key, value }).onConflictDoNothing();
  }
  return came;
}

async function chartIn(
  db: Database,
  text: string,
  off: Manifest['chartsOff'],
  came: ReadIn,
  name: string,
): Promise<void> {
  const read = readChartFile(text, name);
  if (!read.ok) {
    came.faults.push(`${name}: ${read.faults.join(' ')}`);
    return;
  }
  const { chart } = read;
  const added = await db
    .insert(charts)
    .values({
      id: chart.id,
      version: chart.version,
      name: chart.name,
      body: JSON.stringify(chart),
      removedAt: off[chart.id] ?? null,
    })
    .onConflictDoNothing()
    .returning({ id: charts.id });
  came.charts += added.length;
}

async function buildIn(db: Database, text: string, { buildsOff }: Manifest, came: ReadIn, name: string): Promise<void> {
  const read = readBuildFile(text);
  if (!read.ok) {
    came.faults.push(`${name}: ${read.faults.join(' ')}`);
    return;
  }
  const { record } = read;
  const created = await createBuild(db, record);
  if (created === 'created') {
    came.builds.added += 1;
    const off = buildsOff[record.id];
    if (off !== undefined) await setRemoved(db, [record.id], true, off);
    return;
  }
  if (created === 'already here') {
    came.builds.same += 1;
    return;
  }
  const fault = await grown(db, record.id, record.entries);
  came.builds.grown += 1;
  if (fault !== null) came.faults.push(`${name}: ${fault}`);
}

async function personIn(db: Database, person: Manifest['people'][number], came: ReadIn): Promise<void> {
  const now = new Date();
  const added = await db
    .insert(people)
    .values({
      id: person.id,
      name: person.name,
      email: `${person.id}@people.invalid`,
      emailVerified: true,
      createdAt: now,
      updatedAt: now,
      username: person.initials.toLowerCase(),
      displayUsername: person.initials,
      role: person.role,
      banned: person.hasLeft,
    })
    .onConflictDoNothing()
    .returning({ id: people.id });
  came.people += added.length;
}
