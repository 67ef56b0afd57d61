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

const figureLine = (page: Page): Locator => page.getByRole('region', { name: 'Figure line' });
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
