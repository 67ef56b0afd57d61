/** What matching the weights of an engine is worked out from. */
import type { WeighedPart } from '../../../record/benchWork';
import { type Mixed, MIXED } from './choices';
import type { MixAsk } from './matchWeights';
import type { JudgedWeights } from './weights';

/** What a mixing is worked out from: of the sets that are weighed whole, what stays and what may go elsewhere. */
export interface MixGiven {
  ask: MixAsk;
  /** The cylinders, in the order of the ask. */
  cylinders: string[];
  /** The kinds, in the order of the ask. */
  kinds: Mixed[];
}

/**
 * What the mixing of an engine is worked out from; null where fewer than two sets are weighed whole, or nothing may be
 * mixed. Parts that stay, by their kind or marked one by one, are where they are.
 */
export function mixGiven({ sets, choices, inPlay }: JudgedWeights): MixGiven | null {
  const whole = sets.filter((s) => s.total !== null);
  const kinds = MIXED.filter(
    (kind) => choices.mixes.includes(kind) && inPlay.includes(kind === 'rod' ? 'smallEnd' : kind),
  );
  if (whole.length < 2 || kinds.length === 0) return null;
  const partOf = (kind: Mixed): WeighedPart => (kind === 'rod' ? 'smallEnd' : kind);
  return {
    cylinders: whole.map((s) => s.id),
    kinds,
    ask: {
      base: whole.map((s) => (s.total ?? 0) - kinds.reduce((sum, kind) => sum + (s.parts[partOf(kind)]?.mass ?? 0), 0)),
      kinds: kinds.map((kind) => ({
        masses: whole.map((s) => s.parts[partOf(kind)]?.mass ?? 0),
        stays: whole.map((s) => {
          const number = s.parts[partOf(kind)]?.number;
          return choices.stays.some((stay) => stay.part === kind && stay.number === number);
        }),
      })),
    },
  };
}
