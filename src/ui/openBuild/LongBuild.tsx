'use client';

/** A build with more entries than a page carries: they are loaded page by page, then it opens like any other. */
import { type ReactNode, useEffect, useState } from 'react';
import type { EntriesAnswer } from '@/server/answers';
import type { Entry } from '@/core/judge/buildRecord';
import { OpenBuild } from './OpenBuild';
import { UnreadEntries } from './UnreadEntries';

interface Loaded {
  entries: Entry[];
  seq: number;
}

/** A page of entries takes so long at most, ms. */
const PATIENCE = 10_000;

async function loadAll(buildId: string, tell: (entries: number) => void): Promise<Loaded> {
  const loaded: Loaded = { entries: [], seq: 0 };
  for (let isMore = true; isMore;) {
    const response = await fetch(`/api/builds/${buildId}/entries?since=${loaded.seq}`, {
      signal: AbortSignal.timeout(PATIENCE),
    });
    if (!response.ok) throw new Error(String(response.status));
    const answer = (await response.json()) as EntriesAnswer;
    loaded.entries.push(...answer.entries);
    loaded.seq = answer.seq;
    isMore = answer.isMore ?? false;
    tell(loaded.entries.length);
  }
  return loaded;
}

/** What this browser kept of it last, where the server does not answer. */
const keptHere = (buildId: string): Promise<Loaded | null> =>
  import('../offline/persistedRecord').then(({ persistedRecord: keptRecord }) => keptRecord(buildId, 0));

interface Props {
  buildId: string;
  name: string;
  /** How many entries it has. */
  count: number;
  children: ReactNode;
}

export function LongBuild({ buildId, name, count, children }: Props) {
  const [loaded, setLoaded] = useState<Loaded | null>(null);
  const [sofar, setSofar] = useState(0);
  const [isGone, setGone] = useState(false);
  const [tries, setTries] = useState(0);
  useEffect(() => {
    let isOver = false;
    void loadAll(buildId, setSofar)
      .catch(() => keptHere(buildId))
      .then((found) => {
        if (isOver) return;
        setLoaded(found);
        setGone(found === null);
      });
    return () => {
      isOver = true;
    };
  }, [buildId, tries]);
  if (loaded)
    return (
      <OpenBuild buildId={buildId} initial={loaded.entries} seq={loaded.seq}>
        <UnreadEntries buildId={buildId} count={Math.max(0, count - loaded.entries.length)} />
        {children}
      </OpenBuild>
    );
  return (
    <main id="main" tabIndex={-1} className="mx-auto max-w-3xl px-6 py-10">
      <h1>{name}</h1>
      {isGone ? (
        <p role="alert" className="mt-4 text-lg">
          The server does not answer, and this browser has not kept this build.{' '}
          <button
            type="button"
            className="text-blue underline underline-offset-4"
            onClick={() => {
              setGone(false);
              setTries(tries + 1);
            }}
          >
            Try again
          </button>
        </p>
      ) : (
        <p role="status" className="mt-4 text-lg">
          Loading <span className="figures">{Math.min(sofar, count)}</span> of <span className="figures">{count}</span>{' '}
          entries …
        </p>
      )}
    </main>
  );
}
