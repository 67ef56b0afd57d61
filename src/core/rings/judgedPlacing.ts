/** Which ring of a kind is in which cylinder, and what a better placing is worked out from. */
import type { Cylinder } from '../engine/engine';
import type { KindPlacing, PlacingChoices } from './choices';
import { type JudgedRing, type RingBore } from './judged';
import { type Placed, type PlacingAsk, type PlacingStanding, placingStanding } from './placed';
import type { Compression, Ring } from './ring';
import { girthAt, smallestGirth } from './travel';

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

/** Whether a ring can be placed anew: it is read, does not wander, was not cut since, and has a target. */
const isReady = ({ reading, target, wander, cutsSince }: JudgedRing): boolean =>
  reading !== null && target.set && !wander && cutsSince === 0;

/** The cylinders that placing is worked out over for one kind. */
const readyToPlace = <C extends Ringed>(cylinders: readonly C[], kind: Compression): C[] =>
  cylinders.filter(({ rings }) => isReady(rings[kind]));

/**
 * Every cylinder's ring of a kind: as found for those that could be placed, as it is for the rest.
 *
 * @example everyPlaced([], 'top', []) // []
 */
export const everyPlaced = (cylinders: readonly Ringed[], kind: Compression, found: readonly Placed[]): Placed[] =>
  cylinders.map((c) => ({
    cylinder: c.id,
    ring: found.find((p) => p.cylinder === c.id)?.ring ?? c.rings[kind].number,
  }));

/** How the rings of one kind are placed. */
export function judgedPlacing(
  cylinders: readonly Ringed[],
  kind: Compression,
  { [kind]: { pairs, locked }, aim }: PlacingChoices & Record<Compression, KindPlacing>,
  before: readonly Placed[],
  bores: ReadonlyMap<string, RingBore>,
): JudgedPlacing {
  const ready = readyToPlace(cylinders, kind).flatMap(({ id, rings: { [kind]: ring } }) => {
    const { reading, target } = ring;
    const to = smallestGirth(bores.get(id)?.girths ?? []);
    const from = reading && girthAt(bores.get(reading.cylinder)?.girths ?? [], reading.fit?.depth ?? null);
    if (!reading || !target.set || !to || !from) return [];
    const { min, aimTo, limit } = target.inForce;
    return [
      {
        bore: { cylinder: id, smallest: to.mean, min, aimTo, limit },
        ring: { ring: ring.number, gap: reading.value, readAt: from.mean },
      },
    ];
  });
  const ask: PlacingAsk = {
    bores: ready.map((r) => r.bore),
    rings: ready.map((r) => r.ring),
    now: ready.map((r) => ({ cylinder: r.bore.cylinder, ring: r.ring.ring })),
    locked,
    aim,
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
