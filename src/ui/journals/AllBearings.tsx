'use client';

import { KIND_WORDS } from '@/core/stages/journals/words';
import { KINDS } from '@/core/stages/journals/choices';
import { printLength } from '@/core/foundation/quantity/format';
import { useJudgement, useMoving, useWords } from '../openBuild/contexts';
import { StateMark } from '../shared/StateMark';
import { bringIntoSight } from '../shared/scrollIntoView';
import { onBearing } from './bearings';

/** Journal, housing and clearance of every bearing; a row leads to it. */
export function AllBearings() {
  const judgement = useJudgement();
  const { cursor, cylinder, goTo } = useMoving();
  const { units, length } = useWords();
  const at = cursor.place ?? cylinder?.id;
  const { apart, choices } = judgement;
  const size = (nm: number | undefined): string => (nm === undefined ? '–' : printLength(nm, units, 'size').number);
  const fine = (nm: number | null): string => (nm === null ? '–' : printLength(nm, units, 'clearance').number);
  const [long, short] = units === 'imperial' ? ['in', 'thou'] : ['mm', 'mm'];
  const isApart = choices.journals.method === 'apart';
  return (
    <div className="relative mt-3 min-h-44 flex-1 overflow-auto" tabIndex={0} role="region" aria-label="All bearings">
      <table className="ruled max-sm:text-sm">
        <caption className="sr-only">Journal, housing and clearance of every bearing</caption>
        <thead className="sticky top-0 bg-sheet">
          <tr>
            <th scope="col">bearing</th>
            <th scope="col" className="num">
              journal, {long}
            </th>
            <th scope="col" className="num">
              {isApart ? 'bare housing' : 'with shells'}, {long}
            </th>
            <th scope="col" className="num">
              clearance, {short}
            </th>
            <th scope="col">verdict</th>
          </tr>
        </thead>
        {KINDS.map((kind) => {
          const bearings = kind === 'main' ? judgement.mains : judgement.rods;
          const spread = apart[kind];
          return (
            <tbody key={kind}>
              {bearings.map((b) => (
                <tr
                  key={b.id}
                  ref={b.id === at ? bringIntoSight : undefined}
                  className={b.id === at ? 'shadow-[inset_5px_0_0_var(--blue)]' : ''}
                >
                  <th scope="row" className="pl-3! font-bold! text-ink!">
                    <button
                      type="button"
                      className="min-h-7 px-1 pointer-coarse:min-h-11"
                      onClick={() => goTo(onBearing(judgement, b.id, cursor.inHand.journals), true)}
                    >
                      {b.words}
                    </button>
                  </th>
                  <td className="num">{size(b.journal.size?.value)}</td>
                  <td className="num">{size((isApart ? b.bare : b.housing)?.value)}</td>
                  <td className="num">
                    {b.clearance.high > b.clearance.low
                      ? `${fine(b.clearance.low)}–${fine(b.clearance.high)}`
                      : fine(b.clearance.value)}
                    {b.clearance.value !== null && (
                      <span className="text-xs text-soft"> ±{fine(b.clearance.uncertainty)}</span>
                    )}
                  </td>
                  <td>
                    <StateMark state={b.clearance.state} />
                  </td>
                </tr>
              ))}
              {spread !== null && (
                <tr>
                  <td colSpan={5} className="text-sm text-soft">
                    {KIND_WORDS[kind]}: {length(spread, 'clearance')} apart
                    {choices.journals.spread !== null &&
                      (spread > choices.journals.spread
                        ? `, more than the ${length(choices.journals.spread, 'clearance')} wished for`
                        : `, within the ${length(choices.journals.spread, 'clearance')} wished for`)}
                    .
                  </td>
                </tr>
              )}
            </tbody>
          );
        })}
      </table>
    </div>
  );
}
