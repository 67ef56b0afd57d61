/** Charts: edited, confirmed, saved as versions, offered to builds, copied, put away, out to files and in again. */
import { readFileSync } from 'node:fs';
import type { Locator, Page } from '@playwright/test';
import { jobEntry } from '../src/fixtures/records';
import { Server, expect, test } from './server';

const cell = (page: Page, row: string, column: string, figure = 'top'): Locator =>
  page.locator(`[data-cell="${row}/${column}/${figure}"]`);
const factor = (page: Page): Locator => page.getByRole('textbox', { name: 'Factor × bore' });

/** Charts are the whole shop's: each test has a shop of its own. */
async function shop(): Promise<Server> {
  const server = new Server();
  await server.start();
  return server;
}

test('an edit is a version; a build keeps its own, is offered the next with what differs, and takes it when told', async ({
  page,
}) => {
  const server = await shop();
  await server.put({ id: 'held', entries: [jobEntry({ name: 'Held' })] });
  await page.goto(`${server.url}/charts/starting`, { waitUntil: 'networkidle' });
  await page.getByLabel('Initials').fill('KM');
  await cell(page, 'race', 'forged4032').click();
  await page.keyboard.type('0.028');
  await expect(page.getByText('0.028 is no factor')).toBeVisible();
  await factor(page).fill('0.0055');
  await expect(cell(page, 'race', 'forged4032')).toContainText('0.0055');
  await page.getByLabel('Source').fill('bench trial');
  await page.getByLabel('Which sheet says so?').fill('sheet of ring set TF-82');
  await page.getByRole('button', { name: 'Confirm', exact: true }).click();
  await expect(cell(page, 'race', 'forged4032')).toContainText('confirmed against sheet of ring set TF-82');
  await page.reload();
  await expect(page.getByText('changed here and not saved')).toBeVisible();
  await page.getByRole('button', { name: 'Save as version 2' }).click();
  await expect(page.getByText('version 2', { exact: true })).toBeVisible();

  await page.goto(`${server.url}/builds/held/targets`);
  const top = page.getByRole('button', { name: /Top ring gap/ });
  await expect(top).toContainText('21–24');
  await expect(page.getByText('Starting chart is now at version 2.')).toBeVisible();
  await page.getByRole('button', { name: 'See the difference' }).click();
  const dialog = page.getByRole('dialog');
  await expect(dialog.getByRole('row', { name: /Top ring gap/ })).toContainText(/21–24 thou.*23–26 thou/);
  await expect(dialog.getByRole('row', { name: /oval or drag.*used by this build/ })).toContainText(
    /0.005, not confirmed.*0.0055, confirmed against sheet of ring set TF-82/,
  );
  await dialog.getByRole('button', { name: 'Keep version 1' }).click();
  await expect(top).toContainText('21–24');
  await page.getByRole('button', { name: 'See the difference' }).click();
  await dialog.getByRole('button', { name: 'Take version 2' }).click();
  await expect(top).toContainText('23–26');
  await expect(page.getByText('Starting chart is now at version 2.')).toBeHidden();
  await expect(page.locator('[data-rung="chart"]')).toContainText('confirmed against sheet of ring set TF-82 by KM');

  await page.getByRole('tab', { name: 'Chart' }).click();
  await expect(page.getByRole('row', { name: /oval or drag/ })).toContainText('0.0055');

  await page.goto(`${server.url}/gap?bore=4.065in&use=race&piston=forged4032&wall=iron&chart=starting%401`, {
    waitUntil: 'networkidle',
  });
  const slip = page.getByRole('article', { name: 'Figures' });
  await expect(slip).toContainText('21–24 thou');
  await page.getByLabel('Chart', { exact: true }).selectOption({ label: 'Starting chart, version 2' });
  await expect(slip).toContainText('23–26 thou');
  await expect(page).toHaveURL(/chart=starting%402/);
  await page.getByRole('button', { name: 'Begin a build with this' }).dblclick();
  await expect(page).toHaveURL(/\/job$/);
  const shelf = (await (await fetch(`${server.url}/api/builds`)).json()) as { all: number };
  expect(shelf.all).toBe(2);
  await server.end();
});

test('two at one chart: the second is told, loses nothing, and can go on over the first', async ({ page, browser }) => {
  const server = await shop();
  const other = await (await browser.newContext()).newPage();
  for (const p of [page, other]) await p.goto(`${server.url}/charts/starting`, { waitUntil: 'networkidle' });
  await cell(page, 'street', 'cast').click();
  await factor(page).fill('0.0041');
  await page.getByRole('button', { name: 'Save as version 2' }).click();
  await expect(page.getByText('version 2', { exact: true })).toBeVisible();
  await cell(other, 'plain', 'cast').click();
  await factor(other).fill('0.0043');
  await other.getByRole('button', { name: 'Save as version 2' }).click();
  await expect(other.getByText('Version 2 was saved by someone since you began on version 1.')).toBeVisible();
  await expect(cell(other, 'plain', 'cast')).toContainText('0.0043');
  await expect(other.getByRole('row', { name: /performance street.*cast · top ring/ })).toContainText(/0.0041.*0.004,/);
  await other.getByRole('button', { name: 'Work on over version 2' }).click();
  await cell(other, 'street', 'cast').click();
  await factor(other).fill('0.0041');
  await other.getByRole('button', { name: 'Save as version 3' }).click();
  await expect(other.getByText('version 3', { exact: true })).toBeVisible();
  await other.getByRole('button', { name: 'Versions' }).click();
  await expect(other.getByRole('dialog').getByRole('listitem')).toHaveCount(3);
  await other.getByRole('button', { name: 'Bring version 1 back' }).click();
  await expect(cell(other, 'plain', 'cast')).toContainText('0.0040');
  await other.getByRole('button', { name: 'Throw changes away' }).click();
  await expect(cell(other, 'plain', 'cast')).toContainText('0.0043');
  await other.context().close();
  await server.end();
});

