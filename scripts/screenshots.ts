/** npm run screenshots: the pictures in docs/screenshots, anew from the demo's data. */
import { chromium } from '@playwright/test';
import { Server } from '../e2e/server';

interface Shot {
  name: string;
  path: string;
  size?: { width: number; height: number };
  theme?: 'light' | 'dim';
  typed?: string;
}

const SHOTS: Shot[] = [
  { name: 'shelf', path: '/' },
  { name: 'job', path: '/builds/demo-corrie-v10/job' },
  { name: 'targets', path: '/builds/demo-beck-six/targets' },
  { name: 'pistons', path: '/builds/demo-corrie-v10/pistons', typed: '3.872' },
  { name: 'rings', path: '/builds/demo-tarn-five/rings', typed: '22' },
  { name: 'rings-tablet-dim', path: '/builds/demo-tarn-five/rings', size: { width: 820, height: 1180 }, theme: 'dim', typed: '15/16' },
  { name: 'clocking', path: '/builds/demo-corrie-v10/clocking' },
  { name: 'sheet', path: '/builds/demo-combe-flat-four/sheet' },
];

const server = new Server();
await server.start();
await server.putDemo();
const browser = await chromium.launch({
  executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
});
for (const { name, path, size = { width: 1280, height: 800 }, theme = 'light', typed } of SHOTS) {
  const context = await browser.newContext({ viewport: size, locale: 'en-GB', timezoneId: 'UTC' });
  await context.addCookies([{ name: 'spatium-theme', value: theme, url: server.url }]);
  await context.addInitScript(() => localStorage.setItem('spatium-by', 'KM'));
  const page = await context.newPage();
  await page.goto(server.url + path, { waitUntil: 'networkidle' });
  if (typed) await page.keyboard.type(typed);
  await page.screenshot({ path: `docs/screenshots/${name}.png` });
  await context.close();
}
await browser.close();
await server.end();
