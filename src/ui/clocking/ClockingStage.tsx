'use client';

import { useEffect } from 'react';
import type { JudgedCylinder } from '@/core/build/judge';
import { JOINTS, JOINT_WORDS, SCHOOLS, SCHOOL_REASONS, SCHOOL_WORDS, directionWords } from '@/core/clocking/clocking';
import { hasTwoBanks } from '@/core/engine/engine';
import { useBench } from '../bench/Bench';
import { Button } from '../shared/Button';
import { When } from '../shared/When';
import { Findings, findingsFor } from '../stages/Findings';
import { Frame } from '../stages/Frame';
import { Crown, JOINT_MARKS } from './Crown';

const SCHOOL_OPTIONS = SCHOOLS.map((school) => [school, SCHOOL_WORDS[school]] as const);

/** Where the five joints of each piston point, by a school, held against the rules. */
export function ClockingStage() {
  const { judgement, cursor, cylinder, goTo, choose } = useBench();
  useEffect(() => {
    const open = cursor.chosen ? undefined : judgement.cylinders.find((c) => !c.clocking?.set);
    if (open) goTo({ cylinder: open.id, subject: cursor.ring, spot: null });
    // On entering the stage only: from then on the hands lead.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, []);
  if (!cylinder || !judgement.job) return null;
  const { clocking: choices, job } = judgement;
  const plan = cylinder.clocking;
  return (
    <Frame
      main={
        <div className="flex h-full flex-col">
          <div className="flex flex-wrap items-baseline gap-x-4">
            <h1>Cylinder {cylinder.label}</h1>
            {cylinder.bank !== 'only' && <p className="text-[1.0625rem] text-soft">{cylinder.bank} bank</p>}
            <p className="text-[1.0625rem] text-soft">seen on the crown, front of the engine up</p>
          </div>
          {plan ? (
            <div className="min-h-0 flex-1">
              <Crown cylinder={cylinder} joints={plan.joints} rotation={job.engine.rotation} title={`Crown of cylinder ${cylinder.label} with its five ring joints`} />
            </div>
          ) : (
            <p className="mt-6 text-lg">Give the planned bore on the job card, or read the bore: where the rails go depends on it.</p>
          )}
        </div>
      }
      aside={
        <>
          <label className="block">
            <span className="mb-1 block font-bold">School</span>
            <select className="field" value={choices.school} onChange={(event) => choose('clocking', { ...choices, school: event.target.value as typeof choices.school })}>
              {SCHOOL_OPTIONS.map(([school, words]) => (
                <option key={school} value={school}>
                  {words}
                </option>
              ))}
            </select>
          </label>
          <p className="mt-1.5 mb-2 text-soft">{SCHOOL_REASONS[choices.school]}</p>
          {hasTwoBanks(job.engine.layout) && (
            <label className="flex min-h-11 items-center gap-2">
              <input type="checkbox" className="size-5 accent-blue" checked={choices.mirrorLeft} onChange={(event) => choose('clocking', { ...choices, mirrorLeft: event.target.checked })} />
              Mirrored on the left bank
            </label>
          )}
          {plan && <JointTable cylinder={cylinder} />}
          {plan && (
            <>
              <div className="mt-4">
                <Findings findings={findingsFor(judgement.findings, ['clocking'], cylinder.id)} />
              </div>
              <h2 className="mt-4 mb-1">Held against the rules</h2>
              <ul className="text-soft">
                {plan.rules
                  .filter((rule) => rule.verdict === 'pass')
                  .map((rule) => (
                    <li key={rule.rule}>
                      <span className="text-ok">●</span> {rule.text}
                    </li>
                  ))}
              </ul>
              <AtTheBlock cylinder={cylinder} />
            </>
          )}
          <p className="mt-4 text-soft">Rings turn in service; it is the start that is set. Expander ends butt, never overlap. Rings are opened as little as possible: their edges cut.</p>
        </>
      }
    />
  );
}

function JointTable({ cylinder }: { cylinder: JudgedCylinder }) {
  const joints = cylinder.clocking?.joints;
  if (!joints) return null;
  return (
    <table className="ruled mt-2">
      <thead>
        <tr>
          <th scope="col">joint</th>
          <th scope="col" className="num">
            angle
          </th>
          <th scope="col" className="text-right!">
            in words
          </th>
        </tr>
      </thead>
      <tbody>
        {JOINTS.map((joint) => (
          <tr key={joint}>
            <td>
              <b className="figures">{JOINT_MARKS[joint]}</b> {JOINT_WORDS[joint].replace(/ (gap|joint)$/, '')}
            </td>
            <td className="num">{Math.round(joints[joint])}°</td>
            <td className="text-right!">{directionWords(joints[joint], cylinder.bank)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function AtTheBlock({ cylinder }: { cylinder: JudgedCylinder }) {
  const { tick, strike } = useBench();
  const set = cylinder.clocking?.set;
  return (
    <section aria-label="At the block" className="mt-4">
      <h2 className="mb-1.5">At the block</h2>
      {set ? (
        <p>
          <b className="text-ok">● Set as planned</b> <span className="text-soft">{set.by || 'no initials'}, <When at={set.at} /></span>{' '}
          <Button kind="quiet" onClick={() => strike(set.id, 'not as planned after all')}>
            Take back
          </Button>
        </p>
      ) : (
        <Button kind="accent" onClick={() => tick(cylinder.id)}>
          Joints set as planned
        </Button>
      )}
    </section>
  );
}
