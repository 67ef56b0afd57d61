/**
 * The whole shop as open files in one archive (ZIP): build files, charts, tools, people without their secrets. It is read
 * in on another machine with all ids kept; what is there already is not doubled. Described in docs/backup.md.
 */
import { closeSync, createReadStream, fstatSync, openSync, readSync } from 'node:fs';
import { appendFile } from 'node:fs/promises';
import { join } from 'node:path';
import { createInterface } from 'node:readline';
import { isDeepStrictEqual } from 'node:util';
import { type FileEntry, Reader, TextReader, ZipReader, ZipWriter, configure } from '@zip.js/zip.js';
import { asc, count } from 'drizzle-orm';
import { z } from 'zod';
import type { BuildRecord } from '@/core/judge/buildRecord';
import { MOST_ENTRIES, bareBuildFile, readBuildFile } from '@/files/buildFile';
import { readChartFile, writeChartFile } from '@/files/chartFile';
import { cutFaults, faultsOf } from '@/files/schema';
import { instrumentSchema } from '@/files/shapes/instrument';
import type { Chart } from '@/core/models/charts/chart';
import { chartSchema } from '@/files/shapes/targets';
import { ROLES } from '@/files/roles';
import { auditTable } from './audit';
import { putBuild, setRemoved } from './builds';
import { STANDARD } from './charts';
import { appendEntries, loadBuild } from './log';
import { type Database, inOneTransaction } from './open';
import { withWorkFolder } from './privateFiles';
import { builds, charts, instruments, log, people, shop } from './schema';

// The thread that reads an archive is one already. The library does so many at once and lets the rest wait: a download
// that somebody takes slowly, or not at all, must not be what the next one waits for.
configure({ useWebWorkers: false, maxWorkers: 1_000 });

const FORMAT = 'spatium-shop';
const VERSION = 1;
const MANIFEST = 'spatium-shop.json';
/** As much as one file of an archive may come to, and all of it, in bytes; and how many files it may have. */
const [MOST_OF_ONE, MOST_OF_ALL, MOST_FILES] = [64 * 1024 * 1024, 8 * 1024 * 1024 * 1024, 200_000];
/** Open files shrink to a tenth or a thirtieth: what claims to come from far less was made to fill a disk. */
const MOST_SHRUNK = 200;
/** Builds that cannot be in an archive, since no build file may have as many entries. */
export const LEFT_OUT = 'LEFT-OUT.txt';

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
  const tooLong = await longBuilds(db);
  for (const { id } of await db.select({ id: builds.id }).from(builds).orderBy(asc(builds.id))) {
    const stored = tooLong.has(id) ? null : await loadBuild(db, id);
    if (stored) yield [`builds/${encodeURIComponent(id)}.spatium.json`, JSON.stringify(bareBuildFile(stored.record))];
  }
  if (tooLong.size > 0)
    yield [
      LEFT_OUT,
      [...tooLong].map(([id, n]) => `Build ${id} is not in this archive: ${tooManyEntries(n)}\n`).join(''),
    ];
  yield ['audit.csv', await auditTable(db)];
}

/** @example tooManyEntries(60000) // 'it has 60000 entries, and a build file holds 50000 at most. A backup has all of it.' */
export const tooManyEntries = (n: number): string =>
  `it has ${n} entries, and a build file holds ${MOST_ENTRIES} at most. A backup has all of it.`;

/** Builds with more entries than a build file holds, and how many those are. */
export async function longBuilds(db: Database): Promise<Map<string, number>> {
  const rows = await db.select({ id: log.buildId, n: count() }).from(log).groupBy(log.buildId);
  return new Map(rows.flatMap(({ id, n }) => (n > MOST_ENTRIES ? [[id, n]] : [])));
}

