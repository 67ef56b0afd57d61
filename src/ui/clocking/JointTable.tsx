'use client';

import { Minus, Plus } from 'lucide-react';
import { useState } from 'react';
import { markPath } from '@/core/stages/clocking/crown';
import { type Joint, JOINTS, JOINT_MARKS, JOINT_SHORT, JOINT_WORDS } from '@/core/foundation/parts/joints';
import { clockHours, directionWords, parseCrownAngle } from '@/core/stages/clocking/words';
import { apart, turned } from '@/core/foundation/quantity/angle';
import type { JudgedClocking } from '@/core/stages/clocking/cylinderClocking';

/** A joint's own outline with its letter. */
export function JointMark({ joint }: { joint: Joint }) {
  const drop = joint === 'upperRail' ? 2 : joint === 'lowerRail' ? -2 : 0;
  return (
    <svg viewBox="-15 -15 30 30" className="inline-block size-6 shrink-0 align-middle" aria-hidden>
      <path d={markPath(joint, 9.5)} fill="var(--sheet)" stroke="var(--ink)" strokeWidth={2} />
      <text y={4.2 + drop} textAnchor="middle" fontSize={11.5} fontWeight={800} fill="var(--ink)">
        {JOINT_MARKS[joint]}
      </text>
    </svg>
  );
}

interface Props {
  judged: JudgedClocking;
  turn: number;
  onMove: (joint: Joint, to: number) => void;
  onRest: () => void;
}

/** The five joints as degrees, hours and words; each can be typed, or turned by a degree. */
export function JointTable({ judged, turn, onMove, onRest }: Props) {
  const { plan, round } = judged;
  if (!plan) return null;
  return (
    <ul aria-label="Joints" className="mt-2 divide-y divide-line border-y border-line">
      {JOINTS.map((joint) => {
        const degrees = plan.joints[joint];
        return (
          <li key={joint} data-row={joint} className="grid grid-cols-[auto_1fr_auto] items-center gap-x-2 py-0.5">
            <JointMark joint={joint} />
            <span className="leading-tight">
              <b>{JOINT_SHORT[joint]}</b>{' '}
              <span className="figures text-sm text-soft">{clockHours(degrees + turn)}</span>
              <span className="block text-sm text-soft">
                {directionWords(degrees, round)}
                {plan.moved.includes(joint) && `, moved ${Math.round(apart(degrees, plan.school[joint]))}°`}
              </span>
            </span>
            <span className="flex items-center">
              <Nudge
                label={`${JOINT_WORDS[joint]}, 1° back`}
                onPress={() => onMove(joint, turned(Math.round(degrees) - 1))}
              >
                <Minus size={15} aria-hidden />
              </Nudge>
              <Typed joint={joint} degrees={degrees} turn={turn} onMove={onMove} onRest={onRest} />
              <Nudge
                label={`${JOINT_WORDS[joint]}, 1° on`}
                onPress={() => onMove(joint, turned(Math.round(degrees) + 1))}
              >
                <Plus size={15} aria-hidden />
              </Nudge>
            </span>
          </li>
        );
      })}
    </ul>
  );
}

function Nudge({ label, onPress, children }: { label: string; onPress: () => void; children: React.ReactNode }) {
  return (
    <button
      type="button"
      aria-label={label}
      onClick={onPress}
      className="grid size-11 place-items-center rounded text-soft hover:text-ink lg:hidden"
    >
      {children}
    </button>
  );
}

/** The angle itself: typed, and set with Enter or on leaving. What cannot be read stays, and says so. */
function Typed({
  joint,
  degrees,
  turn,
  onMove,
  onRest,
}: { joint: Joint; degrees: number; turn: number } & Pick<Props, 'onMove' | 'onRest'>) {
  const [typed, setTyped] = useState<string | null>(null);
  const heard = typed === null ? null : parseCrownAngle(typed, turn);
  const enter = (): void => {
    if (!heard?.ok) return;
    if (apart(heard.degrees, degrees) > 0.05) onMove(joint, heard.degrees);
    setTyped(null);
    onRest();
  };
  const fault = heard && !heard.ok && typed !== '' ? heard.fault : null;
  return (
    <span className="relative">
      <input
        aria-label={`${JOINT_WORDS[joint]}, degrees`}
        aria-invalid={fault !== null}
        title={fault ?? undefined}
        className="field figures w-16! px-1.5! text-right"
        autoComplete="off"
        spellCheck={false}
        value={typed ?? `${Math.round(degrees) % 360}°`}
        onFocus={(event) => event.target.select()}
        onChange={(event) => setTyped(event.target.value)}
        onBlur={() => (heard?.ok ? enter() : typed === '' && setTyped(null))}
        onKeyDown={(event) => {
          if (event.key === 'Enter') enter();
          if (event.key === 'Escape') setTyped(null);
        }}
      />
      {fault && (
        <span
          role="alert"
          className="absolute top-full right-0 z-10 mt-1 block w-60 border border-over bg-sheet p-2 text-sm font-bold text-over"
        >
          {fault}
        </span>
      )}
    </span>
  );
}
