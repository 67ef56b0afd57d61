/** Entries that are sent for the sake of it: numbered, so that each can be told from every other by what it says. */
import { isDeepStrictEqual } from 'node:util';
import { fromThou } from '../../src/core/foundation/quantity/length';
import type { BuildRecord, Entry } from '../../src/core/judge/buildRecord';
import { jobEntry, reading } from '../../src/fixtures/records';

/** The build that all readings go to. */
export const COMMON = 'soak';
/** Every so many a writer decides something, over what it decided before. */
const DECIDES = 8;
/** Where what a writer decides goes to. */
export const ownOf = (writer: string): string => `soak-${writer}`;

export const emptyBuild = (id: string): BuildRecord => ({ id, entries: [jobEntry({ name: id })] });

const PLACES = ['L1', 'R1', 'L2', 'R2', 'L3', 'R3', 'L4', 'R4'] as const;

/** What a writer sends as its entry of a number, and where to. */
export function sentAs(writer: string, n: number): { build: string; entry: Entry } {
  const id = `${writer}-${n}`;
  if (n % DECIDES === DECIDES - 1) {
    const before = n - DECIDES;
    const card = jobEntry({ name: `${writer} ${n}` }, id, before < 0 ? 'job-1' : `${writer}-${before}`);
    return { build: ownOf(writer), entry: card };
  }
  const read = reading(id, PLACES[n % PLACES.length] ?? 'L1', 'top', fromThou(20 + (n % 9)));
  return { build: COMMON, entry: { ...read, typed: id } };
}

/** What was acknowledged of a writer: everything before a number. */
export type Acknowledged = ReadonlyMap<string, number>;

export interface Held {
  acknowledged: number;
  lost: number;
  doubled: number;
  /** There, and never sent like that. */
  wrong: number;
}

/** Holds what stands on record against what was acknowledged. One more of each writer may have been on its way. */
export function heldAgainst(builds: readonly BuildRecord[], acknowledged: Acknowledged): Held {
  const found = new Map<string, number>();
  let wrong = 0;
  for (const { id, entries } of builds)
    for (const entry of entries) {
      if (entry.id === 'job-1') continue;
      // by what it says, not by the id it has
      const said = entry.kind === 'reading' ? entry.typed : entry.kind === 'job' ? entry.value.name.replace(' ', '-') : '';
      found.set(said, (found.get(said) ?? 0) + 1);
      const [, writer = '', n = ''] = /^(\w+)-(\d+)$/.exec(said) ?? [];
      const sent = sentAs(writer, Number(n));
      const isAsSent = sent.build === id && isDeepStrictEqual(sent.entry, entry);
      if (!isAsSent || Number(n) > (acknowledged.get(writer) ?? -1)) wrong += 1;
    } // oxfmt-ignore
  let [all, lost] = [0, 0];
  for (const [writer, next] of acknowledged)
    for (let n = 0; n < next; n += 1) {
      all += 1;
      if (!found.has(`${writer}-${n}`)) lost += 1;
    }
  return { acknowledged: all, lost, doubled: [...found.values()].filter((times) => times > 1).length, wrong };
}
