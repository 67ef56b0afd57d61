/** What is done in the thread for heavy work. Only the thread imports this; others take the types of it. */
import { randomUUID } from 'node:crypto';
import { readBuildFile, writeBuildFile } from '@/files/buildFile';
import { type ReadIn, archiveOf, importArchive } from '@/store/archive';
import { backupFolder } from '@/store/backup';
import { type Created, createBuild, importBuild } from '@/store/builds';
import { freshenCards } from '@/store/cards';
import { loadBuild } from '@/store/log';
import { database, databaseUrl } from '@/store/store';

/** A task: yields pieces of what it makes, returns its result. */
type Task<I, R> = (input: I) => AsyncGenerator<Uint8Array, R>;

const task = <I, R>(run: Task<I, R>): Task<I, R> => run;

/** A piece of text that is sent at once, characters. */
const PIECE = 256 * 1024;

export type BuildImported = { ok: true; id: string; created: Created } | { ok: false; faults: string[] };

export const TASKS = {
  /** The whole shop as open files. */
  archive: task<null, null>(async function* () {
    yield* archiveOf(await database());
    return null;
  }),

  /** An archive is imported, from its file. */
  importArchive: task<{ path: string }, ReadIn | string>(async function* ({ path }) {
    return importArchive(await database(), path, backupFolder(databaseUrl()));
  }),

  /** The file of a build, its results worked out. */
  buildFile: task<{ id: string }, null>(async function* ({ id }) {
    const stored = await loadBuild(await database(), id);
    if (!stored) return null;
    const text = JSON.stringify(writeBuildFile(stored.record), null, 1);
    const encoder = new TextEncoder();
    for (let at = 0; at < text.length; at += PIECE) yield encoder.encode(text.slice(at, at + PIECE));
    return null;
  }),

  /** A build file is imported: under an id of its own as a copy, its initials marked where people are set up. */
  importBuild: task<{ bytes: Uint8Array; isCopy: boolean; isForeign: boolean }, BuildImported>(async function* ({
    bytes,
    isCopy,
    isForeign,
  }) {
    const read = readBuildFile(new TextDecoder().decode(bytes));
    if (!read.ok) return read;
    const record = isCopy ? { ...read.record, id: randomUUID() } : read.record;
    const created = await (isForeign ? importBuild : createBuild)(await database(), record);
    return { ok: true, id: record.id, created };
  }),

  /** Cards of the list of builds that are behind their logs. */
  freshenCards: task<null, null>(async function* () {
    await freshenCards(await database());
    return null;
  }),
};

export type TaskName = keyof typeof TASKS;
export type Inputs = { [N in TaskName]: Parameters<(typeof TASKS)[N]>[0] };
export type Results = {
  [N in TaskName]: ReturnType<(typeof TASKS)[N]> extends AsyncGenerator<unknown, infer R> ? R : never;
};
