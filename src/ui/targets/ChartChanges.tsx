'use client';

import type { Chart } from '@/core/models/charts/chart';
import { chartChanges } from '@/core/models/charts/chartEdit';
import { Table } from '../shared/Table';

interface Props {
  before: Chart;
  after: Chart;
  /** The row and column this build uses: changes there are marked. */
  used?: { row: string | null; column: string | null };
}

/** Everything that differs between two charts. */
export function ChartChanges({ before, after, used }: Props) {
  const changes = chartChanges(before, after);
  if (changes.length === 0) return <p className="text-soft">They say the same.</p>;
  const isUsed = ({ cell }: (typeof changes)[number]): boolean =>
    used !== undefined && cell?.row === used.row && cell.column === used.column;
  return (
    <Table
      caption="Changes of the chart"
      rows={changes}
      keyOf={(change) => change.what}
      rowLook={(change) => (isUsed(change) ? 'bg-(--wash)' : '')}
      columns={[
        [
          'what',
          (change) => (
            <>
              {change.what}
              {isUsed(change) && <b className="block text-sm text-blue">used by this build</b>}
            </>
          ),
        ],
        ['before', (change) => change.before],
        ['after', (change) => change.after, 'font-bold'],
      ]}
    />
  );
}
