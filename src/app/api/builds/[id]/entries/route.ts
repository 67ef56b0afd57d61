/**
 * GET  /api/builds/:id/entries?since=SEQ   what was appended after SEQ: { seq, entries }; with &bench=ID&at=3.top&by=AB&mine=rings.L1
 *                                          also { others }: where the other windows on it are, and what they took
 * POST /api/builds/:id/entries?since=SEQ   appends { entries }; the same entry twice is added once
 */
import { z } from 'zod';
import type { EntriesAnswer } from '@/files/answers';
import { MOST_BYTES } from '@/files/buildFile';
import { entriesSchema, faultsOf } from '@/files/schema';
import { database } from '@/store/store';
import { bodyWithin, fault, noSuchBuild } from '../../../answers';
import { type Present, presentAt } from '@/store/presence';
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
  const others = othersFor(id, new URL(request.url).searchParams);
  return Response.json({ seq, entries, conflicts: [], ...(others && { others }) } satisfies EntriesAnswer);
}

/** Where the other windows of a build are, told to one that says where it is itself; else null. */
function othersFor(id: string, asked: URLSearchParams): Present[] | null {
  const bench = asked.get('bench') ?? '';
  const at = asked.get('at') ?? '';
  if (!/^[\w-]{1,40}$/.test(bench) || !/^[\w.]{0,60}$/.test(at)) return null;
  const mine = (asked.get('mine') ?? '').split(',').filter((what) => /^[\w.]{1,40}$/.test(what));
  return presentAt(id, bench, { by: (asked.get('by') ?? '').slice(0, 12), at, mine });
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
