'use client';

/**
 * The address of this page, as far as the page itself says it: which stage of the open build, which view, which ring.
 * Going from one to another requests nothing from the server, so it works offline, and draws nothing anew but what reads
 * the address: the framework's own history is passed by, and its state kept for Back and reload.
 */
import { useSyncExternalStore } from 'react';

const MOVED = 'spatium-moved';

function subscribe(changed: () => void): () => void {
  window.addEventListener('popstate', changed);
  window.addEventListener(MOVED, changed);
  return () => {
    window.removeEventListener('popstate', changed);
    window.removeEventListener(MOVED, changed);
  };
}

const address = (): string => window.location.pathname + window.location.search;

/**
 * The framework writes the address it went to last whenever its state changes, also after this page has moved on by
 * itself: it then writes its state, and the address stays. A step it pushes is one that somebody takes: that stands.
 */
function keepAddress(): void {
  let last = address();
  for (const method of ['pushState', 'replaceState'] as const) {
    const write = window.history[method].bind(window.history);
    window.history[method] = (state: unknown, unused, url) => {
      let to = url;
      if (url != null && (state as { __NA?: unknown } | null)?.__NA) {
        const { pathname, search } = new URL(url, window.location.href);
        const isWrittenAgain = method === 'replaceState' && pathname + search === last;
        if (isWrittenAgain && address() !== last) to = address();
        last = pathname + search;
      }
      write(state, unused, to);
    };
  }
}

if (typeof window !== 'undefined') keepAddress();

/** Takes another address without leaving the page: as a step that Back undoes, or in place of this one. */
export function moveTo(to: string, how: 'step' | 'replace'): void {
  if (to === address()) return;
  const method = how === 'step' ? 'pushState' : 'replaceState';
  try {
    History.prototype[method].call(window.history, window.history.state, '', to);
  } catch {
    // Browsers limit how often a page may write its history: the address stays as it was.
  }
  window.dispatchEvent(new Event(MOVED));
}

/** The address with some of its words changed; null takes one out. */
export function withWords(words: Record<string, string | null>): string {
  const search = new URLSearchParams(window.location.search);
  for (const [name, value] of Object.entries(words))
    if (value === null) search.delete(name);
    else search.set(name, value);
  const text = search.toString();
  return window.location.pathname + (text && `?${text}`);
}

/** A word of the address as it stands; null where it is not there. */
export const wordOf = (name: string): string | null => new URLSearchParams(window.location.search).get(name);

/** The path of this page; null while the server draws it. */
export const usePath = (): string | null =>
  useSyncExternalStore(
    subscribe,
    () => window.location.pathname,
    () => null,
  );

/** One word of the address; null where it is not there, and while the server draws the page. */
export const useWord = (name: string): string | null =>
  useSyncExternalStore(
    subscribe,
    () => wordOf(name),
    () => null,
  );

/** Which view of a stage is in sight, by the address; the first where it says none. */
export function useView<T extends string>(views: readonly [T, ...T[]]): [T, (view: T) => void] {
  const word = useWord('view');
  const view = views.find((v) => v === word) ?? views[0];
  return [view, (next) => moveTo(withWords({ view: next === views[0] ? null : next }), 'step')];
}

const BUILD = /^\/builds\/[^/]+\//;

/** Whether an address is of the build that this page has open. */
export const isOfThisBuild = (href: string): boolean => {
  const build = BUILD.exec(window.location.pathname)?.[0];
  return build !== undefined && href.startsWith(build);
};
