'use client';

import { type KeyboardEvent, useState } from 'react';

/** Degrees being typed: set with Enter or on leaving; what cannot be right stays, and says so. */
export function useTypedDegrees(
  value: number,
  least: number,
  most: number,
  onSet: (value: number) => void,
): {
  fault: string | undefined;
  input: {
    value: string;
    onChange: (event: { target: { value: string } }) => void;
    onBlur: () => void;
    onKeyDown: (event: KeyboardEvent) => void;
  };
} {
  const [typed, setTyped] = useState<string | null>(null);
  const text = typed?.trim().replace(',', '.').replace('−', '-').replace('°', '') ?? '';
  const next = Number(text);
  const fault =
    typed !== null && (text === '' || Number.isNaN(next) || next < least || next > most)
      ? `From ${String(least).replace('-', '−')}° to ${most}°.`
      : undefined;
  const enter = (): void => {
    if (typed === null || fault) return;
    setTyped(null);
    if (next !== value) onSet(next);
  };
  return {
    fault,
    input: {
      value: typed ?? String(value),
      onChange: (event) => setTyped(event.target.value),
      onBlur: enter,
      onKeyDown: (event) => {
        if (event.key === 'Enter') enter();
        if (event.key === 'Escape') setTyped(null);
      },
    },
  };
}
