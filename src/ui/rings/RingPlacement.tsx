'use client';

import { Lock, LockOpen } from 'lucide-react';
import { type Placed, type PlacedRing, PLACING_AIMS } from '@/core/stages/rings/placement';
import { everyPlaced } from '@/core/stages/rings/ringPlacement';
import type { PlacingResult } from '@/core/stages/rings/bestPlacement';
import { type Compression, RING_WORDS, COMPRESSION } from '@/core/foundation/parts/rings';
import { useJudgement, useLogging, useMoving, useWords } from '../openBuild/contexts';
import { Table } from '../shared/Table';
import { Button } from '../shared/Button';
import { Segmented } from '../shared/Segmented';
import { StateMark } from '../shared/StateMark';
import { useWorkerResult } from '../shared/useWorkerResult';
import type { PlacingChoices } from '@/core/stages/rings/choices';

const KINDS = COMPRESSION.map((kind) => [kind, `${RING_WORDS[kind]}s`] as const);
const AIMS = PLACING_AIMS.map((aim) => [aim, aim === 'filing' ? 'least filing' : 'most even gaps'] as const);

const begin = (): Worker => new Worker(new URL('../../workers/ringPlacement.ts', import.meta.url), { type: 'module' });

/** Which ring belongs in which cylinder: now, and as well as they can be placed. */
export function RingPlacement() {
  const judgement = useJudgement();
  const { cursor, toSubject } = useMoving();
  const { choose } = useLogging();
  const kind: Compression = cursor.inHand.rings === 'second' ? 'second' : 'top';
  const { placing: choices } = judgement.choices;
  const { ask, before: last, waiting, swapped } = judgement.placing[kind];
  const found = useWorkerResult<PlacingResult>(ask, begin);
  const set = (change: Partial<PlacingChoices>): void => choose('placing', { ...choices, ...change });
  const result = found.state === 'done' ? found.result : null;
  const { cylinders } = judgement;
  const pairs = (next: readonly Placed[]): void => set({ [kind]: { ...choices[kind], pairs: [...next] } });
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-4 pt-3">
      <div className="flex flex-wrap gap-3">
        <Segmented label="Rings" value={kind} options={KINDS} onChange={(ring) => toSubject(ring)} />
        <Segmented label="Placed for" value={choices.aim} options={AIMS} onChange={(aim) => set({ aim })} />
      </div>
      {waiting.length > 0 && (
        <p className="text-soft">
          Left as they are, with reading, bore or target still open: cylinder {waiting.join(', ')}.
        </p>
      )}
      {found.state === 'running' && <p className="text-lg text-soft">Working it out …</p>}
      {found.state === 'failed' && (
        <p className="text-lg text-over">The placing could not be worked out in this browser.</p>
      )}
      {result?.kind === 'impossible' && <p className="text-lg text-short">{result.why}</p>}
      {result?.kind === 'found' && (
        <div role="status" aria-label="Placing">
          <Advice result={result} onPlace={() => pairs(everyPlaced(cylinders, kind, result.after.placed))} />
        </div>
      )}
      {swapped && (
        <div className="flex flex-wrap gap-3">
          <Button onClick={() => pairs(last)}>Undo the last placing</Button>
          <Button kind="quiet" onClick={() => pairs([])}>
            Every ring back in its own number
          </Button>
        </div>
      )}
      {ask.bores.length > 0 && (
        <SideBySide
          kind={kind}
          before={judgement.placing[kind].standing.placed}
          after={result?.kind === 'found' ? result.after.placed : []}
          onLock={(locked) => set({ [kind]: { ...choices[kind], locked } })}
        />
      )}
      <p className="max-w-prose text-soft">
        First as few rings as possible over their limit, by as little as possible; then{' '}
        {choices.aim === 'filing' ? 'the least metal to file' : 'the gaps, once filed, as near together as can be'};
        then as few moves as possible. It is exact. Gaps are those at the smallest place of each bore, predicted by π
        times the change in diameter from the middle of what its leaves leave open. No ring moves for less than the
        readings can tell. Read each ring again in its new bore.
      </p>
    </div>
  );
}

