import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { type ReactNode, cache } from 'react';
import { database } from '@/store/store';
import { LongBuild } from '@/ui/openBuild/LongBuildOnDemand';
import { OpenBuild } from '@/ui/openBuild/OpenBuild';
import { UnreadEntries } from '@/ui/openBuild/UnreadEntries';
import { Workspace } from '@/ui/stages/Workspace';
import { loadBuild, sizeOf } from '@/store/log';

/** As many entries as a page carries: judging and sending more would hold up whoever else asks. */
const MOST_IN_PAGE = 1_000;

/** Looked up once a request. */
const sized = cache(async (id: string) => sizeOf(await database(), id));

type Params = Promise<{ id: string }>;

export async function generateMetadata({ params }: { params: Params }): Promise<Metadata> {
  return { title: (await sized((await params).id))?.name ?? 'No such build' };
}

export default async function BuildLayout({ params, children }: { params: Params; children: ReactNode }) {
  const { id } = await params;
  const size = await sized(id);
  if (!size) notFound();
  if (size.entries > MOST_IN_PAGE)
    return (
      <LongBuild buildId={id} name={size.name ?? id} count={size.entries}>
        <Workspace>{children}</Workspace>
      </LongBuild>
    );
  const stored = await loadBuild(await database(), id);
  if (!stored) notFound();
  return (
    <OpenBuild buildId={id} initial={stored.record.entries} seq={stored.seq}>
      <UnreadEntries buildId={id} count={stored.aside} />
      <Workspace>{children}</Workspace>
    </OpenBuild>
  );
}
