/**
 * The bobweight that stands in for rods and pistons on each throw of a crank while it is balanced:
 *
 *   rotating (big ends, shells, oil) in full + reciprocating (pistons, pins, clips, rings, small ends) × share.
 *
 * The share is half on a 90° V with two rods on a throw; for any other engine it is the maker’s or the balancer’s to say.
 * In-line fours and sixes and flat fours and sixes balance without one. Formula: common practice, no source.
 */
import type { Engine } from '../../../foundation/engine/engine';
import type { Job } from '../../../record/jobCard';
import type { Mg } from '../../../foundation/quantity/mass';
import type { BalanceChoices } from './choices';
import { type JudgedWeights, type Known, type MassSet, weightsOf } from './weights';

export interface Bobweight {
  /** Labels of the cylinders on the throw. */
  labels: string[];
  bigEnds: Mg;
  shells: Mg;
  oil: Mg;
  reciprocating: Mg;
  /** Percent. */
  share: number;
  mass: Mg;
}

/** Why there is none: sets alone matter; nobody says the share; something is not weighed; or shells are not. */
export type NoBobweight = 'sets alone' | 'no share' | 'not weighed' | 'no shells';

/** The usual share; null where nobody can say: two rods on a throw of a 90° V. */
export const usualShare = (engine: { layout: string; bankAngle: number }, rodsOnThrow: number): number | null =>
  engine.layout === 'vee' && engine.bankAngle === 90 && rodsOnThrow === 2 ? 50 : null;

/**
 * What a throw is balanced with.
 *
 * @param sets the one or two sets on it, each weighed whole
 * @param share percent of what goes up and down
 * @example bobweightOf([], { shells: 40_000, oil: 4_000 }, 50).mass // 4000
 */
export function bobweightOf(
  sets: readonly Pick<MassSet, 'label' | 'total' | 'parts'>[],
  { shells, oil }: Pick<BalanceChoices, 'shells' | 'oil'>,
  share: number,
): Bobweight {
  const bigEnds = sets.reduce((sum, s) => sum + (s.parts.bigEnd?.mass ?? 0), 0);
  const reciprocating = sets.reduce((sum, s) => sum + (s.total ?? 0), 0);
  const all = (shells ?? 0) * sets.length;
  return {
    labels: sets.map((s) => s.label),
    bigEnds,
    shells: all,
    oil,
    reciprocating,
    share,
    mass: Math.round(bigEnds + all + oil + (reciprocating * share) / 100),
  };
}

/**
 * Whether a crank is balanced with bobweights: of every V, of an in-line three or five, of a flat twin. Common practice,
 * no source.
 *
 * @example [3, 4].map((cylinders) => hasBobweight({ layout: 'inline', cylinders })) // [ true, false ]
 */
export const hasBobweight = ({ layout, cylinders }: Pick<Engine, 'layout' | 'cylinders'>): boolean =>
  layout === 'vee' ||
  (layout === 'inline' && (cylinders === 3 || cylinders === 5)) ||
  (layout === 'flat' && cylinders === 2);

/** What is asked of a judgement: besides masses, which cylinder is on which throw. */
interface Thrown extends Known {
  job: Pick<Job, 'engine'> | null;
  cylinders: readonly { id: string; label: string; clocking: { rod: { throw: number } } }[];
}

/** The throws of an engine from the front, each with the cylinders on it. */
function throwsIn({ cylinders }: Pick<Thrown, 'cylinders'>): string[][] {
  const found = new Map<number, string[]>();
  for (const { id, clocking } of cylinders) {
    const at = clocking.rod.throw;
    found.set(at, [...(found.get(at) ?? []), id]);
  }
  return [...found].sort(([a], [b]) => a - b).map(([, ids]) => ids);
}

/**
 * The share that is usual for an engine; null where none is.
 *
 * @example usualShareOf(judgement) // 50
 */
export const usualShareOf = (judgement: Pick<Thrown, 'job' | 'cylinders'>): number | null =>
  judgement.job &&
  usualShare(judgement.job.engine, Math.max(0, ...throwsIn(judgement).map((onThrow) => onThrow.length)));

/** The parts that a bobweight is made of. */
const NEEDS = ['piston', 'pin', 'rings', 'smallEnd', 'bigEnd'] as const;

/**
 * The bobweight of each throw from the front, or why there is none.
 *
 * @example bobweightsOf(judgement) // 'not weighed'
 */
export function bobweightsOf(
  judgement: Thrown,
  masses: JudgedWeights = weightsOf(judgement),
): Bobweight[] | NoBobweight {
  const { job } = judgement;
  if (!job || !hasBobweight(job.engine)) return 'sets alone';
  const { choices, sets, inPlay, asks } = masses;
  const throws = throwsIn(judgement);
  const share = choices.share ?? usualShareOf(judgement);
  if (share === null) return 'no share';
  const isWhole = NEEDS.every((part) => inPlay.includes(part)) && (!asks.includes('clips') || inPlay.includes('clips'));
  if (!isWhole || sets.some((s) => s.total === null || s.parts.bigEnd === null)) return 'not weighed';
  if (choices.shells === null) return 'no shells';
  return throws.map((ids) =>
    bobweightOf(
      ids.flatMap((id) => sets.find((s) => s.id === id) ?? []),
      choices,
      share,
    ),
  );
}
