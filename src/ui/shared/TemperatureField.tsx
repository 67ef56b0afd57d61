'use client';

import { useState } from 'react';
import { hearTemperature } from '@/core/quantity/temperature';
import { Field } from './Field';

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
  const heard = typed === null ? null : hearTemperature(typed, usual);
  const type = (text: string): void => {
    setTyped(text);
    const now = hearTemperature(text, usual);
    if (now.kind === 'empty') onChange(null);
    if (now.kind === 'understood') onChange(now.value);
    onFault(now.kind === 'empty' || now.kind === 'understood' ? null : `${label}: “${text}” is not settled yet.`);
  };
  const said =
    heard?.kind === 'question' ? (
      <div>
        <p className="font-bold text-short">{heard.ask}</p>
        {heard.options.map((option) => (
          <button
            key={option.value}
            type="button"
            className="figures mt-1 min-h-11 rounded border-[1.5px] border-blue px-3 font-bold text-blue"
            onClick={() => {
              setTyped(null);
              onChange(option.value);
              onFault(null);
            }}
          >
            {option.value} °C <span className="font-sans text-sm font-normal">{option.words}</span>
          </button>
        ))}
      </div>
    ) : undefined;
  return (
    <Field label={`${label}, °C`} hint={hint} error={heard?.kind === 'refused' ? heard.why : undefined} said={said}>
      {(props) => <input {...props} className="field figures" inputMode="decimal" autoComplete="off" placeholder={placeholder} value={typed ?? (value === null ? '' : String(value))} onChange={(event) => type(event.target.value)} />}
    </Field>
  );
}
