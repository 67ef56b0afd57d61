'use client';

import { Keyboard, SkipForward, Undo2 } from 'lucide-react';
import { type KeyboardEvent, useEffect, useMemo, useRef, useState } from 'react';
import { contextFor } from '@/core/build/context';
import type { Judgement, LoggedReading } from '@/core/build/judge';
import type { LoggedCut } from '@/core/build/rings';
import { readingOf } from '@/core/build/preview';
import type { Subject } from '@/core/build/record';
import { allPasses } from '@/core/build/sizes';
import { type At, type Task, nextTask, sameAt, stepTask } from '@/core/build/work';
import { type Heard, type Meaning, acceptedBy, hear } from '@/core/quantity/bench';
import type { Nm } from '@/core/quantity/length';
import { bothText, lengthText } from '@/core/quantity/print';
import { isRing } from '@/core/ring/ring';
import { tell } from '../rings/feedback';
import { useBench } from '../bench/Bench';
import { countWords } from '@/core/uncertainty/instrument';
import { Key } from '../shared/Button';
import { Keypad, hasFingersOnly, useKeypad } from './Keypad';
import { ReadBack } from './ReadBack';
import { isFineSubject, taskWords } from './names';

type Which = 'bores' | 'pistons' | 'grooves' | 'rings';

/** What was done to a ring before it is read again. */
interface Prepared {
  deburred: boolean;
  squared: boolean;
}

const NOT_PREPARED: Prepared = { deburred: false, squared: false };
const PREPARED_KEYS: Record<string, keyof Prepared> = { d: 'deburred', s: 'squared' };

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

/** The last reading or cut of some kind that is not voided. */
function lastLive(
  judgement: Judgement,
  entries: readonly { id: string }[],
  counts: (item: LoggedReading | LoggedCut) => boolean,
): LoggedReading | LoggedCut | null {
  const live = new Map(
    judgement.cylinders
      .flatMap((c) => [...allPasses(c), ...Object.values(c.rings).flatMap((r) => r.history)])
      .filter((p) => p.voided === null && counts(p))
      .map((p) => [p.id, p]),
  );
  const found = entries.findLast((e) => live.has(e.id));
  return found ? (live.get(found.id) ?? null) : null;
}

const subjectOf = (item: LoggedReading | LoggedCut): Subject => (item.kind === 'cut' ? item.ring : item.subject);

/** The cylinder's place that a reading or a cut leads back to, and what of it. */
function atOf(judgement: Judgement, item: LoggedReading | LoggedCut): At {
  const subject = subjectOf(item);
  if (isRing(subject))
    return {
      cylinder:
        judgement.cylinders.find((c) => c.rings[subject].history.some((h) => h.id === item.id))?.id ?? item.cylinder,
      subject,
      spot: null,
    };
  if (item.kind === 'cut') return { cylinder: item.cylinder, subject, spot: null };
  const { cylinder, place } = item;
  const holder =
    subject !== 'bore' && subject !== 'strip' ? judgement.cylinders.find((c) => c.piston.id === cylinder) : undefined;
  return { cylinder: holder?.id ?? cylinder, subject, spot: place };
}

/** What an entry means for this spot: itself, or the size a gauge was zeroed at in this bore. */
function meaningOf(heard: Heard): Meaning | null {
  if (heard.kind === 'understood') return heard.meaning;
  return heard.kind === 'setting' && heard.read && heard.value !== 'piston'
    ? { value: heard.value, upTo: null, taken: 'zeroed here' }
    : null;
}

/** The next open thing once `here` was read: `here` itself while it wants more. */
function stepOn(tasks: Task[], here: At): At | null {
  const done = tasks.find((t) => sameAt(t, here))?.done ?? true;
  return done ? nextTask(tasks, here) : null;
}

/** The one entry of the bench: takes bench talk, says back what it understood, logs on Enter, moves on. */
export function ReadingLine({ work, here, beside, besideWords, onMeaning }: Props) {
  const {
    judgement,
    live,
    units,
    cursor,
    cylinder,
    goTo,
    read,
    preview: previewed,
    isOwn,
    strike,
    setGauge,
    handFor,
    cut,
    filer,
  } = useBench();
  const { subject } = here;
  const [typed, setTyped] = useState('');
  const [said, setSaid] = useState('');
  const [keypad, toggleKeypad] = useKeypad();
  const input = useRef<HTMLInputElement>(null);
  const options = useRef<HTMLDivElement>(null);
  useCatchTyping(input, work === 'rings' ? RING_STARTS : BORE_STARTS);

  const [preparedFor, setPreparedFor] = useState<{ at: At; what: Prepared } | null>(null);
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
    const open = cursor.chosen ? null : nextTask(judgement.tasks[work], null);
    if (open) goTo(open);
    if (!hasFingersOnly()) input.current?.focus({ preventScroll: true });
    // On entering the stage only: from then on the line and the hands lead.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, []);
  if (!cylinder || !context) return null;

  const tasks = judgement.tasks[work];
  const then = nextTask(tasks, here);
  const nameOf = (at: At): string =>
    taskWords(
      judgement.cylinders.find((c) => c.id === at.cylinder),
      at,
    );
  const log = (taken: Meaning): void => {
    const reading = readingOf(judgement, here, taken, hand, typed.trim());
    const after = previewed(reading);
    read(reading);
    setPreparedFor(null);
    if (isRing(subject))
      tell(
        after.cylinders.find((c) => c.id === here.cylinder),
        subject,
        taken.value,
        units,
      );
    setSaid(`Logged ${nameOf(here)}: ${bothText(taken.value, isFineSubject(subject) ? 'fine' : 'size')}.`);
    setTyped('');
    goTo((work === 'rings' && judgement.bench.route === 'free' ? null : stepOn(after.tasks[work], here)) ?? here);
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
    const last = lastLive(
      judgement,
      live.record.entries,
      (item) => beside.some((b) => b.subject === subjectOf(item)) && isOwn(item),
    );
    if (!last) return setSaid('Nothing of this bench’s to undo here.');
    const at = atOf(judgement, last);
    strike(last.id, 'undone at entry');
    setSaid(
      `Undone: ${nameOf(at)}, ${last.kind === 'cut' ? 'a cut' : `“${last.typed}”`}. It stays on record, struck out.`,
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
          extra={subject === 'bore' ? 't' : '/'}
          cuts={work === 'rings'}
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
