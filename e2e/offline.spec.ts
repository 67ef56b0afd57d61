/** The bench without its server: opened before, it opens again whole; nothing is lost, and the program is renewed in peace. */
import type { BrowserContext, Page } from '@playwright/test';
import { readFileSync, writeFileSync } from 'node:fs';
import { jobEntry, largeRecord } from '../src/fixtures/records';
import { PINS, setUpShop } from './people';
import { Server, expect, test } from './server';

test.use({ serviceWorkers: 'allow' });

const line = (page: Page) => page.getByRole('region', { name: 'Reading line' }).getByRole('textbox');
const STAGES = ['Job', 'Targets', 'Bores', 'Pistons', 'Journals', 'Rings', 'Clocking', 'Assembly', 'Sheet'];

let n = 0;
async function open(page: Page, server: Server): Promise<string> {
  n += 1;
  const id = `offline-${n}-${test.info().workerIndex}`;
  await server.put({ id, entries: [jobEntry({ name: `Offline ${n}`, also: ['journals'] })] });
  await page.goto(`${server.url}/builds/${id}/rings`);
  await expect(line(page)).toBeFocused();
  return id;
}

/** Whether this device has the program and this very build. */
async function isKept(page: Page, id: string): Promise<void> {
  await expect
    .poll(
      () =>
        page.evaluate(async (build) => {
          const names = await caches.keys();
          const program = names.some((name) => name.includes('precache'));
          const pages = await (await caches.open('spatium-pages')).keys();
          return program && pages.some((request) => request.url.endsWith(`/builds/${build}`));
        }, id),
      { timeout: 60_000 },
    )
    .toBe(true);
}

const goOffline = (context: BrowserContext): Promise<void> => context.setOffline(true);
const logged = async (server: Server, id: string): Promise<string[]> =>
  (await server.record(id)).entries.flatMap((e) => (e.kind === 'reading' ? [e.typed] : []));

test('a build that is open works whole without the server: every stage, a reload, Back, a second tab; then all of it is sent', async ({
  page,
  context,
  server,
}) => {
  const id = await open(page, server);
  await page.keyboard.type('22\n');
  await expect.poll(() => logged(server, id)).toEqual(['22']);
  await isKept(page, id);
  // what the shop has fitted and turned is known as it was last answered
  const histories = (): Promise<number[]> =>
    page.evaluate(() =>
      Promise.all(['/api/gap-history', '/api/torque-history?build=x'].map(async (path) => (await fetch(path)).status)),
    );
  expect(await histories()).toEqual([200, 200]);
  await goOffline(context);
  expect(await histories()).toEqual([200, 200]);
  await page.keyboard.type('24\n');
  await expect(page.getByText('1 entry waits in this browser')).toBeVisible();
  await expect(page.getByText('All of this build works meanwhile, over a reload too.')).toBeVisible();
  for (const stage of STAGES) {
    await page.getByRole('link', { name: new RegExp(`^${stage}`) }).click();
    await expect(page.getByRole('heading', { level: 1 }).first()).toBeVisible();
  }
  await page.goBack();
  await expect(page).toHaveURL(/\/assembly/);
  await page.getByRole('link', { name: /^Rings/ }).click();
  await expect(page).toHaveURL(/rings\?at=1\.top$/);
  await page.reload();
  await expect(page.getByRole('link', { name: /^Rings/ })).toContainText('2/16');
  await expect(line(page)).toBeFocused();
  await page.keyboard.press('ArrowDown');
  await line(page).fill('23');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('link', { name: /^Rings/ })).toContainText('3/16');
  const second = await context.newPage();
  await second.goto(`${server.url}/builds/${id}/bores`);
  await expect(second.getByRole('link', { name: /^Rings/ })).toContainText('3/16');
  await expect(second.getByRole('heading', { name: /^Bore 1/ })).toBeVisible();
  // the gauge in hand and its setting wait as readings do
  await second.getByRole('combobox', { name: 'In hand' }).selectOption({ label: 'Bore gauge, inches' });
  for (const typed of ['set 4.065', '.1']) {
    await line(second).fill(typed);
    await second.keyboard.press('Enter');
  }
  await expect(second.locator('#line-said')).toContainText('4.0651 in');
  // what is entered in one window is there in the other
  await line(page).fill('25');
  await page.keyboard.press('Enter');
  await expect(second.getByRole('link', { name: /^Rings/ })).toContainText('4/16');
  await context.setOffline(false);
  await expect.poll(async () => (await logged(server, id)).sort()).toEqual(['.1', '22', '23', '24', '25']);
  const kinds = (await server.record(id)).entries.map((e) => e.kind);
  expect(kinds.filter((kind) => kind === 'instrument' || kind === 'setting').sort()).toEqual(['instrument', 'setting']);
  await expect(page.getByText('waits in this browser')).toBeHidden();
});

