'use client';

import type { ReactNode } from 'react';
import { type Message, messageText } from '@/core/foundation/quantity/message';
import type { Units } from '@/core/foundation/quantity/length';
import { Popup } from './Popup';

interface Props {
  /** What is explained, e.g. `margin of the minimum`. */
  what: string;
  working: Message[];
  /** Where the formula and its figures come from, and how sure they are. */
  standing: string;
  units: Units;
  children?: ReactNode;
}

/** Opens the working of a figure: the formula with the numbers put in, its source and its standing. */
export function Explain({ what, working, standing, units, children = 'why' }: Props) {
  return (
    <Popup
      label={`Why: ${what}`}
      look="no-print min-h-11 min-w-11 px-1 text-sm font-bold text-blue underline underline-offset-4"
      width="w-[min(92vw,30rem)]"
      trigger={
        <>
          {children}
          <span className="sr-only"> {what}</span>
        </>
      }
    >
      {() => (
        <>
          <p className="mb-1 font-bold">{what}</p>
          <div className="figures text-sm leading-relaxed">
            {working.map((line, i) => (
              <div key={i}>{messageText(line, units)}</div>
            ))}
          </div>
          <p className="mt-2 text-sm text-soft">{standing}</p>
        </>
      )}
    </Popup>
  );
}
