'use client';

import { useState } from 'react';
import { parseNumber } from '@/core/foundation/quantity/parseNumber';
import { TextField } from './TextField';

interface Props {
  label: string;
  hint?: string;
  value: number | null;
  least: number;
  most: number;
  whole?: boolean;
  optional?: boolean;
  /** Called with a number of the range, or null where the field may be empty, and is. */
  onChange: (value: number | null) => void;
  onFault?: (fault: string | null) => void;
}

/** A number without a unit. What is typed and is none stays, and says what is accepted. */
export function NumberField({ label, hint, value, onChange, onFault, ...range }: Props) {
  const [typed, setTyped] = useState<string | null>(null);
  const heard = typed === null ? null : parseNumber(typed, range);
  return (
    <TextField
      label={label}
      hint={hint}
      figures
      inputMode="decimal"
      maxLength={20}
      error={heard?.kind === 'refused' ? heard.why : undefined}
      value={typed ?? (value === null ? '' : String(value))}
      onChange={(text) => {
        setTyped(text);
        const now = parseNumber(text, range);
        if (now.kind !== 'refused') onChange(now.kind === 'empty' ? null : now.value);
        onFault?.(now.kind === 'refused' ? `${label}: “${text}” is not settled yet.` : null);
      }}
    />
  );
}
