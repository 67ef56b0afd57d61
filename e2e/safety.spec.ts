/** Nothing is lost: a server killed, a network gone, two benches at once, files that are broken. */
import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import type { Entry } from '../src/core/judge/buildRecord';
import { writeBuildFile } from '../src/files/buildFile';
import { gap, jobEntry, record } from '../src/fixtures/records';
import { Server, expect, test } from './server';
import { rawRequest } from './raw';

// one after the other: each goes on with what the ones before left
test.describe.configure({ mode: 'default' });

const line = (page: Page) => page.getByRole('region', { name: 'Reading line' }).getByRole('textbox');
const rings = (page: Page) => page.getByRole('link', { name: /^Rings/ });
const readingsIn = (entries: Entry[]): string[] => entries.filter((e) => e.kind === 'reading').map((e) => e.id);

test('the server is killed in the middle of 200 logged readings: every acknowledged one is there, none twice', async () => {
  const server = new Server();
  await server.start();
  await server.put({ id: 'killed', entries: [jobEntry()] });
  const acknowledged: string[] = [];
  const send = async (i: number): Promise<void> => {
    const entry = gap(`k${i}`, 'L1', 'top', 15 + (i % 10));
    for (let tries = 0; tries < 200; tries += 1) {
      const answer = await fetch(`${server.url}/api/builds/killed/entries`, {
        method: 'POST',
        body: JSON.stringify({ entries: [entry] }),
      }).catch(() => null);
      if (answer?.ok) {
        acknowledged.push(entry.id);
        return;
      }
      await new Promise((resolve) => setTimeout(resolve, 100));
    }
  };
  let next = 0;
  const worker = async (): Promise<void> => {
    while (next < 200) await send(next++);
  };
  const workers = Promise.all([worker(), worker(), worker(), worker()]);
  while (acknowledged.length < 60) await new Promise((resolve) => setTimeout(resolve, 5));
  await server.kill();
  const before = [...acknowledged];
  expect(before.length).toBeLessThan(200);
  await server.start();
  const survived = readingsIn((await server.record('killed')).entries);
  expect(before.filter((id) => !survived.includes(id))).toEqual([]);
  await workers;
  const all = readingsIn((await server.record('killed')).entries);
  expect(new Set(all).size).toBe(200);
  expect(all).toHaveLength(200);
  await server.end();
});

test('with the server gone the bench goes on: entries wait, survive a reload of the page, and are sent once each', async ({
  page,
}) => {
  const server = new Server();
  await server.start();
  await server.put({ id: 'gone', entries: [jobEntry()] });
  await page.goto(`${server.url}/builds/gone/rings`);
  await expect(line(page)).toBeFocused();
  await server.kill();
  for (const typed of ['22', '24', '21']) {
    await page.keyboard.type(typed);
    await page.keyboard.press('Enter');
  }
  await expect(rings(page)).toContainText('3/16');
  await expect(page.getByText('3 entries wait in this browser')).toBeVisible();
  await server.start();
  await expect(page.getByText('3 entries wait')).toBeHidden();
  await expect.poll(async () => readingsIn((await server.record('gone')).entries).length).toBe(3);

  await page.route('**/entries**', (route) => route.abort());
  await page.keyboard.type('23');
  await page.keyboard.press('Enter');
  await page.reload();
  await expect(rings(page)).toContainText('4/16');
  await page.unroute('**/entries**');
  await expect.poll(async () => readingsIn((await server.record('gone')).entries).length).toBe(4);
  await page.reload();
  await expect(rings(page)).toContainText('4/16');
  expect(new Set(readingsIn((await server.record('gone')).entries)).size).toBe(4);
  await server.end();
});

