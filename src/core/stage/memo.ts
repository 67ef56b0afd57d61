/** Results that are kept while what they were worked out from is the same. */

/**
 * Gives the result of `work`, or the one kept under `key` if everything in `from` is the same object or figure as
 * it was then. `from` must name all that `work` reads.
 */
export type Memo = <T>(key: string, from: readonly unknown[], work: () => T) => T;

/** Keeps nothing: every result is worked out anew. */
export const forgetful: Memo = (_key, _from, work) => work();

/** Keeps the last result under each key. */
export function remembering(): Memo {
  const kept = new Map<string, { from: readonly unknown[]; result: unknown }>();
  return <T>(key: string, from: readonly unknown[], work: () => T): T => {
    const last = kept.get(key);
    if (last && last.from.length === from.length && from.every((value, i) => Object.is(value, last.from[i])))
      return last.result as T;
    const result = work();
    kept.set(key, { from, result });
    return result;
  };
}
