/**
 * The next size: which oversize cleans every cylinder, what comes off, and what each bore is honed to for the
 * piston it gets. Take the smallest that cleans them all; buy the pistons first, then hone each bore to its piston
 * plus the clearance. Common practice, no source.
 */
import type { Whole as Paired } from './types';
import type { Nm } from '../../foundation/quantity/length';
import { type Message, fine, say, size } from '../../foundation/quantity/message';
import { type TargetSettings, targetsAt } from '../targets';
import type { Job } from '../../record/jobCard';
import { type Measured, type SizingChoices, smallestClean, standardBore } from '../bores';

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
  working: Message[];
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
  working: Message[];
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

/**
 * The oversize that cleans all bores as they were found; null without a standard bore to count from.
 *
 * @example sizePlanOf(demo).oversize // 508_000
 */
export function sizePlanOf(engine: {
  choices: { sizing: SizingChoices };
  job: Job | null;
  cylinders: readonly Measured[];
}): SizePlan | null {
  const standard = standardBore(engine);
  if (standard === null || !engine.job) return null;
  const worn = engine.cylinders.flatMap(({ id, bore }) => {
    const shape = bore.asFound ?? bore.shape;
    return shape
      ? [
          {
            cylinder: id,
            largest: shape.widest,
            smallest: shape.smallest.value,
            uncertainty: bore.largestUncertainty,
          },
        ]
      : [];
  });
  return sizePlan(worn, standard, engine.choices.sizing);
}

/** Finish bores of the pistons that are measured, with the clearance that the size they come to asks for. */
export function finishOrdersOf({
  cylinders,
  targetSettings: settings,
  choices: {
    sizing: { honing },
  },
}: {
  cylinders: readonly Paired[];
  targetSettings: TargetSettings | null;
  choices: { sizing: SizingChoices };
}): FinishOrder[] {
  if (!settings) return [];
  return cylinders.flatMap(({ id, piston, bore, allowance }) => {
    if (!piston.size) return [];
    const target = targetsAt({ nm: piston.size.value, from: 'planned' }, settings, allowance).clearance;
    if (!target.set) return [];
    const present = bore.shape && { smallest: bore.shape.smallest.value, largest: bore.shape.largest.value };
    return [finishOrder(id, piston.size.value, target.inForce, present, honing)];
  });
}
