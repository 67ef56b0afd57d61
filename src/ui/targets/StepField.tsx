import type { Nm } from '@/core/quantity/length';
import { Field } from '../shared/Field';

const STEPS = [
  [25_400, '1 thou (0.001 in)'],
  [12_700, '½ thou (0.0005 in)'],
  [10_000, '0.01 mm'],
  [50_000, '0.05 mm'],
] as const;

/** The step that gap minimums go up to. */
export function StepField({ value, onChange }: { value: Nm; onChange: (step: Nm) => void }) {
  return (
    <Field label="Gaps go up to the next" hint="Always up, never to the nearest.">
      {(props) => (
        <select {...props} className="field" value={value} onChange={(event) => onChange(Number(event.target.value))}>
          {STEPS.map(([nm, words]) => (
            <option key={nm} value={nm}>
              {words}
            </option>
          ))}
        </select>
      )}
    </Field>
  );
}
