'use client';

import { useState } from 'react';
import { useHands } from '../openBuild/contexts';
import { TemperatureField } from '../shared/TemperatureField';

/** Temperatures a workshop has, °C. */
const USUAL: [number, number] = [-5, 45];

/** Part and tool lie side by side: the tool goes with the part until it is given another temperature. */
export function Temperatures() {
  const { warmth, setWarmth } = useHands();
  const [, setFault] = useState<string | null>(null);
  return (
    <div className="grid grid-cols-2 gap-3 pb-2">
      <TemperatureField
        label="Part"
        usual={USUAL}
        value={warmth.part}
        onFault={setFault}
        placeholder="20"
        onChange={(part) => setWarmth({ part, tool: warmth.tool === warmth.part ? part : warmth.tool })}
      />
      <TemperatureField
        key={warmth.tool === null ? 'none' : 'some'}
        label="Tool"
        usual={USUAL}
        value={warmth.tool}
        onFault={setFault}
        placeholder="20"
        onChange={(tool) => setWarmth({ ...warmth, tool })}
      />
      <p className="col-span-2 text-sm text-soft">
        Each reading from now on is brought to 20 °C by what the part and the tool are made of. Left empty: both at 20
        °C.
      </p>
    </div>
  );
}
