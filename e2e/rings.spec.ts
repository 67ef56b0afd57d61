/** The ring bench: read, cut, read, done; a whole engine by keyboard; swapping; over-gapped rings; the set and its grooves. */
import type { Page } from '@playwright/test';
import type { Entry } from '../src/core/judge/buildRecord';
import { fromInches, fromThou } from '../src/core/foundation/quantity/length';
import { boreReading, gap, jobEntry, job } from '../src/fixtures/records';
import { type Server, expect, test } from './server';

const line = (page: Page) => page.getByRole('region', { name: 'Reading line' }).getByRole('textbox');
const rings = (page: Page) => page.getByRole('link', { name: /^Rings/ });
const heading = (page: Page, name: string) => page.getByRole('heading', { level: 1, name });

let n = 0;

async function open(
  page: Page,
  server: Server,
  entries: Entry[] = [],
  change: Partial<typeof job> = {},
): Promise<string> {
  n += 1;
  const id = `rings-${n}`;
  await server.put({ id, entries: [jobEntry({ name: `Rings ${n}`, ...change }), ...entries] });
  await page.goto(`${server.url}/builds/${id}/rings`);
  await expect(line(page)).toBeFocused();
  return id;
}

const kept = async (server: Server, id: string, kind: Entry['kind']) =>
  (await server.record(id)).entries.filter((e) => e.kind === kind);

/** A bore alike in all directions, at the top and the bottom. */
const bore = (cylinder: string, inches: number): Entry[] =>
  (['top', 'middle', 'bottom'] as const).flatMap((depth) =>
    [90, 0].map((angle) => boreReading(`b${cylinder}${depth}${angle}`, cylinder, depth, angle, fromInches(inches))),
  );

test('a gap that grew with no cut logged is asked about: Enter where filing was advised, F where it was not filed', async ({
  page,
  server,
}) => {
  const id = await open(page, server);
  const log = async (text: string): Promise<void> => {
    await line(page).fill(text);
    await page.keyboard.press('Enter');
  };
  await log('17');
  await line(page).fill('22');
  // held down, the key logs once and answers nothing
  for (let i = 0; i < 3; i += 1) await page.keyboard.down('Enter');
  await page.keyboard.up('Enter');
  await expect(heading(page, 'Cylinder 1, top ring')).toBeVisible();
  await expect(page.getByRole('main')).toContainText('17 thou before, 22 thou now, and no cut is logged.');
  await expect(rings(page)).toContainText('0/16');
  await page.keyboard.press('Enter');
  await expect(heading(page, 'Cylinder 1, second ring')).toBeVisible();
  await expect(rings(page)).toContainText('1/16');
  await expect
    .poll(async () => (await kept(server, id, 'filed')).map((e) => e.kind === 'filed' && e.was))
    .toEqual([true]);
  // not filed: they disagree
  await log('19');
  await log('24');
  await page.keyboard.press('f');
  await expect(page.getByRole('main')).toContainText('The readings disagree: 19 thou and 24 thou');
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(page.locator('#line-said')).toContainText('whether it was filed is asked again');
  // by touch, and where it was in its window already only by its own key
  await page.getByRole('button', { name: /^Filed since/ }).click();
  await expect(rings(page)).toContainText('2/16');
  await page.keyboard.press('ArrowUp');
  await page.keyboard.press('ArrowRight');
  await expect(heading(page, 'Cylinder 1, second ring')).toBeVisible();
  await log('26.5');
  await page.keyboard.press('Enter');
  await expect(rings(page)).toContainText('1/16');
  await log('c');
  await expect(rings(page)).toContainText('2/16');
  await page.keyboard.press('ArrowUp');
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('main')).toContainText('cut before it, not logged');
});

test('read, cut, read, done in twelve keys, and the next cut is advised in turns', async ({ page, server }) => {
  const id = await open(page, server);
  await page.getByRole('combobox', { name: 'Filer' }).selectOption({ label: 'Hand ring filer' });
  await line(page).focus();
  const keys = ['1', '2', 'Enter', 'c', '1', '0', 'Enter', 'd', 's', '2', '1', 'Enter'];
  for (const key of keys) await page.keyboard.press(key);
  expect(keys).toHaveLength(12);
  await expect(heading(page, 'Cylinder 1, second ring')).toBeVisible();
  await expect(rings(page)).toContainText('1/16');
  await expect
    .poll(async () => kept(server, id, 'cut'))
    .toMatchObject([{ ring: 'top', cylinder: 'L1', count: 10, filer: 'filer-hand.1' }]);
  await expect
    .poll(async () => kept(server, id, 'reading'))
    .toMatchObject([
      { fit: { deburred: false, squared: false } },
      { fit: { ring: 'L1', deburred: true, squared: true } },
    ]);
  await page.keyboard.type('13');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('region', { name: 'Next cut' })).toContainText(
    /Next cut: \d+ turns, about .* chance to pass the window/,
  );
});

