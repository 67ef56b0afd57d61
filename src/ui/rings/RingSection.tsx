'use client';

import { sectionOutline } from '@/core/stages/rings/section';
import type { CompressionRing } from '@/core/stages/rings/set';

const [LEFT, TOP, WIDTH, HEIGHT] = [26, 20, 104, 60];

/** The ring cut through, the right way up: crown above, bore wall to the right. */
export function RingSection({ ring, label }: { ring: CompressionRing; label: string }) {
  const corner = ([x, y]: readonly [number, number]): string => `${LEFT + x * WIDTH} ${TOP + (1 - y) * HEIGHT}`;
  return (
    <svg viewBox="0 0 190 104" className="w-[190px]" role="img" aria-label={label}>
      <path
        d={`M${sectionOutline(ring).map(corner).join('L')}Z`}
        fill="var(--ring)"
        stroke="var(--ink)"
        strokeWidth={1.5}
      />
      <rect x={LEFT + WIDTH + 2} y={4} width={7} height={92} fill="var(--edge)" />
      {ring.mark === 'dot' && <circle cx={LEFT + WIDTH * 0.55} cy={TOP - 3} r={3.5} fill="var(--blue)" />}
      {ring.mark === 'word' && (
        <text x={LEFT + WIDTH * 0.55} y={TOP - 4} textAnchor="middle" fontSize={12} fontWeight={700} fill="var(--blue)">
          TOP
        </text>
      )}
      <text x={4} y={12} fontSize={12} fill="var(--soft)">
        crown ↑
      </text>
      <text x={144} y={100} fontSize={12} fill="var(--soft)">
        wall
      </text>
    </svg>
  );
}
