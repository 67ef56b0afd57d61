import type { Nm, Units } from '@/core/foundation/quantity/length';
import { SelectField } from '../shared/SelectField';

const INCHES = [
  ['25400', '1 thou (0.001 in)'],
  ['12700', '½ thou (0.0005 in)'],
] as const;
const MILLIMETRES = [
  ['10000', '0.01 mm'],
  ['50000', '0.05 mm'],
] as const;

/** The step that gap minimums go up to. */
export function StepField({ value, units, onChange }: { value: Nm; units: Units; onChange: (step: Nm) => void }) {
  return (
    <SelectField
      label="Gaps go up to the next"
      hint="Always up, never to the nearest."
      value={String(value)}
      options={units === 'metric' ? [...MILLIMETRES, ...INCHES] : [...INCHES, ...MILLIMETRES]}
      onChange={(step) => step && onChange(Number(step))}
    />
  );
}
