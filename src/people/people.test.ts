import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Database } from '@/store/open';
import { accounts, people, tries } from '@/store/schema';
import type { Role } from '../files/roles';
import { database } from '@/store/store';
import { auth, oneTimeToken } from './auth';
import { deviceThatKnows, knownCookie } from './knownDevice';
import {
  addFirstOwner,
  addPerson,
  changePerson,
  endSession,
  everybody,
  hasPeople,
  memberOf,
  setLeft,
  setSecret,
  signedIn,
} from './people';
import { countAttempt, forgetAttempts, waitAfter } from './rateLimit';
import { forgetSessions, authenticate } from './authenticate';

let folder: string;
let db: Database;
const before = process.env.DATABASE_URL;
const held = globalThis as { spatiumDatabase?: unknown; spatiumAuth?: unknown };
beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), 'spatium-people-'));
  process.env.DATABASE_URL = join(folder, 'shop.db');
  held.spatiumDatabase = undefined;
  held.spatiumAuth = undefined;
  db = await database();
});
afterAll(() => {
  db.$client.close();
  held.spatiumDatabase = undefined;
  held.spatiumAuth = undefined;
  if (before === undefined) delete process.env.DATABASE_URL;
  else process.env.DATABASE_URL = before;
  rmSync(folder, { recursive: true, force: true });
});

/** Cookies of an answer, as a browser sends them back. */
const cookiesOf = (answer: Response): string =>
  answer.headers
    .getSetCookie()
    .map((cookie) => cookie.split(';')[0])
    .join('; ');
const enter = async (username: string, password: string, cookie = ''): Promise<Response> =>
  (await auth()).api.signInUsername({
    body: { username, password },
    headers: new Headers({ cookie }),
    asResponse: true,
  });
const who = async (cookie: string) => {
  forgetSessions();
  const { person, device } = await authenticate(new Headers({ cookie }), '');
  return { person: person?.initials ?? null, device: device.map((p) => p.initials).sort() };
};
const idOf = async (initials: string): Promise<string> =>
  (await everybody(db)).find((p) => p.initials === initials)?.id ?? '';

