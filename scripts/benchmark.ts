/** Speed and weight, measured in one run. Ratios compare like with like within it. */
import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
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
import { gap, griddedRecord, largeRecord } from '../src/fixtures/records';
import { Server } from '../e2e/server';
import { browserFigures } from './benchmarkBrowser';
import { FRAME, type Spread, add, figures, ms, spread } from './benchmarkFigures';

function timed(work: () => unknown, times: number): Spread {
  for (let i = 0; i < 30; i += 1) work();
  return spread(
    Array.from({ length: times }, () => {
      const start = performance.now();
      work();
      return performance.now() - start;
    }),
  );
}

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
  const asked = async (path: string): Promise<Spread> => {
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
  await browserFigures(server);
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
