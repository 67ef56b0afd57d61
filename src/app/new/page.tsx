import type { Metadata } from 'next';
import { lastOf } from '@/core/judge/buildRecord';
import { sameAgain } from '@/core/judge/copyBuild';
import { STARTING_CHART } from '@/core/models/charts/chart';
import { STARTING_CURVE } from '@/core/models/charts/startingCurve';
import { keptCharts } from '@/store/charts';
import { loadBuild } from '@/store/log';
import { shelf } from '@/store/shelf';
import { freshenInBackground } from '@/server/background';
import { database } from '@/store/store';
import { type Earlier, NewBuild } from '@/ui/job/NewBuild';
import { Header } from '@/ui/shared/Header';

export const metadata: Metadata = { title: 'New build' };

/** The build that a new one is to begin like; null where there is none of that id. */
async function earlierBuild(id: string | string[] | undefined): Promise<Earlier | null> {
  const stored = typeof id === 'string' ? await loadBuild(await database(), id) : null;
  const job = stored && lastOf(stored.record.entries, 'job')?.value;
  if (!stored || !job) return null;
  const { record } = stored;
  return {
    id: record.id,
    name: job.name,
    job,
    chart: lastOf(record.entries, 'chart')?.value ?? STARTING_CHART,
    choices: sameAgain(record, { at: '1970-01-01T00:00:00.000Z', by: '' }),
  };
}

export default async function Page({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const db = await database();
  const kept = await keptCharts(db);
  const charts = kept.toSorted((a, b) => Number(b.standard) - Number(a.standard)).map((k) => k.chart);
  const earlier = await earlierBuild((await searchParams).from);
  const { cards } = await shelf(db, { query: '', sort: 'updated', descending: true, page: 1 }, freshenInBackground);
  const others = cards.map(({ id, name }) => ({ id, name }));
  if (earlier && !others.some((o) => o.id === earlier.id)) others.unshift({ id: earlier.id, name: earlier.name });
  return (
    <>
      <Header />
      <main id="main" tabIndex={-1} className="mx-auto max-w-6xl px-6 py-6">
        <h1>New build</h1>
        <p className="mt-1 mb-6 text-lg text-soft">
          Only the name is required. Enter the rest now or where it is needed.
        </p>
        <NewBuild charts={[charts[0] ?? STARTING_CURVE, ...charts.slice(1)]} others={others} earlier={earlier} />
      </main>
    </>
  );
}
