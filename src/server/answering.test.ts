import { mkdtempSync, rmSync } from 'node:fs';
import type { IncomingMessage, Server, ServerResponse } from 'node:http';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, beforeEach, expect, it, vi } from 'vitest';
import { requestContext } from '@/people/requestContext';
import { openDatabase } from '@/store/open';
import { rawRequest } from '../../e2e/raw';
import { answering, listening } from './answering';
import { log } from './log';
import { optionsOf } from './options';

const folder = mkdtempSync(join(tmpdir(), 'spatium-front-'));
const PROXY = '127.0.0.1';
let port = 0;
let plain: Server;
let behind: { server: Server; port: number };
/** What was handed on. */
let handed: IncomingMessage[] = [];
let fails: Error | null = null;

beforeAll(async () => {
  process.env.DATABASE_URL = join(folder, 'shop.db');
  (await openDatabase(process.env.DATABASE_URL)).$client.close();
  const handle = (request: IncomingMessage, response: ServerResponse): Promise<void> => {
    handed.push(request);
    if (fails) return Promise.reject(fails);
    response.end(`handed on ${request.url ?? ''}`);
    return Promise.resolve();
  };
  const begun = async (env: Record<string, string>): Promise<{ server: Server; port: number }> => {
    const options = optionsOf([], { PORT: '0', ...env });
    return listening(options, null, answering(options, handle, new Set(['icons/mark.svg'])));
  };
  ({ port, server: plain } = await begun({}));
  behind = await begun({ TRUSTED_PROXIES: PROXY, ALLOWED_HOSTS: 'bench.example' });
});
afterAll(() => {
  plain.close();
  behind.server.close();
  rmSync(folder, { recursive: true, force: true });
});
beforeEach(() => {
  handed = [];
  fails = null;
});

it('hands on what is let through, as it was asked', async () => {
  expect(await rawRequest(port, 'GET', '/charts?q=a')).toMatchObject({ status: 200, body: 'handed on /charts?q=a' });
});

it('who asks is known to whoever answers', async () => {
  const whole = optionsOf([], { PORT: '0' });
  const { server, port: own } = await listening(
    whole,
    null,
    answering(
      whole,
      (_, response) => {
        const { hasPeople, address } = requestContext();
        response.end(JSON.stringify({ hasPeople, address }));
        return Promise.resolve();
      },
      new Set(),
    ),
  );
  expect((await rawRequest(own, 'GET', '/')).body).toBe('{"hasPeople":false,"address":"127.0.0.1"}');
  server.close();
});

it.each([
  ['another name', 'GET', '/', { host: 'evil.example' }],
  ['an address that climbs', 'GET', '/builds/../api/backup', {}],
  ['a method that is none of ours', 'DELETE', '/', {}],
  ['a form of another site', 'POST', '/api/commands/beginTrial', { origin: 'http://evil.example' }],
])('refuses %s, and hands nothing on', async (_, method, target, headers) => {
  const { status, headers: answered } = await rawRequest(port, method, target, headers);
  expect(status).toBeGreaterThanOrEqual(400);
  expect(status).toBeLessThan(500);
  expect(answered.get('connection')).toBe('close');
  expect(handed).toEqual([]);
});

it('a former address of a page leads to the present one; of an interface it is answered as it was asked', async () => {
  const moved = await rawRequest(port, 'GET', '/drawer?q=six');
  expect(moved.status).toBe(308);
  expect(moved.headers.get('location')).toBe('/archived?q=six');
  expect(handed).toEqual([]);
  expect((await rawRequest(port, 'GET', '/api/aside')).body).toBe('handed on /api/quarantine');
});

it('a built file is handed to anybody, a stranger too, and nothing beside it', async () => {
  const from = { 'x-forwarded-for': '203.0.113.9', host: 'bench.example' };
  expect((await rawRequest(behind.port, 'GET', '/icons/mark.svg', from)).status).toBe(200);
  const refused = await rawRequest(behind.port, 'GET', '/icons/mark.svg.map', from);
  expect(refused).toMatchObject({ status: 403 });
  expect(refused.body).toContain('Nobody can sign in to this shop yet');
  expect(await rawRequest(behind.port, 'GET', '/api/builds', from)).toMatchObject({ status: 403 });
  expect(handed.map(({ url }) => url)).toEqual(['/icons/mark.svg']);
});

it('a proxy that is named is believed, nobody else is; what it says is passed on to nobody', async () => {
  const headers = { 'x-forwarded-for': '127.0.0.1', 'x-forwarded-host': 'bench.example', forwarded: 'for=1.2.3.4' };
  expect((await rawRequest(behind.port, 'GET', '/', headers)).status).toBe(200);
  expect(handed[0]?.headers).toMatchObject({ host: 'bench.example' });
  expect(Object.keys(handed[0]?.headers ?? {}).filter((name) => name.includes('forwarded'))).toEqual([]);
  // not named: it may stand for anybody
  expect((await rawRequest(port, 'GET', '/', { 'x-forwarded-for': '127.0.0.1' })).status).toBe(403);
});

it('what fails is told: a sentence to an interface, a page to a browser, and the next is answered', async () => {
  fails = new Error('secret of the program');
  const logged = vi.spyOn(log, 'error').mockReturnValue();
  const api = await rawRequest(port, 'GET', '/api/charts');
  expect(api).toMatchObject({ status: 500, body: '{"faults":["The program failed here."]}' });
  const page = await rawRequest(port, 'GET', '/charts');
  expect(page.status).toBe(500);
  expect(page.headers.get('content-type')).toBe('text/html; charset=utf-8');
  expect(page.body).not.toContain('secret');
  expect(logged.mock.calls).toEqual([
    ['A request failed', fails, { method: 'GET', path: '/api/charts' }],
    ['A request failed', fails, { method: 'GET', path: '/charts' }],
  ]);
  logged.mockRestore();
  fails = null;
  expect((await rawRequest(port, 'GET', '/charts')).status).toBe(200);
});

it('what is no request is told so; a connection is not lent to another protocol', async () => {
  expect((await rawRequest(port, 'GE T', '/')).status).toBe(400);
  expect((await rawRequest(port, 'GET', '/', { connection: 'Upgrade', upgrade: 'websocket' })).status).toBe(0);
});
