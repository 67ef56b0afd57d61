import { request as plainRequest } from 'node:http';
import type { Locator, Page } from '@playwright/test';
import { COMMAND_NEEDS, DECIDED_KINDS, ROUTES } from '../src/people/permissions';
import type { Role } from '../src/files/roles';
import { fromThou } from '../src/core/foundation/quantity/length';
import { jobEntry, reading } from '../src/fixtures/records';
import { openDatabase } from '../src/store/open';
import { tries } from '../src/store/schema';
import { rawRequest } from './raw';
import { type Jar, OWNER, PINS, act, ask, cookieOf, setUpShop, signedIn, signedInAs, walkRules } from './people';
import { Server, expect, test as base } from './server';

/** A server with people on it: one of each role. */
const test = base.extend<object, { shop: Server }>({
  shop: [
    async ({}, use) => {
      const server = new Server();
      await server.start();
      await setUpShop(server);
      await use(server);
      await server.end();
    },
    { scope: 'worker' },
  ],
});

// one after the other: each goes on with what the ones before left
test.describe.configure({ mode: 'default' });

async function signIn(page: Page, role: Role): Promise<void> {
  const [initials, pin] = PINS[role];
  await page.getByLabel('Initials').fill(initials.toLowerCase());
  await page.getByLabel('PIN or password').fill(pin);
  await page.getByRole('button', { name: 'Sign in', exact: true }).click();
}

/** Who is at a page’s device: the button that lets others have it. */
const chipOf = (page: Page): Locator => page.getByRole('banner').getByRole('button', { name: /^Signed in:/ });

/** Somebody signs in beside who is signed in on the device already. */
async function signInToo(page: Page, role: Role): Promise<void> {
  await chipOf(page).click();
  await page.getByRole('link', { name: 'Someone else' }).click();
  await signIn(page, role);
}

interface OnRecord {
  kind: string;
  by: string;
  typed?: string;
  fit?: { deburred: boolean; squared: boolean };
}

/** What is on the bench’s record. */
async function onRecord(shop: Server): Promise<OnRecord[]> {
  const response = await ask(shop, await signedIn(shop, 'owner'), 'GET', '/api/builds/bench');
  return ((await response.json()) as { record: { entries: OnRecord[] } }).record.entries;
}

test('every page, route and act, as every role and as nobody: allowed or turned away as the table says', async ({
  shop,
}) => {
  const { asked, wrong } = await walkRules(shop);
  expect(wrong).toEqual([]);
  expect(asked).toBeGreaterThan(5 * Object.keys(COMMAND_NEEDS).length);
});

test('entries are noted with who made them, whatever was sent; a fitter sets no targets, a reader enters nothing', async ({
  shop,
}) => {
  const post = async (jar: Jar, ...entries: unknown[]) =>
    (await ask(shop, jar, 'POST', '/api/builds/bench/entries', { entries })).status;
  const fitter = await signedIn(shop, 'fitter');
  expect(await post(fitter, { ...reading('by-1', 'L1', 'top', fromThou(22)), by: 'KM' })).toBe(200);
  expect((await ask(shop, fitter, 'GET', '/api/builds/bench/entries').then((r) => r.json())) as unknown).toMatchObject({
    entries: expect.arrayContaining([expect.objectContaining({ id: 'by-1', by: 'AW' })]) as unknown,
  });
  expect(await post(fitter, { ...jobEntry({ name: 'Mine' }), id: 'job-9', replaces: 'job' })).toBe(422);
  for (const kind of DECIDED_KINDS) {
    const value = kind === 'deciding' ? { sure: 0.5, gapGrace: 0, clearanceGrace: 0 } : {};
    expect(await post(fitter, { ...jobEntry(), kind, id: `d-${kind}`, replaces: null, value }), kind).toBe(422);
  }
  // an id that is on record stays what it is
  expect(await post(fitter, { ...reading('by-1', 'L1', 'top', fromThou(25)), by: 'KM' })).toBe(409);
  expect(await post(await signedIn(shop, 'reader'), reading('by-2', 'L1', 'top', fromThou(22)))).toBe(403);
  expect(await post(new Map(), reading('by-3', 'L1', 'top', fromThou(22)))).toBe(401);
  const builder = await signedIn(shop, 'builder');
  expect(await post(builder, reading('by-4', 'L1', 'top', fromThou(22)))).toBe(200);
});

