/**
 * Who is asking, for as long as a request is answered. `src/server` finds out before anything else sees the request;
 * routes and commands look here.
 */
import { AsyncLocalStorage } from 'node:async_hooks';
import { may } from './permissions';
import type { Role } from '../files/roles';

/** Somebody who works in the shop. */
export interface Person {
  id: string;
  name: string;
  initials: string;
  role: Role;
}

export interface RequestContext {
  /** Whether people are set up; if not, whoever reaches this machine is its owner. */
  hasPeople: boolean;
  /** Who is signed in and in hand; null for nobody. */
  person: Person | null;
  /** All who are signed in on the same device, the one in hand among them: a shared tablet has several. */
  device: readonly Person[];
  /** What the browser sent, for signing in and out. */
  headers: Headers;
  /** Where from. */
  address: string;
}

const held = globalThis as { spatiumAsking?: AsyncLocalStorage<RequestContext> };
const storage = (held.spatiumAsking ??= new AsyncLocalStorage<RequestContext>());

/** Does something as asked by somebody. */
export const runInContext = <T>(asking: RequestContext, work: () => T): T => storage.run(asking, work);

/** A machine that nobody is set up on: everything is as its one user sends it. */
export const ALONE: RequestContext = {
  hasPeople: false,
  person: null,
  device: [],
  headers: new Headers(),
  address: '',
};

/**
 * Who asks.
 *
 * @throws Error where the request did not come by way of `src/server`
 */
export function requestContext(): RequestContext {
  const asking = storage.getStore();
  if (!asking) throw new Error('A request came in past the server that knows who asks. Start Spatium with npm start.');
  return asking;
}

/** The role somebody asks in; the owner's where no people are set up. */
export const roleOf = ({ hasPeople, person }: RequestContext): Role | null =>
  hasPeople ? (person?.role ?? null) : 'owner';

/** Why whoever asks may enter nothing; null for nobody signed in, and who may. */
export const barredFrom = ({ person }: RequestContext): string | null =>
  person && !may(person.role, 'enter') ? `${person.initials} may look here, and not enter.` : null;

const MOST_INITIALS = 12;

/**
 * Whose initials something is noted with: those sent, where no people are set up or where they are of somebody who is
 * signed in on this device (what waited there may be another one's); else those of who is in hand.
 *
 * @example initialsFor(ALONE, 'KM') // 'KM'
 */
export function initialsFor({ hasPeople, person, device }: RequestContext, sent: unknown): string {
  const initials = typeof sent === 'string' ? sent.slice(0, MOST_INITIALS) : '';
  if (!hasPeople || device.some((other) => other.initials === initials)) return initials;
  return person?.initials ?? '';
}
