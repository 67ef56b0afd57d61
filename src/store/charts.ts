/**
 * The shop's charts: every version of each, kept for good. Those the program comes with are built in.
 */
import { randomUUID } from 'node:crypto';
import { and, asc, desc, eq } from 'drizzle-orm';
import { type Chart, type ChartVersion, STARTING_CHART } from '@/core/models/charts/chart';
import { BUILT_IN, BUILT_IN_VERSIONS, isBuiltIn } from '@/core/models/charts/startingCurve';
import { sameFigures } from '@/core/models/charts/chartEdit';
import { UNNAMED } from '@/files/chartFile';
import { parseable } from './quarantine';
import type { Database, Within } from './open';
import { charts, shop } from './schema';
import { chartSchema } from '@/files/shapes/targets';

/** A chart as the shop keeps it: its latest version, and whether new builds begin with it. */
export interface KeptChart {
  chart: Chart;
  standard: boolean;
}

export const STANDARD = 'standardChart';

const read = (body: string): Chart => chartSchema.parse(JSON.parse(body));

/** The chart chosen; where none was, the starting curve, or the starting chart of a shop that has made it its own. */
async function standardId(db: Within, own: (id: string) => boolean): Promise<string> {
  const rows = await db.select({ value: shop.value }).from(shop).where(eq(shop.key, STANDARD));
  return rows[0]?.value ?? (own(STARTING_CHART.id) ? STARTING_CHART.id : BUILT_IN[0].id);
}

/**
 * The latest version of every chart that is not put away, those the program comes with first, then by name. One is
 * the standard: the chosen one, or the starting curve while that is put away.
 */
export async function keptCharts(db: Within): Promise<KeptChart[]> {
  const rows = await db
    .select({ id: charts.id, body: charts.body, removedAt: charts.removedAt })
    .from(charts)
    .orderBy(asc(charts.version));
  const latest = new Map<string, { chart: Chart; removed: boolean }>(
    BUILT_IN.map((chart) => [chart.id, { chart, removed: false }]),
  );
  for (const [id, kept] of parseable(
    rows,
    (row) => [row.id, { chart: read(row.body), removed: row.removedAt !== null }] as const,
  ))
    latest.set(id, kept);
  const kept = [...latest.values()].flatMap(({ chart, removed }) => (removed ? [] : [chart]));
  const chosen = await standardId(db, (id) => rows.some((row) => row.id === id));
  const standard = kept.some((chart) => chart.id === chosen) ? chosen : BUILT_IN[0].id;
  return kept
    .map((chart) => ({ chart, standard: chart.id === standard }))
    .sort(
      (a, b) =>
        Number(isBuiltIn(b.chart.id)) - Number(isBuiltIn(a.chart.id)) ||
        (isBuiltIn(a.chart.id) ? 0 : a.chart.name.localeCompare(b.chart.name, 'en')),
    );
}

/**
 * All versions of a chart, newest first; empty when there is none of that id. A shop that made a built-in chart its own
 * goes on from there: what the program came with later is not among them.
 */
export async function chartVersions(db: Within, id: string): Promise<Chart[]> {
  const rows = await db
    .select({ body: charts.body })
    .from(charts)
    .where(eq(charts.id, id))
    .orderBy(desc(charts.version));
  const own = parseable(rows, (row) => read(row.body));
  const isBefore = ({ version }: Chart): boolean => own.every((chart) => chart.version > version);
  return [...own, ...BUILT_IN_VERSIONS.filter((chart) => chart.id === id && isBefore(chart))];
}

/** One version of a chart, the latest unless said; null when there is none. */
export async function loadChart(db: Within, id: string, version: number | null = null): Promise<Chart | null> {
  const all = await chartVersions(db, id);
  return (version === null ? all[0] : all.find((c) => c.version === version)) ?? null;
}

export type SavedChart = { ok: true; chart: Chart } | { ok: false; conflict: true; latest: Chart | null };

/**
 * Adds the next version of a chart, over the one it was made from. When someone saved another version
 * meanwhile nothing is added, and theirs comes back.
 */
export async function saveChart(db: Within, chart: Chart, over: number, by: string): Promise<SavedChart> {
  const latest = await loadChart(db, chart.id);
  if ((latest?.version ?? 0) !== over) return { ok: false, conflict: true, latest };
  const next: Chart = { ...chart, version: over + 1, saved: { by, at: new Date().toISOString() } };
  const added = await db
    .insert(charts)
    .values({ id: next.id, version: next.version, name: next.name, body: JSON.stringify(next) })
    .onConflictDoNothing()
    .returning({ version: charts.version });
  if (added.length === 0) return { ok: false, conflict: true, latest: await loadChart(db, chart.id) };
  return { ok: true, chart: next };
}

/** A name that no kept chart has: the one asked for, or with a number behind it. */
async function freeName(db: Within, name: string): Promise<string> {
  const names = new Set((await keptCharts(db)).map((k) => k.chart.name));
  if (!names.has(name)) return name;
  for (let n = 2; ; n += 1) if (!names.has(`${name} ${n}`)) return `${name} ${n}`;
}

/** A chart under an id of its own, as version 1: a copy of another, or one read from a file. */
export async function addChart(
  db: Within,
  id: string,
  chart: Chart,
  by: string,
  copiedFrom: (ChartVersion & { name: string }) | null,
): Promise<Chart> {
  const saved = await saveChart(db, { ...chart, id, name: await freeName(db, chart.name), copiedFrom }, 0, by);
  if (!saved.ok) throw new Error(`the chart ${id} is there already`);
  return saved.chart;
}

/**
 * Puts in a chart that was read from a file, under an id of its own; where a kept one says the same and is called the
 * same, that is the one. Looked for and put in at once, so that a file sent twice is there once.
 */
export const readInChart = (db: Database, chart: Chart, by: string): Promise<{ chart: Chart; isNew: boolean }> =>
  db.transaction(async (tx) => {
    const alike = (await keptCharts(tx)).find((k) => k.chart.name === chart.name && sameFigures(k.chart, chart));
    if (alike) return { chart: alike.chart, isNew: false };
    const { id, version, name } = chart;
    const added = await addChart(tx, randomUUID(), chart, by, id === UNNAMED ? null : { id, version, name });
    return { chart: added, isNew: true };
  });

/** Makes new builds begin with a chart. */
export async function setStandard(db: Database, id: string): Promise<void> {
  await db
    .insert(shop)
    .values({ key: STANDARD, value: id })
    .onConflictDoUpdate({ target: shop.key, set: { value: id } });
}

/** Puts a chart away, or takes it out again; its versions stay, and so do the builds set with them. */
export async function setChartRemoved(db: Database, id: string, removed: boolean): Promise<void> {
  const latest = await loadChart(db, id);
  if (!latest || isBuiltIn(id)) return;
  await db
    .update(charts)
    .set({ removedAt: removed ? new Date().toISOString() : null })
    .where(and(eq(charts.id, id), eq(charts.version, latest.version)));
}
