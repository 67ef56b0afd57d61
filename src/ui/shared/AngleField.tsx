'use client';

import { TextField } from './TextField';
import { useState } from 'react';
import { parseCrownAngle } from '@/core/stages/clocking/words';

interface Props {
  label: string;
  value: number;
  onChange: (degrees: number) => void;
  /** Told what is wrong with the entry as it stands, or null. */
  onFault: (fault: string | null) => void;
  hint?: string;
}

/** A direction in degrees clockwise from the front; hours and words are understood too. */
export function AngleField({ label, value, onChange, onFault, hint }: Props) {
  const [typed, setTyped] = useState<string | null>(null);
  const heard = typed === null ? null : parseCrownAngle(typed, 0);
  const type = (text: string): void => {
    setTyped(text);
    const now = parseCrownAngle(text, 0);
    if (now.ok) onChange(now.degrees);
    onFault(now.ok ? null : `${label}: ${now.fault}`);
  };
  return (
    <TextField
      label={`${label}, °`}
      hint={hint}
      error={heard && !heard.ok ? heard.fault : undefined}
      figures
      value={typed ?? String(Math.round(value * 10) / 10)}
      onChange={(text) => type(text)}
    />
  );
}
