'use client';

import { Keyboard, SkipForward, Undo2 } from 'lucide-react';
import { type KeyboardEvent, useEffect, useMemo, useRef, useState } from 'react';
import { contextFor } from '@/core/build/context';
import type { Judgement } from '@/core/build/judge';
import { readingOf } from '@/core/build/preview';
import type { ReadingEntry } from '@/core/build/record';
import { allPasses } from '@/core/build/sizes';
import { type At, type Task, nextTask, sameAt, stepTask } from '@/core/build/work';
import { type Heard, type Meaning, acceptedBy, hear } from '@/core/quantity/bench';
import type { Nm } from '@/core/quantity/length';
import { bothText, lengthText } from '@/core/quantity/print';
import { useBench } from '../bench/Bench';
import { Key } from '../shared/Button';
import { Keypad, hasFingersOnly, useKeypad } from './Keypad';
import { ReadBack } from './ReadBack';
import { isFineSubject, taskWords } from './names';

type Which = 'bores' | 'pistons' | 'rings';

interface Props {
  /** The tasks this line works through. */
  work: Which;
  here: At;
  /** What of this cylinder the arrow keys go through, in their order. */
  beside: At[];
  /** What it is that they go through, in a word. */
  besideWords: string;
  /** Told what the entry means so far, null while it means nothing. */
  onMeaning?: (value: Nm | null) => void;
}

const VERTICAL: Record<string, number> = { ArrowDown: 1, ArrowUp: -1 };
const SIDEWAYS: Record<string, number> = { ArrowRight: 1, ArrowLeft: -1 };

/** Typing anywhere on the page that is not into another field goes to the line: whatever an entry may begin with. */
function useCatchTyping(input: React.RefObject<HTMLInputElement | null>): void {
  useEffect(() => {
    const caught = (event: globalThis.KeyboardEvent): void => {
      if (event.ctrlKey || event.metaKey || event.altKey || !/^[\d.,+\-sh]$/i.test(event.key)) return;
      const inField = document.activeElement?.closest('input, textarea, select, [role="dialog"]');
      if (!inField) input.current?.focus();
    };
    window.addEventListener('keydown', caught);
    return () => window.removeEventListener('keydown', caught);
  }, [input]);
}

/** The last reading of some kind that is not voided. */
function lastLive(judgement: Judgement, entries: readonly { id: string }[], counts: (reading: ReadingEntry) => boolean): ReadingEntry | null {
  const live = new Map(
    judgement.cylinders
      .flatMap(allPasses)
      .filter((p) => p.voided === null && counts(p))
      .map((p) => [p.id, p]),
  );
  const found = entries.findLast((e) => live.has(e.id));
  return found ? (live.get(found.id) ?? null) : null;
}

/** The cylinder's place that a reading leads back to, and what of it. */
function atOf(judgement: Judgement, { cylinder, subject, place }: ReadingEntry): At {
  const holder = subject === 'piston' || subject === 'pin' || subject === 'pinBore' ? judgement.cylinders.find((c) => c.piston.id === cylinder) : undefined;
  return { cylinder: holder?.id ?? cylinder, subject, spot: place };
}

/** What an entry means for this spot: itself, or the size a gauge was zeroed at in this bore. */
function meaningOf(heard: Heard): Meaning | null {
  if (heard.kind === 'understood') return heard.meaning;
  return heard.kind === 'setting' && heard.read && heard.value !== 'piston' ? { value: heard.value, upTo: null, taken: 'zeroed here' } : null;
}

/** The next open thing once `here` was read: `here` itself while it wants more. */
function stepOn(tasks: Task[], here: At): At | null {
  const done = tasks.find((t) => sameAt(t, here))?.done ?? true;
  return done ? nextTask(tasks, here) : null;
}

