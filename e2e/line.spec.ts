/** The reading line: what it takes, says back, asks, refuses; keyboard, touch, undo, units. */
import type { Browser, Locator, Page } from '@playwright/test';
import type { BuildRecord } from '../src/core/judge/buildRecord';
import { jobEntry } from '../src/fixtures/records';
import { Server, expect, test } from './server';

const line = (page: Page) => page.getByRole('region', { name: 'Reading line' }).getByRole('textbox');
const said = (page: Page) => page.locator('#line-said');

let n = 0;

async function open(page: Page, server: Server, stage = 'rings', ...entries: BuildRecord['entries']): Promise<string> {
  n += 1;
  const id = `line-${n}`;
  await server.put({ id, entries: [jobEntry({ name: `Line ${n}` }), ...entries] });
  await page.goto(`${server.url}/builds/${id}/${stage}`);
  await expect(line(page)).toBeFocused();
  return id;
}

test.describe('on a tablet held upright', () => {
  test.use({ viewport: { width: 820, height: 1180 }, hasTouch: true, isMobile: true });

  test('a ring is read by touch alone, on keys of 44 px or more', async ({ page, server }) => {
    n += 1;
    await server.put({ id: `line-${n}`, entries: [jobEntry({ name: 'Touch' })] });
    await page.goto(`${server.url}/builds/line-${n}/rings`);
    const keypad = page.getByRole('group', { name: 'Keypad' });
    await expect(keypad).toBeVisible();
    for (const key of await keypad.getByRole('button').all()) {
      const box = await key.boundingBox();
      expect(Math.min(box?.width ?? 0, box?.height ?? 0)).toBeGreaterThanOrEqual(44);
    }
    for (const key of ['2', '9', 'Delete the last character', '2', 'Enter'])
      await keypad.getByRole('button', { name: key, exact: true }).tap();
    await expect(page.getByRole('heading', { name: 'Cylinder 1, second ring' })).toBeVisible();
    await page.getByRole('button', { name: 'Cylinder 5,' }).tap();
    await expect(page.getByRole('heading', { name: 'Cylinder 5, second ring' })).toBeVisible();
    await page.getByRole('button', { name: /^Undo/ }).tap();
    await expect(said(page)).toContainText('Undone: Cylinder 1, top ring');
  });

  test('the page stays where it is when a figure is logged, asked about, answered and taken back', async ({
    page,
    server,
  }) => {
    n += 1;
    await server.put({ id: `line-${n}`, entries: [jobEntry({ name: 'Touch' })] });
    await page.goto(`${server.url}/builds/line-${n}/rings`);
    const keypad = page.getByRole('group', { name: 'Keypad' });
    await expect(keypad).toBeVisible();
    // by its place: to be tapped by name a thing is brought into sight first
    const tap = async (what: Locator): Promise<void> => {
      const box = await what.boundingBox();
      if (!box) throw new Error('it is not there');
      await page.touchscreen.tap(box.x + box.width / 2, box.y + box.height / 2);
    };
    const type = async (...keys: string[]): Promise<void> => {
      for (const key of keys) await tap(keypad.getByRole('button', { name: key, exact: true }));
    };
    const moved = (): Promise<number> => page.evaluate(() => scrollY);
    await type('1', '5', 'Enter');
    await expect(said(page)).toContainText('Logged Cylinder 1, top ring: 0.015 in');
    expect(await moved()).toBe(0);
    await expect(page.getByText('still to come off').first()).toBeInViewport();
    await type('2', '2', '0', 'Enter');
    const asked = said(page)
      .getByRole('button', { name: /22 thou|0\.022/ })
      .first();
    await expect(asked).toBeFocused();
    expect(await moved()).toBe(0);
    await tap(asked);
    await expect(said(page)).toContainText('Logged Cylinder 1, top ring: 0.022 in');
    expect(await moved()).toBe(0);
    await tap(page.getByRole('button', { name: /^Undo/ }));
    await expect(said(page)).toContainText('Undone');
    expect(await moved()).toBe(0);
  });
});

test('keys are the line’s wherever the focus is: after a select, a box that is ticked, a closed popover, another view', async ({
  page,
  server,
}) => {
  const id = await open(page, server);
  await page.getByRole('tab', { name: 'Set-up' }).click();
  await page.getByLabel('Include rails in the measuring order').check();
  await page.keyboard.type('22');
  await expect(page.getByRole('tab', { name: 'Bench' })).toHaveAttribute('aria-selected', 'true');
  await expect(line(page)).toHaveValue('22');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Cylinder 1, second ring' })).toBeVisible();
  await page.getByRole('complementary').getByRole('combobox').first().focus();
  await page.keyboard.press('n');
  await expect(said(page)).toContainText('Left open: Cylinder 1, second ring');
  await page.getByRole('complementary').getByRole('combobox').first().focus();
  await page.keyboard.press('2');
  await expect(line(page)).toHaveValue('2');
  await page.keyboard.press('Escape');
  await page.getByRole('heading', { level: 1 }).click();
  await page.keyboard.press('ArrowDown');
  await expect(page.getByRole('heading', { name: /^Cylinder 2,/ })).toBeVisible();
  await page.getByRole('button', { name: /^Cylinder 1,/ }).click();
  await page.getByRole('complementary').getByRole('button', { name: 'top ring' }).click();
  await page.getByRole('button', { name: 'Strike out 22' }).click();
  await expect(page.getByRole('dialog')).toBeVisible();
  await page.keyboard.press('z');
  await page.keyboard.press('Escape');
  await page.keyboard.press('z');
  await expect(said(page)).toContainText('Undone: Cylinder 1, top ring, “22”');
  await page.keyboard.press('y');
  await expect(said(page)).toContainText('Logged again: Cylinder 1, top ring, “22”');
  await expect
    .poll(async () => (await server.record(id)).entries.map((e) => e.kind).slice(1))
    .toEqual(['bench', 'reading', 'void', 'reading']);
});

