/** Copies made while benches write, each put back and held entry by entry against what had been acknowledged. */
import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { isDeepStrictEqual } from 'node:util';
import type { BuildRecord } from '../../src/core/judge/buildRecord';
import { LibsqlServer } from '../../src/fixtures/libsqlServer';
import { restore } from '../../src/store/backup';
import { createBuild } from '../../src/store/builds';
import { appendEntries, loadBuild } from '../../src/store/log';
import { type Database, openDatabase } from '../../src/store/open';
import type { Figures } from '../figures';
import { COMMON, emptyBuild, ownOf, sentAs } from './sent';

const WRITERS = ['a', 'b', 'c', 'd'] as const;
const BUILDS = [COMMON, ...WRITERS.map(ownOf)];

/** Appends until it is told to end; how far each got. */
function writing(db: Database): { reached: Map<string, number>; end: () => Promise<void> } {
  const reached = new Map<string, number>(WRITERS.map((name) => [name, 0]));
  let isOver = false;
  const all = WRITERS.map(async (name) => {
    for (let n = 0; !isOver; n += 1) {
      const { build, entry } = sentAs(name, n);
      const appended = await appendEntries(db, build, [entry]);
      if (!appended.ok || appended.conflicts.length > 0) throw new Error(JSON.stringify(appended));
      reached.set(name, n + 1);
      // as benches do, not as fast as can be
      await new Promise((resolve) => setTimeout(resolve, 5));
    }
  });
  return {
    reached,
    end: async () => {
      isOver = true;
      await Promise.all(all);
    },
  };
}

async function recordsOf(db: Database): Promise<BuildRecord[]> {
  const all = [];
  for (const id of BUILDS) all.push((await loadBuild(db, id))?.record ?? { id, entries: [] });
  return all;
}

/** What of a copy is not as it stands on record, by builds: entries missing, changed, out of order, or never sent. */
function differing(copy: readonly BuildRecord[], record: readonly BuildRecord[]): number {
  return copy.reduce((sum, { entries }, b) => {
    const stands = record[b]?.entries ?? [];
    return sum + entries.filter((entry, i) => !isDeepStrictEqual(entry, stands[i])).length;
  }, 0);
}

/** As `npm run backup` does it: another process than those that write. */
async function copiedByCommand(url: string, file: string): Promise<void> {
  const child = spawn(process.execPath, ['--import', 'tsx', 'scripts/shop.ts', 'backup', file], {
    env: { ...process.env, DATABASE_URL: url },
    stdio: ['ignore', 'ignore', 'inherit'],
  });
  const [code] = (await once(child, 'exit')) as [number | null];
  if (code !== 0) throw new Error(`no copy was made: ended with ${code}`);
}

interface Copied {
  copies: number;
  entries: number;
  /** Entries acknowledged before a copy was begun, and not in it. */
  missing: number;
  differing: number;
  /** After the last copy was put back: entries that are not as in the copy. */
  afterRestore: number;
}

async function copiedWhileWriting(url: string, folder: string, copies: number): Promise<Copied> {
  const db = await openDatabase(url);
  for (const id of BUILDS) await createBuild(db, emptyBuild(id));
  const { reached, end } = writing(db);
  const made: { file: string; before: Map<string, number> }[] = [];
  for (let k = 0; k < copies; k += 1) {
    await new Promise((resolve) => setTimeout(resolve, 100 + Math.random() * 400));
    const before = new Map(reached);
    const file = join(folder, `copy-${k}.db`);
    await copiedByCommand(url, file);
    made.push({ file, before });
  }
  await end();
  const record = await recordsOf(db);
  const found: Copied = { copies, entries: 0, missing: 0, differing: 0, afterRestore: 0 };
  for (const [k, { file, before }] of made.entries()) {
    // put back into a shop of its own, which has something else in it
    const other = join(folder, `other-${k}.db`);
    const there = await openDatabase(other);
    await createBuild(there, emptyBuild('something-else'));
    there.$client.close();
    await restore(other, file, join(folder, 'kept'));
    const back = await openDatabase(other);
    const stands = await recordsOf(back);
    if (await loadBuild(back, 'something-else')) found.differing += 1;
    back.$client.close();
    const ids = new Set(stands.flatMap(({ entries }) => entries.map(({ id }) => id)));
    found.entries += ids.size;
    for (const [name, next] of before)
      for (let n = 0; n < next; n += 1) if (!ids.has(`${name}-${n}`)) found.missing += 1;
    found.differing += differing(stands, record);
  }
  const last = made.at(-1);
  if (last) {
    await restore(url, last.file, join(folder, 'kept'));
    const now = await recordsOf(db);
    const copy = await openDatabase(last.file);
    const copied = await recordsOf(copy);
    copy.$client.close();
    found.afterRestore = differing(now, copied) + differing(copied, now);
  }
  db.$client.close();
  return found;
}

/** Makes so many copies of a file, and as many of a stand-in for a server. */
export async function copied(figures: Figures, copies: number): Promise<void> {
  for (const isRemote of [false, true]) {
    const folder = mkdtempSync(join(tmpdir(), 'spatium-copies-'));
    const file = join(folder, 'shop.db');
    const server = isRemote ? new LibsqlServer(file) : null;
    await server?.start();
    const { entries, missing, differing: other, afterRestore } = await copiedWhileWriting(
      server?.url ?? file,
      folder,
      copies,
    ); // oxfmt-ignore
    await server?.stop();
    rmSync(folder, { recursive: true, force: true });
    figures.add(
      `${copies} copies while four write, ${isRemote ? 'stand-in for a server' : 'file'}, each put back`,
      `${entries} entries compared, ${missing} missing, ${other} other; ${afterRestore} other after putting back over what came later`,
      'none',
      missing + other + afterRestore === 0,
    );
  }
}
