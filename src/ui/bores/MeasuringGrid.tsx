'use client';

import {
  type Spot,
  DEPTH_WORDS,
  directionWords,
  isThrust,
  sameSpot,
  shortDepth,
  shortDirection,
} from '@/core/foundation/parts/spots';
import type { Derived } from '@/core/stages/bores/shape';
import { offText, printLength } from '@/core/foundation/quantity/format';
import { useMoving, useWords } from '../openBuild/contexts';
import { Explain } from '../shared/Explain';
import type { JudgedCylinder } from '@/core/judge/judgement';
import type { JudgedSpot } from '@/core/stages/bores/bore';
import { Term } from '../shared/Term';

interface Props {
  cylinder: JudgedCylinder;
  here: Spot;
}

const STANDING =
  'The difference of two readings with one tool: its own error drops out, the last digit and the hand do not. U at k = 2, JCGM 100:2008. Conventions: common practice, no source.';

/** Depth by direction: every spot of a bore, with taper and out-of-round at the edges. A spot leads the line to it. */
export function MeasuringGrid({ cylinder, here }: Props) {
  const { units, length } = useWords();
  const { spots, shape, relative, repeatability } = cylinder.bore;
  const depths = [...new Set(spots.map((s) => s.depth))];
  const directions = [...new Set(spots.map((s) => s.angle))];
  const unit = units === 'imperial' ? 'in' : 'mm';
  return (
    <div className="relative max-w-full overflow-x-auto">
      <table className="ruled w-auto!">
        <caption className="sr-only">
          Readings of bore {cylinder.label}, {unit}
        </caption>
        <thead>
          <tr>
            <th scope="col">bore, {unit}</th>
            {directions.map((angle) => (
              <th key={angle} scope="col" className="num" title={directionWords(angle)}>
                {shortDirection(angle)}
                {isThrust(angle) && (
                  <span className="block text-xs">
                    <Term word="thrust face">thrust</Term>
                  </span>
                )}
              </th>
            ))}
            <th scope="col" className="num">
              <Term word="out of round">out-of-round</Term>
              <span className="block text-xs">{units === 'imperial' ? 'thou' : 'mm'}</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {depths.map((depth) => (
            <tr key={depth}>
              <th scope="row" className="text-ink!" title={DEPTH_WORDS[depth]}>
                {shortDepth(depth)}
              </th>
              {directions.map((angle) => {
                const spot = spots.find((s) => sameSpot(s, { depth, angle }));
                return (
                  <td key={angle} className="num p-0!">
                    {spot && <Cell cylinder={cylinder} spot={spot} current={sameSpot(spot, here)} />}
                  </td>
                );
              })}
              <td className="num py-0! pr-0!">
                <Figure
                  what={`out-of-round, ${DEPTH_WORDS[depth]}`}
                  derived={shape?.depths.find((d) => d.depth === depth)?.outOfRound ?? null}
                />
              </td>
            </tr>
          ))}
          {!shape && relative && (
            <tr>
              <th scope="row">from the zero</th>
              <td className="num" colSpan={Math.max(1, directions.length)}>
                {relative.taper === null ? '' : `taper ${length(relative.taper, 'fine')}`}
              </td>
              <td className="num">
                {relative.outOfRound === null ? '–' : printLength(relative.outOfRound, units, 'fine').number}
              </td>
            </tr>
          )}
          {shape && (
            <tr>
              <th scope="row">
                <Term word="taper" />
              </th>
              <td className="num py-0!" colSpan={Math.max(1, directions.length)}>
                <Figure what="taper in the thrust direction" derived={shape.taper.thrust} />
              </td>
              <td className="pr-0! text-right text-soft">{shape.form?.form}</td>
            </tr>
          )}
        </tbody>
      </table>
      <p className="mt-1 max-w-80 text-sm text-soft">
        {repeatability.freedom < Infinity ? 'Repeats scatter by' : 'Scatter of one reading taken as half a division:'}{' '}
        {printLength(Math.round(repeatability.value), units, 'raw').number} {unit} (one standard deviation)
        {repeatability.freedom < Infinity ? '.' : '; repeat readings measure it.'}
      </p>
    </div>
  );
}

/** A derived figure with its uncertainty; it opens its working. */
function Figure({ what, derived }: { what: string; derived: Derived | null }) {
  const { length, units } = useWords();
  if (!derived) return <span className="text-soft">–</span>;
  return (
    <Explain
      what={what}
      working={[...derived.working, `± ${length(derived.uncertainty)} (k = 2)`].map((w) =>
        typeof w === 'string' ? [w] : w,
      )}
      standing={STANDING}
      units={units}
    >
      <span className="figures text-base">{printLength(derived.value, units, 'fine').number}</span>
      <span className="figures font-normal"> ±{printLength(derived.uncertainty, units, 'fine').number}</span>
    </Explain>
  );
}

/** Whether a tapered bore is smallest across the thrust faces at a spot. */
function isSmallestAt({ bore: { shape } }: JudgedCylinder, spot: JudgedSpot): boolean {
  if (!shape || (shape.taper.thrust?.value ?? 0) <= 0) return false;
  return shape.smallest.angle === spot.angle && shape.smallest.depth === spot.depth;
}

function repeatsWords(count: number, isApart: boolean): string {
  if (count < 2) return '';
  return isApart ? `, ${count} readings that disagree` : `, mean of ${count}`;
}

function Cell({ cylinder, spot, current }: { cylinder: JudgedCylinder; spot: JudgedSpot; current: boolean }) {
  const { goTo } = useMoving();
  const { units } = useWords();
  const { depth, angle, value, off, passes, disagreement } = spot;
  const size = value === null ? null : printLength(value, units, 'size').number;
  const printed = size ?? (off === null ? null : offText(off, units));
  const count = passes.filter((p) => p.voided === null).length;
  const smallest = isSmallestAt(cylinder, spot);
  const words = `${shortDepth(depth)}, ${shortDirection(angle)}: ${printed ?? 'to read'}`;
  return (
    <button
      type="button"
      onClick={() => goTo({ cylinder: cylinder.id, subject: 'bore', spot: { depth, angle } }, true)}
      aria-current={current}
      aria-label={`${words}${repeatsWords(count, disagreement !== null)}${smallest ? ', smallest across the thrust faces' : ''}`}
      className={`figures min-h-11 w-full min-w-[5.2rem] px-1.5 text-right text-lg -outline-offset-4 ${current ? 'font-bold text-blue shadow-[inset_0_-4px_0_var(--blue)]' : ''}`}
    >
      {smallest && (
        <span className="mr-1 text-sm text-soft" aria-hidden>
          ▸◂
        </span>
      )}
      {size === null && off !== null ? <Off off={off} /> : (printed ?? <span className="text-idle">·</span>)}
      {count > 1 && (
        <span
          className="ml-1 text-xs text-soft"
          title={
            disagreement
              ? `${count} readings that disagree by ${printLength(disagreement.most - disagreement.least, units, 'raw').number}: the smaller counts`
              : `${count} readings`
          }
        >
          ×{count}
        </span>
      )}
    </button>
  );
}

/** What the dial shows from a zero without a size: it is no size yet, and does not look like one. */
function Off({ off }: { off: number }) {
  const { units } = useWords();
  const { number, unit } = printLength(Math.abs(off), units, 'fine');
  return (
    <span className="text-base text-soft">
      {off < 0 ? '\u2212' : off > 0 ? '+' : ''}
      {number} <span className="text-xs">{unit}</span>
    </span>
  );
}