/** The archive, piece by piece: no more of it is held than one build. */
export async function* archiveOf(db: Database, at = new Date()): AsyncGenerator<Uint8Array> {
  let fail: (error: unknown) => void = () => undefined;
  const { readable, writable } = new TransformStream<Uint8Array, Uint8Array>({
    start: (controller) => {
      fail = (error) => controller.error(error);
    },
  });
  const zip = new ZipWriter(writable, { level: 6 });
  const writing = (async () => {
    for await (const [name, text] of filesOf(db, at)) await zip.add(name, new TextReader(text));
    await zip.close();
  })();
  // ends the reading side as well: it waits for pieces that do not come
  writing.catch(fail);
  const pieces = readable.getReader();
  try {
    for (let piece = await pieces.read(); !piece.done; piece = await pieces.read()) yield piece.value;
    await writing;
  } finally {
    // whoever wanted it went away: nothing more is written
    await pieces.cancel().catch(() => null);
  }
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

/** The bytes of an archive, read from its file where they are asked for. */
class FileReader extends Reader<string> {
  private readonly file: number;

  constructor(path: string) {
    super(path);
    this.file = openSync(path, 'r');
    this.size = fstatSync(this.file).size;
  }

  override readUint8Array(index: number, length: number): Promise<Uint8Array> {
    const bytes = new Uint8Array(Math.max(0, Math.min(length, this.size - index)));
    let read = 0;
    while (read < bytes.length) {
      const got = readSync(this.file, bytes, read, bytes.length - read, index + read);
      if (got === 0) break;
      read += got;
    }
    return Promise.resolve(bytes.subarray(0, read));
  }

  close(): void {
    closeSync(this.file);
  }
}

/** Why an archive is not imported, for whoever gave it. */
class ArchiveRefused extends Error {
  override name = 'ArchiveRefused';
}

/** The files of an archive by name, none of them read yet. */
async function filesIn(reader: ZipReader<unknown>, size: number): Promise<Map<string, FileEntry>> {
  try {
    return await listed(reader, size);
  } catch (error) {
    if (error instanceof ArchiveRefused) throw error;
    throw new ArchiveRefused('This is no archive, or it was cut short.');
  }
}

async function listed(reader: ZipReader<unknown>, size: number): Promise<Map<string, FileEntry>> {
  const files = new Map<string, FileEntry>();
  let all = 0;
  for await (const entry of reader.getEntriesGenerator()) {
    if (entry.directory) continue;
    const { filename, uncompressedSize } = entry;
    if (entry.encrypted) throw new ArchiveRefused(`${filename} in it is encrypted.`);
    if (files.has(filename)) throw new ArchiveRefused(`${filename} is in it twice.`);
    if (uncompressedSize > MOST_OF_ONE)
      throw new ArchiveRefused(`${filename} in it is larger than any file of an archive.`);
    all += uncompressedSize;
    if (all > MOST_OF_ALL || all > size * MOST_SHRUNK + MOST_OF_ONE)
      throw new ArchiveRefused('It unpacks to more than any shop comes to.');
    files.set(filename, entry);
    if (files.size > MOST_FILES) throw new ArchiveRefused(`It has more than ${MOST_FILES} files.`);
  }
  return files;
}

/** A file of an archive as text, held against its checksum; one that turns out longer than it claims is given up on. */
async function textOf(file: FileEntry): Promise<string> {
  const pieces: Uint8Array[] = [];
  let bytes = 0;
  const collected = new WritableStream<Uint8Array>({
    write: (piece) => {
      bytes += piece.byteLength;
      if (bytes > file.uncompressedSize) throw new ArchiveRefused(`${file.filename} in it is larger than it says.`);
      pieces.push(piece);
    },
  });
  try {
    await file.getData(collected, { checkCrc32: true });
  } catch (error) {
    if (error instanceof ArchiveRefused) throw error;
    throw new ArchiveRefused(`${file.filename} in it is damaged: it does not match its checksum.`);
  }
  return new TextDecoder().decode(Buffer.concat(pieces));
}

const CHART = /^charts\/([^/]+)\/v(\d+)\.json$/;

/** Files that are to be read by people, and what other programs put beside them. */
const OTHERS = /^(spatium-shop\.json|audit\.csv|LEFT-OUT\.txt|__MACOSX\/.*|(.*\/)?\.DS_Store)$/;
const BUILD = /^builds\/[^/]+\.spatium\.json$/;

/** The latest version of each chart in an archive, by its id. */
function latestVersions(names: Iterable<string>): Map<string, number> {
  const latest = new Map<string, number>();
  for (const name of names) {
    const [, id, version] = CHART.exec(name) ?? [];
    if (id !== undefined) latest.set(id, Math.max(Number(version), latest.get(id) ?? 0));
  }
  return latest;
}

function manifestIn(text: string): Manifest {
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch {
    throw new ArchiveRefused('Its list of contents cannot be read, or it was cut short.');
  }
  const parsed = manifestSchema.safeParse(json);
  if (!parsed.success) throw new ArchiveRefused(faultsOf(parsed.error).join(' '));
  return parsed.data;
}

/** When something was archived, by its id; ids are whatever somebody called a build. */
type When = ReadonlyMap<string, string>;
const whenOf = (record: Record<string, string>): When => new Map(Object.entries(record));

/**
 * Imports an archive: all of it, or nothing. Nothing that is there is changed or doubled: charts get the versions they
 * have not, builds the entries they have not. People come without a PIN: the owner gives them one. What is intact and
 * cannot be read (a build of a later program) is left out and named; damage anywhere refuses the whole.
 *
 * @param path of its file
 * @param folder that builds are put in once they are read, until all are
 * @returns what came of it, or why nothing did
 */
export async function importArchive(db: Database, path: string, folder: string): Promise<ReadIn | string> {
  const bytes = new FileReader(path);
  const zip = new ZipReader(bytes);
  try {
    return await withWorkFolder(folder, async (own) => {
      const files = await filesIn(zip, bytes.size);
      const list = files.get(MANIFEST);
      if (!list) return 'This is no archive of a shop: its list of contents is missing.';
      const manifest = manifestIn(await textOf(list));
      const read = await readAll(files, join(own, 'builds.jsonl'));
      return inOneTransaction(db, (within) => putAll(within, manifest, read));
    });
  } catch (error) {
    if (error instanceof ArchiveRefused) return error.message;
    throw error;
  } finally {
    await zip.close().catch(() => null);
    bytes.close();
  }
}

/** What an archive has beside its list of contents, every file of it read and held against its checksum. */
interface AllRead {
  charts: { chart: Chart; isLatest: boolean }[];
  /** A file with a build a line, and how many. */
  builds: string;
  faults: string[];
}

async function readAll(files: ReadonlyMap<string, FileEntry>, builds: string): Promise<AllRead> {
  const all: AllRead = { charts: [], builds, faults: [] };
  const latest = latestVersions(files.keys());
  await appendFile(builds, '');
  for (const [name, file] of files) {
    if (OTHERS.test(name)) continue;
    const [, id, version] = CHART.exec(name) ?? [];
    if (id === undefined && !BUILD.test(name))
      throw new ArchiveRefused(`${name} in it is no file of an archive of a shop: it is damaged, or was changed.`);
    const text = await textOf(file);
    if (id !== undefined) {
      const read = readChartFile(text, name);
      if (read.ok) all.charts.push({ chart: read.chart, isLatest: latest.get(id) === Number(version) });
      else all.faults.push(`${name}: ${read.faults.join(' ')}`);
    } else {
      const read = readBuildFile(text);
      if (read.ok) await appendFile(builds, `${JSON.stringify(read.record)}\n`);
      else all.faults.push(`${name}: ${read.faults.join(' ')}`);
    }
  }
  return all;
}

async function putAll(db: Database, manifest: Manifest, read: AllRead): Promise<ReadIn> {
  const came: ReadIn = { builds: { added: 0, same: 0, grown: 0 }, charts: 0, tools: 0, people: 0, faults: read.faults };
  const [chartsOff, buildsOff, toolsOff] = [manifest.chartsOff, manifest.buildsOff, manifest.toolsOff].map(whenOf) as [
    When,
    When,
    When,
  ];
  for (const { chart, isLatest } of read.charts)
    came.charts += await putChart(db, chart, isLatest ? (chartsOff.get(chart.id) ?? null) : null);
  for await (const line of createInterface({ input: createReadStream(read.builds) }))
    await buildIn(db, JSON.parse(line) as BuildRecord, buildsOff, came);
  for (const tool of manifest.tools) {
    const added = await db
      .insert(instruments)
      .values({ id: tool.id, body: JSON.stringify(tool), removedAt: toolsOff.get(tool.id) ?? null })
      .onConflictDoNothing()
      .returning({ id: instruments.id });
    came.tools += added.length;
  }
  for (const person of manifest.people) await personIn(db, person, came);
  for (const key of SETTINGS) {
    const value = manifest.settings[key];
    if (value !== undefined) await db.insert(shop).values({ key, value }).onConflictDoNothing();
  }
  return { ...came, faults: cutFaults(came.faults) };
}

/** A version of a chart, unless it is there; how many came. */
async function putChart(db: Database, chart: Chart, removedAt: string | null): Promise<number> {
  const { id, version, name } = chart;
  const added = await db
    .insert(charts)
    .values({ id, version, name, body: JSON.stringify(chart), removedAt })
    .onConflictDoNothing()
    .returning({ id: charts.id });
  return added.length;
}

async function buildIn(db: Database, record: BuildRecord, off: When, came: ReadIn): Promise<void> {
  const created = await putBuild(db, record);
  if (created === 'already here') {
    came.builds.same += 1;
    return;
  }
  if (created === 'taken') {
    came.faults.push(...(await grow(db, record)).map((fault) => `Build ${record.id}: ${fault}`));
    came.builds.grown += 1;
    return;
  }
  came.builds.added += 1;
  const at = off.get(record.id);
  if (at !== undefined) await setRemoved(db, [record.id], true, at);
}

/** As many entries as are appended at once. */
const AT_ONCE = 500;

/** A build that is there with other entries gets those it has not, each once; what did not come, and why. */
async function grow(db: Database, record: BuildRecord): Promise<string[]> {
  const stored = await loadBuild(db, record.id);
  const known = new Map(stored?.record.entries.map((e) => [e.id, e]));
  const fresh = record.entries.filter((e) => !known.has(e.id));
  const others = record.entries.filter((e) => known.has(e.id) && !isDeepStrictEqual(known.get(e.id), e)).length;
  const faults = others > 0 ? [`${others} entries are on record here with other contents, and stay so`] : [];
  let conflicts = 0;
  for (let i = 0; i < fresh.length; i += AT_ONCE) {
    const appended = await appendEntries(db, record.id, fresh.slice(i, i + AT_ONCE));
    if (!appended.ok) return [...faults, ...appended.faults];
    conflicts += appended.conflicts.length;
  }
  return conflicts > 0 ? [...faults, `${conflicts} choices were made otherwise here, and stay so`] : faults;
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
