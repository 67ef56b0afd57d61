'use client';

import { useState } from 'react';
import { parseTemperature } from '@/core/foundation/quantity/temperature';
import { Field } from './Field';
import { AmbiguityPicker } from './AmbiguityPicker';

interface Props {
  label: string;
  usual: [number, number];
  value: number | null;
  onChange: (value: number | null) => void;
  onFault: (fault: string | null) => void;
  hint?: string;
  placeholder?: string;
}

/** A temperature in °C; a figure that only makes sense in °F is asked about. Empty means the assumed one. */
export function TemperatureField({ label, usual, value, onChange, onFault, hint, placeholder }: Props) {
  const [typed, setTyped] = useState<string | null>(null);
  const heard = typed === null ? null : parseTemperature(typed, usual);
  const type = (text: string): void => {
    setTyped(text);
    const now = parseTemperature(text, usual);
    if (now.kind === 'empty') onChange(null);
    if (now.kind === 'understood') onChange(now.value);
    onFault(now.kind === 'empty' || now.kind === 'understood' ? null : `${label}: “${text}” is not settled yet.`);
  };
  const pick = (chosen: number): void => {
    setTyped(null);
    onChange(chosen);
    onFault(null);
  };
  const said =
    heard?.kind === 'question' ? (
      <AmbiguityPicker
        ask={heard.ask}
        options={heard.options.map((option) => ({
          value: option.value,
          figure: `${option.value} °C`,
          note: option.words,
        }))}
        onPick={pick}
      />
    ) : undefined;
  return (
    <Field label={`${label}, °C`} hint={hint} error={heard?.kind === 'refused' ? heard.why : undefined} said={said}>
      {(props) => (
        <input
          {...props}
          className="field figures"
          inputMode="decimal"
          autoComplete="off"
          placeholder={placeholder}
          value={typed ?? (value === null ? '' : String(value))}
          onChange={(event) => type(event.target.value)}
        />
      )}
    </Field>
  );
}
