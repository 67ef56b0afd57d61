/** Speed and weight, measured in one run. Ratios compare like with like within it. */
import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { type Browser, type Page, chromium } from '@playwright/test';
import { build } from 'esbuild';
import { judge } from '../src/core/judge/judge';
import { parseReading } from '../src/core/foundation/quantity/parseReading';
import { writeBuildFile, readBuildFile } from '../src/files/buildFile';
import { createBuild } from '../src/store/builds';
import { openDatabase } from '../src/store/open';
import munkres from 'munkres-js';
import { leastSum } from '../src/core/foundation/quantity/assignment';
import { pairingOf } from '../src/core/stages/pistons/pairing';
import { bestPlacement } from '../src/core/stages/rings/bestPlacement';
import { solve } from '../src/core/stages/clocking/clockingSolver';
import { exhaustive, reachedRow, someAsks } from '../src/fixtures/clocking';
import { filedAsAdvised, filedByHalves, filedTogether, someFitters } from '../src/fixtures/filers';
import { type OrderAsk, installOrder } from '../src/core/stages/assembly/installOrder';
import { matchWeights } from '../src/core/stages/assembly/weights/matchWeights';
import { gap, griddedRecord, jobEntry, largeRecord } from '../src/fixtures/records';
import { NO_SERVICE } from '../src/core/models/load/service';
import { STARTING_CURVE } from '../src/core/models/charts/startingCurve';
import { STAGE_IDS } from '../src/core/judge/stageTables';
import { Server } from '../e2e/server';
import { weighed } from '../e2e/weight';
import type { JudgeTimes } from './benchmarkJudge';
import { browserAsUsed } from './chromium.mjs';
import { Figures, at } from './figures';

/** What is held to a time is held to frames of the screen. */
const FRAME = 1_000 / 60;

const figures = new Figures();
const add = figures.add.bind(figures);

function spread(times: number[]): { median: number; p95: number } {
  const sorted = [...times].sort((a, b) => a - b);
  return { median: at(sorted, 0.5), p95: at(sorted, 0.95) };
}

function timed(work: () => unknown, times: number): { median: number; p95: number } {
  for (let i = 0; i < 30; i += 1) work();
  return spread(
    Array.from({ length: times }, () => {
      const start = performance.now();
      work();
      return performance.now() - start;
    }),
  );
}

const ms = ({ median, p95 }: { median: number; p95: number }): string =>
  `${median.toFixed(3)} ms median, ${p95.toFixed(3)} ms 95th percentile`;

function core(): void {
  const large = largeRecord(1_000);
  const context = { field: 'gap', units: 'imperial', bore: 103_251_000, expected: null, setting: null } as const;
  add('hear("22")', ms(timed(() => parseReading('22', context), 2_000)));
  const text = JSON.stringify(writeBuildFile(large));
  add('read a build file of 1,000 readings', ms(timed(() => readBuildFile(text), 50)));
}

/** Pairing 16 × 16 against the Hungarian method of a package, on the same matrices. */
function pairing(): void {
  const { ask } = judge(griddedRecord(1)).pairing;
  const loose = { ...ask, neverTight: false };
  const own = timed(() => pairingOf(loose), 300);
  add('pairing, 16 × 16: worst, squares, fewest moved', ms(own), 'within a frame', own.median < FRAME);
  const squares = ask.bores.map(({ bore, wanted }) => ask.pistons.map(({ size }) => (bore - size - wanted) ** 2));
  const least = timed(() => leastSum(squares), 300);
  const reference = timed(() => munkres(squares), 60);
  add('  least sum of squares alone, 16 × 16', ms(least));
  add('  the package on the same matrix', ms(reference));
  add('  ours as a share of the package’s time', (least.median / reference.median).toFixed(3));
}

/** Advised cuts of simulated filers, against the habit of taking half of what is left. */
function filing(): void {
  const fitters = someFitters(2_000, 11);
  const halves = filedTogether(fitters.map(({ fitter, starts }, i) => filedByHalves(fitter, starts, i + 1)));
  for (const chance of [0.02, 0.05, 0.1]) {
    const { rings, cuts, advised, passed, loose } = filedTogether(
      fitters.map(({ fitter, starts }, i) => filedAsAdvised(fitter, starts, chance, i + 1)),
    );
    add(
      `advised cuts past the window, ${chance * 100} % stated`,
      `${((100 * passed) / advised).toFixed(2)} % of ${advised}; ${(cuts / rings).toFixed(2)} cuts a ring, ${((100 * loose) / rings).toFixed(1)} % end loose`,
      'within what is stated',
      passed / advised <= chance,
    );
  }
  add(
    '  by halves of what is left',
    `${(halves.cuts / halves.rings).toFixed(2)} cuts a ring, ${((100 * halves.loose) / halves.rings).toFixed(1)} % end loose`,
  );
}

