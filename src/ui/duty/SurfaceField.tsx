'use client';

import { SURFACES, SURFACE_WORDS, type Surface } from '@/core/targets/target';
import { Field } from '../shared/Field';

/** What the cylinder wall is. */
export function SurfaceField({ value, onChange }: { value: Surface | null; onChange: (surface: Surface | null) => void }) {
  return (
    <Field label="Cylinder wall" hint="A plated aluminium bore grows with the piston and needs less clearance.">
      {(props) => (
        <select {...props} className="field" value={value ?? ''} onChange={(event) => onChange((event.target.value || null) as Surface | null)}>
          <option value="">not said yet</option>
          {SURFACES.map((surface) => (
            <option key={surface} value={surface}>
              {SURFACE_WORDS[surface]}
            </option>
          ))}
        </select>
      )}
    </Field>
  );
}
