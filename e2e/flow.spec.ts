/** One engine from job card to build sheet, on an empty database, as a new user meets it. */
import type { Locator, Page } from '@playwright/test';
import { fromThou } from '../src/core/foundation/quantity/length';
import { startingChoices } from '@/core/models/targets/papers';
import { gap, jobEntry } from '../src/fixtures/records';
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

  await page.getByLabel('Name of the build').fill('Fen twin');
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
  await page.getByLabel('What the engine is for').selectOption('endurance');
  await page.getByRole('button', { name: 'Begin this build' }).click();

  await expect(page).toHaveURL(/\/targets\b/);
  await expect(page.getByText('Say how the piston is made').first()).toBeVisible();
  await page.getByRole('link', { name: /^Job/ }).click();
  await page.getByLabel('How the piston is made').selectOption('forged4032');
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
  await page.getByRole('button', { name: /Cylinder A1, piston/ }).click();
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
  await expect(said(page)).toContainText('Nothing else is open on this route');

  await page.getByRole('link', { name: /^Clocking/ }).click();
  await page.getByRole('button', { name: 'Clock all cylinders so' }).click();
  await expect(page.getByRole('link', { name: /^Clocking/ })).toContainText('2/2');
  await page.getByRole('link', { name: /^Assembly/ }).click();
  const step = page.getByRole('main').getByRole('heading', { level: 2 });
  const made = page.getByText('Every step is made');
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

test('papers outrank the chart, and can be taken out again', async ({ page, server }) => {
  await server.putDemo();
  await page.goto(`${server.url}/builds/demo-beck-six/targets`);
  const top = page.getByRole('button', { name: /Top ring gap/ });
  await expect(top).toContainText('28–31');
  await expect(page.getByText('28 thou here, where the old 0.004 rule would say 16 thou')).toBeVisible();

  await page.getByRole('button', { name: 'Enter service manual' }).click();
  await page.getByLabel('From').fill('26');
  await page.getByLabel('To', { exact: true }).fill('24');
  await page.getByRole('button', { name: 'Enter it' }).click();
  await expect(page.getByRole('alert')).toContainText('are they swapped?');
  await page.getByLabel('To', { exact: true }).fill('30');
  await page.getByRole('button', { name: 'Enter it' }).click();
  await expect(top).toContainText('26–30');
  await expect(page.getByText('Outranked: 28–31 thou')).toBeVisible();

  await page.getByRole('button', { name: 'Enter packed sheet' }).click();
  await page.getByRole('radio', { name: 'factor × bore' }).click();
  await page.getByLabel('Factor').fill('0.027');
  await page.getByRole('button', { name: 'Enter it' }).click();
  await expect(page.getByRole('alert')).toContainText('is not a factor');
  await page.getByLabel('Factor').fill('0.0072');
  await page.getByRole('button', { name: 'Enter it' }).click();
  await expect(top).toContainText('29–32');

  await page.getByRole('button', { name: 'Change packed sheet' }).click();
  await page.getByRole('button', { name: 'Take it out' }).click();
  await expect(top).toContainText('26–30');

  await page.getByRole('tab', { name: 'Windows, schools' }).click();
  await page.getByRole('radio', { name: 'equal or tighter' }).click();
  await page.getByRole('tab', { name: 'Figures' }).click();
  await expect(page.getByRole('button', { name: /Second ring gap/ })).toContainText('26–29');
  await page.reload();
  await expect(top).toContainText('26–30');
});

test('a single, in millimetres, from a sheet alone: no bore, no duty, no piston said', async ({ page, server }) => {
  await page.goto(`${server.url}/new`);
  await page.getByLabel('Name of the build').fill('Tarn single');
  await page.getByRole('radio', { name: 'millimetres' }).click();
  await page.getByRole('radio', { name: 'single' }).click();
  await expect(page.getByLabel('Cylinders')).toBeDisabled();
  await page.getByRole('button', { name: 'Begin this build' }).click();
  await expect(page).toHaveURL(/\/targets\b/);
  await page.getByRole('link', { name: /^Rings/ }).click();
  await expect(page.getByText('No target yet.')).toBeVisible();
  await page.keyboard.type('0.35');
  await page.keyboard.press('Enter');
  await expect(page.getByText('no target', { exact: true }).first()).toBeVisible();
  await page.getByRole('link', { name: 'Enter a figure from the sheet' }).click();
  await page.getByRole('button', { name: 'Enter packed sheet' }).click();
  await page.getByLabel('From').fill('0.3');
  await page.getByLabel('To', { exact: true }).fill('0,45');
  await page.getByRole('button', { name: 'Enter it' }).click();
  await expect(page.getByRole('button', { name: /Top ring gap/ })).toContainText('0.30–0.45');
  await page.getByRole('link', { name: /^Rings/ }).click();
  await expect(page.getByRole('link', { name: /^Rings/ })).toContainText('1/2');
  await page.getByRole('link', { name: /^Clocking/ }).click();
  await expect(page.locator('[data-joint="top"]')).toHaveAttribute('data-degrees', '45.0');
  await page.getByRole('combobox', { name: 'School' }).selectOption('frontAndBack');
  await expect(page.getByText('Where the rails go depends on the bore')).toBeVisible();
});

