/** What is chosen of the clocking of one engine, and the plan of each cylinder that follows. */
import { apart, turned } from '../quantity/angle';
import { type RodChoices, STARTING_RODS } from './crankcase';
import { JOINTS, type Joint, type Joints } from './joints';
import { type Rules, STARTING_RULES } from './rules';
import { type NoPlan, type SchoolChoices, STARTING_SETTINGS, jointsOf } from './schools';
import { type CrownFacts, STARTING_FACTS, type Surroundings } from './surroundings';
import { STARTING_STAND, type Stand } from './view';

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

const MOVED = 0.5;

/** The plan of one cylinder: its school's, with the joints that were moved singly; or why there is none. */
export function planOf(choices: ClockingChoices, cylinder: string, { bank, bore, low }: Surroundings): Plan | NoPlan {
  const school = jointsOf(choices, { bank, bore, high: low === null ? null : turned(low + 180) });
  if (typeof school === 'string') return school;
  const joints = { ...school, ...choices.own.find((o) => o.cylinder === cylinder)?.joints };
  return { joints, moved: JOINTS.filter((joint) => apart(joints[joint], school[joint]) > MOVED), school };
}

/** The choices with some joints of some cylinders moved; a joint moved back to its school's place is its school's again. */
export function withOwn(choices: ClockingChoices, moves: readonly { cylinder: string; joints: Partial<Joints>; school: Joints }[]): ClockingChoices {
  const own = new Map(choices.own.map((o) => [o.cylinder, o.joints]));
  for (const { cylinder, joints, school } of moves) {
    const all = { ...own.get(cylinder), ...joints };
    const kept = Object.fromEntries(JOINTS.flatMap((joint) => (all[joint] === undefined || apart(all[joint], school[joint]) <= MOVED ? [] : [[joint, turned(all[joint])]]))) as Partial<Joints>;
    if (Object.keys(kept).length > 0) own.set(cylinder, kept);
    else own.delete(cylinder);
  }
  return { ...choices, own: [...own].map(([cylinder, joints]) => ({ cylinder, joints })) };
}

/** The choices with all joints back where the school puts them. */
export const withoutOwn = (choices: ClockingChoices): ClockingChoices => ({ ...choices, own: [] });

/** Choices made before and after a time, as undoing and redoing go through them; null at an end. */
export interface History {
  before: ClockingChoices | null;
  after: ClockingChoices | null;
}

/**
 * What undoing and redoing lead to, from every choice that was ever made, in order: going back to the one
 * before is undoing, coming back to the one undone is redoing.
 */
export function historyOf(made: readonly ClockingChoices[]): History {
  const past: { key: string; value: ClockingChoices }[] = [];
  const undone: typeof past = [];
  for (const value of made) {
    const key = JSON.stringify(value);
    const last = past.at(-1);
    if (key === last?.key) continue;
    if (key === past.at(-2)?.key) {
      past.pop();
      if (last) undone.push(last);
      continue;
    }
    if (key === undone.at(-1)?.key) undone.pop();
    else undone.length = 0;
    past.push({ key, value });
  }
  return { before: past.at(-2)?.value ?? null, after: undone.at(-1)?.value ?? null };
}
