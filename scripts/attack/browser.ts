/** What a page of somebody else, or words on record, can do to whoever is signed in: tried in Chromium. */
import { type Server as Plain, createServer } from 'node:http';
import { type Browser, type BrowserContext, type Page, chromium } from '@playwright/test';
import { type Jar, PINS, act, ask, setUpShop, signedIn } from '../../e2e/people';
import { Server } from '../../e2e/server';
import { STAGE_IDS } from '../../src/core/judge/stageTables';
import { COMMAND_NEEDS, ROUTES } from '../../src/people/permissions';
import { browserAsUsed } from '../chromium.mjs';
import { type Figures } from '../figures';
import { PAYLOADS, filledShop } from './words';

/** A site of somebody else’s; this machine answers by its name. */
const FOREIGN = 'evil.example';

interface Ground {
  server: Server;
  browser: Browser;
  /** Signed in as the owner. */
  victim: BrowserContext;
  owner: Jar;
  /** Where somebody else’s pages are. */
  foreignPort: number;
}

/** Attempts, and those of them that got through, in words. */
interface Tried {
  tries: number;
  through: string[];
  /** What was tried, where the count does not say it. */
  ofWhat?: string;
}

const paths = ROUTES.map(([method, path, need]) => ({
  ...{ method, need },
  path: path.replace('/builds/:id', '/builds/bench').replace(':stage', 'rings').replace(/:\w+/g, 'starting').replace('*', 'x'),
})); // oxfmt-ignore

/** All that stands in the shop, to see whether anything was done to it. */
async function stateOf({ server, owner }: Ground): Promise<string> {
  const texts = ['/api/builds', '/api/builds/bench', '/api/charts', '/api/instruments', '/api/audit?csv=1'].map(
    async (path) => (await ask(server, new Map(owner), 'GET', path)).text(),
  );
  return (await Promise.all(texts)).join('\n');
}

/** A name of somebody else’s that was made to lead here, asked for every page and route by its own pages. */
async function rebinding({ server, browser }: Ground): Promise<Tried> {
  const context = await browser.newContext();
  const page = await context.newPage();
  const through: string[] = [];
  let tries = 0;
  const own = `http://${FOREIGN}:${server.port}`;
  await page.goto(`${own}/`);
  for (const { method, path } of paths) {
    tries += 1;
    const status = await page.evaluate(
      async ([m, p]) => (await fetch(p, m === 'POST' ? { method: m, body: '{}' } : {})).status,
      [method, path] as const,
    );
    if (status !== 421) through.push(`${method} ${path} by ${FOREIGN}: ${status}`);
  }
  await context.close();
  return { tries, through };
}

/** Somebody else’s page, open beside the shop in one browser, sends what it can with the owner’s cookies. */
async function forgery(ground: Ground): Promise<Tried> {
  const { server, victim, foreignPort } = ground;
  const through: string[] = [];
  let tries = 0;
  const targets = [
    ...paths.map(({ method, path }) => ({ method, path })),
    ...Object.keys(COMMAND_NEEDS).map((name) => ({ method: 'POST' as const, path: `/api/commands/${name}` })),
  ];
  // another site; and another port of this machine, which cookies do not tell from ours
  for (const from of [`http://${FOREIGN}:${foreignPort}`, `http://127.0.0.1:${foreignPort}`]) {
    const page = await victim.newPage();
    await page.goto(from);
    for (const { method, path } of targets) {
      const url = server.url + path;
      // what each would do if it were taken
      const body = JSON.stringify({ by: 'XX', args: path.endsWith('makeStandard') ? ['starting'] : [['bench']] });
      const before = method === 'POST' ? await stateOf(ground) : '';
      const read = await page.evaluate(
        async ([m, to, sent]) => {
          const got: string[] = [];
          const attempt = async (name: string, init: RequestInit): Promise<void> => {
            try {
              const answer = await fetch(to, { method: m, credentials: 'include', ...init });
              const text = await answer.text();
              if (text !== '') got.push(`${name} read ${text.slice(0, 60)}`);
            } catch {
              // the browser keeps it from us, as it should
            }
          };
          const bodied = m === 'POST' ? { body: sent } : {};
          await attempt('fetch', bodied);
          await attempt('fetch without asking', { mode: 'no-cors', ...bodied });
          await attempt('fetch as JSON', { headers: { 'content-type': 'application/json' }, ...bodied });
          if (m === 'POST') navigator.sendBeacon(to, sent);
          return got;
        },
        [method, url, body] as const,
      );
      tries += method === 'POST' ? 4 : 3;
      through.push(...read.map((what) => `${from} ${what} of ${method} ${path}`));
      if (method !== 'POST') continue;
      await page.evaluate(
        ([to, sent]) =>
          new Promise<void>((resolve) => {
            const frame = document.createElement('iframe');
            frame.name = 'into';
            const form = Object.assign(document.createElement('form'), { method: 'POST', action: to, target: 'into' });
            form.enctype = 'text/plain';
            const field = Object.assign(document.createElement('input'), { name: sent.slice(0, -1), value: '}' });
            form.append(field);
            document.body.append(frame, form);
            frame.addEventListener('load', () => {
              if (frame.contentWindow !== null && form.dataset.sent === 'yes') resolve();
            });
            form.dataset.sent = 'yes';
            form.submit();
          }),
        [url, body] as const,
      );
      await page.reload();
      tries += 1;
      if ((await stateOf(ground)) !== before) through.push(`${from}: something was done by POST ${path}`);
    }
    await page.close();
  }
  return { tries, through };
}

