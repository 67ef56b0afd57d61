'use server';

/** What the screens outside a build ask of the server. */
import { randomUUID } from 'node:crypto';
import { revalidatePath } from 'next/cache';
import { z } from 'zod';
import type { Job } from '@/core/build/record';
import { faultsOf, jobSchema } from '@/files/schema';
import { createBuild, setRemoved } from '@/store/builds';
import { database } from '@/store/store';

export type Begun = { ok: true; id: string } | { ok: false; faults: string[] };

const initials = z.string().max(12);
const idsSchema = z.array(z.string().max(64)).max(100);

/** A new build with its job card. Sending the same id twice begins one build. */
export async function beginBuild(id: string, job: Job, by: string): Promise<Begun> {
  const parsed = jobSchema.safeParse(job);
  if (!parsed.success) return { ok: false, faults: faultsOf(parsed.error) };
  const known = z.uuid().safeParse(id);
  const record = {
    id: known.success ? known.data : randomUUID(),
    entries: [{ kind: 'job' as const, id: 'job-1', at: new Date().toISOString(), by: initials.parse(by), replaces: null, value: parsed.data }],
  };
  await createBuild(await database(), record);
  return { ok: true, id: record.id };
}

/** Takes builds off the shelf. */
export async function removeBuilds(ids: string[]): Promise<void> {
  await setRemoved(await database(), idsSchema.parse(ids), true);
  revalidatePath('/');
}

/** Puts builds back on the shelf. */
export async function restoreBuilds(ids: string[]): Promise<void> {
  await setRemoved(await database(), idsSchema.parse(ids), false);
  revalidatePath('/');
}
