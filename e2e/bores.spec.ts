/** Bores and pistons in the browser: grids by keyboard, gauges, what is to be done, pairing, tools. */
import type { Page } from '@playwright/test';
import { directionsByCount } from '../src/core/foundation/parts/spots';
import { STARTING_BORES } from '@/core/stages/bores/measuringPlan';
import { cylindersOf } from '../src/core/foundation/engine/engine';
import type { BuildRecord, Entry } from '../src/core/judge/buildRecord';
import { fromInches, fromThou } from '../src/core/foundation/quantity/length';
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

test('spots: skipped and come back to, repeated, undone, and chosen by arrow and by touch', async ({
  page,
  server,
}) => {
  const id = await open(page, server, 'bores', { ...choice, kind: 'bores', value: { ...STARTING_BORES, repeats: 2 } });
  const label = page
    .getByRole('region', { name: 'Reading line' })
    .getByText(/^Cylinder/)
    .first();
  await expect(label).toHaveText('Cylinder 1, top, square');
  await page.keyboard.press('n');
  await expect(label).toHaveText('Cylinder 1, top, along');
  await enter(page, '4.0651');
  await expect(label).toHaveText('Cylinder 1, top, along');
  await enter(page, '4.0653');
  await expect(label).toHaveText('Cylinder 1, middle, square');
  await expect(page.getByRole('button', { name: 'top, along: 4.0652, mean of 2' })).toBeVisible();
  await page.keyboard.press('z');
  await expect(said(page)).toContainText('Undone: Cylinder 1, top, along, “4.0653”');
  await expect(label).toHaveText('Cylinder 1, top, along');
  await page.keyboard.press('ArrowLeft');
  await expect(label).toHaveText('Cylinder 1, top, square');
  await page.keyboard.press('ArrowDown');
  await expect(label).toHaveText('Cylinder 2, top, square');
  await page.getByRole('button', { name: /^bottom, along: to read/ }).click();
  await expect(label).toHaveText('Cylinder 2, bottom, along');
  await expect.poll(async () => readingsOf(await server.record(id)).length).toBe(2);
});

test('a gauge in hand: it is named by each reading, its dial is drawn, its own setting counts, turns too', async ({
  page,
  server,
}) => {
  const id = await open(page, server, 'bores');
  await page.getByRole('combobox', { name: 'In hand' }).selectOption({ label: 'Bore gauge, inches' });
  await page.getByRole('tab', { name: 'Gauge set-up' }).click();
  await expect(page.getByRole('region', { name: 'Make-ups' }).getByRole('listitem').first()).toContainText(
    '4.0000 + 0.1000',
  );
  await page.getByRole('button', { name: 'Zeroed at 4.0650' }).click();
  await page.getByRole('tab', { name: 'Readings' }).click();
  await line(page).fill('6');
  await expect(page.getByRole('img', { name: /Dial/ })).toHaveAttribute('aria-label', /\+6 thou from 4\.0650 in/);
  await expect(page.getByText('should show')).toBeVisible();
  await line(page).fill('1t6');
  await expect(said(page)).toContainText('dial +1 turn of 50 thou and 6 thou');
  await line(page).fill('0.3');
  await page.keyboard.press('Enter');
  await page.getByRole('combobox', { name: 'In hand' }).selectOption('');
  await line(page).fill('+2');
  await expect(said(page)).toContainText('none is given yet');
  await expect
    .poll(async () => (await server.record(id)).entries.map((e) => e.kind))
    .toEqual(['job', 'instrument', 'setting', 'reading']);
  const { entries } = await server.record(id);
  expect(readingsOf({ id, entries })[0]).toMatchObject({
    instrument: 'gauge-in.1',
    value: fromInches(4.0653),
    typed: '0.3',
  });
});

