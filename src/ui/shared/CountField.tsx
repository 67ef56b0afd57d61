import { Field } from './Field';

interface Props {
  label: string;
  hint: string;
  value: number | null;
  /** Called with a whole number from 1 to 16, or null where the field is empty. */
  onChange: (value: number | null) => void;
}

const MOST = 16;

/** A number of cylinders. */
export function CountField({ label, hint, value, onChange }: Props) {
  return (
    <Field label={label} hint={hint}>
      {(props) => (
        <input
          {...props}
          type="number"
          min={1}
          max={MOST}
          className="field figures"
          defaultValue={value ?? ''}
          onChange={(event) => {
            const n = event.target.valueAsNumber;
            if (Number.isNaN(n)) onChange(null);
            else if (Number.isInteger(n) && n >= 1 && n <= MOST) onChange(n);
          }}
        />
      )}
    </Field>
  );
}
