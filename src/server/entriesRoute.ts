/**
 * GET  /api/builds/:id/entries?since=SEQ   what was appended after SEQ, 500 at most: { seq, entries, isMore }; with
 * &bench=ID&at=3.top&by=AB&mine=rings.L1
 *                                          also { others }: where the other windows on it are, and what they took
 * POST /api/builds/:id/entries?since=SEQ   appends { entries }; the same entry twice is added once, another with its id is refused with 409
 */
import { z } from 'zod';
import type { EntriesAnswer } from '@/server/answers';
import { MOST_ENTRIES_BYTES, entriesSchema, faultsOf } from '@/files/schema';
import { requestContext, barredFrom, initialsFor, roleOf } from '@/people/requestContext';
import { DECIDED_KINDS, may } from '@/people/permissions';
import type { Database } from '@/store/open';
import { database } from '@/store/store';
import { answered, fault, jsonWithin, noSuchBuild } from './responses';
import { type Present, presence } from '@/store/presence';
import { type LogPosition, appendEntries, entriesSince, positionOf } from '@/store/log';

const bodySchema = z.strictObject({ entries: entriesSchema });

const STATUS = { missing: 404, faults: 422, clash: 409 } as const;

type Context = { params: Promise<{ id: string }> };

function sinceOf(request: Request): number {
  const since = Number(new URL(request.url).searchParams.get('since') ?? 0);
  return Number.isSafeInteger(since) && since > 0 ? since : 0;
}

export const GET = answered(async (request: Request, { params }: Context): Promise<Response> => {
  const { id } = await params;
  const db = await database();
  const since = sinceOf(request);
  const stand = await positionOf(db, id);
  if (stand === null) return noSuchBuild(id);
  const others = othersFor(id, new URL(request.url).searchParams);
  const barred = barredFrom(requestContext());
  return Response.json({
    ...(await newSince(db, id, stand, since)),
    conflicts: [],
    ...(others && { others }),
    ...(barred && { barred }),
  } satisfies EntriesAnswer);
});

/** What came after a position, a page of it, and up to where that goes. */
async function newSince(
  db: Database,
  id: string,
  stand: LogPosition,
  since: number,
): Promise<Omit<EntriesAnswer, 'conflicts'>> {
  const { entries, last, isMore } =
    stand.seq > since ? await entriesSince(db, id, since) : { entries: [], last: null, isMore: false };
  return {
    seq: isMore && last !== null ? last : stand.seq,
    entries,
    ...(isMore && { isMore }),
    // known up to a position from before a restore
    ...(since > 0 && since <= stand.restoredAt && { isPast: true }),
  };
}

/** Where the other windows of a build are, told to one that says where it is itself; else null. */
function othersFor(id: string, asked: URLSearchParams): Present[] | null {
  const bench = asked.get('bench') ?? '';
  const at = asked.get('at') ?? '';
  if (!/^[\w-]{1,40}$/.test(bench) || !/^[\w.]{0,60}$/.test(at)) return null;
  const mine = (asked.get('mine') ?? '').split(',').filter((what) => /^[\w.]{1,40}$/.test(what));
  return presence.at(id, bench, { by: initialsFor(requestContext(), asked.get('by')), at, mine });
}

export const POST = answered(async (request: Request, { params }: Context): Promise<Response> => {
  const { id } = await params;
  const body = await jsonWithin(request, MOST_ENTRIES_BYTES);
  if (!body.ok) return body.answer;
  const parsed = bodySchema.safeParse(body.json);
  if (!parsed.success) return fault(422, ...faultsOf(parsed.error));
  const asking = requestContext();
  const decided = parsed.data.entries.find((entry) => DECIDED_KINDS.includes(entry.kind));
  if (decided && !may(roleOf(asking), 'decide'))
    return fault(422, 'What the engine is, its chart and its targets are for a builder or the owner to set.');
  const made = parsed.data.entries.map((entry) => ({ ...entry, by: initialsFor(asking, entry.by) }));
  const db = await database();
  const appended = await appendEntries(db, id, made);
  if (!appended.ok) return fault(STATUS[appended.why], ...appended.faults);
  const since = sinceOf(request);
  return Response.json({
    ...(await newSince(db, id, appended.stand, since)),
    conflicts: appended.conflicts,
  } satisfies EntriesAnswer);
});
