'use client';

import { type ReactNode, useId } from 'react';
import { chooseByArrows } from './arrows';
import { tabIntoSight } from './scrollIntoView';

interface Props<T extends string> {
  label: string;
  views: readonly (readonly [T, string, ReactNode])[];
  value: T;
  onChange: (view: T) => void;
}

/** The views of one stage, one of them in sight. */
export function Views<T extends string>({ label, views, value, onChange }: Props<T>) {
  const id = useId();
  return (
    <div className="flex min-h-0 flex-1 flex-col">
      <div
        role="tablist"
        aria-label={label}
        onKeyDown={chooseByArrows}
        className="no-print -mx-2 flex shrink-0 gap-x-1 border-b border-line max-md:overflow-x-auto md:flex-wrap"
      >
        {views.map(([view, words]) => (
          <button
            key={view}
            ref={view === value ? tabIntoSight : undefined}
            type="button"
            role="tab"
            id={`${id}-${view}`}
            aria-selected={view === value}
            aria-controls={view === value ? `${id}-panel` : undefined}
            tabIndex={view === value ? 0 : -1}
            onClick={() => onChange(view)}
            className="min-h-11 min-w-11 shrink-0 border-b-[3px] border-transparent px-2 whitespace-nowrap -outline-offset-4 aria-selected:border-blue aria-selected:font-bold aria-selected:text-blue"
          >
            {words}
          </button>
        ))}
      </div>
      <div
        key={value}
        role="tabpanel"
        id={`${id}-panel`}
        aria-labelledby={`${id}-${value}`}
        tabIndex={0}
        className="min-h-0 flex-1 outline-none"
      >
        {views.find(([view]) => view === value)?.[2]}
      </div>
    </div>
  );
}
