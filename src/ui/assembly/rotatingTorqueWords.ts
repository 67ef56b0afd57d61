import type { Units } from '@/core/foundation/quantity/length';
import { torqueText } from '@/core/foundation/quantity/torque';
import type { Range } from '@/core/stages/assembly/rotating/rotatingTorque';

/** From one torque to another, in the shop’s unit. */
export const torqueRange = ({ least, most }: Range, units: Units): string =>
  least === most ? torqueText(least, units) : `${torqueText(least, units)} to ${torqueText(most, units)}`;
