/** What is to be known of a piston on its way in. */
import { say } from '../../foundation/quantity/message';
import { benchFindings } from './benchFindings';
import { blockStepsIn } from './engineSteps';
import { type Finding, about } from '../contract/finding';
import { HANGING_CHECKS } from './checks';
import { BLOCK } from '../../foundation/engine/places';
import type { Engine, Whole } from './types';
import { isRight } from './cylinderSteps';
import type { Step } from '../../record/stepIds';
import { checkSays } from './stepNames';

/** What was found at the block that does not hold, or is not as it was planned. */
const findingsOf = ({ id, label, block }: Whole): Finding[] => {
  const right = (check: Step): boolean => block.checks.some((c) => c.check === check && isRight(c.state));
  const unseen = HANGING_CHECKS.filter((check) => !right(check));
  const late =
    right('ringsFree') && unseen.length > 0
      ? [
          about(
            'mend',
            'assembly',
            id,
            say`Cylinder ${label}: rings are on, and nobody noted ${unseen.length === 2 ? 'front mark and rod' : unseen[0] === 'rod' ? 'the rod' : 'the front mark'} when the piston was hung. Look before it goes further.`,
          ),
        ]
      : [];
  const found = block.checks.flatMap((check) => {
    const { state } = check;
    if (state !== 'again' && state !== 'against' && state !== 'moved') return [];
    return [about(state === 'moved' ? 'note' : 'mend', 'assembly', id, say`Cylinder ${label}: ${checkSays(check)}`)];
  });
  return [...late, ...found];
};

/** A second round that was made by the one who tightened. */
function secondRound({ log }: Pick<Engine, 'log'>, cylinders: readonly Whole[]): Finding[] {
  const ticks = log.ticks.get(BLOCK);
  const second = ticks?.get('secondRound')?.entry;
  const first = [
    ticks?.get('allTight')?.entry.by,
    ...cylinders.map(({ block }) => block.checks.find((c) => c.check === 'tightened')?.tick?.by),
  ];
  return second !== undefined && second.by !== '' && first.includes(second.by)
    ? [
        about(
          'note',
          'assembly',
          null,
          say`The second round with the wrench was made by ${second.by}, who torqued them. A second person finds what the first missed.`,
        ),
      ]
    : [];
}

/** Steps that were signed off with nobody's initials. */
function unsigned(engine: Engine, cylinders: readonly Whole[]): Finding[] {
  const steps = [...cylinders.flatMap((c) => c.block.checks), ...blockStepsIn(engine)];
  const count = steps.filter(({ state, tick }) => isRight(state) && tick?.by === '').length;
  return count === 0
    ? []
    : [
        about(
          'note',
          'assembly',
          null,
          say`${count} ${count === 1 ? 'step is' : 'steps are'} signed off with nobody's initials.`,
        ),
      ];
}

/** What is to be known of the assembly. */
export const findings = (engine: Engine, cylinders: readonly Whole[]): Finding[] => [
  ...cylinders.flatMap(findingsOf),
  ...secondRound(engine, cylinders),
  ...unsigned(engine, cylinders),
  ...benchFindings(engine, cylinders),
];
