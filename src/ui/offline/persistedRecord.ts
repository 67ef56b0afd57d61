'use client';

/** The record of a build as this browser last knew it, for when the page that is there is older. */
import { get, set } from 'idb-keyval';
import { type Entry, ENTRY_SHAPE } from '@/core/judge/buildRecord';

interface Kept {
  entries: Entry[];
  seq: number;
}

interface Stored extends Kept {
  /** The shape that its entries are in; missing where a program kept it that noted none. */
  shape?: number;
}

const KEY = 'spatium-record:';
const keyOf = (buildId: string): string => `${KEY}${buildId}`;

/** Whether what this browser keeps under a key is the record of a build. */
export const isRecordKey = (key: unknown): boolean => typeof key === 'string' && key.startsWith(KEY);

/**
 * What was known last, where that is more than up to a position; null for no more, or where the browser keeps
 * nothing. What an older program kept is read through the schema, so that it means what it meant.
 */
export async function persistedRecord(buildId: string, since: number): Promise<Kept | null> {
  try {
    const stored = await get<Stored>(keyOf(buildId));
    if (!stored || stored.seq <= since) return null;
    const { entries, seq, shape } = stored;
    if (shape === ENTRY_SHAPE) return { entries, seq };
    const { validateEntries } = await import('../openBuild/validateStored');
    return { entries: validateEntries(entries), seq };
  } catch {
    return null;
  }
}

/** Keeps what the server is known to have; where the browser refuses, the page goes on without. */
export async function persistRecord(buildId: string, known: Kept): Promise<void> {
  try {
    await set(keyOf(buildId), { ...known, shape: ENTRY_SHAPE } satisfies Stored);
  } catch {
    // Storage full or forbidden.
  }
}
