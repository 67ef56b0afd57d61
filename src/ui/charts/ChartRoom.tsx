'use client';

import { Download, Plus } from 'lucide-react';
import { Link } from '../shared/Link';
import { useRouter } from 'next/navigation';
import { type KeyboardEvent, useRef, useState } from 'react';
import { saveChartVersion } from '@/actions';
import { type Chart, type ChartFigure, CHART_FIGURES, cellOf } from '@/core/targets/chart';
import { chartFaults } from '@/core/targets/chartEdit';
import { Button, buttonLook } from '../shared/Button';
import { useKept } from '../shared/kept';
import { Initials } from '../shared/Initials';
import { ChartChanges } from '../targets/ChartChanges';
import type { InHand } from './inHand';
import { CellFoot, FACTOR_FIELD } from './CellFoot';
import { CellState } from './CellState';
import { PartFoot } from './PartFoot';
import { Versions } from './Versions';
import { useDraft } from './useDraft';

const SHORT: Record<ChartFigure, string> = {
  top: 'top',
  second: '2nd',
  clearance: 'clear.',
  clearancePlated: 'plated',
};

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

/** One chart, cell by cell: figures, sources and states; rows and columns; versions. */
export function ChartRoom({ versions }: { versions: [Chart, ...Chart[]] }) {
  const router = useRouter();
  const [by, setBy] = useKept('spatium-by', '');
  const [latest] = versions;
  const { draft, changed, set, drop } = useDraft(latest);
  const [hand, setHand] = useState<InHand>({
    kind: 'cell',
    row: latest.rows[0]?.id ?? '',
    column: latest.columns[0]?.id ?? '',
    figure: 'top',
  });
  const [plated, setPlated] = useState(false);
  const [faults, setFaults] = useState<string[]>([]);
  const [saving, setSaving] = useState(false);
  const grid = useRef<HTMLTableElement>(null);
  const figures = CHART_FIGURES.filter(
    (f) => f !== 'clearancePlated' || plated || draft.cells.some((c) => c.figure === 'clearancePlated'),
  );
  const behind = changed && draft.version !== latest.version;

  const change = (chart: Chart): void => {
    setFaults([]);
    set(chart);
  };
  const save = async (): Promise<void> => {
    const wrong = chartFaults(draft);
    if (wrong.length > 0) {
      setFaults(wrong);
      return;
    }
    setSaving(true);
    try {
      const saved = await saveChartVersion(draft, draft.version, by);
      if (saved.ok) drop();
      else setFaults(saved.faults);
      router.refresh();
    } catch {
      setFaults(['The server does not answer. Your changes are kept in this browser: try again in a moment.']);
    }
    setSaving(false);
  };
  const addRow = (): void => {
    const id = newId(
      'own row',
      draft.rows.map((r) => r.id),
    );
    const last = draft.rows.at(-1);
    change({
      ...draft,
      rows: [
        ...draft.rows,
        {
          id,
          words: 'own row',
          ringTemperature: last?.ringTemperature ?? 200,
          wallTemperature: last?.wallTemperature ?? 120,
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
    change({ ...draft, columns: [...draft.columns, { id, words: 'own piston', alloy: '4032', highRing: false }] });
    setHand({ kind: 'column', id });
  };
  const places = draft.columns.flatMap((c) => figures.map((figure) => ({ column: c.id, figure })));
  /** The place so many rows down and columns right of the one in hand, focused. */
  const step = (down: number, right: number): void => {
    if (hand.kind !== 'cell') return;
    const r = Math.max(0, Math.min(draft.rows.length - 1, draft.rows.findIndex((row) => row.id === hand.row) + down));
    const p = Math.max(
      0,
      Math.min(
        places.length - 1,
        places.findIndex((at) => at.column === hand.column && at.figure === hand.figure) + right,
      ),
    );
    const [row, place] = [draft.rows[r], places[p]];
    if (!row || !place) return;
    setHand({ kind: 'cell', row: row.id, ...place });
    grid.current?.querySelector<HTMLElement>(`[data-cell="${row.id}/${place.column}/${place.figure}"]`)?.focus();
  };
  /** What is typed on a figure goes into its field, in place of what stands there. */
  const typeOver = (): void => {
    const field = document.getElementById(FACTOR_FIELD);
    if (!(field instanceof HTMLInputElement)) return;
    field.focus();
    field.select();
  };
  const onKey = (event: KeyboardEvent): void => {
    if (/^[\d.,]$/.test(event.key)) return typeOver();
    const [down, right] = { ArrowDown: [1, 0], ArrowUp: [-1, 0], ArrowLeft: [0, -1], ArrowRight: [0, 1] }[
      event.key
    ] ?? [0, 0];
    if (!down && !right) return;
    event.preventDefault();
    step(down ?? 0, right ?? 0);
  };

  return (
    <main className="flex min-h-0 flex-1 flex-col">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2 border-b border-line px-5 py-2">
        <Link href="/charts" className="font-bold text-blue underline underline-offset-4">
          Charts
        </Link>
        <h1 className="text-2xl">
          <label>
            <span className="sr-only">Name of the chart</span>
            <input
              className="w-72 border-b border-edge bg-transparent font-bold"
              maxLength={80}
              value={draft.name}
              onChange={(event) => change({ ...draft, name: event.target.value })}
            />
          </label>
        </h1>
        <span className="text-soft">
          version {latest.version}
          {changed && ', changed here and not saved'}
        </span>
        <span className="flex-1" />
        <a className={buttonLook()} href={`/api/charts/${latest.id}`} download>
          <Download size={18} aria-hidden /> JSON
        </a>
        <a className={buttonLook()} href={`/api/charts/${latest.id}/csv`} download>
          <Download size={18} aria-hidden /> CSV
        </a>
        <Versions versions={versions} onBring={(chart) => change({ ...chart, version: latest.version })} />
        <Initials by={by} onChange={setBy} />
        {changed && <Button onClick={drop}>Throw changes away</Button>}
        <Button kind="strong" disabled={!changed || behind || saving} onClick={() => void save()}>
          Save as version {latest.version + 1}
        </Button>
      </div>
      <div role="status">
        {faults.length > 0 && (
          <ul className="border-b border-line bg-steel px-5 py-2">
            {faults.map((fault) => (
              <li key={fault} className="font-bold text-over">
                {fault}
              </li>
            ))}
          </ul>
        )}
        {behind && (
          <div className="border-b border-line bg-steel px-5 py-2">
            <p>
              <b className="text-short">
                Version {latest.version} was saved by {latest.saved?.by || 'someone'} since you began on version{' '}
                {draft.version}.
              </b>{' '}
              Your changes are kept. Saved over theirs, the chart would differ from theirs in this:
            </p>
            <div className="max-h-48 overflow-y-auto">
              <ChartChanges before={latest} after={draft} />
            </div>
            <Button onClick={() => set({ ...draft, version: latest.version })}>
              Work on over version {latest.version}
            </Button>
          </div>
        )}
      </div>
      <div className="relative min-h-0 flex-1 overflow-auto bg-sheet px-5 py-3">
        <p className="mb-2 max-w-prose text-soft">
          Factor × bore.{' '}
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
          or not yet; no figure means that the sheet is asked for. Choose a figure to change it below; arrows move.
        </p>
        <table ref={grid} className="border-collapse" onKeyDown={onKey} aria-label="Figures of the chart">
          <thead>
            <tr>
              <td />
              {draft.columns.map((column) => (
                <th
                  key={column.id}
                  scope="colgroup"
                  colSpan={figures.length}
                  className="border-b border-l border-line px-1 text-left align-bottom"
                >
                  <button
                    type="button"
                    aria-pressed={hand.kind === 'column' && hand.id === column.id}
                    onClick={() => setHand({ kind: 'column', id: column.id })}
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
              {places.map(({ column, figure }) => (
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
            {draft.rows.map((row) => (
              <tr key={row.id} className="border-t border-line">
                <th scope="row" className="w-40 min-w-40 text-left font-normal">
                  <button
                    type="button"
                    aria-pressed={hand.kind === 'row' && hand.id === row.id}
                    onClick={() => setHand({ kind: 'row', id: row.id })}
                    className="min-h-11 w-full rounded pr-2 text-left text-[0.9375rem] leading-tight hover:text-blue aria-pressed:font-bold aria-pressed:text-blue"
                  >
                    {row.words}
                  </button>
                </th>
                {places.map(({ column, figure }) => {
                  const cell = cellOf(draft, row.id, column, figure);
                  const here =
                    hand.kind === 'cell' && hand.row === row.id && hand.column === column && hand.figure === figure;
                  return (
                    <td key={`${column}/${figure}`} className={`p-0 ${figure === 'top' ? 'border-l border-line' : ''}`}>
                      <button
                        type="button"
                        data-cell={`${row.id}/${column}/${figure}`}
                        tabIndex={here ? 0 : -1}
                        aria-pressed={here}
                        onClick={() => setHand({ kind: 'cell', row: row.id, column, figure })}
                        className={`figures flex min-h-11 w-full min-w-14 items-center justify-center gap-0.5 px-0.5 text-sm -outline-offset-4 hover:bg-steel ${here ? 'bg-(--wash) font-bold shadow-[inset_0_-3px_0_var(--blue)]' : ''}`}
                      >
                        {cell ? (
                          <>
                            {cell.factor.toFixed(4)}
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
        <div className="mt-2 flex flex-wrap items-center gap-4">
          <Button onClick={addRow}>
            <Plus size={16} aria-hidden /> duty
          </Button>
          <Button onClick={addColumn}>
            <Plus size={16} aria-hidden /> piston
          </Button>
          <label className="flex min-h-11 items-center gap-2">
            <input
              type="checkbox"
              className="size-5 accent-(--blue)"
              checked={figures.includes('clearancePlated')}
              disabled={draft.cells.some((c) => c.figure === 'clearancePlated')}
              onChange={(event) => setPlated(event.target.checked)}
            />
            Clearance for plated bores too
          </label>
        </div>
      </div>
      <div className="border-t-2 border-ink bg-paper px-5 py-3">
        {hand.kind === 'cell' ? (
          <CellFoot
            key={`${hand.row}/${hand.column}/${hand.figure}`}
            chart={draft}
            at={hand}
            by={by}
            onChange={change}
            onNext={() => step(1, 0)}
          />
        ) : (
          <PartFoot key={`${hand.kind}/${hand.id}`} chart={draft} hand={hand} onChange={change} />
        )}
      </div>
    </main>
  );
}
