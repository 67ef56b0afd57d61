'use client';

import { Keyboard, SkipForward, Undo2 } from 'lucide-react';
import { type KeyboardEvent, useEffect, useMemo, useRef, useState } from 'react';
import { contextFor } from '@/core/judge/context';
import { lastMade } from '@/core/judge/lastMade';
import { stepOn, tasksOf } from '@/core/judge/next';
import { readingOf } from '@/core/judge/preview';
import { taskWords } from '@/core/judge/words';
import { type Heard, type Meaning, acceptedBy, hear } from '@/core/quantity/hear';
import type { Nm } from '@/core/quantity/length';
import { bothText, lengthText } from '@/core/quantity/print';
import { isRing } from '@/core/rings/ring';
import { type At, nextTask, sameAt, stepTask } from '@/core/stage/tasks';
import { type ListId, type Subject, SUBJECTS } from '@/core/stages';
import { countWords } from '@/core/uncertainty/instrument';
import { useHands, useJudgement, useLive, useLogging, useMoving, useWords } from '../openBuild/contexts';
import { tell } from '../rings/feedback';
import { Key } from '../shared/Button';
import { Keypad, hasFingersOnly, useKeypad } from './Keypad';
import { ReadBack } from './ReadBack';

/** What was done to a ring before it is read again. */
interface Prepared {
  deburred: boolean;
  squared: boolean;
}

const NOT_PREPARED: Prepared = { deburred: false, squared: false };
const PREPARED_KEYS: Record<string, keyof Prepared> = { d: 'deburred', s: 'squared' };

interface Props {
  /** The tasks this line works through. */
  work: ListId;
  here: At<Subject>;
  /** What of this cylinder the arrow keys go through, in their order. */
  beside: At<Subject>[];
  /** What it is that they go through, in a word. */
  besideWords: string;
  /** Told what the entry means so far, null while it means nothing. */
  onMeaning?: (value: Nm | null) => void;
}

const VERTICAL: Record<string, number> = { ArrowDown: 1, ArrowUp: -1 };
const SIDEWAYS: Record<string, number> = { ArrowRight: 1, ArrowLeft: -1 };

/** Typing anywhere on the page that is not into another field goes to the line: whatever an entry may begin with. */
function useCatchTyping(input: React.RefObject<HTMLInputElement | null>, starts: RegExp): void {
  useEffect(() => {
    const caught = (event: globalThis.KeyboardEvent): void => {
      if (event.ctrlKey || event.metaKey || event.altKey || !starts.test(event.key)) return;
      const inField = document.activeElement?.closest('input, textarea, select, [role="dialog"]');
      if (!inField) input.current?.focus();
    };
    window.addEventListener('keydown', caught);
    return () => window.removeEventListener('keydown', caught);
  }, [input, starts]);
}

const BORE_STARTS = /^[\d.,+\-sh]$/i;
const RING_STARTS = /^[\d.,cp>]$/i;

/** What an entry means for this spot: itself, or the size a gauge was zeroed at in this bore. */
function meaningOf(heard: Heard): Meaning | null {
  if (heard.kind === 'understood') return heard.meaning;
  return heard.kind === 'setting' && heard.read && heard.value !== 'piston'
    ? { value: heard.value, upTo: null, taken: 'zeroed here' }
    : null;
}

