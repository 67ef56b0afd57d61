'use client';

import { Plus } from 'lucide-react';
import { useState } from 'react';
import { type Chart, CHART_FIGURES } from '@/core/models/charts/chart';
import { Tick } from '../shared/Tick';
import { Button } from '../shared/Button';
import { onDemand } from '../shared/onDemand';
import { useListens } from '../shared/useInBrowser';
import { usePersisted } from '../shared/persisted';
import { ChartBar } from './ChartBar';
import { ChartGrid, cellFrom, focusCell } from './ChartGrid';
import type { InHand } from './inHand';
import { CellFoot } from './CellFoot';
import { CellState } from './CellState';
import { PartFoot } from './PartFoot';
import { useDraft } from './useDraft';

/** An id made of words, unlike the ids that are there. */
function newId(words: string, taken: string[]): string {
  const base =
    words
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-+|-+$/g, '')
      .slice(0, 30) || 'own';
  if (!taken.includes(base)) return base;
  for (let n = 2; ; n += 1) if (!taken.includes(`${base}-${n}`)) return `${base}-${n}`;
}

const CurveDrawn = onDemand(() => import('./CurveDrawn').then((m) => m.CurveDrawn));

/** Rows of a chart of curves stand by their load. */
const byLoad = (chart: Chart): Chart =>
  chart.kind === 'steps' ? chart : { ...chart, rows: chart.rows.toSorted((a, b) => (a.load ?? 0) - (b.load ?? 0)) };

/** One chart, cell by cell: figures, sources and states; rows and columns; versions. */
export function ChartPage({ versions }: { versions: [Chart, ...Chart[]] }) {
  const [by, setBy] = usePersisted('spatium-by', '');
  const listens = useListens();
  const [latest] = versions;
  const edited = useDraft(latest);
  const { draft } = edited;
  const set = (chart: Chart): void => edited.set(byLoad(chart));
  const [hand, setHand] = useState<InHand>({
    kind: 'cell',
    row: latest.rows[0]?.id ?? '',
    column: latest.columns[0]?.id ?? '',
    figure: 'top',
  });
  const [plated, setPlated] = useState(false);
  const figures = CHART_FIGURES.filter(
    (f) => f !== 'clearancePlated' || plated || draft.cells.some((c) => c.figure === 'clearancePlated'),
  );
  const addRow = (): void => {
    const id = newId(
      'own row',
      draft.rows.map((r) => r.id),
    );
    const last = draft.rows.at(-1);
    set({
      ...draft,
      rows: [
        ...draft.rows,
        {
          id,
          words: draft.kind === 'curve' ? 'own load' : 'own row',
          ringTemperature: last?.ringTemperature ?? null,
          wallTemperature: last?.wallTemperature ?? null,
          load:
            draft.kind === 'curve'
              ? Number((Math.max(0.9, ...draft.rows.map((r) => r.load ?? 0)) + 0.1).toFixed(2))
              : null,
        },
      ],
    });
    setHand({ kind: 'row', id });
  };
  const addColumn = (): void => {
    const id = newId(
      'own piston',
      draft.columns.map((c) => c.id),
    );
    set({ ...draft, columns: [...draft.columns, { id, words: 'own piston', alloy: '4032', highRing: false }] });
    setHand({ kind: 'column', id });
  };

  const step = (down: number, right: number): void => {
    const next = cellFrom(draft, figures, hand, down, right);
    if (!next) return;
    setHand(next);
    focusCell(next);
  };

  return (
    <main id="main" tabIndex={-1} inert={!listens} className="flex min-h-0 flex-1 flex-col">
      <ChartBar versions={versions} draft={edited} by={by} onBy={setBy} />
      <div className="relative min-h-0 flex-1 overflow-auto bg-sheet px-5 py-3">
        <ChartHead draft={draft} />
        <ChartGrid chart={draft} figures={figures} hand={hand} onHand={setHand} onStep={step} />
        <div className="mt-2 flex flex-wrap items-center gap-4">
          <Button onClick={addRow}>
            <Plus size={16} aria-hidden /> {draft.kind === 'curve' ? 'heat load' : 'duty'}
          </Button>
          <Button onClick={addColumn}>
            <Plus size={16} aria-hidden /> piston
          </Button>
          <Tick
            value={figures.includes('clearancePlated')}
            disabled={draft.cells.some((c) => c.figure === 'clearancePlated')}
            onChange={(isOn) => setPlated(isOn)}
          >
            Clearance for plated bores too
          </Tick>
        </div>
        {draft.kind === 'curve' && hand.kind === 'cell' && (
          <CurveDrawn chart={draft} column={hand.column} figure={hand.figure} row={hand.row} />
        )}
      </div>
      <ChartFoot hand={hand} draft={draft} by={by} set={set} step={step} />
    </main>
  );
}

/** What the figures are, and how they are marked. */
function ChartHead({ draft }: { draft: Chart }) {
  return (
    <p className="mb-2 max-w-prose text-soft">
      Factor × bore{draft.kind === 'curve' && ', at a heat load; a curve goes between, and never falls'}.{' '}
      <CellState
        cell={{
          row: '',
          column: '',
          figure: 'top',
          factor: 1,
          source: '',
          confirmed: { sheet: 'a sheet', by: '', at: '' },
        }}
        words
      />{' '}
      or not yet; an empty cell means that the ring sheet is needed. Choose a figure to change it below; arrow keys
      move.
    </p>
  );
}

interface ChartFootProps {
  hand: InHand;
  draft: Chart;
  by: string;
  set: (chart: Chart) => void;
  step: (down: number, right: number) => void;
}

/** What is in hand: a figure, a row or a column. */
function ChartFoot({ hand, draft, by, set, step }: ChartFootProps) {
  return (
    <div className="border-t-2 border-ink bg-paper px-5 py-3">
      {hand.kind === 'cell' ? (
        <CellFoot
          key={`${hand.row}/${hand.column}/${hand.figure}`}
          chart={draft}
          at={hand}
          by={by}
          onChange={set}
          onNext={() => step(1, 0)}
        />
      ) : (
        <PartFoot key={`${hand.kind}/${hand.id}`} chart={draft} hand={hand} onChange={set} />
      )}
    </div>
  );
}
