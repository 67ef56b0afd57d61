'use client';

import { Tabs } from 'radix-ui';
import type { ReactNode } from 'react';

interface Props<T extends string> {
  label: string;
  views: readonly (readonly [T, string, ReactNode])[];
  value: T;
  onChange: (view: T) => void;
}

/** The views of one stage, one of them in sight. */
export function Views<T extends string>({ label, views, value, onChange }: Props<T>) {
  return (
    <Tabs.Root value={value} onValueChange={(next) => onChange(next as T)} className="flex min-h-0 flex-1 flex-col">
      <Tabs.List aria-label={label} className="no-print -mx-2 flex shrink-0 gap-3 overflow-x-auto border-b border-line">
        {views.map(([view, words]) => (
          <Tabs.Trigger
            key={view}
            value={view}
            className="min-h-11 border-b-[3px] border-transparent px-2 whitespace-nowrap -outline-offset-4 data-[state=active]:border-blue data-[state=active]:font-bold data-[state=active]:text-blue"
          >
            {words}
          </Tabs.Trigger>
        ))}
      </Tabs.List>
      {views.map(([view, , content]) => (
        <Tabs.Content key={view} value={view} className="min-h-0 flex-1 outline-none">
          {content}
        </Tabs.Content>
      ))}
    </Tabs.Root>
  );
}
