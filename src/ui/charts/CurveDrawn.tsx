'use client';

import { type Chart, type ChartFigure, CHART_FIGURE_WORDS, columnOf } from '@/core/models/charts/chart';
import { knotsOf } from '@/core/models/charts/curve';
import { curveOf } from '@/core/stages/targets/loadPicture';
import { TRUSTED } from '@/core/models/load/load';
import { Plot } from '../shared/Plot';

interface Props {
  chart: Chart;
  /** The piston and the figure whose curve is drawn, and the row in hand. */
  column: string;
  figure: ChartFigure;
  row: string;
}

/** Factors are drawn in thousandths: thou an inch, µm a millimetre. */
const inThousandths = (factor: number): number => factor * 1_000;

/** The curve of the figure in hand over the heat load, as it would be with what is being edited. */
export function CurveDrawn({ chart, column, figure, row }: Props) {
  const curve = curveOf(chart, column, figure);
  const knots = knotsOf(chart, column, figure);
  const piston = columnOf(chart, column);
  if (!piston || knots.length === 0)
    return <p className="mt-3 text-soft">No figure stands in this column yet: there is nothing to draw.</p>;
  const point = ({ load, factor }: { load: number; factor: number }) => ({ x: load, y: inThousandths(factor) });
  const own = knots.map((k) => ({ load: k.load, factor: k.cell.factor }));
  const lifted = knots.filter((k) => k.lifted);
  const most = Math.max(...own.map((k) => k.factor), ...curve.map((k) => k.factor));
  const load = chart.rows.find((r) => r.id === row)?.load ?? null;
  const words = `${CHART_FIGURE_WORDS[figure]}, ${piston.words}`;
  return (
    <section aria-label="The curve of the figure in hand" className="mt-4 max-w-4xl">
      <h2 className="text-lg">{words}</h2>
      <Plot
        label={`${words}: factor against heat load through ${knots.length} points`}
        xTitle="heat load"
        yTitle="factor, thousandths of the bore"
        xEnds={[Math.min(TRUSTED.from, own[0]?.load ?? 1), Math.max(TRUSTED.to, own.at(-1)?.load ?? 1)]}
        yEnds={[0, inThousandths(most) * 1.12]}
        zero={null}
        stands={load === null ? [] : [{ at: load, words: `in hand ${load.toFixed(2)}` }]}
        lines={[
          { label: 'the curve', colour: '--ok', points: curve.map(point), width: 2.5, goesOn: true },
          { label: 'its points', colour: '--blue', points: own.map(point), scattered: true },
        ]}
      />
      {lifted.length > 0 && (
        <p className="font-bold text-short">
          Under a point at less load, and lifted to it: {lifted.map((k) => k.load.toFixed(2)).join(', ')}. More heat
          never asks for less.
        </p>
      )}
    </section>
  );
}
