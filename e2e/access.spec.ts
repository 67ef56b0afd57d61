/** Access and safety of every main view, each visited once: axe, sizes of screen, stops of the focus, headers, weight. */
import type { CDPSession, Page } from '@playwright/test';
import { axeFindsNothing } from './axe';
import { Server, expect, test } from './server';
import { weighed } from './weight';

interface View {
  path: string;
  /** What may be loaded for it, compressed, in kB: JavaScript alone. */
  most: number;
  /** Its tabs, each a view of its own; none where it has none. */
  tabs: readonly string[];
}

const plain = (most: number, ...paths: string[]): View[] => paths.map((path) => ({ path, most, tabs: [] }));
const TARGET_TABS = ['Targets', 'Heat load', 'Rules', 'Closing check', 'Chart'];
const BORE_TABS = ['Readings', 'Bore shape', 'Oversize', 'Gauge set-up', 'Measuring plan', 'Supplied sizes'];
const RING_TABS = ['Bench', 'All gaps', 'Swap', 'Ring set', 'Grooves', 'Set-up'];

const JOURNAL_TABS = ['Clearances', 'Bearing shells', 'End play, sides', 'Inspection', 'Limits and method'];

/** What a page of a build may weigh, and a list, kB. */
const [BENCH, LISTS] = [260, 200];

/** Every view, on the build that fills it. */
const VIEWS: View[] = [
  ...plain(LISTS, '/', '/nothing-here', '/charts', '/charts/starting', '/instruments', '/archived'),
  { path: '/shop', most: LISTS, tabs: ['People', 'Devices', 'Backups', 'Audit log'] },
  ...plain(LISTS, '/sign-in'),
  ...plain(BENCH, '/new', '/gap?bore=4in&use=race&piston=hypereutectic'),
  ...plain(BENCH, '/builds/demo-corrie-v10/job'),
  ...plain(BENCH, '/builds/demo-corrie-v10/sheet', '/builds/demo-corrie-v10/journals'),
  ...plain(BENCH, '/builds/demo-corrie-v10/rings'),
  ...plain(BENCH, '/builds/demo-linn-triple/targets', '/builds/demo-scarp-v-twin/targets'),
  { path: '/builds/demo-tarn-five/targets', most: BENCH, tabs: TARGET_TABS },
  { path: '/builds/demo-mere-four/bores', most: BENCH, tabs: BORE_TABS },
  {
    path: '/builds/demo-corrie-v10/pistons',
    most: BENCH,
    tabs: ['Readings', 'Pairing', 'Gauge point and pins', 'Rod and pin'],
  },
  { path: '/builds/demo-tarn-five/rings', most: BENCH, tabs: RING_TABS },
  {
    path: '/builds/demo-corrie-v10/clocking',
    most: BENCH,
    tabs: ['Plan', 'All crowns', 'Rules', 'Optimise', 'Engine', 'Print card'],
  },
  {
    path: '/builds/demo-tarn-five/assembly',
    most: BENCH,
    tabs: [
      'Step by step',
      'All steps',
      'Install order',
      'Torque',
      'Rotating torque',
      'Weights',
      'Crank and rods',
      'Short block',
      'Layout mat',
      'Preferences',
    ],
  },
  ...plain(BENCH, '/builds/demo-tarn-five/sheet'),
  { path: '/builds/demo-tarn-five/journals', most: BENCH, tabs: JOURNAL_TABS },
];

const SCREENS = [
  ['tablet', 820, 1180],
  ['phone', 390, 844],
  ['desk zoomed to twice its size', 640, 400],
  // last: what is looked at next is looked at there
  ['desk', 1280, 800],
] as const;

test.beforeEach(async ({ server }) => {
  await server.putDemo();
});