/** Somebody else’s page shows ours in a frame, draws it as a picture or a script, or opens it and looks in. */
async function framing({ server, victim, foreignPort }: Ground): Promise<Tried> {
  const through: string[] = [];
  const pages = paths.filter(({ method }) => method === 'GET');
  const page = await victim.newPage();
  await page.goto(`http://127.0.0.1:${foreignPort}`);
  for (const { path } of pages) {
    const found = await page.evaluate(async (url) => {
      const got: string[] = [];
      const loaded = (element: HTMLElement): Promise<boolean> =>
        new Promise((resolve) => {
          element.addEventListener('load', () => resolve(true));
          element.addEventListener('error', () => resolve(false));
          document.body.append(element);
        });
      if (await loaded(Object.assign(document.createElement('img'), { src: url }))) got.push('as a picture');
      if (await loaded(Object.assign(document.createElement('script'), { src: url }))) got.push('as a script');
      const frame = Object.assign(document.createElement('iframe'), { src: url });
      // what is a download never loads
      await Promise.race([loaded(frame), new Promise((resolve) => setTimeout(resolve, 1_500))]);
      try {
        // an error page of the browser's own cannot be looked into either
        if ((frame.contentDocument?.body.textContent ?? '') !== '') got.push('in a frame');
      } catch {
        // kept from us
      }
      return got;
    }, server.url + path);
    through.push(...found.map((how) => `${path} ${how}`));
  }
  for (const frame of page.frames().filter((f) => f.url().startsWith(server.url)))
    if (await frame.locator('h1').count().catch(() => 0)) through.push(`${frame.url()} is shown in a frame`); // oxfmt-ignore
  await page.close();
  return { tries: 3 * pages.length, through };
}

/** Counts what ran or became part of a page that should have stayed words. */
const ran = (page: Page): Promise<number> =>
  page.evaluate(
    () => document.querySelectorAll('#xss').length + ('xss' in window ? 1 : 0) + document.querySelectorAll('[onerror]').length,
  ); // oxfmt-ignore

