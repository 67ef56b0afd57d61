'use client';

/** One scheme of keys for the whole page: what is pressed outside a text field is the line's, wherever the focus is. */
import { type RefObject, useEffect, useRef } from 'react';
import { focusIn } from './useClearOf';

const TEXT_TYPES = ['text', 'search', 'number', 'tel', 'url', 'email', 'password'];

/** Whether what is pressed there is typed there. */
function isTyped(at: Element): boolean {
  if (at.closest('textarea, [contenteditable="true"]')) return true;
  const input = at.closest('input');
  return input !== null && TEXT_TYPES.includes(input.type);
}

/** What has arrow keys of its own. */
const OWN_ARROWS =
  'select, input, [role="radiogroup"], [role="tablist"], [role="slider"], [role="grid"], [role="menu"], summary';

interface Given {
  input: RefObject<HTMLInputElement | null>;
  /** What an entry may begin with. */
  starts: RegExp;
  /** The line is about to be typed on: it has to be in sight. */
  onCall: () => unknown;
  /** Takes a key that is none of an entry; whether it did. */
  onKey: (event: KeyboardEvent) => boolean;
}

/**
 * Digits pressed anywhere go to the line; its letters and arrows work anywhere but in a text field, a dialog, or what
 * has arrows of its own.
 */
export function useGlobalKeyForwarding(given: Given): void {
  const latest = useRef(given);
  useEffect(() => {
    latest.current = given;
  });
  useEffect(() => {
    const onWindowKey = (event: KeyboardEvent): void => {
      const { input, starts, onCall, onKey } = latest.current;
      const at = event.target instanceof Element ? event.target : document.body;
      if (event.defaultPrevented || at === input.current || at.closest('[role="dialog"]') || isTyped(at)) return;
      const isPlain = !event.ctrlKey && !event.metaKey && !event.altKey;
      if (isPlain && starts.test(event.key)) {
        onCall();
        focusIn(input.current);
        return;
      }
      if (event.key.startsWith('Arrow') && at.closest(OWN_ARROWS)) return;
      if (event.key === 'Enter' && at.closest('button, a, summary')) return;
      if (/^[a-z]$/i.test(event.key) || event.key === 'Enter') onCall();
      if (onKey(event)) event.preventDefault();
    };
    window.addEventListener('keydown', onWindowKey);
    return () => window.removeEventListener('keydown', onWindowKey);
  }, []);
}
