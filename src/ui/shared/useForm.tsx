'use client';

/**
 * Forms: what is filled in, what is wrong with it by field, and what is kept of it in this window until it is set or
 * thrown away, over reload, Back and another stage.
 *
 * A hook of our own: a form library brings its own fields and rules; ours parse bench talk, and the rules are core's,
 * which files and the server hold entries to as well.
 */
import {
  type KeyboardEventHandler,
  type ReactNode,
  type SyntheticEvent,
  useEffect,
  useEffectEvent,
  useState,
} from 'react';
import type { Faults } from '@/core/foundation/quantity/faults';
import { Button } from './Button';

const BUILD = /^\/builds\/[^/]+/;
const keyOf = (name: string): string =>
  `spatium-draft:${BUILD.exec(window.location.pathname)?.[0] ?? window.location.pathname}:${name}`;

/** Whether something has the fields of another: what was kept by an earlier version may not. Null may stand for anything. */
function isLike(found: unknown, like: unknown): boolean {
  if (found === null || like === null) return true;
  if (typeof found !== typeof like || Array.isArray(found) !== Array.isArray(like)) return false;
  if (typeof found !== 'object' || Array.isArray(like)) return true;
  const [mine, yours] = [found, like] as Record<string, unknown>[];
  return Object.keys(yours ?? {}).every((key) => key in (mine ?? {}) && isLike(mine?.[key], yours?.[key]));
}

/** A draft that was kept, where it has the fields of what is set; null for none. */
export function keptDraft<T>(name: string, base: T): T | null {
  if (typeof window === 'undefined') return null;
  try {
    const kept = JSON.parse(sessionStorage.getItem(keyOf(name)) ?? 'null') as unknown;
    return kept !== null && isLike(kept, base) ? (kept as T) : null;
  } catch {
    return null;
  }
}

function keep(name: string, text: string | null): void {
  try {
    if (text === null) sessionStorage.removeItem(keyOf(name));
    else sessionStorage.setItem(keyOf(name), text);
  } catch {
    // Storage full or forbidden: it lasts as long as the form is open.
  }
}

/** Throws away what is left of a form of this build: it begins with what is set when it is drawn anew. */
export const dropDraft = (name: string): void => keep(name, null);

/** Where a value stands in a draft: its keys with dots between. */
type Path<T> = {
  [K in keyof T & string]: T[K] extends Leaf ? K : K | `${K}.${Path<T[K]>}`;
}[keyof T & string];
type Leaf = string | number | boolean | null | readonly unknown[];
type At<T, P extends string> = P extends keyof T
  ? T[P]
  : P extends `${infer K extends keyof T & string}.${infer Rest}`
    ? At<T[K], Rest>
    : never;

type Branch = Readonly<Record<string, unknown>>;

const valueAt = (draft: unknown, [key, ...rest]: readonly string[]): unknown =>
  key === undefined ? draft : valueAt((draft as Branch)[key], rest);

const withValue = (draft: unknown, [key, ...rest]: readonly string[], value: unknown): unknown =>
  key === undefined ? value : { ...(draft as Branch), [key]: withValue((draft as Branch)[key], rest, value) };

/** What a field of a form takes. */
export interface FormField<V> {
  value: V;
  onChange: (value: V) => void;
  /** Told what is wrong with what is typed, which is no value yet; null where it is one. */
  onFault: (fault: string | null) => void;
}

export interface Form<T> {
  draft: T;
  set: (change: Partial<T> | ((draft: T) => T)) => void;
  /** A field by its path, e.g. `metals.cap`. */
  field: <P extends Path<T>>(path: P) => FormField<At<T, P>>;
  /** Told what is wrong with what is typed in a field that is deeper in. */
  onFault: (path: string) => (fault: string | null) => void;
  /** What is wrong with a field, by its path. */
  fault: (path: string) => string | undefined;
  /** The first that is wrong; null where it may be set. */
  wrong: string | null;
  /** The first field whose typing is no value yet; null for none. */
  unsettled: string | null;
  isChanged: boolean;
  /** Whether it was to be set while something was wrong. */
  isTried: boolean;
  /** Says that this was left before; to stand above the form. */
  note: ReactNode;
  /** Changes where fields are to be drawn anew: they keep what was typed to themselves. */
  drawn: number;
  /** For the form: sets the draft where nothing is wrong with it. */
  submit: (event: SyntheticEvent) => void;
  /** Throws the draft away. */
  drop: () => void;
}

interface FormOptions<T> {
  /** Unlike those of other forms of this build; null keeps nothing. */
  name: string | null;
  /** What is set. */
  base: T;
  faultsOf?: (draft: T) => Faults;
  onSet: (value: T) => void;
  /** The units its fields are shown in. */
  units?: string;
}

/** What a form is over: another name is another form. */
interface Over<T> {
  name: string | null;
  base: T;
  units: string;
}

interface State<T> {
  over: Over<T>;
  draft: T;
  /** Faults of what is typed, by field. */
  typed: Readonly<Record<string, string | null>>;
  isLeft: boolean;
  isTried: boolean;
  /** How often its fields were drawn anew. */
  times: number;
}

const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);

/** Without spaces round any text. */
const trimmed = <T,>(draft: T): T =>
  JSON.parse(JSON.stringify(draft), (_, part: unknown) => (typeof part === 'string' ? part.trim() : part)) as T;

