'use client';

/** What can be done from the line: log, cut, set a gauge, undo, skip, move. Each says what it did. */
import { flushSync } from 'react-dom';
import { type KeyboardEvent, type RefObject, useDeferredValue, useEffect, useMemo, useRef, useState } from 'react';
import { EACH, isEach } from '@/core/foundation/quantity/gaugeSetting';
import { claimOf } from '@/core/judge/route';
import { type LastEntry, answerTo, lastEntry } from '@/core/judge/lastEntry';
import { type Judgement, numberAt, placeAt } from '@/core/judge/judgement';
import { stepOn, tasksOf } from '@/core/judge/nextTask';
import { type Hand, readingOf } from '@/core/judge/preview';
import { placeLabel, taskLabel } from '@/core/judge/labels';
import { parseReading } from '@/core/foundation/quantity/parseReading';
import type { ParsedReading, Meaning } from '@/core/foundation/quantity/readingField';
import { bothText, lengthText, meantText } from '@/core/foundation/quantity/format';
import { historyOf } from '@/core/record/log';
import { isRing } from '@/core/foundation/parts/rings';
import { type At, nextTask, sameAt, stepTask } from '@/core/stages/contract/tasks';
import type { ListId, Subject } from '@/core/judge/registry';
import { SUBJECTS } from '@/core/judge/stageTables';
import { countWords } from '@/core/foundation/uncertainty/instrument';
import { useToolInHand, useJudgement, useLive, useLogging, useMoving, useRoute, useWords } from '../openBuild/contexts';
import { isAnyOn } from '../rings/feedback';
import { keepNotLogged } from './notLogged';
import { focusIn } from './useClearOf';
import type { Entering, Prepared } from './useEntry';

const VERTICAL: Record<string, number> = { ArrowDown: 1, ArrowUp: -1 };
const SIDEWAYS: Record<string, number> = { ArrowRight: 1, ArrowLeft: -1 };
const PREPARED_KEYS: Record<string, keyof Prepared> = { d: 'deburred', s: 'squared' };

/** Keys that change what was entered instead of typing over it. */
const EDITING = new Set(['ArrowLeft', 'ArrowRight', 'Home', 'End', 'Backspace', 'Delete']);

type Pressed = Pick<KeyboardEvent, 'key' | 'altKey' | 'ctrlKey' | 'metaKey' | 'shiftKey'>;

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

interface Actions {
  /** What was done last, in a sentence; empty once something is typed. */
  said: string;
  /** What the route has next; null for nothing open. */
  then: At<Subject> | null;
  /** Where Enter leads with what is typed; null while it means nothing. */
  leads: At<Subject> | null;
  nameOf: (at: At<Subject>) => string;
  log: (taken: Meaning) => void;
  /** Logs what was typed earlier at a place of its own, with what was in hand then, and stays. */
  logAt: (at: At<Subject>, taken: Meaning, text: string, hand?: Hand) => void;
  /** What is on the line becomes this. */
  type: (text: string) => void;
  /** A key of the keypad. */
  press: (key: string) => void;
  enter: () => void;
  /** Answers whether the ring was filed since it was read narrower; null where that is not asked. */
  answerFiled: ((was: boolean) => void) | null;
  undo: () => void;
  redo: () => void;
  /** What undo would take back, and what redo would log again, in words; empty for nothing. */
  undoes: string;
  redoes: string;
  skip: () => void;
  onKeyDown: (event: KeyboardEvent<HTMLInputElement>) => void;
  /** A key pressed elsewhere on the page; whether it was one of the line's. */
  onElsewhere: (event: globalThis.KeyboardEvent) => boolean;
}

/** The terminator of a gauge that is read in by cable: after a figure with a point no comma can be meant. */
const ENDED = /^(.*\d[.,]\d+),$|^(.*\d);$/;