test('the gauge the other way round, and set to the piston so that the dial is the clearance', async ({
  page,
  server,
}) => {
  const id = await open(page, server, 'bores', reading('p', 'R1', 'piston', fromInches(4.0612)));
  await page.getByRole('button', { name: /^Cylinder 1,/ }).click();
  await page.keyboard.type('here 4.0652');
  await expect(said(page)).toContainText('Gauge zeroed in the bore here');
  await page.keyboard.press('Enter');
  await enter(page, '-.2');
  await expect
    .poll(async () =>
      readingsOf(await server.record(id))
        .filter((r) => r.subject === 'bore')
        .map((r) => r.value),
    )
    .toEqual([4.0652, 4.065].map(fromInches));
  await page.getByRole('button', { name: /^Cylinder 1,/ }).click();
  await page.keyboard.type('set piston');
  await page.keyboard.press('Enter');
  await line(page).fill('4');
  await page.keyboard.press('Enter');
  await expect(line(page)).toHaveValue('4');
  await line(page).fill('+4');
  await expect(said(page)).toContainText('piston 1 is not measured yet');
  await page.getByRole('button', { name: 'Cylinder 2,' }).click();
  await line(page).fill('4');
  await expect(said(page)).toContainText('4.0652 in');
  await expect(said(page)).toContainText('Clearance 4.0 thou');
});

test('warm parts are brought to 20 °C, and every reading keeps how warm it was', async ({ page, server }) => {
  const id = await open(
    page,
    server,
    'pistons',
    jobEntry({ name: 'Warm', construction: 'forged2618', plannedBore: fromInches(4.004) }),
  );
  await page.getByRole('button', { name: 'Temperature not entered: 20 °C' }).click();
  await page.getByLabel('Part, °C').fill('79');
  await page.getByRole('button', { name: /26\.1 °C/ }).click();
  await page.getByLabel('Part, °C').fill('');
  await page.getByLabel('Part, °C').focus();
  await page.keyboard.type('26');
  await expect(page.getByLabel('Tool, °C')).toHaveAttribute('placeholder', '26');
  await expect(page.getByRole('button', { name: 'Part and tool 26 °C' })).toBeVisible();
  await page.getByLabel('Tool, °C').fill('20');
  await page.getByLabel('Part, °C').fill('26.5');
  await expect(page.getByLabel('Tool, °C')).toHaveValue('20');
  await page.getByLabel('Part, °C').fill('26');
  await line(page).focus();
  await enter(page, '4.0000');
  await expect(page.getByRole('button', { name: 'Cylinder 1, piston, 3.9995 in' })).toBeVisible();
  await expect
    .poll(async () => readingsOf(await server.record(id))[0])
    .toMatchObject({ value: fromInches(4), temperature: 26, gaugeTemperature: 20 });
});

