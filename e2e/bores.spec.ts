/** Bores and pistons in the browser: grids by keyboard, gauges, what is to be done, pairing, tools. */
import type { Page } from '@playwright/test';
import { directionsByCount } from '../src/core/foundation/parts/spots';
import { STARTING_BORES } from '@/core/stages/bores/measuringPlan';
import { cylindersOf } from '../src/core/foundation/engine/engine';
import type { BuildRecord, Entry } from '../src/core/judge/buildRecord';
import { fromInches } from '../src/core/foundation/quantity/length';
import { gap, job, jobEntry, reading } from '../src/fixtures/records';
import { type Server, expect, test } from './server';

const line = (page: Page) => page.getByRole('region', { name: 'Reading line' }).getByRole('textbox');
const said = (page: Page) => page.locator('#line-said');
const stage = (page: Page, name: string) => page.getByRole('link', { name: new RegExp(`^${name}`) });
const choice = { id: 'choice', at: '2026-05-04T09:00:00.000Z', by: '', replaces: null };
const five = {
  layout: 'inline',
  cylinders: 5,
  bankAngle: 0,
  rotation: 'clockwise',
  numbering: { scheme: 'sequence', start: 'front', firstBank: 'left' },
} as const;

let n = 0;

async function open(page: Page, server: Server, at: string, ...entries: Entry[]): Promise<string> {
  n += 1;
  const id = `bores-${n}`;
  const first = entries[0]?.kind === 'job' ? [] : [jobEntry({ name: `Bores ${n}` })];
  await server.put({ id, entries: [...first, ...entries] });
  await page.goto(`${server.url}/builds/${id}/${at}`);
  await expect(line(page)).toBeFocused();
  return id;
}

async function enter(page: Page, ...typed: string[]): Promise<number> {
  let keys = 0;
  for (const text of typed)
    for (const key of [...text, 'Enter']) {
      await page.keyboard.press(key === ' ' ? 'Space' : key);
      keys += 1;
    }
  return keys;
}

const jobOf = ({ entries }: BuildRecord) => entries.flatMap((e) => (e.kind === 'job' ? [e.value] : [])).at(-1);
const readingsOf = ({ entries }: BuildRecord) => entries.flatMap((e) => (e.kind === 'reading' ? [e] : []));

test('nine readings a bore on five cylinders: two keys a reading once the gauge is set', async ({ page, server }) => {
  const grid: Entry = { ...choice, kind: 'bores', value: { ...STARTING_BORES, directions: directionsByCount(3) } };
  const id = await open(page, server, 'bores', jobEntry({ name: 'Nine', engine: five }), grid);
  const setting = await enter(page, 'set 4.065');
  const keys = await enter(page, ...Array.from({ length: 45 }, (_, i) => String(i % 9 < 3 ? 1 : 0)));
  await expect.poll(async () => readingsOf(await server.record(id)).length).toBe(45);
  expect([setting, keys]).toEqual([10, 90]);
  await expect(said(page)).toContainText('Nothing else is open on this route');
  const read = readingsOf(await server.record(id));
  expect(read.slice(0, 4).map((r) => [r.cylinder, r.place?.depth, r.place?.angle, r.value])).toEqual([
    ['1', 'top', 90, fromInches(4.066)],
    ['1', 'top', 150, fromInches(4.066)],
    ['1', 'top', 30, fromInches(4.066)],
    ['1', 'middle', 90, fromInches(4.065)],
  ]);
  await expect(page.getByRole('row', { name: /Bore 5/ })).toContainText('not proven');
});

