/** The bottom end in the browser: bearings by keyboard and by touch, which shells, end play, what is looked at. */
import type { Page } from '@playwright/test';
import { type GivenLimits, type JournalChoices, STARTING_JOURNALS } from '../src/core/stages/journals/choices';
import { type Nm, fromMm, fromThou } from '../src/core/foundation/quantity/length';
import type { BuildRecord, Entry } from '../src/core/judge/buildRecord';
import { job, jobEntry } from '../src/fixtures/records';
import { judge } from '../src/core/judge/judge';
import { type Server, expect, test } from './server';

const line = (page: Page) => page.getByRole('region', { name: 'Reading line' }).getByRole('textbox');
const said = (page: Page) => page.locator('#line-said');
const stage = (page: Page, name: string) => page.getByRole('link', { name: new RegExp(`^${name}`) });
const deck = (page: Page) => page.getByRole('navigation', { name: 'Bearings' });
const six = {
  ...job.engine,
  layout: 'inline' as const,
  cylinders: 6,
  bankAngle: 0,
  numbering: { ...job.engine.numbering, scheme: 'sequence' as const },
};
const STAMP = { id: 'journals-1', at: '2026-05-04T09:00:00.000Z', by: '', replaces: null };
const given = (least: Nm, most: Nm, from: Nm, to: Nm): GivenLimits => ({
  least,
  most,
  aim: { from, to },
  source: 'manual',
});

const bottomEnd = (clearance: GivenLimits, change: Partial<JournalChoices> = {}): Entry => {
  const bearing = { ...STARTING_JOURNALS.bearings.main, clearance };
  const value = { ...STARTING_JOURNALS, bearings: { main: bearing, rod: bearing }, ...change };
  return { ...STAMP, kind: 'journals', value };
};
const ONCE = { ends: 1, directions: 1 } as const;

let n = 0;

async function put(server: Server, ...entries: Entry[]): Promise<string> {
  n += 1;
  const id = `journals-${n}`;
  await server.put({ id, entries });
  return id;
}

/** Types figures, each with Enter; how many keys that took. */
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

test('an in-line six from nothing, by keyboard: covered, the manual’s limits, all bearings, end play, sides, the sheet', async ({
  page,
  server,
}) => {
  const id = await put(server, jobEntry({ name: 'Six', engine: six }));
  await page.goto(`${server.url}/builds/${id}/journals`);
  await expect(page.getByText('This job does not cover them')).toBeVisible();
  await page.getByRole('button', { name: 'Cover the bottom end too' }).press('Enter');
  await expect(stage(page, 'Journals')).toContainText('0/14');
  // nothing is taken silently
  await expect(page.getByText('No limits yet.')).toBeVisible();
  await page.getByRole('button', { name: 'Enter the manual’s' }).press('Enter');
  const fill = async (label: string, text: string): Promise<void> => {
    const field = page.getByLabel(label, { exact: true });
    await field.fill(text);
  };
  for (const kind of ['Mains', 'Rods']) {
    await fill(`${kind}: least`, '1.2');
    await fill(`${kind}: most`, '2.6');
    await fill(`${kind}: aim from`, '1.6');
    await fill(`${kind}: aim to`, '2.2');
    await fill(`${kind}: from`, 'engine manual, page 9');
    await fill(`${kind}: cap torque, and with which lubricant`, '60 lb·ft with oil');
  }
  await fill('End play: least', '2');
  await fill('End play: most', '10');
  await fill('Side clearance: least', '8');
  await fill('Side clearance: most', '18');
  await page.getByLabel('Places along a journal').selectOption('1');
  await page.getByLabel('Directions across it').selectOption('1');
  await page.getByRole('button', { name: 'Save' }).press('Enter');
  await expect
    .poll(async () => judge(await server.record(id)).choices.journals.bearings.rod.clearance.most)
    .toBe(fromThou(2.6));

  await page.getByRole('tab', { name: 'Clearances' }).click();
  await line(page).focus();
  await expect(page.getByRole('heading', { name: 'Main 1, journal, middle, in line' })).toBeVisible();
  await enter(page, ...Array.from({ length: 7 }, () => '2.3615'));
  await expect(page.getByRole('heading', { name: 'Main 1, housing with shells' })).toBeVisible();
  await expect(page.getByText('Cap at 60 lb·ft with oil.')).toBeVisible();
  // the dial is the clearance
  await enter(page, 'set journal');
  await expect(said(page)).toContainText('each journal');
  await enter(page, '1.9', '1.8', '1.9', '2', '1.9', '1.8', '1.9');
  await enter(page, ...Array.from({ length: 6 }, () => '1.8890'));
  await enter(page, '2.1', '2', '2.1', '2.2', '2.1', '2');
  await expect.poll(async () => readingsOf(await server.record(id)).length).toBe(26);
  const judged = judge(await server.record(id));
  expect(judged.mains.map((b) => b.clearance.value)).toEqual([1.9, 1.8, 1.9, 2, 1.9, 1.8, 1.9].map(fromThou));
  expect(judged.rods.every((b) => b.clearance.state === 'in window' && b.clearance.zeroed)).toBe(true);
  await expect(deck(page).getByRole('button', { name: 'Main 4, in window, 2.0' })).toBeVisible();

  await page.getByRole('tab', { name: 'End play, sides' }).click();
  await line(page).focus();
  await expect(page.getByRole('heading', { name: 'Crank, end play' })).toBeVisible();
  await enter(page, '6', '12', '12/14', '12', '13', '12', '12');
  await expect(page.getByRole('row', { name: /Rod 2, side/ })).toContainText('12.0–14.0');
  await page.getByRole('tab', { name: 'Inspection' }).click();
  for (let place = 0; place < 14; place += 1) {
    await page.getByRole('button', { name: /^All right on/ }).press('Enter');
    const on = page.getByRole('button', { name: /^On to/ });
    if (place < 13) await on.press('Enter');
  }
  await expect(stage(page, 'Journals')).toContainText('14/14');
  await stage(page, 'Sheet').click();
  const table = page.getByRole('table').filter({ hasText: 'Main 4' });
  await expect(table.getByRole('row', { name: /Main 4/ })).toContainText('2.0');
  await expect(page.getByText('Cap torque 60 lb·ft with oil.').first()).toBeVisible();
  const csv = await (await fetch(`${server.url}/api/builds/${id}/csv`)).text();
  expect(csv).toMatch(/M4,M4,main_clearance/);
  expect(csv).toMatch(/crank,crank,end_play/);
});

