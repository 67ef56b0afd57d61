'use client';

/** What was entered on the line and could not be logged as it stood: kept in this browser until it is settled or dropped. */
import { useMemo } from 'react';
import type { Hand } from '@/core/judge/preview';
import type { Nm, Units } from '@/core/foundation/quantity/length';
import type { At } from '@/core/stages/contract/tasks';
import type { Subject } from '@/core/judge/registry';
import { SUBJECT_IDS } from '@/core/judge/stageTables';
import { persist, persisted, usePersisted } from '../shared/persisted';
import { freshId } from '../shared/freshId';

/** What an entry was said in: it means the same later, whatever is spoken or set by then. */
export interface SaidIn {
  units: Units;
  /** As in the parser’s context. */
  setting: Nm | string | null;
  /** What was in hand; missing where an older program kept it. */
  hand?: Hand;
}

export interface NotLogged {
  id: string;
  at: At<Subject>;
  typed: string;
  saidIn: SaidIn;
}

const keyOf = (buildId: string): string => `spatium-not-logged:${buildId}`;

function isNotLogged(item: unknown): item is NotLogged {
  const { id, typed, saidIn, at } = (item ?? {}) as Partial<NotLogged>;
  const isWhole = typeof id === 'string' && typeof typed === 'string' && typeof saidIn?.units === 'string';
  return isWhole && typeof at?.cylinder === 'string' && SUBJECT_IDS.includes(at.subject);
}

function read(text: string): NotLogged[] {
  try {
    const json: unknown = JSON.parse(text || '[]');
    return Array.isArray(json) ? json.filter(isNotLogged) : [];
  } catch {
    return [];
  }
}

/** Keeps an entry that could not be logged; one that says the same of the same place is kept once. */
export function keepNotLogged(buildId: string, { at, typed, saidIn }: Omit<NotLogged, 'id'>): void {
  const items = read(persisted(keyOf(buildId)) ?? '');
  const place = JSON.stringify(at);
  if (typed.trim() === '' || items.some((i) => i.typed === typed && JSON.stringify(i.at) === place)) return;
  persist(keyOf(buildId), JSON.stringify([...items, { id: freshId(), at, typed, saidIn }]));
}

/** What is not logged yet, oldest first, and a way to settle one of it. */
export function useNotLogged(buildId: string): [NotLogged[], (id: string) => void] {
  const [text] = usePersisted(keyOf(buildId), '');
  const items = useMemo(() => read(text), [text]);
  return [
    items,
    (id) => {
      const left = read(persisted(keyOf(buildId)) ?? '').filter((i) => i.id !== id);
      persist(keyOf(buildId), left.length === 0 ? '' : JSON.stringify(left));
    },
  ];
}
