import type { Units } from '@/core/quantity/length';
import { torqueText } from '@/core/quantity/torque';
import type { TurnedEntry } from '@/core/record/bench';
import type { Range } from '@/core/turning/turning';

/** When the crank was turned, in words; `label` of the cylinder. */
export const afterWords = ({ after }: Pick<TurnedEntry, 'after'>, label: string): string =>
  after === 'crank' ? 'crank alone' : after === 'all' ? 'all in' : `after piston ${label}`;

/** From one torque to another, in the shop’s unit. */
export const torqueRange = ({ least, most }: Range, units: Units): string =>
  least === most ? torqueText(least, units) : `${torqueText(least, units)} to ${torqueText(most, units)}`;
