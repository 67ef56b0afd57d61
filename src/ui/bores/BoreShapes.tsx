'use client';

import { useMemo } from 'react';
import { type BorePicture, type Ring, FULL, picturesOf } from '@/core/stages/bores/picture';
import type { JudgedCylinder } from '@/core/judge/judgement';
import { THRUST, shortDepth } from '@/core/foundation/parts/spots';
import { useJudgement, useMoving, useWords } from '../openBuild/contexts';
import { StateMark } from '../shared/StateMark';
import { wallPath } from './Section';

/** All bores side by side on one scale: cut open square to the crank and along it, and the ovals seen from above. */
export function BoreShapes() {
  const judgement = useJudgement();
  const { length } = useWords();
  const shaped = judgement.cylinders.flatMap((c) =>
    c.bore.shape ? [{ cylinder: c, shape: c.bore.shape, measured: c.bore.measured }] : [],
  );
  const pictures = useMemo(
    () =>
      shaped.length === 0
        ? null
        : picturesOf(
            shaped.map(({ cylinder, shape, measured }) => ({
              name: cylinder.id,
              shape,
              spots: measured.filter((s) => s.depth !== 'above'),
            })),
          ),
    // The shapes follow from the judgement.
    // oxlint-disable-next-line react/exhaustive-deps
    [judgement],
  );
  if (!pictures)
    return (
      <p className="pt-4 text-lg text-soft">
        No bore is read yet. Read one spot by spot, and its form is drawn here beside the others.
      </p>
    );
  return (
    <div className="pt-3">
      <p className="max-w-prose text-soft">
        All on one scale: <b className="text-ink">{length(pictures.full)}</b> is drawn as a quarter of the radius. The
        blue walls are square to the crank, where wear is normally worst; the ovals are seen from above, front at the
        top, the outermost line the widest.
      </p>
      <ul
        className="mt-3 grid grid-cols-[repeat(auto-fill,minmax(11.5rem,1fr))] gap-x-4 gap-y-5"
        aria-label="Bore shapes"
      >
        {shaped.map(({ cylinder, shape }) => (
          <Shaped key={cylinder.id} cylinder={cylinder} shape={shape} picture={pictures.bores.get(cylinder.id)} />
        ))}
      </ul>
    </div>
  );
}

interface ShapedProps {
  cylinder: JudgedCylinder;
  shape: NonNullable<JudgedCylinder['bore']['shape']>;
  picture: BorePicture | undefined;
}

/** One bore drawn, with its form in words; it leads there. */
function Shaped({ cylinder: { id, label, bore }, shape, picture }: ShapedProps) {
  const { cylinder: current, toCylinder } = useMoving();
  return (
    <li>
      <button
        type="button"
        onClick={() => toCylinder(id)}
        aria-current={id === current?.id}
        aria-label={`Bore ${label}: ${shape.form?.words ?? 'one depth'}, ${bore.verdict.state}`}
        className="w-full border-t-2 border-line pt-1 text-left aria-[current=true]:border-blue"
      >
        <span className="flex items-baseline justify-between gap-2">
          <b className="text-lg">{label}</b> <StateMark state={bore.verdict.state} />
        </span>
        {picture && <Pair picture={picture} />}
        <span className="block text-sm leading-tight text-soft">
          {shape.form?.words ?? `one depth: ${shortDepth(shape.smallest.depth)}`}
          {shape.lean && `; longest ${Math.abs(shape.lean.degrees).toFixed(0)}° from square`}
        </span>
      </button>
    </li>
  );
}

const ring = (outline: Ring['outline'], scale: number): string =>
  `${outline
    .map(({ angle, radius }, i) => {
      const radians = ((angle - 90) * Math.PI) / 180;
      return `${i === 0 ? 'M' : 'L'}${(scale * radius * Math.cos(radians)).toFixed(2)} ${(scale * radius * Math.sin(radians)).toFixed(2)}`;
    })
    .join('')}Z`;

/** The section and the ovals of one bore. */
function Pair({ picture }: { picture: BorePicture }) {
  const depths = picture.rings.map((r) => r.depth);
  const thrust = picture.profiles.find((p) => p.angle === THRUST) ?? picture.profiles[0];
  const others = picture.profiles.filter((p) => p !== thrust);
  const place = { middle: 42, half: 36, top: 8, bottom: 84 };
  return (
    <svg viewBox="0 0 180 92" className="block w-full" aria-hidden>
      {[...others, ...(thrust ? [thrust] : [])].map((profile) =>
        ([-1, 1] as const).map((side) => (
          <path
            key={`${profile.angle}${side}`}
            d={wallPath(profile, depths, place, side)}
            fill="none"
            stroke={profile === thrust ? 'var(--blue)' : 'var(--ring)'}
            strokeWidth={profile === thrust ? 2.4 : 1.2}
            strokeDasharray={profile === thrust ? undefined : '4 3'}
          />
        )),
      )}
      <g transform="translate(134 46)">
        <path d={`M0 -42V-${40 * (1 - FULL)}M-42 0H-${40 * (1 - FULL)}M42 0H${40 * (1 - FULL)}`} stroke="var(--line)" />
        {picture.rings.map(({ depth, outline, known }, i) => (
          <path
            key={depth}
            d={ring(outline, 40)}
            fill="none"
            stroke={i === 0 ? 'var(--blue)' : 'var(--ring)'}
            strokeWidth={i === 0 ? 1.8 : 1}
            strokeDasharray={known ? undefined : '3 2'}
          />
        ))}
        {picture.rings.flatMap(({ depth, read }) =>
          read.map(({ angle, radius }) => {
            const radians = ((angle - 90) * Math.PI) / 180;
            return (
              <circle
                key={`${depth}${angle}`}
                cx={40 * radius * Math.cos(radians)}
                cy={40 * radius * Math.sin(radians)}
                r={1.5}
                fill="var(--ink)"
              />
            );
          }),
        )}
      </g>
    </svg>
  );
}
