'use client';

import { type Chart, columnOf } from '@/core/models/charts/chart';
import { SelectField } from '../shared/SelectField';

interface Props {
  chart: Chart;
  value: string | null;
  onChange: (construction: string | null) => void;
}

/** How the piston is made: asked, never guessed. */
export function PistonField({ chart, value, onChange }: Props) {
  return (
    <SelectField
      label="Piston type"
      none="not set"
      hint="It decides the gap as much as the use does. If you do not know, leave it open and ask: a wrong type costs engines."
      said={
        columnOf(chart, value)?.highRing ? (
          <b className="text-short">A top ring this near the crown needs far more gap than the oldest rule says.</b>
        ) : undefined
      }
      value={value}
      options={chart.columns.map(({ id, words }) => [id, words] as const)}
      onChange={onChange}
    />
  );
}
