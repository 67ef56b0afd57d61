/** Signing in and out, and who works in the shop. */
import { eq } from 'drizzle-orm';
import { z } from 'zod';
import { CODE_HOLDS, auth, isReachedSecurely, oneTimeToken } from '@/people/auth';
import { deviceThatKnows, knownCookie } from '@/people/knownDevice';
import { type Changed, addFirstOwner, addPerson, changePerson, endSession, setLeft, setSecret } from '@/people/people';
import { ROLES } from '@/files/roles';
import { countTry, forgetTries } from '@/people/tries';
import { forgetWho } from '@/people/who';
import type { Database } from '@/store/open';
import { accounts, people } from '@/store/schema';
import { type Doing, type Noted, act } from './act';

const idSchema = z.string().min(1).max(64);
const nameSchema = z.string().trim().min(1).max(80);
const initialsSchema = z.string().trim().min(1, 'Enter initials, e.g. KM.').max(12);
const secretSchema = z.string().min(1).max(128);
const roleSchema = z.enum(ROLES);

const refused = (fault: string): Changed => ({ ok: false, faults: [fault] });
/** An act that anybody may ask for, signed in or not: nothing large is read for it. */
const signingAct: typeof act = (schemas, run, note) => act(schemas, run, note, 4 * 1024);
const noteIf = (result: Changed, of: string, says: string): Noted | null => (result.ok ? { of, says } : null);

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

/** Somebody is let in: the browser keeps its session, and is known again when they come back. */
async function letIn({ db, asking, keep }: Doing, initials: string, answer: Response): Promise<Changed> {
  keep(answer.headers);
  keep(new Headers({ 'set-cookie': await knownCookie(db, asking.headers, initials, isReachedSecurely()) }));
  forgetWho();
  return { ok: true };
}

/** Signs somebody in. */
async function enter(doing: Doing, initials: string, secret: string): Promise<Changed> {
  const { db, asking } = doing;
  const device = await deviceThatKnows(db, asking.headers, initials);
  const made = { name: initials, from: asking.address, device };
  const wait = await countTry(db, made);
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
  await forgetTries(db, made);
  return letIn(doing, initials, answer);
}

/** The initials of whoever an answer of the sign-in library is of. */
async function initialsIn(db: Database, answer: Response): Promise<string> {
  const { user } = (await answer.clone().json()) as { user: { id: string } };
  const [row] = await db.select({ initials: people.displayUsername }).from(people).where(eq(people.id, user.id));
  return row?.initials ?? '';
}

/** The token of somebody who is signed in on this device; null where they are not. */
async function tokenHere({ asking }: Doing, person: string): Promise<string | null> {
  const { api } = await auth();
  const all = await api.listDeviceSessions({ headers: asking.headers });
  return all.find(({ user }) => user.id === person)?.session.token ?? null;
}

export const PEOPLE_ACTS = {
  /** Signs in, beside whoever is signed in on this device already. */
  signIn: signingAct([z.string().trim().min(1).max(12), secretSchema], enter),

  /**
   * Signs a device in with a code that the owner shows: once, and not for long. Wrong ones are not counted: a code has
   * 32 random letters (182 bits), and a count would let a stranger keep the right one out.
   */
  signInByCode: signingAct([z.string().min(8).max(128)], async (doing, code): Promise<Changed> => {
    const { api } = await auth();
    const headers = doing.asking.headers;
    const answer = await api.magicLinkVerify({ query: { token: code }, headers, asResponse: true });
    if (answer.status !== 200) return refused('This code was used, or is too old: ask for another.');
    return letIn(doing, await initialsIn(doing.db, answer), answer);
  }),

  /** Hands a shared device to somebody else who is signed in on it. */
  switchTo: signingAct([idSchema], async (doing, person): Promise<Changed> => {
    const sessionToken = await tokenHere(doing, person);
    if (sessionToken === null) return refused('They are not signed in here any more.');
    const { api } = await auth();
    const answer = await api.setActiveSession({
      body: { sessionToken },
      headers: doing.asking.headers,
      asResponse: true,
    });
    if (!answer.ok) return refused('They are not signed in here any more.');
    doing.keep(answer.headers);
    forgetWho();
    return { ok: true };
  }),

  /** Signs somebody out on this device. */
  signOut: signingAct([idSchema], async (doing, person): Promise<Changed> => {
    const sessionToken = await tokenHere(doing, person);
    if (sessionToken === null) return { ok: true };
    const { api } = await auth();
    const answer = await api.revokeDeviceSession({
      body: { sessionToken },
      headers: doing.asking.headers,
      asResponse: true,
    });
    doing.keep(answer.headers);
    forgetWho();
    return { ok: true };
  }),

  /** The first of the shop, its owner, who is signed in at once. From then on everybody signs in. */
  setUpPeople: act(
    [nameSchema, initialsSchema, secretSchema],
    async (doing, name, initials, secret): Promise<Changed> => {
      const added = await addFirstOwner(doing.db, { name, initials, secret });
      return added.ok ? enter(doing, initials, secret) : added;
    },
    (result, name, initials) =>
      result.ok ? { of: initials, by: initials, says: `People set up; ${name} owns the shop` } : null,
  ),

  addPerson: act(
    [nameSchema, initialsSchema, roleSchema, secretSchema],
    ({ db }, name, initials, role, secret) => addPerson(db, { name, initials, role, secret }),
    (result, name, initials, role) => noteIf(result, initials, `${name} added as ${role}`),
  ),

  changePerson: act(
    [idSchema, nameSchema, roleSchema],
    ({ db }, id, name, role) => changePerson(db, id, name, role),
    (result, id, name, role) => noteIf(result, id, `${name} is ${role}`),
  ),

  setSecret: act(
    [idSchema, secretSchema],
    ({ db }, id, secret) => setSecret(db, id, secret),
    (result, id) => noteIf(result, id, 'A new PIN or password'),
  ),

  /** One's own, with the old one. */
  changeOwnSecret: act(
    [secretSchema, secretSchema],
    async (doing, old, secret): Promise<Changed> => {
      const { person } = doing.asking;
      if (!person) return refused('Nobody is signed in.');
      const is = await enter(doing, person.initials, old);
      if (!is.ok) return is;
      const changed = await setSecret(doing.db, person.id, secret);
      return changed.ok ? enter(doing, person.initials, secret) : changed;
    },
    (result) => noteIf(result, '', 'Their own PIN or password changed'),
  ),

  setLeft: act(
    [idSchema, z.boolean()],
    ({ db }, id, hasLeft) => setLeft(db, id, hasLeft),
    (result, id, hasLeft) => noteIf(result, id, hasLeft ? 'Left' : 'Came back'),
  ),

  endSession: act(
    [idSchema],
    async ({ db }, id): Promise<Changed> => {
      await endSession(db, id);
      forgetWho();
      return { ok: true };
    },
    (result, id) => noteIf(result, id, 'Signed out from afar'),
  ),

  /** A code that signs one device in as somebody. */
  deviceCode: act(
    [idSchema],
    async ({ db }, id): Promise<{ ok: true; code: string; seconds: number } | { ok: false; faults: string[] }> => {
      const [row] = await db.select().from(people).where(eq(people.id, id));
      if (!row || row.banned) return { ok: false, faults: ['There is nobody of that name any more.'] };
      return { ok: true, code: await oneTimeToken(row.email), seconds: CODE_HOLDS };
    },
    (result, id) => (result.ok ? { of: id, says: 'A code for a device' } : null),
  ),
};
