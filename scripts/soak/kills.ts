/** Processes that write are killed at any moment, over and over; then what stands is held against what was acknowledged. */
import { type ChildProcess, spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { basename, join } from 'node:path';
import { Server } from '../../e2e/server';
import { loadBuild } from '../../src/store/log';
import { createBuild } from '../../src/store/builds';
import { type Database, openDatabase } from '../../src/store/open';
import type { Figures } from '../figures';
import { bundled } from './bundled';
import { dataKilled } from './dataKills';
import { COMMON, type Held, emptyBuild, heldAgainst, ownOf, sentAs } from './sent';

const ROOT = process.cwd();

/** A moment within so long, ms. */
const anyMoment = (most: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, Math.random() * most));

function ended(child: ChildProcess): Promise<void> {
  if (child.exitCode !== null || child.signalCode !== null) return Promise.resolve();
  return new Promise((resolve) => child.once('close', () => resolve()));
}

/** A writer that is begun again where it was when it was killed. */
class Writer {
  private child: ChildProcess | null = null;
  /** The first that is not acknowledged. */
  next = 0;
  private fault: string | null = null;

  constructor(
    private readonly program: string,
    private readonly url: string,
    readonly name: string,
  ) {}

  /** Begins it; done once something more was acknowledged. */
  async begin(): Promise<void> {
    const child = spawn(process.execPath, [this.program, this.url, this.name, String(this.next)], {
      cwd: ROOT,
      stdio: ['ignore', 'pipe', 'pipe'],
    });
    this.child = child;
    let said = '';
    let complained = '';
    child.stderr.on('data', (data) => (complained = `${complained}${String(data)}`.slice(-2_000)));
    await new Promise<void>((resolve, reject) => {
      child.stdout.on('data', (data) => {
        const lines = `${said}${String(data)}`.split('\n');
        said = lines.pop() ?? '';
        const last = lines.at(-1);
        if (last !== undefined) this.next = Number(last) + 1;
        resolve();
      });
      child.once('close', (code, signal) => {
        if (signal !== 'SIGKILL') this.fault = `${this.name} ended by itself: ${complained}`;
        if (this.fault) reject(new Error(this.fault));
        resolve();
      });
    });
  }

  /** Kills it; what it had said until then was read. */
  async kill(): Promise<void> {
    if (this.fault) throw new Error(this.fault);
    this.child?.kill('SIGKILL');
    if (this.child) await ended(this.child);
  }
}

/** The stand-in for a database server as a process, always at the same address. */
class StandIn {
  private child: ChildProcess | null = null;
  url = '';
  constructor(
    private readonly program: string,
    private readonly file: string,
  ) {}

  async begin(): Promise<void> {
    const port = this.url === '' ? [] : [new URL(this.url).port];
    const child = spawn(process.execPath, [this.program, this.file, ...port], {
      cwd: ROOT,
      stdio: ['ignore', 'pipe', 'inherit'],
    });
    this.child = child;
    this.url = await new Promise<string>((resolve) => child.stdout.once('data', (data) => resolve(String(data).trim())));
  } // oxfmt-ignore

  async kill(): Promise<void> {
    this.child?.kill('SIGKILL');
    if (this.child) await ended(this.child);
  }
}

/** What stands on record, and whether the file is whole. */
async function readBack(db: Database, writers: readonly Pick<Writer, 'name' | 'next'>[]): Promise<Held> {
  const builds = [];
  for (const id of [COMMON, ...writers.map(({ name }) => ownOf(name))]) {
    const stored = await loadBuild(db, id);
    if (!stored || stored.aside > 0) throw new Error(`${id}: ${stored ? `${stored.aside} set aside` : 'gone'}`);
    builds.push(stored.record);
  }
  return heldAgainst(builds, new Map(writers.map(({ name, next }) => [name, next])));
}

async function prepare(url: string, writers: readonly string[]): Promise<void> {
  const db = await openDatabase(url);
  for (const id of [COMMON, ...writers.map(ownOf)]) await createBuild(db, emptyBuild(id));
  db.$client.close();
}

async function isWhole(file: string): Promise<boolean> {
  const db = await openDatabase(file);
  const { rows } = await db.$client.execute('PRAGMA integrity_check');
  db.$client.close();
  return rows[0]?.integrity_check === 'ok';
}

interface Killed extends Held {
  kills: number;
  isWhole: boolean;
}

