'use client';

import type { JudgedFigure } from '@/core/stages/journals/types';
import type { JournalSubject } from '@/core/stages/journals/tasks';
import type { At } from '@/core/stages/contract/tasks';
import type { Judgement } from '@/core/judge/judgement';
import { useJudgement, useMoving, useWords } from '../openBuild/contexts';
import { StateMark } from '../shared/StateMark';
import { useView } from '../shared/address';
import { Table } from '../shared/Table';
import { END_PLAY, JOURNAL_VIEWS } from './bearings';

interface Row {
  at: At<JournalSubject>;
  words: string;
  held: JudgedFigure;
  /** Where else it is read, or what it waits for. */
  note: string;
}

function rowsOf(judgement: Judgement): Row[] {
  const { crank, cylinders, others, choices } = judgement;
  const { asks } = choices.journals;
  if (!crank) return [];
  const labelOf = (id: string): string => cylinders.find((c) => c.id === id)?.label ?? id;
  return [
    { at: END_PLAY, words: 'Crank, end play', held: crank.endPlay, note: '' },
    ...cylinders.map((c): Row => ({
      at: { cylinder: c.sideOf, subject: 'side', spot: null },
      words: `Rod ${c.label}, side`,
      held: c.side,
      note: c.sideOf === c.id ? '' : ` read with rod ${labelOf(c.sideOf)}`,
    })),
    ...cylinders.flatMap((c): Row[] =>
      asks.smallEnd || c.smallEnd.value !== null
        ? [
            {
              at: { cylinder: c.id, subject: 'smallEnd', spot: null },
              words: `Rod ${c.label}, pin in small end`,
              held: c.smallEnd,
              note: c.piston.pin.pin ? '' : ' its pin is not read yet',
            },
          ]
        : [],
    ),
    ...others.map((o): Row => ({
      at: { cylinder: o.id, subject: 'other', spot: null },
      words: o.words,
      held: o.clearance,
      note: '',
    })),
  ];
}

/** End play, side clearances and small ends, a row each; a row leads to it. */
export function EndPlayTable({ here }: { here: Pick<At<JournalSubject>, 'cylinder' | 'subject'> }) {
  const judgement = useJudgement();
  const { goTo } = useMoving();
  const { number, unit } = useWords();
  const [, setView] = useView(JOURNAL_VIEWS);
  const fine = (nm: number | null): string => number(nm, 'clearance');
  return (
    <Table
      caption="End play, side clearance of every rod, pins in small ends, other clearances"
      region="End play, sides, small ends, other clearances"
      fills
      rows={rowsOf(judgement)}
      keyOf={(row) => row.words}
      isHere={({ at, note }) =>
        at.cylinder === here.cylinder && at.subject === here.subject && !note.startsWith(' read')
      }
      columns={[
        [
          'what',
          ({ at, words, note }) => (
            <>
              <button
                type="button"
                className="min-h-7 px-1 pointer-coarse:min-h-11 pointer-coarse:min-w-11"
                onClick={() => {
                  setView(at.subject === 'smallEnd' ? 'readings' : 'play');
                  goTo(at, true);
                }}
              >
                {words}
              </button>
              <span className="font-normal text-soft">{note}</span>
            </>
          ),
        ],
        [
          `read, ${unit('clearance')}`,
          ({ held }) => (held.high > held.low ? `${fine(held.low)}–${fine(held.high)}` : fine(held.value)),
          'num',
        ],
        ['verdict', ({ held }) => <StateMark state={held.state} />],
      ]}
    />
  );
}