test('in millimetres by touch, two tablets at once: both readings stand, and the address leads to the very bearing', async ({
  browser,
  server,
}) => {
  const limits = given(fromMm(0.025), fromMm(0.06), fromMm(0.03), fromMm(0.05));
  const id = await put(
    server,
    jobEntry({ name: 'Metric', engine: six, units: 'metric', plannedBore: fromMm(86), also: ['journals'] }),
    bottomEnd(limits, { ...ONCE, route: 'byBearing' }),
  );
  const contexts = await Promise.all(
    [1, 2].map(() => browser.newContext({ hasTouch: true, viewport: { width: 820, height: 1180 } })),
  );
  const [one, two] = await Promise.all(contexts.map((c) => c.newPage()));
  if (!one || !two) throw new Error('no pages');
  for (const [page, at] of [
    [one, 'M1.journal.middle.0'],
    [two, '1.journal.middle.0'],
  ] as const) {
    await page.goto(`${server.url}/builds/${id}/journals?at=${at}`);
    await expect(line(page)).toBeVisible();
    await expect(page.getByRole('group', { name: 'Keypad' })).toBeVisible();
  }
  await expect(one.getByRole('heading', { name: 'Main 1, journal, middle, in line' })).toBeVisible();
  await expect(two.getByRole('heading', { name: 'Rod 1, journal, middle, in line' })).toBeVisible();
  const tapped = async (page: Page, text: string): Promise<void> => {
    const keypad = page.getByRole('group', { name: 'Keypad' });
    for (const key of [...text, 'Enter']) await keypad.getByRole('button', { name: key, exact: true }).tap();
  };
  await Promise.all([tapped(one, '59.995'), tapped(two, '47.99')]);
  await Promise.all([tapped(one, '60.035'), tapped(two, '48.03')]);
  await expect
    .poll(async () => {
      const { mains, rods } = judge(await server.record(id));
      return [mains[0]?.clearance.value, rods[0]?.clearance.value];
    })
    .toEqual([fromMm(0.04), fromMm(0.04)]);
  await expect(deck(one).getByRole('button', { name: 'Rod 1, in window, 0.040' })).toBeVisible();
  await deck(two)
    .getByRole('button', { name: /^Main 3/ })
    .tap();
  await expect(two).toHaveURL(/at=M3\.journal/);
  await two.reload();
  await expect(two.getByRole('heading', { name: 'Main 3, journal, middle, in line' })).toBeVisible();
  await Promise.all(contexts.map((c) => c.close()));
});
