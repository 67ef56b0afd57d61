'use client';

import { inEither } from '../stages/trialWords';
import { useEffect, useState } from 'react';
import { isRight } from '@/core/stages/assembly/cylinderSteps';
import { type WalkAt, resumedAt, stepAt, walkOf } from '@/core/stages/assembly/walk';
import { BLOCK } from '@/core/foundation/engine/places';
import type { JudgedCylinder } from '@/core/judge/judgement';
import { Deferred } from '../openBuild/Deferred';
import { useJudgement, useLive, useMoving } from '../openBuild/contexts';
import { useView } from '../shared/address';
import { onDemand } from '../shared/onDemand';
import { Views } from '../shared/Views';
import { Frame } from '../stages/Frame';
import { Walk } from './Walk';
import { type Order, useInstallOrder } from './useInstallOrder';

const AssemblySidebar = onDemand(() => import('./AssemblySidebar').then((m) => m.AssemblySidebar));
const BlockChecks = onDemand(() => import('./BlockChecks').then((m) => m.BlockChecks));
const CrankPlan = onDemand(() => import('./CrankPlan').then((m) => m.CrankPlan));
const InstallOrderView = onDemand(() => import('./InstallOrderView').then((m) => m.InstallOrderView));
const AssemblyPreferences = onDemand(() => import('./AssemblyPreferences').then((m) => m.AssemblyPreferences));
const LayoutMatView = onDemand(() => import('./LayoutMatView').then((m) => m.LayoutMatView));
const WeightsView = onDemand(() => import('./WeightsView').then((m) => m.WeightsView));
const TorqueView = onDemand(() => import('./TorqueView').then((m) => m.TorqueView));
const RotatingTorqueView = onDemand(() => import('./RotatingTorqueView').then((m) => m.RotatingTorqueView));
const ShortBlockView = onDemand(() => import('./ShortBlockView').then((m) => m.ShortBlockView));

/** Views of the engine as a whole that need all the room there is. */
const OF_ENGINE: readonly string[] = ['masses', 'tightening', 'turning'];

const TABS = ['walk', 'block', 'order', 'tightening', 'turning', 'masses', 'rods', 'short', 'mat', 'habits'] as const;

/** What to try here with the trial engine. */
export const TRIAL = inEither(
  'At the block: tick each check. The side panel lists what a cylinder still needs before it goes in.',
);

/** The first open step of a cylinder, or its first. */
function openStepOf({ id, block: { checks } }: JudgedCylinder): WalkAt | null {
  const open = checks.find((c) => !isRight(c.state)) ?? checks[0];
  return open ? { place: id, step: open.check } : null;
}

/**
 * The step in view. It stays in view, whatever other benches do meanwhile: only this bench's own hand leads on, and the
 * deck to the first open step of the cylinder that is gone to.
 */
function useWalkAt(order: Order) {
  const judgement = useJudgement();
  const { cylinder } = useMoving();
  const { isRestored } = useLive();
  const [chosen, setChosen] = useState<WalkAt | null>(null);
  const [hand, setHand] = useState(cylinder?.id);
  const walk = walkOf(judgement, order.cylinders);
  const at = chosen && stepAt(judgement, chosen) ? chosen : resumedAt(judgement, walk);
  const settled = at && isRestored && !order.isAwaited ? at : null;
  if (settled && (settled.place !== chosen?.place || settled.step !== chosen.step)) setChosen(settled);
  if (cylinder && cylinder.id !== hand) {
    setHand(cylinder.id);
    const open = at?.place === cylinder.id ? null : openStepOf(cylinder);
    if (open) setChosen(open);
  }
  return { walk, at, onChoose: setChosen };
}

/** Putting it together: step by step from piston on rod to the last turn of the crank. */
export function AssemblyStage() {
  const { job } = useJudgement();
  const { cylinder } = useMoving();
  const [tab, setTab] = useView(TABS);
  const [isSettled, setSettled] = useState(false);
  useEffect(() => setSettled(true), []);
  const order = useInstallOrder();
  const { walk, at, onChoose } = useWalkAt(order);
  if (!cylinder || !job) return null;
  const isOfBlock = OF_ENGINE.includes(tab) || (tab === 'walk' && at?.place === BLOCK);
  const bank = isOfBlock || cylinder.bank === 'only' ? null : `${cylinder.bank} bank`;
  const walked = { order, walk, at, onChoose, isSettled };
  return (
    <Frame
      main={
        <div className="flex h-full flex-col">
          <div className={`flex flex-wrap items-baseline gap-x-4 ${tab === 'mat' ? 'no-print' : ''}`}>
            <h1>{isOfBlock ? 'The engine' : `Cylinder ${cylinder.label}`}</h1>
            {bank && <p className="text-[1.0625rem] text-soft">{bank}</p>}
          </div>
          <Views
            label="Assembly views"
            value={tab}
            onChange={setTab}
            views={[
              ['walk', 'Step by step', <Walk key="walk" {...walked} />],
              ['block', 'All steps', <BlockChecks key={cylinder.id} cylinder={cylinder} />],
              ['order', 'Install order', <InstallOrderView key="order" order={order} />],
              ['tightening', 'Torque', <TorqueView key="tightening" order={order} />],
              ['turning', 'Rotating torque', <RotatingTorqueView key="turning" order={order} />],
              ['masses', 'Weights', <WeightsView key="masses" />],
              ['rods', 'Crank and rods', <CrankPlan key="rods" />],
              ['short', 'Short block', <ShortBlockView key="short" />],
              ['mat', 'Layout mat', <LayoutMatView key="mat" />],
              ['habits', 'Preferences', <AssemblyPreferences key="habits" />],
            ]}
          />
        </div>
      }
      aside={
        OF_ENGINE.includes(tab) ? null : (
          <Deferred>
            {isSettled && <AssemblySidebar cylinder={cylinder} at={tab === 'walk' ? at : null} onChoose={onChoose} />}
          </Deferred>
        )
      }
    />
  );
}
