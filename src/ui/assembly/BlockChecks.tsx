'use client';

import { Check as Tick } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { type JudgedCheck, isRight } from '@/core/stages/assembly/cylinderSteps';
import { expectedOf } from '@/core/stages/assembly/orientationWords';
import { isJointCheck } from '@/core/stages/assembly/checks';
import { stepSays, whyOf } from '@/core/stages/assembly/stepWords';
import { JOINTS } from '@/core/foundation/parts/joints';
import { type View, turnOf, viewWords } from '@/core/stages/clocking/viewpoint';
import { clockHours, directionWords } from '@/core/stages/clocking/words';
import { RING_WORDS, COMPRESSION } from '@/core/foundation/parts/rings';
import { upWords } from '@/core/stages/rings/ringOrientation';
import { useInitials, useJudgement, useLogging, useMoving } from '../openBuild/contexts';
import { Crown } from '../clocking/Crown';
import { CrownViewChoice, useCrownView } from '../clocking/CrownView';
import { JointMark } from '../clocking/JointTable';
import { Button } from '../shared/Button';
import { When } from '../shared/When';
import type { JudgedCylinder } from '@/core/judge/judgement';
import { MovedGaps } from './MovedGaps';
import { STATE_LOOKS, STATE_WORDS } from './stepStates';

/** The checks of one cylinder, one after the other, beside its crown the way the fitter meets it. */
export function BlockChecks({ cylinder }: { cylinder: JudgedCylinder }) {
  const { by } = useInitials();
  const [view, setView] = useCrownView();
  const { checks, done } = cylinder.block;
  const list = useRef<HTMLOListElement>(null);
  const was = useRef(done);
  useEffect(() => {
    if (done > was.current) list.current?.querySelector<HTMLButtonElement>('button[data-tick]')?.focus();
    was.current = done;
  }, [done]);
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-x-6 gap-y-3 pt-3 lg:grid-cols-[minmax(0,280px)_minmax(0,1fr)]">
      <div>
        <div className="overflow-x-auto">
          <CrownViewChoice view={view} onChange={setView} />
        </div>
        <PlannedCrown cylinder={cylinder} view={view} />
      </div>
      <div>
        {by === '' && (
          <p className="mb-2 text-short">No initials entered. Enter yours at the top: checks are logged with them.</p>
        )}
        <ol ref={list} aria-label="Checks" className="divide-y divide-line border-y border-line">
          {checks.map((check) => (
            <CheckRow key={check.check} cylinder={cylinder} check={check} view={view} />
          ))}
        </ol>
        {done === checks.length && <AllChecked cylinder={cylinder} />}
      </div>
    </div>
  );
}

/** The crown as planned, or as it was found, and where its joints point in words. */
function PlannedCrown({ cylinder, view }: { cylinder: JudgedCylinder; view: View }) {
  const { choices } = useJudgement();
  const { stand, facts } = choices.clocking;
  const { clocking, block } = cylinder;
  const { asFound } = block;
  if (!clocking.plan) return <p className="mt-4 text-lg">{clocking.ask}</p>;
  const joints = asFound ?? clocking.plan.joints;
  const turn = turnOf(view, clocking.round, stand, facts.lean);
  return (
    <>
      <p className="mt-2 text-sm text-soft">
        {viewWords(view, clocking.round, stand, facts.lean)}
        {asFound ? '; as found' : ''}
      </p>
      <div className="grid items-center gap-x-6 sm:max-lg:grid-cols-2">
        <Crown
          judged={{ ...clocking, plan: { ...clocking.plan, joints } }}
          choices={choices.clocking}
          view={view}
          style="card"
          title={`Crown of cylinder ${cylinder.label}, end gaps ${asFound ? 'as found' : 'as planned'}`}
          className="mx-auto block w-full max-w-[300px]"
        />
        <ul aria-label="Where the gaps point" className="divide-y divide-line border-y border-line">
          {JOINTS.map((joint) => (
            <li key={joint} className="flex items-baseline gap-2 py-0.5">
              <JointMark joint={joint} />
              <b className="figures min-w-14 text-right text-xl">{Math.round(joints[joint]) % 360}°</b>
              <span className="figures text-soft">{clockHours(joints[joint] + turn)}</span>
              <span className="flex-1 text-right text-sm leading-tight text-soft">
                {directionWords(joints[joint], clocking.round)}
              </span>
            </li>
          ))}
        </ul>
      </div>
    </>
  );
}

