import type { Metadata } from 'next';
import { STARTING_CHART } from '@/core/models/charts/chart';
import { STARTING_CURVE } from '@/core/models/charts/startingCurve';
import { keptCharts, loadChart } from '@/store/charts';
import { database } from '@/store/store';
import { QuickGap } from '@/ui/quick/QuickGap';
import { type Params, readChartVersion, readQuick } from '@/files/quickGapUrlParams';
import { Header } from '@/ui/shared/Header';

export const metadata: Metadata = { title: 'Quick gap' };

type SearchParams = Promise<Record<string, string | string[] | undefined>>;

export default async function Page({ searchParams }: { searchParams: SearchParams }) {
  const found = await searchParams;
  const params: Params = Object.fromEntries(
    Object.entries(found).map(([key, value]) => [key, Array.isArray(value) ? value[0] : value]),
  );
  const db = await database();
  const kept = await keptCharts(db);
  const asked = readChartVersion(params.chart);
  const named = asked && (await loadChart(db, asked.id, asked.version));
  const standard = kept.find((k) => k.standard)?.chart ?? STARTING_CURVE;
  const others = kept.map((k) => k.chart).filter((c) => !(c.id === named?.id && c.version === named.version));
  return (
    <>
      <Header />
      <QuickGap
        initial={readQuick(params)}
        charts={[named ?? standard, ...(named ? others : others.filter((c) => c.id !== standard.id))]}
        missing={asked !== null && !named}
        old={named?.id === STARTING_CHART.id}
      />
    </>
  );
}
