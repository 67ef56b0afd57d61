/** The walk in the browser: step by step, the order of the pistons, habits, what is pinned on, the short block. */
import { isWhole } from '../src/fixtures/runs';
import type { Locator, Page } from '@playwright/test';
import { type WalkChoices, WHOLE_WALK } from '../src/core/stages/assembly/walkChoices';
import { installOrder } from '../src/core/stages/assembly/installOrder';
import { inOrder, orderAsk } from '../src/core/stages/assembly/walk';
import { STARTING_CLOCKING } from '../src/core/stages/clocking/choices';
import { judge } from '../src/core/judge/judge';
import type { Entry } from '../src/core/judge/buildRecord';
import { job, jobEntry } from '../src/fixtures/records';
import { Server, expect, test } from './server';

const at = '2026-05-04T09:00:00.000Z';
const habits = (change: Partial<WalkChoices> = {}): Entry => ({
  ...{ id: 'walk', at, by: '', kind: 'walk', replaces: null },
  value: { ...WHOLE_WALK, ...change },
});
const clock: Entry = { id: 'clock', at, by: '', kind: 'clocking', replaces: null, value: STARTING_CLOCKING };

let builds = 0;
async function open(page: Page, server: Server, change: Parameters<typeof jobEntry>[0] = {}, ...more: Entry[]) {
  const id = `walk-${(builds += 1)}-${test.info().workerIndex}`;
  await server.put({ id, entries: [jobEntry({ name: `Walk ${builds}`, ...change }), habits(), clock, ...more] });
  await page.goto(`${server.url}/builds/${id}/assembly`);
  await expect(done(page)).toBeFocused();
  return id;
}

const done = (page: Page): Locator => page.getByRole('main').getByRole('button', { name: /^(Done|As planned|Next)$/ });
const step = (page: Page): Locator => page.getByRole('main').getByRole('heading', { level: 2 });
/** The step in view with its cylinder, or `all` once none is left. */
const shown = (page: Page): Promise<string> =>
  page.evaluate(() => {
    const main = document.querySelector('main');
    if (main?.textContent.includes('All steps done')) return 'all';
    return ['h1', 'h2'].map((of) => main?.querySelector(of)?.textContent).join(': ');
  });
const deck = (page: Page): Locator => page.getByRole('navigation', { name: 'Cylinders' });
const ticks = async (server: Server, id: string): Promise<string[]> =>
  (await server.record(id)).entries.flatMap((e) => (e.kind === 'check' ? [`${e.cylinder} ${e.check} ${e.by}`] : []));

/** Of eight cylinders in `npm run soak`. */
const VEE = isWhole ? 8 : 4;

test('a V engine is walked by Enter alone, in the order with the fewest turns; a reload leads back to the very step', async ({
  page,
  server,
}) => {
  // as long as the 172 steps of a V8 take on a slow machine
  test.setTimeout(600_000);
  const engine = { ...job.engine, cylinders: VEE };
  const steps = 12 + 20 * VEE;
  const id = await open(page, server, { engine });
  await page.getByRole('textbox', { name: 'Initials' }).fill('KM');
  await done(page).focus();
  await expect(step(page)).toHaveText('Block, crank and parts washed and dry');
  await expect(page.getByRole('main')).toContainText('Preparing · step 1 of 12');
  let keys = 0;
  const seen: string[] = [];
  for (; keys < 200; keys += 1) {
    const before = await shown(page);
    seen.push(before);
    await page.keyboard.press('Enter');
    await expect.poll(() => shown(page), { intervals: [50] }).not.toBe(before);
    if ((await shown(page)) === 'all') break;
    if (keys === 40) {
      const here = await step(page).textContent();
      await expect.poll(async () => (await ticks(server, id)).length).toBe(keys + 1);
      await page.reload();
      await expect(done(page)).toBeFocused();
      await expect(step(page)).toHaveText(here ?? '');
    }
  }
  expect(keys + 1).toBe(steps);
  expect(new Set(seen).size).toBe(steps);
  // pistons go in as was worked out before the first one did
  const before = judge({ id, entries: [jobEntry({ engine }), habits(), clock] });
  const ask = orderAsk(before);
  if (!ask) throw new Error('its throws are usual');
  const order = inOrder(before, installOrder(ask)).map((c) => c.label);
  expect(order).not.toEqual(order.toSorted());
  expect(seen.filter((s) => s.includes('Piston in')).map((s) => s.replace(/\D+(\d).*/, '$1'))).toEqual(order);
  await expect(page.getByRole('link', { name: /^Assembly/ })).toContainText(`${VEE + 1}/${VEE + 1}`);
  await expect.poll(async () => (await ticks(server, id)).length).toBe(steps);
  expect((await ticks(server, id)).every((t) => t.endsWith(' KM'))).toBe(true);
  await page.getByRole('tab', { name: 'Short block' }).click();
  // the steps are made; what was never measured is still open
  await expect(page.getByRole('main')).toContainText('Short block not ready');
  await expect(page.getByRole('list', { name: 'What is open' })).toContainText('Cylinder 1: top ring: to do');
  await page.getByRole('link', { name: /^Sheet/ }).click();
  const paper = page.getByRole('main');
  await expect(paper.getByRole('heading', { name: 'Assembly: who did and checked what' })).toBeVisible();
  await expect(paper).toContainText('Second round with the wrench, marked, by someone else');
  await expect(paper.getByRole('heading', { name: /^Short block not ready/ })).toBeVisible();
});

