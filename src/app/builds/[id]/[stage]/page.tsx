import { notFound } from 'next/navigation';
import { STAGE_IDS } from '@/core/stages';
import { Screen } from '@/ui/stages/Screen';

export default async function Page({ params }: { params: Promise<{ stage: string }> }) {
  const { stage } = await params;
  const id = STAGE_IDS.find((known) => known === stage);
  if (!id) notFound();
  return <Screen stage={id} />;
}
