'use client';

import { type Chart, columnOf } from '@/core/targets/chart';
import { Field } from '../shared/Field';

interface Props {
  chart: Chart;
  value: string | null;
  onChange: (construction: string | null) => void;
}

/** How the piston is made: asked, never guessed. */
export function PistonField({ chart, value, onChange }: Props) {
  const column = columnOf(chart, value);
  return (
    <Field
      label="How the piston is made"
      hint="It decides the gap as much as the duty does. If you do not know, leave it open and ask: a wrong answer here costs engines."
      said={column?.highRing ? <b className="text-short">A top ring this near the crown needs far more gap than the oldest rule says.</b> : undefined}
    >
      {(props) => (
        <select {...props} className="field" value={value ?? ''} onChange={(event) => onChange(event.target.value || null)}>
          <option value="">not said yet</option>
          {chart.columns.map(({ id, words }) => (
            <option key={id} value={id}>
              {words}
            </option>
          ))}
          {value !== null && !column && <option value={value}>“{value}”, which this chart has not</option>}
        </select>
      )}
    </Field>
  );
}
