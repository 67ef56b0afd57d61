'use client';

import type { JudgedRing } from '@/core/stages/rings/ringGap';
import { Hand } from '../toolInHand/Hand';
import { useJudgement, useMoving } from '../openBuild/contexts';
import { Findings, findingsFor } from '../stages/Findings';
import { Derivation } from '../stages/Derivation';
import { RingTable } from './RingTable';
import { Term } from '../shared/Term';

/** Beside the ring in hand: what it is read with, why its target is what it is, the other rings here, what to know. */
export function RingsSidebar({ ring }: { ring: JudgedRing }) {
  const judgement = useJudgement();
  const { cylinder } = useMoving();
  if (!cylinder) return null;
  return (
    <>
      <Hand subject={ring.ring} />
      <h2 className="mt-4 mb-1">
        Why this <Term word="window" />
      </h2>
      <Derivation target={ring.target} />
      <h2 className="mt-5 mb-1">Cylinder {cylinder.label}</h2>
      <RingTable cylinder={cylinder} />
      <div className="mt-3">
        <Findings findings={findingsFor(judgement.findings, ['rings'], cylinder.id)} />
      </div>
      <p className="mt-4 text-soft">
        Filing: eye protection on. Ring edges cut: gloves. A burr scores the wall: deburr before it goes back in.
      </p>
    </>
  );
}