/** Placing 16 rings in 16 bores. */
function placing(): void {
  const { ask } = judge(griddedRecord(1)).placing.top;
  for (const aim of ['filing', 'even'] as const) {
    const own = timed(() => bestPlacement({ ...ask, aim }), 30);
    add(`placing ${ask.rings.length} rings, ${aim === 'filing' ? 'least filing' : 'most even'}`, ms(own));
  }
}

/** Joints placed under random rule sets, to the degree; and on a coarse grid against trying every arrangement. */
function clocking(): void {
  const asks = someAsks(500, 7, 1);
  for (const ask of asks.slice(0, 20)) solve(ask);
  const times = asks.map((ask) => {
    const start = performance.now();
    solve(ask);
    return performance.now() - start;
  });
  add(
    'placing five joints to 1°, 500 random rule sets',
    `${ms(spread(times))}, ${Math.max(...times).toFixed(0)} ms worst`,
  );
  const coarse = someAsks(200, 11, 30);
  const agreed = coarse.filter((ask) => {
    const [found, best] = [solve(ask), exhaustive(ask)];
    return found.ok
      ? JSON.stringify(reachedRow(found.reached)) === JSON.stringify(best?.map((figure) => figure + 0))
      : best === null;
  });
  add(
    '  agrees with trying every arrangement, to 30°',
    `${agreed.length} of ${coarse.length}`,
    'all',
    agreed.length === coarse.length,
  );
}

/** The order that pistons go in, to the fewest turns: a V8 and sixteen on a crank of their own. */
function installing(): void {
  const asked = (n: number): OrderAsk => ({
    cylinders: Array.from({ length: n }, (_, i) => ({
      ...{ id: `c${i}`, bank: i % 2 === 0 ? 'left' : 'right', mate: `c${i ^ 1}`, bottom: ((i >> 1) * 135) % 360 },
    })),
    ...{ from: null, saves: 'stand', bothWays: false },
  });
  const [eight, sixteen] = [timed(() => installOrder(asked(8)), 200), timed(() => installOrder(asked(16)), 5)];
  add('order of 8 pistons, exact', ms(eight), 'within a frame', eight.median < FRAME);
  add('order of 16 pistons, exact', ms(sixteen));
}

/** Parts mixed with pins, clips, ring packs and rods all free, on random engines. */
function mixing(): void {
  const random = (
    (state: number) => () =>
      (state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0) / 2 ** 32
  )(7);
  const masses = (n: number, from: number, wide: number): number[] =>
    Array.from({ length: n }, () => Math.round((from + wide * random()) * 10) * 100);
  for (const sets of [6, 8, 12, 16]) {
    const asks = Array.from({ length: 6 }, () => ({
      base: masses(sets, 600, 4),
      kinds: [masses(sets, 140, 3), masses(sets, 3, 0.4), masses(sets, 52, 1.5), masses(sets, 180, 5)].map((kind) => ({
        ...{ masses: kind, stays: kind.map(() => false) },
      })),
    }));
    const found = asks.map((ask) => {
      const start = performance.now();
      const mix = matchWeights(ask);
      return { ...mix, took: performance.now() - start };
    });
    const apart = Math.max(...found.map((m) => m.spread - m.bound));
    add(
      `mixing ${sets} sets, four kinds free`,
      `${ms(spread(found.map((m) => m.took)))}; ${found.filter((m) => m.isExact).length} of ${found.length} exact, the rest within ${apart / 1_000} g`,
      sets <= 8 ? 'exact' : 'proven within a gram',
      sets <= 8 ? found.every((m) => m.isExact) : apart <= 1_000,
    );
  }
}

const SHELVES = [
  ['page', '/'],
  ['searched and sorted', '/?q=sixteen+42&sort=progress&dir=down'],
  ['route', '/api/builds'],
] as const;

/** The shelf of a small shop, and that of one a hundred times as large. */
async function shelves(server: Server): Promise<void> {
  const db = await openDatabase(join(server.folder, 'shop.db'));
  const [few, many] = [50, 5_000];
  const fill = async (from: number, to: number): Promise<void> => {
    for (let i = from; i < to; i += 1) {
      const record = largeRecord(0, `shelf-${i}`);
      await createBuild(db, { ...record, entries: [...record.entries, gap('a', 'L1', 'top', 15 + (i % 12))] });
    }
  };
  const asked = async (path: string): Promise<{ median: number; p95: number }> => {
    // While builds were put in, the server may have closed the connection that stood.
    await fetch(server.url + path).catch(() => null);
    const times: number[] = [];
    for (let i = 0; i < 40; i += 1) {
      const start = performance.now();
      await (await fetch(server.url + path)).text();
      if (i >= 5) times.push(performance.now() - start);
    }
    return spread(times);
  };
  await fill(0, few);
  const small = new Map<string, number>();
  for (const [, path] of SHELVES) small.set(path, (await asked(path)).median);
  await fill(few, many);
  db.$client.close();
  for (const [what, path] of SHELVES) {
    const found = await asked(path);
    add(`shelf of ${many} builds, ${what}`, ms(found));
    const ratio = found.median / (small.get(path) ?? NaN);
    add(`  as a multiple of one of ${few}`, ratio.toFixed(2), 'at most 10', ratio <= 10);
  }
}

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

