/** A production server of the test's own, on a database of its own. */
import { type ChildProcess, spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { test as base } from '@playwright/test';
import type { BuildRecord } from '../src/core/judge/buildRecord';
import { demoRecords } from '../scripts/demoRecords';
import { writeBuildFile } from '../src/files/buildFile';

async function freePort(): Promise<number> {
  return new Promise((resolve) => {
    const probe = createServer();
    probe.listen(0, '127.0.0.1', () => {
      const address = probe.address();
      probe.close(() => resolve(typeof address === 'object' && address ? address.port : 0));
    });
  });
}

/** Ended with whoever started them, whatever becomes of it. */
const running = new Set<ChildProcess>();
process.once('exit', () => running.forEach((child) => child.kill('SIGKILL')));

export class Server {
  private child: ChildProcess | null = null;
  readonly folder = mkdtempSync(join(tmpdir(), 'spatium-e2e-'));
  port = 0;

  /** @param set what is set for it besides, e.g. another's `DATABASE_URL` */
  constructor(private readonly set: Readonly<Record<string, string>> = {}) {}

  get url(): string {
    return `http://127.0.0.1:${this.port}`;
  }

  /** Of its process; null where it does not run. */
  get pid(): number | null {
    return this.child?.exitCode === null && this.child.signalCode === null ? (this.child.pid ?? null) : null;
  }

  get databaseUrl(): string {
    return this.set.DATABASE_URL ?? pathToFileURL(join(this.folder, 'shop.db')).href;
  }

  async start(): Promise<void> {
    this.port ||= await freePort();
    const env: NodeJS.ProcessEnv = {
      ...process.env,
      NODE_ENV: 'production',
      NEXT_TELEMETRY_DISABLED: '1',
      PORT: String(this.port),
      // no test waits for a night
      COPIES: '0',
      ...this.set,
      DATABASE_URL: this.databaseUrl,
    };
    const child = spawn(process.execPath, ['.next/spatium.mjs'], { env, stdio: ['ignore', 'ignore', 'inherit'] });
    this.child = child;
    running.add(child);
    child.once('exit', () => running.delete(child));
    for (let tries = 0; tries < 300; tries += 1) {
      const answered = await fetch(`${this.url}/api/me`).then(
        (r) => r.ok,
        () => false,
      );
      if (answered) return;
      await new Promise((resolve) => setTimeout(resolve, 100));
    }
    throw new Error('the server did not answer within 30 s');
  }

  /** Ends it as a power cut would. */
  async kill(): Promise<void> {
    const { child } = this;
    if (!child) return;
    const ended = new Promise((resolve) => child.once('exit', resolve));
    child.kill('SIGKILL');
    await ended;
    this.child = null;
  }

  async end(): Promise<void> {
    await this.kill();
    rmSync(this.folder, { recursive: true, force: true });
  }

  /** Puts a record on the shelf through the documented route. */
  async put(record: BuildRecord): Promise<void> {
    const response = await fetch(`${this.url}/api/builds`, {
      method: 'POST',
      body: JSON.stringify(writeBuildFile(record)),
    });
    if (!response.ok) throw new Error(await response.text());
  }

  private demo = false;

  /** Puts the demo's builds on the shelf, once a server. */
  async putDemo(): Promise<void> {
    if (this.demo) return;
    for (const record of demoRecords()) await this.put(record);
    this.demo = true;
  }

  async record(id: string): Promise<BuildRecord> {
    const response = await fetch(`${this.url}/api/builds/${id}`);
    return ((await response.json()) as { record: BuildRecord }).record;
  }
}

/** Tests with a server that lives for the whole file's run. */
export const test = base.extend<object, { server: Server }>({
  server: [
    async ({}, use) => {
      const server = new Server();
      await server.start();
      await use(server);
      await server.end();
    },
    { scope: 'worker' },
  ],
});

export { expect } from '@playwright/test';
