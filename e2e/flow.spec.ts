/** One engine from job card to build sheet, on an empty database, as a new user meets it. */
import type { Locator, Page } from '@playwright/test';
import { Server, expect, test } from './server';

const line = (page: Page) => page.getByRole('region', { name: 'Reading line' }).getByRole('textbox');
const said = (page: Page) => page.locator('#line-said');

test('from an empty shelf to a printed sheet', async ({ page }) => {
  const server = new Server();
  await server.start();
  await page.goto(server.url);
  await page.getByRole('link', { name: 'Begin the first build' }).click();
  await expect(page.getByRole('heading', { name: 'New build' })).toBeVisible();

  await page.getByRole('button', { name: 'Begin this build' }).click();
  await expect(page.getByText('Give the build a name.')).toBeVisible();

  await page.getByLabel('Build name').fill('Fen twin');
  await page.getByRole('radio', { name: 'V', exact: true }).click();
  await page.getByLabel('Cylinders').fill('2');
  await page.getByLabel('Bank angle, degrees').fill('52');
  await page.getByLabel('Numbering').selectOption({ label: 'A1, A2 … B1, B2' });
  await expect(page.getByText('left bank A1; right bank B1')).toBeVisible();
  await page.getByLabel('Planned finished bore').fill('82.5');
  await expect(page.getByText('82.5000 in is 2095.500 mm')).toBeVisible();
  await page.getByRole('button', { name: '3.2480 in · 82.500 mm' }).click();
  await page.getByLabel('Planned finished bore').fill('4065');
  await expect(page.getByText('4.0650 in · 103.251 mm')).toBeVisible();
  await page.getByLabel('Use', { exact: true }).selectOption('endurance');
  await page.getByRole('button', { name: 'Begin this build' }).click();

  await expect(page).toHaveURL(/\/targets\b/);
  await expect(page.getByText('Set the piston type').first()).toBeVisible();
  await page.getByRole('link', { name: /^Job/ }).click();
  await page.getByLabel('Piston type').selectOption('forged4032');
  await page.getByRole('button', { name: 'Save job card' }).click();
  await expect(page.getByText('Saved.')).toBeVisible();
  await page.getByRole('link', { name: /^Targets/ }).click();
  await expect(page.getByRole('button', { name: /Top ring gap/ })).toContainText('21–24');
  await expect(page.getByRole('button', { name: /Second ring gap/ })).toContainText('23–26');

  await page.getByRole('link', { name: /^Bores/ }).click();
  await expect(line(page)).toBeFocused();
  for (const typed of ['set 4.065', '2', '1', '1', '0', '0', '0', '3', '2', '2', '2', '2', '4.0672']) {
    await page.keyboard.type(/^\d$/.test(typed) ? `.${typed}` : typed);
    await page.keyboard.press('Enter');
  }
  await expect(page.getByRole('link', { name: /^Bores/ })).toContainText('1/2');
  await expect(page.getByRole('heading', { name: 'Bore B1' })).toBeVisible();
  await page.keyboard.press('z');
  await page.keyboard.type('.2');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('link', { name: /^Bores/ })).toContainText('2/2');

  await page.getByRole('link', { name: /^Pistons/ }).click();
  await expect(line(page)).toBeFocused();
  for (const typed of ['4.0622', '40610']) {
    await page.keyboard.type(typed);
    await page.keyboard.press('Enter');
  }
  await expect(page.getByRole('row', { name: /^A1/ })).toContainText('tight');
  await page.getByRole('button', { name: /^Cylinder A1, piston/ }).click();
  await page.getByRole('button', { name: 'Strike out 4.0622' }).click();
  await page.getByRole('button', { name: 'misread', exact: true }).click();
  await line(page).fill('4.061');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('link', { name: /^Pistons/ })).toContainText('2/2');

  await page.getByRole('link', { name: /^Rings/ }).click();
  await expect(page.getByRole('heading', { name: 'Cylinder A1, top ring' })).toBeVisible();
  for (const typed of ['22', '24', '21.5', '23/24']) {
    await page.keyboard.type(typed);
    await page.keyboard.press('Enter');
  }
  await expect(page.getByRole('link', { name: /^Rings/ })).toContainText('4/4');
  await expect(said(page)).toContainText('Nothing left to measure here');

  await page.getByRole('link', { name: /^Clocking/ }).click();
  await page.getByRole('button', { name: 'Clock all cylinders so' }).click();
  await expect(page.getByRole('link', { name: /^Clocking/ })).toContainText('2/2');
  await page.getByRole('link', { name: /^Assembly/ }).click();
  const step = page.getByRole('main').getByRole('heading', { level: 2 });
  const made = page.getByText('All steps done');
  for (let steps = 0; steps < 80 && !(await made.isVisible()); steps += 1) {
    const before = await page.getByRole('main').textContent();
    await page.getByRole('button', { name: /^(Done|As planned)$/ }).click();
    await expect.poll(() => page.getByRole('main').textContent()).not.toBe(before);
  }
  await expect(step).toBeHidden();
  await expect(page.getByRole('link', { name: /^Assembly/ })).toContainText('3/3');
  await page.getByRole('tab', { name: 'Short block' }).click();
  await expect(page.getByRole('main')).toContainText('Short block ready');
  await page.getByRole('link', { name: /^Sheet/ }).click();
  const sheet = page.getByRole('article', { name: 'Build sheet' });
  await expect(sheet).toContainText('21/21 done');
  await expect(sheet).toContainText('None.');
  for (const format of ['A4', 'Letter'] as const) {
    const pdf = (await page.pdf({ format })).toString('latin1');
    expect(pdf).toMatch(format === 'A4' ? /MediaBox ?\[0 0 59[45][\d.]* 84[12]/ : /MediaBox ?\[0 0 612 792/);
    // the figures, and who did and checked what
    expect(pdf.match(/\/Type ?\/Page\b/g)).toHaveLength(2);
  }
  await server.end();
});