test('with the server gone, what was not loaded yet says so in its place, and the bench goes on', async ({ page }) => {
  const server = new Server();
  await server.start();
  await server.put({ id: 'unloaded', entries: [jobEntry()] });
  await page.goto(`${server.url}/builds/unloaded/rings`, { waitUntil: 'networkidle' });
  await expect(line(page)).toBeFocused();
  await expect(page.getByRole('complementary')).not.toBeEmpty();
  await server.kill();
  const unloaded = page.getByText('This part could not be loaded');
  await page.getByRole('button', { name: 'Keypad' }).click();
  await expect(unloaded).toBeVisible();
  await page.getByRole('button', { name: 'Keypad' }).click();
  await expect(unloaded).toBeHidden();
  await page.getByRole('tab', { name: 'Grooves' }).click();
  await expect(page.getByRole('tabpanel', { name: 'Grooves' })).toContainText('could not be loaded');
  await page.getByRole('tab', { name: 'Bench' }).click();
  await line(page).focus();
  await page.keyboard.type('22');
  await page.keyboard.press('Enter');
  await expect(rings(page)).toContainText('1/16');
  await page.keyboard.press('ArrowLeft');
  await page.getByRole('button', { name: /^Strike out/ }).click();
  await expect(unloaded).toBeVisible();
  await page.keyboard.press('Escape');
  await page.getByRole('tab', { name: 'Grooves' }).click();
  await expect(unloaded).toBeVisible();
  await server.start();
  await expect.poll(async () => readingsIn((await server.record('unloaded')).entries).length).toBe(1);
  // it comes by itself: a reload is not needed
  await expect(unloaded).toBeHidden();
  await expect(page.getByRole('tabpanel', { name: 'Grooves' })).toContainText('Axial clearance');
  await server.end();
});

test('two benches on one build see each other’s readings, and cannot overwrite each other’s choices unseen', async ({
  browser,
  server,
}) => {
  await server.put({ id: 'two-benches', entries: [jobEntry()] });
  const [one, two] = [await (await browser.newContext()).newPage(), await (await browser.newContext()).newPage()];
  await one.goto(`${server.url}/builds/two-benches/rings`);
  await two.goto(`${server.url}/builds/two-benches/rings`);
  await expect(line(one)).toBeFocused();
  await one.keyboard.type('22');
  await one.keyboard.press('Enter');
  await expect(rings(two)).toContainText('1/16');
  await line(two).press('z');
  await expect(two.getByText('Nothing of this bench’s to undo here')).toBeVisible();
  await expect(rings(one)).toContainText('1/16');

  await two.route('**/entries?*', (route) => (route.request().method() === 'GET' ? route.abort() : route.continue()));
  for (const page of [one, two]) await page.getByRole('tab', { name: 'Set-up' }).click();
  await one.getByLabel('Include rails in the measuring order').check();
  await expect
    .poll(async () => (await server.record('two-benches')).entries.filter((e) => e.kind === 'bench').length)
    .toBe(1);
  await two.getByLabel('Include rails in the measuring order').check();
  await expect(two.getByText('Someone else changed this first')).toBeVisible();
  await two.reload();
  await expect(two.getByText('Someone else changed this first')).toBeVisible();
  await two.getByRole('tab', { name: 'Set-up' }).click();
  await expect(two.getByLabel('Include rails in the measuring order')).toBeChecked();
  await two.getByRole('button', { name: 'Seen' }).click();
  await expect(two.getByText('Someone else changed this first')).toBeHidden();
  expect((await server.record('two-benches')).entries.filter((e) => e.kind === 'bench')).toHaveLength(1);
});

test('a build file goes out and comes back the same; broken ones are refused with what is wrong', async ({
  page,
  server,
}) => {
  await server.put({ id: 'roundtrip', entries: [jobEntry({ name: 'Round trip' }), gap('a', 'L1', 'top', 22)] });
  await page.goto(`${server.url}/builds/roundtrip/sheet`);
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: /Build file/ }).click(),
  ]);
  expect(download.suggestedFilename()).toBe('Round-trip.spatium.json');
  const text = readFileSync(await download.path(), 'utf8');
  expect((JSON.parse(text) as { record: unknown }).record).toEqual(await server.record('roundtrip'));

  await page.goto(server.url);
  const file = (name: string, body: string) =>
    page.getByLabel('Build file').setInputFiles({ name, mimeType: 'application/json', buffer: Buffer.from(body) });
  const alert = page.getByRole('alert').filter({ hasText: 'Not imported' });
  const before = await (await fetch(`${server.url}/api/builds`)).text();
  await file('cut.json', text.slice(0, 300));
  await expect(alert).toContainText('it was cut short');
  await file('other.json', '{"format":"song"}');
  await expect(alert).toContainText('not a Spatium build file');
  await file('wrong.json', JSON.stringify(writeBuildFile(record(gap('a', 'L1', 'top', -3)))));
  await expect(alert).toContainText('not negative');
  const large = await rawRequest(server.port, 'POST', '/api/builds', { 'content-length': String(65 * 1024 * 1024) });
  expect([large.status, large.body]).toEqual([413, expect.stringContaining('larger than 64 MB')]);
  expect(await (await fetch(`${server.url}/api/builds`)).text()).toBe(before);

  await file('changed.json', text.replace('Round trip', 'Changed trip'));
  await expect(alert).toContainText('Another record of this build');
  await page.getByRole('button', { name: 'Import as a copy' }).click();
  await expect(page).toHaveURL(/\/job$/);
  await expect(page.getByLabel('Build name')).toHaveValue('Changed trip');
  expect((await server.record('roundtrip')).entries).toHaveLength(2);
});

