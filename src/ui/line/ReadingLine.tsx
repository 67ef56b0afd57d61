'use client';

import { Keyboard, Undo2 } from 'lucide-react';
import { type KeyboardEvent, useEffect, useMemo, useRef, useState } from 'react';
import { contextFor } from '@/core/build/context';
import type { Judgement } from '@/core/build/judge';
import { previewOf } from '@/core/build/preview';
import type { ReadingEntry, Subject } from '@/core/build/record';
import { type Task, nextTask, stepTask } from '@/core/build/work';
import { type Meaning, acceptedBy, hear } from '@/core/quantity/bench';
import { bothText } from '@/core/quantity/print';
import { useBench } from '../bench/Bench';
import { Key } from '../shared/Button';
import { Keypad, hasFingersOnly, useKeypad } from './Keypad';
import { ReadBack } from './ReadBack';
import { taskWords } from './names';

type Which = 'sizes' | 'rings';

interface Props {
  /** The tasks this line works through. */
  work: Which;
  subject: Subject;
  /** The subjects of one cylinder, in the order the arrow keys go through them. */
  subjects: readonly Subject[];
  onSubject: (subject: Subject) => void;
}

const VERTICAL: Record<string, number> = { ArrowDown: 1, ArrowUp: -1 };
const SIDEWAYS: Record<string, number> = { ArrowRight: 1, ArrowLeft: -1 };

