'use client';

/** The keys of a step in view: Enter makes it, the arrows go to what stands beside it, X and P note something. */
import { useEffect, useRef } from 'react';
import { takesKeys } from './takesKeys';

interface StepKeys {
  make: () => void;
  beside: (way: 1 | -1) => void;
  note: (form: 'otherwise' | 'pin') => void;
}

/** What a key does; null for one that is left alone. */
function ofKey(key: string, isOnButton: boolean, { make, beside, note }: StepKeys): (() => void) | null {
  const does: Record<string, (() => void) | null> = {
    arrowright: () => beside(1),
    arrowleft: () => beside(-1),
    x: () => note('otherwise'),
    p: () => note('pin'),
    enter: isOnButton ? null : make,
  };
  return does[key] ?? null;
}

export function useStepKeys(keys: StepKeys): void {
  const latest = useRef(keys);
  useEffect(() => {
    latest.current = keys;
  });
  useEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      const { target } = event;
      const isPlain = !event.repeat && !event.ctrlKey && !event.metaKey && !event.altKey;
      if (!isPlain || event.defaultPrevented || takesKeys(target) || !(target instanceof Element)) return;
      const key = event.key.toLowerCase();
      if (key.startsWith('arrow') && target.closest('nav') !== null) return;
      const act = ofKey(key, target.closest('button, a, summary') !== null, latest.current);
      if (!act) return;
      event.preventDefault();
      act();
    };
    document.addEventListener('keydown', onKey);
    return () => document.removeEventListener('keydown', onKey);
  }, []);
}
