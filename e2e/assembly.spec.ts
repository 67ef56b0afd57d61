/** The walk in the browser: step by step, the order of the pistons, habits, what is pinned on, the short block. */
import { isWhole } from '../src/fixtures/runs';
import type { Locator, Page } from '@playwright/test';
import { type WalkChoices, WHOLE_WALK } from '../src/core/stages/assembly/walkChoices';
import { installOrder } from '../src/core/stages/assembly/installOrder';
import { inOrder, orderAsk } from '../src/core/stages/assembly/walk';
import { STARTING_CLOCKING } from '../src/core/stages/clocking/choices';
import { judge } from '../src/core/judge/judge';
import type { Entry } from '../src/core/judge/buildRecord';
import { jobEntry } from '../src/fixtures/records';
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
    if (main?.textContent.includes('Every step is made')) return 'all';
    return ['h1', 'h2'].map((of) => main?.querySelector(of)?.textContent).join(': ');
  });
const deck = (page: Page): Locator => page.getByRole('navigation', { name: 'Cylinders' });
const ticks = async (server: Server, id: string): Promise<string[]> =>
  (await server.record(id)).entries.flatMap((e) => (e.kind === 'check' ? [`${e.cylinder} ${e.check} ${e.by}`] : []));

test('a V8 is walked by Enter alone, in the order with the fewest turns; a reload leads back to the very step', async ({
  page,
  server,
}) => {
  // as long as 172 steps take on a slow machine
  test.setTimeout(600_000);
  const id = await open(page, server);
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
  expect(keys + 1).toBe(172);
  expect(new Set(seen).size).toBe(172);
  // pistons go in as was worked out before the first one did
  const before = judge({ id, entries: [jobEntry(), habits(), clock] });
  const ask = orderAsk(before);
  if (!ask) throw new Error('its throws are usual');
  const order = inOrder(before, installOrder(ask)).map((c) => c.label);
  expect(order).not.toEqual(['1', '2', '3', '4', '5', '6', '7', '8']);
  expect(seen.filter((s) => s.includes('Piston in')).map((s) => s.replace(/\D+(\d).*/, '$1'))).toEqual(order);
  await expect(page.getByRole('link', { name: /^Assembly/ })).toContainText('9/9');
  await expect.poll(async () => (await ticks(server, id)).length).toBe(172);
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

test('by touch: found otherwise is pinned on, keeps it from ready, shows on the deck, and is taken off', async ({
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
  await page.getByRole('button', { name: 'Found otherwise …' }).tap();
  const form = page.getByRole('form', { name: 'What was found' });
  await expect(form.getByRole('button', { name: 'Pin it on' })).toBeDisabled();
  await form.getByRole('textbox').fill('one clip only, wait for the other');
  await form.getByRole('button', { name: 'Pin it on' }).tap();
  await expect(page.getByRole('list', { name: 'Pinned on' })).toContainText('one clip only, wait for the other');
  await expect(deck(page).getByRole('button', { name: /^Cylinder 3, pinned/ })).toBeVisible();
  for (const button of await page.getByRole('main').getByRole('button').all()) {
    const box = await button.boundingBox();
    if (box) expect(box.height, (await button.textContent()) ?? '').toBeGreaterThanOrEqual(44);
  }
  await page.getByRole('button', { name: 'Take it off' }).tap();
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

test('keys: arrows go from step to step, X says what was found, P pins, Escape leaves it; in a field they are letters', async ({
  page,
  server,
}) => {
  await open(page, server);
  const first = await step(page).textContent();
  await page.keyboard.press('ArrowRight');
  await expect(step(page)).toHaveText('Oilways brushed and blown through, plugs and jets in');
  await page.keyboard.press('ArrowLeft');
  await expect(step(page)).toHaveText(first ?? '');
  await page.keyboard.press('p');
  const field = page.getByRole('textbox', { name: 'What must not be forgotten' });
  await expect(field).toBeFocused();
  await page.keyboard.type('oil jets, px!');
  await expect(field).toHaveValue('oil jets, px!');
  await page.keyboard.press('Escape');
  await expect(field).toBeHidden();
  await expect(done(page)).toBeFocused();
  // what was typed and not pinned is there still, over a reload
  await page.reload();
  await expect(done(page)).toBeFocused();
  await page.keyboard.press('p');
  await expect(field).toHaveValue('oil jets, px!');
  await page.keyboard.press('Escape');
  await page.keyboard.press('x');
  await page.keyboard.type('jets are missing');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('list', { name: 'Pinned on' })).toContainText('jets are missing');
  // on a part of a cylinder
  await deck(page)
    .getByRole('button', { name: /^Cylinder 2/ })
    .click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Cylinder 2');
  await page.getByRole('button', { name: 'Pin a reminder …' }).click();
  await page.getByLabel('On which part').selectOption({ label: 'rod' });
  await field.fill('to be weighed again');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('list', { name: 'Pinned on' }).first()).toContainText(
    'Pinned on the rod: “to be weighed again”',
  );
  await page.getByRole('tab', { name: 'Short block' }).click();
  await expect(page.getByRole('list', { name: 'What is open' })).toContainText('Engine: pinned on: jets are missing');
  await expect(page.getByRole('list', { name: 'What is open' })).toContainText(
    'Cylinder 2: Pinned on rod: to be weighed again',
  );
  await page.goto(`${server.url}/?q=${encodeURIComponent(`Walk ${builds}`)}`);
  await expect(page.getByRole('row', { name: new RegExp(`Walk ${builds}`) })).toContainText('2 pinned on');
});

test('a key that is leant on makes one step, not all of them', async ({ page, server }) => {
  const id = await open(page, server);
  await page.keyboard.down('Enter');
  for (let repeats = 0; repeats < 8; repeats += 1) await page.keyboard.down('Enter');
  await page.keyboard.up('Enter');
  await expect(step(page)).toHaveText('Oilways brushed and blown through, plugs and jets in');
  await page.keyboard.press('Enter');
  await expect(step(page)).toHaveText('Threads chased, clean and dry');
  await expect.poll(() => ticks(server, id)).toEqual(['block clean ', 'block oilways ']);
});

test('two benches at once: each is told of the other’s step, and both stand on record', async ({ browser, server }) => {
  const [one, two] = [await (await browser.newContext()).newPage(), await (await browser.newContext()).newPage()];
  const id = await open(one, server);
  await two.goto(`${server.url}/builds/${id}/assembly`);
  await expect(done(two)).toBeFocused();
  await one.keyboard.press('Enter');
  // the step in view stays there, though another bench has made it meanwhile: nothing is ticked that was not looked at
  await expect(two.getByRole('main').getByRole('button', { name: 'Next' })).toBeVisible();
  await expect(step(two)).toHaveText('Block, crank and parts washed and dry');
  await two.keyboard.press('Enter');
  await expect(step(two)).toHaveText('Oilways brushed and blown through, plugs and jets in');
  const steps = two.getByRole('region', { name: 'Steps, The engine' });
  await expect(steps.getByRole('button', { name: /washed and dry/ })).toContainText('done');
  await two.keyboard.press('Enter');
  await expect(
    one.getByRole('region', { name: 'Steps, The engine' }).getByRole('button', { name: /^.?.?Oilways/ }),
  ).toContainText('done');
  // the one goes past what the other has made
  await expect(step(one)).not.toHaveText('Block, crank and parts washed and dry');
  await expect.poll(() => ticks(server, id)).toEqual(['block clean ', 'block oilways ']);
  await one.context().close();
  await two.context().close();
});

test('a piston that comes out again is done anew from the bore on, and why stands on record', async ({
  page,
  server,
}) => {
  const id = await open(page, server, {
    engine: {
      ...{ layout: 'single', cylinders: 1, bankAngle: 0, rotation: 'clockwise' },
      numbering: { scheme: 'sequence', start: 'front', firstBank: 'left' },
    },
  });
  const all = page.getByText('Every step is made');
  const made = async (): Promise<string[]> => ticks(server, id);
  for (let n = 1; n < 60 && !(await all.isVisible()); n += 1) {
    await page.keyboard.press('Enter');
    await expect.poll(async () => (await made()).length).toBe(n);
  }
  await page.getByRole('tab', { name: 'All steps' }).click();
  const out = page.getByRole('complementary').getByRole('button', { name: 'Taken out again …' });
  await out.click();
  await page.getByRole('button', { name: 'it turned stiff' }).click();
  await expect(out).toHaveCount(0);
  await page.getByRole('tab', { name: 'Step by step' }).click();
  await expect(step(page)).toHaveText(/^Rings and skirt oiled/);
  const voids = async () => (await server.record(id)).entries.flatMap((e) => (e.kind === 'void' ? [e.reason] : []));
  await expect.poll(async () => new Set(await voids())).toEqual(new Set(['taken out again: it turned stiff']));
});

/** After every tenth step in `npm test`, after each in `npm run soak`. */
const KILL_EVERY = isWhole ? 1 : 10;

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
    if (n % 10 === 3) {
      await expect.poll(async () => (await ticks(server, id)).length).toBe(n + 1);
      await page.reload();
      if (n < 50) await expect(done(page)).toBeFocused();
    }
  }
  await expect(page.getByText('Every step is made')).toBeVisible();
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
  await page.getByRole('tab', { name: 'Mat' }).click();
  const mat = page.getByRole('img', { name: /^Mat of Walk/ });
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
