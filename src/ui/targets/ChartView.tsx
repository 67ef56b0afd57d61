'use client';

import { Link } from '../shared/Link';
import { useState } from 'react';
import type { KeptChart } from '@/store/charts';
import { rowTemperatures } from '@/core/models/heat/assess';
import { COOLANT } from '@/core/models/heat/temperatures';
import {
  type ChartFigure,
  type ChartRow,
  CHART_FIGURES,
  CHART_FIGURE_WORDS,
  cellOf,
  factorText,
} from '@/core/models/charts/chart';
import { reasonOf } from '@/core/stages/targets/schoolWords';
import { useJudgement } from '../openBuild/contexts';
import { CellState } from '../charts/CellState';
import { buttonLook } from '../shared/Button';
import { SelectField } from '../shared/SelectField';
import { TakeChart } from './TakeChart';

/** The temperatures of a row with water cooling, top ring and wall. */
function temperaturesText(row: ChartRow): string {
  const { top, wall } = rowTemperatures(row, COOLANT.water, 'water');
  return top === null || wall === null ? '–' : `${top.toFixed(0)} / ${wall.toFixed(0)}`;
}

/** The chart this build is set with: its column, row by row, each figure with its standing; and how to take another. */
export function ChartView({ charts }: { charts: KeptChart[] | null }) {
  const judgement = useJudgement();
  const { piston, job } = judgement;
  const { chart } = judgement.choices;
  const [other, setOther] = useState<string | null>(null);
  const chosen = charts?.find((k) => k.chart.id === other)?.chart;
  const shown: ChartFigure[] = CHART_FIGURES.filter((f) =>
    job?.surface === 'plated' ? true : f !== 'clearancePlated',
  );
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-5 pt-4">
      <section aria-label="Chart of this build">
        <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1">
          <h2 className="text-lg">
            {chart.name}, version {chart.version}
          </h2>
          {charts?.some((k) => k.chart.id === chart.id) && (
            <Link
              href={`/charts/${chart.id}`}
              className="inline-flex min-h-11 items-center font-bold text-blue underline underline-offset-4"
            >
              Open it in the chart room
            </Link>
          )}
          {charts && !charts.some((k) => k.chart.id === chart.id) && (
            <span className="text-soft">This shop does not keep it.</span>
          )}
        </div>
        <p className="mb-2 max-w-prose text-soft">
          {reasonOf(chart)} This build keeps this version, whatever becomes of the chart.{' '}
          {piston ? `Pistons: ${piston.words}.` : 'Piston type is not set: the chart column is not known.'}
        </p>
        {piston && (
          <div className="relative overflow-x-auto">
            <ChartTable shown={shown} />
          </div>
        )}
      </section>
      <section aria-label="Another chart" className="flex flex-wrap items-end gap-3">
        <div className="w-80 max-w-full">
          <SelectField
            label="Set this build with another chart"
            hint={(chosen && reasonOf(chosen)) ?? undefined}
            none="choose one"
            value={other}
            options={(charts ?? [])
              .filter((k) => k.chart.id !== chart.id || k.chart.version !== chart.version)
              .map((k) => [k.chart.id, `${k.chart.name}, version ${k.chart.version}`] as const)}
            onChange={setOther}
          />
        </div>
        {chosen && <TakeChart chart={chosen} trigger="See the difference" />}
        <Link href="/charts" className={buttonLook()}>
          All charts
        </Link>
      </section>
    </div>
  );
}

/** The chart’s figures for this piston. */
function ChartTable({ shown }: { shown: ('top' | 'second' | 'clearance' | 'clearancePlated')[] }) {
  const judgement = useJudgement();
  const { chart } = judgement.choices;
  const { duty, piston } = judgement;
  if (!piston) return null;
  return (
    <table className="ruled">
      <thead>
        <tr>
          <th scope="col">{chart.kind === 'curve' ? 'heat load' : 'row'}</th>
          {shown.map((figure) => (
            <th key={figure} scope="col">
              {CHART_FIGURE_WORDS[figure]}
            </th>
          ))}
          <th scope="col" className="num">
            ring / wall, °C
          </th>
        </tr>
      </thead>
      <tbody>
        {chart.rows.map((row) => (
          <tr
            key={row.id}
            className={row.id === duty.row?.id ? 'bg-(--wash)' : ''}
            aria-current={row.id === duty.row?.id}
          >
            <th
              scope="row"
              className={`text-[0.9375rem]! leading-snug ${row.id === duty.row?.id ? 'font-bold! text-ink!' : 'text-ink!'}`}
            >
              {row.load !== null && <span className="figures">{row.load.toFixed(2)} </span>}
              {row.words}
            </th>
            {shown.map((figure) => {
              const cell = cellOf(chart, row.id, piston.id, figure);
              return (
                <td key={figure} className="whitespace-nowrap">
                  {cell ? (
                    <>
                      <span className="figures mr-1.5">{factorText(cell.factor)}</span>
                      <CellState cell={cell} />
                    </>
                  ) : (
                    <span className="text-soft">–</span>
                  )}
                </td>
              );
            })}
            <td className="num">{temperaturesText(row)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