test('a build opened before is opened again without the server as it was last known; a page never seen says so', async ({
  page,
  context,
  server,
}) => {
  const id = await open(page, server);
  await isKept(page, id);
  // known after the page was kept
  await page.keyboard.type('22\n24\n');
  await expect.poll(() => logged(server, id)).toEqual(['22', '24']);
  const known = () =>
    page.evaluate(
      (build) =>
        new Promise<number>((resolve) => {
          const asked = indexedDB.open('keyval-store');
          asked.onsuccess = () => {
            const got = asked.result.transaction('keyval').objectStore('keyval').get(`spatium-record:${build}`);
            got.onsuccess = () => resolve((got.result as { entries: unknown[] } | undefined)?.entries.length ?? 0);
            got.onerror = () => resolve(0);
          };
          asked.onerror = () => resolve(0);
        }),
      id,
    );
  await expect.poll(known).toBe(3);
  await page.close();
  await goOffline(context);
  const again = await context.newPage();
  await again.goto(`${server.url}/builds/${id}/rings?at=3.second`);
  await expect(again.getByRole('link', { name: /^Rings/ })).toContainText('2/16');
  await expect(again.getByRole('heading', { name: 'Cylinder 3, second ring' })).toBeVisible();
  await again.goto(`${server.url}/builds/never-opened/rings`);
  await expect(again.getByRole('heading', { name: 'The server does not answer' })).toBeVisible();
});

test('what is worked out in the background goes on under the service worker, with the server and without', async ({
  page,
  context,
  server,
}) => {
  const id = await open(page, server);
  await isKept(page, id);
  const run = page.getByText(/draws a gap over temperatures/);
  await page.goto(`${server.url}/builds/${id}/targets?view=heat`);
  await expect.poll(() => page.evaluate(() => navigator.serviceWorker.controller !== null)).toBe(true);
  await expect(run).toBeVisible();
  await goOffline(context);
  await page.reload();
  await expect(run).toBeVisible();
});

test('where the browser has no worker the stages go on without the server, and the limit is said', async ({
  browser,
  server,
}) => {
  const context = await browser.newContext({ serviceWorkers: 'block' });
  const page = await context.newPage();
  const id = await open(page, server);
  // all there is of the program is loaded by then
  await page.waitForLoadState('networkidle').catch(() => undefined);
  let files = 0;
  await expect
    .poll(
      async () => {
        const before = files;
        files = await page.evaluate(
          () => performance.getEntriesByType('resource').filter((r) => /\.js$/.test(r.name)).length,
        );
        return files > 40 && files === before;
      },
      { timeout: 30_000, intervals: [1_000] },
    )
    .toBe(true);
  await goOffline(context);
  await page.keyboard.type('22\n');
  await expect(page.getByText('This browser has no copy of the program')).toBeVisible();
  for (const stage of STAGES) {
    await page.getByRole('link', { name: new RegExp(`^${stage}`) }).click();
    await expect(page.getByRole('heading', { level: 1 }).first()).toBeVisible();
  }
  await context.setOffline(false);
  await expect.poll(() => logged(server, id)).toEqual(['22']);
  await context.close();
});

test('the program can be kept on a device', async ({ server }) => {
  const manifest = (await (await fetch(`${server.url}/manifest.webmanifest`)).json()) as {
    display: string;
    icons: { src: string }[];
  };
  expect(manifest.display).toBe('standalone');
  for (const { src } of manifest.icons) {
    const icon = await fetch(server.url + src);
    expect(icon.headers.get('content-type')).toBe('image/png');
  }
  const worker = await fetch(`${server.url}/sw.js`);
  expect(worker.ok).toBe(true);
  expect(await worker.text()).toContain('/_next/static/');
});

test('a newer program is offered, and taken when someone says so: what is typed and what waits stays', async ({
  page,
  context,
  server,
}) => {
  const WORKER = 'public/sw.js';
  const asBuilt = readFileSync(WORKER, 'utf8');
  // on from the start: what a worker is fetching as it is turned on never ends, and such a worker is never followed
  let isCut = false;
  await page.route('**/entries?*', (route) => (isCut ? route.abort() : route.continue()));
  const id = await open(page, server);
  await isKept(page, id);
  await expect.poll(() => page.evaluate(() => navigator.serviceWorker.controller !== null)).toBe(true);
  try {
    writeFileSync(WORKER, `${asBuilt}\n// as a later build has it`);
    await page.evaluate(async () => {
      await (await navigator.serviceWorker.ready).update();
    });
    await expect(page.getByText('The program was renewed.')).toBeVisible();
    // entries cannot be sent just now, and wait
    isCut = true;
    await page.keyboard.type('24\n');
    await expect(page.getByText('1 entry waits in this browser')).toBeVisible();
    await page.keyboard.type('23');
    const reloaded = page.waitForEvent('load');
    await page.getByRole('button', { name: 'Take it now' }).click();
    await reloaded;
    await expect(line(page)).toHaveValue('23');
    await expect(page.getByRole('link', { name: /^Rings/ })).toContainText('1/16');
    await expect(page.getByText('The program was renewed.')).toBeHidden();
    isCut = false;
    await line(page).press('Enter');
    await expect.poll(() => logged(server, id)).toEqual(['24', '23']);
    expect(context.pages()).toHaveLength(1);
  } finally {
    writeFileSync(WORKER, asBuilt);
  }
});

