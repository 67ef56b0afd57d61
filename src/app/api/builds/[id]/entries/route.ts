/**
 * GET  /api/builds/:id/entries?since=SEQ   what was appended after SEQ: { seq, entries }
 * POST /api/builds/:id/entries?since=SEQ   appends { entries }; the same entry twice is added once
 */
import { z } from 'zod';
import type { EntriesAnswer } from '@/files/answers';
import { MOST_BYTES } from '@/files/buildFile';
import { entriesSchema, faultsOf } from '@/files/schema';
import { database } from '@/store/store';
import { bodyWithin, fault, noSuchBuild } from '../../../answers';
import { appendEntries, entriesSince, lastSeqOf } from '@/store/log';

const bodySchema = z.strictObject({ entries: entriesSchema });

type Context = { params: Promise<{ id: string }> };

function sinceOf(request: Request): number {
  const since = Number(new URL(request.url).searchParams.get('since') ?? 0);
  return Number.isSafeInteger(since) && since > 0 ? since : 0;
}

export async function GET(request: Request, { params }: Context): Promise<Response> {
  const { id } = await params;
  const db = await database();
  const since = sinceOf(request);
  const seq = await lastSeqOf(db, id);
  if (seq === null) return noSuchBuild(id);
  const entries = seq > since ? await entriesSince(db, id, since) : [];
  return Response.json({ seq, entries, conflicts: [] } satisfies EntriesAnswer);
}

export async function POST(request: Request, { params }: Context): Promise<Response> {
  const { id } = await params;
  const text = await bodyWithin(request);
  if (text === null) return fault(413, `A request is at most ${MOST_BYTES / 1024 / 1024} MB.`);
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch {
    return fault(400, 'The request is not JSON.');
  }
  const parsed = bodySchema.safeParse(json);
  if (!parsed.success) return fault(422, ...faultsOf(parsed.error));
  const db = await database();
  const appended = await appendEntries(db, id, parsed.data.entries);
  if (!appended.ok) return appended.missing ? noSuchBuild(id) : fault(422, ...appended.faults);
  const since = sinceOf(request);
  const entries = await entriesSince(db, id, since);
  return Response.json({ seq: appended.seq, entries, conflicts: appended.conflicts } satisfies EntriesAnswer);
}
