'use client';

import { useState } from 'react';
import {
  type Pascal,
  type PressureUnit,
  PRESSURE_UNITS,
  hearPressure,
  pressureText,
  toPressure,
} from '@/core/quantity/pressure';
import { Field } from '../shared/Field';
import { Meant } from '../shared/Meant';
import { Segmented } from '../shared/Segmented';

interface Props {
  label: string;
  value: Pascal | null;
  onChange: (value: Pascal | null) => void;
  onFault: (fault: string | null) => void;
}

const UNIT_OPTIONS = PRESSURE_UNITS.map((unit) => [unit, unit] as const);

const shownAs = (value: Pascal, unit: PressureUnit): string =>
  String(Number(toPressure(value, unit).toFixed(unit === 'kPa' ? 0 : 2)));

/** A boost pressure with its unit beside it, said back in psi and bar; what only fits another unit is asked about. */
export function PressureField({ label, value, onChange, onFault }: Props) {
  const [unit, setUnit] = useState<PressureUnit>('psi');
  const [typed, setTyped] = useState<string | null>(null);
  const heard = typed === null ? null : hearPressure(typed, unit);
  const hear = (text: string, inUnit: PressureUnit): void => {
    setTyped(text);
    const now = hearPressure(text, inUnit);
    if (now.kind === 'empty') onChange(null);
    if (now.kind === 'understood') onChange(now.value);
    onFault(now.kind === 'empty' || now.kind === 'understood' ? null : `${label}: “${text}” is not settled yet.`);
  };
  const pick = (chosen: Pascal): void => {
    setTyped(null);
    onChange(chosen);
    onFault(null);
  };
  const said =
    heard?.kind === 'question' ? (
      <Meant
        ask={heard.ask}
        options={heard.options.map((option) => ({
          value: option.value,
          figure: pressureText(option.value),
          note: option.words,
        }))}
        onPick={pick}
      />
    ) : value !== null ? (
      <span className="figures">{pressureText(value)}</span>
    ) : undefined;
  return (
    <Field
      label={label}
      hint="Over the atmosphere, at its most."
      error={heard?.kind === 'refused' ? heard.why : undefined}
      said={said}
    >
      {(props) => (
        <div className="flex gap-2">
          <input
            {...props}
            className="field figures min-w-0"
            inputMode="decimal"
            autoComplete="off"
            value={typed ?? (value === null ? '' : shownAs(value, unit))}
            onChange={(event) => hear(event.target.value, unit)}
          />
          <Segmented
            label={`${label}, unit`}
            value={unit}
            options={UNIT_OPTIONS}
            onChange={(next) => {
              setUnit(next);
              if (typed !== null) hear(typed, next);
            }}
          />
        </div>
      )}
    </Field>
  );
}
