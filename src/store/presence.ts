/**
 * Who is on which build just now, and at what: in this server's memory alone, for as long as a window goes on asking.
 * A window that is hidden, closed or without the server drops out by itself.
 */
export interface Present {
  /** Initials; empty where none are said. */
  by: string;
  /** Place in hand, as in an address, e.g. `3.top`. */
  at: string;
}

interface Seen extends Present {
  until: number;
}

/** A window is there for so long after it asked, ms. */
const STAYS = 5_000;
/** As many builds, and windows of one, as are remembered. */
const MOST_BUILDS = 1_000;
const MOST_BENCHES = 40;

const builds = new Map<string, Map<string, Seen>>();

/**
 * Notes where a window of a build is, and tells where the others are.
 *
 * @param now ms, for tests
 */
export function presentAt(build: string, bench: string, { by, at }: Present, now = Date.now()): Present[] {
  const benches = builds.get(build) ?? new Map<string, Seen>();
  for (const [id, seen] of benches) if (seen.until < now) benches.delete(id);
  benches.delete(bench);
  while (benches.size >= MOST_BENCHES) benches.delete(benches.keys().next().value ?? '');
  benches.set(bench, { by, at, until: now + STAYS });
  // the build asked for last is the last to be forgotten
  builds.delete(build);
  builds.set(build, benches);
  while (builds.size > MOST_BUILDS) builds.delete(builds.keys().next().value ?? '');
  return [...benches].flatMap(([id, seen]) => (id === bench ? [] : [{ by: seen.by, at: seen.at }]));
}
