/** What was done at the bench that gives no length, as it counts now. */
import type { BenchEntry, Benched } from './benchWork';
import type { Log } from './log';

/** All of a kind that were not struck out, the first first. */
export const benchedOf = <K extends BenchEntry['kind']>(
  { bench }: Pick<Log, 'bench'>,
  kind: K,
): readonly Benched<Extract<BenchEntry, { kind: K }>>[] =>
  (bench.get(kind) as readonly Benched<Extract<BenchEntry, { kind: K }>>[] | undefined) ?? [];

/**
 * Whether none of some parts of its place was machined or replaced since; of any part where null is given.
 */
export function holds(
  { renewals }: Pick<Log, 'renewals'>,
  { entry, renewed }: Benched,
  parts: readonly string[] | null,
): boolean {
  const all = renewals.get(entry.cylinder) ?? [];
  return !all.slice(0, all.length - renewed).some((r) => parts === null || parts.includes(r.part));
}
