'use client';

import { type KeyboardEvent, type PointerEvent, useEffect, useMemo, useRef } from 'react';
import type { ClockingChoices, Plan } from '@/core/stages/clocking/choices';
import { crownOf } from '@/core/stages/clocking/crownDrawing';
import type { CrownStyle, Mark, Scene } from '@/core/stages/clocking/crownScene';
import { type Joint, JOINTS, JOINT_WORDS } from '@/core/foundation/parts/joints';
import { marksFor, snapped } from '@/core/stages/clocking/snap';
import { type View, turnOf } from '@/core/stages/clocking/viewpoint';
import { clockHours, directionWords } from '@/core/stages/clocking/words';
import { turned } from '@/core/foundation/quantity/angle';
import { SceneView } from './SceneView';
import type { JudgedClocking } from '@/core/stages/clocking/cylinderClocking';
import type { Surroundings } from '@/core/stages/clocking/surroundings';

/** How far a finger may be from a mark, in the drawing's units. */
const REACH = 38;
const STEPS: Record<string, number> = { ArrowRight: 1, ArrowUp: 1, ArrowLeft: -1, ArrowDown: -1 };
const LEAP = 15;

interface Props {
  judged: JudgedClocking;
  choices: ClockingChoices;
  view: View;
  style: CrownStyle;
  title: string;
  className?: string;
  /** A joint is moved, to where it would come to rest, `held` while the pointer has it; without this the crown is only looked at. */
  onMove?: (joint: Joint, to: number, held?: boolean) => void;
  /** What was moved is let go of. */
  onRest?: () => void;
  /** What was moved is to be as it was. */
  onDrop?: () => void;
}

/** The piston seen on its crown. Joints are turned by pointer, by touch, and by the arrow keys. */
export function Crown({ judged, choices, view, style, title, className = '', onMove, onRest, onDrop }: Props) {
  const svg = useRef<SVGSVGElement>(null);
  const scene = useMemo(() => crownOf(judged, choices, view, style), [judged, choices, view, style]);
  const { plan, round } = judged;
  if (!scene || !plan) return null;
  const turn = turnOf(view, round, choices.stand, choices.facts.lean);
  const { box } = scene;
  return (
    <svg
      ref={svg}
      viewBox={`${box.x} ${box.y} ${box.w} ${box.h}`}
      role={onMove ? 'group' : 'img'}
      aria-label={
        onMove
          ? title
          : `${title}: ${JOINTS.map((joint) => `${JOINT_WORDS[joint]} ${Math.round(plan.joints[joint]) % 360}°`).join(', ')}`
      }
      className={className}
    >
      <SceneView scene={scene} />
      {scene.marks.map(({ joint, x, y }) => (
        <g
          key={joint}
          transform={`translate(${x} ${y})`}
          data-joint={joint}
          data-degrees={plan.joints[joint].toFixed(1)}
        />
      ))}
      {onMove && onRest && onDrop && (
        <Handles
          scene={scene}
          plan={plan}
          round={round}
          turn={turn}
          svg={svg}
          onMove={onMove}
          onRest={onRest}
          onDrop={onDrop}
        />
      )}
    </svg>
  );
}

interface HandlesProps {
  scene: Scene;
  plan: Plan;
  round: JudgedClocking['round'];
  turn: number;
  svg: React.RefObject<SVGSVGElement | null>;
  onMove: (joint: Joint, to: number, held?: boolean) => void;
  onRest: () => void;
  onDrop: () => void;
}

const LEAPS: Record<string, number> = { PageUp: LEAP, PageDown: -LEAP };

/** Degrees that a key turns a joint by; 0 for none. */
const stepOf = ({ key, shiftKey }: KeyboardEvent): number => LEAPS[key] ?? (STEPS[key] ?? 0) * (shiftKey ? LEAP : 1);