/** Whether a cylinder whose checks are all made is ready, and where to go on. */
function AllChecked({ cylinder }: { cylinder: JudgedCylinder }) {
  const { cylinders } = useJudgement();
  const { toCylinder } = useMoving();
  const open = cylinders.find((c) => c.id !== cylinder.id && c.block.done < c.block.checks.length);
  return (
    <div className="mt-3 flex flex-wrap items-center gap-4" role="status">
      {cylinder.ready.is ? (
        <p className="text-xl font-bold text-ok">
          ● Cylinder {cylinder.label} is {cylinder.block.isIn ? 'in, every step made.' : 'ready to go in.'}
        </p>
      ) : (
        <p className="text-xl font-bold text-short">
          ▲ All checked, not ready{cylinder.block.isIn ? '' : ' to go in'}: see beside what is missing.
        </p>
      )}
      {open && (
        <Button kind="strong" onClick={() => toCylinder(open.id)}>
          On to cylinder {open.label}
        </Button>
      )}
    </div>
  );
}

interface CheckRowProps {
  cylinder: JudgedCylinder;
  check: JudgedCheck;
  view: View;
}

/** One check: what is looked for and why, whether it was right, and what was found. */
export function CheckRow({ cylinder, check: judged, view }: CheckRowProps) {
  const judgement = useJudgement();
  const { tick } = useLogging();
  const { ringSet } = judgement.choices;
  const [moving, setMoving] = useState(false);
  const { check, state, says } = judged;
  const expected = expectedOf(check, cylinder.clocking, judgement.choices.clocking.rods.numbers);
  const { sign, colour } = STATE_LOOKS[state];
  const isJoints = isJointCheck(check);
  const words = stepSays(check, judgement.choices.walk);
  return (
    <li className="py-2" data-check={check}>
      <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
        <div className="min-w-44 flex-1 leading-tight">
          <b className="text-[1.0625rem]">{words}</b>
          {expected && <span className="block">{expected}</span>}
          {check === 'ringsFree' &&
            !isRight(state) &&
            COMPRESSION.map(
              (ring) =>
                ringSet[ring].mark && (
                  <span key={ring} className="block text-sm">{`${RING_WORDS[ring]}: ${upWords(ringSet[ring])}`}</span>
                ),
            )}
          {(check === 'frontMark' && !expected && (
            <span className="block text-short">Piston mark not set: see Clocking, Engine.</span>
          )) ||
            (!isRight(state) && <span className="block text-sm text-soft">{whyOf(check).why}</span>)}
        </div>
        <CheckAnswer cylinder={cylinder} check={judged} words={words} moving={moving} onMoving={setMoving} />
      </div>
      {says && (
        <p className={`mt-1 ${colour}`}>
          {!isRight(state) && (
            <b>
              {sign} {STATE_WORDS[state]}:{' '}
            </b>
          )}
          {says}
        </p>
      )}
      {moving && cylinder.clocking.plan && (
        <MovedGaps
          cylinder={cylinder}
          planned={cylinder.clocking.plan.joints}
          view={view}
          onNote={(found) => {
            if (isJoints) tick(cylinder.id, check, found);
            setMoving(false);
          }}
        />
      )}
    </li>
  );
}

interface CheckAnswerProps {
  cylinder: JudgedCylinder;
  check: JudgedCheck;
  words: string;
  /** Whether what was found instead is being entered. */
  moving: boolean;
  onMoving: (is: boolean) => void;
}

/** What was answered, by whom; or the ways to answer. */
function CheckAnswer({ cylinder, check: { check, state, tick: ticked }, words, moving, onMoving }: CheckAnswerProps) {
  const { tick, strike } = useLogging();
  const { sign, colour } = STATE_LOOKS[state];
  if (isRight(state) && ticked)
    return (
      <p className="flex w-full flex-wrap items-center gap-x-3">
        <b className={colour}>
          {sign} {STATE_WORDS[state]}
        </b>
        <span className="flex-1 text-sm text-soft">
          {ticked.by || 'no initials'}, <When at={ticked.at} />
        </span>
        <Button
          kind="quiet"
          className="px-1! text-sm"
          aria-label={`Take back: ${words}`}
          onClick={() => strike(ticked.id, 'not so after all')}
        >
          Take back
        </Button>
      </p>
    );
  const isJoints = isJointCheck(check);
  return (
    <div className="flex flex-wrap justify-end gap-2">
      <Button
        data-tick
        kind="accent"
        className="min-h-12!"
        disabled={isJoints && !cylinder.clocking.plan}
        onClick={() => tick(cylinder.id, check)}
      >
        <Tick size={18} aria-hidden /> {isJoints ? 'As planned' : 'Right'}
      </Button>
      {isJoints && cylinder.clocking.plan && (
        <Button className="min-h-12!" aria-expanded={moving} onClick={() => onMoving(!moving)}>
          Moved …
        </Button>
      )}
    </div>
  );
}
