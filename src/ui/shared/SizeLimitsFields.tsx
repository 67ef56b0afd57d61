'use client';

import { TextField } from './TextField';
import { useState } from 'react';
import type { Field as Kind } from '@/core/foundation/quantity/readingField';
import { classesText, parseSizeClasses } from '@/core/foundation/quantity/parseSizeClasses';
import type { SizeLimits } from '@/core/foundation/quantity/sizeLimits';
import { useWords } from '../openBuild/contexts';
import { LengthField } from './LengthField';
import { usePartFaults } from './useForm';

interface Props {
  /** Of what, before each label. */
  of: string;
  field: Extract<Kind, 'bore' | 'journal'>;
  value: SizeLimits;
  onChange: (sizes: SizeLimits) => void;
  onFault: (fault: string | null) => void;
}

/** Least and most diameter, size classes, and where they come from. */
export function SizeLimitsFields({ of, field, value: sizes, onChange, onFault }: Props) {
  const { units } = useWords();
  const [typed, setTyped] = useState<string | null>(null);
  const heard = typed === null ? null : parseSizeClasses(typed, field, units);
  const fault = usePartFaults(onFault);
  const end = (part: 'least' | 'most', hint: string) => (
    <LengthField
      key={part + units}
      label={`${of}, ${part} diameter`}
      hint={hint}
      kind={field}
      units={units}
      value={sizes[part]}
      onChange={(nm) => onChange({ ...sizes, [part]: nm })}
      onFault={fault(part)}
    />
  );
  return (
    <>
      {end('least', field === 'journal' ? 'Worn under this it is ground.' : 'As finished. Under this it is honed on.')}
      {end('most', field === 'journal' ? 'As made.' : 'The wear limit. Over this it is bored.')}
      <div className="sm:col-span-2">
        <TextField
          label={`${of}, size classes`}
          hint={`E.g. ${units === 'imperial' ? 'A 3.3858–3.3862; B 3.3862–3.3866' : 'A 86.000–86.010; B 86.010–86.020'}.`}
          error={heard && !heard.ok ? heard.why : undefined}
          figures
          maxLength={400}
          value={typed ?? classesText(sizes.classes, units)}
          onChange={(text) => {
            setTyped(text);
            const now = parseSizeClasses(text, field, units);
            if (now.ok) onChange({ ...sizes, classes: now.classes });
            fault('classes')(now.ok ? null : now.why);
          }}
        />
      </div>
      <div className="sm:col-span-2">
        <TextField
          label={`${of}, sizes from`}
          hint="The manual, its page."
          maxLength={120}
          value={sizes.source}
          onChange={(text) => onChange({ ...sizes, source: text })}
        />
      </div>
    </>
  );
}
