'use client';

/** What can be done from the line: log, cut, set a gauge, undo, skip, move. Each says what it did. */
import { type KeyboardEvent, type RefObject, useState } from 'react';
import { parseReading } from '@/core/foundation/quantity/parseReading';
import type { Meaning } from '@/core/foundation/quantity/readingField';
import { placeAt } from '@/core/judge/judgement';
import { taskLabel } from '@/core/judge/labels';
import { stepOn, tasksOf } from '@/core/judge/nextTask';
import type { ListId, Subject } from '@/core/judge/registry';
import { type At, nextTask, sameAt, stepTask } from '@/core/stages/contract/tasks';
import { useJudgement, useLive, useMoving } from '../openBuild/contexts';
import type { Line } from './line';
import { type Pressed, endedFigure, lineCommand } from './lineKeys';
import { keepNotLogged } from './notLogged';
import { useClaim } from './useClaim';
import { focusIn } from './useClearOf';
import { useEnterText } from './useEnterText';
import type { Entering } from './useEntry';
import { type LogReading, useLogReading } from './useLogReading';
import { useUndo } from './useUndo';

/** Keys that change what was entered instead of typing over it. */
const EDITING = new Set(['ArrowLeft', 'ArrowRight', 'Home', 'End', 'Backspace', 'Delete']);

interface Given {
  work: ListId;
  here: At<Subject>;
  beside: At<Subject>[];
  /** Where the arrow keys up and down lead; null for the cylinders. */
  along: readonly string[] | null;
  entry: Entering;
  input: RefObject<HTMLInputElement | null>;
  /** Where a question's answers stand. */
  options: RefObject<HTMLDivElement | null>;
}

export interface Commands extends Pick<LogReading, 'logAt' | 'answerFiled'>, ReturnType<typeof useUndo> {
  /** What was done last, in a sentence; empty once something is typed. */
  said: string;
  /** What the route has next; null for nothing open. */
  then: At<Subject> | null;
  /** Where Enter leads with what is typed; null while it means nothing. */
  leads: At<Subject> | null;
  nameOf: (at: At<Subject>) => string;
  log: (taken: Meaning) => void;
  /** What is on the line becomes this. */
  type: (text: string) => void;
  /** A key of the keypad. */
  press: (key: string) => void;
  enter: () => void;
  skip: () => void;
  onKeyDown: (event: KeyboardEvent<HTMLInputElement>) => void;
  /** A key pressed elsewhere on the page; whether it was one of the line's. */
  onElsewhere: (event: globalThis.KeyboardEvent) => boolean;
}

/** The line of a thing in hand, and what was said on it last. */
function useLine({ work, here, entry, input }: Given): Line & { said: string } {
  const judgement = useJudgement();
  const { goTo } = useMoving();
  const { link } = useLive();
  const [said, tell] = useState('');
  const back = (): void => focusIn(input.current);
  return {
    ...{ work, here, entry, input, said, tell, back },
    then: nextTask(tasksOf(judgement, work), here),
    nameOf: (at) => taskLabel(placeAt(judgement, at.cylinder), at),
    goOn: (at, chosen) => {
      goTo(at, chosen);
      back();
    },
    isBarred: () => {
      const barred = link === 'barred';
      if (barred) tell('Not recorded: who is signed in may only look.');
      return barred;
    },
  };
}

/** Moves from thing to thing with the arrow keys. */
function useArrows({ here, beside, along }: Given): Record<'along' | 'beside', (step: number) => void> {
  const judgement = useJudgement();
  const { goTo } = useMoving();
  const go = (next: At<Subject> | null | undefined): void => {
    if (next) goTo(next, true);
  };
  return {
    along: (step) => {
      const ids = along ?? judgement.cylinders.map((c) => c.id);
      const all = ids.map((id) => ({ ...here, cylinder: id, done: false }));
      go(stepTask(all, here, step));
    },
    beside: (step) => {
      const at = beside.findIndex((b) => sameAt(b, here));
      go(beside[(at + step + beside.length) % beside.length]);
    },
  };
}

export function useCommands(given: Given): Commands {
  const { work, here, entry, input } = given;
  const judgement = useJudgement();
  const { typed, held, heard, context, preview, setTyped, setHeld } = entry;
  const line = useLine(given);
  const { then, nameOf, tell, goOn } = line;
  const arrows = useArrows(given);
  const log = useLogReading(line);
  const enterText = useEnterText(line, log, given.options);
  const undoing = useUndo(line, given.beside);
  const claim = useClaim(line);
  const enter = (): void => enterText(typed, heard);
  const skip = (): void => {
    if (!then) return tell('Nothing left to measure here.');
    tell(`Left open: ${nameOf(here)}.`);
    goOn(then);
  };

  const type = (text: string): void => {
    if (text !== typed) {
      // what was held is put by, not lost, when something else is typed
      if (held) keepNotLogged(judgement.id, { at: held, typed, saidIn: entry.saidIn });
      setHeld(null);
    }
    tell('');
    const figure = endedFigure(text);
    if (figure === null || !context) return setTyped(text);
    enterText(figure, parseReading(figure, context));
  };

  /** What a key does that types nothing; null for one that is left alone. */
  const actionOf = (pressed: Pressed): (() => void) | null => {
    const state = { typed, isHeld: held !== null, isRead: entry.isRead, isFiledAsked: log.answerFiled !== null };
    const command = lineCommand(pressed, state);
    if (!command) return null;
    if (command.kind === 'along' || command.kind === 'beside') return () => arrows[command.kind](command.step);
    if (command.kind === 'prepare') return () => entry.prepare(command.what);
    const does: Record<typeof command.kind, () => void> = {
      ...{ enter, skip, claim, undo: undoing.undo, redo: undoing.redo },
      drop: () => {
        setTyped('');
        setHeld(null);
      },
      notFiled: () => log.answerFiled?.(false),
    };
    return does[command.kind];
  };

  const onKeyDown = (event: KeyboardEvent<HTMLInputElement>): void => {
    // a key held down logs once, and answers nothing that logging it asks
    if (event.key === 'Enter' && event.repeat) return event.preventDefault();
    const action = actionOf(event);
    if (action) {
      event.preventDefault();
      return action();
    }
    if (!held || event.ctrlKey || event.metaKey || event.altKey) return;
    if (EDITING.has(event.key)) setHeld(null);
    // what was entered is typed over
    else if (event.key.length === 1) input.current?.select();
  };

  const onElsewhere = (event: globalThis.KeyboardEvent): boolean => {
    if (event.key === 'Enter' && event.repeat) return true;
    const action = event.key === 'Tab' || (event.key === 'Escape' && typed === '') ? null : actionOf(event);
    action?.();
    return action !== null;
  };

  return {
    ...{ said: line.said, then, nameOf, type, enter, skip, onKeyDown, onElsewhere },
    ...undoing,
    leads: preview && stepOn(preview, work, here),
    log: (taken) => enterText(typed, { kind: 'understood', meaning: taken }),
    logAt: log.logAt,
    press: (key) => type(held ? key : typed + key),
    answerFiled: log.answerFiled,
  };
}