test('a copy with a row and a piston of its own sets a new build; arrows and digits are enough', async ({ page }) => {
  const server = await shop();
  await page.goto(`${server.url}/charts`, { waitUntil: 'networkidle' });
  await page.getByRole('button', { name: 'Copy Starting chart' }).click();
  await expect(page).toHaveURL(/\/charts\/[0-9a-f-]{36}$/);
  await page.getByLabel('Name of the chart').fill('Hill chart');
  await page.getByRole('button', { name: 'duty', exact: true }).click();
  await page.getByLabel('Duty', { exact: true }).fill('hillclimb, alcohol');
  await page.getByRole('button', { name: 'piston', exact: true }).click();
  await page.getByLabel('Piston', { exact: true }).fill('billet, gas ported');
  await page.getByLabel('Made of').selectOption('2618');
  await cell(page, 'diesel', 'own-piston').click();
  await page.keyboard.press('ArrowDown');
  await expect(cell(page, 'own-row', 'own-piston')).toBeFocused();
  await page.keyboard.type('.0058');
  await expect(cell(page, 'own-row', 'own-piston')).toContainText('0.0058');
  await cell(page, 'own-row', 'own-piston').click();
  await page.keyboard.press('ArrowRight');
  await page.keyboard.type('0.0061');
  await page.getByRole('button', { name: 'Save as version 2' }).click();
  await expect(page.getByText('version 2', { exact: true })).toBeVisible();
  await page.getByRole('link', { name: 'Charts' }).first().click();
  await page.getByRole('button', { name: 'Begin builds with it Hill chart' }).click();
  await expect(page.getByText('New builds begin with it.')).toBeVisible();

  await page.goto(`${server.url}/new`, { waitUntil: 'networkidle' });
  await expect(page.getByLabel('Chart', { exact: true })).toContainText('Hill chart, version 2');
  await page.getByLabel('Build name').fill('Hill four');
  await page.getByLabel('Planned finished bore').fill('4000');
  await page.getByLabel('Piston type').selectOption({ label: 'billet, gas ported' });
  await page.getByLabel('Chart row').selectOption({ label: 'hillclimb, alcohol' });
  await page.getByRole('button', { name: 'Begin this build' }).click();
  await expect(page.getByRole('button', { name: /Top ring gap/ })).toContainText('24–27');
  await expect(page.getByRole('button', { name: /Second ring gap/ })).toContainText('25–28');
  await expect(page.getByRole('button', { name: /Piston to wall/ })).toContainText('The chart offers no clearance');

  await page.goto(`${server.url}/charts`, { waitUntil: 'networkidle' });
  await page.getByRole('button', { name: 'Archive Hill chart' }).click();
  await expect(page.getByText('Hill chart is archived. Builds set with it keep it.')).toBeVisible();
  await page.getByRole('button', { name: 'Restore' }).click();
  await expect(page.getByRole('link', { name: 'Hill chart' })).toBeVisible();
  await server.end();
});

test('out as JSON and CSV and in again; a broken file changes nothing', async ({ page }, info) => {
  const server = await shop();
  await page.goto(`${server.url}/charts/starting`, { waitUntil: 'networkidle' });
  const paths: Record<string, string> = {};
  for (const kind of ['JSON', 'CSV']) {
    const waiting = page.waitForEvent('download');
    await page.getByRole('link', { name: kind }).click();
    const download = await waiting;
    paths[kind] = info.outputPath(download.suggestedFilename());
    await download.saveAs(paths[kind]);
  }
  await page.goto(`${server.url}/charts`, { waitUntil: 'networkidle' });
  const read = async (name: string, text: string): Promise<void> =>
    page.getByLabel('Chart file').setInputFiles({ name, mimeType: 'text/plain', buffer: Buffer.from(text) });
  const csv = readFileSync(paths.CSV ?? '', 'utf8');
  await read('broken.csv', csv.replace(',top,0.004,', ',top,0.4,'));
  await expect(page.getByRole('alert').filter({ hasText: 'Not imported' })).toContainText('0.4 is no factor');
  await read('cut.json', readFileSync(paths.JSON ?? '', 'utf8').slice(0, -30));
  await expect(page.getByRole('alert').filter({ hasText: 'Not imported' })).toContainText('cut short');
  await expect(page.getByRole('main').getByRole('listitem').filter({ hasText: 'version' })).toHaveCount(3);

  await read('From a sheet.csv', csv.replace(',top,0.004,', ',top,0.0042,'));
  await expect(page.getByLabel('Name of the chart')).toHaveValue('From a sheet');
  await expect(cell(page, 'plain', 'cast')).toContainText('0.0042');
  await page.goto(`${server.url}/charts`, { waitUntil: 'networkidle' });
  await page.getByLabel('Chart file').setInputFiles(paths.JSON ?? '');
  await expect(page).toHaveURL(/\/charts\/starting$/);
  expect((await fetch(`${server.url}/api/charts/starting?version=9`)).status).toBe(404);
  expect((await fetch(`${server.url}/api/charts`, { method: 'POST', body: 'x'.repeat(2_000_000) })).status).toBe(413);
  await server.end();
});
