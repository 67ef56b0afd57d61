'use client';

import { useState } from 'react';
import { type Pascal, type PressureUnit, PRESSURE_UNITS, hearPressure, pressureText, toPressure } from '@/core/quantity/pressure';
import { Field } from '../shared/Field';
import { Segmented } from '../shared/Segmented';

interface Props {
  label: string;
  value: Pascal | null;
  onChange: (value: Pascal | null) => void;
  onFault: (fault: string | null) => void;
}

const UNIT_OPTIONS = PRESSURE_UNITS.map((unit) => [unit, unit] as const);

const shownAs = (value: Pascal, unit: PressureUnit): string => String(Number(toPressure(value, unit).toFixed(unit === 'kPa' ? 0 : 2)));

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
      <div>
        <p className="font-bold text-short">{heard.ask}</p>
        <div className="mt-1 flex flex-wrap gap-2">
          {heard.options.map((option) => (
            <button key={option.value} type="button" onClick={() => pick(option.value)} className="figures min-h-11 rounded border-[1.5px] border-blue px-3 font-bold text-blue">
              {pressureText(option.value)} <span className="font-sans text-sm font-normal">{option.words}</span>
            </button>
          ))}
        </div>
      </div>
    ) : value !== null ? (
      <span className="figures">{pressureText(value)}</span>
    ) : undefined;
  return (
    <Field label={label} hint="Over the atmosphere, at its most." error={heard?.kind === 'refused' ? heard.why : undefined} said={said}>
      {(props) => (
        <div className="flex gap-2">
          <input {...props} className="field figures min-w-0" inputMode="decimal" autoComplete="off" value={typed ?? (value === null ? '' : shownAs(value, unit))} onChange={(event) => hear(event.target.value, unit)} />
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
