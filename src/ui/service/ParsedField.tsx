'use client';

import { TextField } from '../shared/TextField';
import { useState } from 'react';
import type { ParsedFigure } from '@/core/foundation/quantity/parseNumber';

interface Props {
  label: string;
  hint: string;
  /** What stands there while nothing is typed; empty for none. */
  shown: string;
  hear: (text: string) => ParsedFigure;
  onChange: (value: number | null) => void;
  onFault: (fault: string | null) => void;
}

/** One figure with its unit behind it. */
export function ParsedField({ label, hint, shown, hear, onChange, onFault }: Props) {
  const [typed, setTyped] = useState<string | null>(null);
  const heard = typed === null ? null : hear(typed);
  return (
    <TextField
      label={label}
      hint={hint}
      error={heard?.kind === 'refused' ? heard.why : undefined}
      figures
      maxLength={40}
      value={typed ?? shown}
      onChange={(text) => {
        setTyped(text);
        const now = hear(text);
        if (now.kind === 'refused') return onFault(`${label}: “${text}” is not settled yet.`);
        onChange(now.kind === 'empty' ? null : now.value);
        onFault(null);
      }}
    />
  );
}
