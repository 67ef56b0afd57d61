'use client';

/** The crank from the front: mains in a line, throws to either side of it with their rods, and what each comes to. */
import { type KeyboardEvent, memo, useRef } from 'react';
import type { JudgedBearing } from '@/core/stages/journals/types';
import { CRANK } from '@/core/foundation/engine/places';
import { printLength } from '@/core/foundation/quantity/format';
import { useJudgement, useMoving, useWords } from '../openBuild/contexts';
import { StateMark, StateShape, stateColour } from '../shared/StateMark';
import type { Judgement } from '@/core/judge/judgement';
import { useView } from '../shared/address';
import { useKeptInSight } from '../shared/scrollIntoView';
import { END_PLAY, JOURNAL_VIEWS, alongCrank, bearingAt, onBearing, areBearingsShown } from './bearings';

/** As wide as the deck is on a tablet: rows stay as high as a fingertip. */
const WIDTH = 194;
const ROW = 44;
const MIDDLE = WIDTH / 2;
const OFFSET = 10;
const MAIN = { width: 58, height: 36 };
const ROD = { width: 43, height: 34 };

interface Row {
  bearing: JudgedBearing;
  /** From the middle of the crank. */
  x: number;
}

interface ItemProps extends Row {
  y: number;
  current: boolean;
  figure: string;
}

const Item = memo(function Item({ bearing, x, y, current, figure }: ItemProps) {
  const { kind, label, clearance } = bearing;
  const { width, height } = kind === 'main' ? MAIN : ROD;
  const { state } = clearance;
  const isIdle = state === 'to do' || state === 'no target';
  const colour = stateColour(state);
  const side = kind === 'main' ? 1 : -1;
  return (
    <g transform={`translate(${MIDDLE} ${y})`}>
      <rect
        x={x - width / 2}
        y={-height / 2}
        width={width}
        height={height}
        rx={4}
        fill={kind === 'main' ? 'var(--steel)' : 'var(--sheet)'}
        stroke={current ? 'var(--blue)' : isIdle ? 'var(--idle)' : colour}
        strokeWidth={current ? 5 : 2.5}
      />
      <text
        x={x}
        y={6}
        textAnchor="middle"
        fontSize={kind === 'main' ? 17 : 16}
        fontWeight={kind === 'main' ? 700 : 500}
        fill={current ? 'var(--blue)' : 'var(--ink)'}
      >
        {kind === 'main' ? label.slice(1) : label}
      </text>
      <text
        x={side * (WIDTH / 2 - 19)}
        y={5}
        textAnchor={side > 0 ? 'end' : 'start'}
        fontSize={13}
        fontWeight={600}
        fill={isIdle ? 'var(--soft)' : colour}
        className="figures"
      >
        {figure}
      </text>
      <svg x={side > 0 ? WIDTH / 2 - 15 : -WIDTH / 2 + 1} y={-7} width={14} height={14} viewBox="0 0 14 14">
        <StateShape state={state} />
      </svg>
    </g>
  );
});

const STEPS: Record<string, number> = { ArrowDown: 1, ArrowRight: 1, ArrowUp: -1, ArrowLeft: -1 };

/** The bearings as they lie, from the front: mains in the middle, rods to either side. */
const rowsOf = (judgement: Judgement): Row[] =>
  judgement.along.flatMap((on): Row[] => {
    const ids = on.kind === 'main' ? [on.id] : on.rods;
    const x = on.kind === 'main' ? 0 : (on.number % 2 ? -1 : 1) * OFFSET;
    return ids.flatMap((id) => {
      const bearing = bearingAt(judgement, id);
      return bearing ? [{ bearing, x }] : [];
    });
  });