test('a script sends a build file and fetches the judged one back', async ({ server }) => {
  const given = { id: 'by-script', entries: [jobEntry(), gap('a', 'L1', 'top', 18)] };
  const post = (query = '') =>
    fetch(`${server.url}/api/builds${query}`, {
      method: 'POST',
      body: JSON.stringify({ format: 'spatium-build', version: 1, record: given }),
    });
  expect((await post()).status).toBe(201);
  expect((await post()).status).toBe(200);
  const copy = await post('?copy=1');
  expect(copy.status).toBe(201);
  expect(((await copy.json()) as { id: string }).id).not.toBe('by-script');
  const judged = (await (await fetch(`${server.url}/api/builds/by-script`)).json()) as {
    judged: { cylinders: { rings: { top: { state: string } } }[] };
  };
  expect(judged.judged.cylinders[0]?.rings.top.state).toBe('short');
  const csv = await fetch(`${server.url}/api/builds/by-script/csv`);
  expect(csv.headers.get('content-type')).toContain('text/csv');
  expect(await csv.text()).toContain('cylinder,place,what');
  for (const path of ['nobody', 'nobody/csv', 'nobody/entries'])
    expect((await fetch(`${server.url}/api/builds/${path}`)).status).toBe(404);
});

test('wrong requests get a clear answer and change nothing', async ({ server }) => {
  await server.put({ id: 'wrong', entries: [jobEntry()] });
  const send = async (body: string, headers: Record<string, string> = {}): Promise<[number, string]> => {
    const answer = await fetch(`${server.url}/api/builds/wrong/entries`, { method: 'POST', body, headers });
    return [answer.status, await answer.text()];
  };
  expect(await send('{')).toEqual([400, expect.stringContaining('not JSON')]);
  expect(await send('{"entries":[]}')).toEqual([422, expect.stringContaining('no entry')]);
  expect(await send(JSON.stringify({ entries: [gap('a', 'L99', 'top', 22)] }))).toEqual([
    422,
    expect.stringContaining('no cylinder'),
  ]);
  expect(await send(JSON.stringify({ entries: [{ ...gap('a', 'L1', 'top', 22), value: '22' }] }))).toEqual([
    422,
    expect.stringContaining('value'),
  ]);
  expect(await send(' '.repeat(5 * 1024 * 1024))).toEqual([413, expect.stringContaining('512 kB')]);
  expect(
    await send(JSON.stringify({ entries: [gap('a', 'L1', 'top', 22)] }), { origin: 'http://elsewhere.example' }),
  ).toEqual([403, expect.stringContaining('another site')]);
  expect((await server.record('wrong')).entries).toHaveLength(1);
});

test('builds: search, sort, archive and restore', async ({ page, server }) => {
  await server.putDemo();
  await page.goto(server.url);
  await page.getByLabel('Search builds').fill('hollin');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('link', { name: 'Tarn five', exact: true })).toBeVisible();
  await expect(page.getByRole('link', { name: 'Corrie V10', exact: true })).toBeHidden();
  await page.getByLabel('Search builds').fill('no such thing');
  await page.getByRole('button', { name: 'Search' }).click();
  await page.getByRole('link', { name: 'Show all builds' }).click();
  await page.getByRole('columnheader', { name: 'planned bore' }).getByRole('link').click();
  await expect(page.getByRole('columnheader', { name: 'planned bore' })).toHaveAttribute('aria-sort', 'ascending');
  await page.getByRole('button', { name: 'Archive Scarp V-twin' }).click();
  await page.getByRole('button', { name: 'Archive', exact: true }).click();
  await expect(page.getByText('Build archived.')).toBeVisible();
  const found = async (): Promise<number> =>
    ((await (await fetch(`${server.url}/api/builds?q=scarp`)).json()) as { total: number }).total;
  expect(await found()).toBe(0);
  await page.getByRole('button', { name: 'Restore' }).click();
  await expect.poll(found).toBe(1);
  await page.goto(`${server.url}/?q=scarp`);
  await expect(page.getByRole('link', { name: 'Scarp V-twin', exact: true })).toBeVisible();
});
