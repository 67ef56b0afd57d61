'use client';

import { blockStepsIn } from '@/core/stages/assembly/engineSteps';
import type { WalkAt } from '@/core/stages/assembly/walk';
import { BLOCK } from '@/core/foundation/engine/places';
import type { JudgedCylinder } from '@/core/judge/judgement';
import { useJudgement } from '../openBuild/contexts';
import { Findings, findingsFor } from '../stages/Findings';
import { Pinned } from './Pinned';
import { ReadyCheck } from './ReadyCheck';
import { StepList } from './StepList';
import { PistonRemoval } from './PistonRemoval';

interface Props {
  cylinder: JudgedCylinder;
  /** The step in view; null where none is. */
  at: WalkAt | null;
  onChoose: (at: WalkAt) => void;
}

/** Beside the step: all steps of what is in hand, what it lacks, and what is to be known. */
export function AssemblySidebar({ cylinder, at, onChoose }: Props) {
  const judgement = useJudgement();
  const { blockPins } = judgement;
  const blockSteps = blockStepsIn(judgement);
  const isOfBlock = at?.place === BLOCK;
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-4">
      {at && !isOfBlock && (
        <StepList
          place={cylinder.id}
          label={`Cylinder ${cylinder.label}`}
          steps={cylinder.block.checks}
          pins={cylinder.pins}
          at={at}
          onChoose={onChoose}
        />
      )}
      {at && blockSteps.length > 0 && (
        <StepList place={BLOCK} label="The engine" steps={blockSteps} pins={blockPins} at={at} onChoose={onChoose} />
      )}
      {!isOfBlock && <ReadyCheck cylinder={cylinder} />}
      {!isOfBlock && <PistonRemoval cylinder={cylinder} />}
      {!at && <Pinned pins={cylinder.pins} />}
      <Findings findings={findingsFor(judgement.findings, ['assembly', 'clocking'], cylinder.id)} />
    </div>
  );
}