test('a build of 3,000 entries opens page by page, is logged to, and opens without the server', async ({
  page,
  context,
  server,
}) => {
  const long = largeRecord(2_999, `long-${test.info().workerIndex}`);
  await server.put(long);
  const answer = await page.request.get(`${server.url}/builds/${long.id}/rings`);
  // what the page itself carries
  expect((await answer.body()).length).toBeLessThan(200_000);
  await page.goto(`${server.url}/builds/${long.id}/rings`);
  await expect(line(page)).toBeFocused();
  await page.keyboard.type('22\n');
  await expect.poll(async () => (await logged(server, long.id)).at(-1)).toBe('22');
  await isKept(page, long.id);
  // the record is kept a moment after its last change
  await expect
    .poll(() =>
      page.evaluate(
        (id) =>
          new Promise<number>((resolve) => {
            const opening = indexedDB.open('keyval-store');
            opening.onsuccess = () => {
              const get = opening.result.transaction('keyval').objectStore('keyval').get(`spatium-record:${id}`);
              get.onsuccess = () => resolve((get.result as { entries: unknown[] } | undefined)?.entries.length ?? 0);
            };
          }),
        long.id,
      ),
    )
    .toBe(3_001);
  await goOffline(context);
  await page.reload();
  await expect(line(page)).toBeFocused();
  await page.keyboard.type('23\n');
  await expect(page.getByText('1 entry waits in this browser')).toBeVisible();
  await context.setOffline(false);
  await expect.poll(async () => (await logged(server, long.id)).at(-1)).toBe('23');
});

test('who signs out leaves nothing of the shop on the device; while somebody else is signed in, only what they may see', async ({
  page,
}) => {
  const shop = new Server();
  await shop.start();
  await setUpShop(shop);
  const signIn = async (role: 'owner' | 'fitter'): Promise<void> => {
    await page.getByLabel('Initials').fill(PINS[role][0]);
    await page.getByLabel('PIN or password').fill(PINS[role][1]);
    await page.getByRole('button', { name: 'Sign in', exact: true }).click();
  };
  const kept = (): Promise<string[]> =>
    page.evaluate(async () => {
      const pages = await (await caches.open('spatium-pages')).keys();
      const records = await new Promise<string[]>((resolve) => {
        const opening = indexedDB.open('keyval-store', 1);
        opening.onupgradeneeded = () => opening.result.createObjectStore('keyval');
        opening.onsuccess = () => {
          const all = opening.result.transaction('keyval').objectStore('keyval').getAllKeys();
          all.onsuccess = () => resolve(all.result.map(String));
        };
      });
      return [...pages.map((request) => new URL(request.url).pathname), ...records].sort();
    });
  const chip = page.getByRole('banner').getByRole('button', { name: /^Signed in:/ });
  await page.goto(`${shop.url}/builds/bench/rings`);
  await signIn('owner');
  await expect(chip).toHaveText(/KM/);
  await isKept(page, 'bench');
  await page.goto(`${shop.url}/shop`);
  await expect.poll(kept).toEqual(expect.arrayContaining(['/builds/bench', '/shop', 'spatium-record:bench']));
  await page.goto(`${shop.url}/sign-in`);
  await signIn('fitter');
  await expect(chip).toHaveText(/AW/);
  await chip.click();
  await page.getByRole('dialog').getByRole('button', { name: /KM/ }).click();
  await expect(chip).toHaveText(/KM/);
  await page.getByRole('button', { name: 'Sign KM out here' }).click();
  await expect(chip).toHaveText(/AW/);
  await expect.poll(kept).not.toContain('/shop');
  expect(await kept()).toEqual(expect.arrayContaining(['/builds/bench', 'spatium-record:bench']));
  await page.getByRole('button', { name: 'Sign AW out here' }).click();
  await expect(page.getByRole('heading', { name: 'Sign in' })).toBeVisible();
  expect((await kept()).filter((what) => what !== '/sign-in')).toEqual([]);
  await shop.end();
});
