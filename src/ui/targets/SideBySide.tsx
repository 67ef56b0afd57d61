'use client';

import { lengthText, rangeText } from '@/core/foundation/quantity/format';
import type { Units } from '@/core/foundation/quantity/length';
import { messageText } from '@/core/foundation/quantity/message';
import type { Comparison } from '@/core/stages/targets/compare';

const HEADINGS: Record<Comparison['kind'], string> = {
  highRing: 'High top ring',
  planned: 'Now, and what is planned',
  threshold: 'Near the line between two rows',
};

/** Figures that belong side by side, the row in force marked. */
export function SideBySide({ comparisons, units }: { comparisons: Comparison[]; units: Units }) {
  return comparisons.map(({ kind, says, options }, i) => (
    <section key={i} aria-label={HEADINGS[kind]} className="mt-4 border-l-4 border-short pl-4">
      <h2 className="text-short">{HEADINGS[kind]}</h2>
      <p className="max-w-prose text-soft">{messageText(says, units)}</p>
      <div className="mt-1 grid gap-x-6 gap-y-2 sm:grid-cols-2">
        {options.map((option) => (
          <div key={option.words}>
            <p className="text-sm">
              {option.words}
              {option.inForce && <b className="text-blue"> (used)</b>}
            </p>
            {option.figures.map(({ what, min, aimTo }) => (
              <p key={what} className="figures text-xl leading-tight font-bold">
                <span className="mr-2 inline-block w-16 font-sans text-sm font-normal text-soft">{what}</span>
                {aimTo === null ? lengthText(min, units, 'fine') : rangeText(min, aimTo, units)}
              </p>
            ))}
            {option.ask && <p className="text-short">{option.ask}</p>}
          </div>
        ))}
      </div>
    </section>
  ));
}
