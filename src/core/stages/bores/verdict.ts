/**
 * What to do with a bore: leave it, hone it and re-ring, bore it to the next size, or give it up.
 * Each form limit is guarded as every other: within it only once that is shown, past it only once that is.
 */
import type { Nm } from '../../foundation/quantity/length';
import { type FigureAtLimit, furthestOver } from '../../foundation/verdict/figureAtLimit';
import { type Message, fine, say, size } from '../../foundation/quantity/message';
import { type Component, expandedOf } from '../../foundation/uncertainty/combine';
import type { SizeLimits } from '../../foundation/quantity/sizeLimits';
import { type Side, type Strictness, decide, exactly } from '../../foundation/verdict/decide';
import type { Basis, BoreLimits } from './measuringPlan';
import type { BoreShape, Derived } from './shape';

export const BORE_STATES = ['to do', 'part read', 'within', 'not proven', 'hone', 'next size', 'out'] as const;
export type BoreState = (typeof BORE_STATES)[number];

export interface BoreVerdict {
  state: BoreState;
  /** Each with its figures. */
  reasons: Message[];
  /** Of what may be accepted: the figure furthest over its limit. */
  held: FigureAtLimit | null;
}

/** What to do in a state, in one sentence. */
export function boreAdvice(state: BoreState, basis: Basis): string {
  switch (state) {
    case 'to do':
      return 'Read the bore.';
    case 'part read':
      return 'Go on: the rest of the bore is still to read.';
    case 'within':
      return basis === 'honed'
        ? 'Round and straight enough for new rings.'
        : 'Within what a used bore may have: break the glaze and re-ring.';
    case 'not proven':
      return 'Too near a limit for these tools. Read the spots that decide it again, more than once.';
    case 'hone':
      return basis === 'honed'
        ? 'Hone it straight and round; read it again.'
        : 'Hone and re-ring; measure again after.';
    case 'next size':
      return 'Bore to the next size: honing alone would take too much.';
    case 'out':
      return 'No oversize that is sold cleans it: a sleeve, or another block.';
  }
}

/** Whether a bore needs nothing more before a piston goes in. */
export const boreIsDone = (state: BoreState): boolean => state === 'within';

/** How bad: 0 within, 1 honing mends it, 2 past honing; and how bad it may be at most for all that is proven. */
interface Grade {
  proven: 0 | 1 | 2;
  possible: 0 | 1 | 2;
  reason: Message | null;
  /** The figure and the limit it reaches; null for within. */
  reached: { figure: Nm; limit: Nm; side?: 'least' } | null;
}

/** What a bore may measure, and its ends as they are known. */
export interface BoreSizes {
  limits: SizeLimits;
  smallest: Known;
  largest: Known;
}

/** A size with its standard uncertainty. */
type Known = Component & { value: Nm };

/** How much is left to a limit, decided as what may not be under nothing. */
const sideOf = (
  { value, standard, freedom }: Pick<Derived, 'value' | 'standard' | 'freedom'>,
  limit: Nm,
  { sure, clearanceGrace: grace }: Strictness,
): Side =>
  decide(
    exactly(limit - value, standard, freedom),
    { least: 0, aimFrom: 0, aimTo: null, most: null, mostHard: false, grace, half: 0 },
    sure,
  ).side;

function grade(name: string, figure: Derived | null, within: Nm, hone: Nm, strictness: Strictness): Grade {
  if (!figure) return { proven: 0, possible: 0, reason: null, reached: null };
  const { value, uncertainty, judged } = figure;
  const sides = (of: number): [Side, Side] => [
    sideOf({ ...figure, value: of }, within, strictness),
    sideOf({ ...figure, value: of }, hone, strictness),
  ];
  const [first, second] = sides(judged);
  const isScatter = sides(value).join() !== sides(judged).join();
  const proven = second === 'under' ? 2 : first === 'under' ? 1 : 0;
  const possible = second !== 'inside' ? 2 : first !== 'inside' ? 1 : 0;
  const shown = isScatter
    ? say`${name} ${fine(value)} ± ${fine(uncertainty)}, ${fine(Math.round(judged))} without what scatter alone shows`
    : say`${name} ${fine(value)} ± ${fine(uncertainty)}`;
  if (possible > proven) {
    const limit = proven === 0 && first === 'not proven' ? within : hone;
    return {
      proven,
      possible,
      reason: say`${shown} reaches the limit of ${fine(limit)}`,
      reached: { figure: value, limit },
    };
  }
  if (proven === 0) return { proven, possible, reason: say`${shown}, limit ${fine(within)}`, reached: null };
  const limit = proven === 2 ? hone : within;
  return { proven, possible, reason: say`${shown} is over ${fine(limit)}`, reached: { figure: value, limit } };
}

