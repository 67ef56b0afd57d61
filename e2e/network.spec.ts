/**
 * As a tablet reaches it: over plain http by a name, where browsers lack what they have on this machine and over https;
 * and behind a proxy that is named.
 */
import { type Server as Plain, createServer, request as plainRequest } from 'node:http';
import { pipeline } from 'node:stream';
import { chromium } from '@playwright/test';
import { STAGE_IDS } from '../src/core/judge/stageTables';
import { browserForTests } from '../scripts/chromium.mjs';
import type { BuildRecord } from '../src/core/judge/buildRecord';
import { openDatabase } from '../src/store/open';
import { tries } from '../src/store/schema';
import { jobEntry } from '../src/fixtures/records';
import { PINS, ask, cookieOf, setUpShop, signedIn } from './people';
import { rawRequest } from './raw';
import { Server, expect, test } from './server';

const NAME = 'shop.example';

/** As a proxy is set up by docs/shop.md: it says which name it was asked by, and appends where from. */
async function proxyTo(server: Server): Promise<{ port: number; proxy: Plain }> {
  const proxy = createServer((request, response) => {
    const { host = '', 'x-forwarded-for': before } = request.headers;
    const passed = plainRequest(
      {
        ...{ host: '127.0.0.1', port: server.port, method: request.method, path: request.url },
        headers: {
          ...request.headers,
          host: `127.0.0.1:${server.port}`,
          'x-forwarded-host': host,
          'x-forwarded-for': [before, request.socket.remoteAddress].flat().filter(Boolean).join(', '),
        },
      },
      (answer) => {
        response.writeHead(answer.statusCode ?? 502, answer.headers);
        pipeline(answer, response, () => undefined);
      },
    );
    passed.on('error', () => response.destroy());
    request.pipe(passed);
  });
  await new Promise<void>((resolve) => proxy.listen(0, '127.0.0.1', resolve));
  const address = proxy.address();
  return { proxy, port: typeof address === 'object' && address ? address.port : 0 };
}