/** Typing anywhere on the page that is not into another field goes to the line. */
function useCatchTyping(input: React.RefObject<HTMLInputElement | null>): void {
  useEffect(() => {
    const caught = (event: globalThis.KeyboardEvent): void => {
      if (event.ctrlKey || event.metaKey || event.altKey || !/^[\d.,+]$/.test(event.key)) return;
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
      .flatMap((c) => [c.bore, c.piston, ...Object.values(c.rings)])
      .flatMap((s) => s.passes)
      .filter((p) => p.voided === null && counts(p))
      .map((p) => [p.id, p]),
  );
  const found = entries.findLast((e) => live.has(e.id));
  return found ? (live.get(found.id) ?? null) : null;
}

/** The one entry of the bench: takes bench talk, says back what it understood, logs on Enter, moves on. */
export function ReadingLine({ work, subject, subjects, onSubject }: Props) {
  const { live, judgement, units, cursor, cylinder, moveTo, follow, read, isOwn, strike, choose } = useBench();
  const [typed, setTyped] = useState('');
  const [said, setSaid] = useState('');
  const [keypad, toggleKeypad] = useKeypad();
  const input = useRef<HTMLInputElement>(null);
  const options = useRef<HTMLDivElement>(null);
  useCatchTyping(input);

  const context = useMemo(() => cylinder && contextFor(judgement, cylinder, subject, units), [judgement, cylinder, subject, units]);
  const heard = useMemo(() => (context ? hear(typed, context) : { kind: 'empty' as const }), [typed, context]);
  const preview = useMemo(
    () => (cylinder && heard.kind === 'understood' ? previewOf(live.record, cylinder.id, subject, heard.meaning) : null),
    [heard, live.record, cylinder, subject],
  );
  useEffect(() => {
    const open = cursor.chosen ? null : nextTask(judgement.tasks[work], null);
    if (open) follow(open);
    if (!hasFingersOnly()) input.current?.focus({ preventScroll: true });
    // On entering the stage only: from then on the line and the hands lead.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, []);
  if (!cylinder || !context) return null;

  const tasks = judgement.tasks[work];
  const here: Task = { cylinder: cylinder.id, subject, done: false };
  const then = nextTask(tasks, here);
  const nameOf = (task: { cylinder: string; subject: Subject }): string =>
    taskWords(judgement.cylinders.find((c) => c.id === task.cylinder), task.subject);
  const log = (meaning: Meaning): void => {
    const after = previewOf(live.record, cylinder.id, subject, meaning).tasks[work];
    read({ cylinder: cylinder.id, subject, value: meaning.value, upTo: meaning.upTo, typed: typed.trim() });
    setSaid(`Logged ${nameOf(here)}: ${bothText(meaning.value, context.field === 'bore' || context.field === 'piston' ? 'size' : 'fine')}.`);
    setTyped('');
    const done = after.find((t) => t.cylinder === here.cylinder && t.subject === subject)?.done ?? true;
    const next = done ? nextTask(after, here) : null;
    follow(next ?? here);
    input.current?.focus();
  };

  const enter = (): void => {
    if (heard.kind === 'understood') return log(heard.meaning);
    if (heard.kind === 'question') return options.current?.querySelector('button')?.focus();
    if (heard.kind !== 'setting') return;
    choose('bench', { ...judgement.bench, gaugeSetting: heard.value });
    setSaid(`Bore gauge set to ${bothText(heard.value, 'size')}.`);
    setTyped('');
  };

  const undo = (): void => {
    const last = lastLive(judgement, live.record.entries, (reading) => subjects.includes(reading.subject) && isOwn(reading));
    if (!last) return setSaid('Nothing of this bench’s to undo here.');
    strike(last.id, 'undone at entry');
    setSaid(`Undone: ${nameOf(last)}, “${last.typed}”. It stays on record, struck out.`);
    follow(last);
    input.current?.focus();
  };

  const move = (along: 'cylinder' | 'subject', step: number): void => {
    if (along === 'subject') {
      const at = subjects.indexOf(subject);
      const next = subjects[(at + step + subjects.length) % subjects.length];
      if (next) onSubject(next);
      return;
    }
    const all = judgement.cylinders.map((c) => ({ cylinder: c.id, subject, done: false }));
    const next = stepTask(all, here, step);
    if (next) moveTo({ cylinder: next.cylinder });
  };

  const onKeyDown = (event: KeyboardEvent<HTMLInputElement>): void => {
    const vertical = VERTICAL[event.key];
    const sideways = typed === '' ? SIDEWAYS[event.key] : undefined;
    const undoes = typed === '' && event.key.toLowerCase() === 'z' && !event.altKey;
    if (event.key === 'Enter') enter();
    else if (event.key === 'Escape') setTyped('');
    else if (vertical) move('cylinder', vertical);
    else if (sideways) move('subject', sideways);
    else if (undoes) undo();
    else return;
    event.preventDefault();
  };

  const idle = (
    <>
      {said ? <b>{said}</b> : <span className="text-base text-soft">Type {acceptedBy(context.field, units)}.</span>}
      <br />
      <span className="text-base text-soft">
        {then ? `Then: ${nameOf(then)}.` : 'Nothing else is open on this route.'}
        {context.setting !== null && context.field === 'bore' ? ` Gauge set to ${bothText(context.setting, 'size')}.` : ''}
      </span>
    </>
  );

  return (
    <section aria-label="Reading line" className="no-print sticky bottom-0 z-10 border-t-2 border-ink bg-sheet">
      <div className="grid min-h-[112px] grid-cols-[1fr_auto] items-center gap-x-6 px-7 py-2 max-md:min-h-0 max-md:grid-cols-1 max-md:px-4">
        <div className="flex min-w-0 flex-wrap items-center gap-x-6 gap-y-1">
          <label className="w-[15.5rem] shrink-0 max-md:w-full">
            <span className="block text-[1.1875rem] leading-tight font-bold max-md:flex max-md:min-h-11 max-md:items-center">{nameOf(here)}</span>
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
            <ReadBack heard={heard} subject={subject} preview={preview} cylinder={cylinder} options={options} onPick={log} onBack={() => input.current?.focus()} idle={idle} />
          </div>
        </div>
        <div className="flex items-center gap-3 text-sm text-soft max-md:absolute max-md:top-2 max-md:right-4">
          <div className={`grid gap-1 whitespace-nowrap max-lg:hidden ${heard.kind === 'question' ? 'hidden' : ''}`}>
            <span>
              <Key>↑</Key> <Key>↓</Key> cylinder
            </span>
            <span>
              <Key>←</Key> <Key>→</Key> {work === 'rings' ? 'ring' : 'bore, piston'}
            </span>
          </div>
          <button type="button" onClick={undo} className="flex min-h-11 items-center gap-1.5 rounded border border-edge px-3 text-ink">
            <Undo2 size={18} aria-hidden /> Undo
            <span className="max-md:hidden">
              <Key>Z</Key>
            </span>
          </button>
          <button type="button" onClick={toggleKeypad} aria-pressed={keypad} aria-label="Keypad" className="grid size-11 place-items-center rounded border border-edge text-ink aria-pressed:bg-ink aria-pressed:text-sheet">
            <Keyboard size={20} aria-hidden />
          </button>
        </div>
      </div>
      {keypad && <Keypad onKey={(key) => setTyped((t) => t + key)} onBack={() => setTyped((t) => t.slice(0, -1))} onEnter={enter} />}
    </section>
  );
}
