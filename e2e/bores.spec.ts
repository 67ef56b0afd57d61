/** Bores and pistons in the browser: grids by keyboard, gauges, what is to be done, pairing, tools. */
import type { Page } from '@playwright/test';
import { isWhole } from '../src/fixtures/runs';
import { cylindersOf } from '../src/core/foundation/engine/engine';
import type { BuildRecord, Entry } from '../src/core/judge/buildRecord';
import { fromInches } from '../src/core/foundation/quantity/length';
import { job, jobEntry } from '../src/fixtures/records';
import { type Server, expect, test } from './server';

const line = (page: Page) => page.getByRole('region', { name: 'Reading line' }).getByRole('textbox');
const stage = (page: Page, name: string) => page.getByRole('link', { name: new RegExp(`^${name}`) });

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

const readingsOf = ({ entries }: BuildRecord) => entries.flatMap((e) => (e.kind === 'reading' ? [e] : []));

/** Of ten cylinders in `npm run soak`. */
const VEE = isWhole ? 10 : 4;

test('a whole engine by keyboard alone: bores, pistons, pairing, and the swap taken back', async ({ page, server }) => {
  const engine = { ...job.engine, cylinders: VEE };
  const id = await open(page, server, 'bores', jobEntry({ name: 'Whole', engine }));
  const labels = cylindersOf(engine).map((c) => c.label);
  await enter(page, 'set 4.065');
  for (let i = 0; i < labels.length; i += 1)
    await enter(page, ...['.2', '.1', '.1', '0', '0', '0'].map((dial) => String(Number(dial) + (i % 5) / 10)));
  await expect(stage(page, 'Bores')).toContainText(`${VEE}/${VEE}`);

  await stage(page, 'Pistons').focus();
  await page.keyboard.press('Enter');
  await expect(line(page)).toBeFocused();
  await expect(page.getByRole('heading', { name: 'Cylinder 1, piston' })).toBeVisible();
  const pistons = labels.map((_, i) => 40605 + ((VEE - 1 - i) % 5));
  await enter(page, ...pistons.map(String));
  await expect
    .poll(async () => readingsOf(await server.record(id)).filter((r) => r.subject === 'piston').length)
    .toBe(VEE);

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
  expect(new Set((await pairsOf())[0]?.map((p) => p.piston)).size).toBe(VEE);
  await page.getByRole('button', { name: 'Undo the last swap' }).focus();
  await page.keyboard.press('Enter');
  await expect(advice).toContainText('Worst cylinder');
  await expect.poll(async () => (await pairsOf()).at(-1)).toEqual([]);
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
  await page.getByRole('button', { name: 'Archive Bench micrometer no. 7' }).click();
  await expect(page.getByText('is archived')).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('button', { name: 'Archive Bench micrometer no. 7' })).toBeVisible();

  await open(page, server, 'pistons', jobEntry({ name: 'Late', plannedBore: fromInches(3.5) }));
  await page.getByRole('combobox', { name: 'In hand' }).selectOption({ label: 'Micrometer 3–4 in' });
  await expect(page.getByText('Its calibration has run out.')).toBeVisible();
  await line(page).fill('3.4961');
  await page.keyboard.press('Enter');
  await expect(page.getByText('its calibration held to 2021-02-28, and 1 reading came after')).toBeVisible();
});
