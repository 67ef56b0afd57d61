'use client';

import { useDeferredValue, useMemo } from 'react';
import { type Engine, cylindersOf } from '@/core/foundation/engine/engine';
import { engineFaults } from '@/core/foundation/engine/engineFaults';
import type { Job } from '@/core/record/jobCard';
import { judge } from '@/core/judge/judge';
import { rangeText } from '@/core/foundation/quantity/format';
import type { Entry } from '@/core/judge/buildRecord';
import type { Chart } from '@/core/models/charts/chart';
import type { Target } from '@/core/models/targets/target';

const STAMP = { at: '1970-01-01T00:00:00.000Z', by: '' };

/** The block seen from above, its cylinders as they are numbered. */
function Block({ engine }: { engine: Engine }) {
  const cylinders = cylindersOf(engine);
  const [xs, ys] = [cylinders.map((c) => c.deck.x), cylinders.map((c) => c.deck.y)];
  const [left, right] = [Math.min(...xs) - 0.6, Math.max(...xs) + 0.6];
  const [top, bottom] = [Math.min(...ys) - 0.6, Math.max(...ys) + 0.6];
  return (
    <svg
      viewBox={`${left} ${top - 0.4} ${right - left} ${bottom - top + 0.4}`}
      className="max-h-72 w-full"
      role="img"
      aria-label={`The block from above, front at the top: ${cylinders.map((c) => c.label).join(', ')}`}
    >
      <text x={(left + right) / 2} y={top - 0.1} textAnchor="middle" fontSize={0.2} fill="var(--soft)">
        front
      </text>
      <rect x={left} y={top} width={right - left} height={bottom - top} rx={0.15} fill="var(--steel)" />
      {cylinders.map((c) => (
        <g key={c.id} transform={`translate(${c.deck.x} ${c.deck.y})`}>
          <circle r={0.42} fill="var(--sheet)" stroke="var(--edge)" strokeWidth={0.02} />
          <text y={0.09} textAnchor="middle" fontSize={0.28} fontWeight={700} fill="var(--ink)">
            {c.label}
          </text>
        </g>
      ))}
    </svg>
  );
}

interface Props {
  job: Job;
  chart: Chart;
  /** What else the build would begin with. */
  choices: Entry[];
}

/** The engine as the card says it so far: its block, and the targets as they come. */
export function JobPreview({ job, chart, choices }: Props) {
  const card = useDeferredValue(job);
  const isWhole = engineFaults(card.engine).length === 0;
  const planned = useMemo(() => {
    if (!isWhole) return null;
    const begun: Entry[] = [
      { ...STAMP, id: 'job-1', kind: 'job', replaces: null, value: card },
      ...(choices.length > 0
        ? choices
        : [{ ...STAMP, id: 'chart-1', kind: 'chart' as const, replaces: null, value: chart }]),
    ];
    return judge({ id: 'new', entries: begun }).planned;
  }, [card, chart, choices, isWhole]);
  const figures: [string, Target | undefined, 'fine' | 'clearance'][] = [
    ['Top ring gap', planned?.top, 'fine'],
    ['Second ring gap', planned?.second, 'fine'],
    ['Oil rails', planned?.rails, 'fine'],
    ['Piston to wall', planned?.clearance, 'clearance'],
  ];
  const asks = [...new Set(figures.flatMap(([, target]) => (target && !target.set ? [target.ask] : [])))];
  return (
    <aside aria-label="As it comes" className="grid gap-4 lg:sticky lg:top-4">
      {isWhole ? <Block engine={card.engine} /> : <p className="text-soft">The block is drawn once it can be one.</p>}
      <dl className="divide-y divide-line border-y border-line">
        {figures.map(([words, target, style]) => (
          <div key={words} className="flex items-baseline justify-between gap-3 py-1">
            <dt>{words}</dt>
            <dd className="figures font-bold whitespace-nowrap">
              {target?.set ? rangeText(target.inForce.aimFrom, target.inForce.aimTo, card.units, style) : '–'}
            </dd>
          </div>
        ))}
      </dl>
      {asks.length > 0 && <p className="text-sm text-soft">{asks[0]}</p>}
    </aside>
  );
}
