'use client';

/**
 * What this browser keeps of a build until it is settled: entries the server has not acknowledged, and
 * entries it would not have until someone has seen why. They live in the browser's storage, so that
 * neither a reload nor a stopped server loses one, and each carries its own id, so that sending it again
 * adds nothing.
 */
import { z } from 'zod';
import type { Entry } from '@/core/build/record';
import { entrySchema } from '@/files/schema';

/** An entry the server would not have, and why. */
export interface Trouble {
  entry: Entry;
  why: string;
}

const waitingSchema = z.array(entrySchema);
const troublesSchema: z.ZodType<Trouble[]> = z.array(z.strictObject({ entry: entrySchema, why: z.string() }));

const waitingKey = (buildId: string): string => `spatium-outbox:${buildId}`;
const troublesKey = (buildId: string): string => `spatium-refused:${buildId}`;

function read<T>(key: string, schema: z.ZodType<T[]>): T[] {
  try {
    const parsed = schema.safeParse(JSON.parse(localStorage.getItem(key) ?? '[]'));
    return parsed.success ? parsed.data : [];
  } catch {
    return [];
  }
}

function write(key: string, items: unknown[]): void {
  try {
    if (items.length === 0) localStorage.removeItem(key);
    else localStorage.setItem(key, JSON.stringify(items));
  } catch {
    // Storage full or forbidden: what waits is still in this page's memory.
  }
}

/** What waits to be sent for a build, in order. */
export const waitingFor = (buildId: string): Entry[] => read(waitingKey(buildId), waitingSchema);

/** Adds entries to what waits. Other tabs of this browser share it, so it is read afresh. */
export function addWaiting(buildId: string, entries: Entry[]): void {
  const waiting = waitingFor(buildId);
  const known = new Set(waiting.map((e) => e.id));
  write(waitingKey(buildId), [...waiting, ...entries.filter((e) => !known.has(e.id))]);
}

/** Takes acknowledged or refused entries off what waits. */
export function dropWaiting(buildId: string, ids: Set<string>): void {
  write(
    waitingKey(buildId),
    waitingFor(buildId).filter((e) => !ids.has(e.id)),
  );
}

/** What the server would not have, until it has been seen. */
export const troublesFor = (buildId: string): Trouble[] => read(troublesKey(buildId), troublesSchema);

/** Adds to what the server would not have; gives all of it. */
export function addTroubles(buildId: string, found: Trouble[]): Trouble[] {
  const all = [...troublesFor(buildId), ...found];
  write(troublesKey(buildId), all);
  return all;
}

/** Someone has seen them. */
export const clearTroubles = (buildId: string): void => write(troublesKey(buildId), []);
