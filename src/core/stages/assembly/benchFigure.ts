/** A figure that is typed at the bench, as it was understood. */
export type BenchFigure<V> =
  | { kind: 'empty' }
  | { kind: 'understood'; value: V; says: string }
  /** `isBegun`: more may still make it right, and nothing is asked before Enter. */
  | { kind: 'question'; ask: string; options: { value: V; words: string }[]; isBegun?: boolean }
  | { kind: 'refused'; why: string };
