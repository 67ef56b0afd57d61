/**
 * Which parts are in a cylinder: what a check at the block was made of, and what a verdict was accepted of, so that
 * either lapses when one changes.
 */
import { type Compression, type Ring, RINGS, isCompression } from '../foundation/parts/rings';
import { type Log, roundOf } from './log';

type Placed = Pick<Log, 'choices'>;

/** What the choices of kind `pairing` and `placing` say of where numbered parts are. */
interface Pairing {
  pairs: { cylinder: string; piston: string }[];
}
type Placing = Record<Compression, { pairs: { cylinder: string; ring: string }[] }>;

const pairings = ({ choices }: Placed): Pairing['pairs'] =>
  (choices.get('pairing')?.value as Pairing | undefined)?.pairs ?? [];

const placings = ({ choices }: Placed, ring: Ring): Placing[Compression]['pairs'] =>
  isCompression(ring) ? ((choices.get('placing')?.value as Placing | undefined)?.[ring].pairs ?? []) : [];

/** Number of the piston that is in a cylinder. */
export const pistonIn = (log: Placed, cylinder: string): string =>
  pairings(log).find((p) => p.cylinder === cylinder)?.piston ?? cylinder;

const ringIn = (log: Placed, cylinder: string, ring: Ring): string =>
  placings(log, ring).find((p) => p.cylinder === cylinder)?.ring ?? cylinder;

/**
 * Where a verdict belongs that rests on parts which can be put elsewhere.
 *
 * @example whereOf('L1', 'R1') // 'L1 with R1'
 */
export const whereOf = (cylinder: string, piston: string | null): string =>
  piston === null ? cylinder : `${cylinder} with ${piston}`;

/**
 * Where the part stands that a reading is of, as parts are placed: of a ring its cylinder; of a bore or a piston the
 * cylinder and the piston in it; null for what goes nowhere by itself.
 *
 * @example standsIn(judgement.log, 'top', 'L1') // 'L1'
 */
export function standsIn(log: Placed, subject: string, number: string): string | null {
  const ring = RINGS.find((r) => r === subject);
  if (ring) return whereOf(placings(log, ring).find((p) => p.ring === number)?.cylinder ?? number, null);
  if (subject === 'bore') return whereOf(number, pistonIn(log, number));
  if (subject !== 'piston') return null;
  return whereOf(pairings(log).find((p) => p.piston === number)?.cylinder ?? number, number);
}

/** Names the shells and the journal at a place of the bottom end, by how often each was renewed. */
export const bearingPartsIn = (log: Pick<Log, 'numbers'>, place: string): string =>
  `${roundOf(log, place, 'shells')}/${roundOf(log, place, 'journal')}`;

/**
 * Names the parts in a cylinder: their numbers, how often each was renewed, and how often each ring was cut.
 *
 * @example partsIn(judgement.log, 'L1') // 'L1.0/L1.0/L1.0.0/L1.0.0/L1.0.0/L1.0.0'
 */
export function partsIn(log: Log, cylinder: string): string {
  const renewed = (number: string, part: string): string => `${number}.${roundOf(log, number, part)}`;
  const rings = RINGS.map((ring) => {
    const number = ringIn(log, cylinder, ring);
    return `${renewed(number, ring)}.${log.numbers.get(number)?.cuts.get(ring) ?? 0}`;
  });
  return [renewed(cylinder, 'bore'), renewed(pistonIn(log, cylinder), 'piston'), ...rings].join('/');
}