test('a tablet is signed in by typing, changes hands in two touches, and what is logged is each one’s own', async ({
  browser,
  shop,
}) => {
  const context = await browser.newContext({ viewport: { width: 820, height: 1180 }, hasTouch: true });
  const page = await context.newPage();
  await page.goto(`${shop.url}/builds/bench/rings`);
  await expect(page.getByRole('heading', { name: 'Sign in' })).toBeVisible();
  await signIn(page, 'fitter');
  await expect(page).toHaveURL(/\/builds\/bench\/rings/);
  const chip = chipOf(page);
  await expect(chip).toHaveText(/AW/);
  await expect(page.getByLabel('Initials', { exact: true })).toHaveCount(0);
  await chip.tap();
  await page.getByRole('link', { name: 'Someone else' }).tap();
  await signIn(page, 'builder');
  await expect(chip).toHaveText(/BU/);
  await expect(page).toHaveURL(/\/builds\/bench\/rings/);
  const keypad = page.getByRole('group', { name: 'Keypad' });
  const log = async (figure: string): Promise<void> => {
    for (const key of [...figure, 'Enter']) await keypad.getByRole('button', { name: key, exact: true }).tap();
  };
  const byLast = async (): Promise<string | undefined> =>
    (await onRecord(shop))
      .filter((e) => e.kind === 'reading')
      .map((e) => `${e.typed ?? ''} ${e.by}`)
      .at(-1);
  await log('23');
  await expect.poll(byLast).toBe('23 BU');
  // two touches
  await chip.tap();
  await page.getByRole('dialog').getByRole('button', { name: /AW/ }).tap();
  await expect(chip).toHaveText(/AW/);
  await page.keyboard.press('Escape');
  await log('24');
  await expect.poll(byLast).toBe('24 AW');
  await chip.tap();
  await page.getByRole('button', { name: 'Sign AW out here' }).tap();
  await expect(chip).toHaveText(/BU/);
  await context.close();
});

test('what a fitter entered waits while a reader has the tablet in hand, and is sent as the fitter’s', async ({
  page,
  shop,
}) => {
  await page.goto(`${shop.url}/builds/bench/rings`);
  await signIn(page, 'fitter');
  const entry = page.getByRole('region', { name: 'Reading line' }).getByRole('textbox');
  await expect(entry).toBeFocused();
  let isGone = true;
  await page.route('**/api/builds/bench/entries*', (route) => (isGone ? route.abort() : route.continue()));
  await entry.fill('27');
  await page.keyboard.press('Enter');
  await expect(page.getByText('1 entry waits in this browser')).toBeVisible();
  const chip = chipOf(page);
  await signInToo(page, 'reader');
  await expect(chip).toHaveText(/RL/);
  isGone = false;
  await expect(page.getByText('Whoever is signed in may look here, and not enter')).toBeVisible();
  await expect(page.getByText('1 entry waits in this browser')).toBeVisible();
  await chip.click();
  await page.getByRole('dialog').getByRole('button', { name: /AW/ }).click();
  await expect(page.getByText('1 entry waits in this browser')).toHaveCount(0);
  await expect
    .poll(async () => (await onRecord(shop)).filter((e) => e.typed === '27').map((e) => e.by))
    .toEqual(['AW']);
});

