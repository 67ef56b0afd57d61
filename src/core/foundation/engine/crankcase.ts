/**
 * Crankcase and rods: which throw each rod is on, and which way its chamfered side faces.
 * A rod's chamfered side clears the fillet of the crank cheek, so on a shared throw the two rods face opposite
 * ways: the forward one forward. Common practice, no source.
 */
import { type Cylinder, type Engine, hasTwoBanks } from './engine';
import type { Side } from './sides';

export const THROWS = ['shared', 'own'] as const;
export type Throws = (typeof THROWS)[number];

export interface RodChoices {
  /** Whether two rods share a throw; null: in a V they do, else not. */
  throws: Throws | null;
  /** Which bank sits further forward; null: the one that numbering begins in. */
  forwardBank: 'left' | 'right' | null;
  /** Which way the numbers and the bearing tangs of the rods point; null where not said. */
  numbers: Side | null;
}

export const STARTING_RODS: RodChoices = { throws: null, forwardBank: null, numbers: null };

export interface Rod {
  /** Counted from the front, 1 first. */
  throw: number;
  /** Which cheek the chamfer faces; `both` where a rod is alone on its throw, between two of them. */
  faces: 'front' | 'rear' | 'both';
  /** Id of the cylinder whose rod is on the same throw. */
  besides: string | null;
}

/**
 * Whether rods share crank pins: as said, else shared in a vee. Common practice, no source.
 *
 * @example throwsOf({ layout: 'vee' }, judgement.choices.clocking.rods) // 'shared'
 */
export const throwsOf = (engine: Pick<Engine, 'layout'>, { throws }: RodChoices): Throws =>
  hasTwoBanks(engine.layout) ? (throws ?? (engine.layout === 'vee' ? 'shared' : 'own')) : 'own';

/** The bank that lies forward: as said, else the one that numbering starts on. Common practice, no source. */
export const forwardBankOf = (engine: Pick<Engine, 'numbering'>, { forwardBank }: RodChoices): 'left' | 'right' =>
  forwardBank ?? engine.numbering.firstBank;

/** The rod of every cylinder, by the cylinder's id. */
export function rodsOf(cylinders: readonly Cylinder[], engine: Engine, choices: RodChoices): Map<string, Rod> {
  const fromFront = [...cylinders].sort(
    (a, b) => a.row - b.row || (a.bank === forwardBankOf(engine, choices) ? -1 : 1),
  );
  if (throwsOf(engine, choices) === 'own')
    return new Map(fromFront.map((c, i) => [c.id, { throw: i + 1, faces: 'both', besides: null }]));
  return new Map(
    fromFront.map((c) => {
      const besides = cylinders.find((other) => other.row === c.row && other.bank !== c.bank)?.id ?? null;
      const faces = besides === null ? 'both' : c.bank === forwardBankOf(engine, choices) ? 'front' : 'rear';
      return [c.id, { throw: c.row, faces, besides }];
    }),
  );
}
