/** Which parts are in a cylinder: what a check at the block was made of, so that it is made again when one changes. */
import type { PairingChoices } from '../pistons/choices';
import type { PlacingChoices } from '../rings/choices';
import { type Ring, RINGS, isCompression } from '../rings/ring';
import { type Log, roundOf } from './log';

/**
 * Names the parts in a cylinder: their numbers, how often each was renewed, and how often each ring was cut.
 *
 * @example partsIn(judgement.log, 'L1') // 'L1.0/L1.0/L1.0.0/L1.0.0/L1.0.0/L1.0.0'
 */
export function partsIn(log: Log, cylinder: string): string {
  const pairing = log.choices.get('pairing')?.value as PairingChoices | undefined;
  const placing = log.choices.get('placing')?.value as PlacingChoices | undefined;
  const piston = pairing?.pairs.find((p) => p.cylinder === cylinder)?.piston ?? cylinder;
  const numberOf = (ring: Ring): string =>
    (isCompression(ring) ? placing?.[ring].pairs.find((p) => p.cylinder === cylinder)?.ring : null) ?? cylinder;
  const renewed = (number: string, part: string): string => `${number}.${roundOf(log, number, part)}`;
  const rings = RINGS.map((ring) => {
    const number = numberOf(ring);
    return `${renewed(number, ring)}.${log.numbers.get(number)?.cuts.get(ring) ?? 0}`;
  });
  return [renewed(cylinder, 'bore'), renewed(piston, 'piston'), ...rings].join('/');
}
