'use client';

import type { JudgedBearing } from '@/core/stages/journals/types';
import { journalSpots } from '@/core/stages/journals/bearingClearance';
import { printLength } from '@/core/foundation/quantity/format';
import { sizesWords } from '@/core/foundation/quantity/sizeLimits';
import { useJudgement, useMoving, useWords } from '../openBuild/contexts';
import { Accepting } from '../shared/Accepting';
import { StateMark } from '../shared/StateMark';

const END_WORDS: Partial<Record<string, string>> = { front: 'front end', rear: 'rear end', middle: 'middle' };

/** The journal as it was read, along it and across, with how round and straight it is. */
export function JournalForm({ bearing }: { bearing: JudgedBearing }) {
  const { choices } = useJudgement();
  const { units, length, text } = useWords();
  const { journal, words } = bearing;
  if (journal.state === 'to do') return null;
  const { outOfRound, taper, state } = journal;
  const limits = sizesWords(journal.limits);
  return (
    <section aria-label="Journal" className="mt-4">
      <h2 className="mb-1">Journal as read, {units === 'imperial' ? 'in' : 'mm'}</h2>
      <JournalGrid bearing={bearing} />
      <div>
        <p>
          Out of round <b className="figures">{outOfRound === null ? '–' : length(outOfRound, 'clearance')}</b>, taper{' '}
          <b className="figures">{taper === null ? '–' : length(taper, 'clearance')}</b>
        </p>
        {limits && (
          <p>
            Diameter: {text(limits)}
            {journal.sizeClass !== null && (
              <>
                , <b>class {journal.sizeClass}</b>
              </>
            )}
          </p>
        )}
        {choices.journals.form.outOfRound === null && choices.journals.form.taper === null && !limits ? (
          <p className="text-sm text-soft">Recorded; the manual’s limits are not entered.</p>
        ) : (
          <StateMark state={state} />
        )}
        {state === 'out' && (
          <Accepting words={`the journal of ${words.toLowerCase()}`} what="form" state="out" answer={journal} />
        )}
      </div>
    </section>
  );
}

/** The journal's readings by end and direction; one leads to its spot. */
function JournalGrid({ bearing: { journal, id, words } }: { bearing: JudgedBearing }) {
  const { choices } = useJudgement();
  const { cursor, goTo } = useMoving();
  const { units } = useWords();
  const asked = journalSpots(choices.journals);
  const ends = [...new Set([...asked, ...journal.spots].map((s) => s.depth))];
  const angles = [...new Set([...asked, ...journal.spots].map((s) => s.angle))];
  return (
    <table className="figures">
      <caption className="sr-only">Journal of {words.toLowerCase()}</caption>
      <thead className="text-sm text-soft">
        <tr>
          <th scope="col" className="pr-3 text-left font-normal">
            <span className="sr-only">where</span>
          </th>
          {angles.map((angle) => (
            <th key={angle} scope="col" className="pr-3 text-right font-normal">
              {angle === 0 ? 'in line' : 'square'}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {ends.map((depth) => (
          <tr key={depth}>
            <th scope="row" className="pr-3 text-left font-normal">
              {END_WORDS[depth] ?? depth}
            </th>
            {angles.map((angle) => {
              const spot = journal.spots.find((s) => s.depth === depth && s.angle === angle);
              const isHere =
                cursor.inHand.journals === 'journal' &&
                cursor.onBearing.depth === depth &&
                cursor.onBearing.angle === angle;
              return (
                <td key={angle} className="pr-3 text-right">
                  <button
                    type="button"
                    className={`min-h-7 px-1 pointer-coarse:min-h-11 pointer-coarse:min-w-11 ${isHere ? 'font-bold text-blue underline underline-offset-4' : ''}`}
                    aria-label={`${words}, journal, ${END_WORDS[depth] ?? depth}, ${angle === 0 ? 'in line' : 'square'}${spot?.value == null ? ', to read' : ''}`}
                    onClick={() => goTo({ cylinder: id, subject: 'journal', spot: { depth, angle } }, true)}
                  >
                    {spot?.value == null ? '–' : printLength(spot.value, units, 'size').number}
                  </button>
                </td>
              );
            })}
          </tr>
        ))}
      </tbody>
    </table>
  );
}
