/** Clocking: a plan by school and by hand, rules, placing, the engine's facts, the card and its drawing; and the checks at the block. */
import { axeFindsNothing } from './axe';
import type { Page } from '@playwright/test';
import { readFileSync } from 'node:fs';
import type { Entry } from '../src/core/judge/buildRecord';
import { type ClockingChoices, STARTING_CLOCKING } from '../src/core/stages/clocking/choices';
import { type job, jobEntry } from '../src/fixtures/records';
import { type Server, expect, test } from './server';

let n = 0;

async function open(
  page: Page,
  server: Server,
  stage: string,
  entries: Entry[] = [],
  change: Partial<typeof job> = {},
): Promise<string> {
  n += 1;
  const id = `clocking-${n}`;
  await server.put({ id, entries: [jobEntry({ name: `Clocking ${n}`, ...change }), ...entries] });
  await page.goto(`${server.url}/builds/${id}/${stage}`);
  await expect(page.getByRole('main')).toBeVisible();
  return id;
}

const stamp = { at: '2026-05-04T09:00:00.000Z', by: 'AB' };
const clock = (change: Partial<ClockingChoices> = {}): Entry => ({
  ...stamp,
  id: 'c',
  kind: 'clocking',
  replaces: null,
  value: { ...STARTING_CLOCKING, ...change },
});
const crown = (page: Page) => page.getByRole('group', { name: /^Crown of cylinder/ }).first();
const handle = (page: Page, name: string) => crown(page).getByRole('slider', { name });
const points = (page: Page, joint: string, degrees: string) =>
  expect(page.locator(`[data-joint="${joint}"]`).first()).toHaveAttribute('data-degrees', degrees);
const tab = (page: Page, name: string) => page.getByRole('tab', { name, exact: true }).click();
const plans = async (server: Server, id: string): Promise<ClockingChoices[]> =>
  (await server.record(id)).entries.flatMap((e) => (e.kind === 'clocking' ? [e.value] : []));
const goTo = (page: Page, label: string) =>
  page
    .getByRole('navigation', { name: 'Cylinders' })
    .getByRole('button', { name: `Cylinder ${label},` })
    .click();

/** Where a direction lies on the page, at a share of the bore's radius. */
async function spot(page: Page, degrees: number, share: number): Promise<{ x: number; y: number }> {
  return crown(page).evaluate(
    (svg: SVGSVGElement, [at, r]) => {
      const a = (at * Math.PI) / 180;
      const point = new DOMPoint(240 * r * Math.sin(a), -240 * r * Math.cos(a)).matrixTransform(
        svg.getScreenCTM() ?? undefined,
      );
      return { x: point.x, y: point.y };
    },
    [degrees, share] as const,
  );
}

test('a joint is dragged with live findings, not set while it is held, however long, cured by one press, undone and redone', async ({
  page,
  server,
}) => {
  await page.clock.install();
  const id = await open(page, server, 'clocking', [clock()]);
  await goTo(page, '2');
  const from = await spot(page, 45, 221 / 240);
  await page.mouse.move(from.x, from.y);
  await page.mouse.down();
  const aside = await spot(page, 100, 0.9);
  await page.mouse.move(aside.x, aside.y);
  await points(page, 'top', '100.0');
  await page.keyboard.press('Escape');
  await points(page, 'top', '45.0');
  await page.mouse.up();
  await page.mouse.move(from.x, from.y);
  await page.mouse.down();
  for (const degrees of [70, 100, 140, 178]) {
    const to = await spot(page, degrees, 0.9);
    await page.mouse.move(to.x, to.y);
  }
  await points(page, 'top', '180.0');
  await expect(page.getByRole('list', { name: 'Findings' })).toContainText('45° apart');
  await expect(page.getByRole('list', { name: 'Findings' })).toContainText('Stop');
  await page.clock.runFor(5_000);
  expect(await plans(server, id)).toHaveLength(1);
  await page.mouse.up();
  await expect
    .poll(async () => (await plans(server, id)).at(-1)?.own)
    .toEqual([{ cylinder: 'R1', joints: { top: 180 } }]);
  await page
    .getByRole('list', { name: 'Findings' })
    .getByRole('button', { name: /^Turn to/ })
    .first()
    .click();
  await expect(page.getByText('Stop.')).toHaveCount(0);
  const cured = (await plans(server, id)).length;
  expect(cured).toBeGreaterThan(1);
  await page.getByRole('button', { name: 'Undo' }).click();
  await points(page, 'top', '180.0');
  await page.reload();
  await goTo(page, '2');
  await page.getByRole('button', { name: 'Undo' }).click();
  await points(page, 'top', '45.0');
  await page.getByRole('button', { name: 'Redo' }).click();
  await points(page, 'top', '180.0');
  await page.getByRole('heading', { level: 1 }).click();
  await handle(page, 'top ring gap').focus();
  await page.keyboard.press('Control+z');
  await points(page, 'top', '45.0');
});

