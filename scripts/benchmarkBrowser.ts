/** Speed and weight where users are: in Chromium. */
import { type Browser, type Locator, type Page, chromium } from '@playwright/test';
import { build } from 'esbuild';
import { STAGE_IDS } from '../src/core/judge/stageTables';
import { STARTING_CURVE } from '../src/core/models/charts/startingCurve';
import { NO_SERVICE } from '../src/core/models/load/service';
import { griddedRecord, jobEntry, largeRecord } from '../src/fixtures/records';
import type { Server } from '../e2e/server';
import { weighed } from '../e2e/weight';
import type { JudgeTimes } from './benchmarkJudge';
import { FRAME, add, ms, spread } from './benchmarkFigures';
import { browserAsUsed } from './chromium.mjs';

/** The judge where users are: in Chromium. */
async function judged(page: Page): Promise<void> {
  const { outputFiles } = await build({
    entryPoints: ['scripts/benchmarkJudge.ts'],
    bundle: true,
    write: false,
    minify: true,
    format: 'iife',
    globalName: 'bench',
    tsconfig: 'tsconfig.json',
  });
  await page.goto('about:blank');
  await page.addScriptTag({ content: outputFiles[0]?.text ?? '' });
  const times = await page.evaluate<JudgeTimes>('bench.judgeTimes()');
  const figure = (t: number): string => `${t.toFixed(2)} ms`;
  add(
    'in Chromium: judge() of 16 cylinders, 1,000 readings',
    figure(times.whole),
    'within half a frame',
    times.whole < FRAME / 2,
  );
  const multiple = times.whole / times.json;
  add('  as a multiple of JSON out and in of the same record', multiple.toFixed(2));
  add(
    'in Chromium: judge() of 16 bores of nine spots',
    figure(times.gridded),
    'within half a frame',
    times.gridded < FRAME / 2,
  );
  add(
    'in Chromium: one reading more on 1,000',
    figure(times.oneMore),
    'within a tenth of a frame',
    times.oneMore < FRAME / 10,
  );
  const share = times.oneMore / times.whole;
  add('  as a share of the whole', share.toFixed(2), 'at most 0.25', share <= 0.25);
}

/**
 * Compressed JavaScript of every screen: before its line listens, and with what comes at rest. `weighed` opens on one page;
 * `bench` has more entries than a page carries, and loads them.
 */
async function weights(chrome: Browser, server: Server): Promise<void> {
  await server.put(largeRecord(500, 'weighed'));
  const screens: [string, number][] = [
    ['/', 200],
    ['/new', 260],
    ['/gap', 260],
    ['/charts/starting', 200],
    ['/instruments', 200],
    ...STAGE_IDS.map((stage): [string, number] => [`/builds/weighed/${stage}`, 260]),
    ['/builds/bench/rings', 260],
  ];
  for (const [path, most] of screens) {
    const page = await (await chrome.newContext()).newPage();
    const weight = await weighed(page);
    await page.goto(server.url + path, { waitUntil: 'networkidle' });
    await page.getByRole('main').waitFor();
    await page.waitForLoadState('networkidle');
    const { all, later } = await weight();
    await page.context().close();
    add(`${path}, JavaScript, compressed`, `${all.toFixed(0)} kB`, `under ${most} kB`, all < most);
    if (later > all + 1) add('  with what stands beside, at rest', `${later.toFixed(0)} kB`);
  }
}

/** Times of forty turns but for the first five, ms. */
async function fortyTimes(turn: (i: number) => Promise<number>): Promise<number[]> {
  const times: number[] = [];
  for (let i = 0; i < 40; i += 1) {
    const took = await turn(i);
    if (i >= 5) times.push(took);
  }
  return times;
}

/** From what is typed, or Enter for null, until the line says some words and the next frame is drawn, ms. */
const untilSaid = (line: Locator, words: string, typed: string | null): Promise<number> =>
  line.evaluate(
    (input: HTMLInputElement, [holds, text]) =>
      new Promise<number>((resolve) => {
        const start = performance.now();
        const said = document.querySelector('#line-said') ?? document.body;
        new MutationObserver((_, observer) => {
          if (!said.textContent.includes(holds)) return;
          observer.disconnect();
          requestAnimationFrame(() => resolve(performance.now() - start));
        }).observe(said, { childList: true, subtree: true, characterData: true });
        if (text === null)
          input.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true, cancelable: true }));
        else {
          Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')?.set?.call(input, text);
          input.dispatchEvent(new Event('input', { bubbles: true }));
        }
      }),
    [words, typed] as const,
  );