/** Processes on the store itself: one, two at once on a file, or two on a stand-in that is killed too. */
async function writersKilled(names: readonly string[], kills: number, isRemote: boolean): Promise<Killed> {
  const folder = mkdtempSync(join(tmpdir(), 'spatium-soak-'));
  const own = basename(folder);
  const [program, standInProgram] = [await bundled(own, 'soak/writer'), await bundled(own, 'standIn')];
  const file = join(folder, 'shop.db');
  const standIn = isRemote ? new StandIn(standInProgram, file) : null;
  await standIn?.begin();
  const url = standIn?.url ?? file;
  await prepare(url, names);
  const writers = names.map((name) => new Writer(program, url, name));
  await Promise.all(writers.map((writer) => writer.begin()));
  const victims = [...writers, ...(standIn ? [standIn] : [])];
  for (let k = 0; k < kills; k += 1) {
    const victim = victims[k % victims.length];
    await anyMoment(150);
    await victim?.kill();
    await victim?.begin();
  }
  for (const writer of writers) await writer.kill();
  const db = await openDatabase(url);
  const held = await readBack(db, writers);
  db.$client.close();
  await standIn?.kill();
  const whole = await isWhole(file);
  rmSync(folder, { recursive: true, force: true });
  for (const used of [program, standInProgram]) rmSync(used, { force: true });
  return { ...held, kills, isWhole: whole };
}

/** Sends to a server as a browser does: an entry again and again until it is acknowledged, whichever way it was lost. */
class Browserlike {
  next = 0;
  private isOver = false;
  private running: Promise<void> | null = null;
  /** What the server refused, where it should not have. */
  refused: string | null = null;

  constructor(
    readonly name: string,
    private readonly server: Server,
  ) {}

  begin(): void {
    this.running = (async () => {
      while (!this.isOver) {
        const { build, entry } = sentAs(this.name, this.next);
        try {
          const response = await fetch(`${this.server.url}/api/builds/${build}/entries`, {
            method: 'POST',
            body: JSON.stringify({ entries: [entry] }),
            signal: AbortSignal.timeout(4_000),
          });
          const answer = (await response.json()) as { conflicts?: unknown[] };
          if (response.ok && answer.conflicts?.length === 0) this.next += 1;
          else if (response.status < 500) this.refused = `${response.status} ${JSON.stringify(answer)}`;
        } catch {
          await new Promise((resolve) => setTimeout(resolve, 20));
        }
      }
    })();
  }

  async end(): Promise<void> {
    this.isOver = true;
    await this.running;
    if (this.refused) throw new Error(`${this.name}: ${this.refused}`);
  }
}

/** Whole servers, one or two on one file, with two benches on each. */
async function serversKilled(count: number, kills: number): Promise<Killed> {
  const first = new Server();
  const servers = [first, ...(count > 1 ? [new Server({ DATABASE_URL: first.databaseUrl })] : [])];
  await prepare(first.databaseUrl, servers.flatMap((_, i) => [`a${i}`, `b${i}`]));
  await Promise.all(servers.map((server) => server.start()));
  const benches = servers.flatMap((server, i) => [`a${i}`, `b${i}`].map((name) => new Browserlike(name, server)));
  for (const bench of benches) bench.begin();
  for (let k = 0; k < kills; k += 1) {
    const victim = servers[k % servers.length];
    await anyMoment(600);
    await victim?.kill();
    await victim?.start();
  }
  for (const bench of benches) await bench.end();
  for (const server of servers) await server.kill();
  const db = await openDatabase(first.databaseUrl);
  const held = await readBack(db, benches);
  db.$client.close();
  const whole = await isWhole(join(first.folder, 'shop.db'));
  for (const server of servers) await server.end();
  return { ...held, kills, isWhole: whole };
} // oxfmt-ignore

/** Kills so many in all: most of them processes on the store, a tenth whole servers, a third what changes all data at once. */
export async function killed(figures: Figures, kills: number): Promise<void> {
  const whole = Math.max(1, Math.round(kills / 20));
  const data = Math.max(1, Math.round(kills / 12));
  const each = Math.max(1, Math.ceil((kills - 2 * whole - 4 * data) / 3));
  const ways: [string, () => Promise<Killed>][] = [
    ['one process on a file', () => writersKilled(['a'], each, false)],
    ['two processes on a file', () => writersKilled(['a', 'b'], each, false)],
    ['two processes on a stand-in for a server, and it', () => writersKilled(['a', 'b'], each, true)],
    ['a whole server, two benches', () => serversKilled(1, whole)],
    ['two whole servers on a file, two benches each', () => serversKilled(2, whole)],
  ];
  let all = 0;
  for (const [name, way] of ways) {
    const { kills: n, acknowledged, lost, doubled, wrong, isWhole: isSound } = await way();
    all += n;
    figures.add(
      `${n} kills, ${name}`,
      `${acknowledged} acknowledged, ${lost} lost, ${doubled} doubled, ${wrong} wrong, file ${isSound ? 'whole' : 'DAMAGED'}`,
      'none lost, doubled or wrong',
      lost + doubled + wrong === 0 && isSound && acknowledged > n,
    );
  }
  await dataKilled(figures, data);
  figures.add('  kills in all', String(all + 4 * data));
}
