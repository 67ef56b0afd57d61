/** Results that are kept while what they were worked out from is the same. */

/**
 * Gives the result of `work`, or the one kept of `what` and `whose` if everything in `from` is the same object or
 * figure as it was then. `from` must name all that `work` reads.
 */
export type Memo = <T>(what: string, whose: string, from: readonly unknown[], work: () => T) => T;

/** Whose a result is that is of the engine as a whole. */
export const ENGINE = '';

/** Keeps nothing: every result is worked out anew. */
export const noMemo: Memo = (_what, _whose, _from, work) => work();

function areSame(a: readonly unknown[], b: readonly unknown[]): boolean {
  if (a.length !== b.length) return false;
  for (let i = 0; i < a.length; i += 1) if (!Object.is(a[i], b[i])) return false;
  return true;
}

interface Kept {
  from: readonly unknown[];
  result: unknown;
}

/**
 * Keeps the last result of each thing of each. Two names rather than one made of both: this is asked hundreds of times a keystroke.
 *
 * @example noMemo('bore', '1', [], () => 7) // 7
 */
export function createMemo(): Memo {
  const kept = new Map<string, Map<string, Kept>>();
  return <T>(what: string, whose: string, from: readonly unknown[], work: () => T): T => {
    let ofAll = kept.get(what);
    if (!ofAll) kept.set(what, (ofAll = new Map<string, Kept>()));
    const last = ofAll.get(whose);
    if (last && areSame(last.from, from)) return last.result as T;
    const result = work();
    ofAll.set(whose, { from, result });
    return result;
  };
}
