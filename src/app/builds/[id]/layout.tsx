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
      {stored.aside > 0 && (
        <p role="status" className="no-print border-b border-line bg-steel px-5 py-2">
          <b className="text-over">
            {stored.aside} {stored.aside === 1 ? 'entry' : 'entries'} of this build could not be read
          </b>{' '}
          and {stored.aside === 1 ? 'is' : 'are'} set aside; all else works.{' '}
          <a href={`/api/builds/${id}/aside`} download className="text-blue underline underline-offset-4">
            As {stored.aside === 1 ? 'it stands' : 'they stand'}, as a file
          </a>
        </p>
      )}
      <Workspace>{children}</Workspace>
    </OpenBuild>
  );
}
