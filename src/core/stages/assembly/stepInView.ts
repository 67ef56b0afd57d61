/** One step of the walk as it stands in view: what it says here, whether it can be made, and what comes then. */
import { BLOCK } from '../../foundation/engine/places';
import { isJointCheck } from './checks';
import { type JudgedCheck, isRight } from './cylinderSteps';
import { blockStepsIn } from './engineSteps';
import { expectedOf } from './orientationWords';
import { PHASE_OF } from './phases';
import { PHASE_WORDS } from './stepNames';
import { stepSays } from './stepWords';
import type { Assembled, Whole } from './types';
import { type WalkAt, nextStep, stepAt } from './walk';

export interface StepInView<C extends Whole> {
  at: WalkAt;
  found: JudgedCheck;
  /** Whose it is; null for one of the engine. */
  cylinder: C | null;
  /** What to do, e.g. `Top gap to the front`. */
  title: string;
  /** Which way something is to face; null where that is not said. */
  expected: string | null;
  /** Its phase, and which step it is of how many. */
  phase: string;
  number: number;
  of: number;
  isMade: boolean;
  /** Whether gaps are held against a plan. */
  isJoints: boolean;
  /** Whether it cannot be made: gaps without a plan. */
  cannot: boolean;
  next: WalkAt | null;
  /** What comes then, in words. */
  then: string;
}

const upperFirst = (words: string): string => words.replace(/^./, (c) => c.toUpperCase());

/**
 * A step in view; null where there is no such step.
 *
 * @param asksPlay whether end play is asked for on another stage
 */
export function stepInView<C extends Whole>(
  judgement: Omit<Assembled, 'cylinders'> & { cylinders: readonly C[]; labels: ReadonlyMap<string, string> },
  walk: readonly WalkAt[],
  at: WalkAt | null,
  asksPlay: boolean,
): StepInView<C> | null {
  const found = at && stepAt(judgement, at);
  if (!at || !found) return null;
  const { walk: habits, clocking } = judgement.choices;
  const says = (step: WalkAt['step']): string => stepSays(step, habits, asksPlay);
  const cylinder = at.place === BLOCK ? null : (judgement.cylinders.find((c) => c.id === at.place) ?? null);
  const expected = cylinder ? expectedOf(at.step, cylinder.clocking, clocking.rods.numbers) : null;
  const steps = cylinder ? cylinder.block.checks : blockStepsIn(judgement);
  const isJoints = isJointCheck(at.step);
  const next = nextStep(judgement, walk, at);
  const elsewhere =
    next?.place === BLOCK ? 'The engine: ' : `Cylinder ${judgement.labels.get(next?.place ?? '') ?? ''}: `;
  return {
    ...{ at, found, cylinder, expected, isJoints, next },
    title: upperFirst((at.step === 'frontMark' ? expected : null) ?? says(at.step)),
    phase: upperFirst(PHASE_WORDS[PHASE_OF[at.step]]),
    number: steps.findIndex((s) => s.check === at.step) + 1,
    of: steps.length,
    isMade: isRight(found.state),
    cannot: isJoints && !cylinder?.clocking.plan,
    then: next
      ? `${next.place === at.place ? '' : elsewhere}${says(next.step)}`
      : 'nothing: this is the last that is open',
  };
}
