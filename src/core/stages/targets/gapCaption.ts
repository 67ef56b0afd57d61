/** What the deck shows of a cylinder's gaps: the compression ring that needs a hand most. */
import { fine } from '../../foundation/quantity/message';
import type { Caption } from '../contract/stage';
import type { JudgedGap } from './types';
import type { Ring } from '../../foundation/parts/rings';

interface Gapped {
  rings: Record<Ring, Pick<JudgedGap, 'state' | 'counts'>>;
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
