import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import type { ReactNode } from 'react';
import { judge } from '@/core/build/judge';
import { loadBuild } from '@/store/builds';
import { database } from '@/store/store';
import { BenchProvider } from '@/ui/bench/Bench';
import { Workspace } from '@/ui/stages/Workspace';

type Params = Promise<{ id: string }>;

export async function generateMetadata({ params }: { params: Params }): Promise<Metadata> {
  const stored = await loadBuild(await database(), (await params).id);
  return { title: (stored && judge(stored.record).job?.name) ?? 'No such build' };
}

export default async function BuildLayout({ params, children }: { params: Params; children: ReactNode }) {
  const { id } = await params;
  const stored = await loadBuild(await database(), id);
  if (!stored) notFound();
  return (
    <BenchProvider buildId={id} initial={stored.record.entries} seq={stored.seq}>
      <Workspace>{children}</Workspace>
    </BenchProvider>
  );
}
