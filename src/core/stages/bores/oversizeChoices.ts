/** How sizes are planned, and the classes of a select fit. The plan itself is made in `oversize.ts`. */
import type { Nm } from '../../foundation/quantity/length';

/** How sizes are planned. */
export interface SizingChoices {
  /** The standard bore that oversizes count from; null takes the planned bore for it. */
  standard: Nm | null;
  /** Oversizes that pistons are sold in, on the diameter. */
  oversizes: Nm[];
  /** Metal to come off the diameter over the largest reading for a bore to be clean. */
  cleanUp: Nm;
  /** Left on the diameter by the boring bar for the hone. */
  honing: Nm;
  grades: GradeChoices | null;
}

/** Select fits: classes of bore and piston sizes, like to like. */
export interface GradeChoices {
  bore: Nm;
  piston: Nm;
  step: Nm;
  count: number;
}

/** Oversizes and stocks as commonly met. From memory. */
export function startingSizing(units: 'imperial' | 'metric'): SizingChoices {
  return units === 'imperial'
    ? {
        standard: null,
        oversizes: [508_000, 762_000, 1_016_000, 1_524_000],
        cleanUp: 76_200,
        honing: 63_500,
        grades: null,
      }
    : {
        standard: null,
        oversizes: [250_000, 500_000, 750_000, 1_000_000],
        cleanUp: 80_000,
        honing: 60_000,
        grades: null,
      };
}

/**
 * The smallest oversize that is at least what is needed.
 *
 * @example smallestClean(fromThou(12), [fromThou(10), fromThou(20), fromThou(30)]) // 508000
 */
export const smallestClean = (needed: Nm, oversizes: Nm[]): Nm | null =>
  oversizes.filter((o) => o >= needed).reduce<Nm | null>((least, o) => (least === null || o < least ? o : least), null);

/** A, B, C … for the classes of a select fit. */
const LETTERS = 'ABCDEFGHIJKL';
export const MOST_GRADES = LETTERS.length;

export interface Grade {
  /** One letter; two neighbours where the uncertainty reaches over the line between them; none outside all classes. */
  letters: string[];
  outside: 'under' | 'over' | null;
}

/** The class of a size ± its uncertainty: class A from `from` to under `from + step`, and so on. */
export function gradeOf(
  value: Nm,
  uncertainty: Nm,
  { from, step, count }: { from: Nm; step: Nm; count: number },
): Grade {
  const index = (nm: Nm): number => Math.floor((nm - from) / step);
  const at = index(value);
  const outside = at < 0 ? 'under' : at >= count ? 'over' : null;
  const [low, high] = [index(value - uncertainty), index(value + uncertainty)];
  const letters = Array.from({ length: high - low + 1 }, (_, i) => LETTERS[low + i] ?? '').filter(
    (letter, i) => letter !== '' && low + i < count && low + i >= 0,
  );
  return { letters, outside };
}

/** The standard bore that oversizes count from; null while there is none. */
export const standardBore = ({
  choices: { sizing },
  job,
}: {
  choices: { sizing: SizingChoices };
  job: { plannedBore: Nm | null } | null;
}): Nm | null => sizing.standard ?? job?.plannedBore ?? null;
