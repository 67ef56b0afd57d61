'use client';

import { placeAt } from '@/core/judge/judgement';
import { placeLabel } from '@/core/judge/labels';
import { useJudgement, useLive, useWords } from '../openBuild/contexts';
import { Button } from '../shared/Button';

/** What the server would not have, until it has been seen. */
export function Troubles() {
  const judgement = useJudgement();
  const { troubles, dismiss } = useLive();
  const { length } = useWords();
  return (
    <div className="flex items-start gap-4 border-b border-line bg-steel px-5 py-2">
      <ul className="flex-1">
        {troubles.map(({ entry, why }) => (
          <li key={entry.id}>
            <b className="text-over">Not recorded:</b>{' '}
            {entry.kind === 'reading'
              ? `${entry.subject} of ${placeLabel(placeAt(judgement, entry.cylinder), entry.subject).toLowerCase()}, “${entry.typed}” (${length(entry.value)})`
              : `a ${entry.kind} entry`}
            . {why}
          </li>
        ))}
      </ul>
      <Button onClick={dismiss}>Seen</Button>
    </div>
  );
}
