/** What is done at the bench besides readings, in the browser: parts weighed and mixed, fasteners tightened, the crank turned. */
import type { Locator, Page } from '@playwright/test';
import { WHOLE_WALK } from '../src/core/stages/assembly/walkChoices';
import type { BenchEntry } from '../src/core/record/benchWork';
import type { Entry } from '../src/core/judge/buildRecord';
import { jobEntry } from '../src/fixtures/records';
import { type Server, expect, test } from './server';

const at = '2026-05-04T09:00:00.000Z';
const walk: Entry = { id: 'walk', at, by: '', kind: 'walk', replaces: null, value: WHOLE_WALK };

let builds = 0;
async function open(page: Page, server: Server, view: string, ...more: Entry[]): Promise<string> {
  const id = `bench-${(builds += 1)}-${test.info().workerIndex}`;
  await server.put({ id, entries: [jobEntry({ name: `Bench ${builds}` }), walk, ...more] });
  await page.goto(`${server.url}/builds/${id}/assembly?view=${view}`);
  await expect(figureLine(page)).toBeVisible();
  return id;
}

const main = (page: Page): Locator => page.getByRole('main');
const figureLine = (page: Page): Locator => page.getByRole('region', { name: 'Figure line' });
const input = (page: Page): Locator => figureLine(page).getByRole('textbox');
const label = (page: Page): Locator => figureLine(page).locator('label');

async function bench<K extends BenchEntry['kind']>(
  server: Server,
  id: string,
  kind: K,
): Promise<Extract<BenchEntry, { kind: K }>[]> {
  const { entries } = await server.record(id);
  const gone = new Set(entries.flatMap((e) => (e.kind === 'void' ? [e.of] : [])));
  return entries.filter((e): e is Extract<BenchEntry, { kind: K }> => e.kind === kind && !gone.has(e.id));
}

test('parts go over the scale one after the other: digits and Enter, a slip is asked about, Z takes the last back', async ({
  page,
  server,
}) => {
  const id = await open(page, server, 'masses');
  await expect(label(page)).toHaveText('Piston 1');
  // no field was pressed: what is typed goes on the line all the same
  for (const figure of ['612.4', '611.9', '613,2'] as const) {
    await page.keyboard.type(figure);
    await page.keyboard.press('Enter');
  }
  await expect(label(page)).toHaveText('Piston 4');
  // while digits are missing nothing is asked; once all are there and it is far off, it is
  await page.keyboard.type('61');
  await expect(figureLine(page)).not.toContainText('far from the others');
  await page.keyboard.type('.2');
  await expect(figureLine(page)).toContainText('61.2 g is far from the others, which weigh about 612.4 g');
  await page.keyboard.press('Enter');
  await expect(figureLine(page).getByRole('button', { name: 'no, 612.0 g' })).toBeFocused();
  await expect(label(page)).toHaveText('Piston 4');
  await page.keyboard.press('Escape');
  await input(page).fill('162.4');
  await page.keyboard.press('Enter');
  await figureLine(page).getByRole('button', { name: 'no, 612.4 g' }).press('Enter');
  await expect(label(page)).toHaveText('Piston 5');
  await expect
    .poll(async () => (await bench(server, id, 'weighed')).map((e) => e.value))
    .toEqual([612_400, 611_900, 613_200, 612_400]);
  await page.keyboard.press('z');
  await expect(label(page)).toHaveText('Piston 4');
  await expect(figureLine(page)).toContainText('Taken back: piston 4, 612.4 g');
  await expect.poll(async () => (await bench(server, id, 'weighed')).length).toBe(3);
  // what is typed and not logged outlasts a reload
  await page.keyboard.type('612.0');
  await page.reload();
  await expect(input(page)).toHaveValue('612.0');
  await input(page).press('Enter');
  await expect(label(page)).toHaveText('Piston 5');
  await expect(main(page).getByRole('button', { name: 'piston 3: 613.2 g, 1.3 g over the lightest' })).toBeVisible();
  await input(page).fill('heavy');
  await input(page).press('Enter');
  await expect(figureLine(page)).toContainText('“heavy” is no mass');
  await expect(input(page)).toHaveValue('heavy');
  // what is typed stays with the part it was typed for
  await input(page).fill('612.2');
  await main(page).getByRole('button', { name: 'pin 1: not weighed' }).click();
  await expect(label(page)).toHaveText('Pin 1');
  await expect(input(page)).toHaveValue('');
  await expect(figureLine(page)).toContainText('Typed and not logged: piston 5: 612.2 g');
  await input(page).fill('145');
  await input(page).press('Enter');
  await expect(label(page)).toHaveText('Pin 2');
  await main(page).getByRole('button', { name: 'piston 5: not weighed' }).click();
  await expect(input(page)).toHaveValue('612.2');
});