/** The one entry of the bench: takes bench talk, says back what it understood, logs on Enter, moves on. */
export function ReadingLine({ work, here, beside, besideWords, onMeaning }: Props) {
  const { judgement, live, units, cursor, cylinder, goTo, read, preview: previewed, isOwn, strike, setGauge, handFor } = useBench();
  const { subject } = here;
  const [typed, setTyped] = useState('');
  const [said, setSaid] = useState('');
  const [keypad, toggleKeypad] = useKeypad();
  const input = useRef<HTMLInputElement>(null);
  const options = useRef<HTMLDivElement>(null);
  useCatchTyping(input);

  const hand = handFor(subject);
  const context = useMemo(() => cylinder && contextFor(judgement, cylinder, subject, units, hand.instrument), [judgement, cylinder, subject, units, hand.instrument]);
  const heard = useMemo(() => (context ? hear(typed, context) : { kind: 'empty' as const }), [typed, context]);
  const meaning = useMemo(() => meaningOf(heard), [heard]);
  const preview = useMemo(
    () => meaning && previewed(readingOf(judgement, here, meaning, hand, typed)),
    // Judged anew when the meaning, the record, or what is in hand changes; a new object for the same place or hand is no change.
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [meaning, live.record, here.cylinder, subject, here.spot?.depth, here.spot?.angle, hand.instrument, hand.temperature, hand.gaugeTemperature],
  );
  const value = meaning?.value ?? null;
  useEffect(() => onMeaning?.(value), [onMeaning, value]);
  useEffect(() => {
    const open = cursor.chosen ? null : nextTask(judgement.tasks[work], null);
    if (open) goTo(open);
    if (!hasFingersOnly()) input.current?.focus({ preventScroll: true });
    // On entering the stage only: from then on the line and the hands lead.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, []);
  if (!cylinder || !context) return null;

  const tasks = judgement.tasks[work];
  const then = nextTask(tasks, here);
  const nameOf = (at: At): string => taskWords(judgement.cylinders.find((c) => c.id === at.cylinder), at);
  const log = (taken: Meaning): void => {
    const reading = readingOf(judgement, here, taken, hand, typed.trim());
    const after = previewed(reading).tasks[work];
    read(reading);
    setSaid(`Logged ${nameOf(here)}: ${bothText(taken.value, isFineSubject(subject) ? 'fine' : 'size')}.`);
    setTyped('');
    goTo(stepOn(after, here) ?? here);
    input.current?.focus();
  };

  const enter = (): void => {
    if (heard.kind === 'understood') return log(heard.meaning);
    if (heard.kind === 'question') return options.current?.querySelector('button')?.focus();
    if (heard.kind !== 'setting') return;
    setGauge(heard.value);
    if (meaning) log(meaning);
    setSaid(heard.value === 'piston' ? 'Bore gauge set to each piston: the dial is the clearance.' : `Bore gauge ${heard.read ? 'zeroed here and read as' : 'set to'} ${bothText(heard.value, 'size')}.`);
    setTyped('');
  };

  const undo = (): void => {
    const last = lastLive(judgement, live.record.entries, (reading) => beside.some((b) => b.subject === reading.subject) && isOwn(reading));
    if (!last) return setSaid('Nothing of this bench’s to undo here.');
    const at = atOf(judgement, last);
    strike(last.id, 'undone at entry');
    setSaid(`Undone: ${nameOf(at)}, “${last.typed}”. It stays on record, struck out.`);
    goTo(at);
    input.current?.focus();
  };

  const skip = (): void => {
    if (!then) return setSaid('Nothing else is open on this route.');
    setSaid(`Left open: ${nameOf(here)}.`);
    goTo(then);
    input.current?.focus();
  };

  const move = (along: 'cylinder' | 'beside', step: number): void => {
    if (along === 'beside') {
      const at = beside.findIndex((b) => sameAt(b, here));
      const next = beside[(at + step + beside.length) % beside.length];
      if (next) goTo(next, true);
      return;
    }
    const all = judgement.cylinders.map((c) => ({ ...here, cylinder: c.id, done: false }));
    const next = stepTask(all, here, step);
    if (next) goTo(next, true);
  };

  const onKeyDown = (event: KeyboardEvent<HTMLInputElement>): void => {
    const vertical = VERTICAL[event.key];
    const sideways = typed === '' ? SIDEWAYS[event.key] : undefined;
    const undoes = typed === '' && event.key.toLowerCase() === 'z' && !event.altKey;
    const skips = typed === '' && event.key.toLowerCase() === 'n' && !event.altKey && !event.ctrlKey && !event.metaKey;
    if (event.key === 'Enter') enter();
    else if (event.key === 'Escape') setTyped('');
    else if (vertical) move('cylinder', vertical);
    else if (sideways) move('beside', sideways);
    else if (undoes) undo();
    else if (skips) skip();
    else return;
    event.preventDefault();
  };

  const idle = (
    <>
      {said ? <b>{said}</b> : <span className="text-base text-soft">Type {acceptedBy(context.field, units)}.</span>}
      <br />
      <span className="text-base text-soft">
        {then ? `Then: ${nameOf(then)}.` : 'Nothing else is open on this route.'}
        {context.setting !== null && context.field === 'bore' ? ` Gauge set ${lengthText(context.setting, units, 'size')}.` : ''}
      </span>
    </>
  );

  return (
    <section aria-label="Reading line" className="no-print sticky bottom-0 z-10 border-t-2 border-ink bg-sheet">
      <div className="grid min-h-[112px] grid-cols-[1fr_auto] items-center gap-x-6 px-7 py-2 max-md:min-h-0 max-md:grid-cols-1 max-md:px-4">
        <div className="flex min-w-0 flex-wrap items-center gap-x-6 gap-y-1">
          <label className="w-[15.5rem] shrink-0 max-md:w-full">
            <span className="block text-[1.1875rem] leading-tight font-bold max-md:flex max-md:min-h-11 max-md:items-center max-md:pr-60 max-sm:pr-44 max-sm:text-base">{nameOf(here)}</span>
            <input
              ref={input}
              value={typed}
              onChange={(event) => {
                setTyped(event.target.value);
                setSaid('');
              }}
              onKeyDown={onKeyDown}
              inputMode={keypad ? 'none' : 'decimal'}
              autoComplete="off"
              spellCheck={false}
              maxLength={400}
              aria-describedby="line-said"
              aria-invalid={heard.kind === 'refused'}
              className="figures h-[68px] w-full max-md:h-12 max-md:text-[2.5rem] border-b-4 border-edge bg-transparent text-[3.75rem] leading-none font-bold tracking-tight caret-blue outline-none focus:border-blue"
            />
          </label>
          <div id="line-said" aria-live="polite" className="min-w-[17rem] flex-1 text-xl leading-snug">
            <ReadBack heard={heard} at={here} preview={preview} cylinder={cylinder} options={options} onPick={log} onBack={() => input.current?.focus()} idle={idle} />
          </div>
        </div>
        <div className="flex items-center gap-3 text-sm text-soft max-md:absolute max-md:top-2 max-md:right-4">
          <div className={`grid gap-1 whitespace-nowrap max-lg:hidden ${heard.kind === 'question' ? 'hidden' : ''}`}>
            <span>
              <Key>↑</Key> <Key>↓</Key> cylinder
            </span>
            <span>
              <Key>←</Key> <Key>→</Key> {besideWords}
            </span>
          </div>
          <div className="grid gap-1 max-md:flex">
          <button type="button" onClick={skip} className="flex min-h-11 items-center justify-between gap-1.5 rounded border border-edge px-3 text-ink">
            <SkipForward size={18} aria-hidden /> <span className="max-sm:sr-only">Next</span>
            <span className="max-md:hidden">
              <Key>N</Key>
            </span>
          </button>
          <button type="button" onClick={undo} className="flex min-h-11 items-center justify-between gap-1.5 rounded border border-edge px-3 text-ink">
            <Undo2 size={18} aria-hidden /> <span className="max-sm:sr-only">Undo</span>
            <span className="max-md:hidden">
              <Key>Z</Key>
            </span>
          </button>
          </div>
          <button type="button" onClick={toggleKeypad} aria-pressed={keypad} aria-label="Keypad" className="grid size-11 place-items-center rounded border border-edge text-ink aria-pressed:bg-ink aria-pressed:text-sheet">
            <Keyboard size={20} aria-hidden />
          </button>
        </div>
      </div>
      {keypad && <Keypad extra={subject === 'bore' ? 't' : '/'} onKey={(key) => setTyped((t) => t + key)} onBack={() => setTyped((t) => t.slice(0, -1))} onEnter={enter} />}
    </section>
  );
}
