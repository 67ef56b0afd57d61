'use client';

import {
  type ChartDataset,
  BarController,
  BarElement,
  CategoryScale,
  Chart,
  Legend,
  LineController,
  LineElement,
  LinearScale,
  PointElement,
} from 'chart.js';
import { useEffect, useRef } from 'react';
import { type Nm, type Units, toMm, toThou } from '@/core/foundation/quantity/length';
import { type Compression, RING_WORDS, COMPRESSION } from '@/core/foundation/parts/rings';
import { useJudgement, useMoving, useWords } from '../openBuild/contexts';
import { Table } from '../shared/Table';
import { Segmented } from '../shared/Segmented';
import { StateMark } from '../shared/StateMark';
import type { JudgedCylinder } from '@/core/judge/judgement';

Chart.register(
  BarController,
  BarElement,
  LineController,
  LineElement,
  PointElement,
  LinearScale,
  CategoryScale,
  Legend,
);

const KINDS = COMPRESSION.map((kind) => [kind, `${RING_WORDS[kind]}s`] as const);
const colour = (name: string): string => getComputedStyle(document.documentElement).getPropertyValue(name).trim();
const inUnit = (nm: Nm, units: Units): number => (units === 'imperial' ? toThou(nm) : toMm(nm));

/** All gaps of one kind against their windows, passes as steps, and how far they lie apart. */
export function Gaps() {
  const { cylinders } = useJudgement();
  const { cursor, toSubject } = useMoving();
  const { length, number, units, range } = useWords();
  const kind: Compression = cursor.inHand.rings === 'second' ? 'second' : 'top';
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-4 pt-3">
      <div className="flex flex-wrap items-center gap-x-5 gap-y-2">
        <Segmented label="Rings" value={kind} options={KINDS} onChange={(ring) => toSubject(ring)} />
        <Spread kind={kind} />
      </div>
      <Picture cylinders={cylinders} kind={kind} units={units} />
      <Table
        caption={`Gaps of the ${RING_WORDS[kind]}s`}
        region="Gaps by cylinder"
        rows={cylinders.map(({ label, rings }) => ({ label, ring: rings[kind] }))}
        keyOf={(row) => row.label}
        columns={[
          ['cylinder', (row) => row.label],
          [
            'passes',
            ({ ring }) =>
              livePasses(ring)
                .map((p) => number(p.value, 'fine'))
                .join(' → ') || '–',
            'figures text-soft',
          ],
          ['called', ({ ring }) => (ring.called ? length(ring.called.value) : '–'), 'num'],
          ['counts', ({ ring }) => (ring.counts ? length(ring.counts.value) : '–'), 'num'],
          [
            'window',
            ({ ring: { target } }) => (target.set ? range(target.inForce.aimFrom, target.inForce.aimTo) : 'ask'),
            'num',
          ],
          [
            'verdict',
            ({ ring }) => (
              <>
                <StateMark state={ring.state} />
                {ring.accepted && <span className="text-soft"> accepted</span>}
              </>
            ),
          ],
        ]}
      />
    </div>
  );
}

/** How far the gaps of a kind lie apart. */
function Spread({ kind }: { kind: Compression }) {
  const { spreads, choices } = useJudgement();
  const { length } = useWords();
  const spread = spreads.find((s) => s.ring === kind);
  if (!spread) return <p className="text-xl">Two gaps make a spread.</p>;
  return (
    <p className="text-xl">
      <b className={`figures ${spread.isWide ? 'text-short' : 'text-ok'}`}>{length(spread.spread)}</b> apart,{' '}
      {length(spread.least)} to {length(spread.most)}; {spread.isWide ? 'more than' : 'within'} the{' '}
      {length(choices.bench.spread)} asked for.
    </p>
  );
}

const livePasses = (ring: JudgedCylinder['rings']['top']) =>
  ring.passes.filter((p) => p.voided === null && p.round === ring.round);

/** The window of each cylinder as a bar, its passes as steps up to the gap in force. The same figures stand in the table. */
function Picture({ cylinders, kind, units }: { cylinders: JudgedCylinder[]; kind: Compression; units: Units }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const rings = cylinders.map((c) => c.rings[kind]);
  const most = Math.max(0, ...rings.map((r) => livePasses(r).length));
  const windows = rings.map((r) =>
    r.target.set
      ? [
          inUnit(r.target.inForce.aimFrom, units),
          inUnit(r.target.inForce.aimTo ?? r.target.inForce.aimFrom * 1.1, units),
        ]
      : null,
  );
  const steps = Array.from({ length: most }, (_, i) =>
    rings.map((r) => livePasses(r).at(-1 - i)).map((p) => (p ? inUnit(p.value, units) : null)),
  );
  const drawn = JSON.stringify([cylinders.map((c) => c.label), windows, steps, units]);
  useEffect(() => {
    if (!canvas.current) return;
    const [labels, bars, passes] = JSON.parse(drawn) as [string[], ([number, number] | null)[], (number | null)[][]];
    const datasets: ChartDataset<'bar' | 'line', (number | [number, number] | null)[]>[] = [
      ...passes.map((data, i) => ({
        type: 'line' as const,
        label: i === 0 ? 'gap used' : i === 1 ? 'passes before' : '',
        data,
        showLine: false,
        pointStyle: 'triangle' as const,
        pointRadius: i === 0 ? 8 : 5,
        borderColor: colour(i === 0 ? '--blue' : '--soft'),
        backgroundColor: colour(i === 0 ? '--blue' : '--sheet'),
      })),
      {
        type: 'bar' as const,
        label: 'aim window',
        data: bars,
        backgroundColor: `${colour('--ok')}40`,
        borderColor: colour('--ok'),
        borderWidth: 1.5,
        borderSkipped: false as const,
        barPercentage: 0.7,
      },
    ];
    const chart = new Chart(canvas.current, {
      type: 'bar',
      data: { labels, datasets: datasets as ChartDataset<'bar', (number | [number, number] | null)[]>[] },
      options: {
        animation: false,
        responsive: true,
        maintainAspectRatio: false,
        scales: {
          x: {
            title: { display: true, text: 'cylinder', color: colour('--soft') },
            ticks: { color: colour('--ink') },
            grid: { display: false },
            border: { color: colour('--ink') },
          },
          y: {
            beginAtZero: false,
            grace: '15%',
            title: { display: true, text: units === 'imperial' ? 'gap, thou' : 'gap, mm', color: colour('--soft') },
            ticks: { color: colour('--ink') },
            grid: { color: colour('--line'), lineWidth: 0.5 },
            border: { color: colour('--ink') },
          },
        },
        plugins: {
          legend: {
            align: 'start',
            onClick: () => undefined,
            labels: { color: colour('--ink'), usePointStyle: true, filter: (item) => item.text !== '' },
          },
        },
      },
    });
    return () => chart.destroy();
  }, [drawn, units]);
  return (
    <div className="relative h-[280px] w-full">
      <canvas ref={canvas} role="img" aria-label={`Gaps of the ${RING_WORDS[kind]}s against their windows`} />
    </div>
  );
}
