/** By which names this server may be asked for. A page of another name that was made to lead here is refused. */
import { hostname, networkInterfaces } from 'node:os';

const LOOPBACK = ['localhost', '127.0.0.1', '[::1]'];

/**
 * Whether an address is this machine's alone.
 *
 * @example isLoopback('0.0.0.0') // false
 */
export const isLoopback = (host: string): boolean =>
  host === 'localhost' || host === '::1' || host === '[::1]' || /^127\.\d+\.\d+\.\d+$/.test(host);

/** Whether an address stands for all of this machine's. */
export const isEverywhere = (host: string): boolean => host === '0.0.0.0' || host === '::' || host === '[::]';

/** The addresses of this machine on its networks, version 4 first. */
export const ownAddresses = (): string[] =>
  Object.values(networkInterfaces())
    .flatMap((all) => all ?? [])
    .filter(({ internal, address }) => !internal && !address.startsWith('fe80'))
    .sort((a, b) => a.family.localeCompare(b.family))
    .map(({ address, family }) => (family === 'IPv6' ? `[${address}]` : address));

/**
 * Names of a list as it is set: by commas, each with a port or without.
 *
 * @example namesIn('bench.local, shop:8080') // ['bench.local', 'shop:8080']
 */
export const namesIn = (list: string | undefined): string[] =>
  (list ?? '')
    .split(',')
    .map((name) => name.trim().toLowerCase())
    .filter((name) => name !== '');

/** Name and port of a Host header, in lower case; null for none that could be one. */
function hostOf(header: string): { name: string; port: string } | null {
  const match = /^(\[[0-9a-f:.]+\]|[a-z0-9._-]+)(?::(\d{1,5}))?$/i.exec(header);
  return match ? { name: (match[1] ?? '').toLowerCase().replace(/\.$/, ''), port: match[2] ?? '' } : null;
}

/**
 * Whether a Host header names this server: a loopback name, the address it listens on, one of this machine's where it
 * listens on all, or one that was given.
 *
 * @param listens the address it listens on
 * @param given names of `ALLOWED_HOSTS`; one with a port holds for that port alone
 */
export function isOwnName(
  header: string | undefined,
  listens: string,
  given: readonly string[],
  addresses: () => readonly string[] = ownAddresses,
): boolean {
  const host = header === undefined ? null : hostOf(header);
  if (!host) return false;
  const { name, port } = host;
  if (LOOPBACK.includes(name) || /^127\.\d+\.\d+\.\d+$/.test(name)) return true;
  if (given.includes(name) || given.includes(`${name}:${port}`)) return true;
  if (name === listens.toLowerCase() || name === `[${listens.toLowerCase()}]`) return true;
  return isEverywhere(listens) && addresses().includes(name);
}

/** What this machine calls itself, for its certificate. */
export const ownName = (): string => hostname().toLowerCase();
