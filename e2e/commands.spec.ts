/** The commands as a stranger types them: ports, refusals, the data folder. */
import { type ChildProcess, spawn } from 'node:child_process';
import { once } from 'node:events';
import { mkdtempSync, rmSync } from 'node:fs';
import { type Server as Listener, createServer } from 'node:net';
import { connect } from 'node:tls';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { createClient } from '@libsql/client';
import { expect, test } from '@playwright/test';

let folder: string;
let running: ChildProcess | null = null;

test.beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'spatium-cmd-'));
});

test.afterEach(async () => {
  if (running && running.exitCode === null) {
    const ended = new Promise((resolve) => running?.once('exit', resolve));
    running.kill('SIGTERM');
    await ended;
  }
  running = null;
  rmSync(folder, { recursive: true, force: true });
});

/** Runs npm start's script until it prints the words looked for, or ends. */
async function start(
  env: Record<string, string>,
  until: RegExp,
  ...args: string[]
): Promise<{ output: string; code: number | null }> {
  const child = spawn(process.execPath, ['scripts/start.mjs', ...args], {
    env: { ...process.env, ...env },
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  running = child;
  let output = '';
  return new Promise((resolve) => {
    const heard = (chunk: Buffer): void => {
      output += chunk.toString();
      if (until.test(output)) resolve({ output, code: null });
    };
    child.stdout.on('data', heard);
    child.stderr.on('data', heard);
    child.once('exit', (code) => resolve({ output, code }));
  });
}

const listen = (): Promise<[Listener, number]> =>
  new Promise((resolve) => {
    const listener = createServer();
    listener.listen(0, '127.0.0.1', () => {
      const address = listener.address();
      resolve([listener, typeof address === 'object' && address ? address.port : 0]);
    });
  });

test('npm start makes its data folder, and takes a free port when the one asked for is taken', async () => {
  const [listener, port] = await listen();
  const file = join(folder, 'new', 'folder', 'own.db');
  const { output } = await start({ PORT: String(port), DATABASE_URL: `file:${file}` }, /Spatium is at .*\n/);
  listener.close();
  expect(output).toContain(`Port ${port} is taken`);
  const url = /http:\/\/127\.0\.0\.1:(\d+)/.exec(output)?.[0] ?? '';
  expect(url).not.toContain(`:${port}`);
  expect(await (await fetch(`${url}/api/builds`)).json()).toMatchObject({ all: 0 });
});

test('npm start -- --https answers over https with a certificate of its own, whose fingerprint it prints', async () => {
  const file = join(folder, 'own.db');
  const { output } = await start({ PORT: '0', DATABASE_URL: `file:${file}` }, /Spatium is at .*\n/, '--https');
  const port = Number(/https:\/\/127\.0\.0\.1:(\d+)/.exec(output)?.[1]);
  const socket = connect({ port, host: '127.0.0.1', rejectUnauthorized: false });
  await once(socket, 'secureConnect');
  expect(output).toContain(`SHA-256: ${socket.getPeerX509Certificate()?.fingerprint256}`);
  socket.write(`GET /api/me HTTP/1.1\r\nHost: 127.0.0.1:${port}\r\n\r\n`);
  const [answer] = (await once(socket, 'data')) as [Buffer];
  socket.destroy();
  expect(answer.toString()).toMatch(/^HTTP\/1\.1 200 /);
});

test('a database written by a newer program ends the start with a clear message', async () => {
  const file = join(folder, 'newer.db');
  const client = createClient({ url: `file:${file}` });
  await client.execute(
    'CREATE TABLE __drizzle_migrations (id SERIAL PRIMARY KEY, hash text NOT NULL, created_at numeric)',
  );
  await client.execute("INSERT INTO __drizzle_migrations (hash, created_at) VALUES ('x', 99999999999999)");
  client.close();
  const { output, code } = await start({ PORT: '0', DATABASE_URL: `file:${file}` }, /Spatium is at/);
  expect(output).toContain('was written by a newer Spatium. Nothing was changed.');
  expect(code).not.toBe(0);
  expect(code).not.toBeNull();
});

test('a port that is no port is refused', async () => {
  const { output, code } = await start(
    { PORT: 'eighty', DATABASE_URL: `file:${join(folder, 'x.db')}` },
    /Spatium is at/,
  );
  expect(output).toContain('PORT is eighty: a number from 0 to 65535 is wanted.');
  expect(code).toBe(1);
});
