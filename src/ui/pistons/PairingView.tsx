'use client';

import { Lock, LockOpen } from 'lucide-react';
import { useMemo, useState } from 'react';
import type { JudgedCylinder } from '@/core/judge/judgement';
import type { Paired, Standing } from '@/core/stages/pistons/standing';
import type { PairingResult } from '@/core/stages/pistons/pairing';
import { everyPair } from '@/core/stages/pistons/stage';
import type { Nm } from '@/core/foundation/quantity/length';
import { asChoice } from '@/core/judge/preview';
import { useJudgement, useLogging, useWords } from '../openBuild/contexts';
import { Tick } from '../shared/Tick';
import { Button } from '../shared/Button';
import { LengthsField } from '../shared/LengthsField';
import { StateMark } from '../shared/StateMark';
import { Table } from '../shared/Table';
import { bareOf } from '../shared/shopUnits';
import { useWorkerResult } from '../shared/useWorkerResult';
import type { PairingChoices } from '@/core/stages/pistons/choices';

const begin = (): Worker => new Worker(new URL('../../workers/pairing.ts', import.meta.url), { type: 'module' });

type Found = Extract<PairingResult, { kind: 'found' }>;

/** Which piston belongs in which bore: now, and as even as it can be made. */
export function PairingView() {
  const judgement = useJudgement();
  const { choose } = useLogging();
  const { pairing, cylinders } = judgement;
  const { pairing: choices } = judgement.choices;
  const { ask, waiting, swapped } = pairing;
  const found = useWorkerResult<PairingResult>(ask, begin);
  const set = (change: Partial<PairingChoices>): void => choose('pairing', { ...choices, ...change });
  const result = found.state === 'done' ? found.result : null;
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-4 pt-3">
      {waiting.length > 0 && (
        <p className="text-soft">
          Left as {waiting.length === 1 ? 'it is' : 'they are'}, with bore, piston or target still open: cylinder{' '}
          {waiting.join(', ')}.
        </p>
      )}
      {found.state === 'running' && <p className="text-lg text-soft">Working it out …</p>}
      {found.state === 'failed' && (
        <p className="text-lg text-over">The pairing could not be worked out in this browser.</p>
      )}
      {result?.kind === 'impossible' && (
        <div className="flex flex-wrap items-center gap-3">
          <p className="min-w-64 flex-1 text-lg text-short">{result.why}</p>
          {choices.neverTight && ask.bores.length > 0 && (
            <Button onClick={() => set({ neverTight: false })}>Allow tight pairs</Button>
          )}
        </div>
      )}
      {result?.kind === 'found' && <Advice result={result} />}
      {result?.kind === 'found' && result.rounds.length > 0 && (
        <div className="flex flex-wrap gap-3">
          <Button kind="strong" onClick={() => set({ pairs: everyPair(cylinders, result.after.pairs) })}>
            Swap them so
          </Button>
        </div>
      )}
      {swapped && (
        <div className="flex flex-wrap items-center gap-3">
          <Button onClick={() => set({ pairs: [...pairing.before] })}>Undo the last swap</Button>
          <Button kind="quiet" onClick={() => set({ pairs: [] })}>
            Every piston back in its own number
          </Button>
        </div>
      )}
      {result && <SideBySide result={result} onSet={set} />}
      {found.state === 'done' && (
        <p className="text-sm text-soft">
          Worked out in {found.took < 10 ? found.took.toFixed(1) : found.took.toFixed(0)} ms, beside this page.
        </p>
      )}
      <Rules onSet={set} />
    </div>
  );
}

