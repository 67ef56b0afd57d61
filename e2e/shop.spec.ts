import { join } from 'node:path';
import { fromThou } from '../src/core/foundation/quantity/length';
import { jobEntry, reading } from '../src/fixtures/records';
import { writeBuildFile } from '../src/files/buildFile';
import { backUp, restore } from '../src/store/backup';
import { Server, expect, test } from './server';

const line = 'Reading line';

test('an archived build is looked into and restored; importing its file says so', async ({ page, server }) => {
  const record = { id: 'laid', entries: [jobEntry({ name: 'Laid six' })] };
  await server.put(record);
  await page.goto(`${server.url}/?q=Laid`);
  await page.getByRole('button', { name: 'Archive Laid six' }).click();
  await page.getByRole('button', { name: 'Archive', exact: true }).click();
  await expect(page.getByText('Build archived.')).toBeVisible();
  await page.getByRole('link', { name: 'Archive' }).click();
  await expect(page.getByRole('heading', { name: 'Archive' })).toBeVisible();
  await page.getByRole('link', { name: 'Laid six', exact: true }).click();
  await expect(page).toHaveURL(/\/builds\/laid\/sheet/);
  await page.goto(server.url);
  await page.getByLabel('Build file').setInputFiles({
    name: 'laid.json',
    mimeType: 'application/json',
    buffer: Buffer.from(JSON.stringify(writeBuildFile(record))),
  });
  await expect(page.getByText('is already here, in the archive')).toBeVisible();
  await page.getByRole('button', { name: 'Restore Laid six' }).click();
  await expect(page.getByRole('link', { name: 'Laid six', exact: true })).toHaveCount(0);
  await page.goto(`${server.url}/?q=Laid`);
  await expect(page.getByRole('link', { name: 'Laid six', exact: true })).toBeVisible();
});

test('what waits of a build is seen on the shelf and sent from there, each once', async ({ page }) => {
  const server = new Server();
  await server.start();
  await server.put({ id: 'waits', entries: [jobEntry({ name: 'Waiting six' })] });
  await page.goto(`${server.url}/builds/waits/rings`);
  const entry = page.getByRole('region', { name: line }).getByRole('textbox');
  await expect(entry).toBeFocused();
  await server.kill();
  for (const figure of ['22', '23']) {
    await entry.fill(figure);
    await page.keyboard.press('Enter');
  }
  await expect(page.getByText('2 entries wait in this browser')).toBeVisible();
  // the tab is closed with the server gone; another page is what is opened next
  const context = page.context();
  await page.close();
  await server.start();
  const next = await context.newPage();
  await next.goto(`${server.url}/`);
  await expect(next.getByText('2 entries wait in this browser')).toBeVisible();
  await expect
    .poll(async () => (await server.record('waits')).entries.flatMap((e) => (e.kind === 'reading' ? [e.typed] : [])))
    .toEqual(['22', '23']);
  await expect(next.getByText('entries wait in this browser')).toHaveCount(0);
  await server.end();
});

test('a server that takes the call and never answers is noticed; a full one is told as that; nothing is lost', async ({
  page,
  server,
}) => {
  await server.put({ id: 'frozen', entries: [jobEntry({ name: 'Frozen six' })] });
  let how: 'freeze' | 'full' | 'answer' = 'answer';
  await page.route('**/api/builds/frozen/entries*', async (route) => {
    if (how === 'freeze') return;
    if (how === 'full') await route.fulfill({ status: 507, json: { faults: ['full'] } });
    else await route.continue();
  });
  await page.goto(`${server.url}/builds/frozen/rings`);
  const entry = page.getByRole('region', { name: line }).getByRole('textbox');
  await expect(entry).toBeFocused();
  how = 'freeze';
  await entry.fill('22');
  await page.keyboard.press('Enter');
  await expect(page.getByText('The server does not answer.')).toBeVisible({ timeout: 6_000 });
  how = 'full';
  await expect(page.getByText('The disk of the server is full')).toBeVisible({ timeout: 10_000 });
  await expect(page.getByText('1 entry waits in this browser')).toBeVisible();
  how = 'answer';
  await expect(page.getByText('1 entry waits in this browser')).toHaveCount(0);
  await expect
    .poll(async () => (await server.record('frozen')).entries.filter((e) => e.kind === 'reading').length)
    .toBe(1);
});

test('a copy put back while a bench is open: the page is loaded anew and shows what is on record, and so does another later', async ({
  page,
}) => {
  const server = new Server();
  await server.start();
  await server.put({ id: 'back', entries: [jobEntry(), reading('r1', 'L1', 'top', fromThou(22))] });
  const copy = join(server.folder, 'copy.db');
  await backUp(server.databaseUrl, copy);
  await page.goto(`${server.url}/builds/back/rings`);
  const rings = page.getByRole('link', { name: /^Rings/ });
  const entry = page.getByRole('region', { name: line }).getByRole('textbox');
  await expect(entry).toBeFocused();
  await entry.fill('23');
  await page.keyboard.press('Enter');
  await expect.poll(async () => (await server.record('back')).entries.length).toBe(3);
  await expect(rings).toContainText('2/16');
  await restore(server.databaseUrl, copy, server.folder);
  await expect(rings).toContainText('1/16');
  await expect(entry).toBeFocused();
  await entry.fill('24');
  await page.keyboard.press('Enter');
  await expect
    .poll(async () => (await server.record('back')).entries.flatMap((e) => (e.kind === 'reading' ? [e.typed] : [])))
    .toEqual([String(fromThou(22)), '24']);
  await page.reload();
  await expect(rings).toContainText('2/16');
  await server.end();
});

test('two servers on one file: the same files read in at both at once come once, nothing fails, and the audit says so', async () => {
  // of its own: how long an archive takes goes by what is on the shelf
  const server = new Server();
  await server.start();
  await server.putDemo();
  const second = new Server({ DATABASE_URL: server.databaseUrl });
  await second.start();
  const post = (path: string, body: BodyInit): Promise<number[]> =>
    Promise.all(
      Array.from({ length: 8 }, async (_, i) => {
        const response = await fetch(`${i % 2 ? server.url : second.url}${path}`, { method: 'POST', body });
        await response.body?.cancel();
        return response.status;
      }),
    );
  const once = [200, 200, 200, 200, 200, 200, 200, 201];
  const build = writeBuildFile({ id: 'at-once', entries: [jobEntry({ name: 'At once' })] });
  expect((await post('/api/builds', JSON.stringify(build))).sort()).toEqual(once);
  const { chart } = (await (await fetch(`${server.url}/api/charts/starting`)).json()) as { chart: object };
  const file = JSON.stringify({ format: 'spatium-chart', version: 2, chart: { ...chart, name: 'At once' } });
  expect((await post('/api/charts', file)).sort()).toEqual(once);
  const archive = await (await fetch(`${server.url}/api/archive`)).arrayBuffer();
  expect(await post('/api/archive', archive)).toEqual(Array.from({ length: 8 }, () => 200));
  const { charts } = (await (await fetch(`${second.url}/api/charts`)).json()) as {
    charts: { chart: { name: string } }[];
  };
  expect(charts.filter((kept) => kept.chart.name === 'At once')).toHaveLength(1);
  const audit = await (await fetch(`${server.url}/api/audit?csv=1`)).text();
  expect(audit.match(/readInBuild,at-once/g)).toHaveLength(1);
  expect(audit.match(/At once, read in from a file/g)).toHaveLength(1);
  await second.end();
  await server.end();
});