test('what was not sent yet was done: the walk goes on after it when the page is loaded anew', async ({
  page,
  server,
}) => {
  const id = await open(page, server);
  await page.getByRole('textbox', { name: 'Initials' }).fill('KM');
  await done(page).focus();
  await page.route('**/entries**', (route) => route.abort());
  for (let i = 0; i < 2; i += 1) {
    const before = (await step(page).textContent()) ?? '';
    await page.keyboard.press('Enter');
    await expect(step(page)).not.toHaveText(before);
  }
  const here = (await step(page).textContent()) ?? '';
  // what checks the kept entries comes late, as it may: the page is at work before
  let come = (): void => undefined;
  const isAtWork = new Promise<void>((resolve) => (come = resolve));
  await page.route('**/*.js', async (route) => {
    const script = await (await fetch(route.request().url())).text();
    if (script.includes('only a ring is fitted')) await isAtWork;
    await route.continue();
  });
  await page.reload();
  await expect(done(page)).toBeFocused();
  come();
  await expect(page.getByText('2 entries wait')).toBeVisible();
  await expect(step(page)).toHaveText(here);
  expect(await ticks(server, id)).toEqual([]);
});

test('by touch: a step not as planned gets a reminder, keeps it from ready, shows on the deck, and is taken off', async ({
  browser,
  server,
}) => {
  const context = await browser.newContext({ hasTouch: true, viewport: { width: 820, height: 1180 } });
  const page = await context.newPage();
  const id = await open(page, server, { units: 'metric' });
  await deck(page)
    .getByRole('button', { name: /^Cylinder 3/ })
    .tap();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Cylinder 3');
  await expect(page.getByRole('main')).toContainText('Hanging the piston · step 1 of 20');
  // a second tap on the same spot, as a glove makes it, makes no second step
  await done(page).dblclick();
  await expect(step(page)).toHaveText('Rod right');
  await expect.poll(async () => (await ticks(server, id)).length).toBe(1);
  for (const then of [/^First clip/, /^Pin oiled/, /^The other side/])
    await expect(async () => {
      await done(page).tap();
      await expect(step(page)).toHaveText(then, { timeout: 200 });
    }).toPass();
  await expect(step(page)).toHaveText('The other side clipped: 2 wire clips in all, counted; their gaps straight down');
  await page.getByRole('button', { name: 'Not as planned …' }).tap();
  const form = page.getByRole('form', { name: 'What was found' });
  await expect(form.getByRole('button', { name: 'Add reminder' })).toBeDisabled();
  await form.getByRole('textbox').fill('one clip only, wait for the other');
  await form.getByRole('button', { name: 'Add reminder' }).tap();
  await expect(page.getByRole('list', { name: 'Reminders' })).toContainText('one clip only, wait for the other');
  await expect(deck(page).getByRole('button', { name: /^Cylinder 3, reminder/ })).toBeVisible();
  for (const button of await page.getByRole('main').getByRole('button').all()) {
    const box = await button.boundingBox();
    if (box) expect(box.height, (await button.textContent()) ?? '').toBeGreaterThanOrEqual(44);
  }
  await page.getByRole('button', { name: 'Remove' }).tap();
  await expect(deck(page).getByRole('button', { name: /^Cylinder 3, begun/ })).toBeVisible();
  // a step that is ticked by mistake is taken back, and stays on record
  await page.getByRole('main').getByRole('button', { name: 'Done' }).tap();
  await page
    .getByRole('region', { name: 'Steps, Cylinder 3' })
    .getByRole('button', { name: /Pin clips in/ })
    .tap();
  await page.getByRole('button', { name: 'Take back' }).tap();
  await expect(page.getByRole('main').getByRole('button', { name: 'Done' })).toBeVisible();
  const kinds = async () => (await server.record(id)).entries.map((e) => e.kind).filter((k) => k !== 'check');
  await expect.poll(kinds).toEqual(['job', 'walk', 'clocking', 'pin', 'void', 'void']);
  await context.close();
});

