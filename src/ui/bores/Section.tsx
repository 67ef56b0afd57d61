'use client';

import { useMemo } from 'react';
import { type BorePicture, type Profile, picturesOf } from '@/core/bore/picture';
import { directionWords } from '@/core/bore/grid';
import type { JudgedCylinder } from '@/core/build/judge';
import { useBench } from '../bench/Bench';
import { shortDepth } from '../line/names';

const WIDTH = 236;
const HEIGHT = 190;
const [LEFT, TOP, BOTTOM] = [62, 14, 158];
const HALF = 52;
const MIDDLE = LEFT + HALF + 8;

const DASHES = ['none', '5 4', '2 3', '8 3 2 3', '1 4', '10 4'];

/** One wall of the bore seen from the side, down the depths that were read. */
export function wallPath(profile: Profile, depths: string[], { middle, half, top, bottom }: { middle: number; half: number; top: number; bottom: number }, side: -1 | 1): string {
  const y = (depth: string): number => (depths.length < 2 ? (top + bottom) / 2 : top + (depths.indexOf(depth) * (bottom - top)) / (depths.length - 1));
  const points = profile.wall.map(({ depth, radius }) => `${(middle + side * half * radius).toFixed(1)} ${y(depth).toFixed(1)}`);
  const [first] = points;
  if (points.length === 1 && first) {
    const [x] = first.split(' ');
    return `M${x} ${top}V${bottom}`;
  }
  return `M${points.join('L')}`;
}

/** One bore cut open, its departures stretched to be seen: each direction is a pair of walls. */
export function Section({ cylinder }: { cylinder: JudgedCylinder }) {
  const { length } = useBench();
  const { shape, measured } = cylinder.bore;
  const pictures = useMemo(() => (shape ? picturesOf([{ name: cylinder.id, shape, spots: measured.filter((s) => s.depth !== 'above') }]) : null), [cylinder.id, shape, measured]);
  const picture = pictures?.bores.get(cylinder.id);
  if (!pictures || !picture) return <p className="max-w-56 pt-2 text-soft">The bore is drawn here, cut open and stretched, as it is read.</p>;
  return (
    <figure className="min-w-0">
      <Drawn picture={picture} label={`Bore ${cylinder.label} cut open: ${shape?.form?.words ?? 'one depth read'}`} />
      <figcaption className="max-w-60 text-sm text-soft">
        {shape?.form && <b className="text-ink">{shape.form.words}. </b>}
        {shape?.lean && `Wear leans ${Math.abs(shape.lean.degrees).toFixed(0)}° from square. `}
        {shape?.ridge && `Ridge ${length(shape.ridge.value)}. `}
        Stretched: {length(pictures.full)} is drawn as a quarter of the radius.
      </figcaption>
    </figure>
  );
}

function Drawn({ picture, label }: { picture: BorePicture; label: string }) {
  const depths = picture.rings.map((r) => r.depth);
  const y = (i: number): number => (depths.length < 2 ? (TOP + BOTTOM) / 2 : TOP + (i * (BOTTOM - TOP)) / (depths.length - 1));
  const place = { middle: MIDDLE + HALF, half: HALF * 1.24, top: TOP, bottom: BOTTOM };
  return (
    <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} className="block w-[236px] max-w-full" role="img" aria-label={label}>
      <line x1={place.middle} x2={place.middle} y1={TOP - 8} y2={BOTTOM + 6} stroke="var(--line)" strokeDasharray="6 3 1 3" />
      {depths.map((depth, i) => (
        <g key={depth}>
          <line x1={LEFT - 4} x2={WIDTH - 4} y1={y(i)} y2={y(i)} stroke="var(--line)" strokeWidth={0.8} />
          <text x={LEFT - 8} y={y(i) + 4} textAnchor="end" fontSize={12} fill="var(--soft)">
            {shortDepth(depth).replace(' ', '\u00a0')}
          </text>
        </g>
      ))}
      {picture.profiles.map((profile, i) =>
        ([-1, 1] as const).map((side) => (
          <path key={`${profile.angle}${side}`} d={wallPath(profile, depths, place, side)} fill="none" stroke={i === 0 ? 'var(--blue)' : 'var(--ink)'} strokeWidth={i === 0 ? 3 : 1.5} strokeDasharray={DASHES[i]} />
        )),
      )}
      {picture.profiles.slice(0, 2).map((profile, i) => (
        <g key={profile.angle} transform={`translate(${LEFT - 40 + i * 112} ${HEIGHT - 6})`}>
          <line x1={0} x2={18} y1={-4} y2={-4} stroke={i === 0 ? 'var(--blue)' : 'var(--ink)'} strokeWidth={i === 0 ? 3 : 1.5} strokeDasharray={DASHES[i]} />
          <text x={22} fontSize={11} fill="var(--soft)">
            {directionWords(profile.angle).replace(' the crank', '')}
          </text>
        </g>
      ))}
    </svg>
  );
}
