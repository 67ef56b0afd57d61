'use client';

import type { JudgedRing } from '@/core/stages/rings/ringGap';
import { type Depth, DEPTHS, DEPTH_WORDS } from '@/core/foundation/parts/spots';
import { fine, raw, say } from '@/core/foundation/quantity/message';
import { lengthText } from '@/core/foundation/quantity/format';
import { countsWords } from '@/core/stages/rings/words';
import { useWords } from '../openBuild/contexts';
import { Explain } from '../shared/Explain';
import { StateMark, stateColour } from '../shared/StateMark';

const TOP = 18;
const HEIGHT = 96;
/** How far either wall leans in, drawn, where two depths tell a taper. */
const LEAN = 9;

/** A change to 20 °C under this is no news: 0.0001 in. */
const NO_CHANGE = 2_540;

/** How far down the drawing a depth lies; where none was said, over all of it. */
const yOf = (depth: Depth | null): number =>
  TOP +
  (depth === null
    ? HEIGHT / 2
    : (Math.max(0, DEPTHS.indexOf(depth as (typeof DEPTHS)[number])) / (DEPTHS.length - 1)) * HEIGHT);

/** Every reading since the ring was filed where it was made, and the gap that counts where that is. */
export function GapTravel({ ring }: { ring: JudgedRing }) {
  const { length, units, text } = useWords();
  const { counts, passes, state, readIn, called } = ring;
  if (!counts || !called) return null;
  const read = counts.evidence.flatMap(({ id }) => {
    const pass = passes.find((p) => p.id === id);
    return pass ? [{ id, value: pass.value, depth: pass.fit?.depth ?? null, cylinder: pass.cylinder }] : [];
  });
  const here = read.filter((r) => r.cylinder === (readIn ? null : ring.reading?.cylinder));
  const { taper } = counts;
  const atTop = taper ? yOf(taper.wide) < yOf(taper.narrow) : false;
  const lean = taper ? (atTop ? [0, LEAN] : [LEAN, 0]) : [0, 0];
  const [a = 0, b = 0] = lean;
  const counted = yOf(counts.depth);
  const bare = (nm: number): string => lengthText(nm, units, 'fine').replace(/ .*/, '');
  return (
    <section aria-label="The gap that counts" className="w-[230px]">
      <h2 className="mb-1">Where it is smallest</h2>
      <svg
        viewBox="0 0 230 132"
        className="w-full"
        role="img"
        aria-label={`${here.map((r) => `${bare(r.value)} read at ${r.depth ? DEPTH_WORDS[r.depth] : 'a depth not entered'}`).join(', ')}; ${text(countsWords(counts, readIn !== null))} counts`}
      >
        <path
          d={`M${30 + a} 8L${30 + b} 124M${90 - a} 8L${90 - b} 124`}
          stroke="var(--edge)"
          strokeWidth={6}
          fill="none"
        />
        {here
          .filter((r) => r.depth !== counts.depth || !counts.asRead)
          .map(({ id, value, depth }) => (
            <g key={id}>
              <path
                d={depth === null ? `M60 ${TOP}V${TOP + HEIGHT}` : `M36 ${yOf(depth)}H84`}
                stroke="var(--soft)"
                strokeWidth={3}
                strokeDasharray="5 4"
              />
              <text
                x={98}
                y={yOf(depth) + (Math.abs(yOf(depth) - counted) < 16 ? -12 : 5)}
                fontSize={14}
                fill="var(--soft)"
                className="figures"
              >
                read {bare(value)}
              </text>
            </g>
          ))}
        <path d={`M36 ${counted}H84`} stroke={stateColour(state)} strokeWidth={5} />
        <text x={98} y={counted + 5} fontSize={15} fontWeight={700} fill={stateColour(state)} className="figures">
          {length(counts.value)}
        </text>
      </svg>
      <p className="text-sm">
        <StateMark state={state} /> {counts.depth ? DEPTH_WORDS[counts.depth] : ''}
        {counts.asRead && ', where it was read'}{' '}
        <Explain
          what="the gap that counts"
          units={units}
          standing="A ring follows the bore’s girth: its gap moves by π times the change in diameter (identity). Every reading since it was last filed counts; a reading that does not say how deep may have been made anywhere in ring travel."
          working={[
            ...counts.evidence.map((e) =>
              e.high === Infinity
                ? say`${fine(Math.round(e.low))} or more${e.direct ? '' : ', worked back from another depth'}`
                : say`${fine(Math.round(e.low))} to ${fine(Math.round(e.high))}${e.direct ? '' : ', worked back from another depth'}`,
            ),
            ...(Math.abs(counts.cooled) < NO_CHANGE
              ? []
              : [say`of that ${raw(counts.cooled)} from the temperature it was read at to 20 °C`]),
            say`together ${counts.high === Infinity ? say`${fine(Math.round(counts.low))} or more` : say`${fine(Math.round(counts.low))} to ${fine(Math.round(counts.high))}`}, each end ± ${raw(counts.uncertainty)}`,
          ]}
        />
      </p>
      {taper && (
        <p className="text-sm text-soft">
          The gaps tell a taper of <b className="text-ink">{text([raw(taper.change)])}</b>, wide at the{' '}
          {DEPTH_WORDS[taper.wide]}: Δgap ÷ π.
        </p>
      )}
    </section>
  );
}