test('honed: the bore is measured anew, the old readings are kept, and it is taken back in one step', async ({
  page,
  server,
}) => {
  const id = await open(page, server, 'bores', {
    ...choice,
    kind: 'bores',
    value: { ...STARTING_BORES, depths: ['top', 'bottom'], directions: [90] },
  });
  await enter(page, '4.0675', '4.0650');
  await page.getByRole('button', { name: 'Bore 1', exact: true }).click();
  await expect(page.getByText('Bore to the next size').first()).toBeVisible();
  await page.getByRole('button', { name: 'Bored or honed: measure anew' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Bore 1' }).click();
  await expect(page.getByRole('button', { name: 'top, square: to read' })).toBeVisible();
  await expect(page.getByRole('heading', { name: /^Kept, and of no spot/ })).toBeVisible();
  await page.getByRole('button', { name: 'Take back' }).click();
  await expect(page.getByRole('button', { name: 'top, square: 4.0675' })).toBeVisible();
  await expect
    .poll(async () => (await server.record(id)).entries.slice(-2).map((e) => e.kind))
    .toEqual(['renewed', 'void']);
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

test('locks and marks hold a piston where it is, and a pairing that cannot be says why', async ({ page, server }) => {
  const sizes = [
    [4.065, 4.061],
    [4.0658, 4.0604],
  ] as const;
  const entries = ['L1', 'R1'].flatMap((at, i) => [
    reading(`b${at}`, at, 'bore', fromInches(sizes[i]?.[0] ?? 0)),
    reading(`p${at}`, at, 'piston', fromInches(sizes[i]?.[1] ?? 0)),
  ]);
  const id = await open(page, server, 'pistons', ...entries);
  await page.getByRole('tab', { name: 'Pairing' }).click();
  const advice = page.getByRole('status', { name: 'Pairing' });
  await expect(advice).toContainText('Swap the pistons of cylinders 1 and 2');
  await page.getByRole('button', { name: 'Piston of cylinder 1 stays' }).click();
  await expect(advice).toContainText('Leave them as they are');
  await page.getByRole('button', { name: 'Piston of cylinder 1 stays' }).click();
  await page.getByLabel('Piston 2 is marked').check();
  await expect(advice).toContainText('Swap the pistons of cylinders 1 and 2');
  const gain = page.getByLabel('A marked piston moves for, thou');
  await gain.focus();
  await page.keyboard.press('Control+A');
  await page.keyboard.type('2.5');
  await expect(gain).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(advice).toContainText('Moving marked pistons would bring');
  await expect
    .poll(async () =>
      (await server.record(id)).entries.flatMap((e) => (e.kind === 'pairing' ? [e.value.gain] : [])).at(-1),
    )
    .toBe(fromThou(2.5));
  expect((await server.record(id)).entries.filter((e) => e.kind === 'pairing')).toHaveLength(4);
});

test('the next size: what is sold and what comes off decide it; wrong entries are told beside the field', async ({
  page,
  server,
}) => {
  const grid: Entry = { ...choice, kind: 'bores', value: { ...STARTING_BORES, depths: ['middle'], directions: [90] } };
  await open(
    page,
    server,
    'bores',
    jobEntry({ name: 'Sizes', engine: five, plannedBore: fromInches(4), construction: 'cast' }),
    grid,
  );
  await enter(page, '4.032', '4.035', '4.033');
  await page.getByRole('tab', { name: 'Next size' }).click();
  const plan = page.getByRole('region', { name: 'The next size' });
  await expect(plan).toContainText('40 thou over');
  await page.getByLabel('Oversizes sold, thou').fill('30 forty');
  await expect(page.getByText('“forty” is no length.').first()).toBeVisible();
  await expect(page.getByRole('button', { name: 'Set sizes and stock' })).toBeDisabled();
  await page.getByLabel('Oversizes sold, thou').fill('.030 .055');
  await page.getByRole('button', { name: 'Set sizes and stock' }).click();
  await expect(plan).toContainText('55 thou over');
  await page.getByLabel('Oversizes sold, thou').fill('30 37');
  await page.getByRole('button', { name: 'Set sizes and stock' }).click();
  await expect(plan).toContainText('A sleeve is due in cylinder 2');
  await stage(page, 'Pistons').click();
  await line(page).fill('4.0362');
  await page.keyboard.press('Enter');
  await stage(page, 'Bores').click();
  await page.getByRole('tab', { name: 'Next size' }).click();
  await expect(
    page.getByRole('table', { name: 'Finish bore for each piston' }).getByRole('row', { name: /^1/ }),
  ).toContainText('4.0362');
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

test('a bore over the wear limit of the manual goes to the next size; its class is told', async ({ page, server }) => {
  const id = 'bores-wear';
  const spots = [
    ['top', 4.0032],
    ['middle', 4.0031],
    ['bottom', 4.003],
  ] as const;
  await server.put({
    id,
    entries: [
      jobEntry(),
      ...spots.flatMap(([depth, inches]) =>
        [90, 0].map((angle) => ({
          ...reading(`b${depth}${angle}`, 'L1', 'bore', fromInches(inches)),
          place: { depth, angle },
        })),
      ),
    ],
  });
  await page.goto(`${server.url}/builds/${id}/bores`);
  await page.getByRole('tab', { name: 'Grid and limits' }).click();
  await page.getByLabel('Bore, size classes').fill('A 4.000–4.0025; B 4.0025–4.0050');
  await page.getByLabel('Bore, most diameter').fill('4.010');
  await page.getByRole('button', { name: 'Save size limits' }).click();
  await page.getByRole('tab', { name: 'Readings' }).click();
  const row = page.getByRole('row', { name: /Bore 1|^1/ }).first();
  await expect(row).toContainText('class B');
  await expect(row).toContainText('within');
  await page.getByRole('tab', { name: 'Grid and limits' }).click();
  await page.getByLabel('Bore, most diameter').fill('4.002');
  await page.getByRole('button', { name: 'Save size limits' }).click();
  await page.getByRole('tab', { name: 'Readings' }).click();
  await expect(row).toContainText('next size');
  await row.getByRole('button', { name: 'Bore 1' }).click();
  await expect(page.getByText(/is over the most of 4\.0020 in/).first()).toBeVisible();
});