/** A browser in which the name leads here, and is no secure place: as a tablet's. */
const named = () =>
  chromium.launch({
    executablePath: browserForTests() ?? undefined,
    args: [
      ...['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
      `--host-resolver-rules=MAP ${NAME} 127.0.0.1`,
    ],
  });

interface Answer {
  status: number;
  cookies: string[];
  text: string;
}

/** Asks the proxy by a name, as somebody may who sends what headers they like. */
const asked = (port: number, host: string, path: string, headers: Record<string, string> = {}, body?: unknown) =>
  new Promise<Answer>((resolve, reject) => {
    const method = body === undefined ? 'GET' : 'POST';
    const to = { host: '127.0.0.1', port, method, path, headers: { ...headers, host } };
    const sent = plainRequest({ ...to, signal: AbortSignal.timeout(60_000) }, (answer) => {
      let text = '';
      answer.on('data', (piece) => (text += String(piece)));
      answer.on('error', reject);
      answer.once('end', () =>
        resolve({ status: answer.statusCode ?? 0, cookies: answer.headers['set-cookie'] ?? [], text }),
      );
    });
    sent.on('error', reject);
    sent.end(body === undefined ? undefined : JSON.stringify(body));
  });

/** Guesses of one place are forgotten after an hour; here at once. */
async function forgetGuesses(server: Server): Promise<void> {
  const db = await openDatabase(server.databaseUrl);
  await db.delete(tries);
  db.$client.close();
}

test('behind a proxy: by its name and no other, on https, each place slowed down by itself, and a reading logged', async () => {
  const server = new Server({ ALLOWED_HOSTS: NAME, TRUSTED_PROXIES: '127.0.0.1' });
  await server.start();
  await setUpShop(server);
  const { proxy, port } = await proxyTo(server);
  for (const [host, status] of [
    [`${NAME}:${port}`, 200],
    ['evil.example', 421],
    [`${NAME}.evil.example`, 421],
  ] as const) {
    expect((await asked(port, host, '/api/me')).status, host).toBe(status);
    // what a browser says of a proxy before it is not what it was asked by
    expect((await asked(port, host, '/api/me', { 'x-forwarded-host': NAME })).status, host).toBe(status);
  }
  const own = { origin: `https://${NAME}` };
  const guess = (n: number, headers: Record<string, string>) =>
    asked(port, NAME, '/api/commands/signIn', headers, { args: [`N${n}`, '0000'] });
  expect((await guess(0, own)).status).toBe(200);
  expect((await guess(0, { origin: 'https://evil.example' })).status).toBe(403);
  // another place made up each time: the last one is what the proxy found itself
  const said = [];
  for (let n = 1; n <= 30; n += 1) said.push((await guess(n, { 'x-forwarded-for': `10.0.0.${n}` })).text);
  // on a slow machine a wait may have passed before the next guess comes, but each is twice as long
  expect(said.filter((text) => text.includes('Too many wrong tries')).length).toBeGreaterThan(5);

  await forgetGuesses(server);
  const browser = await named();
  const page = await browser.newPage();
  await page.goto(`http://${NAME}:${port}/builds/bench/rings`);
  await page.getByLabel('Initials').fill(PINS.fitter[0]);
  await page.getByLabel('PIN or password').fill(PINS.fitter[1]);
  await page.getByRole('button', { name: 'Sign in', exact: true }).click();
  const line = page.getByRole('region', { name: 'Reading line' }).getByRole('textbox');
  await line.fill('22');
  await page.keyboard.press('Enter');
  const owner = await signedIn(server, 'owner');
  await expect
    .poll(async () => {
      const { record } = (await (await ask(server, owner, 'GET', '/api/builds/bench')).json()) as {
        record: BuildRecord;
      };
      return record.entries.flatMap((e) => (e.kind === 'reading' ? [`${e.typed} ${e.by}`] : []));
    })
    .toEqual([`22 ${PINS.fitter[0]}`]);
  await browser.close();
  proxy.closeAllConnections();
  proxy.close();
  await server.end();
});

test('while nobody can sign in, only the machine itself is answered, however the request was passed on', async () => {
  const server = new Server({ ALLOWED_HOSTS: NAME, TRUSTED_PROXIES: '127.0.0.2' });
  await server.start();
  await server.put({ id: 'bench', entries: [jobEntry({ name: 'Bench six' })] });
  const from = (headers: Record<string, string>, path = '/api/builds') =>
    rawRequest(server.port, 'GET', path, headers).then(({ status }) => status);
  expect(await from({})).toBe(200);
  const passedOn: Record<string, string>[] = [
    { 'x-forwarded-for': '192.168.1.5' },
    { forwarded: 'for=192.168.1.5' },
    { 'x-forwarded-host': NAME },
    { via: '1.1 proxy' },
    { 'x-forwarded-for': '127.0.0.1' },
  ];
  for (const path of ['/api/builds', '/', '/shop', '/api/archive', '/sign-in', '/api/me'])
    for (const headers of passedOn) expect(await from(headers, path), `${path} ${JSON.stringify(headers)}`).toBe(403);
  // the page that is told so needs its files, and they hold nothing of the shop
  expect(await from({ via: '1.1 proxy' }, '/icons/icon-192.png')).toBe(200);
  await setUpShop(server);
  expect(await from({ via: '1.1 proxy' })).toBe(401);
  await server.end();
});

test('a watcher is told that the server is well, and more only on the machine itself or as the owner', async () => {
  const server = new Server({ TRUSTED_PROXIES: '127.0.0.1' });
  await server.start();
  await setUpShop(server);
  const health = async (headers: Record<string, string>): Promise<unknown> =>
    JSON.parse((await rawRequest(server.port, 'GET', '/api/health', headers)).body);
  const far = { 'x-forwarded-for': '192.168.1.5' };
  expect(await health(far)).toEqual({ ok: true });
  expect(await health({ ...far, cookie: cookieOf(await signedIn(server, 'builder')) })).toEqual({ ok: true });
  const whole = { ok: true, database: 'file', lastBackup: null, diskFree: expect.any(Number) as unknown };
  expect(await health({})).toMatchObject(whole);
  expect(await health({ ...far, cookie: cookieOf(await signedIn(server, 'owner')) })).toMatchObject(whole);
  await server.end();
});

test('where the proxy speaks https, cookies go over nothing else', async () => {
  const server = new Server({ ALLOWED_HOSTS: NAME, TRUSTED_PROXIES: '127.0.0.1', BEHIND_HTTPS: '1' });
  await server.start();
  const { proxy, port } = await proxyTo(server);
  const { status, cookies } = await asked(port, NAME, '/api/commands/setUpPeople', { origin: `https://${NAME}` }, {
    args: ['Kim Moor', 'KM', 'secret1'],
  }); // oxfmt-ignore
  expect(status).toBe(200);
  expect(cookies.length).toBeGreaterThan(0);
  for (const cookie of cookies) expect(cookie).toMatch(/^__Secure-.*; Secure/);
  proxy.closeAllConnections();
  proxy.close();
  await server.end();
});

test('over plain http all of it works: every page opens, a build is begun, readings wait and are sent', async () => {
  const server = new Server({ ALLOWED_HOSTS: NAME });
  await server.start();
  await server.putDemo();
  const browser = await named();
  const page = await browser.newPage({ locale: 'en-GB' });
  const errors: string[] = [];
  page.on('pageerror', (error) => errors.push(`${page.url()}: ${error.message}`));
  const at = `http://${NAME}:${server.port}`;
  await page.goto(at);
  expect(await page.evaluate(() => [isSecureContext, typeof crypto.randomUUID])).toEqual([false, 'undefined']);
  const pages = ['/', '/gap', '/new', '/charts', '/charts/starting', '/instruments', '/archived', '/shop', '/sign-in'];
  const isWhole = async (): Promise<void> => {
    await expect(page.getByRole('main')).toBeVisible();
    await expect(page.getByRole('heading').first()).toBeVisible();
    await page.waitForLoadState('networkidle');
  };
  for (const path of [...pages, '/builds/demo-tarn-five/job']) {
    await page.goto(at + path);
    await isWhole();
  }
  for (const stage of STAGE_IDS) {
    await page.locator(`a[href*="/demo-tarn-five/${stage}"]`).first().click();
    await expect(page).toHaveURL(new RegExp(`/demo-tarn-five/${stage}`));
    await isWhole();
  }
  await page.goto(`${at}/gap?bore=4in&use=race&piston=hypereutectic`);
  await page.getByRole('button', { name: 'Begin a build with this' }).click();
  await expect(page).toHaveURL(/\/builds\/[0-9a-f-]{36}\/job/);
  const build = page.url().replace(/\/job$/, '');
  const id = build.replace(/^.*\//, '');
  await page.goto(`${build}/rings`);
  const entry = page.getByRole('region', { name: 'Reading line' }).getByRole('textbox');
  await expect(entry).toBeFocused();
  await server.kill();
  await entry.fill('22');
  await page.keyboard.press('Enter');
  await expect(page.getByText('1 entry waits in this browser')).toBeVisible();
  await server.start();
  await expect
    .poll(async () => (await server.record(id)).entries.flatMap((e) => (e.kind === 'reading' ? [e.typed] : [])))
    .toEqual(['22']);
  await page.goto(`${at}/instruments`);
  await page.getByRole('main').getByRole('button', { name: 'Add a tool' }).click();
  await expect(page.getByRole('button', { name: 'Save' })).toBeVisible();
  expect(errors).toEqual([]);
  await browser.close();
  await server.end();
});
