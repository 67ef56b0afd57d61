/** Finds out who asks, from what the browser sent. */
import { database } from '@/store/store';
import { type RequestContext, type Person, ALONE } from './requestContext';
import { auth } from './auth';
import { hasPeople, memberOf } from './people';

/** How long an answer is taken to hold, ms: benches ask once a second. Who is signed out is out after it. */
const HOLDS = 1_500;
const MOST_KEPT = 500;

interface Found {
  until: number;
  who: Promise<Pick<RequestContext, 'hasPeople' | 'person' | 'device'>>;
}

/** Held by the process, not by the module: the server in front and the routes behind it are two copies of this one. */
const held = globalThis as { spatiumWho?: Map<string, Found> };
const kept = (held.spatiumWho ??= new Map<string, Found>());

/** Forgets what it found: somebody signed in or out just now. */
export const forgetSessions = (): void => kept.clear();

async function find(headers: Headers): Promise<Pick<RequestContext, 'hasPeople' | 'person' | 'device'>> {
  if (!(await hasPeople(await database()))) return ALONE;
  if (!/(^|[; ])(__Secure-)?spatium\./.test(headers.get('cookie') ?? '')) return { ...ALONE, hasPeople: true };
  const { api } = await auth();
  const asked = new Headers({ cookie: headers.get('cookie') ?? '' });
  const [session, all] = await Promise.all([
    api.getSession({ headers: asked, query: { disableCookieCache: true } }),
    api.listDeviceSessions({ headers: asked }),
  ]);
  const person = (user: unknown): Person[] => {
    const { hasLeft, ...member } = memberOf(user as Parameters<typeof memberOf>[0]);
    return hasLeft ? [] : [member];
  };
  return {
    hasPeople: true,
    person: session ? (person(session.user)[0] ?? null) : null,
    device: all.flatMap(({ user }) => person(user)),
  };
}

/** Who asks. */
export async function authenticate(
  headers: Headers,
  address: string,
  now = performance.now(),
): Promise<RequestContext> {
  const cookie = headers.get('cookie') ?? '';
  const before = kept.get(cookie);
  let who = before && before.until > now ? before.who : null;
  if (!who) {
    who = find(headers);
    kept.delete(cookie);
    kept.set(cookie, { until: now + HOLDS, who });
    if (kept.size > MOST_KEPT) kept.delete(kept.keys().next().value ?? '');
    who.catch(() => kept.delete(cookie));
  }
  return { ...(await who), headers, address };
}
