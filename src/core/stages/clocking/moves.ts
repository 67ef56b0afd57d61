/** Joints moved singly, and what undoing and redoing lead to. */
import { apart, turned } from '../../foundation/quantity/angle';
import { type ClockingChoices, type Plan, hasMoved } from './choices';
import { type Joints, JOINTS } from '../../foundation/parts/joints';

/** The choices with some joints of some cylinders moved; a joint moved back to its school's place is its school's again. */
export function withOwn(
  choices: ClockingChoices,
  moves: readonly { cylinder: string; joints: Partial<Joints>; school: Joints }[],
): ClockingChoices {
  const own = new Map(choices.own.map((o) => [o.cylinder, o.joints]));
  for (const { cylinder, joints, school } of moves) {
    const all = { ...own.get(cylinder), ...joints };
    const kept = Object.fromEntries(
      JOINTS.flatMap((joint) =>
        all[joint] === undefined || !hasMoved(school[joint], all[joint]) ? [] : [[joint, turned(all[joint])]],
      ),
    ) as Partial<Joints>;
    if (Object.keys(kept).length > 0) own.set(cylinder, kept);
    else own.delete(cylinder);
  }
  return { ...choices, own: [...own].map(([cylinder, joints]) => ({ cylinder, joints })) };
}

/** Degrees within which two places are one, to what is typed and drawn. */
const ALIKE = 0.05;

/**
 * Whether joints placed so change a plan: one that comes to its school's place, to half a degree, is its school's.
 */
export const changesPlan = ({ joints, school }: Plan, placed: Joints): boolean =>
  JOINTS.some((joint) => {
    const comes = hasMoved(school[joint], placed[joint]) ? placed[joint] : school[joint];
    return apart(comes, joints[joint]) > ALIKE;
  });

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
