'use client';

import { useEffect } from 'react';
import { findingsOf } from '@/core/judge/findings';
import { useJudgement, useMoving } from '../openBuild/contexts';
import { useView } from '../shared/address';
import { Views } from '../shared/Views';
import { Ready } from './Ready';
import { Findings, findingsFor } from '../stages/Findings';
import { Frame } from '../stages/Frame';
import { onDemand } from '../shared/onDemand';

const AtTheBlock = onDemand(() => import('./AtTheBlock').then((m) => m.AtTheBlock));
const CrankPlan = onDemand(() => import('./CrankPlan').then((m) => m.CrankPlan));

const TABS = ['block', 'rods'] as const;

/** Putting it together: what is checked of each cylinder at the block, and which way pistons and rods face. */
export function AssemblyStage() {
  const judgement = useJudgement();
  const { cursor, cylinder, goTo } = useMoving();
  const [tab, setTab] = useView(TABS);
  useEffect(() => {
    const open = cursor.chosen ? undefined : judgement.cylinders.find((c) => c.block.done < c.block.checks.length);
    if (open) goTo({ cylinder: open.id, subject: cursor.inHand.rings, spot: null });
    // On entering the stage only: from then on the hands lead.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, []);
  if (!cylinder || !judgement.job) return null;
  return (
    <Frame
      main={
        <div className="flex h-full flex-col">
          <div className="flex flex-wrap items-baseline gap-x-4">
            <h1>Cylinder {cylinder.label}</h1>
            {cylinder.bank !== 'only' && <p className="text-[1.0625rem] text-soft">{cylinder.bank} bank</p>}
          </div>
          <Views
            label="What of the assembly"
            value={tab}
            onChange={setTab}
            views={[
              ['block', 'At the block', <AtTheBlock key={cylinder.id} cylinder={cylinder} />],
              ['rods', 'Crank and rods', <CrankPlan key="rods" />],
            ]}
          />
        </div>
      }
      aside={
        <>
          <Ready cylinder={cylinder} />
          <div className="mt-4">
            <Findings findings={findingsFor(findingsOf(judgement), ['assembly', 'clocking'], cylinder.id)} />
          </div>
          <p className="mt-4 text-soft">
            Bore wiped clean and oiled; compressor snug and square; throw at the bottom, rod bolts covered. Push, do not
            hammer past a stop: a stuck ring breaks. Turn the crank after each pair: whoever binds is the last one in.
          </p>
          <p className="mt-2 text-soft">
            Ring edges and band compressors cut: gloves. Mind your back and fingers when the block is turned.
          </p>
        </>
      }
    />
  );
}
