import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { type ReactNode, cache } from 'react';
import { lastOf } from '@/core/record/record';
import { database } from '@/store/store';
import { OpenBuild } from '@/ui/openBuild/OpenBuild';
import { Workspace } from '@/ui/stages/Workspace';
import { loadBuild } from '@/store/log';

/** The record, loaded once a request. */
const loaded = cache(async (id: string) => loadBuild(await database(), id));

type Params = Promise<{ id: string }>;

export async function generateMetadata({ params }: { params: Params }): Promise<Metadata> {
  const stored = await loaded((await params).id);
  return { title: (stored && lastOf(stored.record.entries, 'job')?.value.name) ?? 'No such build' };
}

export default async function BuildLayout({ params, children }: { params: Params; children: ReactNode }) {
  const { id } = await params;
  const stored = await loaded(id);
  if (!stored) notFound();
  return (
    <OpenBuild buildId={id} initial={stored.record.entries} seq={stored.seq}>
      <Workspace>{children}</Workspace>
    </OpenBuild>
  );
}