test('a page that hears nothing new still knows who has it in hand: what a reader types is not logged', async ({
  page,
  shop,
}) => {
  const chip = chipOf(page);
  const handTo = async (initials: string): Promise<void> => {
    await chip.click();
    await page.getByRole('dialog').getByRole('button', { name: initials }).click();
    await expect(chip).toHaveText(new RegExp(initials));
    await page.keyboard.press('Escape');
  };
  await page.goto(`${shop.url}/builds/bench/rings?at=3.top`);
  await signIn(page, 'reader');
  await signInToo(page, 'fitter');
  await expect(chip).toHaveText(/AW/);
  await page.route('**/api/builds/bench/entries?*', () => undefined);
  await handTo('RL');
  await page.reload();
  await page.getByRole('region', { name: 'Reading line' }).getByRole('textbox').fill('24');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('region', { name: 'Not logged yet' })).toContainText('“24”');
  await handTo('AW');
  await expect(page.getByText('Whoever is signed in may look')).toHaveCount(0);
});

test('the owner sets people up on a machine that has none, shows a code, signs a device out; all of it stands in the audit', async ({
  browser,
}) => {
  const own = new Server();
  await own.start();
  const page = await (await browser.newContext()).newPage();
  await page.goto(`${own.url}/shop`);
  await page.getByLabel('Name').fill(OWNER.name);
  await page.getByLabel('Initials').fill('km');
  await page.getByLabel('PIN or password').fill('short');
  await page.getByRole('button', { name: /^Set people up/ }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'at least 6' })).toBeVisible();
  await page.getByLabel('PIN or password').fill(OWNER.secret);
  await page.getByRole('button', { name: /^Set people up/ }).click();
  const form = page.getByRole('form', { name: 'Add person' });
  await form.getByLabel('Name').fill('Ann West');
  await form.getByLabel('Initials').fill('aw');
  await form.getByLabel('PIN or password').fill('4711');
  await form.getByRole('button', { name: 'Add person' }).click();
  await expect(page.getByRole('cell', { name: 'Ann West' })).toBeVisible();
  await page
    .getByRole('row', { name: /Ann West/ })
    .getByRole('button', { name: 'Device code …' })
    .click();
  const answered = page.waitForResponse('**/api/commands/deviceCode');
  await page.getByRole('button', { name: 'Show the code' }).click();
  await expect(page.getByRole('img', { name: 'Code that signs a device in as AW' })).toBeVisible();
  const { result } = (await (await answered).json()) as { result: { code: string } };
  const tablet = await (await browser.newContext({ hasTouch: true })).newPage();
  await tablet.goto(`${own.url}/sign-in#code=${result.code}`);
  await expect(tablet).toHaveURL(`${own.url}/`);
  await expect(tablet.getByRole('button', { name: /^Signed in:/ })).toHaveText(/AW/);
  const other = await (await browser.newContext()).newPage();
  await other.goto(`${own.url}/sign-in#code=${result.code}`);
  await expect(other.getByRole('alert').filter({ hasText: 'was used' })).toBeVisible();
  await page.keyboard.press('Escape');
  await page.reload();
  await page.getByRole('tab', { name: 'Devices' }).click();
  const its = page.getByRole('list', { name: 'Signed in' }).getByRole('listitem').filter({ hasText: 'AW' });
  await expect(its).not.toContainText('this device');
  await its.getByRole('button').click();
  await expect(page.getByRole('list', { name: 'Signed in' }).getByRole('listitem')).toHaveCount(1);
  await expect(page.getByRole('list', { name: 'Signed in' })).toContainText('this device');
  await expect(async () => {
    await tablet.goto(`${own.url}/charts`);
    await expect(tablet.getByRole('heading', { name: 'Sign in' })).toBeVisible({ timeout: 500 });
  }).toPass();
  await page.getByRole('tab', { name: 'Backups' }).click();
  await page.getByRole('button', { name: 'Make a backup now' }).click();
  const copy = page.getByRole('list', { name: 'Backups' }).getByRole('link', { name: /^backup-.*\.db$/ });
  await expect(copy).toBeVisible({ timeout: 60_000 });
  const download = page.waitForEvent('download');
  await copy.click();
  expect((await download).suggestedFilename()).toMatch(/^backup-.*\.db$/);
  await page.reload();
  await page.getByRole('tab', { name: 'Audit log' }).click();
  for (const says of [
    'People set up',
    'Ann West added as fitter',
    'A code for a device',
    'Signed out from afar',
    'Backup:',
  ])
    await expect(page.getByRole('cell', { name: new RegExp(says) })).toBeVisible();
  for (const each of [page, tablet, other]) await each.context().close();
  await own.end();
});

