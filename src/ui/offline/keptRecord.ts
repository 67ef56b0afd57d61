'use client';

/** The record of a build as this browser last knew it, for when the page that is there is older. */
import { get, set } from 'idb-keyval';
import type { Entry } from '@/core/record/record';

interface Kept {
  entries: Entry[];
  seq: number;
}

const keyOf = (buildId: string): string => `spatium-record:${buildId}`;

/** What was known last; null for nothing, or where the browser keeps nothing. */
export async function keptRecord(buildId: string): Promise<Kept | null> {
  try {
    return (await get<Kept>(keyOf(buildId))) ?? null;
  } catch {
    return null;
  }
}

/** Keeps what the server is known to have; where the browser refuses, the page goes on without. */
export async function keepRecord(buildId: string, known: Kept): Promise<void> {
  try {
    await set(keyOf(buildId), known);
  } catch {
    // Storage full or forbidden.
  }
}
