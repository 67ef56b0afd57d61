'use client';

import { CRANK } from '@/core/foundation/engine/places';
import type { JudgedInspection } from '@/core/stages/journals/types';
import { LOOK_WORDS } from '@/core/stages/journals/words';
import { useJudgement, useLogging, useMoving } from '../openBuild/contexts';
import { Button } from '../shared/Button';
import { Table } from '../shared/Table';
import { When } from '../shared/When';
import { alongCrank, bearingAt } from './bearings';
import { InspectionPicture } from './InspectionPicture';
import { inspectionWords } from './inspectionWords';

interface Looked {
  id: string;
  words: string;
  looks: readonly JudgedInspection[];
}

/** What is looked at when bearings are put together, a picture each, with initials. */
export function Inspection() {
  const judgement = useJudgement();
  const { cursor, cylinder, goTo } = useMoving();
  const { tick } = useLogging();
  const all: Looked[] = [
    ...alongCrank(judgement).flatMap((id) => bearingAt(judgement, id) ?? []),
    ...(judgement.crank ? [judgement.crank] : []),
  ];
  const at = cursor.place ?? cylinder?.id;
  const here = all.find((p) => p.id === at) ?? all[0];
  if (!here) return null;
  const open = here.looks.filter((l) => l.state !== 'right');
  const from = all.indexOf(here) + 1;
  const round = [...all.slice(from), ...all.slice(0, from - 1)];
  const next = round.find((p) => p.looks.some((l) => l.state !== 'right'));
  const go = (id: string): void =>
    goTo(
      id === CRANK
        ? { cylinder: CRANK, subject: 'endPlay', spot: null }
        : { cylinder: id, subject: cursor.inHand.journals, spot: cursor.onBearing },
      true,
    );
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-4 pt-3">
      <ul className="grid gap-x-6 gap-y-3 lg:grid-cols-2" aria-label={`Inspection, ${here.words}`}>
        {here.looks.map((look) => (
          <Look key={look.check} place={here.id} look={look} />
        ))}
      </ul>
      <div className="flex flex-wrap gap-3">
        {open.length > 0 && (
          <Button kind="strong" onClick={() => open.forEach((l) => tick(here.id, l.check))}>
            All right on {here.words.toLowerCase()}
          </Button>
        )}
        {next && <Button onClick={() => go(next.id)}>On to {next.words.toLowerCase()}</Button>}
      </div>
      <Overview all={all} here={here} go={go} />
    </div>
  );
}

interface OverviewProps {
  all: readonly Looked[];
  here: Looked;
  go: (id: string) => void;
}

/** Inspection, place by place; a row leads there. */
function Overview({ all, here, go }: OverviewProps) {
  return (
    <Table
      caption="Inspection, place by place"
      rows={all.map((p) => ({ ...p, done: p.looks.filter((l) => l.state === 'right') }))}
      keyOf={(p) => p.id}
      isHere={(p) => p.id === here.id}
      columns={[
        [
          'place',
          (p) => (
            <button
              type="button"
              className="min-h-7 px-1 pointer-coarse:min-h-11 pointer-coarse:min-w-11"
              onClick={() => go(p.id)}
            >
              {p.words}
            </button>
          ),
        ],
        ['inspected', (p) => `${p.done.length} of ${p.looks.length}`, 'num'],
        ['by', (p) => [...new Set(p.done.map((l) => l.by))].filter(Boolean).join(', ') || '–'],
      ]}
    />
  );
}

/** One thing to look at: its picture, and who found it right. */
function Look({ place, look: { check, state, by, at: when } }: { place: string; look: JudgedInspection }) {
  const judgement = useJudgement();
  const { tick, strike } = useLogging();
  const { words, why } = LOOK_WORDS[check];
  const made = judgement.log.ticks.get(place)?.get(check)?.entry.id;
  return (
    <li className="flex gap-3 border-t border-line pt-2">
      <InspectionPicture check={check} at={inspectionWords(judgement, place)} />
      <div className="flex-1">
        <button
          type="button"
          aria-pressed={state === 'right'}
          onClick={() => (state === 'right' && made ? strike(made, 'taken back') : tick(place, check))}
          className="flex min-h-11 w-full items-baseline gap-2 text-left text-lg font-bold aria-pressed:text-ok"
        >
          <span aria-hidden>{state === 'right' ? '✓' : '○'}</span> {words}
        </button>
        <p className="text-soft">
          {state === 'right' ? (
            <>
              {by || 'no initials'}, <When at={when} />
            </>
          ) : state === 'again' ? (
            <b className="text-short">Look again: its shells or its journal were changed since.</b>
          ) : (
            why
          )}
        </p>
      </div>
    </li>
  );
}