/** How many stops the focus has, and those of them that something else covers or that lie out of sight. */
const focusStops = (page: Page): Promise<{ count: number; hidden: string[] }> =>
  page.evaluate(async () => {
    const stops = [
      ...document.querySelectorAll<HTMLElement | SVGElement>(
        'a[href], button, input, select, textarea, summary, [tabindex]',
      ),
    ].filter((at) => at.tabIndex >= 0 && !at.matches(':disabled') && at.checkVisibility({ visibilityProperty: true }));
    // some part of it has to be in sight, and not under anything else
    const isInSight = (at: Element): boolean => {
      const { left, top, right, bottom } = at.getBoundingClientRect();
      const between = (from: number, to: number, most: number): number[] =>
        [0.15, 0.5, 0.85].map((part) => Math.max(0, from) + (Math.min(most, to) - Math.max(0, from)) * part);
      const points = between(left, right, window.innerWidth).flatMap((x) =>
        between(top, bottom, window.innerHeight).map((y) => [x, y] as const),
      );
      return points.some(([x, y]) => {
        const on = document.elementFromPoint(x, y);
        return on !== null && (at.contains(on) || on.contains(at) || on.closest('label')?.contains(at) === true);
      });
    };
    // as the Tab key does it
    const focus = (at: HTMLElement | SVGElement): void => {
      at.focus({ preventScroll: true });
      (at as unknown as { scrollIntoViewIfNeeded(): void }).scrollIntoViewIfNeeded();
    };
    const hidden: string[] = [];
    for (const at of stops) {
      focus(at);
      if (document.activeElement !== at || isInSight(at)) continue;
      // what came later than the page may have moved it: it is come to once more, with the page at rest
      await new Promise((rested) => {
        requestIdleCallback(rested, { timeout: 2_000 });
      });
      focus(at);
      if (!isInSight(at)) hidden.push(`${at.tagName} ${at.getAttribute('aria-label') ?? at.textContent.slice(0, 40)}`);
    }
    return { count: stops.length, hidden };
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

/**
 * Nothing of the page runs off the side, at any size of screen, no stop of the focus is hidden where there is little room,
 * and on a tablet fingers find what they press; `within` a stage's main part, where that has to fit too.
 */
async function fits(page: Page, touch: CDPSession, what: string, within: boolean): Promise<void> {
  for (const [name, width, height] of SCREENS) {
    const isTouched = name === 'tablet';
    if (isTouched) await touch.send('Emulation.setTouchEmulationEnabled', { enabled: true });
    await page.setViewportSize({ width, height });
    if (isTouched) {
      expect(await page.evaluate(() => matchMedia('(pointer: coarse)').matches)).toBe(true);
      // of each crown there the gaps are moved larger, under Plan
      if (!what.endsWith('All crowns')) await expect.poll(() => small(page), { message: what }).toEqual([]);
    }
    const over = (): Promise<number[]> =>
      page.evaluate((inMain) => {
        const main = inMain ? document.querySelector('main') : null;
        const { scrollWidth, clientWidth } = document.documentElement;
        return [scrollWidth - clientWidth, main ? main.scrollWidth - main.clientWidth : 0];
      }, within);
    await expect.poll(over, { message: `${what} on a ${name}` }).toEqual([0, 0]);
    if (isTouched) await touch.send('Emulation.setTouchEmulationEnabled', { enabled: false });
    if (width > 700) continue;
    const { count, hidden } = await focusStops(page);
    expect(hidden, `${what} on a ${name}`).toEqual([]);
    expect(count, what).toBeGreaterThan(what === '/nothing-here' ? 1 : 5);
  }
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

/** Stages whose line listens first of all; the V10 leaves its bottom end to others. */
const LINES = /\/(?:bores|pistons|rings|demo-tarn-five\/journals)$/;

for (const { path, most, tabs } of VIEWS)
  test(`${path}: axe finds nothing, nothing runs off the side, no stop of the focus is hidden, nothing comes from outside, nothing weighs too much`, async ({
    page,
    server,
  }) => {
    const wrong = watched(page, server.url);
    const touch = await page.context().newCDPSession(page);
    const weight = await weighed(page);
    await page.goto(server.url + path);
    await expect(page.getByRole('main')).toBeVisible();
    const line = page.getByRole('region', { name: 'Reading line' }).getByRole('textbox');
    if (LINES.test(path)) await expect(line).toBeFocused();
    if (path.endsWith('/assembly')) await expect(page.locator('[data-step]')).toBeFocused();
    const { all } = await weight();
    await page.waitForLoadState('networkidle');
    expect(all).toBeGreaterThan(100);
    expect(all).toBeLessThan(most);
    // what stands beside comes once the page is at rest
    const beside = page.getByRole('complementary');
    if ((await beside.count()) > 0) await expect(beside).not.toBeEmpty();
    await axeFindsNothing(page, path);
    if (tabs.length === 0) await fits(page, touch, path, false);
    for (const [i, tab] of tabs.entries()) {
      await page.getByRole('tab', { name: tab, exact: true }).click();
      await expect(page.getByRole('tabpanel', { name: tab })).not.toContainText('Working it out');
      if (i > 0) await axeFindsNothing(page, `${path} ${tab}`, { within: 'main' });
      await fits(page, touch, `${path} ${tab}`, true);
    }
    expect(wrong).toEqual([]);
  });

for (const path of ['/builds/demo-tarn-five/rings', '/builds/demo-corrie-v10/clocking'])
  test(`${path} in the dim theme: axe finds nothing to say of its colours`, async ({ page, context, server }) => {
    await context.addCookies([{ name: 'spatium-theme', value: 'dim', url: server.url }]);
    await page.goto(server.url + path, { waitUntil: 'networkidle' });
    await expect(page.locator('html')).toHaveAttribute('data-theme', 'dim');
    await expect(page.getByRole('main')).toBeVisible();
    await axeFindsNothing(page, path, { rules: ['color-contrast'] });
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
  await axeFindsNothing(page, 'strike out', { within: '[role=dialog]' });
});

test('axe finds nothing on keys and words, on what is not logged yet, on what is supplied, on a build like an earlier one, on the trial', async ({
  page,
  server,
}) => {
  const line = page.getByRole('region', { name: 'Reading line' }).getByRole('textbox');
  await page.goto(`${server.url}/builds/demo-tarn-five/rings`);
  await expect(line).toBeFocused();
  for (const typed of ['220', '24']) {
    await page.keyboard.type(typed);
    await page.keyboard.press('Enter');
  }
  await expect(page.getByRole('region', { name: 'Not logged yet' })).toBeVisible();
  await axeFindsNothing(page, 'not logged yet');
  await page.getByRole('button', { name: 'Keys and words' }).click();
  await expect(page.getByRole('dialog')).toContainText('log what is on the line');
  await axeFindsNothing(page, 'keys', { within: '[role=dialog]' });
  await page.getByRole('tab', { name: 'Words' }).click();
  await expect(page.getByRole('dialog')).toContainText('thrust face');
  await axeFindsNothing(page, 'words', { within: '[role=dialog]' });
  for (const path of ['/builds/demo-tarn-five/bores?view=supplied', '/new?from=demo-corrie-v10']) {
    await page.goto(server.url + path, { waitUntil: 'networkidle' });
    await expect(page.getByRole('main')).toBeVisible();
    await axeFindsNothing(page, path);
  }
  await page.goto(`${server.url}/builds/demo-corrie-v10/bores?at=10.bore`);
  await expect(line).toBeFocused();
  await page.keyboard.type('here');
  await page.keyboard.press('Enter');
  await page.keyboard.type('-1');
  await page.keyboard.press('Enter');
  await expect(page.getByText('The gauge is zeroed in a bore.')).toBeVisible();
  await axeFindsNothing(page, 'from a zero');
  const empty = new Server();
  await empty.start();
  await page.goto(empty.url);
  await page.getByRole('button', { name: 'Try it on a small invented engine' }).click();
  await expect(page.getByRole('region', { name: 'Finding your way' })).toBeVisible();
  await axeFindsNothing(page, 'the trial');
  await empty.end();
});

test('axe finds nothing on what opens over the targets', async ({ page, server }) => {
  await page.goto(`${server.url}/builds/demo-tarn-five/targets`, { waitUntil: 'networkidle' });
  await page.getByRole('button', { name: 'Enter service manual' }).click();
  await expect(page.getByRole('dialog')).toBeVisible();
  await axeFindsNothing(page, 'manual', { within: '[role=dialog]' });
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Enter own figure' }).click();
  await expect(page.getByRole('dialog')).toBeVisible();
  await axeFindsNothing(page, 'own figure', { within: '[role=dialog]' });
  await page.keyboard.press('Escape');
  await page.getByRole('tab', { name: 'Closing check' }).click();
  await page.getByText('What is assumed:').click();
  await page
    .getByRole('button', { name: /^why minimum/ })
    .first()
    .click();
  await expect(page.getByRole('dialog')).toBeVisible();
  await axeFindsNothing(page, 'heat, why', { within: '[role=dialog]' });
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
  await page.getByRole('button', { name: /^Archive Tarn five/ }).click();
  await axeFindsNothing(page, 'take off the shelf');
});

test('every answer carries the security headers', async ({ server }) => {
  const pages = /default-src 'self'.*script-src 'self' 'nonce-[^']+' 'strict-dynamic'.*style-src 'self' 'nonce-/;
  for (const [path, policy] of [
    ['/', pages],
    ['/builds/demo-tarn-five/rings', pages],
    ['/api/builds', /^default-src 'none'/],
    ['/api/builds/demo-tarn-five/entries', /^default-src 'none'/],
  ] as const) {
    const { headers } = await fetch(server.url + path);
    expect(headers.get('x-content-type-options')).toBe('nosniff');
    expect(headers.get('x-frame-options')).toBe('DENY');
    expect(headers.get('content-security-policy')).toMatch(policy);
    expect(headers.get('x-powered-by')).toBeNull();
  }
});

test('the theme is kept from one page to the next', async ({ page, server }) => {
  await page.goto(server.url);
  await page.getByRole('button', { name: 'Change to dim workshop' }).click();
  await page.goto(`${server.url}/new`);
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'dim');
  await page.getByRole('button', { name: 'Change to light' }).click();
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'light');
});

