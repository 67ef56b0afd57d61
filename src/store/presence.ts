/**
 * Who is on which build just now, at what, and what each took for its own: in this server's memory, with what other
 * servers of the same database last told of theirs. A window that is hidden, closed or without the server drops out by
 * itself; what it took stays its own a while longer.
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

/** A window as one server tells another of it. */
export interface Told {
  build: string;
  bench: string;
  by: string;
  at: string;
  /** How long ago it asked, ms. */
  asked: number;
  /** What it took, and when by the clock of the server that it told it: all hold the same against each other. */
  mine: Record<string, number>;
}

/** A window is there for so long after it asked, ms. */
const STAYS = 5_000;
/** What it took is its own for so long after it asked, ms: a tablet that sleeps is still on its cylinder. */
const HOLDS = 10 * 60_000;
/** As many builds, windows of one, and things one window took, as are remembered. */
const MOST_BUILDS = 1_000;
const MOST_BENCHES = 40;
const MOST_CLAIMS = 64;

type Benches = Map<string, Seen>;

/** Whether nobody took it before this bench did; of two at the same moment one did. */
const isFirst = (benches: ReadonlyMap<string, Seen>, bench: string, what: string, since: number): boolean =>
  [...benches].every(([id, { mine }]) => {
    const its = mine.get(what) ?? Infinity;
    return its > since || (its === since && id >= bench);
  });

const isGone = ({ asked, mine }: Seen, now: number): boolean => asked + (mine.size > 0 ? HOLDS : STAYS) < now;

function dropGone(benches: Benches, now: number): void {
  for (const [id, seen] of benches) if (isGone(seen, now)) benches.delete(id);
}

/** One server's knowledge of the windows. */
export class Presence {
  private readonly builds = new Map<string, Benches>();
  private elsewhere = new Map<string, Benches>();

  /** The windows of a build, here and elsewhere; of one that asked at two servers what it said last. */
  private of(build: string, now: number): Benches {
    const known: Benches = new Map(this.elsewhere.get(build));
    dropGone(known, now);
    for (const [id, seen] of this.builds.get(build) ?? [])
      if (seen.asked >= (known.get(id)?.asked ?? -Infinity)) known.set(id, seen);
    return known;
  }

  /**
   * Notes where a window of a build is and what it took, and tells the same of the others. What two took is the first
   * one's.
   */
  at(
    build: string,
    bench: string,
    { by, at, mine }: { by: string; at: string; mine: readonly string[] },
    now = Date.now(),
  ): Present[] {
    const benches = this.builds.get(build) ?? new Map<string, Seen>();
    dropGone(benches, now);
    const before = this.of(build, now).get(bench)?.mine;
    benches.delete(bench);
    while (benches.size >= MOST_BENCHES) benches.delete(benches.keys().next().value ?? '');
    const held = new Map(mine.slice(0, MOST_CLAIMS).map((what) => [what, before?.get(what) ?? now]));
    benches.set(bench, { by, at, mine: held, asked: now });
    // the build asked for last is the last to be forgotten
    this.builds.delete(build);
    this.builds.set(build, benches);
    while (this.builds.size > MOST_BUILDS) this.builds.delete(this.builds.keys().next().value ?? '');
    const all = this.of(build, now);
    return [...all].flatMap(([id, other]) => {
      if (id === bench) return [];
      const own = [...other.mine].flatMap(([what, since]) => (isFirst(all, id, what, since) ? [what] : []));
      return [{ by: other.by, at: other.asked + STAYS < now ? null : other.at, mine: own }];
    });
  }

  /** The windows that ask this server, for the others to know. */
  told(now = Date.now()): Told[] {
    return [...this.builds].flatMap(([build, benches]) => {
      dropGone(benches, now);
      return [...benches].map(([bench, { by, at, mine, asked }]) => ({
        ...{ build, bench, by, at, asked: now - asked },
        mine: Object.fromEntries(mine),
      }));
    });
  }

  /** What the other servers tell of their windows, in the place of what they told before. */
  hear(told: readonly Told[], now = Date.now()): void {
    this.elsewhere = new Map();
    for (const { build, bench, by, at, asked, mine } of told) {
      const benches = this.elsewhere.get(build) ?? new Map<string, Seen>();
      this.elsewhere.set(build, benches);
      // of a window that asked at two of them, what it said last
      if (now - asked >= (benches.get(bench)?.asked ?? -Infinity))
        benches.set(bench, { by, at, asked: now - asked, mine: new Map(Object.entries(mine)) });
    }
  }
}

/** What this server knows. */
export const presence = new Presence();
