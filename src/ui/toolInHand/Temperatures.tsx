'use client';

import { useState } from 'react';
import { useToolInHand } from '../openBuild/contexts';
import { TemperatureField } from '../shared/TemperatureField';

/** Temperatures a workshop has, °C. */
const USUAL: [number, number] = [-5, 45];

/** Part and tool lie side by side: one that is left empty is taken to be the other. */
export function Temperatures() {
  const { warmth, setWarmth } = useToolInHand();
  const [, setFault] = useState<string | null>(null);
  return (
    <div className="grid grid-cols-2 gap-3 pb-2">
      <TemperatureField
        label="Part"
        usual={USUAL}
        value={warmth.part}
        onFault={setFault}
        placeholder={String(warmth.tool ?? 20)}
        onChange={(part) => setWarmth({ ...warmth, part })}
      />
      <TemperatureField
        label="Tool"
        usual={USUAL}
        value={warmth.tool}
        onFault={setFault}
        placeholder={String(warmth.part ?? 20)}
        onChange={(tool) => setWarmth({ ...warmth, tool })}
      />
      <p className="col-span-2 text-sm text-soft">
        Each reading from now on is brought to 20 °C by what the part and the tool are made of. One left empty is taken
        to be as warm as the other.
      </p>
    </div>
  );
}
