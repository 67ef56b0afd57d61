/** POST /api/commands/:name   does something by its name, with a JSON list of arguments: { result } */
import { COMMANDS } from '@/commands/commands';
import type { Command } from '@/commands/command';
import { faultsOf } from '@/files/schema';
import { requestContext, initialsFor } from '@/people/requestContext';
import { noteDone } from '@/store/audit';
import { database } from '@/store/store';
import { answered, fault, jsonWithin } from '@/server/responses';

/** As it is looked up: by any name, with whatever it is given. */
const commands: Record<string, Command | undefined> = { ...COMMANDS };

export const POST = answered(async (request: Request, { params }: { params: Promise<{ name: string }> }) => {
  const { name } = await params;
  const command = Object.hasOwn(commands, name) ? commands[name] : undefined;
  if (!command) return fault(404, `There is nothing to do by the name of ${name}.`);
  const body = await jsonWithin(request, command.mostBytes);
  if (!body.ok) return body.answer;
  const { by, args } = (body.json ?? {}) as { by?: unknown; args?: unknown };
  const [db, asking] = [await database(), requestContext()];
  const headers = new Headers();
  const keep = (answer: Headers): void => {
    for (const cookie of answer.getSetCookie()) headers.append('set-cookie', cookie);
  };
  const context = { db, asking, by: initialsFor(asking, by), keep };
  const done = await command.attempt(context, args);
  if (!done.ok) return fault(422, ...faultsOf(done.error));
  if (done.noted) await noteDone(db, name, done.noted, context);
  return Response.json({ result: done.result ?? null }, { headers });
});
