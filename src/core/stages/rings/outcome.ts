/** What a reading of a ring or its groove comes to, said back before Enter. */
import { RINGS } from '../../foundation/parts/rings';
import { say } from '../../foundation/quantity/message';
import type { Outcome } from '../contract/stage';
import { type GrooveSubject, grooveOf } from './grooves';
import { offWords } from './ring';
import type { All, Whole } from './types';
import { countsWords, ringAdvice } from './words';

/** What a ring or a groove comes to with a reading in. */
export function outcome(_engine: All, cylinder: Whole, subject: string): Outcome {
  const ring = RINGS.find((r) => r === subject);
  if (!ring) {
    const { groove, figure } = grooveOf(subject as GrooveSubject);
    const found = cylinder.grooves.grooves.find((g) => g.groove === groove);
    return { says: [], state: found ? found[figure].state : null, strong: null, soft: [] };
  }
  const judged = cylinder.rings[ring];
  const { state, counts, toComeOff, differs, readIn } = judged;
  const beside = counts && differs ? say`${countsWords(counts, readIn !== null)}. ` : [];
  return { says: [], state, strong: null, soft: say`${beside}${offWords(toComeOff)}${ringAdvice(judged)}` };
}