function begun<T>(over: Over<T>, times = 0): State<T> {
  const kept = over.name === null ? null : keptDraft(over.name, over.base);
  const isLeft = kept !== null && !same(kept, over.base);
  return { over, draft: kept ?? over.base, typed: {}, isLeft, isTried: false, times };
}

/**
 * The state once it is over something else. A draft that was not touched follows what is set; one that was stays as it
 * is, its fields too, unless it is what was set now, or is shown in other units.
 */
function rebased<T>(state: State<T>, over: Over<T>): State<T> {
  if (over.name !== state.over.name) return begun(over, state.times + 1);
  const isTouched = !same(state.draft, state.over.base);
  const draft = isTouched ? state.draft : over.base;
  const isOther = !same(draft, over.base);
  if (isOther && over.units === state.over.units) return { ...state, over, isLeft: true };
  return { over, draft, typed: {}, isLeft: isOther, isTried: false, times: state.times + 1 };
}

/** A form over what is set. */
export function useForm<T extends object>({
  name,
  base,
  faultsOf = () => ({}),
  onSet,
  units = '',
}: FormOptions<T>): Form<T> {
  const over = { name, base, units };
  const [kept, setState] = useState(() => begun(over));
  const state = same(kept.over, over) ? kept : rebased(kept, over);
  if (state !== kept) setState(state);
  const { draft, typed, isTried, isLeft, times } = state;
  const text = JSON.stringify(draft);
  const isChanged = text !== JSON.stringify(base);
  useEffect(() => {
    if (name !== null) keep(name, isChanged ? text : null);
  }, [name, isChanged, text]);
  const faults = faultsOf(draft);
  const unsettled = Object.values(typed).find((says) => says) ?? null;
  const wrong = unsettled ?? Object.values(faults)[0] ?? null;
  const change = (next: (before: State<T>) => Partial<State<T>>): void =>
    setState((before) => ({ ...before, ...next(before) }));
  const set: Form<T>['set'] = (by) =>
    change((before) => ({ draft: typeof by === 'function' ? by(before.draft) : { ...before.draft, ...by } }));
  const onFault = (path: string) => (says: string | null) =>
    change((before) => ({ typed: { ...before.typed, [path]: says } }));
  const drop = (): void => {
    if (name !== null) dropDraft(name);
    change(({ times: before }) => ({ draft: base, typed: {}, isLeft: false, isTried: false, times: before + 1 }));
  };
  return {
    draft,
    set,
    field: <P extends Path<T>>(path: P) => ({
      value: valueAt(draft, path.split('.')) as At<T, P>,
      onChange: (value: At<T, P>) => set((before) => withValue(before, path.split('.'), value) as T),
      onFault: onFault(path),
    }),
    onFault,
    fault: (path) => faults[path],
    wrong,
    unsettled,
    isChanged,
    isTried,
    note: isLeft && isChanged && <LeftNote onDrop={drop} />,
    drawn: times,
    submit: (event) => {
      event.preventDefault();
      const value = wrong === null ? trimmed(draft) : draft;
      change(() => ({ isTried: true, draft: value }));
      if (wrong === null) onSet(value);
    },
    drop,
  };
}

/** For a field of several parts: what is wrong with any of them is wrong with it, until it is gone. */
export function usePartFaults(
  onFault: (fault: string | null) => void,
): (part: string) => (fault: string | null) => void {
  const [faults, setFaults] = useState<Readonly<Record<string, string | null>>>({});
  const settle = useEffectEvent(() => onFault(null));
  useEffect(() => () => settle(), []);
  return (part) => (fault) => {
    const next = { ...faults, [part]: fault };
    setFaults(next);
    onFault(Object.values(next).find((f) => f) ?? null);
  };
}

interface DraftFormProps {
  form: Pick<Form<unknown>, 'submit' | 'note'>;
  label?: string;
  /** The heading, over the note. */
  title?: ReactNode;
  className?: string;
  onKeyDown?: KeyboardEventHandler;
  children: ReactNode;
}

/** The form of a draft. Enter sets it too; a note over the fields says that it is as it was left. */
export function DraftForm({ form, label, title, children, ...rest }: DraftFormProps) {
  return (
    <form aria-label={label} onSubmit={form.submit} {...rest}>
      {title}
      {form.note}
      {children}
    </form>
  );
}

function LeftNote({ onDrop }: { onDrop: () => void }) {
  return (
    <p role="status" className="col-span-full flex flex-wrap items-center gap-3 border-l-4 border-short pl-3">
      <span>
        <b>Not saved yet.</b> The saved values differ.
      </span>
      <Button onClick={onDrop}>Throw it away</Button>
    </p>
  );
}

interface FootProps {
  form: { wrong: string | null; isChanged: boolean };
  words: string;
  children?: ReactNode;
}

/** Sets a form, and says what is still wrong with it. */
export function FormFoot({ form, words, children }: FootProps) {
  return (
    <div className="col-span-full flex flex-wrap items-end gap-3">
      <Button type="submit" kind="accent" disabled={form.wrong !== null || !form.isChanged}>
        {words}
      </Button>
      {children}
      {form.wrong && <p className="w-full font-bold text-over">{form.wrong}</p>}
    </div>
  );
}
