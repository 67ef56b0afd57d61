'use client';

import { takenOutOf } from '@/core/stages/assembly/pistonRemoval';
import type { JudgedCylinder } from '@/core/judge/judgement';
import { useJudgement, useLogging } from '../openBuild/contexts';
import { Popup } from '../shared/Popup';
import { onDemand } from '../shared/onDemand';

const StrikeOutForm = onDemand(() => import('../shared/StrikeOutForm').then((m) => m.StrikeOutForm));

const REASONS = ['it turned stiff', 'a ring caught', 'wrong way round', 'clearance read again'];

/** A piston that comes out again: what was done from the bore on is to be done anew. Nothing where it is not in. */
export function PistonRemoval({ cylinder: { id, label } }: { cylinder: JudgedCylinder }) {
  const judgement = useJudgement();
  const { strike } = useLogging();
  const made = takenOutOf(judgement, id);
  if (made.length === 0) return null;
  return (
    <div>
      <Popup label={`Piston ${label} taken out again`} trigger="Taken out again …">
        {(close) => (
          <StrikeOutForm
            ask={`Piston ${label} is out again: why? Its steps from the bore on, its bolts and the last checks of the engine are then open.`}
            reasons={REASONS}
            onStrike={(reason) => {
              strike(made, `taken out again: ${reason}`);
              close();
            }}
          />
        )}
      </Popup>
    </div>
  );
}
