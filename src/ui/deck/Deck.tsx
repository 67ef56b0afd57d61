'use client';

import { type KeyboardEvent, memo, useRef } from 'react';
import { splitRing } from '@/core/stages/clocking/arcs';
import type { Joints } from '@/core/foundation/parts/joints';
import { useJudgement, useMoving, useWords } from '../openBuild/contexts';
import type { State } from '@/core/foundation/verdict/state';
import { useKeptInSight } from '../shared/scrollIntoView';
import { StateShape, stateColour } from '../shared/StateMark';
import { type JudgedCylinder, asked } from '@/core/judge/judgement';
import type { StageId } from '@/core/judge/registry';

const BORE = 0.43;
/** Pixels a bore spacing has at least: a fingertip; on two banks and long blocks more. A block that needs more scrolls. */
const LEAST = { oneBank: 46, twoBanks: 56, long: 82 };
/** How rings are drawn while nothing says where their gaps point. */
const UNPLANNED: Joints = { top: 45, second: 225, upperRail: 135, expander: 225, lowerRail: 315 };
const RADII = { top: 0.365, second: 0.285, oil: 0.205 };

function RingArc({ radius, at, state }: { radius: number; at: number; state: State }) {
  const done = state === 'in window' || state === 'loose';
  const idle = state === 'to do' || state === 'no target';
  return (
    <path
      d={splitRing(radius, at, radius < 0.25 ? 34 : 24)}
      fill="none"
      stroke={idle ? 'var(--idle)' : stateColour(state)}
      strokeWidth={idle ? 0.016 : 0.052}
      strokeDasharray={done || idle ? undefined : '0.06 0.026'}
    />
  );
}

/** What one bore says for the stage in hand, its figure printed. */
function useCaption(): (cylinder: JudgedCylinder, stage: StageId) => { state: State; word: string; figure: string } {
  const { text } = useWords();
  return (cylinder, stage) => {
    const { state, word, figure } = asked(stage).caption(cylinder);
    return { state, word, figure: text(figure) };
  };
}

interface BoreProps {
  cylinder: JudgedCylinder;
  current: boolean;
  stage: StageId;
  beside: -1 | 0 | 1;
}

/** Drawn anew only when its cylinder is judged anew: at a keystroke one of sixteen is. */
const Bore = memo(function Bore({ cylinder, current, stage, beside }: BoreProps) {
  const captionOf = useCaption();
  const { rings, deck, clocking } = cylinder;
  const joints = asked(stage).joints(cylinder) ?? clocking.plan?.joints ?? UNPLANNED;
  const { state, figure, word } = captionOf(cylinder, stage);
  return (
    <g transform={`translate(${deck.x} ${deck.y})`}>
      <circle
        r={BORE}
        fill="var(--sheet)"
        stroke={current ? 'var(--blue)' : 'var(--edge)'}
        strokeWidth={current ? 0.05 : 0.014}
      />
      <RingArc radius={RADII.top} at={joints.top} state={rings.top.state} />
      <RingArc radius={RADII.second} at={joints.second} state={rings.second.state} />
      <RingArc radius={RADII.oil} at={joints.upperRail} state={rings[cylinder.worst.rail].state} />
      <text
        y={0.045}
        textAnchor="middle"
        fontSize={0.19}
        fontWeight={700}
        fill={current ? 'var(--blue)' : 'var(--ink)'}
      >
        {cylinder.label}
      </text>
      <svg x={-0.06} y={0.065} width={0.12} height={0.12} viewBox="0 0 14 14">
        <StateShape state={state} />
      </svg>
      {beside !== 0 && (
        <g
          transform={`translate(${beside * (BORE + 0.16)} 0)`}
          textAnchor={beside > 0 ? 'start' : 'end'}
          fontSize={0.135}
        >
          <text
            y={figure ? -0.03 : 0.045}
            fill={state === 'to do' ? 'var(--soft)' : stateColour(state)}
            fontWeight={600}
          >
            {word}
          </text>
          {figure && (
            <text y={0.13} fill="var(--soft)" className="figures">
              {figure}
            </text>
          )}
        </g>
      )}
    </g>
  );
});

interface BoreButtonProps {
  cylinder: JudgedCylinder;
  current: boolean;
  stage: StageId;
  left: string;
  top: string;
  width: string;
  onPress: (id: string) => void;
}

/** What is pressed to go to a bore, over its drawing. */
const BoreButton = memo(function BoreButton({ cylinder, current, stage, left, top, width, onPress }: BoreButtonProps) {
  const { word, figure } = useCaption()(cylinder, stage);
  return (
    <button
      type="button"
      data-cylinder={cylinder.id}
      tabIndex={current ? 0 : -1}
      aria-current={current}
      aria-label={`Cylinder ${cylinder.label}, ${word}${figure ? `, ${figure}` : ''}`}
      onClick={() => onPress(cylinder.id)}
      className="absolute min-h-11 min-w-11 -translate-x-1/2 -translate-y-1/2 rounded-full"
      style={{ left, top, width, aspectRatio: '1' }}
    />
  );
});

const STEPS: Record<string, number> = { ArrowDown: 1, ArrowRight: 1, ArrowUp: -1, ArrowLeft: -1 };

