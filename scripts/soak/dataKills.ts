/** Backups, restores, imports and updates are killed at any moment; the shop is then as before, or as after: nothing between. */
import { spawn } from 'node:child_process';
import {
  createWriteStream,
  cpSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readFileSync,
  readdirSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { isDeepStrictEqual } from 'node:util';
import { fromThou } from '../../src/core/foundation/quantity/length';
import type { BuildRecord } from '../../src/core/judge/buildRecord';
import { jobEntry, reading } from '../../src/fixtures/records';
import { archiveOf } from '../../src/store/archive';
import { backUp, backupFolder, checkCopy } from '../../src/store/backup';
import { putBuild } from '../../src/store/builds';
import { loadBuild } from '../../src/store/log';
import { type Database, openDatabase } from '../../src/store/open';
import { builds } from '../../src/store/schema';
import { sweepWork } from '../../src/store/privateFiles';
import type { Figures } from '../figures';
import { bundled } from './bundled';

const BUILDS = 12;
const ENTRIES = 150;

const buildOf = (n: number, entries: number): BuildRecord => ({
  id: `shop-${n}`,
  entries: [
    jobEntry({ name: `Shop ${n}` }),
    ...Array.from({ length: entries }, (_, i) => reading(`r${i}`, 'L1', 'top', fromThou(20 + (i % 9)))),
  ],
});
/** The shop as it is, and as it was or would be. */
const NOW = Array.from({ length: BUILDS }, (_, n) => buildOf(n, ENTRIES));
const THEN = Array.from({ length: BUILDS }, (_, n) => buildOf(n, 5));

async function filled(db: Database, records: readonly BuildRecord[]): Promise<void> {
  for (const record of records) await putBuild(db, record);
  await db.$client.execute('PRAGMA wal_checkpoint(TRUNCATE)');
  db.$client.close();
}

/** The builds of a database by their ids; whether its file is whole. */
async function standing(file: string): Promise<{ records: BuildRecord[]; isWhole: boolean }> {
  const db = await openDatabase(file);
  const { rows: state } = await db.$client.execute('PRAGMA integrity_check');
  const ids = (await db.select({ id: builds.id }).from(builds)).map(({ id }) => id);
  const records: BuildRecord[] = [];
  for (const id of ids.sort((a, b) => Number(a.slice(5)) - Number(b.slice(5))))
    records.push((await loadBuild(db, id))?.record ?? { id, entries: [] });
  db.$client.close();
  return { records, isWhole: state[0]?.integrity_check === 'ok' };
}

/** Begins a command and kills it within so long, ms; whether it had ended by itself before. */
function killedWithin(program: string, args: readonly string[], most: number): Promise<boolean> {
  return new Promise((resolve) => {
    const child = spawn(process.execPath, [program, ...args], { stdio: ['ignore', 'pipe', 'ignore'] });
    child.stdout.once('data', () => setTimeout(() => child.kill('SIGKILL'), Math.random() * most));
    child.once('close', (code) => resolve(code === 0));
  });
}

/** A shop of an earlier program: its tables up to a step, and what stood in them. */
async function olderShop(folder: string, file: string): Promise<void> {
  const migrations = join(folder, 'migrations');
  if (!existsSync(migrations)) {
    cpSync('src/store/migrations', migrations, { recursive: true });
    const journal = join(migrations, 'meta', '_journal.json');
    const { entries, ...rest } = JSON.parse(readFileSync(journal, 'utf8')) as { entries: { idx: number }[] };
    writeFileSync(journal, JSON.stringify({ ...rest, entries: entries.filter(({ idx }) => idx < 10) }));
  }
  await filled(await openDatabase(file, migrations), NOW);
}

interface Way {
  /** Puts the shop there; what else the command is given. */
  prepare: (folder: string, file: string) => Promise<string>;
  /** Every state that the shop may be in afterwards. */
  may: readonly (readonly BuildRecord[])[];
  most: number;
}

const current = async (file: string): Promise<void> => filled(await openDatabase(file), NOW);

const WAYS: Record<'backup' | 'restore' | 'import' | 'update', Way> = {
  backup: {
    prepare: async (folder, file) => {
      await current(file);
      return join(folder, 'backups', 'made.db');
    },
    may: [NOW],
    most: 500,
  },
  restore: {
    prepare: async (folder, file) => {
      const other = join(folder, 'then.db');
      await filled(await openDatabase(other), THEN);
      await backUp(other, join(folder, 'then-backup.db'));
      await current(file);
      return join(folder, 'then-backup.db');
    },
    may: [NOW, THEN],
    most: 700,
  },
  import: {
    prepare: async (folder, file) => {
      const other = await openDatabase(join(folder, 'other.db'));
      for (const record of NOW) await putBuild(other, record);
      await pipeline(Readable.from(archiveOf(other)), createWriteStream(join(folder, 'shop.zip')));
      other.$client.close();
      await filled(await openDatabase(file), []);
      return join(folder, 'shop.zip');
    },
    may: [[], NOW],
    most: 1_600,
  },
  update: {
    prepare: async (folder, file) => {
      await olderShop(folder, file);
      return '';
    },
    may: [NOW],
    most: 500,
  },
};

/** Kills so many of each; what was found between the states that may be, damaged, or a backup that is none. */
export async function dataKilled(figures: Figures, each: number): Promise<void> {
  const program = await bundled('soak-data', 'soak/dataCommand');
  for (const [what, { prepare, may, most }] of Object.entries(WAYS)) {
    let [between, damaged, unsound, ended, left] = [0, 0, 0, 0, 0];
    for (let k = 0; k < each; k += 1) {
      const folder = mkdtempSync(join(tmpdir(), 'spatium-data-kills-'));
      mkdirSync(join(folder, 'shop'));
      const file = join(folder, 'shop', 'shop.db');
      const given = await prepare(folder, file);
      const backups = backupFolder(file);
      if (await killedWithin(program, [what, file, given, backups], most)) ended += 1;
      const { records, isWhole } = await standing(file);
      if (!isWhole) damaged += 1;
      const state = may.findIndex((allowed) => isDeepStrictEqual(records, allowed));
      if (state < 0) between += 1;
      sweepWork(backups);
      const kept = existsSync(backups) ? readdirSync(backups) : [];
      left += kept.filter((name) => name.startsWith('.work')).length;
      for (const name of kept.filter((n) => n.endsWith('.db')))
        await checkCopy(join(backups, name), folder).catch(() => (unsound += 1));
      // what a restore replaced is kept
      if (what === 'restore' && state === 1 && !kept.some((name) => name.startsWith('before-restore'))) between += 1;
      rmSync(folder, { recursive: true, force: true });
    }
    figures.add(
      `${each} kills of ${what}`,
      `${ended} had ended; shop between two states ${between}, damaged ${damaged}, backups that are none ${unsound}, left after sweeping ${left}`,
      'none',
      between + damaged + unsound + left === 0,
    );
  }
  rmSync(program, { force: true });
}
