'use client';

/** Takes back what this bench entered last, and logs it again. */
import { useDeferredValue, useMemo, useState } from 'react';
import type { Judgement } from '@/core/judge/judgement';
import { type LastEntry, answerTo, lastEntry } from '@/core/judge/lastEntry';
import { numberAt, placeAt } from '@/core/judge/judgement';
import type { Subject } from '@/core/judge/registry';
import { historyOf } from '@/core/record/log';
import type { At } from '@/core/stages/contract/tasks';
import { useJudgement, useLive, useLogging, useMoving } from '../openBuild/contexts';
import type { Line } from './line';

interface Undo {
  undo: () => void;
  redo: () => void;
  /** What undo would take back, and what redo would log again, in words; empty for nothing. */
  undoes: string;
  redoes: string;
}

const entryWords = ({ item }: LastEntry): string => (item.kind === 'cut' ? 'a cut' : `“${item.typed}”`);

/** Whether an entry is a reading or a cut of the thing in hand. */
function isReadAt(judgement: Judgement, { cylinder, subject }: At<Subject>, id: string): boolean {
  const place = placeAt(judgement, cylinder);
  return place !== undefined && historyOf(judgement.log, numberAt(place, subject), subject).some((i) => i.id === id);
}

/**
 * @param beside what is read of the thing in hand: what was entered of it last is meant
 */
export function useUndo({ here, nameOf, tell, goOn, isBarred }: Line, beside: readonly At<Subject>[]): Undo {
  const judgement = useJudgement();
  const { record, isRestored } = useLive();
  const { again, isOwn, strike } = useLogging();
  const { cursor } = useMoving();
  const [undone, setUndone] = useState<LastEntry[]>([]);
  const { cylinder, subject } = here;

  const lastOf = (some: Judgement): LastEntry | null => {
    const subjects = [...new Set(beside.map((b) => b.subject))];
    // where someone went to a thing on purpose its own last reading is meant; else the last one made
    const own = cursor.chosen
      ? lastEntry(some, record.entries, [subject], (e) => isOwn(e) && isReadAt(some, here, e.id))
      : null;
    return own ?? lastEntry(some, record.entries, subjects, isOwn);
  };
  const settled = useDeferredValue(judgement);
  const last = useMemo(
    () => lastOf(settled),
    // worked out anew when something is on record or in hand
    // oxlint-disable-next-line react/exhaustive-deps
    [settled, cursor.chosen, cylinder, subject],
  );

  const undo = (): void => {
    if (isBarred()) return;
    // the last entry may be one that was not sent yet
    if (!isRestored) return tell('Entries not sent yet are still loading. Press Undo again.');
    const made = lastOf(judgement);
    if (!made) return tell('Nothing of this bench’s to undo here.');
    const answered = answerTo(record.entries, made.item.id, isOwn);
    strike(answered?.id ?? made.item.id, 'undone at entry');
    if (!answered) setUndone((before) => [...before, made]);
    tell(
      answered
        ? `Undone: whether it was filed is asked again. ${nameOf(made.at)}.`
        : `Undone: ${nameOf(made.at)}, ${entryWords(made)}. It stays on record, struck out.`,
    );
    goOn(made.at);
  };

  const redo = (): void => {
    if (isBarred()) return;
    const made = undone.at(-1);
    if (!made) return tell('Nothing was undone here.');
    setUndone((before) => before.slice(0, -1));
    again(made.item);
    tell(`Logged again: ${nameOf(made.at)}, ${entryWords(made)}.`);
    goOn(made.at);
  };

  /** The figure first: where there is little room it is what tells. */
  const shortly = (made: LastEntry | null | undefined): string =>
    made ? `${entryWords(made)} ${nameOf(made.at)}` : '';
  const isAnswer = last !== null && answerTo(record.entries, last.item.id, isOwn) !== null;
  return {
    ...{ undo, redo },
    undoes: isAnswer ? `the answer: ${nameOf(last.at)}` : shortly(last),
    redoes: shortly(undone.at(-1)),
  };
}