test('by touch: parts are weighed on the program’s own keys, with their unit, and the line stays in sight', async ({
  browser,
  server,
}) => {
  const context = await browser.newContext({ viewport: { width: 820, height: 900 }, hasTouch: true });
  const page = await context.newPage();
  const id = await open(page, server, 'masses');
  const keypad = figureLine(page).getByRole('group', { name: 'Keypad' });
  const tap = async (...keys: string[]): Promise<void> => {
    for (const key of keys) await keypad.getByRole('button', { name: key, exact: true }).tap();
  };
  // on a touch screen it opens by itself, a moment after the line
  await expect(async () => {
    if (!(await keypad.isVisible())) await figureLine(page).getByRole('button', { name: 'Keypad' }).tap();
    await expect(keypad).toBeVisible({ timeout: 1_000 });
    await expect(keypad).toBeVisible();
  }).toPass();
  await tap('6', '1', '2', '.', '5');
  await figureLine(page).getByRole('button', { name: 'Delete the last character' }).tap();
  await tap('4', 'Enter');
  await tap('2', '1', '.', '6', 'oz', 'Enter');
  await expect(label(page)).toHaveText('Piston 3');
  await expect
    .poll(async () => (await bench(server, id, 'weighed')).map((e) => [e.value, e.typed]))
    .toEqual([
      [612_400, '612.4'],
      [612_350, '21.6 oz'],
    ]);
  await page.evaluate(() => scrollTo(0, 0));
  await expect(figureLine(page)).toBeInViewport({ ratio: 0.9 });
  for (const button of await keypad.getByRole('button').all())
    expect((await button.boundingBox())?.height ?? 0).toBeGreaterThanOrEqual(44);
  await context.close();
});

test('a group without its lubricant is refused; mains go step by step in the printed order, by Enter, twice, and the wrench back', async ({
  page,
  server,
}) => {
  const id = `bench-mains-${test.info().workerIndex}`;
  await server.put({ id, entries: [jobEntry({ name: 'Mains' }), walk] });
  await page.goto(`${server.url}/builds/${id}/assembly?view=tightening`);
  await expect(main(page)).toContainText('A figure without its lubricant is not a figure.');
  await page.getByRole('button', { name: 'Main caps' }).click();
  await page.getByLabel('How many in all').fill('3');
  await page.getByLabel('Torque in steps, lb·ft').fill('30 60');
  await expect(page.getByRole('form', { name: 'Group of fasteners' })).toContainText(
    '30 lb·ft (40.7 N·m), then 60 lb·ft (81.3 N·m)',
  );
  await page.getByLabel('Then an angle, °').fill('90');
  await page.getByLabel('Printed order').fill('2 1');
  await page.getByRole('button', { name: 'Set this group' }).click();
  await expect(main(page)).toContainText('Enter each number from 1 to 3 once.');
  // figures keep the unit they were typed in
  await page.getByRole('radio', { name: 'mm' }).click();
  await expect(page.getByLabel('Torque in steps, lb·ft')).toHaveValue('30 60');
  await page.getByRole('radio', { name: 'thou' }).click();
  await page.getByLabel('Printed order').fill('2 1 3');
  await page.getByRole('button', { name: 'Set this group' }).click();
  await expect(page.getByRole('form', { name: 'Group of fasteners' })).toContainText(
    'Enter the lubricant that the figure is given for.',
  );
  // what was filled in is there still after a reload
  await page.reload();
  await page.getByRole('button', { name: 'Main caps' }).click();
  await expect(page.getByLabel('Printed order')).toHaveValue('2 1 3');
  await page.getByLabel('Threads and under the heads').fill('engine oil');
  await page.getByRole('button', { name: 'Set this group' }).click();
  await expect(main(page)).toContainText('30, 60 lb·ft, then 90°, with engine oil');
  await expect(label(page)).toHaveText('Main caps 2');
  await expect(figureLine(page)).toContainText('30 lb·ft (40.7 N·m), step 1 of 2');
  await page.getByRole('textbox', { name: 'Initials' }).fill('KM');
  await page.getByRole('heading', { level: 1 }).click();
  const done: string[] = [];
  const now = async (): Promise<string> =>
    `${(await label(page).textContent()) ?? ''} ${(await figureLine(page).getByRole('status').textContent()) ?? ''}`;
  for (let i = 0; i < 9; i += 1) {
    const here = await now();
    done.push(here);
    await page.keyboard.press('Enter');
    await expect.poll(now).not.toBe(here);
  }
  expect(done.map((d) => /Main caps (\d)/.exec(d)?.[1]).join('')).toBe('213213213');
  await expect(figureLine(page)).toContainText('Second round, wrench at 60 lb·ft');
  await expect(figureLine(page)).toContainText('better someone else');
  await page.getByRole('textbox', { name: 'Initials' }).fill('CD');
  await page.getByRole('heading', { level: 1 }).click();
  for (let i = 0; i < 3; i += 1) {
    const here = await now();
    await page.keyboard.press('Enter');
    await expect.poll(now).not.toBe(here);
  }
  await expect(figureLine(page)).toContainText('Wrench set back to its lowest');
  await page.keyboard.press('Enter');
  await expect(main(page)).toContainText('Tight, gone over twice, and the wrench set back.');
  await expect(main(page)).not.toContainText('by the same hand');
  // the page shows an entry before the server has it
  await expect.poll(async () => (await bench(server, id, 'tightened')).length).toBe(13);
  const kinds = (await bench(server, id, 'tightened')).map((e) => `${e.what} ${e.fastener} ${e.by}`);
  expect(kinds.slice(9)).toEqual(['second 2 CD', 'second 1 CD', 'second 3 CD', 'back 0 CD']);
});