test('stage, view, cylinder and ring stand in the address: reload, Back and a link lead there, and a figure half typed is there still', async ({
  page,
  server,
}) => {
  const id = await open(page, server);
  await page.keyboard.type('22\n');
  await expect(page).toHaveURL(/\/rings\?at=1\.second$/);
  await page.keyboard.press('ArrowDown');
  await page.keyboard.type('1');
  await page.reload();
  await expect(page.getByRole('heading', { name: 'Cylinder 2, second ring' })).toBeVisible();
  await expect(line(page)).toHaveValue('1');
  await page.keyboard.press('Escape');
  await page.getByRole('tab', { name: 'All gaps' }).click();
  await expect(page).toHaveURL(/view=gaps/);
  // the framework writes an address of its own whenever its state changes
  await page.evaluate(
    () =>
      new Promise<void>((resolve) => {
        const write = window.history.replaceState.bind(window.history);
        window.history.replaceState = (...args) => {
          write(...args);
          resolve();
        };
        (window as unknown as { next: { router: { refresh(): void } } }).next.router.refresh();
      }),
  );
  await expect(page.getByRole('tab', { name: 'All gaps' })).toHaveAttribute('aria-selected', 'true');
  await expect(page).toHaveURL(/view=gaps/);
  await page.getByRole('link', { name: /^Bores/ }).click();
  await expect(page).toHaveURL(/\/bores\?at=2\.bore\./);
  await expect(line(page)).toBeFocused();
  await page.keyboard.type('4.0');
  await page.goBack();
  await expect(page.getByRole('tab', { name: 'All gaps' })).toHaveAttribute('aria-selected', 'true');
  await page.goBack();
  await expect(page.getByRole('heading', { name: 'Cylinder 2, second ring' })).toBeVisible();
  await page.goForward();
  await page.goForward();
  await expect(line(page)).toHaveValue('4.0');
  await page.goto(`${server.url}/builds/${id}/rings?at=8.top`);
  await expect(page.getByRole('heading', { name: 'Cylinder 8, top ring' })).toBeVisible();
  await page.goto(`${server.url}/builds/${id}/rings?at=99.nothing&view=nowhere`);
  await expect(page.getByRole('heading', { name: 'Cylinder 1, second ring' })).toBeVisible();
});

/** A build that is open at two benches, both on the top ring of cylinder 1, the other with initials, and maybe at a server of its own. */
async function withAnother(
  page: Page,
  browser: Browser,
  server: Server,
  its = server,
): Promise<{ id: string; other: Page }> {
  const id = await open(page, server);
  const other = await (await browser.newContext()).newPage();
  await other.goto(`${its.url}/builds/${id}/rings?at=1.top`);
  await expect(line(other)).toBeFocused();
  await other.getByLabel('Initials').fill('AB');
  await other.getByLabel('Initials').press('Enter');
  await expect(page.getByText('AB is on cylinder 1, top ring')).toBeVisible();
  return { id, other };
}

test('two benches at two servers of one database know of each other: where each is, and what it took', async ({
  page,
  browser,
  server,
}) => {
  const second = new Server({ DATABASE_URL: server.databaseUrl });
  await second.start();
  const { other } = await withAnother(page, browser, server, second);
  await expect(other.getByText('someone is on cylinder 1, top ring')).toBeVisible();
  await line(other).focus();
  await other.keyboard.press('m');
  await expect(said(page)).toContainText('AB took cylinder 1: on to the next.');
  await expect(page.getByText('has taken the rings of cylinder 1')).toBeVisible();
  await line(page).focus();
  await page.keyboard.press('m');
  await expect(other.getByText('has taken the rings of cylinder 2')).toBeVisible();
  await other.close();
  // away, and its cylinder still its own
  await expect(page.getByText('AB is on cylinder 1, top ring')).toBeHidden({ timeout: 15_000 });
  await expect(page.getByText('has taken the rings of cylinder 1')).toBeVisible();
  await second.end();
});

test('nothing is pressed on a page before it listens: no press is swallowed', async ({ browser, server }) => {
  const context = await browser.newContext({ serviceWorkers: 'block' });
  const page = await context.newPage();
  await server.put({ id: 'early', entries: [jobEntry({ name: 'Early' })] });
  let letGo = (): void => undefined;
  const held = new Promise<void>((done) => {
    letGo = done;
  });
  await page.route('**/*.js', async (route) => {
    await held;
    await route.continue();
  });
  await page.goto(`${server.url}/builds/early/rings`, { waitUntil: 'commit' });
  const third = page.getByRole('button', { name: /^Cylinder 3,/, includeHidden: true });
  await expect(third).toBeVisible();
  const isPressed = await third.click({ timeout: 2_000 }).then(
    () => true,
    () => false,
  );
  letGo();
  if (!isPressed) await third.click();
  await expect(page.getByRole('main').getByRole('heading', { level: 1 })).toContainText('Cylinder 3');
  await context.close();
});
