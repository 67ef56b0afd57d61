'use client';

/**
 * Entries made here that the server has not acknowledged yet. They live in the browser's storage, so that
 * neither a reload nor a stopped server loses one, and each carries its own id, so that sending it again
 * adds nothing.
 */
import { z } from 'zod';
import type { Entry } from '@/core/build/record';
import { entrySchema } from '@/files/schema';

const keyOf = (buildId: string): string => `spatium-outbox:${buildId}`;
const stored = z.array(entrySchema);

/** What waits to be sent for a build, in order. */
export function waitingFor(buildId: string): Entry[] {
  try {
    const parsed = stored.safeParse(JSON.parse(localStorage.getItem(keyOf(buildId)) ?? '[]'));
    return parsed.success ? parsed.data : [];
  } catch {
    return [];
  }
}

function write(buildId: string, entries: Entry[]): void {
  try {
    if (entries.length === 0) localStorage.removeItem(keyOf(buildId));
    else localStorage.setItem(keyOf(buildId), JSON.stringify(entries));
  } catch {
    // Storage full or forbidden: the entries still wait in this page's memory.
  }
}

/** Adds entries to what waits. Other tabs of this browser share it, so it is read afresh. */
export function addWaiting(buildId: string, entries: Entry[]): void {
  const waiting = waitingFor(buildId);
  const known = new Set(waiting.map((e) => e.id));
  write(buildId, [...waiting, ...entries.filter((e) => !known.has(e.id))]);
}

/** Takes acknowledged or refused entries off what waits. */
export function dropWaiting(buildId: string, ids: Set<string>): void {
  write(
    buildId,
    waitingFor(buildId).filter((e) => !ids.has(e.id)),
  );
}
