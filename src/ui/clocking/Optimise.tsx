'use client';

import { useMemo, useState } from 'react';
import type { Plan } from '@/core/stages/clocking/choices';
import { changesPlan, withOwn } from '@/core/stages/clocking/moves';
import { type Joint, type Joints, JOINTS, JOINT_WORDS } from '@/core/foundation/parts/joints';
import { checkJoints } from '@/core/stages/clocking/rules';
import { type Conflict, type Reached, type Solved, solveAskOf } from '@/core/stages/clocking/clockingSolver';
import type { View } from '@/core/stages/clocking/viewpoint';
import { directionWords } from '@/core/stages/clocking/words';
import { useJudgement, useMoving } from '../openBuild/contexts';
import { Tick } from '../shared/Tick';
import { Button } from '../shared/Button';
import { useWorkerResult } from '../shared/useWorkerResult';
import { Crown } from './Crown';
import { JointMark } from './JointTable';
import type { Clocking } from './useClocking';
import type { JudgedCylinder } from '@/core/judge/judgement';
import type { Surroundings } from '@/core/stages/clocking/surroundings';

const begin = (): Worker => new Worker(new URL('../../workers/clocking.ts', import.meta.url), { type: 'module' });

const REACHED_WORDS: Record<keyof Reached, string> = {
  nearest: 'smallest angle between two gaps',
  topToSecond: 'top and second apart',
  oil: 'rail gaps to expander ends',
  between: 'compression gaps off the rail gaps',
  clear: 'nearest gap to a kept-free area',
  turn: 'largest turn from where it is now',
};

/** The arrangement that keeps the joints furthest apart and furthest from what is to be kept free, under the rules in force. */
export function Optimise({ clocking, view }: { clocking: Clocking; view: View }) {
  const judgement = useJudgement();
  const { cylinder } = useMoving();
  const { choices, of, set } = clocking;
  const [held, setHeld] = useState<Joint[]>([]);
  const planned = judgement.cylinders.flatMap((c) => {
    const { plan, round } = of(c);
    return plan ? [{ cylinder: c, plan, round }] : [];
  });
  const asks = planned.map(({ plan, round }) => solveAskOf(plan.joints, choices.rules, round, held));
  const found = useWorkerResult<Solved[]>(asks, begin);
  const results = found.state === 'done' ? found.result : [];
  const here = planned.findIndex((p) => p.cylinder.id === cylinder?.id);
  const at = planned[here];
  const solved = results[here];
  const shown = useMemo(
    () =>
      at && solved?.ok
        ? {
            ...of(at.cylinder),
            plan: { ...at.plan, joints: solved.joints },
            rules: checkJoints(solved.joints, choices.rules, at.round),
          }
        : null,
    [at, solved, choices.rules, of],
  );
  if (!at) return <p className="pt-3 text-lg">{cylinder && of(cylinder).ask}</p>;
  const use = (which: typeof planned): void =>
    set(
      withOwn(
        choices,
        which.flatMap((p) => {
          const own = results[planned.indexOf(p)];
          return own?.ok ? [{ cylinder: p.cylinder.id, joints: own.joints, school: p.plan.school }] : [];
        }),
      ),
    );
  const allFit = results.length > 0 && results.every((r) => r.ok);
  const isSame = solved?.ok === true && !changesPlan(at.plan, solved.joints);
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-3 pt-3">
      <p className="max-w-prose text-soft">
        Under the rules that are on, each gap to the degree: first the nearest two of the four gaps, and each rail and
        the expander joint, as far apart as can be; then top and second; the oil pack; compression gaps and rails; then
        as far as can be from pin ends, thrust faces and whatever else is kept free; then turned as little as can be.
      </p>
      <fieldset className="flex flex-wrap items-center gap-x-5">
        <legend className="font-bold">Stay where they are</legend>
        {JOINTS.map((joint) => (
          <Tick
            key={joint}
            value={held.includes(joint)}
            onChange={(isOn) => setHeld((h) => (isOn ? [...h, joint] : h.filter((j) => j !== joint)))}
          >
            {JOINT_WORDS[joint]}
          </Tick>
        ))}
      </fieldset>
      {found.state === 'running' && <p className="text-lg text-soft">Working it out …</p>}
      {found.state === 'failed' && <p className="text-lg text-over">It could not be worked out in this browser.</p>}
      {solved && !solved.ok && <NoPlacing at={at} solved={solved} />}
      {solved?.ok && shown && (
        <div role="status" aria-label="Placing" className="grid gap-4 sm:grid-cols-[minmax(0,1fr)_minmax(0,1fr)]">
          <Crown
            judged={shown}
            choices={choices}
            view={view}
            style="card"
            title={`Crown of cylinder ${at.cylinder.label} as placed`}
            className="block max-h-[360px] w-full"
          />
          <Placing at={at} solved={solved} isSame={isSame} use={use} planned={planned} allFit={allFit} />
        </div>
      )}
    </div>
  );
}

interface PlacingProps {
  at: { cylinder: JudgedCylinder; plan: Plan; round: Surroundings };
  solved: { ok: true; joints: Joints; reached: Reached };
  isSame: boolean;
  use: (which: { cylinder: JudgedCylinder; plan: Plan; round: Surroundings }[]) => void;
  planned: { cylinder: JudgedCylinder; plan: Plan; round: Surroundings }[];
  allFit: boolean;
}

/** Where the joints come, and how far that reaches. */
function Placing({ at, solved, isSame, use, planned, allFit }: PlacingProps) {
  return (
    <div>
      <h2 className="text-lg">Cylinder {at.cylinder.label}</h2>
      <ul className="mt-1">
        {JOINTS.map((joint) => (
          <li key={joint} className="flex items-center gap-2 py-0.5">
            <JointMark joint={joint} />{' '}
            <b className="figures min-w-12 text-right">{Math.round(solved.joints[joint]) % 360}°</b>{' '}
            <span className="text-soft">{directionWords(solved.joints[joint], at.round)}</span>
          </li>
        ))}
      </ul>
      <dl className="mt-3 grid grid-cols-[1fr_auto] gap-x-4 text-soft">
        {(Object.keys(REACHED_WORDS) as (keyof Reached)[]).map((key) =>
          solved.reached[key] === null ? null : (
            <div key={key} className="contents">
              <dt>{REACHED_WORDS[key]}</dt>
              <dd className="figures text-right text-ink">{solved.reached[key]}°</dd>
            </div>
          ),
        )}
      </dl>
      <div className="mt-3 flex flex-wrap gap-3">
        <Button kind="strong" disabled={isSame} onClick={() => use([at])}>
          {isSame ? 'Already set' : `Place cylinder ${at.cylinder.label} so`}
        </Button>
        {planned.length > 1 && (
          <Button kind="accent" disabled={!allFit} onClick={() => use(planned)}>
            Place all, each for its own bank
          </Button>
        )}
      </div>
    </div>
  );
}

/** What cannot be met together. */
function NoPlacing({
  at,
  solved,
}: {
  at: { cylinder: JudgedCylinder; plan: Plan; round: Surroundings };
  solved: { ok: false; conflict: Conflict[] };
}) {
  return (
    <div role="status" aria-label="Placing">
      <p className="text-xl">
        <b className="text-over">Nothing fits cylinder {at.cylinder.label}.</b> These cannot be met together; without
        any one of them they can:
      </p>
      <ul className="mt-1 list-disc pl-6 text-lg">
        {solved.conflict.map(({ words }) => (
          <li key={words}>{words}</li>
        ))}
      </ul>
    </div>
  );
}
