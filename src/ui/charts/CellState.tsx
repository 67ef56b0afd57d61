import type { ChartCell } from '@/core/models/charts/chart';

/** Whether a chart's figure is confirmed against a sheet: shape, colour and word. */
export function CellState({ cell, words = false }: { cell: ChartCell; words?: boolean }) {
  const { confirmed, source } = cell;
  const said = confirmed ? `confirmed against ${confirmed.sheet}` : `not confirmed${source ? `, ${source}` : ''}`;
  return (
    <span className={`inline-flex items-center gap-1 text-sm ${confirmed ? 'text-ok' : 'text-soft'}`} title={said}>
      <svg viewBox="-7 -7 14 14" className="size-3 shrink-0" aria-hidden>
        {confirmed ? (
          <path d="M-5 0-1.5 4 5-4.5" fill="none" stroke="currentColor" strokeWidth="2.5" />
        ) : (
          <circle r="4.5" fill="none" stroke="currentColor" strokeWidth="1.5" strokeDasharray="2.5 2" />
        )}
      </svg>
      <span className={words ? '' : 'sr-only'}>{said}</span>
    </span>
  );
}
