/** Who works in the shop: who they are, what they may, and where they are signed in. */
import { and, count, eq, like, sql } from 'drizzle-orm';
import type { Database } from '@/store/open';
import { accounts, people, sessions, shop, verifications } from '@/store/schema';
import type { Person } from './requestContext';
import { auth } from './auth';
import { appearanceOf, initialsFault, secretFault } from './newPersonRules';
import { type Role, ROLES } from '../files/roles';

export interface Member extends Person {
  /** Whether they left: they sign in no more, and what they did stays theirs. */
  hasLeft: boolean;
}

const roleIn = (role: string | null): Role => ROLES.find((r) => r === role) ?? 'reader';

type Row = typeof people.$inferSelect;

export const memberOf = (row: Pick<Row, 'id' | 'name' | 'displayUsername' | 'role' | 'banned'>): Member => ({
  id: row.id,
  name: row.name,
  initials: row.displayUsername ?? '',
  role: roleIn(row.role),
  hasLeft: row.banned === true,
});

/** Everybody, by initials. */
export async function everybody(db: Database): Promise<Member[]> {
  const rows = await db.select().from(people);
  return rows.map(memberOf).sort((a, b) => a.initials.localeCompare(b.initials, 'en'));
}

/** Whether people are set up at all: whether anybody can sign in. */
export async function hasPeople(db: Database): Promise<boolean> {
  const [row] = await db.select({ n: count() }).from(accounts);
  return (row?.n ?? 0) > 0;
}

/** Somewhere that somebody is signed in. */
export interface SignedIn {
  id: string;
  person: string;
  since: string;
  seen: string;
  address: string;
  browser: string;
  /** Whether it is the device that asks. */
  isHere: boolean;
}

/**
 * Where everybody is signed in, the latest first.
 *
 * @param cookie of the device that asks
 */
export async function signedIn(db: Database, cookie = ''): Promise<SignedIn[]> {
  const rows = await db.select().from(sessions);
  return rows
    .filter((row) => row.expiresAt.getTime() > Date.now())
    .sort((a, b) => b.createdAt.getTime() - a.createdAt.getTime())
    .map((row) => ({
      id: row.id,
      person: row.userId,
      since: row.createdAt.toISOString(),
      seen: row.updatedAt.toISOString(),
      address: row.ipAddress ?? '',
      browser: row.userAgent ?? '',
      isHere: cookie.includes(row.token),
    }));
}

export type Changed = { ok: true } | { ok: false; faults: string[] };
const refused = (fault: string): Changed => ({ ok: false, faults: [fault] });
const done: Changed = { ok: true };

export interface NewPerson {
  name: string;
  initials: string;
  role: Role;
  secret: string;
}

/** Gives somebody a PIN or password, their first or a new one. */
async function keepSecret(db: Database, id: string, secret: string): Promise<void> {
  const { internalAdapter, password } = await (await auth()).$context;
  const hash = await password.hash(secret);
  const [account] = await db.select().from(accounts).where(eq(accounts.userId, id));
  if (account) await internalAdapter.updatePassword(id, hash);
  else await internalAdapter.linkAccount({ userId: id, providerId: 'credential', accountId: id, password: hash });
}

/**
 * Adds a person; or takes over somebody of these initials who came from another machine and never had a PIN here. Initials are one
 * person's: what is noted with them would else be both's.
 */
export async function addPerson(db: Database, { name, initials, role, secret }: NewPerson): Promise<Changed> {
  const fault = initialsFault(initials) ?? secretFault(role, { initials, secret });
  if (fault !== null) return refused(fault);
  const username = initials.toLowerCase();
  const alike = (await everybody(db)).find(
    (p) => p.initials.toLowerCase() !== username && appearanceOf(p.initials) === appearanceOf(initials),
  );
  if (alike)
    return refused(`${initials} looks like ${alike.initials}, whom the shop has already. Choose other initials.`);
  const [known] = await db.select().from(people).where(eq(people.username, username));
  if (known) {
    const [account] = await db.select().from(accounts).where(eq(accounts.userId, known.id));
    if (account) return refused(`Somebody has the initials ${initials} already.`);
    await db.update(people).set({ name, role, banned: false, updatedAt: new Date() }).where(eq(people.id, known.id));
    await keepSecret(db, known.id, secret);
    return done;
  }
  const { api } = await auth();
  await api.createUser({
    body: {
      name,
      role,
      password: secret,
      email: `${crypto.randomUUID()}@people.invalid`,
      // nothing is ever sent there: it counts as theirs
      data: { username, displayUsername: initials, emailVerified: true },
    },
  });
  return done;
}

