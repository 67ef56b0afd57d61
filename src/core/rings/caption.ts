/** What the deck shows of a cylinder's gaps: the compression ring that needs a hand most. */
import { fine } from '../quantity/saying';
import type { Caption } from '../stage/stage';
import type { JudgedRing } from './judged';
import type { Ring } from './ring';

interface Gapped {
  rings: Record<Ring, Pick<JudgedRing, 'state' | 'counts'>>;
  worst: { compression: Ring };
}

/**
 * What the deck says of a cylinder where rings lead: the compression ring that needs a hand most, its gap in nm.
 *
 * @example gapCaption(cylinder).word // 'short'
 */
export function gapCaption({ rings, worst }: Gapped): Caption {
  const ring = rings[worst.compression];
  return { state: ring.state, word: ring.state, figure: ring.counts ? [fine(ring.counts.value)] : [] };
}
