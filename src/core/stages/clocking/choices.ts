/** What is chosen of the clocking of one engine, and the plan of each cylinder that follows. */
import { apart, turned } from '../../foundation/quantity/angle';
import { type RodChoices, STARTING_RODS } from '../../foundation/engine/crankcase';
import { type Joint, type Joints, JOINTS } from '../../foundation/parts/joints';
import { type Rules, STARTING_RULES } from './rules';
import { type NoPlan, type SchoolChoices, STARTING_SETTINGS, jointsOf } from './schools';
import { type CrownFacts, type Surroundings, STARTING_FACTS } from './surroundings';
import { type Stand, STARTING_STAND } from './stand';

/** Joints of one cylinder that were moved from where the school puts them. */
export interface OwnJoints {
  cylinder: string;
  joints: Partial<Joints>;
}

export interface ClockingChoices extends SchoolChoices {
  rules: Rules;
  own: OwnJoints[];
  facts: CrownFacts;
  rods: RodChoices;
  stand: Stand;
}

export const STARTING_CLOCKING: ClockingChoices = {
  school: 'diagonals',
  mirrorLeft: true,
  settings: STARTING_SETTINGS,
  sheet: null,
  rules: STARTING_RULES,
  own: [],
  facts: STARTING_FACTS,
  rods: STARTING_RODS,
  stand: STARTING_STAND,
};

export interface Plan {
  joints: Joints;
  /** Joints that were moved from where the school puts them. */
  moved: Joint[];
  /** Where the school puts them. */
  school: Joints;
}

/** Degrees that a joint turns before it counts as moved. */
const MOVED = 0.5;

/**
 * Whether a joint stands elsewhere than it did, degrees.
 *
 * @example [hasMoved(359.8, 0.2), hasMoved(359.8, 0.4)] // [false, true]
 */
export const hasMoved = (from: number, to: number): boolean => apart(from, to) > MOVED;

/**
 * The plan of one cylinder: its school's, with the joints that were moved singly; or why there is none.
 *
 * @example planOf(judgement.choices.clocking, cylinder.id, cylinder.clocking.round).joints.top // 315
 */
export function planOf(choices: ClockingChoices, cylinder: string, { bank, bore, low }: Surroundings): Plan | NoPlan {
  const school = jointsOf(choices, { bank, bore, high: low === null ? null : turned(low + 180) });
  if (typeof school === 'string') return school;
  const joints = { ...school, ...choices.own.find((o) => o.cylinder === cylinder)?.joints };
  return { joints, moved: JOINTS.filter((joint) => hasMoved(school[joint], joints[joint])), school };
}
