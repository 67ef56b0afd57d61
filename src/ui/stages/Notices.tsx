'use client';

import { placeAt } from '@/core/judge/judgement';
import { claimOf } from '@/core/judge/route';
import { placeLabel, taskLabel } from '@/core/judge/labels';
import { placeFrom } from '@/core/stages/contract/place';
import { SUBJECT_IDS } from '@/core/judge/stageTables';
import { takeNewer } from '../offline/takeNewer';
import { useOfflineStatus } from '../offline/useOfflineStatus';
import { useChanges, useJudgement, useLive, useMoving, useRoute, useWords } from '../openBuild/contexts';
import { handAt } from '../openBuild/cursor';
import { useWork } from '../openBuild/useAddress';
import { Button, Key } from '../shared/Button';

/** What of a cylinder was taken, in words; of the bottom end the place says it. */
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
  const copy = useOfflineStatus();
  return (
    <div role="status" className="no-print">
      {copy === 'newer' && (
        <div className="flex items-center gap-4 border-b border-line bg-steel px-5 py-1">
          <p className="flex-1">
            <b>The program was renewed.</b> What is typed and what waits to be sent stays.
          </p>
          <Button onClick={() => void takeNewer()}>Take it now</Button>
        </div>
      )}
    </div>
  );
}

/** Who else is on this build, at what, and what each took for its own. */
function Others() {
  const judgement = useJudgement();
  const { others } = useLive();
  const { cylinder, cursor } = useMoving();
  const { mine, claim } = useRoute();
  const words = others.flatMap(({ by, at, mine: held }) => {
    const place = at === null ? null : placeFrom(at, [...judgement.cylinders, ...judgement.places], SUBJECT_IDS);
    const on = place && placeAt(judgement, place.cylinder);
    const where =
      place && on
        ? [`is on ${taskLabel(on, place).replace(/^./, (c) => c.toLowerCase())}`]
        : at === null
          ? []
          : ['has it open'];
    const took = held.map((what) => {
      const [kind = '', id = ''] = what.split('.');
      const taken = placeAt(judgement, id);
      const words = LIST_WORDS[kind];
      return words ? `${words} ${taken?.label ?? '?'}` : placeLabel(taken, 'housing').toLowerCase();
    });
    return [
      `${by || 'someone'} ${[...where, ...(took.length > 0 ? [`has taken ${took.join(', ')}`] : [])].join(', ')}`,
    ];
  });
  const list = useWork();
  const here = list && cylinder ? handAt(cursor, cursor.inHand[list]) : null;
  const what = list && here ? claimOf(list, here.cylinder) : null;
  const hereWords = here ? placeLabel(placeAt(judgement, here.cylinder), here.subject) : '';
  const isMine = what !== null && mine.includes(what);
  const isTheirs = what !== null && others.some((o) => o.mine.includes(what));
  return (
    <div role="status" className="no-print">
      {words.length > 0 && (
        <div className="flex flex-wrap items-center gap-x-4 border-b border-line bg-steel px-5 py-1">
          <p className="flex-1">
            <b>Other benches:</b> {words.join(' · ')}.
          </p>
          {what && !isTheirs && (
            <Button aria-pressed={isMine} onClick={() => claim(what, !isMine)}>
              {isMine ? `${hereWords} is mine: let go` : `${hereWords} is mine`} <Key>M</Key>
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