/** Mains and rods as they lie, navigator and progress board at once. */
export function CrankDeck() {
  const judgement = useJudgement();
  const { cursor, cylinder, goTo } = useMoving();
  const { number } = useWords();
  const [view, setView] = useView(JOURNAL_VIEWS);
  const box = useRef<HTMLDivElement>(null);
  const at = cursor.place ?? cylinder?.id ?? '';
  useKeptInSight(box, `[data-place="${at}"]`);
  const { crank } = judgement;
  if (!crank || !areBearingsShown(judgement)) return null;

  const figureOf = ({ clearance: { value } }: JudgedBearing): string => number(value, 'clearance');
  const rows = rowsOf(judgement);
  const height = rows.length * ROW + 34;
  const yOf = (i: number): number => 34 + i * ROW + ROW / 2;
  const press = (id: string): void => {
    const { inHand } = cursor;
    if (view === 'play' && inHand.play === 'side' && id !== CRANK && !id.startsWith('M'))
      return goTo({ cylinder: id, subject: 'side', spot: null }, true);
    if (view === 'play') setView('readings');
    goTo(onBearing(judgement, id, inHand.journals), true);
  };
  const onKey = (event: KeyboardEvent): void => {
    const step = STEPS[event.key];
    if (!step) return;
    event.preventDefault();
    const ids = alongCrank(judgement);
    const next = ids[(ids.indexOf(at) + step + ids.length) % ids.length];
    if (next === undefined) return;
    press(next);
    box.current?.querySelector<HTMLButtonElement>(`[data-place="${next}"]`)?.focus();
  };
  return (
    <nav aria-label="Bearings" className="relative flex h-full min-h-0 flex-col items-center gap-1 overflow-y-auto p-2">
      <div ref={box} onKeyDown={onKey} className="relative shrink-0" style={{ height, width: WIDTH }}>
        <CrankDrawing height={height} rows={rows} yOf={yOf} at={at} figureOf={figureOf} />
        {rows.map(({ bearing }, i) => (
          <button
            key={bearing.id}
            type="button"
            data-place={bearing.id}
            tabIndex={bearing.id === at || (at === CRANK && i === 0) ? 0 : -1}
            aria-current={bearing.id === at}
            aria-label={`${bearing.words}, ${bearing.clearance.state}${bearing.clearance.value === null ? '' : `, ${figureOf(bearing)}`}`}
            onClick={() => press(bearing.id)}
            className="absolute inset-x-0 rounded"
            style={{ top: yOf(i) - ROW / 2, height: ROW }}
          />
        ))}
      </div>
      {judgement.choices.journals.asks.endPlay && <EndPlayButton at={at} setView={setView} />}
    </nav>
  );
}

function EndPlayButton({
  at,
  setView,
}: {
  at: string;
  setView: (view: 'readings' | 'shells' | 'play' | 'looks' | 'manual') => void;
}) {
  const judgement = useJudgement();
  const { goTo } = useMoving();
  const { units } = useWords();
  const { crank } = judgement;
  if (!crank) return null;
  const { endPlay } = crank;
  return (
    <button
      type="button"
      aria-current={at === CRANK}
      onClick={() => {
        setView('play');
        goTo(END_PLAY, true);
      }}
      className="flex min-h-11 w-full max-w-[270px] shrink-0 flex-wrap items-center justify-between gap-x-2 rounded border border-edge px-3 py-1 aria-[current=true]:border-blue aria-[current=true]:text-blue"
    >
      <span>End play</span>
      <span className="flex items-center gap-2">
        {endPlay.value !== null && <b className="figures">{printLength(endPlay.value, units, 'clearance').number}</b>}
        <StateMark state={endPlay.state} />
      </span>
    </button>
  );
}

interface CrankDrawingProps {
  height: number;
  rows: Row[];
  yOf: (i: number) => number;
  at: string;
  figureOf: ({ clearance: { value } }: JudgedBearing) => string;
}

/** The crank with its bearings, from the front down. */
function CrankDrawing({ height, rows, yOf, at, figureOf }: CrankDrawingProps) {
  return (
    <svg viewBox={`0 0 ${WIDTH} ${height}`} className="absolute inset-0 size-full" aria-hidden>
      <text x={MIDDLE} y={13} textAnchor="middle" fontSize={13} fill="var(--soft)">
        front of engine
      </text>
      <path d={`M${MIDDLE} 18l-6 9h12z`} fill="var(--soft)" />
      <text x={4} y={24} fontSize={12} fill="var(--soft)">
        rods
      </text>
      <text x={WIDTH - 4} y={24} textAnchor="end" fontSize={12} fill="var(--soft)">
        mains
      </text>
      {rows.slice(1).map(({ bearing, x }, i) => {
        const before = rows[i];
        if (!before || (before.bearing.kind === bearing.kind && before.x === x)) return null;
        const [w0, w1] = [before.bearing.kind, bearing.kind].map((k) => (k === 'main' ? MAIN : ROD).width / 2 + 4);
        const [y0, y1] = [yOf(i) + 14, yOf(i + 1) - 14];
        const [x0, x1] = [MIDDLE + before.x, MIDDLE + x];
        return (
          <path
            key={bearing.id}
            d={`M${x0 - (w0 ?? 0)} ${y0}H${x0 + (w0 ?? 0)}L${x1 + (w1 ?? 0)} ${y1}H${x1 - (w1 ?? 0)}Z`}
            fill="var(--line)"
            opacity={0.7}
          />
        );
      })}
      {rows.map(({ bearing, x }, i) => (
        <Item
          key={bearing.id}
          bearing={bearing}
          x={x}
          y={yOf(i)}
          current={bearing.id === at}
          figure={figureOf(bearing)}
        />
      ))}
    </svg>
  );
}
