'use client';

import { useState } from 'react';
import { BLOCK } from '@/core/foundation/engine/places';
import { bothTorques } from '@/core/foundation/quantity/torque';
import { benchedOf } from '@/core/record/countedWork';
import { usedWords } from '@/core/stages/assembly/torque/fastenerGroups';
import {
  type Tightened,
  isLastOf,
  parseTightening,
  stretchPerTen,
  tighteningUnit,
  wrenchFor,
} from '@/core/stages/assembly/torque/parseTightening';
import {
  type JudgedFastener,
  type JudgedGroup,
  type ToTighten,
  nextOn,
} from '@/core/stages/assembly/torque/torqueRecord';
import { figureWords, toDoWords } from '@/core/stages/assembly/torque/words';
import { useInitials, useJudgement, useLogging, useWords } from '../openBuild/contexts';
import { Accepting } from '../shared/Accepting';
import { Button } from '../shared/Button';
import { FastenerMap } from './FastenerMap';
import { TorqueEntry } from './TorqueEntry';

const keyOf = ({ cylinder, fastener }: Pick<ToTighten, 'cylinder' | 'fastener'>): string => `${cylinder} ${fastener}`;

interface Hand {
  judged: JudgedGroup;
  /** The fastener in hand; null where none is left. */
  inHand: JudgedFastener | null;
  /** What is next of it. */
  next: ToTighten;
  onTake: (key: string | null) => void;
}

/** One group of fasteners: its figure, its map, how far it is, and the line that it is worked by. */
export function Tightening({ judged, onEdit }: { judged: JudgedGroup; onEdit: () => void }) {
  const { units } = useWords();
  const { group, fasteners } = judged;
  const [chosen, setChosen] = useState<string | null>(null);
  const taken = fasteners.find((f) => keyOf(f) === chosen) ?? null;
  const next = taken ? nextOn(judged, taken) : judged.next;
  const inHand = taken ?? fasteners.find((f) => next && keyOf(f) === keyOf(next)) ?? null;
  return (
    <>
      <div className="flex shrink-0 flex-wrap items-baseline gap-x-4 gap-y-1">
        <h2 className="text-xl font-bold">{group.words}</h2>
        <p className="text-lg">{figureWords(group, units)}</p>
        {group.source && <p className="text-soft">{group.source}</p>}
        {group.used !== undefined && <p className="text-soft">{usedWords(group)}</p>}
        <Button kind="quiet" onClick={onEdit}>
          Change
        </Button>
      </div>
      <FastenerMap
        judged={judged}
        inHand={inHand}
        onTake={(f) => setChosen(keyOf(f))}
        isSecondRound={next?.what === 'second'}
      />
      <HowFar judged={judged} />
      {fasteners
        .filter((f) => f.state === 'over')
        .map((f) => (
          <Wrong key={keyOf(f)} fastener={f} />
        ))}
      {next ? (
        <TighteningLine key={next.what} judged={judged} inHand={inHand} next={next} onTake={setChosen} />
      ) : (
        <p className="py-4 text-xl font-bold text-ok" role="status">
          {taken ? `${taken.words}: nothing more is asked.` : '● Tight, gone over twice, and the wrench set back.'}
          {taken && (
            <Button className="ml-4" onClick={() => setChosen(null)}>
              On with the order
            </Button>
          )}
        </p>
      )}
    </>
  );
}

/** How many are tight, and what the set stretches. */
function HowFar({ judged }: { judged: JudgedGroup }) {
  const { units, length } = useWords();
  const { group, fasteners, rate, spread, done, seconded, isWrenchBack, isSameHand } = judged;
  return (
    <div className="grid shrink-0 gap-x-10 gap-y-2 sm:grid-cols-2">
      <p>
        <b>
          {done} of {fasteners.length}
        </b>{' '}
        tight, second round{' '}
        <b>
          {seconded} of {fasteners.length}
        </b>
        , wrench {isWrenchBack ? 'set back' : 'not set back'}.
        {isSameHand && (
          <span className="text-short"> The second round was by the same hand: another’s finds more.</span>
        )}
      </p>
      {group.stretch && (
        <p>
          {spread ? (
            <>
              Stretch of those that are tight: <b>{length(spread.least, 'clearance')}</b> to{' '}
              <b>{length(spread.most, 'clearance')}</b>, {length(spread.most - spread.least, 'clearance')} apart.
            </>
          ) : (
            'No bolt is tight yet.'
          )}{' '}
          {rate && (
            <span className="text-soft">
              This set: {length(stretchPerTen(rate, units), 'clearance')} for each{' '}
              {units === 'metric' ? '10 N·m' : '10 lb·ft'}, from {rate.bolts} {rate.bolts === 1 ? 'bolt' : 'bolts'}.
            </span>
          )}
        </p>
      )}
    </div>
  );
}

