'use client';

import type { JudgedHeat } from '@/core/models/heat/assess';
import { useWords } from '../openBuild/contexts';
import { Table, unseen } from '../shared/Table';
import { Explain } from '../shared/Explain';
import { clearanceLine, clearanceWorking } from '@/core/models/heat/heatWords';
import { Plot } from '../shared/Plot';
import { POINT_WORDS, linesOf, plotUnit, plotted } from './points';

/** The cold end of the axis, °C. */
const COLD = 20;
const STANDING =
  'Linear expansion: an identity. Share of free growth a skirt shows at the gauge point, by piston type, and its temperature: typical figures, no source.';

/** The running piston-to-wall clearance against the skirt's temperature. */
export function Clearances({ heat }: { heat: JudgedHeat }) {
  const { units, length } = useWords();
  const { piston } = heat;
  if (!piston || piston.points.length === 0) return null;
  const { points, assumed } = piston;
  const xEnd = Math.ceil((Math.max(assumed, ...points.map((p) => p.closing)) + 20) / 20) * 20;
  const lined = points.map((p) => ({ ...p, line: clearanceLine(p, piston) }));
  const highest = Math.max(...lined.flatMap((p) => p.line.map((l) => l.gap)));
  const y = (nm: number): number => plotted(nm, units);
  return (
    <section aria-label="Running clearance against skirt temperature">
      <h2 className="text-lg">Running clearance against skirt temperature</h2>
      <p className="max-w-prose text-soft">
        What the skirt shows of its growth at the gauge point, and the bore’s. Steel struts and slots hold a cast skirt,
        a full forged one gives little. Compare clearances with it; do not read it as the clearance of the running
        engine.
      </p>
      <Plot
        label={`Clearance against skirt temperature: ${points.map((p) => `${POINT_WORDS[p.point]} ${length(p.cold, 'clearance')} is gone in the model at ${p.closing.toFixed(0)} °C`).join(', ')}.`}
        xTitle="skirt temperature, °C"
        yTitle={`clearance, ${plotUnit(units)}`}
        xEnds={[COLD, xEnd]}
        yEnds={[-y(highest) * 0.14, y(highest) * 1.06]}
        zero="nothing left in the model"
        stands={[{ at: assumed, words: `assumed ${assumed.toFixed(0)} °C` }]}
        lines={linesOf(lined, units, (nm) => length(nm, 'clearance'))}
      />
      <Table
        caption="Clearances hot"
        className="mt-2"
        rows={points}
        keyOf={(p) => p.point}
        columns={[
          ['clearance', (p) => POINT_WORDS[p.point]],
          ['cold', (p) => length(p.cold, 'clearance'), 'num'],
          [
            `at ${assumed.toFixed(0)} °C`,
            (p) => (p.hot < 0 ? 'less than it can tell' : length(Math.round(p.hot), 'clearance')),
            'num',
          ],
          ['gone in the model at', (p) => `${p.closing.toFixed(0)} °C`, 'num'],
          [
            unseen('why'),
            (p) => (
              <Explain
                what={`${POINT_WORDS[p.point]} clearance, hot`}
                units={units}
                working={clearanceWorking(p, piston)}
                standing={STANDING}
              />
            ),
            'py-0! pr-0! text-right',
          ],
        ]}
      />
    </section>
  );
}