/** Words on record that would be a page: every page and every tab of it looked at. */
async function scripting({ server, owner, victim }: Ground): Promise<Tried> {
  const { builds, chart, tools, places } = filledShop();
  for (const build of builds) {
    const answer = await ask(server, owner, 'POST', '/api/builds', {
      ...{ format: 'spatium-build', version: 14, record: build },
    });
    if (!answer.ok) throw new Error(await answer.text());
  }
  const done = async (name: string, ...args: unknown[]): Promise<void> => {
    const result = (await act(server, owner, name, ...args)) as { ok: boolean };
    if (!result.ok) throw new Error(`${name}: ${JSON.stringify(result)}`);
  };
  await done('saveChartVersion', chart, 0);
  for (const tool of tools) await done('saveTool', tool, tool.version);
  for (const [i, words] of PAYLOADS.entries()) await done('addPerson', words, `X${i}`, 'reader', '4711');
  const [removed] = builds;
  await act(server, owner, 'removeBuilds', [removed?.id]);
  const through: string[] = [];
  const page = await victim.newPage();
  const dialogs: string[] = [];
  page.on('dialog', (dialog) => {
    dialogs.push(dialog.message());
    void dialog.dismiss();
  });
  const addressed = encodeURIComponent(PAYLOADS[0]);
  const views = [
    ...['/', `/?q=${addressed}&sort=${addressed}`, '/charts', `/charts/${chart.id}`, '/instruments', '/archived', '/shop'],
    ...[`/new?chart=${addressed}`, `/gap?bore=${addressed}&chart=${addressed}&use=${addressed}`, `/${addressed}`],
    ...[`/builds/${addressed}`, `/builds/${addressed}/rings`, `/sign-in?to=${addressed}&barred=1`],
    ...builds.flatMap(({ id }) => STAGE_IDS.map((stage) => `/builds/${id}/${stage}?place=${addressed}&tab=${addressed}`)),
  ]; // oxfmt-ignore
  let [seen, shown] = [0, 0];
  for (const view of views) {
    // tabs are there once the page listens
    await page.goto(server.url + view, { waitUntil: 'networkidle' });
    const tabs = page.getByRole('tab');
    const count = await tabs.count();
    for (let i = 0; i < Math.max(1, count); i += 1) {
      if (count > 0) await tabs.nth(i).click({ timeout: 10_000 }).catch(() => null); // oxfmt-ignore
      seen += 1;
      if ((await page.locator('body').innerText()).includes('<i')) shown += 1;
      if ((await ran(page)) > 0) through.push(`${view}, tab ${i}`);
    }
  }
  await page.close();
  // else nothing was tried
  if (shown < builds.length) throw new Error(`the words were shown on ${shown} views only`);
  const ofWhat = `${places} places, seen on ${shown} of ${seen} views`;
  return { tries: seen, through: [...through, ...dialogs.map((d) => `a dialog: ${d}`)], ofWhat };
}

/** Addresses that lead somebody who signs in to another site, or run as a script. */
async function leadingAway({ server, browser }: Ground): Promise<Tried> {
  const leads = [
    ...[`//${FOREIGN}/`, `/\\${FOREIGN}/`, `https://${FOREIGN}/`, `/\t/${FOREIGN}/`, `/\n/${FOREIGN}`, `\t//${FOREIGN}`],
    ...[`javascript:window.xss=1`, ` //${FOREIGN}`, `/%2f${FOREIGN}`, `/.//${FOREIGN}`, `/..//${FOREIGN}`, `/\r/${FOREIGN}`],
    ...[`http:${FOREIGN}`, `data:text/html,<i id=xss>`, `/@${FOREIGN}`, `.${FOREIGN}`, `@${FOREIGN}`, `:80@${FOREIGN}`],
  ]; // oxfmt-ignore
  const through: string[] = [];
  for (const lead of leads) {
    const context = await browser.newContext();
    const page = await context.newPage();
    await page.goto(`${server.url}/sign-in?to=${encodeURIComponent(lead)}`);
    await page.getByLabel('Initials').fill(PINS.fitter[0]);
    await page.getByLabel('PIN or password').fill(PINS.fitter[1]);
    const left: string[] = [];
    page.on('request', (request) => {
      if (request.isNavigationRequest() && new URL(request.url()).origin !== server.url) left.push(request.url());
    });
    await page.getByRole('button', { name: 'Sign in', exact: true }).click();
    await page.waitForURL((url) => url.pathname !== '/sign-in').catch(() => null);
    if (left.length > 0) through.push(`${JSON.stringify(lead)} led to ${left[0]}`);
    else if ((await ran(page)) > 0) through.push(`${JSON.stringify(lead)} ran`);
    await context.close();
  }
  return { tries: leads.length, through };
}

