/** Sends what no page of ours sends, and looks at what comes back: no failure of the server's own, no end of it. */
import { Agent, request as plainRequest } from 'node:http';
import { readFileSync } from 'node:fs';
import { cookieOf, setUpShop, signedIn } from '../../e2e/people';
import { sendBytes } from '../../e2e/raw';
import { Server } from '../../e2e/server';
import { jobEntry } from '../../src/fixtures/records';
import { type Figures } from '../figures';
import { type Fuzzed, someRequests } from './requests';

/** As many at once, as many made up at once, and a pause that none may be longer silent than, ms. */
const [AT_ONCE, BATCH, SILENT] = [24, 2_000, 30_000];

interface Answer {
  status: number;
  /** Why there is none; empty where there is. */
  none: string;
}

function askPlainly(agent: Agent, port: number, cookie: string, asked: Extract<Fuzzed, { kind: 'asked' }>) {
  return new Promise<Answer>((resolve) => {
    const none = (why: string): void => resolve({ status: 0, none: why });
    try {
      const sending = plainRequest(
        {
          ...{ host: '127.0.0.1', port, agent, method: asked.method, path: asked.path, timeout: SILENT },
          headers: { cookie, ...asked.headers, host: `127.0.0.1:${port}` },
        },
        (answer) => {
          answer.resume();
          answer.once('close', () => resolve({ status: answer.statusCode ?? 0, none: '' }));
        },
      );
      sending.once('timeout', () => {
        none('silent');
        sending.destroy();
      });
      sending.once('error', (error: NodeJS.ErrnoException) => none(error.code ?? error.message));
      sending.end(asked.body ?? undefined);
    } catch {
      // an address or a header that the client library sends for nobody
      none('unsendable');
    }
  });
}

const sendRaw = (port: number, bytes: Uint8Array): Promise<Answer> =>
  sendBytes(port, bytes, true).then(
    ({ status }) => ({ status, none: status === 0 ? 'closed' : '' }),
    (error: unknown) => ({
      status: 0,
      none: error instanceof Error && /silent/.test(error.message) ? 'silent' : 'closed',
    }),
  );

/** Memory that a process holds just now, MB. */
function memoryOf(pid: number | null): number {
  if (pid === null) return NaN;
  const [, kB = '0'] = /VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8')) ?? [];
  return Number(kB) / 1_024;
}

/** Sends so many, a third each as the owner, as a reader and as nobody. */
export async function fuzz(figures: Figures, count: number, seed: number): Promise<void> {
  const server = new Server();
  await server.start();
  await setUpShop(server);
  const { pid, port } = server;
  const agent = new Agent({ keepAlive: true, maxSockets: AT_ONCE });
  const statuses = new Map<number, number>();
  const nones = new Map<string, number>();
  const failures: string[] = [];
  const memory: number[] = [memoryOf(pid)];
  let sent = 0;
  const began = performance.now();
  for (let batch = 0; sent < count && server.pid === pid; batch += 1) {
    // signed in anew for each batch: an act by chance may have signed somebody out
    const cookies = [cookieOf(await signedIn(server, 'owner')), cookieOf(await signedIn(server, 'reader')), ''];
    const requests = someRequests(Math.min(BATCH, count - sent), seed + batch);
    let next = 0;
    const worker = async (): Promise<void> => {
      for (let i = next++; i < requests.length; i = next++) {
        const asked = requests[i];
        if (!asked) continue;
        const answer =
          asked.kind === 'raw'
            ? await sendRaw(port, asked.bytes)
            : await askPlainly(agent, port, cookies[i % cookies.length] ?? '', asked);
        statuses.set(answer.status, (statuses.get(answer.status) ?? 0) + 1);
        if (answer.none) nones.set(answer.none, (nones.get(answer.none) ?? 0) + 1);
        if (answer.status >= 500 || answer.none === 'silent')
          failures.push(
            `${answer.status} ${answer.none} seed ${seed + batch}, number ${i}: ${JSON.stringify(asked).slice(0, 400)}`,
          );
      }
    };
    await Promise.all(Array.from({ length: AT_ONCE }, worker));
    sent += requests.length;
    if (sent % 10_000 < BATCH) memory.push(memoryOf(server.pid));
  }
  const took = (performance.now() - began) / 1_000;
  agent.destroy();
  const hasCrashed = server.pid !== pid;
  const isWell = !hasCrashed && (await readsAndWrites(server));
  await server.end();
  for (const failure of failures.slice(0, 20)) console.error(failure);
  const counted = [...statuses].sort(([a], [b]) => a - b).map(([status, n]) => `${n} × ${status || 'no answer'}`);
  figures.add('requests by chance', `${sent} in ${took.toFixed(0)} s, seed ${seed}: ${counted.join(', ')}`);
  figures.add(
    '  not answered, and why',
    [...nones].map(([why, n]) => `${n} ${why}`).join(', ') || 'none',
    'none for silence',
    !nones.has('silent'),
  );
  figures.add('  failures of the server (5xx)', String(failures.length), 'none', failures.length === 0);
  figures.add('  ends of the server', hasCrashed ? '1' : '0', 'none', !hasCrashed);
  figures.add('  builds read and written after it', isWell ? 'yes' : 'no', 'yes', isWell);
  figures.add('  memory of the server', `${memory.map((mb) => mb.toFixed(0)).join(', ')} MB, each 10,000`);
}

/** Whether what was on record is there, and more is taken. */
async function readsAndWrites(server: Server): Promise<boolean> {
  const owner = cookieOf(await signedIn(server, 'owner'));
  const get = await fetch(`${server.url}/api/builds/bench`, { headers: { cookie: owner } });
  const card = jobEntry({ name: 'After it all' });
  const put = await fetch(`${server.url}/api/commands/beginBuild`, {
    method: 'POST',
    headers: { cookie: owner },
    body: JSON.stringify({
      args: [crypto.randomUUID(), card.kind === 'job' && card.value, { chart: { id: 'starting', version: 1 } }],
    }),
  });
  return get.ok && put.ok;
}