describe('people', () => {
  it('four who set the shop up at once make one owner', async () => {
    const made = await Promise.all(
      ['AA', 'BB', 'CC', 'DD'].map((initials) => addFirstOwner(db, { name: initials, initials, secret: 'secret1' })),
    );
    expect(made.filter((m) => m.ok)).toHaveLength(1);
    expect(await everybody(db)).toHaveLength(1);
    expect(await addFirstOwner(db, { name: 'EE', initials: 'EE', secret: 'secret1' })).toMatchObject({
      faults: ['People are set up already.'],
    });
    await db.delete(accounts);
    await db.delete(people);
  });

  it('one machine has none; the first signs in, and secrets are kept hashed', async () => {
    expect(await hasPeople(db)).toBe(false);
    expect((await authenticate(new Headers(), '')).hasPeople).toBe(false);
    expect(await addPerson(db, { name: 'Kim', initials: 'KM', role: 'owner', secret: 'short' })).toMatchObject({
      ok: false,
    });
    expect(await addPerson(db, { name: 'Kim', initials: 'KM', role: 'owner', secret: 'secret1' })).toEqual({
      ok: true,
    });
    expect(await addPerson(db, { name: 'Ann', initials: 'AW', role: 'fitter', secret: '4711' })).toEqual({ ok: true });
    expect(await hasPeople(db)).toBe(true);
    const kept = JSON.stringify(await db.select().from(accounts));
    expect(kept).not.toContain('secret1');
    expect(kept).not.toContain('4711');
    expect((await enter('km', 'secret1')).status).toBe(200);
    expect((await enter('km', 'secret2')).status).toBe(401);
  });

  it('initials are one person’s, however they are written', async () => {
    expect(await addPerson(db, { name: 'Kai', initials: 'km', role: 'fitter', secret: '2580' })).toMatchObject({
      faults: ['Somebody has the initials km already.'],
    });
  });

  it('initials that look like somebody’s are refused, and PINs that are guessed first', async () => {
    const add = async (initials: string, secret: string, role: Role = 'fitter') => {
      const done = await addPerson(db, { name: 'Someone', initials, role, secret });
      return done.ok ? 'added' : done.faults[0];
    };
    // Cyrillic Ka and Em; Greek Kappa and Mu
    for (const alike of ['КМ', 'ΚΜ', 'кМ']) expect(await add(alike, '2580')).toMatch(/looks like KM/);
    // blank to the eye: a Hangul filler, a word joiner, a space
    for (const blank of ['\u3164', 'A\u2060', ' ', 'A B', ''])
      expect(await add(blank, '2580')).toMatch(/1 to 12 letters/);
    for (const weak of ['    ', ' 12 ', '0000', '000000', '1234', '4321', 'qqqq'])
      expect(await add('QQ', weak), weak).not.toBe('added');
    expect(await add('QP', 'qpqp')).toMatch(/initials/);
    expect(await add('KMX', 'kmx-kmx', 'builder')).toMatch(/initials/);
    expect(await setSecret(db, await idOf('KM'), '111111')).toMatchObject({ ok: false });
  });

  it('a device holds several; who is in hand is told from who is signed in', async () => {
    const first = cookiesOf(await enter('km', 'secret1'));
    expect(await who(first)).toEqual({ person: 'KM', device: ['KM'] });
    const second = `${first}; ${cookiesOf(await enter('aw', '4711', first))}`;
    // a browser keeps the later of two of one name
    const jar = new Map(second.split('; ').map((c) => c.split('=') as [string, string]));
    const both = [...jar].map(([k, v]) => `${k}=${v}`).join('; ');
    expect(await who(both)).toEqual({ person: 'AW', device: ['AW', 'KM'] });
    expect(await who('')).toEqual({ person: null, device: [] });
    expect(await who('spatium.session_token=made.up')).toEqual({ person: null, device: [] });
  });

  it('a role that nobody knows is the one that may least', () => {
    const row = { id: 'x', name: 'X', displayUsername: 'XX', banned: null };
    expect(['superuser', '', null, 'Owner'].map((role) => memberOf({ ...row, role }).role)).toEqual(
      Array.from({ length: 4 }, () => 'reader'),
    );
  });

  it('somebody must own the shop', async () => {
    const id = await idOf('KM');
    expect(await changePerson(db, id, 'Kim', 'builder')).toMatchObject({ ok: false });
    expect(await setLeft(db, id, true)).toMatchObject({ ok: false });
    expect(await changePerson(db, await idOf('AW'), 'Ann West', 'fitter')).toEqual({ ok: true });
    expect(await changePerson(db, 'nobody', 'x', 'owner')).toMatchObject({ ok: false });
    // another owner will do, but not one who left
    expect(await addPerson(db, { name: 'Olu', initials: 'OL', role: 'owner', secret: 'secret2' })).toEqual({
      ok: true,
    });
    const second = await idOf('OL');
    expect(await setLeft(db, second, true)).toEqual({ ok: true });
    expect(await setLeft(db, id, true)).toMatchObject({ ok: false });
    expect(await changePerson(db, id, 'Kim', 'builder')).toMatchObject({ ok: false });
    expect(await setLeft(db, second, false)).toEqual({ ok: true });
    expect(await setLeft(db, id, true)).toEqual({ ok: true });
    expect(await setLeft(db, id, false)).toEqual({ ok: true });
    expect(await changePerson(db, second, 'Olu', 'reader')).toEqual({ ok: true });
  });

  it('who leaves, gets a new PIN, or is signed out from afar, is out at once', async () => {
    const ann = await idOf('AW');
    const cookie = async (pin: string) => cookiesOf(await enter('aw', pin));
    let now = await cookie('4711');
    await setSecret(db, ann, '9182');
    expect(await who(now)).toMatchObject({ person: null });
    expect((await enter('aw', '4711')).status).toBe(401);
    now = await cookie('9182');
    for (const { id, person } of await signedIn(db)) if (person === ann) await endSession(db, id);
    expect(await who(now)).toMatchObject({ person: null });
    now = await cookie('9182');
    expect(await setLeft(db, ann, true)).toEqual({ ok: true });
    expect(await who(now)).toMatchObject({ person: null });
    expect((await enter('aw', '9182')).status).not.toBe(200);
    expect(await setLeft(db, ann, false)).toEqual({ ok: true });
    expect((await enter('aw', '9182')).status).toBe(200);
  });

  it('a code signs in once, and leaves the PIN as it is', async () => {
    const [row] = (await db.select().from(people)).filter((p) => p.displayUsername === 'AW');
    const code = await oneTimeToken(row?.email ?? '');
    const use = async (token: string) =>
      (await auth()).api.magicLinkVerify({ query: { token }, headers: new Headers(), asResponse: true });
    const answer = await use(code);
    expect(await who(cookiesOf(answer))).toMatchObject({ person: 'AW' });
    expect((await use(code)).status).not.toBe(200);
    expect((await use('made-up-code-that-is-none')).status).not.toBe(200);
    expect((await enter('aw', '9182')).status).toBe(200);
    expect(JSON.stringify(await db.$client.execute('SELECT * FROM verifications'))).not.toContain(code);
    // one that was shown dies with a new PIN, and with leaving
    const before = await oneTimeToken(row?.email ?? '');
    const other = await oneTimeToken('far-away@people.invalid');
    await setSecret(db, row?.id ?? '', '9183');
    expect((await use(before)).status).not.toBe(200);
    expect(JSON.stringify(await db.$client.execute('SELECT * FROM verifications'))).toContain('far-away');
    expect(other).not.toBe('');
  });

  it('somebody who came from another machine has no PIN until they are given one', async () => {
    const now = new Date();
    await db.insert(people).values({
      ...{ id: 'far', name: 'Far', email: 'far@people.invalid', createdAt: now, updatedAt: now, emailVerified: true },
      ...{ username: 'fr', displayUsername: 'FR', role: 'owner' },
    });
    expect((await enter('fr', '')).status).not.toBe(200);
    // an owner who cannot sign in is none
    expect(await setLeft(db, await idOf('KM'), true)).toMatchObject({ ok: false });
    expect(await addPerson(db, { name: 'Far Off', initials: 'FR', role: 'builder', secret: '428517' })).toEqual({
      ok: true,
    });
    expect((await everybody(db)).find((p) => p.id === 'far')).toMatchObject({ name: 'Far Off', role: 'builder' });
    expect((await enter('fr', '428517')).status).toBe(200);
  });
});

