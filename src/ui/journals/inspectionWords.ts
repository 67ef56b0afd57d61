/** What is stamped where on this engine, for the pictures of what is looked at. */
import { isCylinderId } from '@/core/foundation/engine/places';
import type { Judgement } from '@/core/judge/judgement';
import type { LookAt } from './InspectionPicture';

/** Of a rod by its cylinder, of a main bearing, or of the crank. */
export function inspectionWords({ cylinders, choices, mains }: Judgement, id: string): LookAt {
  const { numbers } = choices.clocking.rods;
  const numbersTo = numbers === 'left' || numbers === 'right' ? numbers : null;
  const main = mains.find((m) => m.id === id);
  if (main) return { kind: 'main', number: main.label.slice(1), throwOf: [], numbersTo };
  const own = isCylinderId(id) ? cylinders.find((c) => c.id === id) : undefined;
  if (!own) {
    const { thrust } = choices.journals;
    return { kind: 'crank', number: thrust === null ? null : String(thrust), throwOf: [], numbersTo };
  }
  const mates = cylinders.filter((c) => c.clocking.rod.throw === own.clocking.rod.throw);
  const [front, rest] = [true, false].map((is) => mates.filter((c) => (c.clocking.rod.faces === 'front') === is));
  return {
    kind: 'rod',
    number: own.label,
    throwOf: [...(front ?? []), ...(rest ?? [])].map((c) => c.label),
    numbersTo,
  };
}