test('who may not begin a build is told before filling in its card, and somebody who may begins it from there', async ({
  page,
  shop,
}) => {
  await page.goto(shop.url);
  await signIn(page, 'fitter');
  await page.getByRole('link', { name: 'New build' }).click();
  await expect(page.getByText('Your role does not include that page.')).toBeVisible();
  await signIn(page, 'builder');
  await expect(page).toHaveURL(/\/new$/);
  await expect(page.getByLabel('Build name')).toBeVisible();
});

test('signing in by keys alone: what is typed goes into the first field once the page is there', async ({
  page,
  shop,
}) => {
  await page.goto(`${shop.url}/charts`);
  await expect(page.getByLabel('Initials')).toBeFocused();
  await page.keyboard.type('aw');
  await page.keyboard.press('Tab');
  await page.keyboard.type('4711');
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/\/charts/);
  await expect(chipOf(page)).toHaveText(/AW/);
});

test('somebody changes their own PIN, with the one that held, and stays signed in here', async ({ page, shop }) => {
  await page.goto(`${shop.url}/charts`);
  await signIn(page, 'builder');
  await page.getByRole('button', { name: /^Signed in:/ }).click();
  await page.getByRole('button', { name: 'Change my PIN …' }).click();
  const form = page.getByRole('form', { name: 'A new PIN of one’s own' });
  const change = async (old: string, fresh: string): Promise<void> => {
    await form.getByLabel('PIN now').fill(old);
    await form.getByLabel('New PIN').fill(fresh);
    await form.getByRole('button', { name: 'Change it' }).click();
  };
  await change('000000', '715824');
  await expect(form.getByRole('alert')).toContainText('do not go together');
  await change(PINS.builder[1], '123');
  await expect(form.getByRole('alert')).toContainText('at least 6');
  await change(PINS.builder[1], '715824');
  await expect(page.getByText('Changed. Other devices are signed out.')).toBeVisible();
  await page.reload();
  await expect(page.getByRole('button', { name: /^Signed in:/ })).toHaveText(/BU/);
  expect(await act(shop, new Map(), 'signIn', 'BU', '715824')).toEqual({ ok: true });
  const owner = await signedIn(shop, 'owner');
  const { device } = (await (await ask(shop, await signedInAs(shop, 'BU', '715824'), 'GET', '/api/me')).json()) as {
    device: { id: string }[];
  };
  // as it was, for the tests that come after
  expect(await act(shop, owner, 'setSecret', device[0]?.id, PINS.builder[1])).toEqual({ ok: true });
});

test('guessing a PIN is slowed down, also by many at once', async ({ shop }) => {
  const guess = async (pin: string) =>
    (await act(shop, new Map(), 'signIn', 'ZZ', pin)) as { ok: boolean; faults: string[] };
  const from = Date.now();
  const answers = await Promise.all(Array.from({ length: 40 }, (_, n) => guess(String(1000 + n))));
  // three at once, and one more for every second of waiting that went by
  const most = 3 + Math.floor((Date.now() - from) / 1000);
  const tried = answers.filter((a) => a.faults[0]?.startsWith('These initials')).length;
  expect(tried).toBeGreaterThanOrEqual(3);
  expect(tried).toBeLessThanOrEqual(most);
  expect(answers.filter((a) => a.faults[0]?.startsWith('Too many')).length).toBe(40 - tried);
});

