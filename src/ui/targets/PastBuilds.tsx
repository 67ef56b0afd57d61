'use client';

import { MOST_LOAD } from '@/core/models/load/load';
import { useWords } from '../openBuild/contexts';
import { Table } from '../shared/Table';
import { lengthText } from '@/core/foundation/quantity/format';
import type { Units } from '@/core/foundation/quantity/length';
import type { StepOver, StepsOver } from '@/core/stages/targets/stepChartOverlay';
import type { FittedGaps } from '@/store/gapHistory';
import { Link } from '../shared/Link';

/** A build of the shop as a dot: its mean gap, as it would be on this bore. */
export interface FittedDot {
  id: string;
  name: string;
  load: number;
  gap: number;
}

/** The shop's builds as dots on a bore. */
export const fittedAt = (fitted: readonly FittedGaps[], ring: 'top' | 'second', bore: number): FittedDot[] =>
  fitted.flatMap((b) => {
    const factor = b[ring];
    return factor === null ? [] : [{ id: b.id, name: b.name, load: b.load, gap: Math.round(factor * bore) }];
  });

interface LaidProps {
  name: string;
  over: StepsOver;
  curveAt: (load: number) => number | null;
}

/** Where a chart of steps differs from the curve, row by row. */
export function Laid({ name, over, curveAt }: LaidProps) {
  const { number, unit } = useWords();
  if (over.steps.length === 0)
    return <p className="mt-2 text-soft">{name} has no figure for this piston that a heat load leads to.</p>;
  const gap = (nm: number): string => number(nm, 'fine');
  return (
    <div>
      <Table
        caption={`${name} against the curve`}
        className="mt-2"
        rows={over.steps}
        keyOf={(step) => step.row}
        columns={[
          [`row of ${name}`, (step) => step.words],
          ['heat load', loadsText, 'num'],
          [`row, ${unit('fine')}`, (step) => gap(step.gap), 'num'],
          [
            `curve there, ${unit('fine')}`,
            (step) =>
              [...new Set([step.from, step.to])]
                .map((load) => {
                  const nm = curveAt(load);
                  return nm === null ? 'sheet' : gap(nm);
                })
                .join(' – '),
            'num',
          ],
        ]}
      />
      {over.unplaced.length > 0 && (
        <p className="mt-1 text-sm text-soft">
          Rows that a builder chooses, with no heat load of their own: {over.unplaced.join(', ')}.
        </p>
      )}
    </div>
  );
}

const loadsText = ({ from, to }: StepOver): string =>
  to - from < 0.005 ? from.toFixed(2) : `${from.toFixed(2)} – ${to > MOST_LOAD ? `over ${MOST_LOAD}` : to.toFixed(2)}`;

/** The dots as a list: which builds they are. */
export function PastBuilds({ fitted, units }: { fitted: readonly FittedDot[]; units: Units }) {
  if (fitted.length === 0) return null;
  return (
    <details className="mt-2">
      <summary className="min-h-11 py-2 font-bold">Builds of the shop on the same piston: {fitted.length}</summary>
      <ul className="grid gap-x-6 sm:grid-cols-2">
        {fitted.map((b) => (
          <li key={b.id} className="flex items-baseline gap-2 border-b border-line">
            <Link href={`/builds/${b.id}/targets`} className="min-h-11 flex-1 py-2 text-blue underline">
              {b.name}
            </Link>
            <span className="figures text-sm">
              {b.load.toFixed(2)}: {lengthText(b.gap, units, 'fine')}
            </span>
          </li>
        ))}
      </ul>
    </details>
  );
}
