'use client';

import { useMemo } from 'react';
import { type BorePicture, type Profile, picturesOf } from '@/core/stages/bores/picture';
import { shortDirection } from '@/core/foundation/parts/spots';
import { useWords } from '../openBuild/contexts';
import type { JudgedCylinder } from '@/core/judge/judgement';

const WIDTH = 148;
const HEIGHT = 214;
const [TOP, BOTTOM] = [14, 166];
const PLACE = { middle: WIDTH / 2, half: 66, top: TOP, bottom: BOTTOM };

const DASHES = ['none', '5 4', '2 3', '8 3 2 3', '1 4', '10 4'];

/** One wall of the bore seen from the side, down the depths that were read. */
export function wallPath(
  profile: Profile,
  depths: string[],
  { middle, half, top, bottom }: { middle: number; half: number; top: number; bottom: number },
  side: -1 | 1,
): string {
  const y = (depth: string): number =>
    depths.length < 2 ? (top + bottom) / 2 : top + (depths.indexOf(depth) * (bottom - top)) / (depths.length - 1);
  const points = profile.wall.map(
    ({ depth, radius }) => `${(middle + side * half * radius).toFixed(1)} ${y(depth).toFixed(1)}`,
  );
  const [first] = points;
  if (points.length === 1 && first) {
    const [x] = first.split(' ');
    return `M${x} ${top}V${bottom}`;
  }
  return `M${points.join('L')}`;
}

/** One bore cut open, its departures stretched to be seen: each direction is a pair of walls. */
export function Section({ cylinder }: { cylinder: JudgedCylinder }) {
  const { length } = useWords();
  const { shape, measured } = cylinder.bore;
  const pictures = useMemo(
    () =>
      shape ? picturesOf([{ name: cylinder.id, shape, spots: measured.filter((s) => s.depth !== 'above') }]) : null,
    [cylinder.id, shape, measured],
  );
  const picture = pictures?.bores.get(cylinder.id);
  if (!pictures || !picture)
    return <p className="max-w-40 pt-2 text-soft">The bore is drawn here, cut open and stretched, as it is read.</p>;
  return (
    <figure className="min-w-0">
      <Drawn picture={picture} label={`Bore ${cylinder.label} cut open: ${shape?.form?.words ?? 'one depth read'}`} />
      <figcaption className="max-w-40 text-sm leading-tight text-soft">
        {shape?.form && <b className="text-ink">{shape.form.words}. </b>}
        {shape?.lean && `Direction of wear ${Math.abs(shape.lean.degrees).toFixed(0)}° from square. `}
        {shape?.ridge && `Ridge ${length(shape.ridge.value)}. `}
        Stretched: {length(pictures.full)} is drawn as a quarter of the radius.
      </figcaption>
    </figure>
  );
}

function Drawn({ picture, label }: { picture: BorePicture; label: string }) {
  const depths = picture.rings.map((r) => r.depth);
  const y = (i: number): number =>
    depths.length < 2 ? (TOP + BOTTOM) / 2 : TOP + (i * (BOTTOM - TOP)) / (depths.length - 1);
  return (
    <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} className="block w-[148px]" role="img" aria-label={label}>
      <line
        x1={PLACE.middle}
        x2={PLACE.middle}
        y1={TOP - 8}
        y2={BOTTOM + 6}
        stroke="var(--line)"
        strokeDasharray="6 3 1 3"
      />
      {depths.map((depth, i) => (
        <line key={depth} x1={0} x2={WIDTH} y1={y(i)} y2={y(i)} stroke="var(--line)" strokeWidth={0.8} />
      ))}
      {picture.profiles.map((profile, i) =>
        ([-1, 1] as const).map((side) => (
          <path
            key={`${profile.angle}${side}`}
            d={wallPath(profile, depths, PLACE, side)}
            fill="none"
            stroke={i === 0 ? 'var(--blue)' : 'var(--ink)'}
            strokeWidth={i === 0 ? 3 : 1.5}
            strokeDasharray={DASHES[i]}
          />
        )),
      )}
      {picture.profiles.slice(0, 3).map((profile, i) => (
        <g key={profile.angle} transform={`translate(${i % 2 === 0 ? 0 : 78} ${HEIGHT - 20 + Math.floor(i / 2) * 14})`}>
          <line
            x1={0}
            x2={18}
            y1={-4}
            y2={-4}
            stroke={i === 0 ? 'var(--blue)' : 'var(--ink)'}
            strokeWidth={i === 0 ? 3 : 1.5}
            strokeDasharray={DASHES[i]}
          />
          <text x={22} fontSize={11} fill="var(--soft)">
            {shortDirection(profile.angle)}
          </text>
        </g>
      ))}
    </svg>
  );
}
