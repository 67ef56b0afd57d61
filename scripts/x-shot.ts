import { chromium } from '@playwright/test';
import { browserForTests } from './chromium.mjs';
const b = await chromium.launch({ executablePath: browserForTests() ?? undefined, args: ['--no-sandbox','--disable-gpu'] });
const [,, url, out, w='1280', h='800', ...acts] = process.argv;
const p = await b.newPage({ viewport: { width: +w, height: +h } });
await p.goto(url!, { waitUntil: 'networkidle' });
for (const a of acts) { const [k, ...r] = a.split('='); const v = r.join('=');
  if (k==='click') await p.getByRole('button', { name: v }).first().click();
  if (k==='tab') await p.getByRole('tab', { name: v, exact: true }).click();
  if (k==='type') await p.keyboard.type(v); if (k==='key') await p.keyboard.press(v);
  if (k==='link') await p.getByRole('link', { name: new RegExp(v) }).first().click();
  if (k==='radio') await p.getByRole('radio', { name: v, exact: true }).click();
  await p.waitForTimeout(400); }
await p.screenshot({ path: out! }); await b.close();
