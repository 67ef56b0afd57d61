/** Which ring of a kind is in which cylinder, and what a better placing is worked out from. */
import type { Cylinder } from '../../foundation/engine/engine';
import type { KindPlacing, PlacingChoices } from './choices';
import type { Strictness } from '../../foundation/verdict/decide';
import type { RingBore } from './gapEvidence';
import type { JudgedRing } from './ringGap';
import { type Placed, type PlacingAsk, type PlacingStanding, placingStanding } from './placement';
import type { Compression, Ring } from '../../foundation/parts/rings';
import { smallestGirth } from './travel';

export interface JudgedPlacing {
  /** The pairs that held before the present ones. */
  before: readonly Placed[];
  ask: PlacingAsk;
  /** How the rings stand as they are. */
  standing: PlacingStanding;
  /** Labels of the cylinders that are left out of it. */
  waiting: string[];
  /** Whether any ring is in another cylinder than that of its number. */
  swapped: boolean;
}

type Ringed = Cylinder & { rings: Record<Ring, JudgedRing> };

/** Whether a ring can be placed anew: its gap is known and its readings agree, it was not cut since, and has a target. */
const isReady = ({ counts, target, shrunk, cutsSince }: JudgedRing): boolean =>
  counts !== null && !counts.disagreement && shrunk === 0 && target.set && cutsSince === 0;

/** The cylinders that placing is worked out over for one kind. */
const readyToPlace = <C extends Ringed>(cylinders: readonly C[], kind: Compression): C[] =>
  cylinders.filter(({ rings }) => isReady(rings[kind]));

/**
 * Every cylinder's ring of a kind: as found for those that could be placed, as it is for the rest.
 *
 * @example
 *   everyPlaced(demo.cylinders.slice(0, 2), 'top', [{ cylinder: '2', ring: '3' }])
 *   // [{ cylinder: '1', ring: '1' }, { cylinder: '2', ring: '3' }]
 */
export const everyPlaced = (cylinders: readonly Ringed[], kind: Compression, found: readonly Placed[]): Placed[] =>
  cylinders.map((c) => ({
    cylinder: c.id,
    ring: found.find((p) => p.cylinder === c.id)?.ring ?? c.rings[kind].number,
  }));

/** How the rings of one kind are placed. */
export function judgePlacement(
  cylinders: readonly Ringed[],
  kind: Compression,
  { [kind]: { pairs, locked }, aim }: PlacingChoices & Record<Compression, KindPlacing>,
  before: readonly Placed[],
  bores: ReadonlyMap<string, RingBore>,
  { sure }: Strictness,
): JudgedPlacing {
  const ready = readyToPlace(cylinders, kind).flatMap(({ id, rings: { [kind]: ring } }) => {
    const { counts, target, grace, step } = ring;
    const smallest = smallestGirth(bores.get(id)?.girths ?? []);
    if (!counts || !target.set || !smallest) return [];
    const { least, aimFrom, aimTo, most, mostHard } = target.inForce;
    const { low, high, standard, freedom, passed, value } = counts;
    return [
      {
        bore: {
          cylinder: id,
          smallest: smallest.mean,
          own: smallest.own,
          least,
          aimFrom,
          aimTo,
          most,
          mostHard,
          grace,
          half: step / 2,
        },
        ring: { ring: ring.number, cylinder: id, value, low, high, standard, freedom, passed },
      },
    ];
  });
  const ask: PlacingAsk = {
    bores: ready.map((r) => r.bore),
    rings: ready.map((r) => r.ring),
    now: ready.map((r) => ({ cylinder: r.bore.cylinder, ring: r.ring.ring })),
    locked,
    aim,
    sure,
  };
  const asked = new Set(ask.bores.map((b) => b.cylinder));
  return {
    before,
    ask,
    standing: placingStanding(ask, ask.now),
    waiting: cylinders.flatMap((c) => (asked.has(c.id) ? [] : [c.label])),
    swapped: pairs.some((p) => p.cylinder !== p.ring),
  };
}
