'use client';

/** What can be done from the line: log, cut, set a gauge, undo, skip, move. Each says what it did. */
import { type KeyboardEvent, type RefObject, useState } from 'react';
import { lastMade } from '@/core/judge/lastMade';
import { stepOn, tasksOf } from '@/core/judge/next';
import { readingOf } from '@/core/judge/preview';
import { taskWords } from '@/core/judge/words';
import type { Meaning } from '@/core/quantity/hear';
import { bothText } from '@/core/quantity/print';
import { isRing } from '@/core/rings/ring';
import { type At, nextTask, sameAt, stepTask } from '@/core/stage/tasks';
import { type ListId, type Subject, SUBJECTS } from '@/core/stages';
import { countWords } from '@/core/uncertainty/instrument';
import { useHands, useJudgement, useLive, useLogging, useMoving, useWords } from '../openBuild/contexts';
import { isAnyOn } from '../rings/feedback';
import type { Entering, Prepared } from './useEntry';

const VERTICAL: Record<string, number> = { ArrowDown: 1, ArrowUp: -1 };
const SIDEWAYS: Record<string, number> = { ArrowRight: 1, ArrowLeft: -1 };
const PREPARED_KEYS: Record<string, keyof Prepared> = { d: 'deburred', s: 'squared' };

interface Given {
  work: ListId;
  here: At<Subject>;
  beside: At<Subject>[];
  entry: Entering;
  input: RefObject<HTMLInputElement | null>;
  /** Where a question's answers stand. */
  options: RefObject<HTMLDivElement | null>;
}

interface Actions {
  /** What was done last, in a sentence; empty once something is typed. */
  said: string;
  hush: () => void;
  /** What the route has next; null for nothing open. */
  then: At<Subject> | null;
  nameOf: (at: At<Subject>) => string;
  log: (taken: Meaning) => void;
  enter: () => void;
  undo: () => void;
  skip: () => void;
  onKeyDown: (event: KeyboardEvent<HTMLInputElement>) => void;
}

export function useActions({ work, here, beside, entry, input, options }: Given): Actions {
  const judgement = useJudgement();
  const { record } = useLive();
  const { units } = useWords();
  const { cylinder, goTo } = useMoving();
  const { read, previewReading: previewed, isOwn, strike, setGauge, cut } = useLogging();
  const { filer } = useHands();
  const [said, setSaid] = useState('');
  const { typed, heard, meaning, preview, hand, isRead, clear, setTyped } = entry;
  const { subject } = here;

  const then = nextTask(tasksOf(judgement, work), here);
  const nameOf = (at: At<Subject>): string =>
    taskWords(
      judgement.cylinders.find((c) => c.id === at.cylinder),
      at,
    );
  const backToLine = (): void => input.current?.focus();

  const log = (taken: Meaning): void => {
    const reading = readingOf(judgement, here, taken, hand, typed.trim());
    const after = taken === meaning && preview ? preview : previewed(reading);
    read(reading);
    clear();
    if (isRing(subject) && isAnyOn()) {
      const fitted = after.cylinders.find((c) => c.id === here.cylinder);
      void import('../rings/tell').then(({ tell }) => tell(fitted, subject, taken.value, units));
    }
    setSaid(`Logged ${nameOf(here)}: ${bothText(taken.value, SUBJECTS[subject].style)}.`);
    goTo(stepOn(after, work, here));
    backToLine();
  };

  const logCut = (count: number | null): void => {
    const ring = isRing(subject) ? cylinder?.rings[subject] : null;
    if (!ring) return;
    cut(ring.number, ring.ring, count);
    clear();
    setSaid(
      `Cut logged: ${nameOf(here)}${count === null ? '' : `, ${count} ${filer ? countWords(filer, count) : 'turns'}`}. Deburr, square, read again.`,
    );
    backToLine();
  };

  const enter = (): void => {
    if (heard.kind === 'understood') return log(heard.meaning);
    if (heard.kind === 'cut') return logCut(heard.count);
    if (heard.kind === 'question') return options.current?.querySelector('button')?.focus();
    if (heard.kind !== 'setting') return;
    setGauge(heard.value);
    if (meaning) log(meaning);
    setSaid(
      heard.value === 'piston'
        ? 'Bore gauge set to each piston: the dial is the clearance.'
        : `Bore gauge ${heard.read ? 'zeroed here and read as' : 'set to'} ${bothText(heard.value, 'size')}.`,
    );
    setTyped('');
  };

  const undo = (): void => {
    const subjects = [...new Set(beside.map((b) => b.subject))];
    const last = lastMade(judgement, record.entries, subjects, isOwn);
    if (!last) return setSaid('Nothing of this bench’s to undo here.');
    const { item, at } = last;
    strike(item.id, 'undone at entry');
    setSaid(
      `Undone: ${nameOf(at)}, ${item.kind === 'cut' ? 'a cut' : `“${item.typed}”`}. It stays on record, struck out.`,
    );
    goTo(at);
    backToLine();
  };

  const skip = (): void => {
    if (!then) return setSaid('Nothing else is open on this route.');
    setSaid(`Left open: ${nameOf(here)}.`);
    goTo(then);
    backToLine();
  };

  const toCylinder = (step: number): void => {
    const all = judgement.cylinders.map((c) => ({ ...here, cylinder: c.id, done: false }));
    const next = stepTask(all, here, step);
    if (next) goTo(next, true);
  };

  const toBeside = (step: number): void => {
    const at = beside.findIndex((b) => sameAt(b, here));
    const next = beside[(at + step + beside.length) % beside.length];
    if (next) goTo(next, true);
  };

  /** What a letter does on an empty line; null where it is one to type. */
  const shortcutOf = (event: KeyboardEvent): (() => void) | null => {
    const key = event.key.toLowerCase();
    if (typed !== '' || event.altKey) return null;
    if (key === 'z') return undo;
    if (event.ctrlKey || event.metaKey) return null;
    if (key === 'n') return skip;
    const prepares = isRead ? PREPARED_KEYS[key] : undefined;
    return prepares ? () => entry.prepare(prepares) : null;
  };

  const onKeyDown = (event: KeyboardEvent<HTMLInputElement>): void => {
    const vertical = VERTICAL[event.key];
    const sideways = typed === '' ? SIDEWAYS[event.key] : undefined;
    const shortcut = shortcutOf(event);
    if (event.key === 'Enter') enter();
    else if (event.key === 'Escape') setTyped('');
    else if (vertical) toCylinder(vertical);
    else if (sideways) toBeside(sideways);
    else if (shortcut) shortcut();
    else return;
    event.preventDefault();
  };

  return { said, hush: () => setSaid(''), then, nameOf, log, enter, undo, skip, onKeyDown };
}