/** A session that somebody else chose before the owner signed in; one that was ended; one made up. */
async function fixation({ server, browser }: Ground): Promise<Tried> {
  const through: string[] = [];
  const context = await browser.newContext();
  const chosen = 'chosen0123456789chosen0123456789.signature';
  await context.addCookies([{ name: 'spatium.session_token', value: chosen, url: server.url }]);
  const page = await context.newPage();
  await page.goto(`${server.url}/sign-in`);
  await page.getByLabel('Initials').fill(PINS.fitter[0]);
  await page.getByLabel('PIN or password').fill(PINS.fitter[1]);
  await page.getByRole('button', { name: 'Sign in', exact: true }).click();
  await page.waitForURL(`${server.url}/`);
  const all = await context.cookies(server.url);
  for (const { name, value, httpOnly, sameSite } of all) {
    if (value.includes('chosen')) through.push(`the chosen ${name} was kept`);
    if (!httpOnly) through.push(`scripts can read ${name}`);
    if (sameSite !== 'Lax' && sameSite !== 'Strict') through.push(`${name} goes along from other sites`);
  }
  const status = async (cookie: string): Promise<number> =>
    (await fetch(`${server.url}/api/builds`, { headers: { cookie }, redirect: 'manual' })).status;
  const made = [
    `spatium.session_token=${chosen}`,
    'spatium.session_token=',
    'spatium.session_token=../../x',
    `spatium.session_token=${'x'.repeat(4_000)}`,
    'spatium.session_data=eyJzZXNzaW9uIjp7fX0=',
    '__Secure-spatium.session_token=x.y',
  ];
  for (const cookie of made)
    if ((await status(cookie)) !== 401) through.push(`let in with ${cookie.slice(0, 40)}`);
  // one's own, its signature changed, its token another's
  const session = all.find(({ name }) => name === 'spatium.session_token');
  if (!session) throw new Error('no session was given');
  const [token = '', signature = ''] = decodeURIComponent(session.value).split('.');
  const cookieFor = (value: string): string => `spatium.session_token=${encodeURIComponent(value)}`;
  if ((await status(cookieFor(`${token}.${signature}`))) !== 200) through.push('its own session does not hold: nothing is tried');
  for (const value of [token, `${token}.`, `${token}x.${signature}`, `${token}.${signature.replace(/^./, (c) => (c === 'A' ? 'B' : 'A'))}`])
    if ((await status(cookieFor(value))) !== 401) through.push(`let in with a changed session`);
  // after it was ended, the cookie that somebody kept is nobody's
  await page.getByRole('button', { name: /^Signed in:/ }).click();
  await page.getByRole('button', { name: /^Sign AW out here/ }).click();
  const until = performance.now() + 10_000;
  while ((await status(cookieFor(`${token}.${signature}`))) !== 401)
    if (performance.now() > until) {
      through.push('a session that was ended holds');
      break;
    }
  await context.close();
  return { tries: made.length + all.length + 6, through };
} // oxfmt-ignore

/** Somebody else’s pages: all the same, empty. */
function foreignPages(): Promise<{ port: number; server: Plain }> {
  const server = createServer((_, response) => {
    response.writeHead(200, { 'content-type': 'text/html' });
    response.end('<!doctype html><title>Somebody else</title><body></body>');
  });
  return new Promise((resolve) => {
    server.listen(0, '127.0.0.1', () => {
      const address = server.address();
      resolve({ server, port: typeof address === 'object' && address ? address.port : 0 });
    });
  });
}

/** Tries it all. */
export async function inBrowser(figures: Figures): Promise<void> {
  const server = new Server();
  await server.start();
  await setUpShop(server);
  const foreign = await foreignPages();
  const browser = await chromium.launch({
    executablePath: browserAsUsed(),
    args: [
      ...['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
      `--host-resolver-rules=MAP ${FOREIGN} 127.0.0.1`,
    ],
  });
  const owner = await signedIn(server, 'owner');
  const victim = await browser.newContext();
  // what compiles these scripts names functions by it
  await victim.addInitScript('globalThis.__name ??= (named) => named');
  await victim.addCookies(
    [...owner].map(([name, value]) => ({ name, value, url: server.url, httpOnly: true, sameSite: 'Lax' })),
  );
  const ground: Ground = { server, browser, victim, owner, foreignPort: foreign.port };
  const attacks: [name: string, attack: (ground: Ground) => Promise<Tried>][] = [
    ['another name made to lead here (rebinding)', rebinding],
    ['another site’s page sends as the owner (CSRF)', forgery],
    ['another site’s page shows or reads ours', framing],
    ['sign-in that leads away', leadingAway],
    ['sessions chosen, changed, ended', fixation],
    ['words on record that would be a page (XSS)', scripting],
  ];
  try {
    for (const [name, attack] of attacks) {
      const { tries, through, ofWhat } = await attack(ground);
      for (const how of through.slice(0, 10)) console.error(`${name}: ${how}`);
      figures.add(
        name,
        `${tries} tries${ofWhat ? ` (${ofWhat})` : ''}, ${through.length} got through`,
        'none',
        through.length === 0,
      );
    }
  } finally {
    await browser.close();
    foreign.server.close();
    foreign.server.closeAllConnections();
    await server.end();
  }
}
