'use client';

import type { Chart } from '@/core/models/charts/chart';
import { chartChanges } from '@/core/models/charts/chartEdit';

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
  return (
    <table className="ruled">
      <thead>
        <tr>
          <th scope="col">what</th>
          <th scope="col">before</th>
          <th scope="col">after</th>
        </tr>
      </thead>
      <tbody>
        {changes.map((change) => {
          const here = used && change.cell?.row === used.row && change.cell.column === used.column;
          return (
            <tr key={change.what} className={here ? 'bg-(--wash)' : ''}>
              <th scope="row" className="text-ink!">
                {change.what}
                {here && <b className="block text-sm text-blue">used by this build</b>}
              </th>
              <td>{change.before}</td>
              <td className="font-bold">{change.after}</td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
