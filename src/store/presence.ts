/**
 * Who is on which build just now, at what, and what each took for its own: in this server's memory alone. A window that
 * is hidden, closed or without the server drops out by itself; what it took stays its own a while longer.
 */
export interface Present {
  /** Initials; empty where none are said. */
  by: string;
  /** Place in hand, as in an address, e.g. `3.top`; null for one that is away. */
  at: string | null;
  /** What it took for its own, as in `rings.L1`. */
  mine: string[];
}

interface Seen {
  by: string;
  at: string;
  /** What it took, and when, ms. */
  mine: ReadonlyMap<string, number>;
  asked: number;
}

/** A window is there for so long after it asked, ms. */
const STAYS = 5_000;
/** What it took is its own for so long after it asked, ms: a tablet that sleeps is still on its cylinder. */
const HOLDS = 10 * 60_000;
/** As many builds, windows of one, and things one window took, as are remembered. */
const MOST_BUILDS = 1_000;
const MOST_BENCHES = 40;
const MOST_CLAIMS = 64;

const builds = new Map<string, Map<string, Seen>>();

/** Whether nobody took it before this bench did. */
const isFirst = (benches: ReadonlyMap<string, Seen>, bench: string, what: string, since: number): boolean =>
  [...benches].every(([id, { mine }]) => id === bench || (mine.get(what) ?? Infinity) > since);

/**
 * Notes where a window of a build is and what it took, and tells the same of the others. What two took is the first
 * one's.
 *
 * @param now ms, for tests
 */
export function presentAt(
  build: string,
  bench: string,
  { by, at, mine }: { by: string; at: string; mine: readonly string[] },
  now = Date.now(),
): Present[] {
  const benches = builds.get(build) ?? new Map<string, Seen>();
  for (const [id, { asked, mine: held }] of benches)
    if (asked + (held.size > 0 ? HOLDS : STAYS) < now) benches.delete(id);
  const before = benches.get(bench)?.mine;
  benches.delete(bench);
  while (benches.size >= MOST_BENCHES) benches.delete(benches.keys().next().value ?? '');
  const held = new Map(mine.slice(0, MOST_CLAIMS).map((what) => [what, before?.get(what) ?? now]));
  benches.set(bench, { by, at, mine: held, asked: now });
  // the build asked for last is the last to be forgotten
  builds.delete(build);
  builds.set(build, benches);
  while (builds.size > MOST_BUILDS) builds.delete(builds.keys().next().value ?? '');
  return [...benches].flatMap(([id, seen]) => {
    if (id === bench) return [];
    const own = [...seen.mine].flatMap(([what, since]) => (isFirst(benches, id, what, since) ? [what] : []));
    return [{ by: seen.by, at: seen.asked + STAYS < now ? null : seen.at, mine: own }];
  });
}
