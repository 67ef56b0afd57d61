'use client';

import { CornerDownLeft, Undo2 } from 'lucide-react';
import { type ReactNode, type RefObject, useEffect, useRef, useState } from 'react';
import { flushSync } from 'react-dom';
import type { BenchFigure } from '@/core/stages/assembly/benchFigure';
import { KeypadButton } from '../line/KeypadButton';
import { focusIn, useClearOf } from '../line/useClearOf';
import { hasFingersOnly, useKeypad } from '../line/useKeypad';
import { useLive } from '../openBuild/contexts';
import { Button, Key } from '../shared/Button';
import { onDemand } from '../shared/onDemand';
import { useForm } from '../shared/useForm';
import { takesKeys, takesText } from './takesKeys';

const FigureKeypad = onDemand(() => import('../line/Keypad').then((m) => m.FigureKeypad));

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

interface Props<V> {
  /** Where figures that are not logged yet are kept. */
  draft: string;
  /** What the figure is of: one that is not logged stays with what it was typed for. */
  of: string;
  nameOf: (of: string) => string;
  /** What is read now, in words. */
  title: string;
  unit: string;
  hear: (text: string) => BenchFigure<V>;
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

/** Nothing typed. */
const NOTHING: Record<string, string> = {};

/** What is typed for the thing in hand, and what waits for others: a figure that is not logged stays with what it was typed for. */
function useTexts<V>({ draft, of, unit, nameOf }: Props<V>): {
  text: string;
  setText: (text: string) => void;
  elsewhere: string[];
} {
  const { draft: texts, set } = useForm({ name: draft, base: NOTHING, onSet: () => undefined });
  // a figure keeps the unit that it was typed in: in another it would be another
  const slot = `${of}|${unit}`;
  return {
    text: texts[slot] ?? '',
    setText: (value) =>
      set((before) => {
        const others = Object.fromEntries(Object.entries(before).filter(([key]) => key !== slot));
        return value === '' ? others : { ...others, [slot]: value };
      }),
    elsewhere: Object.entries(texts).flatMap(([key, typed]) => {
      const [other = '', itsUnit = ''] = key.split('|');
      return key === slot ? [] : [`${nameOf(other)}: ${typed} ${itsUnit}`.trim()];
    }),
  };
}

interface Entry<V> {
  text: string;
  elsewhere: string[];
  heard: BenchFigure<V>;
  said: string;
  /** Whether what is typed is asked about now. */
  isQuestion: boolean;
  input: RefObject<HTMLInputElement | null>;
  /** The first answer to a question. */
  first: RefObject<HTMLButtonElement | null>;
  type: (text: string) => void;
  press: (key: string) => void;
  enter: () => void;
  log: (value: V, typed: string) => void;
  takeBack: () => void;
}

/** What is typed, what it means, and what is done with it. */
function useFigure<V>(props: Props<V>): Entry<V> {
  const { hear, onLog, plain = null, undo, onLogged } = props;
  const { text, setText, elsewhere } = useTexts(props);
  const [said, setSaid] = useState('');
  const [isAsked, setAsked] = useState(false);
  const input = useRef<HTMLInputElement>(null);
  const first = useRef<HTMLButtonElement>(null);
  const heard = hear(text);
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
    if (heard.kind === 'understood') return log(heard.value, text.trim());
    if (heard.kind === 'refused') return setSaid(heard.why);
    if (heard.kind === 'question') {
      flushSync(() => setAsked(true));
      return focusIn(first.current);
    }
    if (!plain) return;
    plain.onDone();
    setSaid('');
  };
  const type = (typed: string): void => {
    setText(typed.slice(0, MOST_TYPED));
    setAsked(false);
    setSaid('');
  };
  return {
    ...{ text, elsewhere, heard, said, input, first, type, enter, log },
    isQuestion: heard.kind === 'question' && (isAsked || heard.isBegun !== true),
    press: (key) => type(/^[\d.@/]$/.test(key) ? text + key : `${text.replace(/[^\d.,@/]*$/, '')} ${key}`),
    takeBack: () => {
      if (!undo || isBarred()) return;
      undo.onUndo();
      setSaid(`Taken back: ${undo.words}.`);
      focusIn(input.current);
    },
  };
}

type Pressed = Pick<globalThis.KeyboardEvent, 'key' | 'ctrlKey' | 'metaKey' | 'altKey' | 'repeat' | 'preventDefault'>;

const isPressable = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement && target.closest('button, a, summary, [type=checkbox]') !== null;

