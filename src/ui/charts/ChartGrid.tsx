'use client';

import type { KeyboardEvent } from 'react';
import { type Chart, type ChartFigure, cellOf, factorText } from '@/core/models/charts/chart';
import { FACTOR_FIELD } from './CellFoot';
import { CellState } from './CellState';
import type { InHand } from './inHand';

const SHORT: Record<ChartFigure, string> = {
  top: 'top',
  second: '2nd',
  clearance: 'clear.',
  clearancePlated: 'plated',
};

interface Props {
  chart: Chart;
  /** The figures each piston has a column for. */
  figures: readonly ChartFigure[];
  hand: InHand;
  onHand: (hand: InHand) => void;
  onStep: (down: number, right: number) => void;
}

/** What is typed on a figure goes into its field, in place of what stands there. */
function typeOver(): void {
  const field = document.getElementById(FACTOR_FIELD);
  if (!(field instanceof HTMLInputElement)) return;
  field.focus();
  field.select();
}

const columnsOf = (chart: Chart, figures: readonly ChartFigure[]) =>
  chart.columns.flatMap((c) => figures.map((figure) => ({ column: c.id, figure })));

/** The figure so many rows down and columns right of the one in hand; null where none is in hand. */
export function cellFrom(
  chart: Chart,
  figures: readonly ChartFigure[],
  hand: InHand,
  down: number,
  right: number,
): Extract<InHand, { kind: 'cell' }> | null {
  if (hand.kind !== 'cell') return null;
  const columns = columnsOf(chart, figures);
  const r = chart.rows.findIndex((row) => row.id === hand.row) + down;
  const c = columns.findIndex((at) => at.column === hand.column && at.figure === hand.figure) + right;
  const row = chart.rows[Math.max(0, Math.min(chart.rows.length - 1, r))];
  const column = columns[Math.max(0, Math.min(columns.length - 1, c))];
  return row && column ? { kind: 'cell', row: row.id, ...column } : null;
}

/** Puts the focus on a figure of the grid. */
export const focusCell = ({ row, column, figure }: Extract<InHand, { kind: 'cell' }>): void =>
  document.querySelector<HTMLElement>(`[data-cell="${row}/${column}/${figure}"]`)?.focus();

/** The figures of a chart, a row each duty, a column each figure of a piston; arrows move, digits are typed over. */
export function ChartGrid({ chart, figures, hand, onHand, onStep }: Props) {
  const columns = columnsOf(chart, figures);
  const onKey = (event: KeyboardEvent): void => {
    if (/^[\d.,]$/.test(event.key)) return typeOver();
    const [down, right] = { ArrowDown: [1, 0], ArrowUp: [-1, 0], ArrowLeft: [0, -1], ArrowRight: [0, 1] }[
      event.key
    ] ?? [0, 0];
    if (!down && !right) return;
    event.preventDefault();
    onStep(down ?? 0, right ?? 0);
  };

  return (
    <table className="border-collapse" onKeyDown={onKey} aria-label="Figures of the chart">
      <thead>
        <tr>
          <td />
          {chart.columns.map((column) => (
            <th
              key={column.id}
              scope="colgroup"
              colSpan={figures.length}
              className="border-b border-l border-line px-1 text-left align-bottom"
            >
              <button
                type="button"
                aria-pressed={hand.kind === 'column' && hand.id === column.id}
                onClick={() => onHand({ kind: 'column', id: column.id })}
                className="min-h-11 w-full rounded px-1 text-left text-sm leading-tight font-bold hover:text-blue aria-pressed:text-blue aria-pressed:underline"
              >
                {column.words}
                {column.highRing && <span className="block font-normal text-short">high ring</span>}
              </button>
            </th>
          ))}
        </tr>
        <tr>
          <td />
          {columns.map(({ column, figure }) => (
            <th
              key={`${column}/${figure}`}
              scope="col"
              className={`px-1 text-center text-[0.8125rem] font-normal text-soft ${figure === 'top' ? 'border-l border-line' : ''}`}
            >
              {SHORT[figure]}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {chart.rows.map((row) => (
          <tr key={row.id} className="border-t border-line">
            <th scope="row" className="w-40 min-w-40 text-left font-normal">
              <button
                type="button"
                aria-pressed={hand.kind === 'row' && hand.id === row.id}
                onClick={() => onHand({ kind: 'row', id: row.id })}
                className="min-h-11 w-full rounded pr-2 text-left text-[0.9375rem] leading-tight hover:text-blue aria-pressed:font-bold aria-pressed:text-blue"
              >
                {row.load !== null && <b className="figures">{row.load.toFixed(2)} </b>}
                {row.words}
              </button>
            </th>
            {columns.map(({ column, figure }) => {
              const cell = cellOf(chart, row.id, column, figure);
              const here =
                hand.kind === 'cell' && hand.row === row.id && hand.column === column && hand.figure === figure;
              return (
                <td key={`${column}/${figure}`} className={`p-0 ${figure === 'top' ? 'border-l border-line' : ''}`}>
                  <button
                    type="button"
                    data-cell={`${row.id}/${column}/${figure}`}
                    tabIndex={here ? 0 : -1}
                    aria-pressed={here}
                    onClick={() => onHand({ kind: 'cell', row: row.id, column, figure })}
                    className={`figures flex min-h-11 w-full min-w-14 items-center justify-center gap-0.5 px-0.5 text-sm -outline-offset-4 hover:bg-steel ${here ? 'bg-(--wash) font-bold shadow-[inset_0_-3px_0_var(--blue)]' : ''}`}
                  >
                    {cell ? (
                      <>
                        {factorText(cell.factor)}
                        <CellState cell={cell} />
                      </>
                    ) : (
                      <span className="text-soft">–</span>
                    )}
                  </button>
                </td>
              );
            })}
          </tr>
        ))}
      </tbody>
    </table>
  );
}
