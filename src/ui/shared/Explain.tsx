'use client';

import { Popover } from 'radix-ui';
import type { ReactNode } from 'react';
import type { Saying } from '@/core/quantity/saying';
import { sayingText } from '@/core/quantity/saying';
import type { Units } from '@/core/quantity/length';

interface Props {
  /** What is explained, e.g. `margin of the minimum`. */
  what: string;
  working: Saying[];
  /** Where the formula and its figures come from, and how sure they are. */
  standing: string;
  units: Units;
  children?: ReactNode;
}

/** Opens the working of a figure: the formula with the numbers put in, its source and its standing. */
export function Explain({ what, working, standing, units, children = 'why' }: Props) {
  return (
    <Popover.Root>
      <Popover.Trigger className="no-print min-h-11 px-1 text-sm font-bold text-blue underline underline-offset-4">
        {children}
        <span className="sr-only"> {what}</span>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          aria-label={`Why: ${what}`}
          className="z-50 w-[min(92vw,30rem)] rounded-md border border-ink bg-sheet p-4 text-ink"
          sideOffset={4}
          collisionPadding={8}
        >
          <p className="mb-1 font-bold">{what}</p>
          <div className="figures text-sm leading-relaxed">
            {working.map((line, i) => (
              <div key={i}>{sayingText(line, units)}</div>
            ))}
          </div>
          <p className="mt-2 text-sm text-soft">{standing}</p>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
