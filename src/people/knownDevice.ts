/**
 * A device is known by a signed cookie that lists who signed in on it before. It lets nobody in: it only keeps the tries
 * of strangers apart from theirs (`rateLimit.ts`).
 */
import { createHmac, randomUUID, timingSafeEqual } from 'node:crypto';
import { z } from 'zod';
import type { Database } from '@/store/open';
import { shopSecret } from '@/store/secret';

const NAME = 'spatium.known';
const YEAR = 365 * 24 * 3_600;
const MOST_PEOPLE = 12;

const knownSchema = z.strictObject({ device: z.uuid(), people: z.array(z.string()).max(MOST_PEOPLE) });
type Known = z.infer<typeof knownSchema>;

const signatureOf = (secret: string, text: string): Buffer =>
  createHmac('sha256', secret).update(`known device ${text}`).digest();

async function knownIn(db: Database, headers: Headers): Promise<Known | null> {
  const [, text = '', signed = ''] =
    /(?:^|; )(?:__Secure-)?spatium\.known=([\w-]+)\.([\w-]+)/.exec(headers.get('cookie') ?? '') ?? [];
  if (text === '') return null;
  const right = signatureOf(await shopSecret(db), text);
  const given = Buffer.from(signed, 'base64url');
  if (given.length !== right.length || !timingSafeEqual(given, right)) return null;
  return knownSchema.parse(JSON.parse(Buffer.from(text, 'base64url').toString()));
}

/** The device, where somebody of these initials signed in on it before; else null. */
export async function deviceThatKnows(db: Database, headers: Headers, initials: string): Promise<string | null> {
  const known = await knownIn(db, headers);
  return known?.people.includes(initials.toLowerCase()) ? known.device : null;
}

/**
 * What the browser is to keep once somebody has signed in.
 *
 * @param isSecure whether it is sent over https alone
 */
export async function knownCookie(
  db: Database,
  headers: Headers,
  initials: string,
  isSecure: boolean,
): Promise<string> {
  const before = (await knownIn(db, headers)) ?? { device: randomUUID(), people: [] };
  const who = initials.toLowerCase();
  const people = [who, ...before.people.filter((other) => other !== who)].slice(0, MOST_PEOPLE);
  const text = Buffer.from(JSON.stringify({ device: before.device, people } satisfies Known)).toString('base64url');
  const signed = signatureOf(await shopSecret(db), text).toString('base64url');
  return `${isSecure ? '__Secure-' : ''}${NAME}=${text}.${signed}${isSecure ? '; Secure' : ''}; Max-Age=${YEAR}; Path=/; HttpOnly; SameSite=Lax`;
}
