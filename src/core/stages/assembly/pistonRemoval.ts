/** What no longer holds once a piston is taken out of its bore again. */
import type { Assembled } from './types';
import { benchedOf } from '../../record/countedWork';
import { blockStepsIn } from './engineSteps';
import { type Phase, PHASE_OF } from './phases';

const UNDONE: readonly Phase[] = ['in', 'cap', 'turn'];

/**
 * Entries to strike out when a piston comes out again, none where it is not in: its steps from the wiped bore on, its
 * rod's bolts but for the lengths that they were read at slack, the wrench set back after them, and the checks of the
 * engine that were made with it in.
 * What was read, weighed and turned stays as it was.
 *
 * @param id of the cylinder
 * @example [takenOutOf(demo, '1').length, takenOutOf(demo, '2').length] // [16, 0]
 */
export function takenOutOf(judgement: Assembled, id: string): string[] {
  const cylinder = judgement.cylinders.find((c) => c.id === id);
  if (!cylinder?.block.isIn) return [];
  const steps = [
    ...cylinder.block.checks.filter(({ check }) => UNDONE.includes(PHASE_OF[check])),
    ...blockStepsIn(judgement).filter(({ check }) => PHASE_OF[check] === 'engine'),
  ];
  const tightened = benchedOf(judgement.log, 'tightened').map(({ entry }) => entry);
  const own = tightened.filter((entry) => entry.cylinder === id && entry.what !== 'free');
  const isSetBack = (entry: (typeof own)[number]): boolean =>
    entry.what === 'back' && own.some(({ group }) => group === entry.group);
  return [
    ...steps.flatMap(({ tick }) => tick?.id ?? []),
    ...[...own, ...tightened.filter(isSetBack)].map((entry) => entry.id),
  ];
}
