'use client';

/** What is filled into a form and not set yet: kept in this window until it is set or thrown away, over reload, Back and another stage. */
import { type Dispatch, type ReactNode, type SetStateAction, useEffect, useState } from 'react';
import { Button } from './Button';

const BUILD = /^\/builds\/[^/]+/;
const keyOf = (name: string): string =>
  `spatium-draft:${BUILD.exec(window.location.pathname)?.[0] ?? window.location.pathname}:${name}`;

function stored<T>(name: string): T | null {
  try {
    return JSON.parse(sessionStorage.getItem(keyOf(name)) ?? 'null') as T | null;
  } catch {
    return null;
  }
}

function store(name: string, text: string | null): void {
  try {
    if (text === null) sessionStorage.removeItem(keyOf(name));
    else sessionStorage.setItem(keyOf(name), text);
  } catch {
    // Storage full or forbidden: it lasts as long as the form is open.
  }
}

/** Throws away what is left of a form of this build: it begins with what is set when it is drawn anew. */
export const dropDraft = (name: string): void => store(name, null);

/**
 * The draft of a form over what is set, as `useState` gives it, and a note to show above the form while it is one that
 * was left before. `onDrop` draws the form anew, for fields that keep what was typed to themselves.
 *
 * @param name of the form, unlike those of others of this build
 * @param base what is set
 */
export function usePersistedDraft<T>(
  name: string,
  base: T,
  onDrop?: () => void,
): [draft: T, setDraft: Dispatch<SetStateAction<T>>, note: ReactNode] {
  const set = JSON.stringify(base);
  const [left, setLeft] = useState(() => (typeof window === 'undefined' ? null : stored<T>(name)));
  const [draft, setDraft] = useState(left ?? base);
  const text = JSON.stringify(draft);
  const isSet = text === set;
  useEffect(() => store(name, isSet ? null : text), [name, isSet, text]);
  const note =
    left === null || isSet ? null : (
      <p role="status" className="flex flex-wrap items-center gap-3 border-l-4 border-short pl-3">
        <span>
          <b>As you left it, not set yet.</b> What is in force is something else.
        </span>
        <Button
          onClick={() => {
            setLeft(null);
            setDraft(base);
            store(name, null);
            onDrop?.();
          }}
        >
          Throw it away
        </Button>
      </p>
    );
  return [draft, setDraft, note];
}
