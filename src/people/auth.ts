/** The sign-in library on the tables of the store: hashes PINs and passwords, keeps sessions, several on one device. */
import { betterAuth } from 'better-auth';
import { drizzleAdapter } from 'better-auth/adapters/drizzle';
import { admin, magicLink, multiSession, username } from 'better-auth/plugins';
import { adminAc, userAc } from 'better-auth/plugins/admin/access';
import type { Database } from '@/store/open';
import { accounts, people, sessions, verifications } from '@/store/schema';
import { shopSecret } from '@/store/secret';
import { database } from '@/store/store';

/** How long somebody stays signed in, s. */
const STAYS = 90 * 24 * 3_600;
/** How long a code that a device is signed in with holds, s. */
export const CODE_HOLDS = 5 * 60;
const MOST_PEOPLE_ON_A_DEVICE = 12;

/** Held by the process, not by the module: the server in front and the routes behind it are two copies of this one. */
const held = globalThis as {
  spatiumAuth?: Promise<Auth>;
  spatiumIsSecure?: boolean;
  spatiumCodes?: Map<string, (token: string) => void>;
};
/** Who in this process waits for a one-time token. */
const waiting = (held.spatiumCodes ??= new Map<string, (token: string) => void>());

const made = (db: Database, secret: string, isSecure: boolean) =>
  betterAuth({
    database: drizzleAdapter(db, {
      provider: 'sqlite',
      schema: { user: people, session: sessions, account: accounts, verification: verifications },
    }),
    secret,
    baseURL: `${isSecure ? 'https' : 'http'}://spatium.invalid`,
    emailAndPassword: { enabled: true, disableSignUp: true, minPasswordLength: 4, maxPasswordLength: 128 },
    session: { expiresIn: STAYS },
    telemetry: { enabled: false },
    logger: { disabled: true },
    advanced: {
      cookiePrefix: 'spatium',
      useSecureCookies: isSecure,
      database: { generateId: () => crypto.randomUUID() },
    },
    plugins: [
      username({ minUsernameLength: 1, maxUsernameLength: 12, usernameValidator: () => true }),
      admin({
        defaultRole: 'reader',
        adminRoles: ['owner'],
        roles: { owner: adminAc, builder: userAc, fitter: userAc, reader: userAc },
        bannedUserMessage: 'has left',
      }),
      multiSession({ maximumSessions: MOST_PEOPLE_ON_A_DEVICE }),
      magicLink({
        disableSignUp: true,
        expiresIn: CODE_HOLDS,
        storeToken: 'hashed',
        sendMagicLink: ({ email, token }) => {
          waiting.get(email)?.(token);
          waiting.delete(email);
        },
      }),
    ],
  });

export type Auth = ReturnType<typeof made>;

/** Whether the server of this process is reached over https: cookies are then sent over nothing else. */
export const reachedSecurely = (isSecure: boolean): void => {
  held.spatiumIsSecure = isSecure;
};

export const isReachedSecurely = (): boolean => held.spatiumIsSecure ?? false;

/** The sign-in library of this process. */
export function auth(): Promise<Auth> {
  held.spatiumAuth ??= (async () => {
    const db = await database();
    return made(db, await shopSecret(db), isReachedSecurely());
  })().catch((error: unknown) => {
    held.spatiumAuth = undefined;
    throw error;
  });
  return held.spatiumAuth;
}

/** A one-time token that signs somebody in, by the address the library knows them under. */
export async function oneTimeToken(email: string): Promise<string> {
  const library = await auth();
  let token = '';
  waiting.set(email, (sent) => {
    token = sent;
  });
  await library.api.signInMagicLink({ body: { email }, headers: new Headers() });
  if (token === '') throw new Error('no code was made');
  return token;
}