test('by keyboard: arrows 1°, shift 15°, home to the school; a held row of presses is one choice', async ({
  page,
  server,
}) => {
  const id = await open(page, server, 'clocking', [clock()]);
  await goTo(page, '2');
  await handle(page, 'second ring gap').focus();
  for (let i = 0; i < 4; i += 1) await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Shift+ArrowLeft');
  await points(page, 'second', '214.0');
  await expect(handle(page, 'second ring gap')).toHaveAttribute(
    'aria-valuetext',
    '214°, 34° left of rear, inboard, 7:10 o’clock',
  );
  await expect
    .poll(async () => (await plans(server, id)).map((p) => p.own))
    .toEqual([[], [{ cylinder: 'R1', joints: { second: 214 } }]]);
  await axeFindsNothing(page, 'a joint in hand');
  await page.keyboard.press('Home');
  await points(page, 'second', '225.0');
  await page.keyboard.press('Tab');
  await expect(handle(page, 'upper rail gap')).toBeFocused();
  await page.keyboard.press('ArrowDown');
  await page.getByRole('link', { name: /^Rings/ }).click();
  await expect(page).toHaveURL(/rings\?at=2\.top$/);
  await expect
    .poll(async () => (await plans(server, id)).at(-1)?.own)
    .toEqual([{ cylinder: 'R1', joints: { upperRail: 134 } }]);
});

test('by touch, on a tablet', async ({ browser, server }) => {
  const context = await browser.newContext({ hasTouch: true, viewport: { width: 820, height: 1180 } });
  const page = await context.newPage();
  const id = await open(page, server, 'clocking', [clock()]);
  await goTo(page, '2');
  const client = await context.newCDPSession(page);
  const touch = async (type: 'touchStart' | 'touchMove' | 'touchEnd', degrees: number | null): Promise<void> => {
    const at = degrees === null ? null : await spot(page, degrees, 221 / 240);
    await client.send('Input.dispatchTouchEvent', { type, touchPoints: at ? [{ x: at.x, y: at.y }] : [] });
  };
  await touch('touchStart', 45);
  for (const degrees of [38, 30, 22, 15]) await touch('touchMove', degrees);
  await touch('touchEnd', null);
  await points(page, 'top', '15.0');
  await expect
    .poll(async () => (await plans(server, id)).at(-1)?.own)
    .toEqual([{ cylinder: 'R1', joints: { top: 15 } }]);
  await page.getByRole('button', { name: 'top ring gap, 1° on' }).tap();
  await points(page, 'top', '16.0');
  await context.close();
});

test('the card prints all pistons on one sheet, A4 and Letter, and the drawing opens as an SVG', async ({
  page,
  server,
}) => {
  for (const [layout, cylinders, bankAngle, scheme] of [
    ['single', 1, 0, 'sequence'],
    ['inline', 5, 0, 'sequence'],
    ['vee', 10, 90, 'alternate'],
    ['vee', 16, 90, 'bankByBank'],
  ] as const) {
    const id = await open(page, server, 'clocking', [clock()], {
      engine: {
        layout,
        cylinders,
        bankAngle,
        rotation: 'clockwise',
        numbering: { scheme, start: 'front', firstBank: 'left' },
      },
    });
    await tab(page, 'Print card');
    await expect(page.getByRole('article', { name: 'Clocking card' }).getByRole('img')).toHaveCount(cylinders);
    for (const format of ['A4', 'Letter'] as const) {
      const pdf = (await page.pdf({ format })).toString('latin1');
      expect(`${id} ${format} ${pdf.match(/\/Type ?\/Page\b/g)?.length}`).toBe(`${id} ${format} 1`);
    }
  }
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByRole('button', { name: 'Print' })).toBeHidden();
  await expect(page.getByRole('tablist')).toBeHidden();
  await expect(page.getByRole('navigation', { name: 'Cylinders' })).toBeHidden();
  await expect(page.getByRole('article', { name: 'Clocking card' })).toBeVisible();
  await page.emulateMedia({ media: 'screen' });
  await page.getByRole('radio', { name: 'Stand' }).click();
  for (const name of ['All crowns (SVG)', 'Cylinder 1 (SVG)']) {
    const [download] = await Promise.all([page.waitForEvent('download'), page.getByRole('link', { name }).click()]);
    expect(download.suggestedFilename()).toMatch(/\.svg$/);
    const text = readFileSync(await download.path(), 'utf8');
    const found = await page.evaluate((svg) => {
      const root = new DOMParser().parseFromString(svg, 'image/svg+xml');
      return {
        faults: root.querySelectorAll('parsererror').length,
        crowns: root.querySelectorAll('[id^="cylinder-"]').length,
        text: root.documentElement.textContent,
      };
    }, text);
    expect(found).toMatchObject({ faults: 0, crowns: name.startsWith('All') ? 16 : 1 });
    expect(found.text).toContain('in the stand');
  }
  const { url } = server;
  expect((await fetch(`${url}/api/builds/clocking-1/crowns?view=upside`)).status).toBe(400);
  expect((await fetch(`${url}/api/builds/nowhere/crowns`)).status).toBe(404);
});
