/** What is done at the bench besides readings, in the browser: parts weighed and mixed, fasteners tightened, the crank turned. */
import type { Locator, Page } from '@playwright/test';
import { WHOLE_WALK } from '../src/core/stages/assembly/walkChoices';
import type { BenchEntry, WeighedPart } from '../src/core/record/benchWork';
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

const EIGHT = ['L1', 'R1', 'L2', 'R2', 'L3', 'R3', 'L4', 'R4'];
const onScale = (part: WeighedPart, grams: readonly number[]): Entry[] =>
  EIGHT.map((cylinder, i) => ({
    ...{ id: `${part}-${cylinder}`, at, by: 'AB', kind: 'weighed', part, cylinder, typed: '' },
    value: Math.round((grams[i] ?? 0) * 1000),
  }));

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

test('sets are evened out by mixing what may go elsewhere, exactly; what is marked stays; back again', async ({
  page,
  server,
}) => {
  const id = await open(
    page,
    server,
    'masses',
    ...onScale('piston', [600, 602, 601, 604, 603, 600.5, 601.5, 602.5]),
    ...onScale('pin', [140, 142, 141, 144, 143, 140.5, 141.5, 142.5]),
    ...onScale('rings', [50, 50, 50, 50, 50, 50, 50, 50]),
  );
  await expect(main(page)).toContainText('8.0 g between the heaviest and the lightest');
  await page.getByRole('radio', { name: 'Mixed evenly' }).click();
  await expect(main(page)).toContainText('Sets lie 8.0 g apart; mixed, 0.5 g.');
  await expect(main(page)).toContainText('Exact: no way of mixing these has a lesser spread.');
  await page.getByRole('checkbox', { name: 'pin 4 stays' }).check();
  await expect(main(page)).not.toContainText('mixed, 0.5 g');
  await page.getByRole('checkbox', { name: 'pin 4 stays' }).uncheck();
  await expect(main(page)).toContainText('mixed, 0.5 g');
  await expect(main(page).getByRole('listitem').filter({ hasText: 'pin 4 to cylinder 1' })).toBeVisible();
  await page.getByRole('button', { name: 'Mix them so' }).click();
  await expect(main(page)).toContainText('Sets lie 0.5 g apart as they are.');
  await page.getByRole('radio', { name: 'On the scale' }).click();
  await expect(main(page)).toContainText('0.5 g between the heaviest and the lightest');
  await page.getByRole('link', { name: /^Sheet/ }).click();
  const paper = page.getByRole('article', { name: 'Build sheet' });
  await expect(paper.getByRole('heading', { name: 'Masses, g' })).toBeVisible();
  await expect(paper).toContainText('Between the heaviest and the lightest set: 0.5 g; allowed 0.5 g.');
  await page.goto(`${server.url}/builds/${id}/assembly?view=masses`);
  await page.getByRole('radio', { name: 'Mixed evenly' }).click();
  await page.getByRole('button', { name: 'Every part back to its own number' }).click();
  await expect(main(page)).toContainText('Sets lie 8.0 g apart; mixed, 0.5 g.');
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

test('a set over is told what to take off, holds the short block, and may stay with a reason', async ({
  page,
  server,
}) => {
  const even = [600, 600, 600, 600, 600, 600, 600, 602.3];
  await open(page, server, 'masses', ...onScale('piston', even));
  const last = main(page).getByRole('row').filter({ hasText: 'off the piston' });
  await expect(last).toContainText('2.3 g off the piston');
  await page.getByRole('tab', { name: 'Short block' }).click();
  await expect(main(page)).toContainText('Cylinder 8: 2.3 g over the lightest set');
  await page.getByRole('tab', { name: 'Masses' }).click();
  await last.getByRole('button', { name: 'Accept with a reason' }).click();
  await page.getByLabel('Why it may stay').fill('owner agrees');
  await page.getByLabel('Your initials').fill('KM');
  await page.getByRole('button', { name: 'Accept', exact: true }).click();
  await expect(main(page)).toContainText('ccepted by KM: owner agrees');
  await page.getByRole('tab', { name: 'Short block' }).click();
  await expect(main(page)).not.toContainText('over the lightest set');
});

test('the bobweight of each throw with its share and working; an in-line engine is told that sets alone matter', async ({
  page,
  server,
}) => {
  await open(
    page,
    server,
    'masses',
    ...onScale(
      'piston',
      EIGHT.map(() => 600),
    ),
    ...onScale(
      'pin',
      EIGHT.map(() => 145),
    ),
    ...onScale(
      'clips',
      EIGHT.map(() => 4),
    ),
    ...onScale(
      'rings',
      EIGHT.map(() => 60),
    ),
    ...onScale(
      'smallEnd',
      EIGHT.map(() => 190),
    ),
    ...onScale(
      'bigEnd',
      EIGHT.map(() => 430),
    ),
  );
  await page.getByRole('radio', { name: 'Bobweight' }).click();
  await expect(main(page)).toContainText('What the shells of one rod weigh is not said');
  await page.getByLabel('Shells of one rod').fill('45');
  await page.getByLabel('Shells of one rod').press('Enter');
  await page.getByLabel('Oil on a throw').fill('5');
  await page.getByLabel('Oil on a throw').press('Tab');
  const first = page.getByRole('list', { name: 'Bobweights' }).getByRole('listitem').first();
  await expect(first).toContainText('Throw 1');
  await expect(first).toContainText('1954.00 g');
  await expect(first).toContainText('50 % of 1998.0 g');
  await page.getByLabel('Share, %').fill('101');
  await expect(main(page)).toContainText('From 0 to 100 %.');
  await page.getByLabel('Share, %').fill('52');
  await page.getByLabel('Share, %').press('Enter');
  await expect(first).toContainText('1993.96 g');

  const id = `bench-flat-${test.info().workerIndex}`;
  const numbering = { scheme: 'sequence', start: 'front', firstBank: 'left' } as const;
  const engine = { layout: 'inline', cylinders: 4, bankAngle: 0, rotation: 'clockwise', numbering } as const;
  await server.put({ id, entries: [jobEntry({ name: 'Four', engine }), walk] });
  await page.goto(`${server.url}/builds/${id}/assembly?view=masses`);
  await page.getByRole('radio', { name: 'Bobweight' }).click();
  await expect(main(page)).toContainText('This engine is balanced without a bobweight');
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

test('rod bolts to a stretch: what the set has learned says how much more, too far is called out, all in millimetres too', async ({
  page,
  server,
}) => {
  const rods: Entry = {
    ...{ id: 'f', at, by: '', kind: 'fasteners', replaces: null },
    value: [
      {
        ...{ id: 'rods', words: 'Rod bolts', on: 'rods', count: 2, lubricant: 'moly', source: '', steps: [] },
        ...{ angle: null, stretch: { from: 127_000, to: 139_700 }, order: null, measured: false },
      },
    ],
  };
  const id = await open(page, server, 'tightening', rods);
  await expect(figureLine(page)).toContainText('Gauge zeroed, tightened, its stretch');
  await page.keyboard.type('4.2');
  await page.keyboard.press('Enter');
  await expect(figureLine(page)).toContainText('At which torque?');
  await input(page).fill('4.2 at 40');
  await page.keyboard.press('Enter');
  // 4.2 thou at 40 lb·ft: the rate is not known from one torque, so that a small step is advised
  await expect(figureLine(page)).toContainText('42 lb·ft (56.9 N·m), then its stretch: add about 2 lb·ft (2.7 N·m)');
  await input(page).fill('4.7 at 45');
  await expect(figureLine(page)).toContainText('4.7 thou at 45 lb·ft (61 N·m): short');
  await page.keyboard.press('Enter');
  await expect(main(page)).toContainText('This set: 1.0 thou for each 10 lb·ft, from 1 bolt.');
  await expect(figureLine(page)).toContainText('50 lb·ft (67.8 N·m), then its stretch: add about 5 lb·ft (6.8 N·m)');
  // less stretch with more torque cannot be: the gauge was zeroed anew, or read wrong
  await input(page).fill('4.1');
  await expect(figureLine(page)).toContainText('it cannot have less with more torque');
  await input(page).fill('5.2');
  await page.keyboard.press('Enter');
  await expect(label(page)).toContainText('rod 1: 2');
  // what was typed in thou is not taken for millimetres, nor lost
  await input(page).fill('5.3');
  await page.getByRole('radio', { name: 'mm' }).click();
  await expect(input(page)).toHaveValue('');
  await expect(figureLine(page)).toContainText('Typed and not logged: Rod bolts of rod 1: 2: 5.3 thou');
  await input(page).fill('0.15 at 70');
  await expect(figureLine(page)).toContainText('over');
  await page.keyboard.press('Enter');
  await expect(main(page)).toContainText('slacken it, measure it');
  await expect(label(page)).toContainText('1');
  await page.getByRole('tab', { name: 'Short block' }).click();
  await expect(main(page)).toContainText(/Rod bolts of rod 1: 2 stretched/);
  await expect
    .poll(async () => (await bench(server, id, 'tightened')).map((e) => e.length))
    .toEqual([106_680, 119_380, 132_080, 150_000]);
});

test('turning: each piston’s own share, a jump with its cylinder and why; at the walk’s own step; next to builds of the shop', async ({
  page,
  server,
}) => {
  const turned = (entry: string, after: 'crank' | 'piston', cylinder: string, value: number): Entry => ({
    ...{ id: entry, at, by: 'AB', kind: 'turned', after, cylinder, pistons: after === 'piston' ? 1 : 0, starts: null },
    ...{ value, typed: '' },
  });
  const name = `bench-past-${test.info().workerIndex}`;
  await server.put({
    id: name,
    entries: [
      jobEntry({ name: 'Past eight' }),
      turned('a', 'crank', 'block', 3_000),
      turned('b', 'piston', 'L1', 6_400),
    ],
  });
  const id = await open(page, server, 'turning');
  await expect(main(page)).toContainText('There is no one right figure');
  await expect(main(page)).toContainText('of the shop like it: pistons added 2.5 lb·ft each');
  for (const figure of ['2', '5/4.4', '6.9', '9.2', '19']) {
    await page.keyboard.type(figure);
    await page.keyboard.press('Enter');
  }
  const jump = main(page).getByRole('alert');
  await expect(jump).toContainText(/A jump with cylinder \d: 9\.8 lb·ft/);
  await expect(jump).toContainText('a cap on the wrong rod');
  await input(page).fill('4/5');
  await page.keyboard.press('Enter');
  await expect(figureLine(page)).toContainText('To start takes no less than to keep turning');
  await input(page).fill('');
  await page.keyboard.press('z');
  await expect(jump).toHaveCount(0);
  await expect
    .poll(async () => (await bench(server, id, 'turned')).map((e) => [e.after, e.starts]))
    .toEqual([
      ['crank', null],
      ['piston', 6_779],
      ['piston', null],
      ['piston', null],
    ]);
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
