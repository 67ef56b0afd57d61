'use client';

import { taskWords } from '@/core/judge/words';
import { placeFrom } from '@/core/stage/place';
import { SUBJECT_IDS } from '@/core/stages';
import { takeNewer } from '../offline/register';
import { useCopy } from '../offline/useCopy';
import { useChanges, useJudgement, useLive, useWords } from '../openBuild/contexts';
import { Button } from '../shared/Button';

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
