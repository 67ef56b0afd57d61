'use client';

import { claimOf } from '@/core/judge/bench';
import { taskWords } from '@/core/judge/words';
import { placeFrom } from '@/core/stage/place';
import { SUBJECT_IDS } from '@/core/stages';
import { takeNewer } from '../offline/register';
import { useCopy } from '../offline/useCopy';
import { useChanges, useJudgement, useLive, useMoving, useRoute, useWords } from '../openBuild/contexts';
import { useWork } from '../openBuild/useAddress';
import { Button, Key } from '../shared/Button';

/** What of a cylinder was taken, in words. */
const LIST_WORDS: Partial<Record<string, string>> = {
  bores: 'bore',
  pistons: 'piston',
  rings: 'the rings of cylinder',
  grooves: 'the grooves of piston',
};

/** What is told over the bench when there is something: a newer program, who else is here, what the last readings changed. */
export function Notices() {
  return (
    <>
      <NewerProgram />
      <Others />
      <Changed />
    </>
  );
}

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

/** Who else is on this build, at what, and what each took for its own. */
function Others() {
  const judgement = useJudgement();
  const { others } = useLive();
  const { cylinder } = useMoving();
  const { mine, claim } = useRoute();
  const labelOf = (id: string | undefined): string => judgement.cylinders.find((c) => c.id === id)?.label ?? '?';
  const words = others.flatMap(({ by, at, mine: held }) => {
    const place = at === null ? null : placeFrom(at, judgement.cylinders, SUBJECT_IDS);
    const on = place && judgement.cylinders.find((c) => c.id === place.cylinder);
    const where =
      place && on ? [`is on ${taskWords(on, place).replace(/^C/, 'c')}`] : at === null ? [] : ['has it open'];
    const took = held.map((what) =>
      `${LIST_WORDS[what.split('.')[0] ?? ''] ?? ''} ${labelOf(what.split('.')[1])}`.trim(),
    );
    return [
      `${by || 'someone'} ${[...where, ...(took.length > 0 ? [`has taken ${took.join(', ')}`] : [])].join(', ')}`,
    ];
  });
  const list = useWork();
  const what = list && cylinder ? claimOf(list, cylinder.id) : null;
  const isMine = what !== null && mine.includes(what);
  const isTheirs = what !== null && others.some((o) => o.mine.includes(what));
  return (
    <div role="status" className="no-print">
      {words.length > 0 && (
        <div className="flex flex-wrap items-center gap-x-4 border-b border-line bg-steel px-5 py-1">
          <p className="flex-1">
            <b>At another bench:</b> {words.join(' · ')}.
          </p>
          {what && !isTheirs && (
            <Button aria-pressed={isMine} onClick={() => claim(what, !isMine)}>
              {isMine
                ? `Cylinder ${cylinder?.label ?? ''} is mine: let go`
                : `Cylinder ${cylinder?.label ?? ''} is mine`}{' '}
              <Key>M</Key>
            </Button>
          )}
        </div>
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
