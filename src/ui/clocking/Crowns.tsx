'use client';

import { Tick } from '../shared/Tick';
import type { View } from '@/core/stages/clocking/viewpoint';
import type { JudgedCylinder } from '@/core/judge/judgement';
import { useJudgement, useMoving } from '../openBuild/contexts';
import { usePersisted } from '../shared/persisted';
import { Crown } from './Crown';
import type { Clocking } from './useClocking';
import { isBreach } from '@/core/stages/clocking/cylinderClocking';

/** As many as are drawn large. */
const FEW = 4;

/** All crowns at once: a joint moved on one moves on all alike, mirrored where the bank is, or on that one alone. */
export function Crowns({ clocking, view }: { clocking: Clocking; view: View }) {
  const judgement = useJudgement();
  const [kept, keep] = usePersisted('spatium-alike', 'on');
  const { choices } = clocking;
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-3 pt-3">
      <Tick value={kept === 'on'} onChange={(isOn) => keep(isOn ? 'on' : 'off')}>
        Moving a gap on one cylinder moves it on all
        {choices.mirrorLeft && judgement.cylinders.some((c) => c.bank === 'left')
          ? ', the left bank as the mirror image'
          : ''}
      </Tick>
      <ul
        aria-label="Crowns"
        className="grid gap-x-3 gap-y-4"
        style={{
          gridTemplateColumns: `repeat(auto-fill, minmax(min(100%, ${judgement.cylinders.length > FEW ? 170 : 250}px), 1fr))`,
        }}
      >
        {judgement.cylinders.map((cylinder) => (
          <OneCrown key={cylinder.id} cylinder={cylinder} clocking={clocking} view={view} areAlike={kept === 'on'} />
        ))}
      </ul>
    </div>
  );
}

interface OneCrownProps {
  cylinder: JudgedCylinder;
  clocking: Clocking;
  view: View;
  /** Whether a joint moved here moves on all alike. */
  areAlike: boolean;
}

function OneCrown({ cylinder, clocking: { choices, of, move, rest, drop }, view, areAlike }: OneCrownProps) {
  const { cylinder: current, toCylinder } = useMoving();
  const judged = of(cylinder);
  const breaches = judged.rules.filter(isBreach).length;
  return (
    <li>
      <button
        type="button"
        onClick={() => toCylinder(cylinder.id)}
        aria-current={cylinder.id === current?.id}
        className="flex min-h-11 w-full items-baseline gap-2 aria-[current=true]:text-blue"
      >
        <b className="text-xl">{cylinder.label}</b>
        <span className={`text-sm ${breaches > 0 ? 'font-bold text-short' : 'text-soft'}`}>
          {judged.ask
            ? 'no plan'
            : breaches > 0
              ? `▲ ${breaches} to fix`
              : cylinder.bank === 'only'
                ? ''
                : `${cylinder.bank} bank`}
        </span>
      </button>
      {judged.plan ? (
        <Crown
          judged={judged}
          choices={choices}
          view={view}
          style="card"
          title={`Crown of cylinder ${cylinder.label}`}
          className="block w-full"
          onMove={(joint, to, held = false) => move(cylinder, joint, to, { alike: areAlike, held })}
          onRest={rest}
          onDrop={drop}
        />
      ) : (
        <p className="text-soft">{judged.ask}</p>
      )}
    </li>
  );
}
