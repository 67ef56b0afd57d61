/**
 * The next size: which oversize cleans every cylinder, what comes off, and what each bore is honed to for the
 * piston it gets. Take the smallest that cleans them all; buy the pistons first, then hone each bore to its piston
 * plus the clearance. Common practice, no source.
 */
import type { Nm } from '../quantity/length';
import { type Saying, fine, say, size } from '../quantity/saying';

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

/** A cylinder to be planned: its largest and smallest diameter and the U of the largest. */
export interface WornBore {
  cylinder: string;
  largest: Nm;
  smallest: Nm;
  uncertainty: Nm;
}

export interface PlannedBore {
  cylinder: string;
  /** Oversize it needs to clean up. */
  needed: Nm;
  /** The smallest oversize sold that cleans it; null: a sleeve is due. */
  alone: Nm | null;
  /** Whether the uncertainty of the largest reading reaches past the oversize that was chosen for all. */
  unproven: boolean;
  /** Metal off the diameter at its smallest and at its largest; null without an oversize. */
  off: { most: Nm; least: Nm } | null;
  working: Saying[];
}

export interface SizePlan {
  standard: Nm;
  /** The smallest oversize that cleans every cylinder that any cleans; null when it cleans none, or none is measured. */
  oversize: Nm | null;
  /** The bore at that oversize. */
  bore: Nm | null;
  cylinders: PlannedBore[];
  /** Cylinders no oversize cleans. */
  sleeves: string[];
}

/**
 * The smallest oversize that is at least what is needed.
 *
 * @example smallestClean(fromThou(12), [fromThou(10), fromThou(20), fromThou(30)]) // 508000
 */
export const smallestClean = (needed: Nm, oversizes: Nm[]): Nm | null =>
  oversizes.filter((o) => o >= needed).reduce<Nm | null>((least, o) => (least === null || o < least ? o : least), null);

/** The plan for bores worn as they were found. */
export function sizePlan(
  bores: WornBore[],
  standard: Nm,
  { oversizes, cleanUp }: Pick<SizingChoices, 'oversizes' | 'cleanUp'>,
): SizePlan {
  const needs = bores.map((bore) => ({
    bore,
    needed: bore.largest + cleanUp - standard,
    alone: smallestClean(bore.largest + cleanUp - standard, oversizes),
  }));
  const cleaned = needs.flatMap((n) => n.alone ?? []);
  const oversize = cleaned.length === 0 ? null : Math.max(...cleaned);
  return {
    standard,
    oversize,
    bore: oversize === null ? null : standard + oversize,
    cylinders: needs.map(({ bore, needed, alone }) => ({
      cylinder: bore.cylinder,
      needed,
      alone,
      unproven: alone !== null && oversize !== null && needed + bore.uncertainty > oversize,
      off:
        alone === null || oversize === null
          ? null
          : { most: standard + oversize - bore.smallest, least: standard + oversize - bore.largest },
      working: [
        say`largest ${size(bore.largest)} + clean-up ${fine(cleanUp)} − standard ${size(standard)} = ${fine(needed)} over`,
        alone === null
          ? say`no oversize on the list is that large: a sleeve is due`
          : say`the smallest sold that is at least that: ${fine(alone)}`,
      ],
    })),
    sleeves: needs.filter((n) => n.alone === null).map((n) => n.bore.cylinder),
  };
}

/** What one bore is bored and honed to for the piston it gets. */
export interface FinishOrder {
  cylinder: string;
  piston: Nm;
  /** Honed to, from least to most clearance, and the figure to aim at. */
  hone: { least: Nm; aim: Nm; most: Nm };
  /** Bored to before honing. */
  bore: Nm;
  /** Off the diameter from its smallest reading to the aim; null while the bore is not measured. */
  off: Nm | null;
  /** Whether more is to come off than the hone alone takes. */
  toBore: boolean;
  /** Whether all of the bore lies within what this piston may have. */
  done: boolean;
  /** Whether the bore is wider already than this piston may have. */
  tooWide: boolean;
  working: Saying[];
}

/** Finish bore of a piston: its size + the clearance, and the bar stops short of it by what the hone takes. */
export function finishOrder(
  cylinder: string,
  piston: Nm,
  clearance: { aimFrom: Nm; aimTo: Nm | null },
  present: { smallest: Nm; largest: Nm } | null,
  honing: Nm,
): FinishOrder {
  const aim = Math.round((clearance.aimFrom + (clearance.aimTo ?? clearance.aimFrom)) / 2);
  const hone = {
    least: piston + clearance.aimFrom,
    aim: piston + aim,
    most: piston + (clearance.aimTo ?? clearance.aimFrom),
  };
  return {
    cylinder,
    piston,
    hone,
    bore: hone.aim - honing,
    off: present && hone.aim - present.smallest,
    toBore: present !== null && hone.aim - present.smallest > honing,
    done: present !== null && present.smallest >= hone.least && present.largest <= hone.most,
    tooWide: present !== null && present.largest > hone.most,
    working: [
      say`piston ${size(piston)} + clearance ${fine(aim)} = ${size(hone.aim)}`,
      say`less ${fine(honing)} for the hone: bored to ${size(hone.aim - honing)}`,
    ],
  };
}

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