test('what prints is black on white with no controls on it', async ({ page, server }) => {
  await server.putDemo();
  await page.goto(`${server.url}/builds/demo-tarn-five/sheet`);
  await page.emulateMedia({ media: 'print' });
  await page.evaluate(() => (document.documentElement.dataset.theme = 'dim'));
  await expect(page.getByRole('button', { name: 'Print' })).toBeHidden();
  await expect(page.getByRole('navigation', { name: 'Stages' })).toBeHidden();
  expect(
    await page.getByRole('article').evaluate((e) => [getComputedStyle(e).backgroundColor, getComputedStyle(e).color]),
  ).toEqual(['rgb(255, 255, 255)', 'rgb(0, 0, 0)']);
});

test('an empty shop: a guided first build on an invented engine, from the shelf to the sheet, then thrown away', async ({
  page,
}) => {
  const server = new Server();
  await server.start();
  let clicks = 0;
  let keys = 0;
  const click = async (name: string | RegExp): Promise<void> => {
    await page.getByRole('button', { name }).or(page.getByRole('link', { name })).first().click();
    clicks += 1;
  };
  const type = async (text: string): Promise<void> => {
    for (const key of text) await page.keyboard.press(key === '\n' ? 'Enter' : key);
    keys += text.length;
  };
  await page.goto(server.url);
  await click('Try it on a small invented engine');
  const guide = page.getByRole('region', { name: 'Finding your way' });
  await expect(guide).toContainText('What each gap must be');
  await click('On to Bores');
  await expect(line(page)).toBeFocused();
  await type('3.0002\n');
  await click('On to Pistons');
  await expect(line(page)).toBeFocused();
  await type('2.9978\n');
  await click('On to Rings');
  await expect(line(page)).toBeFocused();
  await type('12\n');
  await expect(said(page)).toContainText('Waits here: file');
  await type('15\n');
  await click('On to Clocking');
  await click('On to Assembly');
  await click('On to Sheet');
  await expect(page.getByRole('main')).toContainText('Trial twin');
  expect([clicks, keys]).toEqual([7, 20]);
  await click('Throw the trial away');
  await expect(page.getByText('Begin the first build')).toBeVisible();
  await server.end();
});

test('a V8’s job card by keyboard alone: twenty-eight keys, where sixty-five were pressed before', async ({
  page,
  server,
}) => {
  await page.goto(`${server.url}/new`, { waitUntil: 'networkidle' });
  const focused = page.locator('*:focus');
  let keys = 0;
  const press = async (...all: string[]): Promise<void> => {
    for (const key of all) await page.keyboard.press(key);
    keys += all.length;
  };
  const to = async (field: Locator): Promise<void> => {
    for (let i = 0; i < 20 && (await focused.and(field).count()) === 0; i += 1) await press('Tab');
    await expect(field).toBeFocused();
  };
  await expect(page.getByLabel('Build name')).toBeFocused();
  await press(...'Mere');
  await to(page.getByRole('radio', { name: 'in line' }));
  await press('ArrowRight');
  await expect(page.getByRole('radio', { name: 'V', exact: true })).toBeChecked();
  await expect(page.getByLabel('Cylinders')).toHaveValue('8');
  await to(page.getByLabel('Planned finished bore'));
  await press(...'4065');
  await to(page.getByLabel('Piston type'));
  await press('f');
  await to(page.getByLabel('Use', { exact: true }));
  await press('p', 'p');
  await to(page.getByLabel('Power adders'));
  await press('Enter');
  await expect(page).toHaveURL(/\/targets\b/);
  await expect(page.getByRole('button', { name: /Top ring gap/ })).toContainText(/\d+–\d+/);
  expect(keys).toBe(28);
});