/** What to swap, and what it brings. */
function Advice({ result }: { result: Found }) {
  const judgement = useJudgement();
  const { length } = useWords();
  const { before, after, rounds, forgone, untold } = result;
  const labelOf = (id: string): string => judgement.cylinders.find((c) => c.id === id)?.label ?? id;
  const pistonIn = (cylinder: string): string =>
    judgement.cylinders.find((c) => c.id === cylinder)?.piston.label ?? '?';
  return (
    <div role="status" aria-label="Pairing">
      {rounds.length === 0 ? (
        <p className="text-xl">
          <b>Leave them as they are.</b> No {forgone === null ? 'pairing' : 'move that pays'} brings the worst cylinder
          nearer{untold && ' by more than the readings can tell'}: {length(before.worst, 'clearance')} from its aim.
        </p>
      ) : (
        <>
          <p className="text-xl">
            Worst cylinder <b className="figures">{length(before.worst, 'clearance')}</b> from its aim now,{' '}
            <b className="figures text-ok">{length(after.worst, 'clearance')}</b> after. Clearances{' '}
            {length(before.apart, 'clearance')} apart now, {length(after.apart, 'clearance')} after.
          </p>
          <ul className="mt-1 list-disc pl-6 text-lg">
            {rounds.map((round) => (
              <li key={round.join()}>
                {round.length === 2 ? (
                  <>
                    Swap the pistons of cylinders <b>{labelOf(round[0] ?? '')}</b> and <b>{labelOf(round[1] ?? '')}</b>
                  </>
                ) : (
                  <>
                    Go round:{' '}
                    {round
                      .map(
                        (c, i) => `piston ${pistonIn(c)} into cylinder ${labelOf(round[(i + 1) % round.length] ?? '')}`,
                      )
                      .join(', ')}
                  </>
                )}
              </li>
            ))}
          </ul>
        </>
      )}
      {forgone !== null && (
        <p className="text-soft">
          Moving marked pistons would bring {length(forgone, 'clearance')} more: under what was set as worth it.
        </p>
      )}
    </div>
  );
}

/** Before and after of each cylinder, with its lock and its piston's mark. */
function SideBySide({ result, onSet }: { result: PairingResult; onSet: (change: Partial<PairingChoices>) => void }) {
  const judgement = useJudgement();
  const { number, unit } = useWords();
  const { preview } = useLogging();
  const { pairing, cylinders } = judgement;
  const { pairing: choices } = judgement.choices;
  const before = result.kind === 'found' ? result.before : pairing.standing;
  const after = result.kind === 'found' ? result.after : null;
  const then = useMemo(
    () => after && preview([asChoice('pairing', { ...choices, pairs: everyPair(cylinders, after.pairs) })]).cylinders,
    [after, choices, cylinders, preview],
  );
  const at = (standing: Standing | null, id: string) => standing?.pairs.find((p) => p.cylinder === id);
  const signed = (nm: number | undefined): string =>
    nm === undefined ? '' : `${nm > 0 ? '+' : ''}${number(nm, 'clearance')}`;
  const clearance = (pair: Paired | undefined, judged: JudgedCylinder | undefined) => (
    <>
      {number(pair?.clearance, 'clearance')}
      <Verdict of={pair && judged} />
    </>
  );
  return (
    <Table
      caption="Pairing now and as advised"
      rows={cylinders.map((c) => ({ c, was: at(before, c.id), will: at(after, c.id) }))}
      keyOf={(row) => row.c.id}
      columns={[
        ['cylinder', (row) => row.c.label],
        ['piston now', (row) => row.c.piston.label, 'figures'],
        [`clearance, ${unit('clearance')}`, ({ c, was }) => clearance(was, c), 'num'],
        ['off the aim', (row) => signed(row.was?.deviation), 'num text-soft'],
        ['piston after', ({ c, will }) => <PistonAfter c={c} id={will?.piston} />, 'figures'],
        [
          `clearance, ${unit('clearance')}`,
          ({ c, will }) =>
            clearance(
              will,
              then?.find((t) => t.id === c.id),
            ),
          'num',
        ],
        ['off the aim', (row) => signed(row.will?.deviation), 'num text-soft'],
        ['stays', ({ c }) => <Locked c={c} locked={choices.locked} onSet={onSet} />, 'py-0!'],
        ['marked', ({ c: { piston } }) => <Marked piston={piston} marked={choices.marked} onSet={onSet} />, 'py-0!'],
      ]}
    />
  );
}