test('the rings of a whole V10, filed by keyboard alone', async ({ page, server }) => {
  const id = await open(page, server, [], { engine: { ...job.engine, cylinders: 10 } });
  for (let ring = 0; ring < 20; ring += 1) {
    const [short, cut, done] = ring % 2 ? ['15', 'c15', '24'] : ['14', 'c14', '22'];
    for (const typed of [short, cut]) {
      await page.keyboard.type(typed);
      await page.keyboard.press('Enter');
    }
    await page.keyboard.press('d');
    await page.keyboard.press('s');
    await page.keyboard.type(done);
    await page.keyboard.press('Enter');
    await expect(rings(page)).toContainText(`${ring + 1}/20`);
  }
  await expect.poll(async () => (await kept(server, id, 'reading')).length).toBe(40);
  expect((await kept(server, id, 'cut')).length).toBe(20);
  await page.reload();
  await expect(rings(page)).toContainText('20/20');
});

test('an over-gapped ring and a tight one change places, each explained, and back in one step', async ({
  page,
  server,
}) => {
  const id = await open(page, server, [
    ...bore('L1', 4.066),
    ...bore('R1', 4.065),
    gap('a', 'L1', 'top', 28),
    gap('b', 'R1', 'top', 18),
  ]);
  await page.getByRole('tab', { name: 'Swap' }).click();
  const placing = page.getByRole('status', { name: 'Placing' });
  await expect(placing).toContainText('Ring 1 to cylinder 2: 28 thou becomes 25.4 thou, loose');
  await expect(placing).toContainText('Ring 2 to cylinder 1: 18 thou becomes 21.6 thou, in window');
  await page.getByRole('button', { name: 'Ring of cylinder 1 stays' }).click();
  await expect(placing).toContainText('Leave them where they are');
  await page.getByRole('button', { name: 'Ring of cylinder 1 stays' }).click();
  await page.getByRole('button', { name: 'Place them so' }).click();
  await expect
    .poll(async () => (await kept(server, id, 'placing')).at(-1))
    .toMatchObject({ value: { top: { pairs: expect.arrayContaining([{ cylinder: 'L1', ring: 'R1' }]) as unknown } } });
  await page.getByRole('tab', { name: 'Bench' }).click();
  await page
    .getByRole('link', { name: /^Cylinder 1,|^Cylinder 1:/ })
    .or(page.getByRole('button', { name: /^Cylinder 1\b/ }))
    .first()
    .click();
  await expect(page.getByText('ring no. 2')).toBeVisible();
  await expect(page.getByText('Predicted from cylinder 2.').first()).toBeVisible();
  await page.getByRole('tab', { name: 'Swap' }).click();
  await page.getByRole('button', { name: 'Undo the last placing' }).click();
  await expect(placing).toContainText('Ring 1 to cylinder 2');
});

test('the ring set says which way up, the grooves are checked on the line, rails pass a leaf', async ({
  page,
  server,
}) => {
  const id = await open(page, server);
  await page.getByRole('tab', { name: 'Ring set' }).click();
  await page.getByLabel('Top ring: faces up with').selectOption({ label: 'a word, often “TOP”' });
  await page.getByLabel('Top ring: metal').selectOption({ label: 'chromium-silicon steel' });
  await page.getByLabel('Top ring: axial height, in').fill('0.0575');
  await page.getByLabel('Top ring: groove height, in').fill('0.059');
  await expect(page.getByText('groove 0.05900 in − ring 0.05750 in = 1.5 thou')).toBeVisible();
  await page.getByRole('button', { name: 'Set the ring set' }).click();
  await expect.poll(async () => (await kept(server, id, 'ringSet')).length).toBe(1);
  await page.getByRole('tab', { name: 'Bench' }).click();
  await expect(page.getByText('“TOP” means this side up; it does not mean the top ring.')).toBeVisible();
  await page.getByRole('tab', { name: 'Grooves' }).click();
  await page.getByRole('button', { name: /^Piston 1, second groove, axial clearance/ }).click();
  await line(page).focus();
  await page.keyboard.type('1.5');
  await page.keyboard.press('Enter');
  await expect
    .poll(async () => kept(server, id, 'reading'))
    .toMatchObject([{ subject: 'secondSide', value: fromThou(1.5), fit: null }]);
  await page.getByRole('tab', { name: 'Bench' }).click();
  await page.getByRole('button', { name: 'upper rail' }).click();
  await line(page).focus();
  await page.keyboard.type('p15');
  await expect(page.locator('#line-said')).toContainText('passes');
  await page.keyboard.press('Enter');
  await expect
    .poll(async () => (await kept(server, id, 'reading')).at(-1))
    .toMatchObject({ subject: 'upperRail', value: fromThou(15), fit: { open: true } });
  await expect(page.getByRole('row', { name: /upper rail/ })).toContainText('in window');
});