/** The line that a fastener is tightened by. */
function TighteningLine({ judged, inHand, next, onTake }: Hand) {
  const { bench } = useLogging();
  const { units } = useWords();
  const { group, fasteners } = judged;
  const isTyped = next.what === 'free' || next.what === 'stretch';
  const put = (figure: Tightened | null, typed: string): void => {
    const { cylinder, fastener, what, angle } = next;
    const torque = figure ? figure.torque : next.torque;
    const length = figure?.length ?? null;
    bench({ kind: 'tightened', group: group.id, cylinder, fastener, what, torque, angle, length, typed });
    // a bolt that is not there yet stays in hand; else the printed order leads on
    const isShort = what === 'stretch' && length !== null && group.stretch !== null && length < group.stretch.from;
    onTake(isShort ? keyOf(next) : null);
  };
  return (
    <TorqueEntry
      draft={`tighten ${group.id}`}
      of={keyOf(next)}
      nameOf={(of) => fasteners.find((f) => keyOf(f) === of)?.words ?? group.words}
      title={next.what === 'back' ? group.words : (inHand?.words ?? '')}
      unit={tighteningUnit(next.what, units)}
      hear={(text) => parseTightening(text, judged, next, inHand, units)}
      padKey={next.what === 'stretch' ? '@' : ''}
      onLog={put}
      plain={isTyped ? null : { words: 'Done', onDone: () => put(null, '') }}
      undo={useTakenBack(judged, () => onTake(null))}
      onStep={(by) => {
        const at = fasteners.findIndex((f) => f === inHand);
        const to = fasteners[(at + by + fasteners.length) % fasteners.length];
        onTake(to ? keyOf(to) : null);
      }}
    >
      <ToDo judged={judged} inHand={inHand} next={next} />
    </TorqueEntry>
  );
}

const UNDO_WORDS: Record<ToTighten['what'], string> = {
  free: 'its length',
  step: 'its step',
  angle: 'its angle',
  stretch: 'its stretch',
  second: 'second round',
  back: 'wrench set back',
};

/** What this bench did last of a group, as it would be taken back; null for nothing. */
function useTakenBack({ group }: JudgedGroup, onBack: () => void): { words: string; onUndo: () => void } | null {
  const { log, labels } = useJudgement();
  const { strike, isOwn } = useLogging();
  const last = benchedOf(log, 'tightened').findLast(({ entry }) => entry.group === group.id && isOwn(entry))?.entry;
  if (!last) return null;
  const rod = last.cylinder === BLOCK ? '' : `${labels.get(last.cylinder) ?? ''}: `;
  const of = last.fastener === 0 ? group.words : `${group.words} ${rod}${last.fastener}`;
  return {
    words: `${of}, ${UNDO_WORDS[last.what]}`,
    onUndo: () => {
      strike(last.id, 'taken back');
      onBack();
    },
  };
}

/** What is to be done now, and what is to be known with it. */
function ToDo({ judged, inHand, next }: Omit<Hand, 'onTake'>) {
  const { units } = useWords();
  const { by } = useInitials();
  const advice = inHand && next.what === 'stretch' ? wrenchFor(judged, inHand, units) : null;
  const isAgain = inHand !== null && inHand.stretches.length > 0;
  return (
    <>
      <b className="text-lg">
        {toDoWords(judged.group, next, units, advice?.torque ?? null).replace(/^./, (c) => c.toUpperCase())}
        {advice && advice.add > 0 && `: add about ${bothTorques(advice.add, units)}`}
      </b>
      {next.what === 'stretch' &&
        (isAgain
          ? advice?.add === 0 && '. Add the least the wrench takes, and read again.'
          : '. Zero the gauge on the slack bolt first. Another torque: 5.2 at 45.')}
      {isLastOf(judged.group, next) && '. Mark it once it is done.'}
      {next.what === 'second' && by !== '' && inHand?.by === by && (
        <span className="text-short"> You tightened it: better someone else goes over it.</span>
      )}
    </>
  );
}

function Wrong({ fastener }: { fastener: JudgedFastener }) {
  const { text } = useWords();
  return (
    <div className="flex shrink-0 flex-wrap items-center gap-3 border-l-4 border-over pl-3">
      <p>
        <b className="text-over">{fastener.words}</b> {text(fastener.says)}
      </p>
      <Accepting words="this bolt" what="bolt" state={fastener.state} answer={fastener} />
    </div>
  );
}