const toggled = (list: string[], id: string): string[] =>
  list.includes(id) ? list.filter((i) => i !== id) : [...list, id];

/** The piston of a cylinder as advised; pointed out where that is another. */
function PistonAfter({ c, id }: { c: JudgedCylinder; id: string | undefined }) {
  const { pistons } = useJudgement();
  const label = pistons.find((p) => p.id === id)?.label ?? '–';
  if (id === undefined || id === c.piston.id) return label;
  return (
    <span className="font-bold text-blue">
      {label}
      <span className="sr-only"> moves</span>
      <span aria-hidden> ◂</span>
    </span>
  );
}

interface MarkedProps {
  piston: JudgedCylinder['piston'];
  marked: string[];
  onSet: (change: Partial<PairingChoices>) => void;
}

function Marked({ piston, marked, onSet }: MarkedProps) {
  return (
    <label className="flex min-h-11 min-w-11 items-center">
      <input
        type="checkbox"
        className="size-5 accent-blue"
        aria-label={`Piston ${piston.label} is marked`}
        checked={marked.includes(piston.id)}
        onChange={() => onSet({ marked: toggled(marked, piston.id) })}
      />
    </label>
  );
}

interface LockedProps {
  c: JudgedCylinder;
  locked: string[];
  onSet: (change: Partial<PairingChoices>) => void;
}

function Locked({ c, locked, onSet }: LockedProps) {
  const isLocked = locked.includes(c.id);
  return (
    <button
      type="button"
      aria-pressed={isLocked}
      aria-label={`Piston of cylinder ${c.label} stays`}
      onClick={() => onSet({ locked: toggled(locked, c.id) })}
      className="grid size-11 place-items-center rounded aria-pressed:bg-ink aria-pressed:text-sheet"
    >
      {isLocked ? <Lock size={18} aria-hidden /> : <LockOpen size={18} aria-hidden />}
    </button>
  );
}

/** What is judged of a clearance, under its figure. */
const Verdict = ({ of }: { of: JudgedCylinder | undefined }) =>
  of ? (
    <span className="block text-xs">
      <StateMark state={of.clearance.state} />
    </span>
  ) : null;

/** What pairing may not do. */
function Rules({ onSet }: { onSet: (change: Partial<PairingChoices>) => void }) {
  const judgement = useJudgement();
  const { units } = useWords();
  const { pairing: choices } = judgement.choices;
  return (
    <section aria-label="Rules of pairing" className="max-w-3xl">
      <h2 className="text-lg">What it goes by</h2>
      <p className="max-w-prose text-soft">
        First the worst deviation from each cylinder’s own aim, the middle of its window, is made as small as it can be;
        then the sum of their squares; then as few pistons as possible move, and none for less than the readings can
        tell. It is exact: no other pairing is better.
      </p>
      <div className="mt-2 grid gap-4 sm:grid-cols-2">
        <Tick value={choices.neverTight} onChange={(isOn) => onSet({ neverTight: isOn })}>
          Never under a cylinder’s least clearance
        </Tick>
        <Gain key={`${choices.gain}${units}`} gain={choices.gain} onSet={(gain) => onSet({ gain })} />
      </div>
    </section>
  );
}

/** What moving a marked piston must bring. Set in one step, not at every digit. */
function Gain({ gain, onSet }: { gain: Nm; onSet: (gain: Nm) => void }) {
  const { units } = useWords();
  const [draft, setDraft] = useState(gain);
  const [fault, setFault] = useState<string | null>(null);
  return (
    <form
      className="grid gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        if (fault === null) onSet(draft);
      }}
    >
      <LengthsField
        label="A marked piston moves for"
        bare={bareOf(units)}
        most={1}
        values={[draft]}
        onFault={setFault}
        onChange={([nm]) => nm !== undefined && setDraft(nm)}
        hint="By at least so much the worst deviation must come down."
      />
      <div>
        <Button type="submit" kind="accent" disabled={fault !== null || draft === gain}>
          Set what it must bring
        </Button>
      </div>
    </form>
  );
}