/** What is measured in Chromium: weights, the judge, entries, what is dragged. */
export async function browserFigures(server: Server): Promise<void> {
  await server.put(largeRecord(1_000, 'bench'));
  const chrome = await chromium.launch({
    executablePath: browserAsUsed(),
    args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
  });
  const page = await chrome.newPage({ viewport: { width: 1280, height: 800 } });
  await judged(page);
  await weights(chrome, server);
  await page.goto(`${server.url}/builds/bench/rings`, { waitUntil: 'networkidle' });
  const line = page.getByRole('region', { name: 'Reading line' }).getByRole('textbox');
  const times = await fortyTimes(async () => {
    await line.fill('');
    return untilSaid(line, '0.559 mm', '22');
  });
  await entered(page);
  await heat(page, server);
  await paired(page, server);
  await dragged(page, server);
  await loadDragged(page, server);
  const found = spread(times);
  add('entry to visible verdict, 1,000 readings on record', ms(found), 'within two frames', found.median <= 2 * FRAME);
  await chrome.close();
}

/** Run in the page: until what was typed is drawn. Enter is pressed by someone who saw it. */
const TWO_FRAMES = 'new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done)))';

/** From Enter to the verdict of what was logged, in sight: the line says so and the next frame is drawn. */
async function entered(page: Page): Promise<void> {
  const line = page.getByRole('region', { name: 'Reading line' }).getByRole('textbox');
  const times = await fortyTimes(async (i) => {
    await line.fill(i % 2 ? '24' : '22');
    await page.locator('#line-said').getByText('Enter', { exact: true }).waitFor();
    await page.evaluate(TWO_FRAMES);
    return untilSaid(line, 'Logged', null);
  });
  const found = spread(times);
  add('Enter to the logged verdict in sight', ms(found), 'the next frame (20 ms)', found.median <= 20);
}

/** A joint dragged round on sixteen crowns at once: frames that took longer than 33 ms. */
async function dragged(page: Page, server: Server): Promise<void> {
  await page.goto(`${server.url}/builds/bench/clocking`, { waitUntil: 'networkidle' });
  await page.getByRole('tab', { name: 'All crowns' }).click();
  const mark = page.getByRole('slider', { name: 'top ring gap' }).first();
  await mark.scrollIntoViewIfNeeded();
  const crown = await page
    .getByRole('group', { name: /^Crown of cylinder/ })
    .first()
    .boundingBox();
  const start = await mark.boundingBox();
  if (!crown || !start) throw new Error('no crown');
  const middle = { x: crown.x + crown.width / 2, y: crown.y + crown.height / 2 };
  const from = { x: start.x + start.width / 2 - middle.x, y: start.y + start.height / 2 - middle.y };
  const [radius, angle] = [Math.hypot(from.x, from.y), Math.atan2(from.y, from.x)];
  await page.mouse.move(middle.x + from.x, middle.y + from.y);
  await page.mouse.down();
  const frames = await framesOver(page, 180, (i) => {
    const a = angle + (i * Math.PI) / 90;
    return { x: middle.x + radius * Math.cos(a), y: middle.y + radius * Math.sin(a) };
  });
  await page.mouse.up();
  add('a joint dragged on 16 crowns at once', slow(frames));
}

/** The times between the frames of a page while the pointer moves, ms. */
async function framesOver(page: Page, moves: number, at: (i: number) => { x: number; y: number }): Promise<number[]> {
  await page.evaluate(
    `window.frames_ = []; (function frame(last) { requestAnimationFrame(function (now) { frames_.push(now - last); frame(now); }); })(performance.now());`,
  );
  for (let i = 1; i <= moves; i += 1) {
    const { x, y } = at(i);
    await page.mouse.move(x, y);
  }
  return page.evaluate<number[]>('frames_');
}

