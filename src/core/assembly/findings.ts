/** What is to be known of a piston on its way in. */
import { say } from '../quantity/saying';
import { type Finding, about } from '../stage/finding';
import { type Check, HANGING_CHECKS } from './checks';
import type { Whole } from './found';
import { checkSays, isRight } from './judged';

/** What was found at the block that does not hold, or is not as it was planned. */
const findingsOf = ({ id, label, block }: Whole): Finding[] => {
  const right = (check: Check): boolean => block.checks.some((c) => c.check === check && isRight(c.state));
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

/** What is to be known of the assembly. */
export const findings = (_engine: unknown, cylinders: readonly Whole[]): Finding[] => cylinders.flatMap(findingsOf);