test('rounding and windows are set in one step, and a limit inside its window is not taken', async ({
  page,
  server,
}) => {
  await server.putDemo();
  await page.goto(`${server.url}/builds/demo-corrie-v10/targets`);
  await page.getByRole('tab', { name: 'Windows, schools' }).click();
  await page.getByLabel('Gaps go up to the next').selectOption({ label: '½ thou (0.0005 in)' });
  await page.getByLabel('Gap: how wide the aim is').fill('9');
  await expect(page.getByText('A limit lies inside its aim window')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Set rounding and windows' })).toBeDisabled();
  await page.getByLabel('Gap: how wide the aim is').fill('2');
  await page.getByRole('button', { name: 'Set rounding and windows' }).click();
  await page.getByRole('tab', { name: 'Figures' }).click();
  await expect(page.getByRole('button', { name: /Top ring gap/ })).toContainText('17.5–19.5');
});

test('same again: a build begun like an earlier one, from its job card and from the shelf, without readings', async ({
  page,
  server,
}) => {
  const choices = { ...startingChoices('imperial'), gapWindow: fromThou(5), gapLimit: fromThou(8) };
  const stamp = { at: '2026-05-04T09:00:00.000Z', by: '', replaces: null };
  await server.put({
    id: 'earlier',
    entries: [
      jobEntry({ name: 'Earlier', customer: 'Fell & Sons', notes: 'as ever' }),
      { ...stamp, id: 't', kind: 'targets', value: choices },
      gap('g', 'L1', 'top', 22),
    ],
  });
  await page.goto(`${server.url}/builds/earlier/job`);
  await page.getByRole('link', { name: 'Same again: another like it' }).click();
  await expect(page.getByLabel('Same again as', { exact: true })).toHaveValue('earlier');
  await expect(page.getByLabel('Name of the build')).toHaveValue('');
  await expect(page.getByLabel('Cylinders')).toHaveValue('8');
  const beside = page.getByRole('complementary', { name: 'As it comes' });
  await expect(beside).toContainText('Top ring gap21–26 thou');
  await expect(beside.getByRole('img', { name: /1, 2, 3, 4, 5, 6, 7, 8/ })).toBeVisible();
  await page.getByLabel('Planned finished bore').fill('4.2');
  await expect(beside).toContainText('Top ring gap21–26 thou');
  await page.getByLabel('Planned finished bore').fill('4.25');
  await expect(beside).toContainText('Top ring gap22–27 thou');
  await page.getByLabel('Name of the build').fill('Later');
  // left half filled in: it is there still, and said to be
  await page.reload();
  await expect(page.getByText('As you left it, not set yet.')).toBeVisible();
  await expect(page.getByLabel('Name of the build')).toHaveValue('Later');
  await page.getByRole('button', { name: 'Begin this build' }).click();
  await expect(page).toHaveURL(/\/targets\b/);
  const id = /builds\/([^/]+)\//.exec(page.url())?.[1] ?? '';
  const { entries } = await server.record(id);
  expect(entries.map((e) => e.kind)).toEqual(['job', 'targets']);
  expect(entries[0]).toMatchObject({ value: { name: 'Later', customer: '', notes: 'as ever' } });
  expect(entries[1]).toMatchObject({ value: { gapWindow: fromThou(5) } });
  await page.goto(`${server.url}/?q=Earlier`);
  await page.getByRole('link', { name: 'Same again as Earlier' }).click();
  await expect(page.getByLabel('Same again as', { exact: true })).toHaveValue('earlier');
  // what was begun is not left over
  await expect(page.getByLabel('Name of the build')).toHaveValue('');
  await expect(page.getByText('As you left it')).toBeHidden();
  await page.getByRole('radio', { name: 'in line' }).click();
  await page.getByLabel('Cylinders').fill('4');
  await page.getByRole('radio', { name: 'V', exact: true }).click();
  await expect(page.getByLabel('Cylinders')).toHaveValue('8');
});

test('a form that is filled in and not set is as it was left, over another stage, and is thrown away in one step', async ({
  page,
  server,
}) => {
  await server.put({ id: 'half', entries: [jobEntry({ name: 'Half' })] });
  await page.goto(`${server.url}/builds/half/job`);
  await page.getByLabel('Customer').fill('Someone else');
  await page.getByRole('link', { name: /^Targets/ }).click();
  await page.getByRole('tab', { name: 'Windows, schools' }).click();
  await page.getByLabel('Gap: how wide the aim is').fill('5');
  await page.goBack();
  await page.goBack();
  await expect(page.getByLabel('Customer')).toHaveValue('Someone else');
  await expect(page.getByText('As you left it, not set yet.')).toBeVisible();
  await page.getByRole('button', { name: 'Throw it away' }).click();
  await expect(page.getByLabel('Customer')).not.toHaveValue('Someone else');
  await page.goForward();
  await page.goForward();
  await expect(page.getByText('As you left it, not set yet.')).toBeVisible();
  await expect(page.getByLabel('Gap: how wide the aim is')).toHaveValue('5');
  await page.getByRole('button', { name: 'Set rounding and windows' }).click();
  await expect(page.getByText('As you left it')).toBeHidden();
  await expect
    .poll(async () => (await server.record('half')).entries.at(-1))
    .toMatchObject({ value: { gapWindow: fromThou(5) } });
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
  await expect(page.getByLabel('Name of the build')).toBeFocused();
  await press(...'Mere');
  await to(page.getByRole('radio', { name: 'in line' }));
  await press('ArrowRight');
  await expect(page.getByRole('radio', { name: 'V', exact: true })).toBeChecked();
  await expect(page.getByLabel('Cylinders')).toHaveValue('8');
  await to(page.getByLabel('Planned finished bore'));
  await press(...'4065');
  await to(page.getByLabel('How the piston is made'));
  await press('f');
  await to(page.getByLabel('What the engine is for'));
  await press('p', 'p');
  await to(page.getByLabel('Power adders'));
  await press('Enter');
  await expect(page).toHaveURL(/\/targets\b/);
  await expect(page.getByRole('button', { name: /Top ring gap/ })).toContainText(/\d+–\d+/);
  expect(keys).toBe(28);
});