test('views and choices are gone through by arrow keys, round the ends, each group one stop of the Tab key', async ({
  page,
  server,
}) => {
  await page.goto(`${server.url}/builds/demo-tarn-five/rings`);
  const tab = (name: string) => page.getByRole('tab', { name, exact: true });
  await tab('Bench').focus();
  for (const [key, name] of [
    ['ArrowRight', 'All gaps'],
    ['End', 'Set-up'],
    ['ArrowRight', 'Bench'],
    ['ArrowLeft', 'Set-up'],
    ['Home', 'Bench'],
  ] as const) {
    await page.keyboard.press(key);
    await expect(tab(name)).toBeFocused();
    await expect(tab(name)).toHaveAttribute('aria-selected', 'true');
    await expect(page.getByRole('tabpanel', { name, exact: true })).toBeVisible();
  }
  await page.keyboard.press('Tab');
  await expect(page.getByRole('tabpanel', { name: 'Bench' })).toBeFocused();
  const units = page.getByRole('radio', { name: 'mm', exact: true });
  await page.getByRole('radio', { name: 'thou', exact: true }).focus();
  await page.keyboard.press('ArrowDown');
  await expect(units).toBeFocused();
  await expect(units).toBeChecked();
  await expect(page.getByRole('radio', { name: 'thou', exact: true })).toHaveAttribute('tabindex', '-1');
});
