'use client';

import type { JudgedRing } from '@/core/stages/rings/ringGap';
import { NM_PER_MM } from '@/core/foundation/quantity/length';
import { useWords } from '../openBuild/contexts';
import { stateColour } from '../shared/StateMark';
import { Term } from '../shared/Term';

const WIDTH = 300;
/** Drawn this many times as large as it is: 1 mm is 160 units here, which shows about 40 mm on a screen. */
const MAGNIFIED = 160;

/** The two ends of the ring in the bore, enlarged, as it lies cold. */
export function RingEnds({ ring }: { ring: JudgedRing }) {
  const { length } = useWords();
  const here = ring.counts?.value;
  if (here === undefined) return null;
  const gap = Math.min((here / NM_PER_MM) * MAGNIFIED, WIDTH * 0.85);
  const [left, right] = [(WIDTH - gap) / 2, (WIDTH + gap) / 2];
  const colour = stateColour(ring.state);
  return (
    <section aria-label="The ends of the ring, enlarged" className="w-[230px]">
      <h2 className="mb-1">
        The <Term word="end gap" />, enlarged, cold
      </h2>
      <svg viewBox={`0 0 ${WIDTH} 112`} className="w-full max-w-[380px]" role="img" aria-label={`Gap ${length(here)}`}>
        <text x={WIDTH / 2} y={14} textAnchor="middle" fontSize={16} fontWeight={700} fill={colour} className="figures">
          {length(here)}
        </text>
        <path d={`M${left} 22V36M${right} 22V36M${left} 29H${right}`} stroke={colour} strokeWidth={2} fill="none" />
        <rect x={0} y={38} width={left} height={40} fill="var(--ring)" />
        <rect x={right} y={38} width={WIDTH - right} height={40} fill="var(--ring)" />
        <rect x={0} y={82} width={WIDTH} height={11} fill="var(--edge)" />
        <text x={WIDTH} y={108} textAnchor="end" fontSize={13} fill="var(--soft)">
          bore wall
        </text>
      </svg>
    </section>
  );
}