test('turning stands next to builds of the shop like it', async ({ page, server }) => {
  const turned = (entry: string, after: 'crank' | 'piston', cylinder: string, value: number): Entry => ({
    ...{ id: entry, at, by: 'AB', kind: 'turned', after, cylinder, pistons: after === 'piston' ? 1 : 0, starts: null },
    ...{ value, typed: '' },
  });
  await server.put({
    id: `bench-past-${test.info().workerIndex}`,
    entries: [
      jobEntry({ name: 'Past eight' }),
      turned('a', 'crank', 'block', 3_000),
      turned('b', 'piston', 'L1', 6_400),
    ],
  });
  await open(page, server, 'turning');
  await expect(main(page)).toContainText('of the shop like it: pistons added 2.5 lb·ft each');
});

test('at the walk’s own step the torque is typed, Enter logs it and Enter makes the step; its fasteners stand there too', async ({
  page,
  server,
}) => {
  const id = `bench-walk-${test.info().workerIndex}`;
  await server.put({ id, entries: [jobEntry({ name: 'At the walk' }), walk] });
  await page.goto(`${server.url}/builds/${id}/assembly`);
  const done = main(page).getByRole('button', { name: /^(Done|Next)$/ });
  await expect(done).toBeFocused();
  for (let i = 0; i < 5; i += 1) {
    if (i === 4)
      await expect(main(page).getByRole('button', { name: 'Set the figures of the fasteners …' })).toBeVisible();
    const before = await main(page).getByRole('heading', { level: 2 }).textContent();
    await page.keyboard.press('ArrowRight');
    await expect(main(page).getByRole('heading', { level: 2 })).not.toHaveText(before ?? '');
  }
  await expect(label(page)).toHaveText('Crank alone');
  await page.keyboard.type('2.5');
  await expect(figureLine(page)).toContainText('2.5 lb·ft (3.4 N·m) to keep turning');
  await page.keyboard.press('Enter');
  await expect(done).toBeFocused();
  await expect
    .poll(async () => (await bench(server, id, 'turned')).map((e) => [e.after, e.value]))
    .toEqual([['crank', 3_390]]);
  await page.keyboard.press('Enter');
  await expect
    .poll(async () => (await server.record(id)).entries.filter((e) => e.kind === 'check').map((e) => e.check))
    .toEqual(['crankTurns']);
});
