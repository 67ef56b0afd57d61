/** Whether thrust washers and rods are inspected on the way through assembly, so that nothing else asks for it. */

/** What the shop chose of the walk through assembly, as far as bearings depend on it. */
export interface WalkHabits {
  /** The whole walk, or the six checks at the block alone. */
  asks: 'whole' | 'checks';
  /** Which list of steps. */
  edition: 1 | 2;
  /** Whether rod shells differ by side. */
  sidedShells: boolean;
}

/**
 * Whether the walk inspects thrust washers and each rod as they go in, so that nothing else asks for it.
 *
 * @example [judgement, demo].map((j) => inspectsRods(j.job, j.choices.walk)) // [ false, true ]
 */
export const inspectsRods = (
  job: { elsewhere: readonly string[] } | null,
  { asks, edition }: Pick<WalkHabits, 'asks' | 'edition'>,
): boolean => asks === 'whole' && edition === 2 && job !== null && !job.elsewhere.includes('assembly');
