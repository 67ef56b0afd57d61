/** Access and safety of every main view, each visited once: axe, sizes of screen, nothing from outside, headers, weight. */
import { gzipSync } from 'node:zlib';
import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { expect, test } from './server';

interface View {
  path: string;
  /** Its tabs, each a view of its own; none where it has none. */
  tabs: readonly string[];
}

const plain = (...paths: string[]): View[] => paths.map((path) => ({ path, tabs: [] }));
const TARGET_TABS = ['Figures', 'Windows, schools', 'Heat', 'Chart'];

/** Every view, on the build that fills it. */
const VIEWS: View[] = [
  ...plain('/', '/new', '/nothing-here', '/gap?bore=4in&use=race&piston=hypereutectic'),
  ...plain('/charts', '/charts/starting', '/instruments'),
  ...plain('/builds/demo-corrie-v10/job', '/builds/demo-corrie-v10/rings', '/builds/demo-tarn-five/sheet'),
  ...plain('/builds/demo-linn-triple/targets', '/builds/demo-scarp-v-twin/targets'),
  { path: '/builds/demo-tarn-five/targets', tabs: TARGET_TABS },
  {
    path: '/builds/demo-mere-four/bores',
    tabs: ['Readings', 'Shapes', 'Next size', 'Gauge set-up', 'Grid and limits'],
  },
  { path: '/builds/demo-corrie-v10/pistons', tabs: ['Readings', 'Pairing', 'Gauge point, pins'] },
  { path: '/builds/demo-tarn-five/rings', tabs: ['Bench', 'All gaps', 'Swap', 'Ring set', 'Grooves', 'Set-up'] },
  { path: '/builds/demo-corrie-v10/clocking', tabs: ['Plan', 'All crowns', 'Rules', 'Place', 'Engine', 'Card'] },
  { path: '/builds/demo-tarn-five/assembly', tabs: ['At the block', 'Crank and rods'] },
];

const SCREENS = [
  ['tablet', 820, 1180],
  ['phone', 390, 844],
  ['desk', 1280, 800],
] as const;

const TAGS = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'];

test.beforeEach(async ({ server }) => {
  await server.putDemo();
});

/** Nothing of the page runs off the side, at any size of screen; `within` a stage's main part, where that has to fit too. */
async function fits(page: Page, what: string, within: boolean): Promise<void> {
  for (const [name, width, height] of SCREENS) {
    await page.setViewportSize({ width, height });
    const over = (): Promise<number[]> =>
      page.evaluate((inMain) => {
        const main = inMain ? document.querySelector('main') : null;
        const { scrollWidth, clientWidth } = document.documentElement;
        return [scrollWidth - clientWidth, main ? main.scrollWidth - main.clientWidth : 0];
      }, within);
    await expect.poll(over, { message: `${what} on a ${name}` }).toEqual([0, 0]);
  }
}

async function axeFindsNothing(page: Page, what: string, rules: string[] = []): Promise<void> {
  const axe = new AxeBuilder({ page });
  const { violations } = await (rules.length > 0 ? axe.withRules(rules) : axe.withTags(TAGS)).analyze();
  const found = violations.map((v) => `${what}: ${v.id} ${v.nodes.map((n) => n.target.join(' ')).join(' | ')}`);
  expect(found).toEqual([]);
}

/** What a page asks of others, and what it complains of. */
function watched(page: Page, own: string): string[] {
  const wrong: string[] = [];
  page.on('request', (request) => {
    const url = new URL(request.url());
    if (url.origin !== own && url.protocol !== 'data:' && url.protocol !== 'blob:') wrong.push(request.url());
  });
  page.on('console', (message) => {
    if (message.type() === 'error' && !message.text().includes('404')) wrong.push(message.text());
  });
  page.on('pageerror', (error) => wrong.push(error.message));
  return wrong;
}

for (const { path, tabs } of VIEWS)
  test(`${path}: axe finds nothing, nothing runs off the side, nothing comes from outside`, async ({
    page,
    server,
  }) => {
    const wrong = watched(page, server.url);
    await page.goto(server.url + path, { waitUntil: 'networkidle' });
    await expect(page.getByRole('main')).toBeVisible();
    if (tabs.length === 0) {
      await axeFindsNothing(page, path);
      await fits(page, path, false);
    }
    for (const tab of tabs) {
      await page.getByRole('tab', { name: tab, exact: true }).click();
      await expect(page.getByRole('tabpanel', { name: tab })).not.toContainText('Working it out');
      await axeFindsNothing(page, `${path} ${tab}`);
      await fits(page, `${path} ${tab}`, true);
    }
    expect(wrong).toEqual([]);
  });

for (const path of ['/builds/demo-tarn-five/rings', '/builds/demo-corrie-v10/clocking'])
  test(`${path} in the dim theme: axe finds nothing to say of its colours`, async ({ page, context, server }) => {
    await context.addCookies([{ name: 'spatium-theme', value: 'dim', url: server.url }]);
    await page.goto(server.url + path, { waitUntil: 'networkidle' });
    await expect(page.locator('html')).toHaveAttribute('data-theme', 'dim');
    await expect(page.getByRole('main')).toBeVisible();
    await axeFindsNothing(page, path, ['color-contrast']);
  });

