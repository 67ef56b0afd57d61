import { notFound } from 'next/navigation';
import { STAGE_IDS } from '@/core/judge/stageTables';

/** A stage of a build: which one, the workspace reads from the address, so that it can change without the server. */
export default async function Page({ params }: { params: Promise<{ stage: string }> }) {
  const { stage } = await params;
  if (!STAGE_IDS.some((known) => known === stage)) notFound();
  return null;
}
