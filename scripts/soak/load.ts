/** Benches as they are: each appends a reading every two seconds and asks once a second what is new; then builds opened. */
import { Agent, get } from 'node:http';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Server } from '../../e2e/server';
import { LibsqlServer } from '../../src/fixtures/libsqlServer';
import { fromThou } from '../../src/core/foundation/quantity/length';
import { gap, reading, jobEntry } from '../../src/fixtures/records';
import { poll } from '../../src/ui/openBuild/poll';
import { type Figures, at } from '../figures';

/** How often a bench logs, and how often it asks, ms. */
const [LOGS, ASKS] = [2_000, 1_000];
/** As many benches on one engine. */
const ON_ONE = 5;

const PLACES = ['L1', 'R1', 'L2', 'R2', 'L3', 'R3', 'L4', 'R4'] as const;

const spread = (times: readonly number[]): string => {
  const sorted = [...times].sort((a, b) => a - b);
  return `${at(sorted, 0.5).toFixed(1)} ms median, ${at(sorted, 0.99).toFixed(1)} ms 99th percentile, ${at(sorted, 1).toFixed(0)} ms worst of ${sorted.length}`;
};

/** Does something at its times until a moment, one after the other: what is late is done at once, and what was due meanwhile not at all. */
async function every(ms: number, until: number, work: () => Promise<void>): Promise<void> {
  for (let next = performance.now() + Math.random() * ms; next < until; next = Math.max(next + ms, performance.now())) {
    await new Promise((resolve) => setTimeout(resolve, Math.max(0, next - performance.now())));
    await work();
  }
}

/** So many benches for so many minutes. */
async function benches(server: Server, count: number, minutes: number, figures: Figures, where: string): Promise<void> {
  const until = performance.now() + minutes * 60_000;
  const builds = Array.from({ length: Math.ceil(count / ON_ONE) }, (_, i) => `load-${i}`);
  for (const id of builds) await server.put({ id, entries: [jobEntry({ name: id })] });
  const [appends, asks]: [number[], number[]] = [[], []];
  const acknowledged = new Map<string, string[]>(builds.map((id) => [id, []]));
  let failed = 0;
  const bench = async (b: number): Promise<void> => {
    const build = builds[Math.floor(b / ON_ONE)] ?? '';
    let [n, since] = [0, 0];
    const timed = async (into: number[], path: string, body?: unknown): Promise<void> => {
      const began = performance.now();
      const response = await fetch(`${server.url}/api/builds/${build}/${path}`, {
        ...(body === undefined ? {} : { method: 'POST', body: JSON.stringify(body) }),
      });
      const answer = (await response.json()) as { seq: number; conflicts: unknown[] };
      if (!response.ok) throw new Error(String(response.status));
      into.push(performance.now() - began);
      since = answer.seq;
    };
    const logs = every(LOGS, until, async () => {
      const id = `b${b}-${n}`;
      const entry = reading(id, PLACES[n % PLACES.length] ?? 'L1', 'top', fromThou(20 + (n % 9)));
      try {
        await timed(appends, `entries?since=${since}`, { entries: [{ ...entry, typed: id }] });
        acknowledged.get(build)?.push(id);
        n += 1;
      } catch {
        failed += 1;
      }
    });
    // begun within a period, as benches are
    await new Promise((resolve) => setTimeout(resolve, Math.random() * ASKS));
    const end = poll(async () => {
      await timed(asks, `entries?since=${since}&bench=b${b}&at=3.top&by=AB&mine=rings.L1`).catch(() => {
        failed += 1;
      });
      return false;
    }, ASKS);
    await logs;
    end();
  };
  await Promise.all(Array.from({ length: count }, (_, b) => bench(b)));
  let [lost, doubled, all] = [0, 0, 0];
  for (const [id, names] of acknowledged) {
    const found = new Map<string, number>();
    for (const entry of (await server.record(id)).entries)
      if (entry.kind === 'reading') found.set(entry.typed, (found.get(entry.typed) ?? 0) + 1);
    all += names.length;
    lost += names.filter((name) => !found.has(name)).length;
    doubled += [...found.values()].filter((times) => times > 1).length;
  }
  figures.add(
    `${count} benches for ${minutes} min, ${where}`,
    `${all} readings acknowledged, ${lost} lost, ${doubled} doubled, ${failed} calls failed`,
    'none lost or doubled',
    lost + doubled === 0 && all > 0,
  );
  figures.add('  append', spread(appends));
  figures.add('  what is new', spread(asks));
}

/** So many builds, then each of them open at a bench that asks once a second. */
async function manyOpen(server: Server, count: number, figures: Figures): Promise<void> {
  for (let i = 0; i < count; i += 1)
    await server.put({
      id: `open-${i}`,
      entries: [jobEntry({ name: `Open ${i}` }), ...PLACES.map((place, p) => gap(`g${p}`, place, 'top', 20 + (i % 7)))],
    });
  const [pages, asks]: [number[], number[]] = [[], []];
  // each has a connection of its own, as browsers do
  const agent = new Agent({ keepAlive: true });
  let failed = 0;
  const timed = async (into: number[], path: string): Promise<void> => {
    const began = performance.now();
    const isFine = await new Promise<boolean>((resolve) => {
      get({ host: '127.0.0.1', port: server.port, path, agent }, (answer) => {
        answer.resume();
        answer.once('close', () => resolve(answer.statusCode === 200));
      }).once('error', () => resolve(false));
    });
    if (isFine) into.push(performance.now() - began);
    else failed += 1;
  };
  let next = 0;
  const opener = async (): Promise<void> => {
    for (let i = next++; i < count; i = next++) await timed(pages, `/builds/open-${i}/rings`);
  };
  await Promise.all(Array.from({ length: 8 }, opener));
  const ends = await Promise.all(
    Array.from({ length: count }, async (_, i) => {
      await new Promise((resolve) => setTimeout(resolve, Math.random() * ASKS));
      return poll(async () => {
        await timed(asks, `/api/builds/open-${i}/entries?since=9&bench=b${i}&at=3.top&by=AB&mine=`);
        return false;
      }, ASKS);
    }),
  );
  await new Promise((resolve) => setTimeout(resolve, 30_000));
  for (const end of ends) end();
  agent.destroy();
  figures.add(`${count} builds opened, 8 at once`, spread(pages));
  figures.add(`  all of them asking once a second, for 30 s`, `${spread(asks)}, ${count * 30} due at once a second; ${failed} failed`, 'none failed', failed === 0);
} // oxfmt-ignore

/** Loads a server on a file, then for a tenth of the time one on a stand-in for a database server. */
export async function loaded(figures: Figures, count: number, minutes: number, builds: number): Promise<void> {
  const server = new Server();
  await server.start();
  await benches(server, count, minutes, figures, 'file');
  await manyOpen(server, builds, figures);
  await server.end();
  const folder = mkdtempSync(join(tmpdir(), 'spatium-load-'));
  const standIn = new LibsqlServer(join(folder, 'server.db'));
  await standIn.start();
  const remote = new Server({ DATABASE_URL: standIn.url });
  await remote.start();
  await benches(remote, count, Math.max(0.2, minutes / 10), figures, 'stand-in for a database server');
  await remote.end();
  await standIn.stop();
  rmSync(folder, { recursive: true, force: true });
}
