'use client';

import { Keyboard, SkipForward, Undo2 } from 'lucide-react';
import { type ReactNode, type RefObject, useEffect, useRef } from 'react';
import { tasksOf } from '@/core/judge/next';
import { type HearingContext, acceptedBy } from '@/core/quantity/hear';
import type { Nm } from '@/core/quantity/length';
import { lengthText } from '@/core/quantity/print';
import { type At, nextTask } from '@/core/stage/tasks';
import { type ListId, type Subject, SUBJECTS } from '@/core/stages';
import { useJudgement, useMoving, useWords } from '../openBuild/contexts';
import { Key } from '../shared/Button';
import { hasFingersOnly, useKeypad } from './useKeypad';
import { ReadBack } from './ReadBack';
import { useActions } from './useActions';
import { type Prepared, useEntry } from './useEntry';
import { onDemand } from '../shared/onDemand';

const Keypad = onDemand(() => import('./Keypad').then((m) => m.Keypad));

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

/** Typing anywhere on the page that is not into another field goes to the line: whatever an entry may begin with. */
function useCatchTyping(input: RefObject<HTMLInputElement | null>, starts: RegExp): void {
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

/** The one entry of the bench: takes bench talk, says back what it understood, logs on Enter, moves on. */
export function ReadingLine({ work, here, beside, besideWords, onMeaning }: Props) {
  const judgement = useJudgement();
  const { cursor, cylinder, goTo } = useMoving();
  const [keypad, toggleKeypad] = useKeypad();
  const input = useRef<HTMLInputElement>(null);
  const options = useRef<HTMLDivElement>(null);
  const entry = useEntry(here);
  const { typed, setTyped, heard, meaning, preview, context } = entry;
  const { said, hush, then, nameOf, log, enter, undo, skip, onKeyDown } = useActions({
    work,
    here,
    beside,
    entry,
    input,
    options,
  });
  const { fitted, spots } = SUBJECTS[here.subject];
  useCatchTyping(input, fitted ? RING_STARTS : BORE_STARTS);
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
                hush();
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
            {entry.isRead && <Preparing prepared={entry.prepared} onToggle={entry.prepare} />}
            <ReadBack
              heard={heard}
              at={here}
              preview={preview}
              cylinder={cylinder}
              options={options}
              onPick={log}
              onBack={() => input.current?.focus()}
              idle={<Idle said={said} then={then && nameOf(then)} context={context} />}
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
            <Hotkey icon={<SkipForward size={18} aria-hidden />} words="Next" letter="N" onPress={skip} />
            <Hotkey icon={<Undo2 size={18} aria-hidden />} words="Undo" letter="Z" onPress={undo} />
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

/** What the line says while nothing is typed: what was done last, what may be typed, what comes next. */
function Idle({ said, then, context }: { said: string; then: string | null; context: HearingContext }) {
  const { units } = useWords();
  const { field, setting } = context;
  return (
    <>
      {said ? <b>{said}</b> : <span className="text-base text-soft">Type {acceptedBy(field, units)}.</span>}
      <br />
      <span className="text-base text-soft">
        {then ? `Then: ${then}.` : 'Nothing else is open on this route.'}
        {setting !== null && field === 'bore' ? ` Gauge set ${lengthText(setting, units, 'size')}.` : ''}
      </span>
    </>
  );
}

/** A button that a letter presses too. */
function Hotkey(props: { icon: ReactNode; words: string; letter: string; onPress: () => void }) {
  const { icon, words, letter, onPress } = props;
  return (
    <button
      type="button"
      onClick={onPress}
      className="flex min-h-11 items-center justify-between gap-1.5 rounded border border-edge px-3 text-ink"
    >
      {icon} <span className="max-sm:sr-only">{words}</span>
      <span className="max-md:hidden">
        <Key>{letter}</Key>
      </span>
    </button>
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
