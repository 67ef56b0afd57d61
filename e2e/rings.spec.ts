/** The ring bench: a whole engine by keyboard, large figures and speech, what is learnt of a filer, a server that is killed. */
import type { Page } from '@playwright/test';
import { isWhole } from '../src/fixtures/runs';
import type { Entry } from '../src/core/judge/buildRecord';
import { jobEntry, job } from '../src/fixtures/records';
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

/** Of ten cylinders in `npm run soak`. */
const VEE = isWhole ? 10 : 4;

test('the rings of a whole engine, filed by keyboard alone', async ({ page, server }) => {
  const id = await open(page, server, [], { engine: { ...job.engine, cylinders: VEE } });
  for (let ring = 0; ring < 2 * VEE; ring += 1) {
    const [short, cut, done] = ring % 2 ? ['15', 'c15', '24'] : ['14', 'c14', '22'];
    for (const typed of [short, cut]) {
      await page.keyboard.type(typed);
      await page.keyboard.press('Enter');
    }
    await page.keyboard.press('d');
    await page.keyboard.press('s');
    await page.keyboard.type(done);
    await page.keyboard.press('Enter');
    await expect(rings(page)).toContainText(`${ring + 1}/${2 * VEE}`);
  }
  await expect.poll(async () => (await kept(server, id, 'reading')).length).toBe(4 * VEE);
  expect((await kept(server, id, 'cut')).length).toBe(2 * VEE);
  await page.reload();
  await expect(rings(page)).toContainText(`${2 * VEE}/${2 * VEE}`);
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
