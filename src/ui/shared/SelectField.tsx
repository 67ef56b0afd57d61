import type { ReactNode } from 'react';
import { Field } from './Field';

interface Props<T extends string> {
  label: string;
  value: T | null;
  options: readonly (readonly [T, string])[];
  onChange: (value: T | null) => void;
  /** What stands for nothing chosen; without it something always is. */
  none?: string;
  hint?: string;
  said?: ReactNode;
  /** Whether the label is heard and not seen. */
  isUnseen?: boolean;
}

/** One of several from a list, or none where that is offered. A value the list has not stays in sight. */
export function SelectField<T extends string>({
  label,
  value,
  options,
  onChange,
  none,
  hint,
  said,
  isUnseen,
}: Props<T>) {
  const known = value === null || options.some(([option]) => option === value);
  return (
    <Field label={label} isUnseen={isUnseen ?? false} hint={hint} said={said}>
      {(props) => (
        <select
          {...props}
          className="field"
          value={value ?? ''}
          onChange={(event) => onChange((event.target.value || null) as T | null)}
        >
          {none !== undefined && <option value="">{none}</option>}
          {options.map(([option, words]) => (
            <option key={option} value={option}>
              {words}
            </option>
          ))}
          {!known && <option value={value}>“{value}”, which is not in this list</option>}
        </select>
      )}
    </Field>
  );
}
