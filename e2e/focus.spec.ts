/** The focus is never hidden: every stop of every view, zoomed to twice its size and on a phone; and keys for all of it. */
import type { Page } from '@playwright/test';
import { expect, test } from './server';

const VIEWS = [
  '/',
  '/new',
  '/gap',
  '/charts',
  '/instruments',
  '/builds/demo-corrie-v10/job',
  '/builds/demo-tarn-five/targets',
  '/builds/demo-tarn-five/bores',
  '/builds/demo-tarn-five/pistons',
  '/builds/demo-tarn-five/journals',
  '/builds/demo-tarn-five/rings',
  '/builds/demo-tarn-five/clocking',
  '/builds/demo-tarn-five/assembly',
  '/builds/demo-tarn-five/assembly?view=tightening',
  '/builds/demo-corrie-v10/assembly?view=masses',
  '/builds/demo-tarn-five/sheet',
];

/** Every stop of the focus, and those of them that something else covers or that lie out of sight. */
async function walk(page: Page): Promise<{ stops: number; hidden: string[] }> {
  const hidden: string[] = [];
  const seen = new Set<string>();
  await page.evaluate(() => {
    document.querySelector<HTMLElement>('a[href="#main"]')?.focus();
  });
  for (let i = 0; i < 250; i += 1) {
    await page.keyboard.press('Tab');
    const stop = await page.evaluate(async () => {
      const at = document.activeElement;
      if (!(at instanceof HTMLElement || at instanceof SVGElement) || at === document.body) return null;
      const all = [...document.querySelectorAll('*')];
      // some part of it has to be in sight, and not under anything else
      const isInSight = (): boolean => {
        const box = at.getBoundingClientRect();
        const [w, h] = [window.innerWidth, window.innerHeight];
        const points = [0.15, 0.5, 0.85].flatMap((x) =>
          [0.15, 0.5, 0.85].map((y) => [box.left + box.width * x, box.top + box.height * y] as const),
        );
        return points.some(([x, y]) => {
          if (x < 0 || y < 0 || x >= w || y >= h) return false;
          const on = document.elementFromPoint(x, y);
          return on !== null && (at.contains(on) || on.contains(at) || on.closest('label')?.contains(at) === true);
        });
      };
      const name = `${at.tagName} ${at.getAttribute('aria-label') ?? at.textContent.trim().slice(0, 40)}`;
      let inSight = isInSight();
      if (!inSight) {
        // what came later than the page may have moved it: it is come to once more, with the page at rest
        await new Promise((rested) => {
          requestIdleCallback(rested, { timeout: 2_000 });
        });
        at.blur();
        at.focus();
        inSight = isInSight();
      }
      return { id: `${all.indexOf(at)}`, name, inSight };
    });
    if (!stop || seen.has(stop.id)) break;
    seen.add(stop.id);
    if (!stop.inSight) hidden.push(stop.name);
  }
  return { stops: seen.size, hidden };
}

test.beforeEach(async ({ server }) => {
  await server.putDemo();
});

for (const [what, width, height] of [
  ['zoomed to twice its size', 640, 400],
  ['on a phone', 390, 844],
] as const)
  test(`no stop of the focus is hidden, ${what}`, async ({ page, server }) => {
    await page.setViewportSize({ width, height });
    for (const path of VIEWS) {
      await page.goto(server.url + path, { waitUntil: 'networkidle' });
      await expect(page.getByRole('main')).toBeVisible();
      const beside = page.getByRole('complementary').first();
      if ((await beside.count()) > 0) await expect(beside).not.toBeEmpty();
      const { stops, hidden } = await walk(page);
      expect(hidden, path).toEqual([]);
      expect(stops, path).toBeGreaterThan(5);
    }
  });

test('the first stop skips to the work; keys lead from stage to stage; a sheet tells of all keys and words', async ({
  page,
  server,
}) => {
  await page.goto(`${server.url}/builds/demo-tarn-five/rings`);
  const line = page.getByRole('region', { name: 'Reading line' }).getByRole('textbox');
  await expect(line).toBeFocused();
  await page.keyboard.press(']');
  await expect(page).toHaveURL(/\/clocking/);
  await page.keyboard.press('[');
  await expect(line).toBeFocused();
  await page.keyboard.press('Alt+Shift+Digit3');
  await expect(page).toHaveURL(/\/bores/);
  await expect(line).toBeFocused();
  // on the line a figure is typed, not a key pressed
  await page.keyboard.type('4.0]');
  await expect(page).toHaveURL(/\/bores/);
  await page.keyboard.press('Escape');
  await page.keyboard.press('?');
  const sheet = page.getByRole('dialog', { name: 'Keys and words' });
  await expect(sheet).toContainText('cylinder before, cylinder after');
  await sheet.getByRole('tab', { name: 'Words' }).click();
  await expect(sheet).toContainText('thrust face');
  await page.keyboard.press('Escape');
  await expect(sheet).toBeHidden();
  await page.goto(server.url);
  await page.keyboard.press('Tab');
  await expect(page.getByRole('link', { name: 'Skip to the work' })).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('main')).toBeFocused();
});

