/** What the deck shows of a cylinder's gaps: the compression ring that needs a hand most. */
import { fine } from '../quantity/saying';
import type { Caption } from '../stage/stage';
import type { GapReading, GapState, Ring } from './ring';

interface Gapped {
  rings: Record<Ring, { state: GapState; gap: GapReading | null }>;
  worst: { compression: Ring };
}

/**
 * What the deck says of a cylinder where rings lead: the compression ring that needs a hand most, its gap in nm.
 *
 * @example gapCaption(cylinder).word // 'short'
 */
export function gapCaption({ rings, worst }: Gapped): Caption {
  const { state, gap } = rings[worst.compression];
  return { state, word: state, figure: gap ? [fine(gap.value)] : [] };
}