/** Under which the table `shop` notes that somebody is becoming the first owner, and since when. */
const SETTING_UP = 'settingUpPeople';
/** One who began and did not finish holds nobody up for longer, ms. */
const GIVEN_UP = 30_000;

/** The first of the shop, its owner: one only, however many try at once. */
export async function addFirstOwner(db: Database, person: Omit<NewPerson, 'role'>): Promise<Changed> {
  const value = String(Date.now());
  const claimed = await db
    .insert(shop)
    .values({ key: SETTING_UP, value })
    .onConflictDoUpdate({
      target: shop.key,
      set: { value },
      setWhere: sql`CAST(${shop.value} AS INTEGER) < ${Date.now() - GIVEN_UP}`,
    })
    .returning({ key: shop.key });
  if (claimed.length === 0) return refused('Someone else is adding people right now. Load the page again.');
  try {
    // asked anew: what is known of who asks may be a moment old
    if (await hasPeople(db)) return refused('People are set up already.');
    return await addPerson(db, { ...person, role: 'owner' });
  } finally {
    await db.delete(shop).where(and(eq(shop.key, SETTING_UP), eq(shop.value, value)));
  }
}

/** Whether the shop would be nobody's without somebody. */
async function isLastOwner(db: Database, id: string): Promise<boolean> {
  const rows = await db.select({ person: people }).from(people).innerJoin(accounts, eq(accounts.userId, people.id));
  const all = rows.map(({ person }) => memberOf(person));
  return !all.some((p) => p.id !== id && p.role === 'owner' && !p.hasLeft);
}

/** What somebody is called, and may. Initials stay: what is on record is noted with them. */
export async function changePerson(db: Database, id: string, name: string, role: Role): Promise<Changed> {
  if (role !== 'owner' && (await isLastOwner(db, id)))
    return refused('Somebody must own the shop: make another one owner first.');
  const rows = await db
    .update(people)
    .set({ name, role, updatedAt: new Date() })
    .where(eq(people.id, id))
    .returning({ id: people.id });
  return rows.length > 0 ? done : refused('There is nobody of that name any more.');
}

/** Ends everything somebody is signed in to, and every code that would sign a device in as them. */
const endAll = (db: Database, { id, email }: Pick<Row, 'id' | 'email'>) =>
  db.batch([
    db.delete(sessions).where(eq(sessions.userId, id)),
    db.delete(verifications).where(like(verifications.value, `%"${email}"%`)),
  ]);

/** A new PIN or password; whoever was signed in with the old one no longer is. */
export async function setSecret(db: Database, id: string, secret: string): Promise<Changed> {
  const [row] = await db.select().from(people).where(eq(people.id, id));
  if (!row) return refused('There is nobody of that name any more.');
  const fault = secretFault(roleIn(row.role), { initials: row.displayUsername ?? '', secret });
  if (fault !== null) return refused(fault);
  await keepSecret(db, id, secret);
  await endAll(db, row);
  return done;
}

/** Somebody leaves, and is signed out everywhere; or comes back. */
export async function setLeft(db: Database, id: string, hasLeft: boolean): Promise<Changed> {
  if (hasLeft && (await isLastOwner(db, id)))
    return refused('Somebody must own the shop: make another one owner first.');
  const [row] = await db
    .update(people)
    .set({ banned: hasLeft, updatedAt: new Date() })
    .where(eq(people.id, id))
    .returning({ id: people.id, email: people.email });
  if (hasLeft && row) await endAll(db, row);
  return done;
}

/** Ends one of the places that somebody is signed in. */
export const endSession = async (db: Database, id: string): Promise<void> => {
  await db.delete(sessions).where(eq(sessions.id, id));
};
