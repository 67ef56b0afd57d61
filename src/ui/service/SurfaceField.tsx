'use client';

import { type Surface, SURFACE_WORDS, SURFACES } from '@/core/foundation/parts/materials';
import { SelectField } from '../shared/SelectField';

/** What the cylinder wall is. */
export function SurfaceField({
  value,
  onChange,
}: {
  value: Surface | null;
  onChange: (surface: Surface | null) => void;
}) {
  return (
    <SelectField
      label="Cylinder wall"
      none="not set"
      hint="A plated aluminium bore grows with the piston and needs less clearance."
      value={value}
      options={SURFACES.map((surface) => [surface, SURFACE_WORDS[surface]] as const)}
      onChange={onChange}
    />
  );
}