test('a whole V10 by keyboard alone: bores, pistons, pairing, and the swap taken back', async ({ page, server }) => {
  const ten = { ...job.engine, cylinders: 10 };
  const id = await open(page, server, 'bores', jobEntry({ name: 'Ten', engine: ten }));
  const labels = cylindersOf(ten).map((c) => c.label);
  await enter(page, 'set 4.065');
  for (let i = 0; i < labels.length; i += 1)
    await enter(page, ...['.2', '.1', '.1', '0', '0', '0'].map((dial) => String(Number(dial) + (i % 5) / 10)));
  await expect(stage(page, 'Bores')).toContainText('10/10');

  await stage(page, 'Pistons').focus();
  await page.keyboard.press('Enter');
  await expect(line(page)).toBeFocused();
  await expect(page.getByRole('heading', { name: 'Cylinder 1, piston' })).toBeVisible();
  const pistons = labels.map((_, i) => 40605 + ((9 - i) % 5));
  await enter(page, ...pistons.map(String));
  await expect
    .poll(async () => readingsOf(await server.record(id)).filter((r) => r.subject === 'piston').length)
    .toBe(10);

  await page.getByRole('tab', { name: 'Readings' }).focus();
  await page.keyboard.press('ArrowRight');
  const advice = page.getByRole('status', { name: 'Pairing' });
  await expect(advice).toContainText('Worst cylinder');
  await page.getByRole('button', { name: 'Swap them so' }).focus();
  await page.keyboard.press('Enter');
  await expect(advice).toContainText('Leave them as they are');
  const pairsOf = async () =>
    (await server.record(id)).entries.flatMap((e) => (e.kind === 'pairing' ? [e.value.pairs] : []));
  await expect.poll(async () => (await pairsOf()).length).toBe(1);
  expect(new Set((await pairsOf())[0]?.map((p) => p.piston)).size).toBe(10);
  await page.getByRole('button', { name: 'Undo the last swap' }).focus();
  await page.keyboard.press('Enter');
  await expect(advice).toContainText('Worst cylinder');
  await expect.poll(async () => (await pairsOf()).at(-1)).toEqual([]);
});

test('a later bore reading that changes what was fitted says so, on whatever stage one is', async ({
  page,
  context,
  server,
}) => {
  const id = await open(
    page,
    server,
    'rings',
    jobEntry({ name: 'Later', plannedBore: fromInches(4.2) }),
    reading('b', 'L1', 'bore', fromInches(4.199)),
    gap('g', 'L1', 'top', 19),
  );
  const other = await context.newPage();
  await other.goto(`${server.url}/builds/${id}/bores`);
  await expect(line(other)).toBeFocused();
  await other.getByRole('button', { name: /^Cylinder 1,/ }).click();
  await line(other).fill('4.2014');
  await other.keyboard.press('Enter');
  for (const at of [other, page]) {
    await expect(at.getByText('Changed by this:')).toBeVisible();
    await expect(at.getByRole('status').filter({ hasText: 'Changed by this' })).toContainText(
      'Cylinder 1, top gap minimum 21 thou → 22 thou',
    );
  }
  await page.getByRole('button', { name: 'Seen' }).click();
  await expect(page.getByText('Changed by this:')).toBeHidden();
});

test('the shop’s tools: edited, refused where they cannot be, added, put away and brought back', async ({
  page,
  server,
}) => {
  await page.goto(`${server.url}/instruments`, { waitUntil: 'networkidle' });
  await page.getByRole('button', { name: 'Edit Micrometer 3–4 in' }).click();
  const form = page.getByRole('form', { name: 'Micrometer 3–4 in' });
  await form.getByLabel('Error limit').fill('0');
  await expect(form.getByRole('alert')).toContainText('no tool is without error');
  await expect(form.getByRole('button', { name: 'Save as version 2' })).toBeDisabled();
  await form.getByLabel('Error limit').fill('0.0002');
  await form.getByLabel('Last calibrated').fill('2020-02-29');
  await form.getByRole('button', { name: 'Save as version 2' }).click();
  await expect(page.getByText('out of date since 2021-02-28')).toBeVisible();
  await page.getByRole('button', { name: 'Add a tool' }).click();
  const added = page.getByRole('form', { name: 'New tool' });
  await expect(added.getByRole('alert')).toContainText('Enter a name.');
  await added.getByLabel('Name').fill('Bench micrometer no. 7');
  await added.getByRole('button', { name: 'Save the tool' }).click();
  await expect(page.getByText('Bench micrometer no. 7').first()).toBeVisible();
  await page.getByRole('button', { name: 'Put away Bench micrometer no. 7' }).click();
  await expect(page.getByText('is put away')).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('button', { name: 'Put away Bench micrometer no. 7' })).toBeVisible();

  await open(page, server, 'pistons', jobEntry({ name: 'Late', plannedBore: fromInches(3.5) }));
  await page.getByRole('combobox', { name: 'In hand' }).selectOption({ label: 'Micrometer 3–4 in' });
  await expect(page.getByText('Its calibration has run out.')).toBeVisible();
  await line(page).fill('3.4961');
  await page.keyboard.press('Enter');
  await expect(page.getByText('its calibration held to 2021-02-28, and 1 reading came after')).toBeVisible();
});

