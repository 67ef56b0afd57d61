'use client';

import { CornerDownLeft, Undo2 } from 'lucide-react';
import { flushSync } from 'react-dom';
import { type ReactNode, useEffect, useRef, useState } from 'react';
import { Button, Key } from '../shared/Button';
import { usePersistedDraft } from '../shared/persistedDraft';
import { onDemand } from '../shared/onDemand';
import { useLive } from '../openBuild/contexts';
import { focusIn, useClearOf } from '../line/useClearOf';
import { KeypadButton } from '../line/KeypadButton';
import { hasFingersOnly, useKeypad } from '../line/useKeypad';
import { takesKeys, takesText } from './takesKeys';

const Keypad = onDemand(() => import('../line/Keypad').then((m) => m.FigureKeypad));

/** The keypad’s keys for the units that a figure may be in, by the one that a bare number is in. */
const UNIT_KEYS: Record<string, readonly string[]> = {
  mm: ['mm', 'thou'],
  thou: ['mm', 'thou'],
  in: ['mm', 'in'],
  'N·m': ['N·m', 'lb·ft'],
  'lb·ft': ['N·m', 'lb·ft'],
  g: ['g', 'oz'],
};
const MOST_TYPED = 60;

/** What a figure was understood as. */
export type ParsedTorqueFigure<V> =
  | { kind: 'empty' }
  | { kind: 'understood'; value: V; says: string }
  /** `isPartialInput`: more may still make it right, and nothing is asked before Enter. */
  | { kind: 'question'; ask: string; options: { value: V; words: string }[]; isBegun?: boolean }
  | { kind: 'refused'; why: string };

interface Props<V> {
  /** Where figures that are not logged yet are kept. */
  draft: string;
  /** What the figure is of: one that is not logged stays with what it was typed for. */
  of: string;
  nameOf: (of: string) => string;
  /** What is read now, in words. */
  title: string;
  unit: string;
  hear: (text: string) => ParsedTorqueFigure<V>;
  onLog: (value: V, typed: string) => void;
  /** What is done without a figure, by Enter on an empty line; null where one is needed. */
  plain?: { words: string; onDone: () => void } | null;
  /** What would be taken back, in words; null for nothing. */
  undo: { words: string; onUndo: () => void } | null;
  /** Leads to what is read before or after; null where there is nothing. */
  onStep: ((by: 1 | -1) => void) | null;
  /** What stands above the line and is chosen for it. */
  lead?: ReactNode;
  /** Where it stands among other things that take keys: it takes figures alone, and hands the focus on once one is logged. */
  onLogged?: () => void;
  /** One key more on the keypad. */
  padKey?: string;
  /** What was done last, or what is to be known. */
  children?: ReactNode;
}

type Pressed = Pick<globalThis.KeyboardEvent, 'key' | 'ctrlKey' | 'metaKey' | 'altKey' | 'repeat' | 'preventDefault'>;

const isPressable = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement && target.closest('button, a, summary, [type=checkbox]') !== null;