test('a stranger who guesses keeps nobody out who signed in on a device before, and no code', async ({ shop }) => {
  const owner = await signedIn(shop, 'owner');
  const fresh = (await (await ask(shop, owner, 'GET', '/api/me')).json()) as { person: { id: string } };
  const made = (await act(shop, owner, 'deviceCode', fresh.person.id)) as { code: string };
  for (let n = 0; n < 40; n += 1) {
    await act(shop, new Map(), 'signIn', PINS.owner[0], `wrong-${n}`);
    await act(shop, new Map(), 'signInByCode', `wrong-code-${n}-and-more`);
  }
  // guessed on until the wait is longer than the next question takes
  await expect
    .poll(async () => JSON.stringify(await act(shop, new Map(), 'signIn', PINS.owner[0], 'wrong again')))
    .toMatch(/Try again in (?:[2-9]|\d\d+) s/);
  expect(await act(shop, new Map(), 'signIn', ...PINS.owner)).toMatchObject({ ok: false });
  // a cookie that somebody made up is no known device
  const text = Buffer.from(JSON.stringify({ device: crypto.randomUUID(), people: ['km'] })).toString('base64url');
  const forged: Jar = new Map([['spatium.known', `${text}.${'A'.repeat(43)}`]]);
  expect(await act(shop, forged, 'signIn', ...PINS.owner)).toMatchObject({ ok: false });
  for (let n = 0; n < 30; n += 1) expect(await act(shop, owner, 'signIn', ...PINS.owner)).toEqual({ ok: true });
  expect(await act(shop, new Map(), 'signInByCode', made.code)).toEqual({ ok: true });
  const db = await openDatabase(shop.databaseUrl);
  await db.delete(tries);
  db.$client.close();
});

test('a request that nobody has to be signed in for is small, and its unknown keys are named once', async ({
  shop,
}) => {
  const large = JSON.stringify({ args: ['KM', 'x'.repeat(5_000)] });
  for (const name of ['signIn', 'signInByCode', 'switchTo', 'signOut']) {
    const answer = await rawRequest(shop.port, 'POST', `/api/commands/${name}`, {}, large);
    expect([name, answer.status]).toEqual([name, 413]);
  }
  const entries = Array.from({ length: 400 }, (_, n) => ({ ...reading(`k${n}`, 'L1', 'top', fromThou(22)), odd: 1 }));
  const fitter = cookieOf(await signedIn(shop, 'fitter'));
  const body = JSON.stringify({ entries });
  const answer = await rawRequest(shop.port, 'POST', '/api/builds/bench/entries', { cookie: fitter }, body);
  expect(answer.status).toBe(422);
  expect(answer.body.match(/odd/g)).toHaveLength(1);
});

test('other names, other sites and made-up sessions get nothing', async ({ shop }) => {
  const raw = (method: string, path: string, headers: Record<string, string>): Promise<number> =>
    new Promise((resolve, reject) => {
      const asked = plainRequest({ host: '127.0.0.1', port: shop.port, method, path, headers }, (answer) => {
        answer.resume();
        resolve(answer.statusCode ?? 0);
      });
      asked.on('error', reject);
      asked.end();
    });
  for (const [method, path] of ROUTES.map(([m, p]) => [m, p.replace(/[:*]\w*/g, 'x')] as const)) {
    expect(await raw(method, path, { host: 'evil.example' }), path).toBe(421);
    expect(await raw(method, path, { host: '127.0.0.1', 'x-forwarded-host': 'evil.example' }), path).not.toBe(421);
  }
  const owner = await signedIn(shop, 'owner');
  const cookie = cookieOf(owner);
  const host = `127.0.0.1:${shop.port}`;
  const elsewhere: Record<string, string>[] = [
    { origin: 'http://evil.example' },
    { origin: 'null' },
    { 'sec-fetch-site': 'cross-site' },
  ];
  for (const headers of elsewhere)
    expect(await raw('POST', '/api/commands/makeStandard', { host, cookie, ...headers })).toBe(403);
  // a session that somebody else chose is not the one that signing in gives
  const chosen: Jar = new Map([['spatium.session_token', 'chosen.by-somebody-else']]);
  expect(await act(shop, chosen, 'signIn', ...PINS.fitter)).toEqual({ ok: true });
  expect(chosen.get('spatium.session_token')).not.toContain('chosen');
  for (const made of ['x', 'chosen.by-somebody-else', '../../etc', encodeURIComponent('{"a":1}')])
    expect((await ask(shop, new Map([['spatium.session_token', made]]), 'GET', '/api/builds')).status).toBe(401);
});
