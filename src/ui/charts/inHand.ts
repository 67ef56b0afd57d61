import type { ChartFigure } from '@/core/models/charts/chart';

/** What of the chart is in hand. */
export type InHand =
  | { kind: 'cell'; row: string; column: string; figure: ChartFigure }
  | { kind: 'row' | 'column'; id: string };
