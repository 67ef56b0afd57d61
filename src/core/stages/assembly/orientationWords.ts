/** Which way a front mark and a rod are to face, in words. */
import { type ClockingChoices, type JudgedClocking, FACES_WORDS, SIDE_WORDS } from '../clocking';
import type { Step } from '../../record/stepIds';

/**
 * What a front mark or a rod is checked against, in words; null where nothing is said of it.
 *
 * @example
 *   ['frontMark', 'rodNumber'].map((of) => expectedOf(of, demo.cylinders[0].clocking, 'outwards'))
 *   // [ 'arrow to the front', null ]
 */
export function expectedOf(
  check: Step,
  { round, rod }: Pick<JudgedClocking, 'round' | 'rod'>,
  numbers: ClockingChoices['rods']['numbers'],
): string | null {
  if (check === 'frontMark')
    return round.frontMark && `${round.frontMark.what} to ${SIDE_WORDS[round.frontMark.points]}`;
  if (check === 'rod')
    return [
      rod.besidesLabel ? `${FACES_WORDS[rod.faces]}, beside rod ${rod.besidesLabel}` : FACES_WORDS[rod.faces],
      numbers && rod.numbers !== null && `numbers to ${SIDE_WORDS[numbers]}`,
    ]
      .filter(Boolean)
      .join('; ');
  return null;
}