export function useCommands({ work, here, beside, along, entry, input, options }: Given): Actions {
  const judgement = useJudgement();
  const { units } = useWords();
  const { cursor, cylinder, goTo } = useMoving();
  const { record, others, link } = useLive();
  const { mine, claim } = useRoute();
  const { read, again, previewReading: previewed, isOwn, strike, setGauge, zeroHere, cut, answerFiled } = useLogging();
  const { filer, handFor } = useToolInHand();
  const [said, setSaid] = useState('');
  const { typed, saidIn, held, heard, context, meaning, preview, hand, isRead, clear, setTyped, setHeld } = entry;
  const [undone, setUndone] = useState<LastEntry[]>([]);
  const { subject } = here;

  const then = nextTask(tasksOf(judgement, work), here);
  const nameOf = (at: At<Subject>): string => taskLabel(placeAt(judgement, at.cylinder), at);
  const backToLine = (): void => focusIn(input.current);

  const tellAloud = (after: Judgement, at: At<Subject>, taken: Meaning): void => {
    const { subject: ring } = at;
    if (!isRing(ring) || !isAnyOn()) return;
    const fitted = after.cylinders.find((c) => c.id === at.cylinder);
    void import('../rings/tell').then(({ tell }) => tell(fitted, ring, taken.value, units));
  };

  const logText = (taken: Meaning, text: string): void => {
    const reading = readingOf(judgement, here, taken, hand, text.trim());
    const after = taken === meaning && preview ? preview : previewed(reading);
    read(reading);
    clear();
    tellAloud(after, here, taken);
    setSaid(`Logged ${nameOf(here)}: ${meantText(taken, SUBJECTS[subject].style, units)}.`);
    goTo(stepOn(after, work, here));
    backToLine();
  };

  const logAt = (at: At<Subject>, taken: Meaning, text: string, inHand = handFor(at.subject)): void => {
    const reading = readingOf(judgement, at, taken, inHand, text.trim());
    read(reading);
    tellAloud(previewed(reading), at, taken);
    setSaid(`Logged ${nameOf(at)}: ${meantText(taken, SUBJECTS[at.subject].style, units)}.`);
    goTo(at, true);
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

  /** Who only looks takes nothing back, and nothing up again. */
  const isBarred = (): boolean => {
    const barred = link === 'barred';
    if (barred) setSaid('Not recorded: who is signed in may only look.');
    return barred;
  };

  const growth = isRing(subject) ? (cylinder?.rings[subject].growth ?? null) : null;
  const answer =
    growth &&
    ((was: boolean): void => {
      if (isBarred()) return;
      const after = answerFiled(growth.reading, was);
      clear();
      setSaid(
        `${nameOf(here)}: ${was ? 'filed before' : 'not filed before'} ${lengthText(growth.now, units, 'fine')}.`,
      );
      goTo(stepOn(after, work, here));
      backToLine();
    });

  /** The gauge was zeroed at this spot, of which no size is known yet. */
  const logZero = (text: string): void => {
    const nought = { value: 0, upTo: null, dial: true, taken: 'zeroed here' } as const;
    const reading = readingOf(judgement, here, nought, hand, text.trim());
    zeroHere(reading);
    clear();
    setSaid(`Gauge zeroed at ${nameOf(here)}: type what the dial shows elsewhere.`);
    goTo(stepOn(previewed(reading), work, here));
    backToLine();
  };

  /** Enters a text: what it means is logged, what is asked about is held until it is answered or typed over. */
  const enterText = (text: string, now: ParsedReading): void => {
    if (link === 'barred' && text !== '') {
      // who only looks logs nothing; what was typed waits for somebody who may
      keepNotLogged(judgement.id, { at: here, typed: text, saidIn: { hand, ...saidIn } });
      return clear();
    }
    if (now.kind === 'understood') return logText(text === typed && meaning ? meaning : now.meaning, text);
    if (now.kind === 'empty' && growth?.advised) return answer?.(true);
    if (now.kind === 'cut') return now.count === null && answer ? answer(true) : logCut(now.count);
    if (now.kind === 'question' || now.kind === 'refused') {
      // drawn at once, so that what is pressed next finds the answers, or types over what was entered
      flushSync(() => {
        setTyped(text);
        setHeld(here);
      });
      const answer = options.current?.querySelector('button');
      if (answer) focusIn(answer);
      else input.current?.select();
      return;
    }
    if (now.kind !== 'setting') return;
    if (now.value === 'here') return logZero(text);
    setGauge(now.value, now.sizes);
    if (meaning) logText(meaning, text);
    setSaid(
      isEach(now.value)
        ? `Bore gauge set to ${EACH[now.value].set}: the dial is ${EACH[now.value].dial}.`
        : now.sizes !== null
          ? `The zero is ${bothText(now.value, 'size', units)}: what was read from it has its size.`
          : `Bore gauge ${now.read ? 'zeroed here and read as' : 'set to'} ${bothText(now.value, 'size', units)}.`,
    );
    clear();
  };
  const enter = (): void => enterText(typed, heard);

  const drop = (): void => {
    setTyped('');
    setHeld(null);
  };

  /** What was held is put by, not lost, when something else is typed. */
  const putBy = (): void => {
    if (held) keepNotLogged(judgement.id, { at: held, typed, saidIn: entry.saidIn });
    setHeld(null);
  };

  const type = (text: string): void => {
    if (text !== typed) putBy();
    setSaid('');
    const ended = ENDED.exec(text);
    const figure = ended?.[1] ?? ended?.[2];
    if (figure === undefined || !context) return setTyped(text);
    enterText(figure, parseReading(figure, context));
  };

  const press = (key: string): void => type(held ? key : typed + key);

  const subjects = [...new Set(beside.map((b) => b.subject))];
  const lastOf = (some: Judgement, inHand: boolean): LastEntry | null => {
    // where someone went to a thing on purpose its own last reading is meant; else the last one made
    const own = inHand ? lastEntry(some, record.entries, [subject], (e) => isOwn(e) && isAt(e.id, some)) : null;
    return own ?? lastEntry(some, record.entries, subjects, isOwn);
  };
  const isAt = (id: string, some: Judgement): boolean => {
    const there = placeAt(some, here.cylinder);
    return there !== undefined && historyOf(some.log, numberAt(there, subject), subject).some((item) => item.id === id);
  };
  const madeWords = ({ item, at }: LastEntry): string =>
    `${nameOf(at)}, ${item.kind === 'cut' ? 'a cut' : `“${item.typed}”`}`;
  /** The figure first: where there is little room it is what tells. */
  const shortly = ({ item, at }: LastEntry): string =>
    `${item.kind === 'cut' ? 'a cut' : `“${item.typed}”`} ${nameOf(at)}`;
  const settled = useDeferredValue(judgement);
  const last = useMemo(
    () => lastOf(settled, cursor.chosen),
    // worked out anew when something is on record or in hand
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [settled, cursor.chosen, here.cylinder, subject],
  );

  const undo = (): void => {
    if (isBarred()) return;
    const made = lastOf(judgement, cursor.chosen);
    const answered = made && answerTo(record.entries, made.item.id, isOwn);
    if (answered) {
      strike(answered.id, 'undone at entry');
      setSaid(`Undone: whether it was filed is asked again. ${nameOf(made.at)}.`);
      goTo(made.at);
      return backToLine();
    }
    if (!made) return setSaid('Nothing of this bench’s to undo here.');
    strike(made.item.id, 'undone at entry');
    setUndone((before) => [...before, made]);
    setSaid(`Undone: ${madeWords(made)}. It stays on record, struck out.`);
    goTo(made.at);
    backToLine();
  };

  const redo = (): void => {
    if (isBarred()) return;
    const made = undone.at(-1);
    if (!made) return setSaid('Nothing was undone here.');
    setUndone((before) => before.slice(0, -1));
    again(made.item);
    setSaid(`Logged again: ${madeWords(made)}.`);
    goTo(made.at);
    backToLine();
  };

  const skip = (): void => {
    if (!then) return setSaid('Nothing else is open on this route.');
    setSaid(`Left open: ${nameOf(here)}.`);
    goTo(then);
    backToLine();
  };

  const place = placeAt(judgement, here.cylinder);
  const placeName = placeLabel(place, subject);
  const what = claimOf(work, here.cylinder);
  const holder = others.find((o) => o.mine.includes(what));

  /** Takes the cylinder in hand for this bench, or lets go of it: the others' routes lead past what is taken. */
  const takeIt = (): void => {
    const words = placeName;
    if (holder) return setSaid(`${words} is ${holder.by || 'another bench'}’s.`);
    claim(what, !mine.includes(what));
    setSaid(mine.includes(what) ? `${words} is anyone’s again.` : `${words} is this bench’s: the others are led past.`);
  };

  const isIdle = typed === '';
  const by = holder ? holder.by || 'Another bench' : null;
  const before = useRef(what);
  useEffect(() => {
    const isSame = before.current === what;
    before.current = what;
    // someone took what is in hand here; what was begun, and what is gone to on purpose, is left alone
    if (by === null || !isIdle || !isSame) return;
    claim(what, false);
    if (!then || then.cylinder === here.cylinder) return;
    setSaid(`${by} took ${placeName.toLowerCase()}: on to the next.`);
    goTo(then);
    // when it is taken
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [by, what]);

  const toCylinder = (step: number): void => {
    const ids = along ?? judgement.cylinders.map((c) => c.id);
    const all = ids.map((id) => ({ ...here, cylinder: id, done: false }));
    const next = stepTask(all, here, step);
    if (next) goTo(next, true);
  };

  const toBeside = (step: number): void => {
    const at = beside.findIndex((b) => sameAt(b, here));
    const next = beside[(at + step + beside.length) % beside.length];
    if (next) goTo(next, true);
  };

  /** What a letter does on an empty line; null where it is one to type. */
  const shortcutOf = (event: Pressed): (() => void) | null => {
    const key = event.key.toLowerCase();
    if (typed !== '' || event.altKey) return null;
    const isWithControl = event.ctrlKey || event.metaKey;
    if (key === 'z') return event.shiftKey ? redo : undo;
    if (key === 'y') return redo;
    if (isWithControl) return null;
    if (key === 'n') return skip;
    if (key === 'm') return takeIt;
    if (key === 'f' && answer) return () => answer(false);
    const prepares = isRead ? PREPARED_KEYS[key] : undefined;
    return prepares ? () => entry.prepare(prepares) : null;
  };

  /** What a key does that types nothing; null for one that is left alone. */
  const actionOf = (event: Pressed): (() => void) | null => {
    const vertical = VERTICAL[event.key];
    const sideways = typed === '' ? SIDEWAYS[event.key] : undefined;
    // a gauge may end its figure with a tab
    if (event.key === 'Enter' || (event.key === 'Tab' && typed !== '' && !held && !event.shiftKey)) return enter;
    if (event.key === 'Escape') return drop;
    if (vertical) return () => toCylinder(vertical);
    if (sideways) return () => toBeside(sideways);
    return shortcutOf(event);
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
    said,
    then,
    leads: preview && stepOn(preview, work, here),
    nameOf,
    log: (taken) => enterText(typed, { kind: 'understood', meaning: taken }),
    logAt,
    type,
    press,
    enter,
    answerFiled: answer,
    undo,
    redo,
    undoes: !last
      ? ''
      : answerTo(record.entries, last.item.id, isOwn)
        ? `the answer: ${nameOf(last.at)}`
        : shortly(last),
    redoes: undone.length > 0 ? shortly(undone[undone.length - 1] as LastEntry) : '',
    skip,
    onKeyDown,
    onElsewhere,
  };
}
