'use client';

import { useState } from 'react';
import type { HeatRing, JudgedHeat } from '@/core/models/heat/assess';
import { assumedWords } from '@/core/models/heat/heatWords';
import { useMoving } from '../openBuild/contexts';
import { Segmented } from '../shared/Segmented';
import { Assumed } from './Assumed';
import { Chances } from './Chances';
import { Clearances } from './Clearances';

const RING_OPTIONS = [
  ['top', 'top ring'],
  ['second', 'second ring'],
] as const satisfies readonly (readonly [HeatRing, string])[];

/** What heat does to the gaps and the clearance of one cylinder: a model that explains and warns. */
export function HeatView() {
  const { cylinder } = useMoving();
  const [ring, setRing] = useState<HeatRing>('top');
  const heat = cylinder?.heat ?? null;
  if (!cylinder || !heat)
    return (
      <div className="pt-4">
        <p className="text-lg">The heat model needs a bore and a duty, or the temperatures themselves.</p>
        <Assumed />
      </div>
    );
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-5 pt-3">
      <p className="border-l-4 border-blue pl-3">
        <b>A model, not a rule.</b> It explains and it warns; it never lowers a target below the sheet or the chart. It
        takes {assumedWords(heat)}; temperatures are typical means, no source.
      </p>
      <section aria-label="Gap against ring temperature">
        <div className="flex flex-wrap items-center gap-4">
          <h2 className="text-lg">Gap against ring temperature</h2>
          <Segmented label="Ring" value={ring} options={RING_OPTIONS} onChange={setRing} />
        </div>
        <Gaps key={ring} heat={heat} ring={ring} />
      </section>
      <Clearances heat={heat} />
      <Assumed />
    </div>
  );
}

function Gaps({ heat, ring }: { heat: JudgedHeat; ring: HeatRing }) {
  if (heat.rings[ring].points.length === 0)
    return <p className="py-3 text-soft">No target and no reading of this ring yet.</p>;
  return <Chances heat={heat} ring={ring} />;
}
