import type { Nm } from '../../foundation/quantity/length';
import { type Message, say, capital, clear } from '../../foundation/quantity/message';
import { chanceWords } from '../../foundation/verdict/decide';
import type { ClearanceVerdict } from '../../models/clearance/clearance';
import { type Acceptance, acceptedWords } from '../../record/reading';

/** What to do about a clearance, in one sentence or two. */
export function clearanceAdvice(
  { state, chance, low }: ClearanceVerdict,
  uncertainty: Nm,
  accepted: Acceptance | null,
): Message {
  if (accepted) return say`${capital(acceptedWords(accepted))}.`;
  switch (state) {
    case 'tight':
      return say`Hone, or try another piston: too tight, it scuffs and seizes.`;
    case 'in window':
      return low === 'under the limit' ? say`At its minimum, as near as these tools can tell.` : say`OK.`;
    case 'loose':
      return say`More than the aim, within the limit.`;
    case 'over':
      return say`Try a larger piston: too loose, it rocks and ruins the ring seal.`;
    case 'not proven':
      return say`The chance that it is too tight is ${chanceWords(chance ?? 0)}: ± ${clear(uncertainty)} is all these tools can tell. Read both again.`;
    case 'no target':
      return say`Recorded, but nothing says yet what it must be.`;
    case 'to do':
      return say`Read the bore and the piston.`;
  }
}