/** An append on a record of 3,000 readings against one of ten, in turn, through the route that the bench uses. */
async function appends(server: Server): Promise<void> {
  const [short, long] = [largeRecord(10, 'short'), largeRecord(3_000, 'long')];
  for (const record of [short, long]) await server.put(record);
  const took: Record<string, number[]> = { short: [], long: [] };
  const { seq } = (await (await fetch(`${server.url}/api/builds/long/entries`)).json()) as { seq: number };
  for (let i = 0; i < 120; i += 1)
    for (const id of ['short', 'long']) {
      const body = JSON.stringify({ entries: [gap(`append-${i}`, 'L1', 'top', 15 + (i % 12))] });
      const start = performance.now();
      await (
        await fetch(`${server.url}/api/builds/${id}/entries?since=${seq + 100_000}`, { method: 'POST', body })
      ).text();
      if (i >= 20) took[id]?.push(performance.now() - start);
    }
  const [few, many] = [spread(took.short ?? []), spread(took.long ?? [])];
  const ratio = many.median / few.median;
  add('one reading appended to a record of ten', ms(few));
  add('  to a record of 3,000, as a multiple', ratio.toFixed(2), 'at most 1.3', ratio <= 1.3);
}

/** Compressed JavaScript of every screen: before its line listens, and with what comes at rest. */
async function weights(chrome: Browser, server: Server): Promise<void> {
  const screens: [string, number][] = [
    ['/', 200],
    ['/new', 260],
    ['/gap', 260],
    ['/charts/starting', 200],
    ['/instruments', 200],
    // the bottom end brings what works it out and its words
    ...STAGE_IDS.map((stage): [string, number] => [`/builds/bench/${stage}`, 260]),
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

async function browser(server: Server): Promise<void> {
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
  const times: number[] = [];
  for (let i = 0; i < 40; i += 1) {
    await line.fill('');
    const took = await line.evaluate(
      (input: HTMLInputElement) =>
        new Promise<number>((resolve) => {
          const start = performance.now();
          new MutationObserver((_, observer) => {
            if (!document.querySelector('#line-said')?.textContent.includes('0.559 mm')) return;
            observer.disconnect();
            requestAnimationFrame(() => resolve(performance.now() - start));
          }).observe(document.querySelector('#line-said') ?? document.body, {
            childList: true,
            subtree: true,
            characterData: true,
          });
          Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')?.set?.call(input, '22');
          input.dispatchEvent(new Event('input', { bubbles: true }));
        }),
    );
    if (i >= 5) times.push(took);
  }
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
  const times: number[] = [];
  for (let i = 0; i < 40; i += 1) {
    await line.fill(i % 2 ? '24' : '22');
    await page.locator('#line-said').getByText('Enter', { exact: true }).waitFor();
    await page.evaluate(TWO_FRAMES);
    const took = await line.evaluate(
      (input: HTMLInputElement) =>
        new Promise<number>((resolve) => {
          const start = performance.now();
          new MutationObserver((_, observer) => {
            if (!document.querySelector('#line-said')?.textContent.includes('Logged')) return;
            observer.disconnect();
            requestAnimationFrame(() => resolve(performance.now() - start));
          }).observe(document.querySelector('#line-said') ?? document.body, {
            childList: true,
            subtree: true,
            characterData: true,
          });
          input.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true, cancelable: true }));
        }),
    );
    if (i >= 5) times.push(took);
  }
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
  await page.getByRole('tab', { name: 'Load' }).click();
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
  await page.getByRole('tab', { name: 'Heat' }).click();
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

const lines = (folder: string): { code: number; tests: number } => {
  const count = { code: 0, tests: 0 };
  for (const entry of readdirSync(folder, { recursive: true, withFileTypes: true })) {
    if (!entry.isFile() || !/\.(ts|tsx|mjs|css)$/.test(entry.name)) continue;
    const file = join(entry.parentPath, entry.name);
    const filled = readFileSync(file, 'utf8')
      .split('\n')
      .filter((l) => l.trim()).length;
    count[/\.(test|spec)\./.test(entry.name) || /(^|\/)(e2e|fixtures)\//.test(file) ? 'tests' : 'code'] += filled;
  }
  return count;
};

core();
pairing();
filing();
placing();
clocking();
installing();
mixing();
const server = new Server();
await server.start();
try {
  await shelves(server);
  await appends(server);
  await browser(server);
} finally {
  await server.end();
}
const counts = ['src', 'e2e', 'scripts']
  .map(lines)
  .reduce((a, b) => ({ code: a.code + b.code, tests: a.tests + b.tests }));
add(
  'test lines as a share of code and tests',
  `${((100 * counts.tests) / (counts.code + counts.tests)).toFixed(0)} % (${counts.tests} of ${counts.code + counts.tests})`,
  'a quarter to a third',
);

process.exit(figures.print() ? 0 : 1);
