'use client';

import type { JudgedFigure } from '@/core/stages/journals/types';
import type { JournalSubject } from '@/core/stages/journals/tasks';
import { HOW, figureAdvice } from '@/core/stages/journals/figureAdvice';
import { printLength } from '@/core/foundation/quantity/format';
import type { Acceptable } from '@/core/record/reading';
import { useWords } from '../openBuild/contexts';
import { Button } from '../shared/Button';
import { Scale } from '../shared/Scale';
import { StateMark, stateColour } from '../shared/StateMark';
import { onDemand } from '../shared/onDemand';

const Accepting = onDemand(() => import('../shared/Accepting').then((m) => m.Accepting));

interface Props {
  what: 'clearance' | 'endPlay' | 'side' | 'smallEnd' | 'other';
  /** What is accepted, in words. */
  words: string;
  held: JudgedFigure;
  accepts: Acceptable | null;
  /** What is in hand: how it is measured is said. */
  how: JournalSubject;
  /** What its cap is tightened to, and with what; empty where nobody says. */
  tightened?: string;
  onManual: () => void;
}

/** Below and above the window, in a few words. */
const SIDES: Record<Props['what'], { under: string; over: string }> = {
  clearance: { under: 'tight: the film breaks', over: 'loose: pressure falls' },
  endPlay: { under: 'tight: it seizes', over: 'loose: it knocks' },
  side: { under: 'tight: no oil', over: 'loose: it throws oil' },
  smallEnd: { under: 'tight: it seizes', over: 'loose: it knocks' },
  other: { under: 'under', over: 'over' },
};

/** A figure of the bottom end, large, on its scale, with what is to be done. */
export function BearingFigure({ what, words, held, accepts, how, tightened = '', onManual }: Props) {
  const { units, text } = useWords();
  const { value, low, high, state, target, done, accepted } = held;
  const figure = (nm: number): string => printLength(nm, units, 'clearance').number;
  return (
    <>
      <p className="text-[1.0625rem] text-soft">
        {HOW[how]}
        {tightened !== '' && (how === 'housing' || how === 'bare' || how === 'thread') && (
          <b className="text-ink"> Cap at {tightened}.</b>
        )}
      </p>
      {!target.set && (
        <div className="my-3 flex flex-wrap items-center gap-4 border-y border-line py-3">
          <p className="max-w-prose flex-1 text-lg">
            <b className="text-short">No limits yet.</b> {target.ask}
          </p>
          <Button kind="accent" onClick={onManual}>
            Enter the manual’s
          </Button>
        </div>
      )}
      <Scale
        target={target}
        passes={value === null ? [] : [{ id: what, value: low, upTo: high > low ? high : null }]}
        state={state}
        units={units}
        under={SIDES[what].under}
        over={SIDES[what].over}
        label={`${words}: ${state}`}
      />
      <div className="mt-1 flex flex-wrap items-center gap-x-5 gap-y-1">
        {value !== null && (
          <p
            className="figures text-[3.75rem] leading-none font-bold tracking-tight max-sm:text-[2.75rem]"
            style={{ color: stateColour(state) }}
          >
            {high > low ? `${figure(low)}–${figure(high)}` : figure(value)}
            <span className="text-2xl"> {printLength(value, units, 'clearance').unit}</span>
          </p>
        )}
        <div className="min-w-56 flex-1 text-xl leading-snug">
          <StateMark state={state} />
          {(target.set || value !== null) && <p>{text(figureAdvice(what, held))}</p>}
          {(!done || accepted) && value !== null && target.set && (
            <Accepting words={words} what={accepts} state={state} answer={held} />
          )}
        </div>
      </div>
    </>
  );
}