interface AdviceProps {
  result: Extract<PlacingResult, { kind: 'found' }>;
  onPlace: () => void;
}

/** What placing rings elsewhere would bring, and which go where. */
function Advice({ result, onPlace }: AdviceProps) {
  const { labels } = useJudgement();
  const labelOf = (id: string): string => labels.get(id) ?? id;
  const { length } = useWords();
  if (result.moves.length === 0)
    return (
      <p className="text-xl">
        <b>Leave them where they are.</b> No placing is better: {result.before.over} over,{' '}
        {length(result.before.filing)} to file, {length(result.before.spread)} apart.
      </p>
    );
  return (
    <>
      <p className="text-xl">
        Over: {result.before.over} now, <b className="text-ok">{result.after.over}</b> after. To file:{' '}
        {length(result.before.filing)} now, <b className="text-ok">{length(result.after.filing)}</b> after. Apart once
        filed: {length(result.before.spread)} now, <b className="text-ok">{length(result.after.spread)}</b> after.
      </p>
      <ul className="mt-1 list-disc pl-6 text-lg">
        {result.moves.map((m) => (
          <li key={m.ring}>
            Ring <b>{labelOf(m.ring)}</b> to cylinder <b>{labelOf(m.to)}</b>: {length(m.gap)} becomes{' '}
            {length(m.becomes)}, {m.state}
          </li>
        ))}
      </ul>
      <div className="mt-3">
        <Button kind="strong" onClick={onPlace}>
          Place them so
        </Button>
      </div>
    </>
  );
}

interface SideProps {
  kind: Compression;
  before: PlacedRing[];
  after: PlacedRing[];
  onLock: (locked: string[]) => void;
}

function SideBySide({ kind, before, after, onLock }: SideProps) {
  const judgement = useJudgement();
  const { number, unit } = useWords();
  const { locked } = judgement.choices.placing[kind];
  const labelOf = (id: string | undefined): string => judgement.cylinders.find((c) => c.id === id)?.label ?? '–';
  const rows = judgement.cylinders.map(({ id, label, rings }) => ({
    ...{ id, label, ring: rings[kind] },
    was: before.find((p) => p.cylinder === id),
    will: after.find((p) => p.cylinder === id),
  }));
  const verdict = (placed: PlacedRing | undefined) => placed && <StateMark state={placed.state} />;
  return (
    <Table
      caption={`Placing now and as advised, gaps in ${unit('clearance')}`}
      region="Placing by cylinder"
      rows={rows}
      keyOf={(row) => row.id}
      columns={[
        ['cylinder', (row) => row.label],
        ['ring now', (row) => row.ring.label, 'figures'],
        [`gap, ${unit('clearance')}`, (row) => number(row.was?.gap, 'clearance'), 'num'],
        ['verdict', (row) => verdict(row.was)],
        [
          'ring after',
          ({ ring, will }) =>
            will && will.ring !== ring.number ? <b className="text-blue">{labelOf(will.ring)}</b> : labelOf(will?.ring),
          'figures',
        ],
        ['gap', (row) => number(row.will?.gap, 'clearance'), 'num'],
        ['verdict', (row) => verdict(row.will)],
        [
          'stays',
          ({ id, label }) => {
            const isLocked = locked.includes(id);
            return (
              <button
                type="button"
                aria-pressed={isLocked}
                aria-label={`Ring of cylinder ${label} stays`}
                onClick={() => onLock(isLocked ? locked.filter((l) => l !== id) : [...locked, id])}
                className="grid size-11 place-items-center rounded aria-pressed:bg-ink aria-pressed:text-sheet"
              >
                {isLocked ? <Lock size={18} aria-hidden /> : <LockOpen size={18} aria-hidden />}
              </button>
            );
          },
          'py-0!',
        ],
      ]}
    />
  );
}
