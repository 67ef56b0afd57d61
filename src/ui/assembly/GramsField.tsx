'use client';

import { useState } from 'react';
import { type Mg, gramsText, parseMass } from '@/core/foundation/quantity/mass';
import { Field } from '../shared/Field';

interface Props {
  label: string;
  hint: string;
  value: Mg | null;
  /** Called once the field is left with a mass, with nothing, or by Enter. */
  onSet: (value: Mg | null) => void;
}

/** A mass that is set, in grams. */
export function GramsField({ label, hint, value, onSet }: Props) {
  const set = value === null ? '' : gramsText(value);
  const [text, setText] = useState(set);
  const isNought = /^0+(?:[.,]0*)?(?: ?g)?$/.test(text.trim());
  const heard = isNought ? { kind: 'understood' as const, value: 0 } : parseMass(text, []);
  const commit = (): void => {
    if (heard.kind === 'understood' && heard.value !== value) onSet(heard.value);
    if (heard.kind === 'empty' && value !== null) onSet(null);
  };
  return (
    <Field label={label} hint={hint} error={heard.kind === 'refused' ? heard.why : undefined}>
      {(props) => (
        <input
          {...props}
          className="field figures"
          inputMode="decimal"
          autoComplete="off"
          value={text}
          onChange={(event) => setText(event.target.value)}
          onBlur={commit}
          onKeyDown={(event) => {
            if (event.key === 'Enter') commit();
          }}
        />
      )}
    </Field>
  );
}