/** A size against one limit: over the most it goes to the next size, under the least it is still to be honed out. */
function sizeGrade(name: string, known: Known, limit: Nm | null, end: 'least' | 'most', strictness: Strictness): Grade {
  if (limit === null) return { proven: 0, possible: 0, reason: null, reached: null };
  const { value, standard, freedom } = known;
  const left = end === 'most' ? limit - value : value - limit;
  const side = sideOf({ value: -left, standard, freedom }, 0, strictness);
  const bad = end === 'most' ? 2 : 1;
  const past = end === 'most' ? 'over' : 'under';
  const shown = say`${name} ${size(value)} ± ${fine(Math.round(expandedOf(known)))}`;
  const reached = { figure: value, limit, ...(end === 'least' && { side: 'least' as const }) };
  if (side === 'inside') return { proven: 0, possible: 0, reason: say`${shown}, ${end} ${size(limit)}`, reached: null };
  return side === 'under'
    ? { proven: bad, possible: bad, reason: say`${shown} is ${past} the ${end} of ${size(limit)}`, reached }
    : { proven: 0, possible: bad, reason: say`${shown} reaches the ${end} of ${size(limit)}`, reached };
}

/**
 * The verdict on a bore.
 *
 * @param shape null while nothing is read
 * @param complete whether every spot of the grid is read; before that only what is proven bad is said
 * @param sizes null where its size is not judged
 * @param sold false where no oversize that is sold cleans it
 * @example
 *   boreVerdict(null, judgement.choices.bores.limits.honed, false, true, judgement.choices.deciding).state // 'to do'
 */
export function boreVerdict(
  shape: BoreShape | null,
  limits: BoreLimits,
  complete: boolean,
  sold: boolean,
  strictness: Strictness,
  sizes: BoreSizes | null = null,
): BoreVerdict {
  if (!shape) return { state: 'to do', reasons: [], held: null };
  const grades = [
    grade('taper', shape.taper.thrust ?? shape.taper.overall, limits.within.taper, limits.hone.taper, strictness),
    grade('out-of-round', shape.outOfRound, limits.within.outOfRound, limits.hone.outOfRound, strictness),
    ...(sizes
      ? [
          sizeGrade('smallest', sizes.smallest, sizes.limits.least, 'least', strictness),
          sizeGrade('largest', sizes.largest, sizes.limits.most, 'most', strictness),
        ]
      : []),
  ];
  const reasons = grades.flatMap((g) => (g.reason ? [g.reason] : []));
  const proven = Math.max(...grades.map((g) => g.proven));
  const possible = Math.max(...grades.map((g) => g.possible));
  const held = furthestOver(grades.flatMap((g) => (g.possible === possible ? (g.reached ?? []) : [])));
  if (proven === 2)
    return sold
      ? { state: 'next size', reasons, held }
      : { state: 'out', reasons: [...reasons, say`no oversize on the list cleans it`], held };
  if (!complete) return { state: 'part read', reasons, held };
  if (possible > proven) return { state: 'not proven', reasons, held };
  if (proven === 1) return { state: 'hone', reasons, held };
  const directions = Math.max(...shape.depths.map((d) => d.directions), 0);
  return {
    state: 'within',
    held: null,
    reasons:
      directions === 0 || directions > 2
        ? reasons
        : [...reasons, say`${directions === 1 ? 'in one direction' : 'in two directions'}`],
  };
}
