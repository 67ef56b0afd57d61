/** npm run screenshots: the pictures in docs/screenshots, anew from the demo's data. */
import { chromium } from '@playwright/test';
import { browserAsUsed } from './chromium.mjs';
import { join } from 'node:path';
import { Server } from '../e2e/server';
import { openDatabase } from '../src/store/open';
import { seedCharts } from './seedCharts';

interface Shot {
  name: string;
  path: string;
  size?: { width: number; height: number };
  theme?: 'light' | 'dim';
  typed?: string;
  /** Whether tools are in hand. */
  tools?: boolean;
  /** A tab to open, and how long what it shows takes to settle, ms. */
  tab?: string;
}

const SETTLE = 2_500;

const SHOTS: Shot[] = [
  { name: 'shelf', path: '/' },
  { name: 'targets', path: '/builds/demo-linn-triple/targets' },
  { name: 'load', path: '/builds/demo-linn-triple/targets', tab: 'Heat load' },
  { name: 'heat', path: '/builds/demo-tarn-five/targets', tab: 'Closing check' },
  { name: 'quick-gap', path: '/gap?units=imperial&bore=4in&use=race&piston=hypereutectic&wall=iron' },
  { name: 'chart', path: '/charts/workshop' },
  { name: 'bores', path: '/builds/demo-corrie-v10/bores', tools: true, typed: 'set 3.780⏎6' },
  { name: 'pistons', path: '/builds/demo-corrie-v10/pistons', tools: true, typed: '3.7676' },
  { name: 'pairing', path: '/builds/demo-corrie-v10/pistons', tools: true, tab: 'Pairing' },
  { name: 'journals', path: '/builds/demo-tarn-five/journals?at=M5.housing', tools: true, typed: '2.3638' },
  { name: 'shells', path: '/builds/demo-tarn-five/journals', tab: 'Bearing shells' },
  { name: 'rings', path: '/builds/demo-tarn-five/rings', tools: true, typed: '22' },
  {
    name: 'rings-tablet-dim',
    path: '/builds/demo-tarn-five/rings',
    size: { width: 820, height: 1180 },
    theme: 'dim',
    typed: '15/16',
  },
  { name: 'clocking', path: '/builds/demo-corrie-v10/clocking' },
  { name: 'assembly', path: '/builds/demo-tarn-five/assembly', size: { width: 820, height: 1180 } },
  { name: 'tightening', path: '/builds/demo-tarn-five/assembly', tab: 'Torque' },
  { name: 'masses', path: '/builds/demo-corrie-v10/assembly', tab: 'Weights' },
  { name: 'sheet', path: '/builds/demo-combe-flat-four/sheet' },
];

const server = new Server();
await server.start();
await server.putDemo();
const db = await openDatabase(join(server.folder, 'shop.db'));
await seedCharts(db);
db.$client.close();
const browser = await chromium.launch({
  executablePath: browserAsUsed(),
  args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
});
for (const { name, path, size = { width: 1280, height: 800 }, theme = 'light', typed, tab, tools = false } of SHOTS) {
  const context = await browser.newContext({ viewport: size, locale: 'en-GB', timezoneId: 'UTC' });
  await context.addCookies([{ name: 'spatium-theme', value: theme, url: server.url }]);
  await context.addInitScript(() => localStorage.setItem('spatium-by', 'KM'));
  if (tools)
    await context.addInitScript(() => {
      localStorage.setItem('spatium-hands-imperial', '{"bore":"gauge-in","piston":"mic-3-4in","filing":"filer-hand"}');
      localStorage.setItem('spatium-hands-metric', '{"bore":"gauge-mm","piston":"mic-75-100mm"}');
    });
  const page = await context.newPage();
  await page.goto(server.url + path, { waitUntil: 'networkidle' });
  // what stands beside comes once the page is at rest
  const beside = page.getByRole('complementary').first();
  if ((await beside.count()) > 0) await beside.locator('*').first().waitFor();
  for (const [i, text] of (typed ?? '').split('⏎').entries()) {
    if (i > 0) await page.keyboard.press('Enter');
    await page.keyboard.type(text);
  }
  if (tab) {
    await page.getByRole('tab', { name: tab, exact: true }).click();
    await page.waitForTimeout(SETTLE);
  }
  await page.screenshot({ path: `docs/screenshots/${name}.png` });
  await context.close();
}
// people are set up last: from then on everybody signs in
const shop = await browser.newContext({ viewport: { width: 1280, height: 800 }, locale: 'en-GB', timezoneId: 'UTC' });
const page = await shop.newPage();
const done = async (name: string, ...args: string[]): Promise<void> => {
  await page.request.post(`${server.url}/api/commands/${name}`, { data: { args } });
};
await done('setUpPeople', 'Kim Moor', 'KM', 'invented');
await done('addPerson', 'Ann West', 'AW', 'fitter', 'invented');
await done('addPerson', 'Rea Long', 'RL', 'reader', 'invented');
await page.goto(`${server.url}/shop`, { waitUntil: 'networkidle' });
await page.getByRole('button', { name: /^Signed in/ }).waitFor();
await page.screenshot({ path: 'docs/screenshots/shop.png' });
await browser.close();
await server.end();