describe('a device that is known', () => {
  const sent = (cookie: string): Headers => new Headers({ cookie });
  const kept = async (cookie: string, initials: string, isSecure = false): Promise<string> =>
    (await knownCookie(db, sent(cookie), initials, isSecure)).split(';')[0] ?? '';

  it('is the same one for all who signed in on it, and for nobody else', async () => {
    const first = await kept('', 'KM');
    const device = await deviceThatKnows(db, sent(`a=b; ${first}`), 'km');
    expect(device).toMatch(/^[0-9a-f-]{36}$/);
    expect(await deviceThatKnows(db, sent(first), 'AW')).toBeNull();
    const both = await kept(first, 'AW');
    for (const initials of ['KM', 'AW']) expect(await deviceThatKnows(db, sent(both), initials)).toBe(device);
    expect(await deviceThatKnows(db, sent(await kept('', 'KM')), 'KM')).not.toBe(device);
    expect(await deviceThatKnows(db, sent(await kept('', 'KM', true)), 'KM')).not.toBeNull();
  });

  it('is not made up, nor changed', async () => {
    const right = await kept('', 'KM');
    const [, text = '', signed = ''] = /=([\w-]+)\.([\w-]+)/.exec(right) ?? [];
    const other = Buffer.from(JSON.stringify({ device: crypto.randomUUID(), people: ['aw'] })).toString('base64url');
    for (const made of [`${other}.${signed}`, `${text}.${'A'.repeat(43)}`, `${text}.`, text, `${text}.${signed}x`]) {
      expect(await deviceThatKnows(db, sent(`spatium.known=${made}`), 'AW')).toBeNull();
      expect(await deviceThatKnows(db, sent(`spatium.known=${made}`), 'KM'), made).toBeNull();
    }
  });
});

