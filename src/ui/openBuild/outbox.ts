'use client';

/**
 * What this browser keeps of a build until it is settled: entries the server has not acknowledged, and
 * entries it would not have until someone has seen why. They live in the browser's storage, so that
 * neither a reload nor a stopped server loses one, and each carries its own id, so that sending it again
 * adds nothing.
 */
import type { Entry } from '@/core/judge/buildRecord';
import { holdForPage } from '../shared/persisted';
import type { RejectedEntry } from './rejectedEntry';

/** What the key of each build's waiting entries begins with. */
export const WAITING = 'spatium-outbox:';
const waitingKey = (buildId: string): string => `${WAITING}${buildId}`;
const troublesKey = (buildId: string): string => `spatium-refused:${buildId}`;

/** What is stored under a key, as far as it is a list of things: not yet known to be sound. */
export function stored(key: string): unknown[] {
  try {
    const json: unknown = JSON.parse(localStorage.getItem(key) ?? '[]');
    return Array.isArray(json) ? json : [];
  } catch {
    return [];
  }
}

const idOf = (item: unknown): unknown =>
  typeof item === 'object' && item !== null && 'id' in item ? item.id : undefined;

function write(key: string, items: unknown[]): void {
  try {
    if (items.length === 0) localStorage.removeItem(key);
    else localStorage.setItem(key, JSON.stringify(items));
  } catch {
    // full or forbidden: what waits is still in this page's memory, and that is said
    holdForPage('spatium-storage', 'full');
  }
}

/** What waits to be sent for a build, in order. What checks it is loaded only where something waits. */
export async function waitingFor(buildId: string): Promise<Entry[]> {
  const items = stored(waitingKey(buildId));
  if (items.length === 0) return [];
  const { validateEntries } = await import('./validateStored');
  return validateEntries(items);
}

/** Told when another window of this browser changes what waits for a build. */
export function onWaiting(buildId: string, changed: () => void): () => void {
  const look = (event: StorageEvent): void => {
    if (event.key === waitingKey(buildId)) changed();
  };
  window.addEventListener('storage', look);
  return () => window.removeEventListener('storage', look);
}

/** Adds entries to what waits. Other tabs of this browser share it, so it is read afresh. */
export function addWaiting(buildId: string, entries: Entry[]): void {
  const waiting = stored(waitingKey(buildId));
  const known = new Set(waiting.map(idOf));
  write(waitingKey(buildId), [...waiting, ...entries.filter((e) => !known.has(e.id))]);
}

/** Takes acknowledged or refused entries off what waits. */
export function dropWaiting(buildId: string, ids: Set<string>): void {
  write(
    waitingKey(buildId),
    stored(waitingKey(buildId)).filter((e) => !ids.has(String(idOf(e)))),
  );
}

/** What the server would not have, until it has been seen. */
export async function troublesFor(buildId: string): Promise<RejectedEntry[]> {
  const items = stored(troublesKey(buildId));
  if (items.length === 0) return [];
  const { validateRejected } = await import('./validateStored');
  return validateRejected(items);
}

/** Adds to what the server would not have. */
export const addTroubles = (buildId: string, found: RejectedEntry[]): void =>
  write(troublesKey(buildId), [...stored(troublesKey(buildId)), ...found]);

/** Someone has seen them. */
export const clearTroubles = (buildId: string): void => write(troublesKey(buildId), []);
