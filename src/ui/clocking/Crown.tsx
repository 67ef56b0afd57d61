'use client';

import type { JudgedCylinder } from '@/core/build/judge';
import { JOINTS, JOINT_WORDS, type Joint, type Joints, majorThrust } from '@/core/clocking/clocking';
import type { Rotation } from '@/core/engine/engine';
import { apart } from '@/core/quantity/angle';
import { polar, sector, splitRing } from '../deck/arcs';

export const JOINT_MARKS: Record<Joint, string> = { top: '1', second: '2', upperRail: 'U', expander: 'E', lowerRail: 'L' };

const RADII: Record<Joint, number> = { top: 222, second: 198, upperRail: 174, expander: 157, lowerRail: 140 };
const STROKES: Record<Joint, number> = { top: 11, second: 11, upperRail: 4, expander: 7, lowerRail: 4 };
const BORE = 240;

/** The joint's own shape: compression gaps round, rails square, the expander a diamond. */
function JointShape({ joint }: { joint: Joint }) {
  const look = { fill: 'var(--sheet)', stroke: 'var(--ink)', strokeWidth: 2.5 };
  if (joint === 'expander') return <path d="M0-19 19 0 0 19-19 0Z" {...look} />;
  if (joint === 'upperRail' || joint === 'lowerRail') return <rect x={-14} y={-14} width={28} height={28} {...look} />;
  return <circle r={15} {...look} />;
}

/** Marks a little out of each other's way where two joints point the same way on neighbouring rings. */
function markRadius(joint: Joint, joints: Joints): number {
  if (joint !== 'expander') return RADII[joint];
  const crowded = (['second', 'upperRail', 'lowerRail'] as const).some((other) => apart(joints[other], joints.expander) < 9);
  return crowded ? RADII.expander - 6 : RADII.expander;
}

function Side({ x, y, anchor, lines }: { x: number; y: number; anchor: 'start' | 'end' | 'middle'; lines: string[] }) {
  return (
    <text x={x} y={y} textAnchor={anchor} fontSize={16} fill="var(--soft)">
      {lines.map((line, i) => (
        <tspan key={line} x={x} dy={i === 0 ? 0 : 20} fontWeight={i === 0 ? 700 : 400} fill={i === 0 ? 'var(--ink)' : undefined}>
          {line}
        </tspan>
      ))}
    </text>
  );
}

function bankWords(side: 'left' | 'right', cylinder: JudgedCylinder): string[] {
  if (cylinder.bank === 'only') return [];
  return [side === cylinder.bank ? 'outboard' : 'inboard'];
}

/** The piston seen on its crown, front up: five joints on their rings, pin and thrust faces marked. */
export function Crown({ cylinder, joints, rotation, title }: { cylinder: JudgedCylinder; joints: Joints; rotation: Rotation; title: string }) {
  const major = majorThrust(rotation);
  const thrust = (degrees: number): string => (degrees === major ? 'major thrust' : 'minor thrust');
  return (
    <svg viewBox="-385 -312 770 618" className="mx-auto block max-h-full w-full max-w-[760px]" role="img" aria-label={title}>
      <circle r={BORE} fill="var(--paper)" stroke="var(--edge)" strokeWidth={2} />
      {[90, 270].map((face) => (
        <path key={face} d={sector(face - 20, face + 20, 128, BORE)} fill="var(--ink)" opacity={face === major ? 0.17 : 0.09} />
      ))}
      {[0, 180].map((end) => (
        <path key={end} d={sector(end - 12, end + 12, 128, BORE)} fill="var(--blue)" opacity={0.13} />
      ))}
      {Array.from({ length: 72 }, (_, i) => i * 5).map((degrees) => {
        const [from, to] = [polar(BORE + 3, degrees), polar(BORE + (degrees % 45 === 0 ? 18 : degrees % 15 === 0 ? 12 : 7), degrees)];
        return <line key={degrees} x1={from.x} y1={from.y} x2={to.x} y2={to.y} stroke="var(--ink)" strokeWidth={degrees % 45 === 0 ? 2 : 1} />;
      })}
      {Array.from({ length: 8 }, (_, i) => i * 45).map((degrees) => {
        const at = polar(BORE + 36, degrees);
        return (
          <text key={degrees} x={at.x} y={at.y + 5} textAnchor="middle" fontSize={15} fill="var(--soft)" className="figures">
            {degrees}°
          </text>
        );
      })}
      <circle r={124} fill="var(--sheet)" stroke="var(--line)" />
      <line y1={-122} y2={122} stroke="var(--blue)" strokeWidth={1.5} strokeDasharray="8 6" />
      <text x={8} y={88} fontSize={15} fill="var(--blue)">
        pin
      </text>
      <path d="M0-114l-9 15h18z" fill="var(--ink)" />
      <Side x={0} y={-296} anchor="middle" lines={['front']} />
      <Side x={0} y={302} anchor="middle" lines={['flywheel']} />
      <Side x={274} y={34} anchor="start" lines={[thrust(90), ...bankWords('right', cylinder)]} />
      <Side x={-274} y={34} anchor="end" lines={[thrust(270), ...bankWords('left', cylinder)]} />
      {JOINTS.map((joint) => (
        <path
          key={joint}
          d={splitRing(RADII[joint], joints[joint], joint === 'top' || joint === 'second' ? 8 : 7)}
          fill="none"
          stroke="var(--ring)"
          strokeWidth={STROKES[joint]}
          strokeDasharray={joint === 'expander' ? '5 4' : undefined}
        />
      ))}
      {JOINTS.map((joint) => {
        const at = polar(markRadius(joint, joints), joints[joint]);
        return (
          <g key={joint} transform={`translate(${at.x} ${at.y})`} data-joint={joint} data-degrees={joints[joint].toFixed(1)}>
            <title>{`${JOINT_WORDS[joint]}, ${Math.round(joints[joint])}°`}</title>
            <JointShape joint={joint} />
            <text y={6} textAnchor="middle" fontSize={17} fontWeight={800} fill="var(--ink)">
              {JOINT_MARKS[joint]}
            </text>
          </g>
        );
      })}
    </svg>
  );
}