describe('guessing', () => {
  it('waits twice as long each time, five minutes at the most', () => {
    expect([0, 2, 3, 4, 5, 40].map((n) => waitAfter(n, 3))).toEqual([0, 0, 1_000, 2_000, 4_000, 300_000]);
  });

  const from = (name: string, place: string, device: string | null = null) => ({ name, from: place, device });

  it('a person is slowed down at one place, and getting in forgets it', async () => {
    const at = (s: number) => 1_000_000 + s * 1_000;
    const tried: number[] = [];
    for (const s of [0, 1, 2, 3, 3.5, 4]) tried.push(await countAttempt(db, from('XY', '10.0.0.1'), at(s)));
    // three are free; the fourth waits a second after the third
    expect(tried).toEqual([0, 0, 0, 0, 1_500, 1_000]);
    // whoever guesses there keeps nobody out elsewhere
    expect(await countAttempt(db, from('xy', '10.0.0.2'), at(4))).toBe(0);
    await forgetAttempts(db, from('xy', '10.0.0.1'));
    expect(await countAttempt(db, from('XY', '10.0.0.1'), at(4.1))).toBe(0);
  });

  it('a person is slowed down from all places together as well, after thirty, and a day later it is forgotten', async () => {
    const at = 2_000_000_000;
    const tried = [];
    for (let n = 0; n < 32; n += 1) tried.push(await countAttempt(db, from('GL', `10.1.${n}.1`), at));
    expect(tried.slice(0, 30)).toEqual(Array.from({ length: 30 }, () => 0));
    expect(tried.slice(30).every((wait) => wait > 0)).toBe(true);
    expect(await countAttempt(db, from('GL', '10.1.99.1'), at + 25 * 3_600_000)).toBe(0);
  });

  it('who signed in on a device before is not kept out there by any number of strangers', async () => {
    const at = 4_000_000_000;
    for (let n = 0; n < 60; n += 1) await countAttempt(db, from('OW', `10.2.${n % 40}.1`), at);
    expect(await countAttempt(db, from('OW', '10.2.1.1'), at)).toBeGreaterThan(0);
    for (let n = 0; n < 5; n += 1) expect(await countAttempt(db, from('OW', '10.2.1.1', 'tablet'), at)).toBe(0);
    // a thief of the tablet is slowed down too
    expect(await countAttempt(db, from('OW', '10.2.1.1', 'tablet'), at)).toBeGreaterThan(0);
  });

  it('a place is slowed down as well, after twenty, whatever the names; another place is not', async () => {
    const at = 6_000_000_000;
    const tried = [];
    for (let n = 0; n < 22; n += 1) tried.push(await countAttempt(db, from(`name ${n}`, '10.9.9.9'), at));
    expect(tried.slice(0, 20)).toEqual(Array.from({ length: 20 }, () => 0));
    expect(tried.slice(20).every((wait) => wait > 0)).toBe(true);
    expect(await countAttempt(db, from('name 30', '10.9.9.8'), at)).toBe(0);
    // one who gets in there does not free the guesses of others
    await forgetAttempts(db, from('name 1', '10.9.9.9'));
    expect(await countAttempt(db, from('name 31', '10.9.9.9'), at + 500)).toBe(0);
    expect(await countAttempt(db, from('name 32', '10.9.9.9'), at + 600)).toBeGreaterThan(0);
  });

  it('an hour later it is forgotten, and a day later nothing of it is kept', async () => {
    const [begun, hour] = [8_000_000_000, 3_600_000];
    for (let n = 0; n < 6; n += 1) await countAttempt(db, from('Old', '10.7.7.7'), begun + n * 600_000);
    const last = begun + 5 * 600_000;
    expect(await countAttempt(db, from('Old', '10.7.7.7'), last + hour + 1)).toBe(0);
    expect(await countAttempt(db, from('Old', '10.7.7.7'), last + hour + 2)).toBe(0);
    await countAttempt(db, from('New', '10.7.7.8'), last + 26 * hour);
    expect((await db.select().from(tries)).map((row) => row.of).filter((of) => /old|10\.7\.7\.7/.test(of))).toEqual([]);
  });

  it('a hundred at once are counted one by one', async () => {
    const waits = await Promise.all(Array.from({ length: 100 }, () => countAttempt(db, from('ZZ', 'one place'))));
    expect(waits.filter((wait) => wait === 0)).toHaveLength(3);
  });

  it('all 10,000 PINs of four digits take longer than a month', () => {
    const ms = Array.from({ length: 10_000 }, (_, n) => waitAfter(n, 3)).reduce((a, b) => a + b, 0);
    expect(ms / 86_400_000).toBeGreaterThan(30);
  });
});