function Handles({ scene, plan, round, turn, svg, onMove, onRest, onDrop }: HandlesProps) {
  const held = useRef<Joint | null>(null);
  const waiting = useRef<{ joint: Joint; to: number } | null>(null);
  const frame = useRef(0);

  const group = useRef<SVGGElement>(null);
  useEffect(() => {
    // A finger on a joint turns it; anywhere else it moves the page. Drawings have no `touch-action` of their own.
    const hold = (event: TouchEvent): void => event.preventDefault();
    const handles = group.current;
    handles?.addEventListener('touchstart', hold, { passive: false });
    return () => handles?.removeEventListener('touchstart', hold);
  }, []);

  const pointOf = (event: PointerEvent): { x: number; y: number } | null => {
    const matrix = svg.current?.getScreenCTM();
    return matrix ? new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix.inverse()) : null;
  };
  const begin = (event: PointerEvent<SVGGElement>): void => {
    const at = pointOf(event);
    if (!at || event.button !== 0) return;
    const off = ({ x, y }: { x: number; y: number }): number => Math.hypot(x - at.x, y - at.y);
    const nearest = scene.marks.reduce((best, mark) => (off(mark) < off(best) ? mark : best));
    if (off(nearest) > REACH) return;
    event.preventDefault();
    held.current = nearest.joint;
    event.currentTarget.setPointerCapture(event.pointerId);
    svg.current?.querySelector<SVGGElement>(`[data-handle="${nearest.joint}"]`)?.focus();
  };
  /** As many moves as there are frames, and the last one always. */
  const flush = (): void => {
    frame.current = 0;
    const next = waiting.current;
    waiting.current = null;
    if (next && next.to !== plan.joints[next.joint]) onMove(next.joint, next.to, true);
  };
  const go = (event: PointerEvent): void => {
    const joint = held.current;
    const at = joint && pointOf(event);
    if (!joint || !at) return;
    const degrees = turned((Math.atan2(at.x, -at.y) * 180) / Math.PI - turn);
    waiting.current = {
      joint,
      to: event.altKey ? Math.round(degrees) % 360 : snapped(degrees, marksFor(joint, plan.joints, plan.school)),
    };
    if (frame.current === 0) frame.current = requestAnimationFrame(flush);
  };
  const end = (): void => {
    if (!held.current) return;
    held.current = null;
    if (frame.current !== 0) cancelAnimationFrame(frame.current);
    flush();
    onRest();
  };
  const cancel = (): void => {
    held.current = null;
    waiting.current = null;
    onDrop();
  };
  const onKey = (event: KeyboardEvent, joint: Joint): void => {
    if (event.key === 'Escape' && held.current) {
      event.preventDefault();
      cancel();
      return;
    }
    if (event.key === 'Home') {
      event.preventDefault();
      onMove(joint, plan.school[joint]);
      return;
    }
    const step = stepOf(event);
    if (step === 0 || event.ctrlKey || event.metaKey || event.altKey) return;
    event.preventDefault();
    onMove(joint, turned(Math.round(plan.joints[joint]) + step));
  };

  return (
    <g ref={group} onPointerDown={begin} onPointerMove={go} onPointerUp={end} onPointerCancel={cancel}>
      {JOINTS.map((joint) => {
        const mark = scene.marks.find((m) => m.joint === joint);
        const degrees = Math.round(plan.joints[joint]) % 360;
        return (
          <Handle
            key={joint}
            joint={joint}
            degrees={degrees}
            round={round}
            turn={turn}
            onKey={onKey}
            onRest={onRest}
            mark={mark}
          />
        );
      })}
    </g>
  );
}

interface HandleProps {
  joint: 'top' | 'second' | 'upperRail' | 'expander' | 'lowerRail';
  degrees: number;
  round: Surroundings;
  turn: number;
  onKey: (event: KeyboardEvent, joint: Joint) => void;
  onRest: () => void;
  mark: Mark | undefined;
}

/** What a joint is dragged by. */
function Handle({ joint, degrees, round, turn, onKey, onRest, mark }: HandleProps) {
  return (
    <g
      role="slider"
      tabIndex={0}
      data-handle={joint}
      aria-label={JOINT_WORDS[joint]}
      aria-valuemin={0}
      aria-valuemax={359}
      aria-valuenow={degrees}
      aria-valuetext={`${degrees}°, ${directionWords(degrees, round)}, ${clockHours(degrees + turn)} o’clock`}
      onKeyDown={(event) => onKey(event, joint)}
      onBlur={onRest}
      transform={`translate(${mark?.x ?? 0} ${mark?.y ?? 0})`}
      className="group cursor-grab outline-none active:cursor-grabbing"
    >
      <circle r={REACH} fill="transparent" />
      <circle
        r={25}
        fill="none"
        stroke="var(--blue)"
        strokeWidth={4}
        className="opacity-0 group-focus-visible:opacity-100"
      />
    </g>
  );
}
