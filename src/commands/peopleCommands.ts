/** Signing in and out, and who works in the shop. */
import { eq } from 'drizzle-orm';
import { z } from 'zod';
import { auth } from '@/people/auth';
import { deviceThatKnows } from '@/people/knownDevice';
import { type Changed, addFirstOwner, addPerson, changePerson, endSession, setLeft, setSecret } from '@/people/people';
import { ROLES } from '@/files/roles';
import { countAttempt, forgetAttempts } from '@/people/rateLimit';
import { forgetSessions } from '@/people/authenticate';
import type { Database } from '@/store/open';
import { accounts, people } from '@/store/schema';
import { type CommandContext, command } from './command';
import { letIn, noteIf, refused, signInCommand } from './letIn';
import { CODE_COMMANDS } from './signInByCode';

const idSchema = z.string().min(1).max(64);
const nameSchema = z.string().trim().min(1).max(80);
const initialsSchema = z.string().trim().min(1, 'Enter initials, e.g. KM.').max(12);
const secretSchema = z.string().min(1).max(128);
const roleSchema = z.enum(ROLES);

const inWords = (ms: number): string => (ms < 90_000 ? `${Math.ceil(ms / 1_000)} s` : `${Math.ceil(ms / 60_000)} min`);

/** A try by somebody unknown, as long as by somebody who is known: whether a person has a PIN is not told by the time. */
async function hashInVain(db: Database, initials: string, secret: string): Promise<void> {
  const [person] = await db
    .select({ account: accounts.id })
    .from(people)
    .leftJoin(accounts, eq(accounts.userId, people.id))
    .where(eq(people.username, initials.toLowerCase()));
  if (person?.account === null) await (await (await auth()).$context).password.hash(secret);
}

/** Signs somebody in. */
async function enter(context: CommandContext, initials: string, secret: string): Promise<Changed> {
  const { db, asking } = context;
  const device = await deviceThatKnows(db, asking.headers, initials);
  const made = { name: initials, from: asking.address, device };
  const wait = await countAttempt(db, made);
  if (wait > 0) return refused(`Too many wrong tries. Try again in ${inWords(wait)}.`);
  const { api } = await auth();
  const answer = await api.signInUsername({
    body: { username: initials.toLowerCase(), password: secret },
    headers: asking.headers,
    asResponse: true,
  });
  if (!answer.ok) {
    await hashInVain(db, initials, secret);
    return refused('These initials and this PIN do not go together.');
  }
  await forgetAttempts(db, made);
  return letIn(context, initials, answer);
}

/** The token of somebody who is signed in on this device; null where they are not. */
async function tokenHere({ asking }: CommandContext, person: string): Promise<string | null> {
  const { api } = await auth();
  const all = await api.listDeviceSessions({ headers: asking.headers });
  return all.find(({ user }) => user.id === person)?.session.token ?? null;
}

export const PEOPLE_COMMANDS = {
  ...CODE_COMMANDS,

  /** Signs in, beside whoever is signed in on this device already. */
  signIn: signInCommand([z.string().trim().min(1).max(12), secretSchema], enter),

  /** Hands a shared device to somebody else who is signed in on it. */
  switchTo: signInCommand([idSchema], async (context, person): Promise<Changed> => {
    const sessionToken = await tokenHere(context, person);
    if (sessionToken === null) return refused('They are not signed in here any more.');
    const { api } = await auth();
    const answer = await api.setActiveSession({
      body: { sessionToken },
      headers: context.asking.headers,
      asResponse: true,
    });
    if (!answer.ok) return refused('They are not signed in here any more.');
    context.keep(answer.headers);
    forgetSessions();
    return { ok: true };
  }),

  /** Signs somebody out on this device. */
  signOut: signInCommand([idSchema], async (context, person): Promise<Changed> => {
    const sessionToken = await tokenHere(context, person);
    if (sessionToken === null) return { ok: true };
    const { api } = await auth();
    const answer = await api.revokeDeviceSession({
      body: { sessionToken },
      headers: context.asking.headers,
      asResponse: true,
    });
    context.keep(answer.headers);
    forgetSessions();
    return { ok: true };
  }),

  /** The first of the shop, its owner, who is signed in at once. From then on everybody signs in. */
  setUpPeople: command(
    [nameSchema, initialsSchema, secretSchema],
    async (context, name, initials, secret): Promise<Changed> => {
      const added = await addFirstOwner(context.db, { name, initials, secret });
      return added.ok ? enter(context, initials, secret) : added;
    },
    (result, name, initials) =>
      result.ok ? { of: initials, by: initials, says: `People set up; ${name} owns the shop` } : null,
  ),

  addPerson: command(
    [nameSchema, initialsSchema, roleSchema, secretSchema],
    ({ db }, name, initials, role, secret) => addPerson(db, { name, initials, role, secret }),
    (result, name, initials, role) => noteIf(result, initials, `${name} added as ${role}`),
  ),

  changePerson: command(
    [idSchema, nameSchema, roleSchema],
    ({ db }, id, name, role) => changePerson(db, id, name, role),
    (result, id, name, role) => noteIf(result, id, `${name} is ${role}`),
  ),

  setSecret: command(
    [idSchema, secretSchema],
    ({ db }, id, secret) => setSecret(db, id, secret),
    (result, id) => noteIf(result, id, 'A new PIN or password'),
  ),

  /** One's own, with the old one. */
  changeOwnSecret: command(
    [secretSchema, secretSchema],
    async (context, old, secret): Promise<Changed> => {
      const { person } = context.asking;
      if (!person) return refused('Nobody is signed in.');
      const is = await enter(context, person.initials, old);
      if (!is.ok) return is;
      const changed = await setSecret(context.db, person.id, secret);
      return changed.ok ? enter(context, person.initials, secret) : changed;
    },
    (result) => noteIf(result, '', 'Their own PIN or password changed'),
  ),

  setLeft: command(
    [idSchema, z.boolean()],
    ({ db }, id, hasLeft) => setLeft(db, id, hasLeft),
    (result, id, hasLeft) => noteIf(result, id, hasLeft ? 'Left' : 'Came back'),
  ),

  endSession: command(
    [idSchema],
    async ({ db }, id): Promise<Changed> => {
      await endSession(db, id);
      forgetSessions();
      return { ok: true };
    },
    (result, id) => noteIf(result, id, 'Signed out from afar'),
  ),
};
