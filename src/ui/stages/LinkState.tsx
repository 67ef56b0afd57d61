'use client';

import { placeAt } from '@/core/judge/judgement';
import { onWords } from '@/core/judge/words';
import { useCopy } from '../offline/useCopy';
import { useJudgement, useLive, useWords } from '../openBuild/contexts';
import type { Link } from '../openBuild/send';
import { Button } from '../shared/Button';
import { useKept } from '../shared/kept';
import { useIsAllLoaded } from '../shared/onDemand';

/** How the server stands, and what to do about it. */
const LINK_WORDS: Record<Link, string> = {
  up: 'Sending.',
  down: 'The server does not answer.',
  failing: 'The server answers with an error of its own: whoever looks after it should see what it printed.',
  full: 'The disk of the server is full: make room there.',
  out: 'Nobody is signed in here.',
  barred: 'Whoever is signed in may look here, and not enter: switch to somebody who may.',
  gone: 'The server has no such build any more. Look whether it still uses the same database.',
};

/** What waits to be sent, and what the server would not have. Nothing shows while all is well. */
export function LinkState() {
  const judgement = useJudgement();
  const live = useLive();
  const { length } = useWords();
  const { waiting, link, troubles, dismiss } = live;
  const copy = useCopy();
  const isAllLoaded = useIsAllLoaded();
  const [storage] = useKept('spatium-storage', '');
  return (
    <div role="status" className="no-print">
      {storage !== '' && (
        <p className="border-b border-line bg-steel px-5 py-2">
          <b className="text-over">This browser can keep nothing more.</b> What is entered while the server is gone
          lasts until this page is closed: stay on it, or make room in the browser’s storage.
        </p>
      )}
      {(link !== 'up' || waiting > 20) && (
        <p className="border-b border-line bg-steel px-5 py-2">
          <b>{LINK_WORDS[link]}</b>{' '}
          {waiting > 0
            ? `${waiting} ${waiting === 1 ? 'entry waits' : 'entries wait'} in this browser and will be sent once each.`
            : link !== 'up' && 'Go on: readings are kept in this browser until it is back.'}{' '}
          {link === 'down' &&
            (copy === 'none'
              ? `This browser has no copy of the program: stay on this page, ${isAllLoaded ? 'all stages work' : 'what was not opened yet comes once the server answers'}; do not reload it.`
              : 'All of this build works meanwhile, over a reload too.')}
        </p>
      )}
      {troubles.length > 0 && (
        <div className="flex items-start gap-4 border-b border-line bg-steel px-5 py-2">
          <ul className="flex-1">
            {troubles.map(({ entry, why }) => (
              <li key={entry.id}>
                <b className="text-over">Not recorded:</b>{' '}
                {entry.kind === 'reading'
                  ? `${entry.subject} of ${onWords(placeAt(judgement, entry.cylinder), entry.subject).toLowerCase()}, “${entry.typed}” (${length(entry.value)})`
                  : `a ${entry.kind} entry`}
                . {why}
              </li>
            ))}
          </ul>
          <Button onClick={dismiss}>Seen</Button>
        </div>
      )}
    </div>
  );
}
