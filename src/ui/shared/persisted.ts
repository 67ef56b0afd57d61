'use client';

/** Small settings of this browser, kept in it: initials, units of a build, keypad. */
import { useCallback, useSyncExternalStore } from 'react';

const CHANGED = 'spatium-kept';

/** What the browser refused to keep: it lasts for the page. */
const ofPage = new Map<string, string>();

/** A setting as it is kept now; null where there is none. */
export function persisted(key: string): string | null {
  const own = ofPage.get(key);
  if (own !== undefined) return own;
  try {
    return localStorage.getItem(key);
  } catch {
    return null;
  }
}

/** Keeps a setting; where the browser refuses, it lasts for the page only. */
export function persist(key: string, value: string): void {
  try {
    localStorage.setItem(key, value);
    ofPage.delete(key);
  } catch {
    ofPage.set(key, value);
  }
  window.dispatchEvent(new Event(CHANGED));
}

/** Keeps a setting for this page alone. */
export function holdForPage(key: string, value: string): void {
  ofPage.set(key, value);
  window.dispatchEvent(new Event(CHANGED));
}

function subscribe(changed: () => void): () => void {
  window.addEventListener(CHANGED, changed);
  window.addEventListener('storage', changed);
  return () => {
    window.removeEventListener(CHANGED, changed);
    window.removeEventListener('storage', changed);
  };
}

/** A setting and its setter. The server and the first paint see the fallback. */
export function usePersisted(key: string, fallback: string): [string, (value: string) => void] {
  const value = useSyncExternalStore(
    subscribe,
    () => persisted(key) ?? fallback,
    () => fallback,
  );
  return [value, useCallback((next: string) => persist(key, next), [key])];
}