test('all gaps against their windows, and how far they lie apart against a limit', async ({ page, server }) => {
  await open(page, server, [gap('a', 'L1', 'top', 21), gap('b', 'R1', 'top', 23.5)]);
  await page.getByRole('tab', { name: 'All gaps' }).click();
  await page.getByRole('radio', { name: 'top rings' }).click();
  const view = page.getByRole('tabpanel', { name: 'All gaps' });
  await expect(view).toContainText('2.5 thou apart, 21 thou to 23.5 thou; more than the 2 thou');
  await expect(view.getByRole('img')).toBeVisible();
  await page.getByRole('tab', { name: 'Set-up' }).click();
  await page.getByLabel('Gaps of one kind lie within, thou').fill('3');
  await page.getByRole('button', { name: 'Set what is asked' }).click();
  await page.getByRole('tab', { name: 'All gaps' }).click();
  await expect(view).toContainText('within the 3 thou');
});

test('large figures stay over a reload; the verdict is spoken only once that is turned on', async ({
  page,
  server,
}) => {
  await page.addInitScript(() => {
    const spoken: string[] = [];
    Object.assign(window, { spoken });
    Object.defineProperty(window, 'speechSynthesis', {
      value: { cancel: () => undefined, speak: (u: SpeechSynthesisUtterance) => spoken.push(u.text) },
    });
    Object.defineProperty(window, 'SpeechSynthesisUtterance', {
      value: class {
        constructor(public text: string) {}
      },
    });
  });
  await open(page, server);
  await page.keyboard.type('22');
  await page.keyboard.press('Enter');
  await expect(heading(page, 'Cylinder 1, second ring')).toBeVisible();
  expect(await page.evaluate('spoken')).toEqual([]);
  await page.getByRole('tab', { name: 'Set-up' }).click();
  await page.getByLabel('The reading and its verdict spoken').check();
  await page.getByRole('tab', { name: 'Bench' }).click();
  await page.getByRole('button', { name: 'Large' }).click();
  await line(page).focus();
  await page.keyboard.type('20');
  await page.keyboard.press('Enter');
  await expect.poll(() => page.evaluate('spoken')).toEqual(['Cylinder 1, second ring: 20 thou, short.']);
  await page.reload();
  await expect(page.getByRole('button', { name: 'Large' })).toHaveAttribute('aria-pressed', 'true');
  await expect(page.getByRole('region', { name: 'Readings of this ring' })).toHaveCount(0);
});

test('a filer’s rate learnt on one engine is there on the next', async ({ page, server }) => {
  const first = await open(page, server);
  await page.getByRole('combobox', { name: 'Filer' }).selectOption({ label: 'Fine file' });
  await line(page).focus();
  for (const typed of ['12', 'c20', '17', 'c18', '22']) {
    await page.keyboard.type(typed);
    await page.keyboard.press('Enter');
  }
  await expect(heading(page, 'Cylinder 1, second ring')).toBeVisible();
  await expect.poll(async () => (await kept(server, first, 'reading')).length).toBe(3);
  const next = await open(page, server);
  await page.keyboard.type('12');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('region', { name: 'Next cut' })).toContainText('Not enough data of Fine file');
  await page.keyboard.type('c5');
  await page.keyboard.press('Enter');
  await expect
    .poll(async () => kept(server, next, 'rate'))
    .toMatchObject([{ filer: 'filer-file', metal: 'unknown', sums: { cuts: 2, xx: 724 } }]);
});

test('the server is killed again and again while rings are logged: none lost, none twice', async ({ page, server }) => {
  const kills = Number(process.env.KILLS ?? 4);
  test.setTimeout(60_000 + kills * 10_000);
  const id = await open(page, server);
  for (let i = 0; i < kills; i += 1) {
    await page.keyboard.type(i % 2 ? 'c3' : '12');
    await page.keyboard.press('Enter');
    await server.kill();
    for (const typed of ['c4', '13']) {
      await page.keyboard.type(typed);
      await page.keyboard.press('Enter');
    }
    await server.start();
  }
  await expect
    .poll(
      async () => (await server.record(id)).entries.filter((e) => e.kind === 'cut' || e.kind === 'reading').length,
      { timeout: 30_000 },
    )
    .toBe(3 * kills);
  const { entries } = await server.record(id);
  expect(new Set(entries.map((e) => e.id)).size).toBe(entries.length);
});
