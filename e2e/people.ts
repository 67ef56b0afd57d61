/** A shop with people on it, one of each role, and how they ask. */
import { ACT_NEEDS, ROLES, ROUTES, type Need, type Role, may } from '../src/people/rules';
import { jobEntry } from '../src/fixtures/records';
import type { Server } from './server';

export const OWNER = { name: 'Kim Moor', initials: 'KM', secret: 'secret1' };
export const PINS: Record<Role, [initials: string, pin: string]> = {
  owner: ['KM', OWNER.secret],
  builder: ['BU', '123456'],
  fitter: ['AW', '4711'],
  reader: ['RL', '4712'],
};

/** A browser's cookies. */
export type Jar = Map<string, string>;

export const cookieOf = (jar: Jar): string => [...jar].map(([k, v]) => `${k}=${v}`).join('; ');

/** Asks as whoever the cookies are of, and keeps what comes back. */
export async function ask(server: Server, jar: Jar, method: string, path: string, body?: unknown): Promise<Response> {
  const response = await fetch(`${server.url}${path}`, {
    method,
    redirect: 'manual',
    headers: { cookie: cookieOf(jar) },
    ...(body === undefined ? {} : { body: JSON.stringify(body) }),
  });
  for (const cookie of response.headers.getSetCookie()) {
    const [, name = '', value = ''] = /^([^=]+)=([^;]*)/.exec(cookie) ?? [];
    if (/Max-Age=0/i.test(cookie)) jar.delete(name);
    else jar.set(name, value);
  }
  return response;
}

/** Does an act; its result. */
export const act = async (server: Server, jar: Jar, name: string, ...args: unknown[]): Promise<unknown> =>
  ((await (await ask(server, jar, 'POST', `/api/do/${name}`, { args })).json()) as { result: unknown }).result;

/** The cookies of somebody who signed in. */
export async function signedInAs(server: Server, initials: string, pin: string): Promise<Jar> {
  const jar: Jar = new Map();
  const result = await act(server, jar, 'signIn', initials, pin);
  if (!(result as { ok: boolean }).ok) throw new Error(`${initials} was not let in: ${JSON.stringify(result)}`);
  return jar;
}
export const signedIn = (server: Server, role: Role): Promise<Jar> => signedInAs(server, ...PINS[role]);

/** Sets people up, one of each role, beside a build `bench`. */
export async function setUpShop(server: Server): Promise<void> {
  await server.put({ id: 'bench', entries: [jobEntry({ name: 'Bench six' })] });
  const owner: Jar = new Map();
  await act(server, owner, 'setUpPeople', OWNER.name, OWNER.initials, OWNER.secret);
  for (const role of ['builder', 'fitter', 'reader'] as const) {
    const [initials, pin] = PINS[role];
    await act(server, owner, 'addPerson', `A ${role}`, initials, role, pin);
  }
}

/**
 * Every page, route and act asked for as every role and as nobody; acts with arguments that none of them takes, so that
 * who may is told what is wrong with them, and nothing is done. How many were asked, and which were not answered as the
 * table says.
 */
export async function walkRules(server: Server): Promise<{ asked: number; wrong: string[] }> {
  const jars: [Role | null, Jar][] = [[null, new Map()]];
  for (const role of ROLES) jars.push([role, await signedIn(server, role)]);
  const walked: [method: string, path: string, need: Need][] = [
    ...ROUTES.filter(([, path]) => !path.includes('*')).map(([method, path, need]): [string, string, Need] => [
      method,
      path
        .replace('/builds/:id', '/builds/bench')
        .replace(/:stage/, 'rings')
        .replace(/:\w+/g, 'none'),
      need,
    ]),
    ...Object.entries(ACT_NEEDS).map(([name, need]): [string, string, Need] => ['POST', `/api/do/${name}`, need]),
  ];
  const wrong: string[] = [];
  for (const [role, jar] of jars)
    for (const [method, path, need] of walked) {
      const body = method === 'POST' ? { args: [{}, {}, {}, {}, {}, {}] } : undefined;
      const response = await ask(server, new Map(jar), method, path, body);
      await response.body?.cancel();
      const isTurnedAway =
        response.status === 401 ||
        response.status === 403 ||
        (response.headers.get('location') ?? '').startsWith('/sign-in');
      if (isTurnedAway === may(role, need) || response.status >= 500)
        wrong.push(`${role ?? 'nobody'} ${method} ${path}: ${response.status}`);
    }
  return { asked: jars.length * walked.length, wrong };
}