const slow = (frames: number[]): string =>
  `${frames.filter((f) => f > 2 * FRAME + 0.1).length} of ${frames.length} frames over 33 ms, longest ${Math.max(...frames).toFixed(0)} ms`;

/** The heat load dragged along its curve: what would be asked is worked out and drawn at every move. */
async function loadDragged(page: Page, server: Server): Promise<void> {
  await server.put({
    id: 'load',
    entries: [
      jobEntry({ service: { ...NO_SERVICE, use: 'street' } }),
      { kind: 'chart', id: 'chart', at: '2026-05-04T09:00:00.000Z', by: '', replaces: null, value: STARTING_CURVE },
    ],
  });
  await page.goto(`${server.url}/builds/load/targets`, { waitUntil: 'networkidle' });
  await page.getByRole('tab', { name: 'Heat load' }).click();
  const canvas = page.getByRole('region', { name: 'Gap against heat load' }).locator('canvas');
  await canvas.scrollIntoViewIfNeeded();
  const box = await canvas.boundingBox();
  if (!box) throw new Error('no curve');
  await page.mouse.move(box.x + box.width * 0.2, box.y + box.height / 2);
  await page.mouse.down();
  const frames = await framesOver(page, 180, (i) => ({
    x: box.x + box.width * (0.5 + 0.35 * Math.sin(i / 20)),
    y: box.y + box.height / 2,
  }));
  await page.mouse.up();
  const median = frames.toSorted((a, b) => a - b)[Math.floor(frames.length / 2)] ?? 0;
  add('the heat load dragged along its curve', slow(frames), 'a frame each, in the median', median <= FRAME * 1.5);
}

/** Run in the page: keeps the longest time between two frames. */
const WATCH_FRAMES = `window.seen = { longest: 0, last: performance.now() };
  requestAnimationFrame(function frame(now) {
    seen.longest = Math.max(seen.longest, now - seen.last);
    seen.last = now;
    requestAnimationFrame(frame);
  });`;

/** A simulation in the worker: how long 10,000 draws take, and the longest frame of the page meanwhile. */
async function heat(page: Page, server: Server): Promise<void> {
  await page.goto(`${server.url}/builds/bench/targets`, { waitUntil: 'networkidle' });
  await page.getByRole('tab', { name: 'Closing check' }).click();
  const status = page.getByText(/draws a gap over temperatures/);
  await status.waitFor();
  const rows = await page.getByRole('table', { name: 'Gaps hot' }).locator('tbody tr').count();
  await page.evaluate(WATCH_FRAMES);
  await page.getByLabel('Draws').selectOption('200000');
  await page.getByText(/^200,000 draws a gap/).waitFor();
  const took = Number(/in (\d+) ms/.exec((await status.textContent()) ?? '')?.[1]);
  const longest = Number(await page.evaluate('seen.longest'));
  const each = took / (20 * rows);
  add(
    '10,000 draws of a gap in the worker',
    `${each.toFixed(0)} ms (from ${rows} × 200,000)`,
    'within 18 frames',
    each < 18 * FRAME,
  );
  add(
    '  longest frame of the page meanwhile',
    `${longest.toFixed(0)} ms`,
    'no gap of over three frames',
    longest <= 3 * FRAME,
  );
}

/** A pairing in the worker of the page, as the page measured it. */
async function paired(page: Page, server: Server): Promise<void> {
  await server.put(griddedRecord(1, 'paired'));
  await page.goto(`${server.url}/builds/paired/pistons`, { waitUntil: 'networkidle' });
  const took: number[] = [];
  for (let i = 0; i < 5; i += 1) {
    await page.getByRole('tab', { name: 'Pairing' }).click();
    const said = page.getByText(/^Worked out in/);
    await said.waitFor();
    took.push(Number(/in ([\d.]+) ms/.exec((await said.textContent()) ?? '')?.[1]));
    await page.getByRole('tab', { name: 'Readings' }).click();
  }
  const { median } = spread(took);
  add(
    'pairing 16 × 16 in the worker, worker just begun',
    `${median.toFixed(1)} ms`,
    'within two frames',
    median < 2 * FRAME,
  );
}
