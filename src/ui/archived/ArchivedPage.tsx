'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { Quarantined } from '@/store/quarantine';
import type { Archived, ArchivedItem } from '@/store/archived';
import { Button, buttonLook } from '../shared/Button';
import { Link } from '../shared/Link';
import { When } from '../shared/When';
import { runCommand, whyNot } from '../shared/runCommand';
import { useListens } from '../shared/useInBrowser';
import { Fault } from '../shared/Fault';

interface Props {
  archived: Archived;
  quarantined: Quarantined[];
  /** Whether a file was read in that lies here already. */
  isLedHere: boolean;
}

/** Archived builds, charts and tools, to look into and to restore. */
export function ArchivedPage({ archived, quarantined, isLedHere }: Props) {
  const router = useRouter();
  const listens = useListens();
  const [said, setSaid] = useState('');
  const back = (work: () => Promise<unknown>): void => {
    work().then(
      () => {
        setSaid('');
        router.refresh();
      },
      (error: unknown) => setSaid(whyNot(error)),
    );
  };
  const isEmpty = archived.builds.length + archived.charts.length + archived.tools.length === 0;
  return (
    <div inert={!listens} className="grid gap-6">
      <div>
        <h1>Archive</h1>
        <p className="mt-1 text-lg text-soft">Archived builds, charts and tools. Everything in them is kept.</p>
      </div>
      <Fault>{said}</Fault>
      {isLedHere && (
        <p role="status" className="border-l-4 border-short pl-3">
          This build is already here, in the archive. Restore it to continue.
        </p>
      )}
      {isEmpty && <p>The archive is empty.</p>}
      <Pile
        words="Builds"
        items={archived.builds}
        at={(id) => `/builds/${id}/sheet`}
        onBack={(id) => back(() => runCommand('restoreBuilds', [id]))}
      />
      <Pile
        words="Charts"
        items={archived.charts}
        at={(id) => `/charts/${id}`}
        onBack={(id) => back(() => runCommand('putChartAway', id, false))}
      />
      <Pile
        words="Tools"
        items={archived.tools}
        at={null}
        onBack={(id) => back(() => runCommand('putToolAway', id, false))}
      />
      {quarantined.length > 0 && <Quarantine items={quarantined} />}
    </div>
  );
}

/** What could not be read. */
function Quarantine({ items }: { items: Quarantined[] }) {
  return (
    <section className="grid gap-2">
      <h2>Not readable</h2>
      <p className="max-w-prose">These records could not be read. They are kept as they are; everything else works.</p>
      <ul aria-label="Not readable" className="divide-y divide-line border-y border-line">
        {items.map(({ what, id, why }) => (
          <li key={`${what} ${id}`} className="py-2">
            <b>
              {what} {id}
            </b>
            : <span className="text-soft">{why}</span>
          </li>
        ))}
      </ul>
      <div>
        <a href="/api/quarantine" download className={buttonLook()}>
          Download as a file
        </a>
      </div>
    </section>
  );
}

interface PileProps {
  words: string;
  items: ArchivedItem[];
  /** Where it can be looked into; null for nowhere. */
  at: ((id: string) => string) | null;
  onBack: (id: string) => void;
}

function Pile({ words, items, at, onBack }: PileProps) {
  if (items.length === 0) return null;
  return (
    <section>
      <h2 className="mb-1">{words}</h2>
      <ul aria-label={words} className="divide-y divide-line border-y border-line">
        {items.map(({ id, name, at: since }) => (
          <li key={id} className="flex flex-wrap items-center gap-x-4 py-1">
            {at ? (
              <Link
                href={at(id)}
                className="flex min-h-11 flex-1 items-center font-bold text-blue underline underline-offset-4"
              >
                {name}
              </Link>
            ) : (
              <b className="flex-1">{name}</b>
            )}
            <span className="text-soft">
              <When at={since} />
            </span>
            <Button aria-label={`Restore ${name}`} onClick={() => onBack(id)}>
              Restore
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}
