import type { Metadata } from 'next';
import { STARTING_CURVE } from '@/core/targets/startingCurve';
import { keptCharts } from '@/store/charts';
import { database } from '@/store/store';
import { NewBuild } from '@/ui/job/NewBuild';
import { Header } from '@/ui/shared/Header';

export const metadata: Metadata = { title: 'New build' };

export default async function Page() {
  const kept = await keptCharts(await database());
  const charts = kept.toSorted((a, b) => Number(b.standard) - Number(a.standard)).map((k) => k.chart);
  return (
    <>
      <Header />
      <main className="mx-auto max-w-4xl px-6 py-6">
        <h1>New build</h1>
        <p className="mt-1 mb-6 text-lg text-soft">
          Only the name is needed to begin. What you leave open is asked for where it matters.
        </p>
        <NewBuild charts={[charts[0] ?? STARTING_CURVE, ...charts.slice(1)]} />
      </main>
    </>
  );
}
