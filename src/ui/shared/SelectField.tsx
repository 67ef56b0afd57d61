import type { ReactNode } from 'react';
import { Field } from './Field';

/** What stands for nothing chosen; without it something always is. */
type Chosen<T> =
  | { none: string; value: T | null; onChange: (value: T | null) => void }
  | { none?: undefined; value: T | null; onChange: (value: T) => void };

type Props<T extends string> = Chosen<T> & {
  label: string;
  options: readonly (readonly [T, string])[];
  hint?: string;
  said?: ReactNode;
  /** Whether the label is heard and not seen. */
  isUnseen?: boolean;
};

/** One of several from a list, or none where that is offered. A value the list has not stays in sight. */
export function SelectField<T extends string>({ label, options, hint, said, isUnseen, ...chosen }: Props<T>) {
  const { value, none } = chosen;
  const known = value === null || options.some(([option]) => option === value);
  return (
    <Field label={label} isUnseen={isUnseen ?? false} hint={hint} said={said}>
      {(props) => (
        <select
          {...props}
          className="field"
          value={value ?? ''}
          onChange={({ target }) => {
            if (chosen.none !== undefined) chosen.onChange((target.value || null) as T | null);
            else if (target.value) chosen.onChange(target.value as T);
          }}
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