test('at a desk the page itself never scrolls: the line stays at its foot, whatever is asked or put by', async ({
  page,
  server,
}) => {
  for (const stage of ['bores', 'pistons', 'rings']) {
    await page.goto(`${server.url}/builds/demo-corrie-v10/${stage}`);
    await expect(page.getByRole('complementary')).not.toBeEmpty();
    await expect(page.getByRole('region', { name: 'Reading line' }).getByRole('textbox')).toBeFocused();
    await page.keyboard.type('777\n7x7\n12');
    await expect(page.getByRole('region', { name: 'Not logged yet' })).toBeVisible();
    const over = () =>
      page.evaluate(() => [document.documentElement.scrollHeight - window.innerHeight, window.scrollY]);
    await expect.poll(over, { message: stage }).toEqual([0, 0]);
  }
});

/** What can be pressed and is smaller than a fingertip: under 44 px either way, but for links within a sentence. */
const small = (page: Page): Promise<string[]> =>
  page.evaluate(() =>
    [
      ...document.querySelectorAll(
        'button, a[href], input, select, textarea, summary, [role="tab"], [role="slider"], [role="radio"]',
      ),
    ].flatMap((at) => {
      const box = (at.closest('label') ?? at).getBoundingClientRect();
      const { display, visibility } = getComputedStyle(at);
      const isWithinText = at.tagName === 'A' && display === 'inline';
      if (box.width * box.height === 0 || visibility === 'hidden' || isWithinText || at.closest('.sr-only')) return [];
      return box.width < 43.5 || box.height < 43.5
        ? [`${at.getAttribute('aria-label') ?? at.textContent.trim()} ${box.width.toFixed()}×${box.height.toFixed()}`]
        : [];
    }),
  );

/** Views behind a tab that are pressed at the bench. */
const BEHIND = [
  '/builds/demo-tarn-five/bores?view=supplied',
  '/builds/demo-tarn-five/bores?view=grid',
  '/builds/demo-tarn-five/bores?view=gauge',
  '/builds/demo-tarn-five/pistons?view=pairing',
  ...['shells', 'play', 'looks', 'manual'].map((view) => `/builds/demo-tarn-five/journals?view=${view}`),
  '/builds/demo-tarn-five/rings?view=grooves',
  '/builds/demo-tarn-five/rings?view=setup',
  '/builds/demo-tarn-five/rings?view=swap',
  ...['order', 'turning', 'masses', 'short'].map((view) => `/builds/demo-tarn-five/assembly?view=${view}`),
];

test.describe('by touch', () => {
  test.use({ viewport: { width: 820, height: 1180 }, hasTouch: true, isMobile: true });

  test('everything that is pressed is as large as a fingertip', async ({ page, server }) => {
    for (const path of [...VIEWS, ...BEHIND]) {
      await page.goto(server.url + path, { waitUntil: 'networkidle' });
      await expect(page.getByRole('main')).toBeVisible();
      const beside = page.getByRole('complementary').first();
      if ((await beside.count()) > 0) await expect(beside).not.toBeEmpty();
      expect(await small(page), path).toEqual([]);
    }
  });
});

test('a word of the trade says what it means where it stands; a crown that is only looked at names its joints', async ({
  page,
  server,
}) => {
  await page.goto(`${server.url}/builds/demo-tarn-five/bores`);
  await page.getByRole('button', { name: /^taper ?: what it means/ }).click();
  const meaning = page.getByRole('dialog', { name: 'What taper means' });
  await expect(meaning).toContainText('How much a bore changes from the top to the bottom,');
  await page.keyboard.press('Escape');
  await expect(meaning).toBeHidden();
  await expect(page.getByRole('button', { name: /^taper ?: what it means/ })).toBeFocused();
  await page.goto(`${server.url}/builds/demo-tarn-five/clocking?view=card`);
  await expect(
    page.getByRole('img', { name: /top ring gap \d+°, second ring gap \d+°, upper rail gap/ }).first(),
  ).toBeVisible();
});
