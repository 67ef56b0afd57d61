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
export function TextField({ label, hint, error, said, figures = false, ...input }: Props) {
  return (
    <Field label={label} hint={hint} error={error} said={said}>
      {(props) => (
        <input
          {...props}
          {...{ ...input, onFault: undefined }}
          className={figures ? 'field figures' : 'field'}
          autoComplete="off"
          onChange={(event) => input.onChange(event.target.value)}
        />
      )}
    </Field>
  );
}
