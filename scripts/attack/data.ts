/** What harms a shop's data: backups that are none, damaged and swollen archives, two who change the same at once. */
import { execFile } from 'node:child_process';
import { readFileSync, readdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { promisify } from 'node:util';
import { TextReader, Uint8ArrayReader, Uint8ArrayWriter, ZipWriter } from '@zip.js/zip.js';
import { OWNER, act, ask, cookieOf, setUpShop, signedIn } from '../../e2e/people';
import { Server } from '../../e2e/server';
import { fromThou } from '../../src/core/foundation/quantity/length';
import { bareBuildFile } from '../../src/files/buildFile';
import { job, jobEntry, reading } from '../../src/fixtures/records';
import { type Figures, at } from '../figures';

const run = promisify(execFile);

/** As `npm run restore` does it; whether it was done. */
const restored = (server: Server, file: string): Promise<boolean> =>
  run(process.execPath, ['--import', 'tsx', 'scripts/shop.ts', 'restore', file], {
    env: { ...process.env, DATABASE_URL: server.databaseUrl },
  }).then(
    () => true,
    () => false,
  );

async function backups(figures: Figures): Promise<void> {
  const server = new Server();
  await server.start();
  await setUpShop(server);
  const owner = await signedIn(server, 'owner');
  await act(server, owner, 'copyNow');
  const folder = join(server.folder, 'backups');
  const [name = ''] = readdirSync(folder).filter((file) => file.endsWith('.db'));
  const bytes = readFileSync(join(folder, name));
  const tokens = [...owner.values()].map((value) => decodeURIComponent(value).split('.')[0] ?? '');
  const leaked = tokens.filter((token) => token.length > 20 && bytes.includes(token)).length;
  figures.add('sessions found in a backup', `${leaked} of ${tokens.length} cookies`, 'none', leaked === 0);
  let taken = 0;
  const bad: [string, Buffer][] = [['empty', Buffer.alloc(0)], ['text', Buffer.from('x'.repeat(5_000))], ['cut short', bytes.subarray(0, bytes.length / 2)]];
  const body = bytes.indexOf('Bench six');
  for (const byte of [body, body + 1, body + 2]) {
    const altered = Buffer.from(bytes);
    altered[byte] = (altered[byte] ?? 0) ^ 1;
    bad.push([`altered at ${byte}`, altered]);
  }
  for (const [what, content] of bad) {
    const file = join(server.folder, 'bad.db');
    writeFileSync(file, content);
    if (await restored(server, file)) {
      taken += 1;
      console.error(`a backup that is ${what} was restored`);
    }
  }
  if (await restored(server, join(server.folder, 'shop.db'))) taken += 1;
  const still = (await ask(server, owner, 'GET', '/api/builds/bench')).status;
  figures.add('restores from empty, cut, altered and foreign files', `${taken} of ${bad.length + 1} done, the shop answers ${still}`, 'none', taken === 0 && still === 200);
  await server.end();
} // oxfmt-ignore

const MANIFEST = JSON.stringify({
  ...{ format: 'spatium-shop', version: 1, at: new Date(0).toISOString(), buildsOff: {}, chartsOff: {}, toolsOff: {} },
  ...{ settings: {}, tools: [], people: [] },
});

async function zipOf(files: [name: string, content: string | Uint8Array][]): Promise<Buffer> {
  const zip = new ZipWriter(new Uint8ArrayWriter(), { useWebWorkers: false });
  for (const [name, content] of files)
    await zip.add(name, typeof content === 'string' ? new TextReader(content) : new Uint8ArrayReader(content));
  return Buffer.from(await zip.close());
}

const buildFile = (id: string): [string, string] => [
  `builds/${encodeURIComponent(id)}.spatium.json`,
  JSON.stringify(bareBuildFile({ id, entries: [jobEntry({ name: id })] })),
];

async function archives(figures: Figures): Promise<void> {
  const server = new Server();
  await server.start();
  await setUpShop(server);
  const cookie = cookieOf(await signedIn(server, 'owner'));
  const post = (body: Buffer): Promise<Response> =>
    fetch(`${server.url}/api/archive`, { method: 'POST', headers: { cookie }, body: new Uint8Array(body) });
  const count = async (): Promise<number> =>
    ((await (await fetch(`${server.url}/api/builds`, { headers: { cookie } })).json()) as { all: number }).all;

  const ids = ['constructor', 'toString', '__proto__', 'a', 'b'];
  const whole = await zipOf([['spatium-shop.json', MANIFEST], ...ids.map(buildFile)]);
  let [failures, half, came] = [0, 0, 0];
  for (let n = 0; n < 150; n += 1) {
    const damaged = Buffer.from(whole);
    const byte = Math.floor((whole.length * (n + 0.5)) / 150);
    damaged[byte] = (damaged[byte] ?? 0) ^ (1 << n % 8);
    const { status } = await post(damaged);
    if (status >= 500) failures += 1;
    const there = (await count()) - 1;
    if (there !== 0 && there !== ids.length) half += 1;
    if (status === 200) came += 1;
  }
  figures.add('damaged archives, one bit each', `150 sent: ${failures} answered 5xx, ${half} times half imported, ${came} taken (a bit that means nothing)`, 'none failed or half', failures + half === 0);

  const [times, state] = [[] as number[], { isOver: false }];
  const others = (async () => {
    while (!state.isOver) {
      const began = performance.now();
      await (await fetch(`${server.url}/api/builds/bench/entries?since=0`, { headers: { cookie } })).text();
      times.push(performance.now() - began);
      await new Promise((resolve) => setTimeout(resolve, 20));
    }
  })();
  const zeros = new Uint8Array(63 * 1024 * 1024);
  const bomb = await zipOf([['spatium-shop.json', MANIFEST], ...Array.from({ length: 19 }, (_, n): [string, Uint8Array] => [`builds/${n}.spatium.json`, zeros])]);
  let began = performance.now();
  const swollen = await post(bomb);
  figures.add(`an archive of ${(bomb.length / 1024).toFixed(0)} kB that unpacks to 1.2 GB`, `answered ${swollen.status} in ${(performance.now() - began).toFixed(0)} ms`, 'refused', swollen.status === 422);
  const tiny = await zipOf([['spatium-shop.json', MANIFEST], ...Array.from({ length: 12_000 }, (_, n) => buildFile(`tiny-${n}`))]);
  times.length = 0;
  began = performance.now();
  const many = await post(tiny);
  const took = (performance.now() - began) / 1_000;
  state.isOver = true;
  await others;
  times.sort((a, b) => a - b);
  figures.add('an archive of 12,000 tiny builds', `answered ${many.status} in ${took.toFixed(0)} s; a bench’s question meanwhile ${at(times, 0.5).toFixed(0)} ms median, ${at(times, 0.99).toFixed(0)} ms 99th percentile of ${times.length}`, '99th percentile under 100 ms', many.status === 200 && at(times, 0.99) < 100);
  began = performance.now();
  const list = await fetch(`${server.url}/`, { headers: { cookie } });
  await list.text();
  figures.add('  the list of builds, first asked for after it', `answered ${list.status} in ${(performance.now() - began).toFixed(0)} ms`, 'under 2 s', list.ok && performance.now() - began < 2_000);
  await server.end();
} // oxfmt-ignore

async function atOnce(figures: Figures): Promise<void> {
  const server = new Server();
  await server.start();
  const made = await Promise.all(
    ['AA', 'BB', 'CC', 'DD'].map((initials) => act(server, new Map(), 'setUpPeople', initials, initials, OWNER.secret)),
  );
  const owners = made.filter((answer) => (answer as { ok: boolean } | undefined)?.ok).length;
  figures.add('four who set the shop up at once', `${owners} owns it`, 'one', owners === 1);
  await server.end();

  const alone = new Server();
  await alone.start();
  const send = (id: string, entry: unknown): Promise<boolean> =>
    fetch(`${alone.url}/api/builds/${id}/entries`, { method: 'POST', body: JSON.stringify({ entries: [entry] }) }).then(
      async (answer) => answer.ok && ((await answer.json()) as { conflicts: unknown[] }).conflicts.length === 0,
    );
  let [both, unreadable] = [0, 0];
  for (let n = 0; n < 120; n += 1) {
    const id = `race-${n}`;
    await alone.put({ id, entries: [jobEntry()] });
    const four = jobEntry({ engine: { ...job.engine, cylinders: 4 } }, 'job-2', 'job-1');
    const [card, read] = await Promise.all([send(id, four), send(id, reading('x', 'L4', 'top', fromThou(22)))]);
    if (card && read) both += 1;
    const file = await (await fetch(`${alone.url}/api/builds/${id}`)).text();
    const again = await fetch(`${alone.url}/api/builds?copy=1`, { method: 'POST', body: file });
    if (!again.ok) unreadable += 1;
  }
  figures.add('a job card with fewer cylinders against a reading of one of them, at once', `120 times: both taken ${both}, its own file refused ${unreadable}`, 'none', both + unreadable === 0);
  const clash = async (gap: number): Promise<number> =>
    (await fetch(`${alone.url}/api/builds/race-0/entries`, { method: 'POST', body: JSON.stringify({ entries: [reading('twice', 'L1', 'top', fromThou(gap))] }) })).status;
  const statuses = [await clash(22), await clash(22), await clash(23)];
  figures.add('an id sent again, then with other contents', statuses.join(', '), '200, 200, 409', statuses.join() === '200,200,409');
  await alone.end();
} // oxfmt-ignore

export async function onData(figures: Figures): Promise<void> {
  await backups(figures);
  await archives(figures);
  await atOnce(figures);
}
