import type { ReactNode } from 'react';
import { Field } from './Field';

interface Props {
  label: string;
  value: string;
  onChange: (text: string) => void;
  hint?: ReactNode;
  error?: string | undefined;
  said?: ReactNode;
  maxLength?: number;
  inputMode?: 'text' | 'decimal';
  /** Whether figures are typed: they are set in the face of figures. */
  figures?: boolean;
  autoFocus?: boolean;
  /** Any text is one: never called. */
  onFault?: unknown;
}

/** A labelled line of text. */
export function TextField({ label, hint, error, said, value, onChange, figures = false, ...input }: Props) {
  const { maxLength, inputMode, autoFocus } = input;
  return (
    <Field label={label} hint={hint} error={error} said={said}>
      {(props) => (
        <input
          {...{ ...props, value, maxLength, inputMode, autoFocus }}
          className={figures ? 'field figures' : 'field'}
          autoComplete="off"
          onChange={(event) => onChange(event.target.value)}
        />
      )}
    </Field>
  );
}
