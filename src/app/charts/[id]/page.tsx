import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { chartVersions } from '@/store/charts';
import { database } from '@/store/store';
import { ChartPage } from '@/ui/charts/ChartPage';
import { Header } from '@/ui/shared/Header';

type Params = Promise<{ id: string }>;

export async function generateMetadata({ params }: { params: Params }): Promise<Metadata> {
  const [latest] = await chartVersions(await database(), (await params).id);
  return { title: latest?.name ?? 'No such chart' };
}

export default async function Page({ params }: { params: Params }) {
  const { id } = await params;
  const [latest, ...older] = await chartVersions(await database(), id);
  if (!latest) notFound();
  return (
    <div className="flex h-dvh flex-col max-lg:h-auto max-lg:min-h-dvh">
      <Header />
      <ChartPage key={latest.id} versions={[latest, ...older]} />
    </div>
  );
}
