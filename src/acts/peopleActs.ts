/** Signing in and out, and who works in the shop. */
import { eq } from 'drizzle-orm';
import { z } from 'zod';
import { CODE_HOLDS, auth, oneTimeToken } from '@/people/auth';
import {
  type Changed,
  addPerson,
  changePerson,
  endSession,
  hasPeople,
  leastSecret,
  setLeft,
  setSecret,
} from '@/people/people';
import { ROLES } from '@/people/rules';
import { countTry, forgetTries } from '@/people/tries';
import { forgetWho } from '@/people/who';
import { people } from '@/store/schema';
import { type Doing, type Noted, act } from './act';

const idSchema = z.string().min(1).max(64);
const nameSchema = z.string().trim().min(1).max(80);
/** As they stand on record: no spaces, nothing that a cell or a file would stumble over. */
const initialsSchema = z
  .string()
  .trim()
  .regex(/^[\p{L}\p{N}]{1,12}$/u, 'Initials are 1 to 12 letters or digits.');
const secretSchema = z.string().min(1).max(128);
const roleSchema = z.enum(ROLES);

const refused = (fault: string): Changed => ({ ok: false, faults: [fault] });
const noteIf = (result: Changed, of: string, says: string): Noted | null => (result.ok ? { of, says } : null);

const inWords = (ms: number): string => (ms < 90_000 ? `${Math.ceil(ms / 1_000)} s` : `${Math.ceil(ms / 60_000)} min`);

/** Signs somebody in; what the browser is to keep goes back with the answer. */
async function enter({ db, asking, keep }: Doing, initials: string, secret: string): Promise<Changed> {
  const wait = await countTry(db, initials, asking.address);
  if (wait > 0) return refused(`Too many wrong tries: the next one may be made in ${inWords(wait)}.`);
  const { api } = await auth();
  const answer = await api.signInUsername({
    body: { username: initials.toLowerCase(), password: secret },
    headers: asking.headers,
    asResponse: true,
  });
  if (!answer.ok) return refused('These initials and this PIN do not go together.');
  await forgetTries(db, initials, asking.address);
  keep(answer.headers);
  forgetWho();
  return { ok: true };
}

/** The token of somebody who is signed in on this device; null where they are not. */
async function tokenHere({ asking }: Doing, person: string): Promise<string | null> {
  const { api } = await auth();
  const all = await api.listDeviceSessions({ headers: asking.headers });
  return all.find(({ user }) => user.id === person)?.session.token ?? null;
}

export const PEOPLE_ACTS = {
  /** Signs in, beside whoever is signed in on this device already. */
  signIn: act([initialsSchema, secretSchema], enter),

  /** Signs a device in with a code that the owner shows: once, and not for long. */
  signInByCode: act([z.string().min(8).max(128)], async ({ db, asking, keep }, code): Promise<Changed> => {
    const wait = await countTry(db, 'a code', asking.address);
    if (wait > 0) return refused(`Too many wrong tries: the next one may be made in ${inWords(wait)}.`);
    const { api } = await auth();
    const answer = await api.magicLinkVerify({ query: { token: code }, headers: asking.headers, asResponse: true });
    if (answer.status !== 200) return refused('This code was used, or is too old: ask for another.');
    await forgetTries(db, 'a code', asking.address);
    keep(answer.headers);
    forgetWho();
    return { ok: true };
  }),

  /** Hands a shared device to somebody else who is signed in on it. */
  switchTo: act([idSchema], async (doing, person): Promise<Changed> => {
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
  signOut: act([idSchema], async (doing, person): Promise<Changed> => {
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
      // asked anew: what is known of who asks may be a moment old
      if (await hasPeople(doing.db)) return refused('People are set up already.');
      const added = await addPerson(doing.db, { name, initials, role: 'owner', secret });
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
      if (secret.length < leastSecret(person.role))
        return refused(`It has at least ${leastSecret(person.role)} characters.`);
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
