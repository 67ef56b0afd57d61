import type { Metadata } from 'next';
import { keptCharts } from '@/store/charts';
import { database } from '@/store/store';
import { ChartList } from '@/ui/charts/ChartList';
import { Header } from '@/ui/shared/Header';

export const metadata: Metadata = { title: 'Charts' };

export default async function Page() {
  return (
    <>
      <Header />
      <main id="main" tabIndex={-1} className="mx-auto max-w-5xl px-6 py-6">
        <ChartList charts={await keptCharts(await database())} />
      </main>
    </>
  );
}
