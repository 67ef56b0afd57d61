'use client';

import { chooseByArrows } from './arrows';

interface Props<T extends string> {
  label: string;
  /** What is seen before it; else the label is only heard. */
  heading?: string;
  value: T;
  options: readonly (readonly [T, string])[];
  onChange: (value: T) => void;
}

/** One of a few, side by side. */
export function Segmented<T extends string>({ label, heading, value, options, onChange }: Props<T>) {
  const isChosen = options.some(([option]) => option === value);
  const group = (
    <div
      role="radiogroup"
      aria-label={label}
      onKeyDown={chooseByArrows}
      className="inline-flex shrink-0 divide-x divide-ink overflow-hidden rounded border border-ink"
    >
      {options.map(([option, words], i) => (
        <button
          key={option}
          type="button"
          role="radio"
          aria-checked={option === value}
          tabIndex={option === value || (!isChosen && i === 0) ? 0 : -1}
          onClick={() => option !== value && onChange(option)}
          className="min-h-11 min-w-11 px-3 text-sm whitespace-nowrap -outline-offset-4 aria-checked:bg-ink aria-checked:text-sheet aria-checked:outline-sheet"
        >
          {words}
        </button>
      ))}
    </div>
  );
  if (heading === undefined) return group;
  return (
    <span className="flex flex-wrap items-center gap-2">
      <b>{heading}</b>
      {group}
    </span>
  );
}
