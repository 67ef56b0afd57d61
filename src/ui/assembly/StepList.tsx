'use client';

import { type JudgedCheck, isRight } from '@/core/stages/assembly/cylinderSteps';
import { STEP_WORDS } from '@/core/stages/assembly/stepNames';
import type { WalkAt } from '@/core/stages/assembly/walk';
import type { PinEntry } from '@/core/record/reading';
import { When } from '../shared/When';

interface Props {
  place: string;
  label: string;
  steps: readonly JudgedCheck[];
  pins: readonly PinEntry[];
  at: WalkAt | null;
  onChoose: (at: WalkAt) => void;
}

/** All steps of a cylinder or of the engine, with who made them and when. */
export function StepList({ place, label, steps, pins, at, onChoose }: Props) {
  return (
    <section aria-label={`Steps, ${label}`}>
      <h2 className="mb-1">{label}</h2>
      <ol className="divide-y divide-line border-y border-line">
        {steps.map(({ check, state, tick }) => {
          const isHere = at?.place === place && at.step === check;
          const isPinned = pins.some((p) => p.check === check);
          const right = isRight(state);
          return (
            <li key={check}>
              <button
                type="button"
                aria-current={isHere ? 'step' : undefined}
                onClick={() => onChoose({ place, step: check })}
                className="flex min-h-9 w-full items-baseline gap-2 py-1 text-left leading-snug aria-[current=step]:font-bold aria-[current=step]:text-blue pointer-coarse:min-h-11"
              >
                <span aria-hidden className={right ? 'text-ok' : state === 'to do' ? 'text-soft' : 'text-short'}>
                  {isHere ? '▶' : isPinned ? '◣' : right ? '●' : state === 'to do' ? '○' : '▲'}
                </span>
                <span className="flex-1">{STEP_WORDS[check]}</span>
                <span className="sr-only">
                  , {isPinned ? 'reminder' : right ? 'done' : state === 'to do' ? 'to do' : 'check again'}
                </span>
                {right && tick && (
                  <span className="text-right text-xs text-soft">
                    {tick.by} <When at={tick.at} />
                  </span>
                )}
              </button>
            </li>
          );
        })}
      </ol>
    </section>
  );
}
