/**
 * No figure that was called is lost: random figures, right, doubtful and none at all, typed wherever the focus is, over
 * spells without a server, reloads, other views and stages, in two windows. A tenth of them in `npm test`, all in
 * `npm run soak`; SEQUENCES sets how many: 5,000 take about half an hour.
 */
import { isWhole } from '../src/fixtures/runs';
import type { BrowserContext, Page } from '@playwright/test';
import { randomFrom } from '../src/core/models/heat/random';
import { jobEntry } from '../src/fixtures/records';
import { type Server, expect, test } from './server';

const SEQUENCES = Number(process.env.SEQUENCES ?? (isWhole ? 60 : 6));
/** As many on one build: what is asked about waits in a list, and nobody lets it grow to thousands. */
const EACH = 250;
const SEED = Number(process.env.SEED ?? 1);

test.setTimeout(120_000 + Math.min(SEQUENCES, EACH) * 3_000);

const line = (page: Page) => page.getByRole('region', { name: 'Reading line' }).getByRole('textbox');

/** Places for the focus to be, as a hand or a mouse leaves it. */
const FOCUS: ((page: Page) => Promise<void>)[] = [
  (page) => line(page).focus(),
  (page) => page.getByRole('complementary').getByRole('combobox').first().focus(),
  (page) => page.getByRole('radio', { name: 'thou', exact: true }).focus(),
  (page) => page.getByRole('heading', { level: 1 }).first().click(),
  (page) => page.locator('[data-cylinder="R2"]').click(),
  (page) => page.getByRole('button', { name: 'Keypad' }).focus(),
  (page) => page.getByRole('tab', { name: 'All gaps' }).click(),
  (page) => page.getByRole('tab', { name: 'Set-up' }).click(),
];

interface Bench {
  page: Page;
  context: BrowserContext;
  server: Server;
  id: string;
}

async function ready(page: Page): Promise<void> {
  await expect(page.getByRole('complementary')).not.toBeEmpty();
  if (!(await line(page).isVisible())) await page.getByRole('tab', { name: 'Bench' }).click();
  await expect(line(page)).toBeVisible();
}

/** Figures on record, waiting in this browser, put by, or on a line: everything that was called and is somewhere. */
async function kept({ page, server, id }: Bench, others: Page[]): Promise<string[]> {
  const record = await server.record(id);
  const logged = record.entries.flatMap((e) => (e.kind === 'reading' ? [e.typed] : []));
  const stored = await page.evaluate((build) => {
    const list = JSON.parse(localStorage.getItem(`spatium-not-logged:${build}`) || '[]') as { typed: string }[];
    const waiting = JSON.parse(localStorage.getItem(`spatium-outbox:${build}`) ?? '[]') as { typed?: string }[];
    return [...list, ...waiting].map((item) => item.typed ?? '');
  }, id);
  const onLines = await Promise.all([page, ...others].map((p) => line(p).inputValue()));
  return [...logged, ...stored, ...onLines];
}

for (let run = 0; run * EACH < SEQUENCES; run += 1)
  test(`${Math.min(EACH, SEQUENCES - run * EACH)} random figures, seed ${SEED + run}: none is lost`, async ({
    page,
    context,
    server,
  }) => {
    const id = `figures-${SEED + run}`;
    await server.put({ id, entries: [jobEntry({ name: 'Called out' })] });
    const random = randomFrom(SEED + run);
    const pick = (count: number): number => Math.floor(random.uniform() * count);
    const second = await context.newPage();
    for (const p of [second, page]) {
      await p.goto(`${server.url}/builds/${id}/rings`);
      await ready(p);
    }
    const called: string[] = [];
    let offline = false;
    for (let i = 0; i < Math.min(EACH, SEQUENCES - run * EACH); i += 1) {
      const at = pick(6) === 0 ? second : page;
      await at.bringToFront();
      const what = pick(10);
      if (what === 0) {
        offline = !offline;
        await context.setOffline(offline);
      } else if (what === 1 && !offline) {
        await at.reload();
        await ready(at);
      } else if (what === 2) {
        await at.getByRole('link', { name: /^Bores/ }).click();
        // a stage that was never opened may not have come yet when the network goes: then that is said
        await expect(line(at).or(at.getByText('This part could not be loaded'))).toBeVisible();
        await at.getByRole('link', { name: /^Rings/ }).click();
        await ready(at);
      }
      await (FOCUS[pick(FOCUS.length)] ?? ready)(at);
      // a figure of its own each time: right, ten times too large, or none at all
      const own = (12 + (i % 1_000) / 100 + Math.floor(i / 1_000)).toFixed(2);
      const figure = [own, own, own, `${Number(own) * 10}${i}`, `${own}x${i}`][pick(5)] ?? own;
      called.push(figure);
      await at.keyboard.type(figure);
      const end = pick(4);
      await at.keyboard.type(end === 0 ? ';' : '\n');
    }
    await context.setOffline(false);
    const bench: Bench = { page, context, server, id };
    await expect
      .poll(
        async () => {
          const found = await kept(bench, [second]);
          return called.filter((figure) => !found.includes(figure));
        },
        { timeout: 60_000 },
      )
      .toEqual([]);
  });
