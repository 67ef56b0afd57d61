'use client';

import { Download, Printer } from 'lucide-react';
import { expectedOf } from '@/core/stages/assembly/orientationWords';
import { JOINTS, JOINT_MARKS, JOINT_WORDS } from '@/core/foundation/parts/joints';
import { SCHOOL_WORDS } from '@/core/stages/clocking/schoolWords';
import { type View, VIEW_SEEN, viewWords, turnOf } from '@/core/stages/clocking/viewpoint';
import { clockHours } from '@/core/stages/clocking/words';
import { engineWords } from '@/core/foundation/engine/engine';
import { useJudgement, useLive, useMoving } from '../openBuild/contexts';
import { Button, buttonLook } from '../shared/Button';
import { When } from '../shared/When';
import { Crown } from './Crown';
import type { Clocking } from './useClocking';

/** Columns and rows that fill one upright sheet. */
function gridOf(count: number): { columns: number; rows: number } {
  const columns = count <= 1 ? 1 : count <= 4 ? 2 : count <= 9 ? 3 : 4;
  return { columns, rows: Math.ceil(count / columns) };
}

/** Millimetres of a Letter sheet that are left for crowns, the shorter of the two papers. */
const ROOM = 212;
const UNDER_CROWN = 19;

/** One page for the bench: all pistons as the fitter meets them. */
export function PrintCard({ clocking, view }: { clocking: Clocking; view: View }) {
  const judgement = useJudgement();
  const { cylinder: current } = useMoving();
  const live = useLive();
  const { job, cylinders } = judgement;
  const { lastAt } = judgement.log;
  const { choices, of } = clocking;
  if (!job) return null;
  const { columns, rows } = gridOf(cylinders.length);
  const crown = Math.min(92, ROOM / rows - UNDER_CROWN);
  const file = `/api/builds/${judgement.id}/crowns?view=${view}`;
  return (
    <div className="pt-3 print:pt-0">
      <div className="no-print mb-3 flex flex-wrap items-center gap-3">
        <Button kind="strong" onClick={() => window.print()}>
          <Printer size={18} aria-hidden /> Print
        </Button>
        <a className={buttonLook()} href={file} download>
          <Download size={18} aria-hidden /> All crowns (SVG)
        </a>
        {current && (
          <a className={buttonLook()} href={`${file}&cylinder=${current.id}`} download>
            <Download size={18} aria-hidden /> Cylinder {current.label} (SVG)
          </a>
        )}
        {live.waiting > 0 && (
          <p className="text-short">{live.waiting} entries are not on the server yet and not in these files.</p>
        )}
      </div>
      <article aria-label="Clocking card" className="border border-line bg-sheet p-5 print:border-0 print:p-0">
        <header className="flex items-baseline gap-4 border-b-2 border-ink pb-1">
          <h2 className="flex-1 text-xl">
            {job.name} <span className="font-normal text-soft">{engineWords(job.engine)}</span>
          </h2>
          <p className="text-right text-sm text-soft">
            {SCHOOL_WORDS[choices.school]} · seen {VIEW_SEEN[view]}{' '}
            {lastAt && (
              <>
                · <When at={lastAt} />
              </>
            )}
          </p>
        </header>
        <ul className="mt-2 grid gap-x-3 gap-y-2" style={{ gridTemplateColumns: `repeat(${columns}, minmax(0, 1fr))` }}>
          {cylinders.map((cylinder) => {
            const judged = of(cylinder);
            const { plan, round } = judged;
            const turn = turnOf(view, round, choices.stand, choices.facts.lean);
            const mark = expectedOf('frontMark', judged, choices.rods.numbers);
            const rod = expectedOf('rod', judged, choices.rods.numbers);
            return (
              <li
                key={cylinder.id}
                className="min-w-0 break-inside-avoid text-center text-xs leading-tight print:text-[2.5mm]"
              >
                <p>
                  <b className="text-lg print:text-[4.5mm]">{cylinder.label}</b>{' '}
                  {cylinder.bank !== 'only' && `${cylinder.bank} bank`}
                </p>
                {plan ? (
                  <>
                    <div className="mx-auto" style={{ maxWidth: `${crown}mm` }}>
                      <Crown
                        judged={judged}
                        choices={choices}
                        view={view}
                        style="card"
                        title={`Crown of cylinder ${cylinder.label}`}
                        className="block w-full"
                      />
                    </div>
                    <p className="figures">
                      {JOINTS.map((joint) => (
                        <span key={joint} className="mx-1 inline-block whitespace-nowrap">
                          <b>{JOINT_MARKS[joint]}</b> {Math.round(plan.joints[joint]) % 360}°{' '}
                          {clockHours(plan.joints[joint] + turn)}
                        </span>
                      ))}
                    </p>
                  </>
                ) : (
                  <p>{judged.ask}</p>
                )}
                <p className="text-soft">{[mark, rod].filter(Boolean).join(' · ')}</p>
              </li>
            );
          })}
        </ul>
        <footer className="mt-2 border-t border-ink pt-1 text-xs text-soft print:text-[2.4mm]">
          {JOINTS.map((joint) => `${JOINT_MARKS[joint]} ${JOINT_WORDS[joint]}`).join(' · ')}. Degrees clockwise from the
          front of the engine, seen on the crown; hours as the picture is turned
          {current &&
            `: ${view === 'stand' ? 'in the stand, each bore with its high side at the top' : viewWords(view, of(current).round, choices.stand, choices.facts.lean)}`}
          . Expander ends butt, never overlap. Look again once they are in the compressor.
        </footer>
      </article>
    </div>
  );
}
