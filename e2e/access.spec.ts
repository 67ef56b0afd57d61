/** Access and safety of every main view: axe, sizes of screen, nothing from outside, headers, weight. */
import { gzipSync } from 'node:zlib';
import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { expect, test } from './server';

const VIEWS = [
  '/',
  '/new',
  '/nothing-here',
  '/gap?bore=4in&use=race&piston=hypereutectic',
  '/charts',
  '/charts/starting',
  '/instruments',
  '/builds/demo-mere-four/bores',
  '/builds/demo-linn-triple/targets',
  '/builds/demo-scarp-v-twin/targets',
  ...['job', 'targets', 'bores', 'pistons', 'rings', 'clocking', 'assembly', 'sheet'].flatMap((stage) => [
    `/builds/demo-tarn-five/${stage}`,
    `/builds/demo-corrie-v10/${stage}`,
  ]),
];

test.beforeEach(async ({ server }) => {
  await server.putDemo();
});

type Theme = 'light' | 'dim';
const THEMES: Theme[] = ['light', 'dim'];
const TAGS = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'];

/** All rules by day; in the dim theme only colours differ, so there the rule about them. */
const axe = (page: Page, theme: Theme): AxeBuilder =>
  theme === 'light' ? new AxeBuilder({ page }).withTags(TAGS) : new AxeBuilder({ page }).withRules(['color-contrast']);

for (const theme of THEMES)
  test(`axe finds nothing on any view, ${theme}`, async ({ page, context, server }) => {
    test.setTimeout(180_000);
    await context.addCookies([{ name: 'spatium-theme', value: theme, url: server.url }]);
    for (const view of VIEWS) {
      await page.goto(server.url + view);
      await expect(page.locator('html')).toHaveAttribute('data-theme', theme);
      const { violations } = await axe(page, theme).analyze();
      expect(
        violations.map((v) => `${view}: ${v.id} ${v.nodes.map((node) => node.target.join(' ')).join(' | ')}`),
      ).toEqual([]);
    }
  });

test('axe finds nothing on what opens over a view', async ({ page, server }) => {
  const check = async (): Promise<void> => {
    const { violations } = await new AxeBuilder({ page }).analyze();
    expect(violations.map((v) => `${v.id} ${v.nodes.map((node) => node.target.join(' ')).join(' | ')}`)).toEqual([]);
  };
  await page.goto(`${server.url}/builds/demo-tarn-five/targets`);
  await page.getByRole('button', { name: 'Enter service manual' }).click();
  await check();
  await page.goto(`${server.url}/builds/demo-tarn-five/rings`);
  await expect(page.getByRole('region', { name: 'Reading line' }).getByRole('textbox')).toBeFocused();
  await page.keyboard.type('220');
  await expect(page.getByText('did you mean 22 thou?')).toBeVisible();
  await check();
  await page.keyboard.press('Escape');
  await page
    .getByRole('button', { name: /^Strike out/ })
    .first()
    .click();
  await check();
  await page.goto(server.url);
  await page.getByRole('button', { name: /^Take Tarn five/ }).click();
  await check();
});

const TABS = ['Figures', 'Windows, schools', 'Heat', 'Chart'];
/** Stages with views of their own, on builds that fill them. */
const STAGE_TABS = [
  ['/builds/demo-mere-four/bores', ['Readings', 'Shapes', 'Next size', 'Gauge set-up', 'Grid and limits']],
  ['/builds/demo-corrie-v10/pistons', ['Readings', 'Pairing', 'Gauge point, pins']],
  ['/builds/demo-tarn-five/rings', ['Bench', 'All gaps', 'Swap', 'Ring set', 'Grooves', 'Set-up']],
  ['/builds/demo-corrie-v10/clocking', ['Plan', 'All crowns', 'Rules', 'Place', 'Engine', 'Card']],
  ['/builds/demo-tarn-five/assembly', ['At the block', 'Crank and rods']],
] as const;

for (const theme of THEMES)
  test(`axe finds nothing on the targets' tabs and what opens over them, ${theme}`, async ({
    page,
    context,
    server,
  }) => {
    await context.addCookies([{ name: 'spatium-theme', value: theme, url: server.url }]);
    const check = async (what: string): Promise<void> => {
      const { violations } = await axe(page, theme).analyze();
      expect(
        violations.map((v) => `${what}: ${v.id} ${v.nodes.map((node) => node.target.join(' ')).join(' | ')}`),
      ).toEqual([]);
    };
    await page.goto(`${server.url}/builds/demo-tarn-five/targets`, { waitUntil: 'networkidle' });
    for (const tab of TABS) {
      await page.getByRole('tab', { name: tab }).click();
      if (tab === 'Heat') await page.getByText('What is assumed:').click();
      await check(tab);
    }
    await page.getByRole('tab', { name: 'Heat' }).click();
    await page
      .getByRole('button', { name: /^why minimum/ })
      .first()
      .click();
    await check('why');
    await page.keyboard.press('Escape');
    await page.getByRole('tab', { name: 'Figures' }).click();
    await page.getByRole('button', { name: 'Enter own figure' }).click();
    await check('own figure');
    await page.goto(`${server.url}/charts/starting`, { waitUntil: 'networkidle' });
    await page.getByRole('button', { name: 'marine or towing, long full load' }).click();
    await check('duty in hand');
    await page.getByRole('button', { name: /^hypereutectic, high ring/ }).click();
    await check('piston in hand');
    await page.getByRole('button', { name: 'Versions' }).click();
    await check('versions');
  });