test('axe finds nothing on what opens over the bench', async ({ page, server }) => {
  await page.goto(`${server.url}/builds/demo-tarn-five/rings`);
  await expect(page.getByRole('region', { name: 'Reading line' }).getByRole('textbox')).toBeFocused();
  await page.keyboard.type('220');
  await expect(page.getByText('did you mean 22 thou?')).toBeVisible();
  await axeFindsNothing(page, 'a question');
  await page.keyboard.press('Escape');
  await page
    .getByRole('button', { name: /^Strike out/ })
    .first()
    .click();
  await expect(page.getByRole('dialog')).toBeVisible();
  await axeFindsNothing(page, 'strike out');
});

test('axe finds nothing on what opens over the targets', async ({ page, server }) => {
  await page.goto(`${server.url}/builds/demo-tarn-five/targets`, { waitUntil: 'networkidle' });
  await page.getByRole('button', { name: 'Enter service manual' }).click();
  await axeFindsNothing(page, 'manual');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Enter own figure' }).click();
  await axeFindsNothing(page, 'own figure');
  await page.keyboard.press('Escape');
  await page.getByRole('tab', { name: 'Heat' }).click();
  await page.getByText('What is assumed:').click();
  await page
    .getByRole('button', { name: /^why minimum/ })
    .first()
    .click();
  await expect(page.getByRole('dialog')).toBeVisible();
  await axeFindsNothing(page, 'heat, why');
});

test('axe finds nothing on a chart’s parts and versions, nor on a tool, nor on a build being taken off', async ({
  page,
  server,
}) => {
  await page.goto(`${server.url}/charts/starting`, { waitUntil: 'networkidle' });
  await page.getByRole('button', { name: 'marine or towing, long full load' }).click();
  await axeFindsNothing(page, 'duty in hand');
  await page.getByRole('button', { name: /^hypereutectic, high ring/ }).click();
  await axeFindsNothing(page, 'piston in hand');
  await page.getByRole('button', { name: 'Versions' }).click();
  await axeFindsNothing(page, 'versions');
  await page.goto(`${server.url}/instruments`, { waitUntil: 'networkidle' });
  await page.getByRole('button', { name: 'Edit Bore gauge, inches' }).click();
  await axeFindsNothing(page, 'a tool');
  await page.goto(server.url, { waitUntil: 'networkidle' });
  await page.getByRole('button', { name: /^Take Tarn five/ }).click();
  await axeFindsNothing(page, 'take off the shelf');
});

test('every answer carries the security headers', async ({ server }) => {
  for (const path of ['/', '/builds/demo-tarn-five/rings', '/api/builds']) {
    const { headers } = await fetch(server.url + path);
    expect(headers.get('x-content-type-options')).toBe('nosniff');
    expect(headers.get('x-frame-options')).toBe('DENY');
    expect(headers.get('content-security-policy')).toMatch(
      /default-src 'self'.*script-src 'self' 'nonce-[^']+' 'strict-dynamic'/,
    );
    expect(headers.get('x-powered-by')).toBeNull();
  }
});

/** What a view may load, compressed, in kB: JavaScript alone. */
const WEIGHTS: [string, number][] = [
  ['/', 190],
  ['/new', 225],
  ['/builds/demo-tarn-five/job', 225],
  ['/builds/demo-tarn-five/targets', 240],
  ['/builds/demo-tarn-five/bores', 240],
  ['/builds/demo-corrie-v10/pistons', 240],
  ['/builds/demo-tarn-five/rings', 240],
  ['/builds/demo-tarn-five/clocking', 240],
  ['/builds/demo-tarn-five/assembly', 240],
  ['/builds/demo-tarn-five/sheet', 225],
];

for (const [path, most] of WEIGHTS)
  test(`${path} loads less than ${most} kB of compressed JavaScript`, async ({ page, server }) => {
    const sizes: Promise<number>[] = [];
    page.on('response', (response) => {
      if (response.url().endsWith('.js')) sizes.push(response.body().then((body) => gzipSync(body).length));
    });
    await page.goto(server.url + path, { waitUntil: 'networkidle' });
    await expect(page.getByRole('main')).toBeVisible();
    await page.waitForLoadState('networkidle');
    const total = (await Promise.all(sizes)).reduce((sum, size) => sum + size, 0);
    expect(total).toBeGreaterThan(100_000);
    expect(total / 1000).toBeLessThan(most);
  });

test('the theme is kept from one page to the next', async ({ page, server }) => {
  await page.goto(server.url);
  await page.getByRole('button', { name: 'Change to dim workshop' }).click();
  await page.goto(`${server.url}/new`);
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'dim');
  await page.getByRole('button', { name: 'Change to light' }).click();
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'light');
});