/** A figure is typed and logged: Enter logs, the arrows lead on, Z takes the last back. What is doubtful is asked about first. */
export function TorqueEntry<V>({
  draft,
  of,
  nameOf,
  title,
  unit,
  hear,
  onLog,
  plain = null,
  undo,
  onStep,
  lead,
  onLogged,
  padKey = '',
  children,
}: Props<V>) {
  const [texts, setTexts] = usePersistedDraft<Record<string, string>>(draft, {});
  // a figure keeps the unit that it was typed in: in another it would be another
  const slot = `${of}|${unit}`;
  const text = texts[slot] ?? '';
  const setText = (value: string): void =>
    setTexts((before) => {
      const others = Object.fromEntries(Object.entries(before).filter(([key]) => key !== slot));
      return value === '' ? others : { ...others, [slot]: value };
    });
  const elsewhere = Object.entries(texts).flatMap(([key, typed]) => {
    const [other = '', itsUnit = ''] = key.split('|');
    return key === slot ? [] : [`${nameOf(other)}: ${typed} ${itsUnit}`.trim()];
  });
  const [said, setSaid] = useState('');
  const [keypad, toggleKeypad] = useKeypad();
  /** Among other things that take keys the keypad shows once the line is gone to. */
  const [isGoneTo, setGoneTo] = useState(false);
  const input = useRef<HTMLInputElement>(null);
  const region = useRef<HTMLElement>(null);
  useClearOf(region);
  const first = useRef<HTMLButtonElement>(null);
  const heard = hear(text);
  const [isAsked, setAsked] = useState(false);
  const isQuestion = heard.kind === 'question' && (isAsked || heard.isBegun !== true);
  const { link } = useLive();
  /** Who only looks logs nothing and takes nothing back; what was typed stays. */
  const isBarred = (): boolean => {
    if (link === 'barred') setSaid('Not logged. Whoever is signed in may look here, and not enter.');
    return link === 'barred';
  };
  const log = (value: V, typed: string): void => {
    if (isBarred()) return;
    onLog(value, typed);
    setText('');
    setSaid('');
    if (onLogged) onLogged();
    else focusIn(input.current);
  };
  const enter = (): void => {
    if (heard.kind === 'understood') log(heard.value, text.trim());
    else if (heard.kind === 'question') {
      flushSync(() => setAsked(true));
      focusIn(first.current);
    } else if (heard.kind === 'refused') setSaid(heard.why);
    else if (plain) {
      plain.onDone();
      setSaid('');
    }
  };
  const type = (typed: string): void => {
    setText(typed.slice(0, MOST_TYPED));
    setAsked(false);
    setSaid('');
  };
  const press = (key: string): void =>
    type(/^[\d.@/]$/.test(key) ? text + key : `${text.replace(/[^\d.,@/]*$/, '')} ${key}`);
  const takeBack = (): void => {
    if (!undo || isBarred()) return;
    undo.onUndo();
    setSaid(`Taken back: ${undo.words}.`);
    focusIn(input.current);
  };
  const onKey = (event: Pressed): void => {
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    const act =
      event.key === 'Enter'
        ? enter
        : event.key === 'Escape' && text !== ''
          ? () => setText('')
          : text !== ''
            ? null
            : event.key === 'ArrowDown' && onStep
              ? () => onStep(1)
              : event.key === 'ArrowUp' && onStep
                ? () => onStep(-1)
                : event.key.toLowerCase() === 'z'
                  ? takeBack
                  : null;
    if (!act) return;
    event.preventDefault();
    // a key that is leant on logs once, and takes one back
    if (!event.repeat || event.key.startsWith('Arrow')) act();
  };
  const isGuest = onLogged !== undefined;
  useEffect(() => {
    // what was here before is gone, and the focus with it: the line is what is worked on now
    if (!isGuest && document.activeElement === document.body && !hasFingersOnly())
      input.current?.focus({ preventScroll: true });
  }, [isGuest]);
  /** Whether there is nothing to type: it is only done. */
  const isPlain = plain !== null && unit === '';
  const latest = useRef(onKey);
  useEffect(() => {
    latest.current = onKey;
  });
  useEffect(() => {
    // what a bench types goes on the line, wherever the focus is but in another field
    const onAny = (event: globalThis.KeyboardEvent): void => {
      if (event.defaultPrevented || takesText(event.target)) return;
      if (/^[\d.,]$/.test(event.key) && !event.ctrlKey && !event.metaKey) focusIn(input.current);
      else if (!isGuest && !takesKeys(event.target) && (event.key !== 'Enter' || !isPressable(event.target)))
        latest.current(event);
    };
    document.addEventListener('keydown', onAny);
    return () => document.removeEventListener('keydown', onAny);
  }, [isGuest]);
  return (
    <section
      ref={region}
      aria-label="Figure line"
      className={
        isGuest
          ? 'border-t-2 border-ink py-3'
          : 'no-print sticky -bottom-4 z-10 -mx-7 mt-auto -mb-4 max-lg:bottom-0 border-t-2 border-ink bg-paper px-7 py-3 max-md:-mx-4 max-md:px-4'
      }
    >
      {lead}
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
        <label className="text-lg font-bold" htmlFor={`line-${draft}`}>
          {title}
        </label>
        {!isPlain && (
          <input
            ref={input}
            id={`line-${draft}`}
            className="field figures max-w-44 text-2xl"
            inputMode={keypad ? 'none' : 'decimal'}
            autoComplete="off"
            maxLength={MOST_TYPED}
            onFocus={() => setGoneTo(true)}
            aria-describedby={`said-${draft}`}
            value={text}
            onKeyDown={onKey}
            onChange={(event) => type(event.target.value)}
          />
        )}
        {unit !== '' && <span className="text-soft">{unit}</span>}
        <Button
          kind="strong"
          disabled={heard.kind === 'empty' && !plain}
          // one press does one thing: a key that is leant on and a second tap do none
          onKeyDown={(event) => event.repeat && event.preventDefault()}
          onClick={(event) => event.detail < 2 && enter()}
        >
          {heard.kind === 'empty' && plain ? plain.words : 'Log'} <CornerDownLeft size={16} aria-hidden />
        </Button>
        {!isGuest && (
          <Button onClick={takeBack} disabled={!undo} title={undo ? `Takes back ${undo.words}` : undefined}>
            <Undo2 size={16} aria-hidden /> Undo
          </Button>
        )}
        {!isPlain && <KeypadButton isShown={keypad} onToggle={toggleKeypad} />}
      </div>
      <div id={`said-${draft}`} role="status" className="mt-1.5 min-h-6">
        {said !== '' && text !== '' ? (
          <b className="text-over">{said}</b>
        ) : heard.kind === 'understood' ? (
          <b>{heard.says}</b>
        ) : isQuestion ? (
          <span className="text-short">{heard.ask}</span>
        ) : (
          said || children
        )}
      </div>
      {isQuestion && (
        <div
          className="mt-1.5 flex flex-wrap gap-2"
          role="group"
          aria-label="Which is it"
          onKeyDown={(event) => {
            if (event.key === 'Escape') focusIn(input.current);
          }}
        >
          {heard.options.map((option, i) => (
            <Button
              key={option.words}
              ref={i === 0 ? first : undefined}
              kind={i === 0 ? 'accent' : 'plain'}
              onClick={() => log(option.value, text.trim())}
            >
              {option.words}
            </Button>
          ))}
        </div>
      )}
      {elsewhere.length > 0 && <p className="text-short">Typed and not logged: {elsewhere.join('; ')}</p>}
      {!isGuest && !keypad && (
        <p className="flex flex-wrap gap-x-4 text-sm text-soft max-md:hidden">
          <span>
            <Key>Enter</Key> {plain ? 'done' : 'log'}
          </span>
          {onStep && (
            <span>
              <Key>↑</Key> <Key>↓</Key> before, next
            </span>
          )}
          <span>
            <Key>Z</Key> undo
          </span>
        </p>
      )}
      {keypad && !isPlain && (!isGuest || isGoneTo) && (
        <Keypad
          beside={[...(UNIT_KEYS[unit] ?? ['', '']), padKey]}
          onKey={press}
          onBack={() => type(text.slice(0, -1).trimEnd())}
          onEnter={enter}
        />
      )}
    </section>
  );
}
