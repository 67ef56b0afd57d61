/** A shop with people on it, one of each role, and how they ask. */
import { type Need, COMMAND_NEEDS, ROUTES, may } from '../src/people/permissions';
import { type Role, ROLES } from '../src/files/roles';
import { jobEntry } from '../src/fixtures/records';
import { type RawAnswer, disguises, rawRequest, rewritingHeaders } from './raw';
import { type Server } from './server';

export const OWNER = { name: 'Kim Moor', initials: 'KM', secret: 'secret1' };
export const PINS: Record<Role, [initials: string, pin: string]> = {
  owner: ['KM', OWNER.secret],
  builder: ['BU', '428517'],
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
  ((await (await ask(server, jar, 'POST', `/api/commands/${name}`, { args })).json()) as { result: unknown }).result;

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

const leadsToSignIn = ({ status, headers }: RawAnswer): boolean =>
  status === 307 && (headers.get('location') ?? '').startsWith('/sign-in');

/** Whether an answer gave nothing away: refused, not there, or led to signing in. */
const isTurnedAway = (answer: RawAnswer): boolean =>
  (answer.status >= 400 && answer.status < 500) || leadsToSignIn(answer);

/** Does work on each of many, so many at once. */
async function inParallel<T>(all: readonly T[], atOnce: number, work: (one: T) => Promise<void>): Promise<void> {
  let next = 0;
  const worker = async (): Promise<void> => {
    for (let i = next++; i < all.length; i = next++) await work(all[i] as T);
  };
  await Promise.all(Array.from({ length: atOnce }, worker));
}

/**
 * Every page, route and act as every role and as nobody, written to a socket: plainly, then disguised in each of some
 * fifty ways. Acts get arguments that none of them takes: who may is told what is wrong with them, and nothing is done.
 * How many were asked, and which were not answered as the table says.
 *
 * @param isThorough whether who may is asked in every disguise too: nothing of it is refused, only no 5xx may come
 */
export async function walkRules(server: Server, isThorough = false): Promise<{ asked: number; wrong: string[] }> {
  const cookies: [Role | null, string][] = [[null, '']];
  for (const role of ROLES) cookies.push([role, cookieOf(await signedIn(server, role))]);
  const rules: [method: string, path: string, need: Need][] = [
    ...ROUTES.map(([method, path, need]): [string, string, Need] => [
      method,
      path.replace('/builds/:id', '/builds/bench').replace(':stage', 'rings').replace(/:\w+/g, 'none'),
      need,
    ]),
    ...Object.entries(COMMAND_NEEDS).map(([name, need]): [string, string, Need] => [
      'POST',
      `/api/commands/${name}`,
      need,
    ]),
  ];
  const body = JSON.stringify({ args: [{}, {}, {}, {}, {}, {}] });
  const wrong: string[] = [];
  let asked = 0;
  const look = async (
    [role, cookie]: (typeof cookies)[number],
    [method, path, need]: (typeof rules)[number],
    target: string,
  ): Promise<void> => {
    const answer = await rawRequest(server.port, method, target, { cookie }, method === 'POST' ? body : '');
    asked += 1;
    const isOpen = may(role, need);
    const isLetIn = ![401, 403].includes(answer.status) && !leadsToSignIn(answer);
    const isWrong = target === path ? isLetIn !== isOpen : !isOpen && !isTurnedAway(answer);
    if (isWrong || answer.status >= 500 || answer.status === 0)
      wrong.push(`${role ?? 'nobody'} ${method} ${target}: ${answer.status}`);
  };
  const visits = cookies.flatMap((who) => rules.map((rule) => ({ who, rule })));
  await inParallel(visits, 8, async ({ who, rule }) => {
    const [, path, need] = rule;
    await look(who, rule, path);
    if (may(who[0], need) && !isThorough) return;
    for (const target of disguises(path)) await look(who, rule, target);
    if (may(who[0], need)) return;
    for (const headers of rewritingHeaders(path)) {
      const answer = await rawRequest(server.port, 'GET', '/api/me', { cookie: who[1], ...headers });
      asked += 1;
      if (!answer.body.includes('"hasPeople"'))
        wrong.push(`${who[0] ?? 'nobody'} GET /api/me ${JSON.stringify(headers)}`);
    }
  });
  return { asked, wrong };
}
