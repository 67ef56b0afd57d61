import { Field } from '../shared/Field';

interface Props {
  label?: string;
  hint?: string;
  /** Whether it is the one that holds now, or one that is new: browsers offer what they keep accordingly. */
  isNew?: boolean;
  value: string;
  onChange: (value: string) => void;
}

/** A PIN or password. */
export const SecretField = ({ label = 'PIN or password', hint, isNew = false, value, onChange }: Props) => (
  <Field label={label} {...(hint === undefined ? {} : { hint })}>
    {(props) => (
      <input
        {...props}
        className="field figures"
        type="password"
        autoComplete={isNew ? 'new-password' : 'current-password'}
        maxLength={128}
        value={value}
        onChange={(event) => onChange(event.target.value)}
      />
    )}
  </Field>
);
