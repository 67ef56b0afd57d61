'use client';

import { useState } from 'react';
import type { Nm } from '@/core/foundation/quantity/length';
import { printLength } from '@/core/foundation/quantity/format';
import { useLogging, useWords } from '../openBuild/contexts';
import { Button } from '../shared/Button';
import { LengthField } from '../shared/LengthField';

interface Props {
  /** The zero, by its id. */
  zero: string;
  /** About what size it will be; null while nothing is known. */
  about: Nm | null;
}

/** What the micrometer reads with the gauge squeezed back to its zero. */
export function ZeroSize({ zero, about }: Props) {
  const { setGauge } = useLogging();
  const { units } = useWords();
  const [size, setSize] = useState<Nm | null>(null);
  const [fault, setFault] = useState<string | null>(null);
  return (
    <div className="mt-2 grid gap-2">
      <LengthField
        label="The zero, in the micrometer"
        kind="bore"
        units={units}
        value={size}
        onChange={setSize}
        onFault={setFault}
        hint={`On the line: here ${printLength(about ?? 103_256_080, units, 'size').number}.`}
      />
      <div>
        <Button kind="accent" disabled={size === null || fault !== null} onClick={() => size && setGauge(size, zero)}>
          It is the zero’s size
        </Button>
      </div>
    </div>
  );
}
