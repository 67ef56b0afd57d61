/** POST /api/do/:act   does something by its name, with a JSON list of arguments: { result } */
import { ACTS } from '@/acts/acts';
import type { Act } from '@/acts/act';
import { faultsOf } from '@/files/schema';
import { asker, initialsFor } from '@/people/asking';
import { noteDone } from '@/store/audit';
import { database } from '@/store/store';
import { answered, fault, jsonWithin } from '../../../../server/responses';

/** As it is looked up: by any name, with whatever it is given. */
const acts: Record<string, Act | undefined> = { ...ACTS };

export const POST = answered(async (request: Request, { params }: { params: Promise<{ act: string }> }) => {
  const { act: name } = await params;
  const act = Object.hasOwn(acts, name) ? acts[name] : undefined;
  if (!act) return fault(404, `There is nothing to do by the name of ${name}.`);
  const body = await jsonWithin(request, act.mostBytes);
  if (!body.ok) return body.answer;
  const { by, args } = (body.json ?? {}) as { by?: unknown; args?: unknown };
  const [db, asking] = [await database(), asker()];
  const headers = new Headers();
  const keep = (answer: Headers): void => {
    for (const cookie of answer.getSetCookie()) headers.append('set-cookie', cookie);
  };
  const doing = { db, asking, by: initialsFor(asking, by), keep };
  const done = await act.attempt(doing, args);
  if (!done.ok) return fault(422, ...faultsOf(done.error));
  if (done.noted) await noteDone(db, name, done.noted, doing);
  return Response.json({ result: done.result ?? null }, { headers });
});
