import type { Units } from '@/core/foundation/quantity/length';

/** What to try on a stage with the trial engine, in either system. */
export type TrialWords = Readonly<Record<Units, string>>;

/** Words that are the same in both. */
export const inEither = (words: string): TrialWords => ({ imperial: words, metric: words });
