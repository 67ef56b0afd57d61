'use client';

import { useState } from 'react';
import type { ParsedFigure } from '@/core/models/load/parsePowerAndAltitude';
import { Field } from '../shared/Field';

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
    <Field label={label} hint={hint} error={heard?.kind === 'refused' ? heard.why : undefined}>
      {(props) => (
        <input
          {...props}
          className="field figures"
          autoComplete="off"
          maxLength={40}
          value={typed ?? shown}
          onChange={(event) => {
            setTyped(event.target.value);
            const now = hear(event.target.value);
            if (now.kind === 'refused') return onFault(`${label}: “${event.target.value}” is not settled yet.`);
            onChange(now.kind === 'empty' ? null : now.value);
            onFault(null);
          }}
        />
      )}
    </Field>
  );
}