test('what is typed while the server is gone is not lost, gauge, tool and all', async ({ page }) => {
  const { Server: Own } = await import('./server');
  const own = new Own();
  await own.start();
  try {
    const id = await open(page, own, 'bores');
    await page.getByRole('combobox', { name: 'In hand' }).selectOption({ label: 'Bore gauge, inches' });
    await own.kill();
    await line(page).focus();
    await enter(page, 'set 4.065', '.1', '.2');
    await expect(page.getByText('The server does not answer.')).toBeVisible();
    await own.start();
    await expect
      .poll(async () => (await own.record(id)).entries.map((e) => e.kind), { timeout: 20_000 })
      .toEqual(['job', 'instrument', 'setting', 'reading', 'reading']);
  } finally {
    await own.end();
  }
});

test('bores and pistons not measured here: what was ordered and reported stands in for them, and beside what is found', async ({
  page,
  server,
}) => {
  const id = await open(page, server, 'bores', jobEntry({ engine: { ...job.engine, ...five }, surface: null }));
  await page.getByRole('tab', { name: 'As supplied' }).click();
  await page.getByRole('checkbox', { name: 'Bores are not measured here' }).check();
  await expect.poll(async () => jobOf(await server.record(id))?.elsewhere).toEqual(['bores']);
  await expect(page.getByRole('complementary')).toContainText('no size is reported of any bore');
  await page.getByRole('textbox', { name: 'Ordered' }).fill('4.0650');
  await page.getByRole('textbox', { name: 'Reported by' }).fill('Holm, sheet 12');
  const set = page.getByRole('button', { name: 'Set what was supplied' });
  const reported = (label: string) => page.getByRole('textbox', { name: `Bore ${label}, reported` });
  // ten times too little is asked about, and is not set
  await reported('1').fill('0.4070');
  await expect(set).toBeDisabled();
  await reported('1').fill('4.0670');
  await page.getByRole('button', { name: 'The others too: 4.0670' }).click();
  // as it was left, over a reload
  await page.reload();
  await expect(page.getByText('As you left it, not set yet.')).toBeVisible();
  await expect(reported('5')).toHaveValue('4.0670');
  await set.click();
  await expect
    .poll(async () => (await server.record(id)).entries.flatMap((e) => (e.kind === 'supplied' ? [e.value.bores] : [])))
    .toMatchObject([{ by: 'Holm, sheet 12', ordered: fromInches(4.065), sizes: { length: 5 } }]);
  await expect(page.getByRole('complementary')).toContainText(
    'Bore 1 was ordered as 4.0650 in and is reported as 4.0670 in by Holm, sheet 12: 2 thou larger.',
  );
  await expect(set).toBeDisabled();
  // found, it counts, and does not agree
  await page.getByRole('tab', { name: 'Readings' }).click();
  await enter(page, '4.0650');
  await page.getByRole('tab', { name: 'As supplied' }).click();
  await expect(page.getByRole('row', { name: /^1 / })).toContainText('does not agree');
  await stage(page, 'Targets').click();
  await expect(page.getByText('worked from the measured bore, 4.0650 in')).toBeVisible();
  await page.getByRole('button', { name: 'Cylinder 2,' }).click();
  await expect(page.getByText('worked from the reported bore, 4.0670 in')).toBeVisible();
  // the pistons: only that they are not measured here
  await stage(page, 'Pistons').click();
  await page.getByRole('tab', { name: 'As supplied' }).click();
  await page.getByRole('checkbox', { name: 'Pistons are not measured here' }).check();
  await page.getByRole('textbox', { name: 'Piston 2, reported' }).fill('4.0669');
  await set.click();
  await expect(page.getByRole('complementary')).toContainText(
    'by what was reported of bore and piston the clearance is 0.1 thou: too tight',
  );
  await page.getByRole('tab', { name: 'Readings' }).click();
  await expect(page.getByRole('main')).toContainText('By what was reported: 0.1 thou, not measured here.');
  await stage(page, 'Sheet').click();
  const sheet = page.getByRole('main');
  await expect(sheet).toContainText('Bores as supplied, reported by Holm, sheet 12');
  await expect(sheet).toContainText('by what was reported of bore and piston the clearance is 0.1 thou');
  await expect(sheet).toContainText('Oil rails: not measured here.');
});

