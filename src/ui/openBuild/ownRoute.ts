'use client';

/** How this window goes about a build: the order it takes things in, and what it took for its own. Kept in the window. */
import { useMemo, useSyncExternalStore } from 'react';
import type { BenchRoute } from '@/core/judge/route';
import { ROUTES } from '@/core/stages/rings/choices';

type Own = Omit<BenchRoute, 'taken'> & { mine: readonly string[] };

const NONE: Own = { rings: null, bores: null, mine: [] };
const CHANGED = 'spatium-own-route';
const keyOf = (buildId: string): string => `spatium-own-route:${buildId}`;

/** What the browser refused to keep lasts for the page. */
const ofPage = new Map<string, string>();

function storedText(buildId: string): string {
  const held = ofPage.get(buildId);
  if (held !== undefined) return held;
  try {
    return sessionStorage.getItem(keyOf(buildId)) ?? '';
  } catch {
    return '';
  }
}

const oneOf = <T extends string>(options: readonly T[], value: unknown): T | null =>
  options.find((option) => option === value) ?? null;

function ownFrom(text: string): Own {
  if (text === '') return NONE;
  try {
    const { rings, bores, mine } = JSON.parse(text) as Partial<Record<keyof Own, unknown>>;
    return {
      rings: oneOf(ROUTES, rings),
      bores: oneOf(['byCylinder', 'byDepth'] as const, bores),
      mine: Array.isArray(mine) ? mine.filter((m) => typeof m === 'string') : [],
    };
  } catch {
    return NONE;
  }
}

/** What this window took for its own of a build. */
export const mineOf = (buildId: string): readonly string[] => ownFrom(storedText(buildId)).mine;

function change(buildId: string, by: Partial<Own>): void {
  const text = JSON.stringify({ ...ownFrom(storedText(buildId)), ...by });
  try {
    sessionStorage.setItem(keyOf(buildId), text);
    ofPage.delete(buildId);
  } catch {
    ofPage.set(buildId, text);
  }
  window.dispatchEvent(new Event(CHANGED));
}

function subscribe(changed: () => void): () => void {
  window.addEventListener(CHANGED, changed);
  return () => window.removeEventListener(CHANGED, changed);
}

export interface OwnRoute extends Own {
  setRoute: (route: Partial<Omit<BenchRoute, 'taken'>>) => void;
  /** Takes something for this bench, or lets go of it. */
  claim: (what: string, held: boolean) => void;
}

export function useOwnRoute(buildId: string): OwnRoute {
  const text = useSyncExternalStore(
    subscribe,
    () => storedText(buildId),
    () => '',
  );
  return useMemo(
    () => ({
      ...ownFrom(text),
      setRoute: (route) => change(buildId, route),
      claim: (what, held) => {
        const others = mineOf(buildId).filter((m) => m !== what);
        change(buildId, { mine: held ? [...others, what] : others });
      },
    }),
    [buildId, text],
  );
}