/** Where the block lies in the drawing, in bores. */
interface Outline {
  left: number;
  right: number;
  top: number;
  bottom: number;
  /** The middle, under which the front stands. */
  middle: number;
  hasTwoBanks: boolean;
}

function outlineOf(cylinders: readonly JudgedCylinder[]): Outline {
  const hasTwoBanks = cylinders.some((c) => c.bank !== 'only');
  const xs = cylinders.map((c) => c.deck.x);
  const ys = cylinders.map((c) => c.deck.y);
  return {
    left: Math.min(...xs) - 0.62,
    right: Math.max(...xs) + (hasTwoBanks ? 0.62 : 1.45),
    top: Math.min(...ys) - 0.85,
    bottom: Math.max(...ys) + 0.62,
    middle: (Math.min(...xs) + Math.max(...xs)) / 2,
    hasTwoBanks,
  };
}

/** The front of the engine, and its banks. */
function Block({ cylinders, outline: { top, middle } }: { cylinders: readonly JudgedCylinder[]; outline: Outline }) {
  const banks = [...new Set(cylinders.map((c) => c.bank))].map((bank) => cylinders.filter((c) => c.bank === bank));
  return (
    <>
      <text x={middle} y={top + 0.16} textAnchor="middle" fontSize={0.14} fill="var(--soft)">
        front of engine
      </text>
      <path d={`M${middle} ${top + 0.2}l-.06 .09h.12z`} fill="var(--soft)" />
      {banks.map((bank) => {
        const by = bank.map((c) => c.deck.y);
        const x = bank[0]?.deck.x ?? 0;
        return (
          <rect
            key={x}
            x={x - 0.54}
            y={Math.min(...by) - 0.52}
            width={1.08}
            height={Math.max(...by) - Math.min(...by) + 1.04}
            rx={0.1}
            fill="var(--steel)"
            stroke="var(--line)"
            strokeWidth={0.012}
          />
        );
      })}
    </>
  );
}

const percent = (value: number, from: number, to: number): string => `${((value - from) / (to - from)) * 100}%`;

/** The block from above, as it stands: navigator and progress board at once. */
export function Deck({ stage }: { stage: StageId }) {
  const { cylinders } = useJudgement();
  const { cylinder: current, toCylinder } = useMoving();
  const box = useRef<HTMLDivElement>(null);
  useKeptInSight(box, `[data-cylinder="${current?.id}"]`);
  if (cylinders.length === 0) return null;
  const outline = outlineOf(cylinders);
  const { left, right, top, bottom, hasTwoBanks } = outline;
  const onKey = (event: KeyboardEvent): void => {
    const step = STEPS[event.key];
    if (!step || !current) return;
    event.preventDefault();
    const index = cylinders.findIndex((c) => c.id === current.id);
    const next = cylinders[(index + step + cylinders.length) % cylinders.length];
    if (!next) return;
    toCylinder(next.id);
    box.current?.querySelector<HTMLButtonElement>(`[data-cylinder="${next.id}"]`)?.focus();
  };
  const least = hasTwoBanks ? LEAST.twoBanks : cylinders.length > 8 ? LEAST.long : LEAST.oneBank;
  const [width, height] = [right - left, bottom - top];
  return (
    <nav
      aria-label="Cylinders"
      className="relative [container-type:size] flex h-full min-h-0 flex-col items-center gap-1 overflow-y-auto p-2"
    >
      <div
        ref={box}
        onKeyDown={onKey}
        className="relative shrink-0"
        // as large as there is room for: what is pressed lies over its drawing
        style={{
          aspectRatio: `${width} / ${height}`,
          width: `min(100cqw, 300px, max(100cqh - ${hasTwoBanks ? 2 : 0}rem, ${height * least}px) * ${width / height})`,
        }}
      >
        <svg viewBox={`${left} ${top} ${width} ${height}`} className="absolute inset-0 size-full" aria-hidden>
          <Block cylinders={cylinders} outline={outline} />
          {cylinders.map((c) => (
            <Bore key={c.id} cylinder={c} current={c.id === current?.id} stage={stage} beside={hasTwoBanks ? 0 : 1} />
          ))}
        </svg>
        {cylinders.map((c) => (
          <BoreButton
            key={c.id}
            cylinder={c}
            current={c.id === current?.id}
            stage={stage}
            left={percent(c.deck.x, left, right)}
            top={percent(c.deck.y, top, bottom)}
            width={`${(0.9 / width) * 100}%`}
            onPress={toCylinder}
          />
        ))}
      </div>
      {hasTwoBanks && current && <Below cylinder={current} stage={stage} />}
    </nav>
  );
}

/** Where two banks leave no room beside the bores, the word for the one in hand stands below. */
function Below({ cylinder, stage }: { cylinder: JudgedCylinder; stage: StageId }) {
  const captionOf = useCaption();
  const { state, word, figure } = captionOf(cylinder, stage);
  return (
    <p className="flex items-center gap-1.5 text-sm text-soft">
      <b className="text-ink">{cylinder.label}</b> {cylinder.bank} bank <StateShape state={state} size={12} /> {word}{' '}
      <span className="figures">{figure}</span>
    </p>
  );
}