/** The one entry of the bench: takes bench talk, says back what it understood, logs on Enter, moves on. */
export function ReadingLine({ work, here, beside, besideWords, onMeaning }: Props) {
  const judgement = useJudgement();
  const live = useLive();
  const { units } = useWords();
  const { cursor, cylinder, goTo } = useMoving();
  const { read, previewReading: previewed, isOwn, strike, setGauge, cut } = useLogging();
  const { handFor, filer } = useHands();
  const { subject } = here;
  const { fitted, spots, style } = SUBJECTS[subject];
  const [typed, setTyped] = useState('');
  const [said, setSaid] = useState('');
  const [keypad, toggleKeypad] = useKeypad();
  const input = useRef<HTMLInputElement>(null);
  const options = useRef<HTMLDivElement>(null);
  useCatchTyping(input, fitted ? RING_STARTS : BORE_STARTS);

  const [preparedFor, setPreparedFor] = useState<{ at: At<Subject>; what: Prepared } | null>(null);
  const prepared = preparedFor && sameAt(preparedFor.at, here) ? preparedFor.what : NOT_PREPARED;
  const isRead = isRing(subject) && cylinder !== null && cylinder.rings[subject].reading !== null;
  const prepare = (what: keyof Prepared): void =>
    setPreparedFor({ at: here, what: { ...prepared, [what]: !prepared[what] } });
  const held = handFor(subject);
  const hand = held.ring ? { ...held, ring: { ...held.ring, ...prepared } } : held;
  const context = useMemo(
    () => cylinder && contextFor(judgement, cylinder, subject, units, hand.instrument),
    [judgement, cylinder, subject, units, hand.instrument],
  );
  const heard = useMemo(() => (context ? hear(typed, context) : { kind: 'empty' as const }), [typed, context]);
  const meaning = useMemo(() => meaningOf(heard), [heard]);
  const preview = useMemo(
    () => meaning && previewed(readingOf(judgement, here, meaning, hand, typed)),
    // Judged anew when the meaning, the record, or what is in hand changes; a new object for the same place or hand is no change.
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [
      meaning,
      live.record,
      here.cylinder,
      subject,
      here.spot?.depth,
      here.spot?.angle,
      hand.instrument,
      hand.temperature,
      hand.gaugeTemperature,
      hand.ring?.depth,
      prepared.deburred,
      prepared.squared,
    ],
  );
  const value = meaning?.value ?? null;
  useEffect(() => onMeaning?.(value), [onMeaning, value]);
  useEffect(() => {
    const open = cursor.chosen ? null : nextTask(tasksOf(judgement, work), null);
    if (open) goTo(open);
    if (!hasFingersOnly()) input.current?.focus({ preventScroll: true });
    // On entering the stage only: from then on the line and the hands lead.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, []);
  if (!cylinder || !context) return null;

  const tasks = tasksOf(judgement, work);
  const then = nextTask(tasks, here);
  const nameOf = (at: At<Subject>): string =>
    taskWords(
      judgement.cylinders.find((c) => c.id === at.cylinder),
      at,
    );
  const log = (taken: Meaning): void => {
    const reading = readingOf(judgement, here, taken, hand, typed.trim());
    const after = taken === meaning && preview ? preview : previewed(reading);
    read(reading);
    setPreparedFor(null);
    if (isRing(subject))
      tell(
        after.cylinders.find((c) => c.id === here.cylinder),
        subject,
        taken.value,
        units,
      );
    setSaid(`Logged ${nameOf(here)}: ${bothText(taken.value, style)}.`);
    setTyped('');
    goTo(stepOn(after, work, here));
    input.current?.focus();
  };

  const logCut = (count: number | null): void => {
    const ring = isRing(subject) ? cylinder.rings[subject] : null;
    if (!ring) return;
    cut(ring.number, ring.ring, count);
    setPreparedFor(null);
    setSaid(
      `Cut logged: ${nameOf(here)}${count === null ? '' : `, ${count} ${filer ? countWords(filer, count) : 'turns'}`}. Deburr, square, read again.`,
    );
    setTyped('');
    input.current?.focus();
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
    const last = lastMade(judgement, live.record.entries, subjects, isOwn);
    if (!last) return setSaid('Nothing of this bench’s to undo here.');
    const { item, at } = last;
    strike(item.id, 'undone at entry');
    setSaid(
      `Undone: ${nameOf(at)}, ${item.kind === 'cut' ? 'a cut' : `“${item.typed}”`}. It stays on record, struck out.`,
    );
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
    const prepares =
      isRead && typed === '' && !event.altKey && !event.ctrlKey && !event.metaKey
        ? PREPARED_KEYS[event.key.toLowerCase()]
        : undefined;
    if (event.key === 'Enter') enter();
    else if (prepares) prepare(prepares);
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
        {context.setting !== null && context.field === 'bore'
          ? ` Gauge set ${lengthText(context.setting, units, 'size')}.`
          : ''}
      </span>
    </>
  );

  return (
    <section aria-label="Reading line" className="no-print sticky bottom-0 z-10 border-t-2 border-ink bg-sheet">
      <div className="grid min-h-[112px] grid-cols-[1fr_auto] items-center gap-x-6 px-7 py-2 max-md:min-h-0 max-md:grid-cols-1 max-md:px-4">
        <div className="flex min-w-0 flex-wrap items-center gap-x-6 gap-y-1">
          <label className="w-[15.5rem] shrink-0 max-md:w-full">
            <span className="block text-[1.1875rem] leading-tight font-bold max-md:flex max-md:min-h-11 max-md:items-center max-md:pr-60 max-sm:pr-44 max-sm:text-base">
              {nameOf(here)}
            </span>
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
            {isRead && <Preparing prepared={prepared} onToggle={prepare} />}
            <ReadBack
              heard={heard}
              at={here}
              preview={preview}
              cylinder={cylinder}
              options={options}
              onPick={log}
              onBack={() => input.current?.focus()}
              idle={idle}
            />
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
            <button
              type="button"
              onClick={skip}
              className="flex min-h-11 items-center justify-between gap-1.5 rounded border border-edge px-3 text-ink"
            >
              <SkipForward size={18} aria-hidden /> <span className="max-sm:sr-only">Next</span>
              <span className="max-md:hidden">
                <Key>N</Key>
              </span>
            </button>
            <button
              type="button"
              onClick={undo}
              className="flex min-h-11 items-center justify-between gap-1.5 rounded border border-edge px-3 text-ink"
            >
              <Undo2 size={18} aria-hidden /> <span className="max-sm:sr-only">Undo</span>
              <span className="max-md:hidden">
                <Key>Z</Key>
              </span>
            </button>
          </div>
          <button
            type="button"
            onClick={toggleKeypad}
            aria-pressed={keypad}
            aria-label="Keypad"
            className="grid size-11 place-items-center rounded border border-edge text-ink aria-pressed:bg-ink aria-pressed:text-sheet"
          >
            <Keyboard size={20} aria-hidden />
          </button>
        </div>
      </div>
      {keypad && (
        <Keypad
          extra={spots ? 't' : '/'}
          cuts={fitted}
          onKey={(key) => setTyped((t) => t + key)}
          onBack={() => setTyped((t) => t.slice(0, -1))}
          onEnter={enter}
        />
      )}
    </section>
  );
}

/** What was done to the ring before it is read: one key each. */
function Preparing({ prepared, onToggle }: { prepared: Prepared; onToggle: (what: keyof Prepared) => void }) {
  return (
    <div className="mb-1 flex gap-2">
      {(['deburred', 'squared'] as const).map((what) => (
        <button
          key={what}
          type="button"
          aria-pressed={prepared[what]}
          onClick={() => onToggle(what)}
          className="flex min-h-11 items-center gap-2 rounded border border-edge px-3 text-base aria-pressed:border-ok aria-pressed:bg-wash aria-pressed:font-bold aria-pressed:text-ok"
        >
          <span aria-hidden>{prepared[what] ? '✓' : '○'}</span>
          {what === 'deburred' ? 'Deburred' : 'Squared'}
          <span className="max-md:hidden">
            <Key>{what === 'deburred' ? 'D' : 'S'}</Key>
          </span>
        </button>
      ))}
    </div>
  );
}
