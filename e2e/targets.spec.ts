/** Targets in the browser: order of trust, power adder, slips, windows, allowances, heat. */
import type { Locator, Page } from '@playwright/test';
import { NO_SERVICE } from '../src/core/models/load/service';
import { boosted, nitrous } from '../src/fixtures/adders';
import { fromPressure } from '../src/core/foundation/quantity/pressure';
import type { Entry } from '../src/core/judge/buildRecord';
import { STARTING_CURVE } from '../src/core/models/charts/startingCurve';
import { fromInches } from '../src/core/foundation/quantity/length';
import { jobEntry } from '../src/fixtures/records';
import { type Server, expect, test } from './server';

const figure = (page: Page, name: RegExp): Locator =>
  page.getByRole('group', { name: 'Figures' }).getByRole('button', { name });
const top = (page: Page): Locator => figure(page, /Top ring gap/);

/** Sets a build with the starting curve. */
const onCurve: Entry = {
  id: 'chart',
  at: '2026-05-04T09:00:00.000Z',
  by: '',
  kind: 'chart',
  replaces: null,
  value: STARTING_CURVE,
};

let builds = 0;
/** A build of its own at its targets, 4.065 in, drag, high-silicon forgings: 21 to 24 thou by the chart. */
async function open(
  page: Page,
  server: Server,
  change: Parameters<typeof jobEntry>[0] = {},
  ...entries: Entry[]
): Promise<string> {
  const id = `targets-${(builds += 1)}-${test.info().workerIndex}`;
  await server.put({ id, entries: [jobEntry({ name: `Targets ${builds}`, ...change }), ...entries] });
  await page.goto(`${server.url}/builds/${id}/targets`);
  await expect(page.getByRole('main')).toBeVisible();
  return id;
}

test('a boosted in-line five, keyboard only, from a new card to its targets', async ({ page, server }) => {
  await page.goto(`${server.url}/new`, { waitUntil: 'networkidle' });
  const press = async (...keys: string[]): Promise<void> => {
    for (const key of keys) await page.keyboard.press(key);
  };
  const tab = (times: number): Promise<void> => press(...Array.from({ length: times }, () => 'Tab'));
  await expect(page.getByLabel('Build name')).toBeFocused();
  await press(...'Fell');
  await tab(5);
  await expect(page.getByLabel('Cylinders')).toBeFocused();
  await press('5');
  await tab(3);
  await expect(page.getByLabel('Planned finished bore')).toBeFocused();
  await press(...'3248');
  await tab(1);
  // the last two have a high ring
  await press('End', 'ArrowUp', 'ArrowUp');
  await tab(1);
  await press('p', 'e');
  await tab(2);
  await expect(page.getByLabel('Power adders', { exact: true })).toBeFocused();
  await press(...'20psi');
  await expect(page.getByText('turbo, 20.0 psi (1.38 bar)', { exact: true })).toBeVisible();
  await expect(page.getByRole('img', { name: 'Heat load 1.99: boost ×1.99' })).toBeVisible();
  await press('Enter');
  await expect(page).toHaveURL(/\/targets\b/);
  await expect(top(page)).toContainText('22–25');
  await expect(figure(page, /Second ring gap/)).toContainText('24–27');
  await expect(figure(page, /Piston to wall/)).toContainText('4.2–5.2');
});

test('heat: a long run shows how far it is, can be stopped, and leaves the page free', async ({ page, server }) => {
  await open(page, server);
  await page.getByRole('tab', { name: 'Closing check' }).click();
  const status = page.getByRole('status').filter({ hasText: /draws a gap|%|Stopped/ });
  await expect(status).toContainText('20,000 draws a gap');
  await page.getByRole('combobox', { name: 'Draws' }).selectOption('1000000');
  await expect(page.getByRole('progressbar', { name: 'Draws made' })).toBeVisible();
  await page.getByRole('radio', { name: 'second ring' }).click();
  await expect(page.getByRole('img', { name: /second ring gap against ring temperature/ })).toBeVisible();
  await page.getByRole('combobox', { name: 'Draws' }).selectOption('20000');
  await page.getByRole('combobox', { name: 'Draws' }).selectOption('1000000');
  await page.getByRole('button', { name: 'Stop' }).click();
  await expect(status).toContainText('Stopped. No chance is given.');
  await page.getByRole('combobox', { name: 'Draws' }).selectOption('20000');
  await expect(status).toContainText('20,000 draws a gap');
});

test('the heat load: each share drawn, another load asked for by key and by drag, and nothing of the build changed', async ({
  page,
  server,
}) => {
  const id = await open(
    page,
    server,
    {
      plannedBore: fromInches(4),
      service: {
        ...NO_SERVICE,
        use: 'street',
        now: { ...boosted(fromPressure(8, 'psi')), nitrous: nitrous([75]).nitrous },
      },
    },
    onCurve,
  );
  await page.getByRole('tab', { name: 'Heat load' }).click();
  const bar = page.getByRole('img', { name: /^Heat load \d/ });
  await expect(bar).toHaveAttribute('aria-label', /boost ×1\.42, nitrous ×1\.\d\d/);
  const picture = page.getByRole('region', { name: 'Gap against heat load' });
  await expect(picture.getByRole('status')).toContainText('1.65, this engine: top 26–29 thou, second 28–31 thou');
  const before = (await server.record(id)).entries.length;
  await picture.getByLabel('What if the heat load were').focus();
  await page.keyboard.press('Home');
  await expect(picture.getByRole('status')).toContainText('0.80, what if: top 16–19 thou');
  await page.keyboard.press('End');
  await expect(picture.getByRole('status')).toContainText('3.30, what if: top 33–36 thou');
  const canvas = await picture.locator('canvas').boundingBox();
  if (!canvas) throw new Error('it is drawn');
  await page.mouse.move(canvas.x + canvas.width / 2, canvas.y + canvas.height / 2);
  await page.mouse.down();
  await page.mouse.move(canvas.x + canvas.width / 3, canvas.y + canvas.height / 2, { steps: 5 });
  await page.mouse.up();
  await expect(picture.getByRole('status')).toContainText(/1\.\d\d, what if/);
  const between = page.getByRole('region', { name: 'Between the rings' });
  await expect(between).toContainText(/the cylinder peaks at \d+\.\d bar, the space between the rings at \d+\.\d bar/);
  await expect(between).toContainText(
    /it holds more than the cylinder, by up to \d\.\d bar: there the top ring can lift/,
  );
  await expect(between.locator('canvas')).toHaveCount(2);
  const peak = async () => /peaks at (\d+\.\d) bar/.exec((await between.textContent()) ?? '')?.[1];
  const usual = await peak();
  await between.getByLabel('Compression ratio').fill('11');
  await expect.poll(peak).not.toBe(usual);
  await between.getByLabel('Rod length, mm').fill('30');
  await expect(between).toContainText('Longer than half the stroke.');
  await page.getByRole('button', { name: 'Back to this engine' }).click();
  await expect(picture.getByRole('status')).toContainText('this engine');
  expect((await server.record(id)).entries).toHaveLength(before);
});
