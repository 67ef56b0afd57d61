/**
 * GET  /api/builds/:id/entries?since=SEQ   what was appended after SEQ: { seq, entries }; with &bench=ID&at=3.top&by=AB&mine=rings.L1
 *                                          also { others }: where the other windows on it are, and what they took
 * POST /api/builds/:id/entries?since=SEQ   appends { entries }; the same entry twice is added once, another with its id is refused with 409
 */
import { z } from 'zod';
import type { EntriesAnswer } from '@/files/answers';
import { MOST_ENTRIES_BYTES, entriesSchema, faultsOf } from '@/files/schema';
import { asker, barredFrom, initialsFor, roleOf } from '@/people/asking';
import { DECIDED_KINDS, may } from '@/people/rules';
import { database } from '@/store/store';
import { answered, fault, jsonWithin, noSuchBuild } from '../../../answers';
import { type Present, presence } from '@/store/presence';
import { type Stand, appendEntries, entriesSince, standOf } from '@/store/log';

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
  const stand = await standOf(db, id);
  if (stand === null) return noSuchBuild(id);
  const entries = stand.seq > since ? await entriesSince(db, id, since) : [];
  const others = othersFor(id, new URL(request.url).searchParams);
  const barred = barredFrom(asker());
  return Response.json({
    ...{ ...standFor(stand, since), entries, conflicts: [] },
    ...(others && { others }),
    ...(barred && { barred }),
  } satisfies EntriesAnswer);
});

/** Where the log stands, told to a page that knows it up to a position. */
const standFor = ({ seq, before }: Stand, since: number): Pick<EntriesAnswer, 'seq' | 'isPast'> => ({
  seq,
  ...(since > 0 && since <= before && { isPast: true }),
});

/** Where the other windows of a build are, told to one that says where it is itself; else null. */
function othersFor(id: string, asked: URLSearchParams): Present[] | null {
  const bench = asked.get('bench') ?? '';
  const at = asked.get('at') ?? '';
  if (!/^[\w-]{1,40}$/.test(bench) || !/^[\w.]{0,60}$/.test(at)) return null;
  const mine = (asked.get('mine') ?? '').split(',').filter((what) => /^[\w.]{1,40}$/.test(what));
  return presence.at(id, bench, { by: initialsFor(asker(), asked.get('by')), at, mine });
}

export const POST = answered(async (request: Request, { params }: Context): Promise<Response> => {
  const { id } = await params;
  const body = await jsonWithin(request, MOST_ENTRIES_BYTES);
  if (!body.ok) return body.answer;
  const parsed = bodySchema.safeParse(body.json);
  if (!parsed.success) return fault(422, ...faultsOf(parsed.error));
  const asking = asker();
  const decided = parsed.data.entries.find((entry) => DECIDED_KINDS.includes(entry.kind));
  if (decided && !may(roleOf(asking), 'decide'))
    return fault(422, 'What the engine is, its chart and its targets are for a builder or the owner to set.');
  const made = parsed.data.entries.map((entry) => ({ ...entry, by: initialsFor(asking, entry.by) }));
  const db = await database();
  const appended = await appendEntries(db, id, made);
  if (!appended.ok) return fault(STATUS[appended.why], ...appended.faults);
  const since = sinceOf(request);
  const entries = await entriesSince(db, id, since);
  return Response.json({
    ...{ ...standFor(appended.stand, since), entries, conflicts: appended.conflicts },
  } satisfies EntriesAnswer);
});