/** After every twelfth step in `npm test`, after each in `npm run soak`. */
const KILL_EVERY = isWhole ? 1 : 12;

test('the server is killed while a V-twin is walked: the walk goes on where it was, none lost, none twice', async ({
  page,
}) => {
  // the server is begun anew at each of up to 52 steps
  test.setTimeout(1_200_000);
  const server = new Server();
  await server.start();
  const twin = { layout: 'vee', cylinders: 2, bankAngle: 45 } as const;
  const id = await open(page, server, {
    engine: { ...twin, rotation: 'clockwise', numbering: { scheme: 'alternate', start: 'front', firstBank: 'left' } },
  });
  const made: string[] = [];
  for (let n = 0; n < 52; n += 1) {
    const here = await shown(page);
    made.push(here);
    await page.keyboard.press('Enter');
    await expect.poll(() => shown(page), { intervals: [50] }).not.toBe(here);
    if (n % KILL_EVERY === 0) {
      // the step just made may be on record or not
      await server.kill();
      await server.start();
    }
    if (n % 20 === 3) {
      await expect.poll(async () => (await ticks(server, id)).length).toBe(n + 1);
      await page.reload();
      if (n < 50) await expect(done(page)).toBeFocused();
    }
  }
  await expect(page.getByText('All steps done')).toBeVisible();
  expect(new Set(made).size).toBe(52);
  await expect.poll(async () => (await ticks(server, id)).length).toBe(52);
  expect(new Set(await ticks(server, id)).size).toBe(52);
  await server.end();
});

test('the mat has a place for every part, on the paper that was chosen; a label’s code opens its cylinder', async ({
  page,
  server,
}) => {
  const id = await open(page, server);
  await page.getByRole('tab', { name: 'Layout mat' }).click();
  const mat = page.getByRole('img', { name: /^Layout mat of Walk/ });
  for (const label of ['1', '8', '2 clips', 'rod, cap, bolts', 'expander', '◀ front of the engine'])
    await expect(mat.getByText(label).first()).toBeAttached();
  await expect(mat.getByText('piston', { exact: true })).toHaveCount(8);
  for (const [paper, box] of [
    ['A4', /MediaBox ?\[0 0 84[12][\d.]* 59[45]/],
    ['A3', /MediaBox ?\[0 0 119[01][\d.]* 84[12]/],
    ['Letter', /MediaBox ?\[0 0 792[\d.]* 612/],
  ] as const) {
    await page.getByRole('radio', { name: paper }).click();
    const pdf = (await page.pdf({ preferCSSPageSize: true })).toString('latin1');
    expect(pdf).toMatch(box);
    expect(pdf.match(/\/Type ?\/Page\b/g)).toHaveLength(1);
  }
  await page.getByRole('radio', { name: 'labels' }).click();
  const labels = page.getByRole('list', { name: 'Labels' }).getByRole('listitem');
  await expect(labels).toHaveCount(24);
  const address = (await labels.filter({ hasText: 'rings' }).nth(2).getByRole('img').getAttribute('aria-label')) ?? '';
  expect(address).toBe(`${server.url}/builds/${id}/rings?at=3.top`);
  await page.goto(address);
  await expect(page.getByRole('heading', { name: 'Cylinder 3, top ring' })).toBeVisible();
});