test('zeroed in the bore before any size is known: differences first, then the micrometer, and all have sizes; by key and by touch', async ({
  page,
  server,
}) => {
  const id = await open(
    page,
    server,
    'bores',
    jobEntry({ engine: { ...job.engine, ...five }, plannedBore: null, surface: null }),
  );
  const gridOf = page.getByRole('table', { name: /Readings of bore/ });
  await page.keyboard.type('here');
  await expect(page.getByRole('region', { name: 'Reading line' })).toContainText(
    'No size yet: the dial counts from this spot',
  );
  await page.keyboard.press('Enter');
  await expect(page.getByRole('region', { name: 'Reading line' })).toContainText(
    'Gauge zeroed at Cylinder 1, top, square',
  );
  // two keys a reading, the same as with a size
  expect(await enter(page, '1', '-2')).toBe(5);
  await page.keyboard.type('-1');
  await expect(page.getByRole('region', { name: 'Reading line' })).toContainText('−1 thou from the zero');
  await page.keyboard.press('Enter');
  await expect(gridOf).toContainText('from the zero');
  await expect(gridOf).toContainText('−2 thou');
  await expect(page.getByRole('main')).toContainText('sizes wait for the micrometer');
  await expect(page.getByRole('complementary')).toContainText('read from a zero that has no size yet');
  await expect.poll(async () => readingsOf(await server.record(id)).length).toBe(4);
  // undone and logged again, still from the zero
  await page.keyboard.press('z');
  await page.keyboard.press('y');
  // wrong first, then put right
  await enter(page, 'here 4.0625');
  await expect(page.getByRole('region', { name: 'Reading line' })).toContainText('The zero is 4.0625 in');
  await expect(gridOf).toContainText('4.0605');
  await enter(page, 'was 4.0652');
  await expect(gridOf).toContainText('4.0632');
  await expect(gridOf).not.toContainText('from the zero');
  // over a reload: what counts from the zero is on record as it was read
  await expect.poll(async () => readingsOf(await server.record(id)).filter((r) => r.zero !== null).length).toBe(5);
  await page.reload();
  await expect(line(page)).toBeFocused();
  await expect(gridOf).toContainText('4.0632');
  // the dial counts on from it: 4.0662, beside 4.0642 of the same spot: they disagree, and the smaller counts
  await enter(page, '+1');
  await expect(gridOf).toContainText('4.0642×2');
  // by touch, on another build
  const other = await open(
    page,
    server,
    'bores',
    jobEntry({ engine: { ...job.engine, ...five }, surface: null, units: 'metric', plannedBore: 82_500_000 }),
  );
  await page.getByRole('button', { name: 'Zeroed here: top, square' }).click();
  await expect(gridOf).toContainText('0 mm');
  await page.getByRole('textbox', { name: 'The zero, in the micrometer' }).fill('82.512');
  await page.getByRole('button', { name: 'It is the zero’s size' }).click();
  await expect(gridOf).toContainText('82.512');
  await expect
    .poll(async () => (await server.record(other)).entries.flatMap((e) => (e.kind === 'setting' ? [e.to] : [])))
    .toEqual(['here', 82_512_000]);
});
