/** A database that is in use is waited for, without holding up anything else this process does. */
import type { Client } from '@libsql/client';
import { causesOf } from './trouble';

/** How long a write waits for another process's write, ms. */
const PATIENCE = 5_000;
/** How long between tries, ms: soon at first, for most writes last no longer. */
const [FIRST, MOST] = [4, 120];

const isInUse = (error: unknown): boolean =>
  causesOf(error).some(({ code }) => code === 'SQLITE_BUSY' || code === 'SQLITE_LOCKED');

async function tried<T>(work: () => Promise<T>, patience: number): Promise<T> {
  const until = performance.now() + patience;
  for (let pause = FIRST; ; pause = Math.min(MOST, pause * 2)) {
    try {
      return await work();
    } catch (error) {
      if (!isInUse(error) || performance.now() + pause > until) throw error;
    }
    await new Promise((resolve) => setTimeout(resolve, pause * (0.5 + Math.random())));
  }
}

/**
 * A client whose every call is tried again while the database is in use. The client’s own waiting would stop the whole
 * process: it is opened without any. A call that failed so has changed nothing.
 *
 * @param patience ms
 */
export function patient(client: Client, patience = PATIENCE): Client {
  const calls = new Set<PropertyKey>(['execute', 'batch', 'migrate', 'transaction', 'executeMultiple']);
  return new Proxy(client, {
    get(target, name) {
      const value: unknown = Reflect.get(target, name);
      if (typeof value !== 'function') return value;
      const method = value.bind(target) as (...args: unknown[]) => Promise<unknown>;
      return calls.has(name) ? (...args: unknown[]) => tried(() => method(...args), patience) : method;
    },
  });
}