for (const theme of THEMES)
  test(`axe finds nothing on the views of bores, pistons, rings, clocking and assembly, nor on a tool, ${theme}`, async ({
    page,
    context,
    server,
  }) => {
    test.setTimeout(180_000);
    await context.addCookies([{ name: 'spatium-theme', value: theme, url: server.url }]);
    const check = async (what: string): Promise<void> => {
      const { violations } = await axe(page, theme).analyze();
      expect(
        violations.map((v) => `${what}: ${v.id} ${v.nodes.map((node) => node.target.join(' ')).join(' | ')}`),
      ).toEqual([]);
    };
    for (const [path, tabs] of STAGE_TABS) {
      await page.goto(server.url + path, { waitUntil: 'networkidle' });
      for (const tab of tabs) {
        await page.getByRole('tab', { name: tab }).click();
        await expect(page.getByRole('tabpanel', { name: tab })).not.toContainText('Working it out');
        await check(`${path} ${tab}`);
      }
    }
    await page.goto(`${server.url}/instruments`, { waitUntil: 'networkidle' });
    await page.getByRole('button', { name: 'Edit Bore gauge, inches' }).click();
    await check('a tool');
  });

for (const [name, width, height] of [
  ['desk', 1280, 800],
  ['tablet', 820, 1180],
  ['phone', 390, 844],
] as const)
  test(`no view runs off the side of a ${name}`, async ({ page, server }) => {
    test.setTimeout(180_000);
    await page.setViewportSize({ width, height });
    for (const view of VIEWS) {
      await page.goto(server.url + view);
      const over = await page.evaluate(
        () => document.documentElement.scrollWidth - document.documentElement.clientWidth,
      );
      expect(`${view} ${over}`).toBe(`${view} 0`);
    }
    for (const [path, tabs] of [['/builds/demo-tarn-five/targets', TABS] as const, ...STAGE_TABS]) {
      await page.goto(server.url + path, { waitUntil: 'networkidle' });
      for (const tab of tabs) {
        await page.getByRole('tab', { name: tab }).click();
        await expect(page.getByRole('tabpanel', { name: tab })).toBeVisible();
        const over = await page.evaluate(
          () => document.documentElement.scrollWidth - document.documentElement.clientWidth,
        );
        const inMain = await page.getByRole('main').evaluate((main) => main.scrollWidth - main.clientWidth);
        expect(`${path} ${tab} ${over} ${inMain}`).toBe(`${path} ${tab} 0 0`);
      }
    }
  });

test('nothing is loaded from outside, nothing breaks the policy, and no view complains', async ({ page, server }) => {
  test.setTimeout(180_000);
  const wrong: string[] = [];
  page.on('request', (request) => {
    const url = new URL(request.url());
    if (url.origin !== server.url && url.protocol !== 'data:' && url.protocol !== 'blob:') wrong.push(request.url());
  });
  page.on(
    'console',
    (message) => message.type() === 'error' && !message.text().includes('404') && wrong.push(message.text()),
  );
  page.on('pageerror', (error) => wrong.push(error.message));
  for (const view of VIEWS) await page.goto(server.url + view, { waitUntil: 'networkidle' });
  expect(wrong).toEqual([]);
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

test('the ring screen loads less than 250 kB of compressed JavaScript', async ({ page, server }) => {
  const sizes: Promise<number>[] = [];
  page.on('response', (response) => {
    if (response.url().endsWith('.js')) sizes.push(response.body().then((body) => gzipSync(body).length));
  });
  await page.goto(`${server.url}/builds/demo-tarn-five/rings`, { waitUntil: 'networkidle' });
  const total = (await Promise.all(sizes)).reduce((sum, size) => sum + size, 0);
  expect(total).toBeGreaterThan(10_000);
  expect(total / 1000).toBeLessThan(250);
});

test('the theme is kept from one page to the next', async ({ page, server }) => {
  await page.goto(server.url);
  await page.getByRole('button', { name: 'Change to dim workshop' }).click();
  await page.goto(`${server.url}/new`);
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'dim');
  await page.getByRole('button', { name: 'Change to light' }).click();
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'light');
});
