'use client';

import type { Nm } from '@/core/foundation/quantity/length';
import type { Field } from '@/core/foundation/quantity/readingField';
import type { GivenLimits } from '@/core/stages/journals/choices';
import { withAim } from '@/core/stages/journals/journalFaults';
import { useWords } from '../openBuild/contexts';
import { LengthField } from '../shared/LengthField';
import { TextField } from '../shared/TextField';
import { usePartFaults } from '../shared/useForm';

interface Props {
  of: string;
  kind: Field;
  value: GivenLimits;
  hint: string;
  onChange: (limits: GivenLimits) => void;
  onFault: (fault: string | null) => void;
}

/** Least, aim, most, and where they come from. */
export function LimitFields({ of, kind, value: limits, hint, onChange, onFault }: Props) {
  const { units } = useWords();
  const fault = usePartFaults(onFault);
  const end = (words: string, value: Nm | null, put: (nm: Nm | null) => GivenLimits, more = {}) => (
    <LengthField
      label={`${of}: ${words}`}
      kind={kind}
      units={units}
      value={value}
      onChange={(nm) => onChange(put(nm))}
      onFault={fault(words)}
      {...more}
    />
  );
  return (
    <>
      {end('least', limits.least, (least) => ({ ...limits, least }), { hint })}
      {end('most', limits.most, (most) => ({ ...limits, most }))}
      {end('aim from', limits.aim?.from ?? null, (from) => withAim(limits, { from }))}
      {end('aim to', limits.aim?.to ?? null, (to) => withAim(limits, { to }))}
      <div className="sm:col-span-4">
        <TextField
          label={`${of}: from`}
          hint="The manual, its page."
          maxLength={120}
          value={limits.source}
          onChange={(source) => onChange({ ...limits, source })}
        />
      </div>
    </>
  );
}
