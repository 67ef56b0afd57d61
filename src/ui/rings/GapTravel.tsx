'use client';

import type { JudgedRing } from '@/core/rings/judged';
import { DEPTHS, DEPTH_WORDS, type Depth } from '@/core/bores/grid';
import { useWords } from '../openBuild/contexts';
import { Explain } from '../shared/Explain';
import { StateMark, stateColour } from '../shared/StateMark';

/** How far down the drawing a depth lies, 0 to 1. */
const downOf = (depth: Depth | null): number =>
  depth === null ? 0.5 : Math.max(0, DEPTHS.indexOf(depth as (typeof DEPTHS)[number])) / (DEPTHS.length - 1);

/** The gap where the bore is smallest, with where that is in the bore. */
export function GapTravel({ ring }: { ring: JudgedRing }) {
  const { length, units } = useWords();
  const { counts, gap } = ring;
  if (!counts || !gap) return null;
  const { from, to } = counts.move;
  const y = (depth: Depth | null): number => 22 + downOf(depth) * 84;
  const mark = (depth: Depth | null, words: string, colour: string, dash: string) => (
    <>
      <path d={`M34 ${y(depth)}H86`} stroke={colour} strokeWidth={4} strokeDasharray={dash} />
      <text x={98} y={y(depth) + 5} fontSize={14} fontWeight={700} fill={colour} className="figures">
        {words}
      </text>
    </>
  );
  const same = from.depth === to.depth;
  return (
    <section aria-label="The gap that counts" className="w-[230px]">
      <h2 className="mb-1">Where it is smallest</h2>
      <svg
        viewBox="0 0 230 128"
        className="w-full"
        role="img"
        aria-label={`Gap ${length(counts.gap.value)} at ${to.depth ? DEPTH_WORDS[to.depth] : 'its one size'}`}
      >
        <path d="M30 8V120M90 8V120" stroke="var(--edge)" strokeWidth={6} />
        {!same && mark(from.depth, `read ${length(gap.value)}`, 'var(--soft)', '5 4')}
        {mark(to.depth, length(counts.gap.value), stateColour(counts.state), '')}
      </svg>
      <p className="text-sm">
        <StateMark state={counts.state} /> {to.depth ? DEPTH_WORDS[to.depth] : ''}
        {same && ', where it was read'}{' '}
        <Explain
          what="the gap that counts"
          units={units}
          standing="A ring follows the bore’s girth: its gap moves by π times the change in diameter (identity). Squared about an inch down unless a depth is said (common practice, no source)."
          working={counts.working}
        />
      </p>
    </section>
  );
}
