'use client';

import { taskWords } from '@/core/judge/words';
import { placeFrom } from '@/core/stage/place';
import { SUBJECT_IDS } from '@/core/stages';
import { takeNewer } from '../offline/register';
import { useCopy } from '../offline/useCopy';
import { useChanges, useJudgement, useLive, useWords } from '../openBuild/contexts';
import type { Link } from '../openBuild/useRecord';
import { Button } from '../shared/Button';

/** What is told over the bench: how the server stands, whether the program was renewed, what the last readings changed. */
export function Notices() {
  return (
    <>
      <LinkState />
      <NewerProgram />
      <Others />
      <Changed />
    </>
  );
}

/** Who else is on this build, and at what. */
function Others() {
  const judgement = useJudgement();
  const { others } = useLive();
  const words = others.flatMap(({ by, at }) => {
    const place = placeFrom(at, judgement.cylinders, SUBJECT_IDS);
    const cylinder = place && judgement.cylinders.find((c) => c.id === place.cylinder);
    const where = place && cylinder ? ` is on ${taskWords(cylinder, place).replace(/^C/, 'c')}` : ' has it open';
    return [`${by || 'someone'}${where}`];
  });
  return (
    <div role="status" className="no-print">
      {words.length > 0 && (
        <p className="border-b border-line bg-steel px-5 py-1">
          <b>At another bench:</b> {words.join(' · ')}.
        </p>
      )}
    </div>
  );
}

/** As many changes as are shown before the rest are counted. */
const SHOWN = 3;

/** What the last readings changed elsewhere: targets that moved, verdicts that turned. */
function Changed() {
  const { changes, seenChanges } = useChanges();
  const { text } = useWords();
  return (
    <div role="status" className="no-print">
      {changes.length > 0 && (
        <div className="flex items-center gap-4 border-b border-line bg-steel px-5 py-1">
          <p className="flex-1">
            <b>Changed by this:</b> {changes.slice(0, SHOWN).map(text).join(' · ')}
            {changes.length > SHOWN && ` · and ${changes.length - SHOWN} more`}
          </p>
          <Button onClick={seenChanges}>Seen</Button>
        </div>
      )}
    </div>
  );
}

/** How the server stands, and what to do about it. */
const LINK_WORDS: Record<Link, string> = {
  up: 'Sending.',
  down: 'The server does not answer.',
  failing: 'The server answers with an error of its own: whoever looks after it should see what it printed.',
  gone: 'The server has no such build any more. Look whether it still uses the same database.',
};

/** A newer program is there: it is taken when someone says so, and what waits goes on waiting. */
function NewerProgram() {
  const copy = useCopy();
  return (
    <div role="status" className="no-print">
      {copy === 'newer' && (
        <div className="flex items-center gap-4 border-b border-line bg-steel px-5 py-1">
          <p className="flex-1">
            <b>The program was renewed.</b> What is typed and what waits to be sent stays.
          </p>
          <Button onClick={takeNewer}>Take it now</Button>
        </div>
      )}
    </div>
  );
}

/** What waits to be sent, and what the server would not have. Nothing shows while all is well. */
function LinkState() {
  const judgement = useJudgement();
  const live = useLive();
  const { length } = useWords();
  const { waiting, link, troubles, dismiss } = live;
  const copy = useCopy();
  const labelOf = (id: string): string => judgement.cylinders.find((c) => c.id === id)?.label ?? id;
  return (
    <div role="status" className="no-print">
      {(link !== 'up' || waiting > 20) && (
        <p className="border-b border-line bg-steel px-5 py-2">
          <b>{LINK_WORDS[link]}</b>{' '}
          {waiting > 0
            ? `${waiting} ${waiting === 1 ? 'entry waits' : 'entries wait'} in this browser and will be sent once each.`
            : link !== 'up' && 'Go on: readings are kept in this browser until it is back.'}{' '}
          {link === 'down' &&
            (copy === 'none'
              ? 'This browser has no copy of the program: stay on this page, all stages work; do not reload it.'
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
                  ? `${entry.subject} of cylinder ${labelOf(entry.cylinder)}, “${entry.typed}” (${length(entry.value)})`
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
