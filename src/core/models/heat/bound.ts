/** The cold gap that just closes, as the pictures of the load draw it. */
import type { Nm } from '../../foundation/quantity/length';
import { type CaseAsk, type HeatRing, caseAsk, temperaturesFor } from './assess';
import { closingGap } from './hotGap';

/**
 * The cold gap whose ends just meet at the temperatures of a row, nm: in the case that decides with what their doubt leaves
 * open (k = 2), and in a wall that is not warm yet; null where no temperature is known.
 */
export function boundAt(
  ring: HeatRing,
  ask: CaseAsk,
): { decides: { gap: Nm; low: Nm; high: Nm }; coldWall: Nm } | null {
  const temperatures = temperaturesFor(ask.row, ask.choices, ask.cooling);
  if (!temperatures) return null;
  const { assumed, heat, heats, spread } = caseAsk(ring, ask, temperatures);
  const closing = (celsius: number, of = heat): Nm => Math.max(0, Math.round(closingGap(celsius, of)));
  return {
    decides: {
      gap: closing(assumed),
      low: closing(assumed - spread.ring),
      high: closing(assumed + spread.ring),
    },
    coldWall: closing(assumed, heats['cold wall']),
  };
}