/** The keys of the line, on it and wherever the focus is but in another field. */
function useFigureKeys<V>({ text, input, enter, type, takeBack }: Entry<V>, { onStep, onLogged }: Props<V>) {
  const ofKey = (key: string): (() => void) | null => {
    if (key === 'Enter') return enter;
    if (text !== '') return key === 'Escape' ? () => type('') : null;
    if (key.toLowerCase() === 'z') return takeBack;
    const step = ({ ArrowDown: 1, ArrowUp: -1 } as const)[key];
    return onStep && step ? () => onStep(step) : null;
  };
  const onKey = (event: Pressed): void => {
    const act = event.ctrlKey || event.metaKey || event.altKey ? null : ofKey(event.key);
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
  }, [isGuest, input]);
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
  }, [isGuest, input]);
  return onKey;
}

/** A figure is typed and logged: Enter logs, the arrows lead on, Z takes the last back. What is doubtful is asked about first. */
export function TorqueEntry<V>(props: Props<V>) {
  const { draft, unit, plain = null, onStep, lead, onLogged, padKey = '', children } = props;
  const figure = useFigure(props);
  const { text, type, enter } = figure;
  const onKey = useFigureKeys(figure, props);
  const [keypad, toggleKeypad] = useKeypad();
  /** Among other things that take keys the keypad shows once the line is gone to. */
  const [isGoneTo, setGoneTo] = useState(false);
  const region = useRef<HTMLElement>(null);
  useClearOf(region);
  const isGuest = onLogged !== undefined;
  /** Whether there is nothing to type: it is only done. */
  const isPlain = plain !== null && unit === '';
  const isPadShown = keypad && !isPlain && (!isGuest || isGoneTo);
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
      <FigureFields of={props} figure={figure} keypad={keypad} onKey={onKey} onFocus={() => setGoneTo(true)}>
        {!isPlain && <KeypadButton isShown={keypad} onToggle={toggleKeypad} />}
      </FigureFields>
      <Said id={`said-${draft}`} figure={figure}>
        {children}
      </Said>
      {!isGuest && !keypad && <LineKeys enter={plain ? 'done' : 'log'} hasSteps={onStep !== null} />}
      {isPadShown && (
        <FigureKeypad
          beside={[...(UNIT_KEYS[unit] ?? ['', '']), padKey]}
          onKey={figure.press}
          onBack={() => type(text.slice(0, -1).trimEnd())}
          onEnter={enter}
        />
      )}
    </section>
  );
}

interface FigureFieldsProps<V> {
  of: Props<V>;
  figure: Entry<V>;
  keypad: boolean;
  onKey: (event: Pressed) => void;
  onFocus: () => void;
  children: ReactNode;
}

/** What is typed, with its name and unit, and the buttons beside it. */
function FigureFields<V>({ of, figure, keypad, onKey, onFocus, children }: FigureFieldsProps<V>) {
  const { draft, title, unit, plain = null, undo, onLogged } = of;
  const { text, heard, input, type, enter } = figure;
  const isDone = heard.kind === 'empty' && plain;
  return (
    <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
      <label className="text-lg font-bold" htmlFor={`line-${draft}`}>
        {title}
      </label>
      {!(plain && unit === '') && (
        <input
          ref={input}
          id={`line-${draft}`}
          className="field figures max-w-44 text-2xl"
          inputMode={keypad ? 'none' : 'decimal'}
          autoComplete="off"
          maxLength={MOST_TYPED}
          onFocus={onFocus}
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
        {isDone ? isDone.words : 'Log'} <CornerDownLeft size={16} aria-hidden />
      </Button>
      {!onLogged && (
        <Button onClick={figure.takeBack} disabled={!undo} title={undo ? `Takes back ${undo.words}` : undefined}>
          <Undo2 size={16} aria-hidden /> Undo
        </Button>
      )}
      {children}
    </div>
  );
}

/** What the figure was understood as, or is asked about; else what was done last, or is to be known. */
function Said<V>({ id, figure, children }: { id: string; figure: Entry<V>; children: ReactNode }) {
  const { text, heard, said, isQuestion, input, first, log, elsewhere } = figure;
  const isAsking = isQuestion && heard.kind === 'question';
  return (
    <>
      <div id={id} role="status" className="mt-1.5 min-h-6">
        {said !== '' && text !== '' ? (
          <b className="text-over">{said}</b>
        ) : heard.kind === 'understood' ? (
          <b>{heard.says}</b>
        ) : isAsking ? (
          <span className="text-short">{heard.ask}</span>
        ) : (
          said || children
        )}
      </div>
      {isAsking && (
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
    </>
  );
}

function LineKeys({ enter, hasSteps }: { enter: string; hasSteps: boolean }) {
  return (
    <p className="flex flex-wrap gap-x-4 text-sm text-soft max-md:hidden">
      <span>
        <Key>Enter</Key> {enter}
      </span>
      {hasSteps && (
        <span>
          <Key>↑</Key> <Key>↓</Key> before, next
        </span>
      )}
      <span>
        <Key>Z</Key> undo
      </span>
    </p>
  );
}
