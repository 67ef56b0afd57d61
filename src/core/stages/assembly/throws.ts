/**
 * Where the throws of a crank stand, and at which angle of the crank each stands at the bottom of its bore.
 * Angles are degrees clockwise seen from the front; the crank stands at 0 with its first throw at 0.
 */
import type { Rod } from '../../foundation/engine/crankcase';
import { type Cylinder, type Engine, hasTwoBanks } from '../../foundation/engine/engine';
import { turned } from '../../foundation/quantity/angle';

/** Throws from the front where nobody says, by layout and number of throws. From memory: the crank on the stand decides. */
const USUAL: Record<string, readonly number[]> = {
  'single 1': [0],
  'inline 3': [0, 120, 240],
  'inline 4': [0, 180, 180, 0],
  'inline 5': [0, 216, 144, 72, 288],
  'inline 6': [0, 240, 120, 120, 240, 0],
  'vee 1': [0],
  'vee 2': [0, 180],
  'vee 3': [0, 120, 240],
  'vee 4': [0, 90, 270, 180],
  'vee 6': [0, 240, 120, 120, 240, 0],
  'flat 2': [0, 180],
  'flat 4': [0, 180, 180, 0],
  'flat 6': [0, 180, 240, 60, 120, 300],
};

/**
 * Throws from the front in degrees where nobody says; null where no one arrangement is usual.
 *
 * @example usualThrows({ layout: 'inline' }, 4) // [ 0, 180, 180, 0 ]
 */
export const usualThrows = ({ layout }: Pick<Engine, 'layout'>, throws: number): readonly number[] | null =>
  USUAL[`${layout} ${throws}`] ?? null;

/** Which way a bore lies from upright, seen from the front: the left bank, as from the driver's seat, is to the right. */
const leanOf = ({ layout, bankAngle }: Engine, { bank }: Pick<Cylinder, 'bank'>): number =>
  hasTwoBanks(layout) ? (bank === 'left' ? bankAngle / 2 : -bankAngle / 2) : 0;

/**
 * How far the crank has to be turned from where it stands with its first throw at 0, the way it runs, until the
 * throw of a cylinder is at the
 * bottom; degrees from 0 to 360.
 *
 * @param at where that throw stands on the crank
 * @example
 *   bottomOf({ layout: 'inline', cylinders: 4, bankAngle: 0, rotation: 'clockwise', numbering: { scheme:
 *   'sequence', start: 'front', firstBank: 'left' } }, { bank: 'only' }, 0) // 180
 */
export function bottomOf(engine: Engine, cylinder: Pick<Cylinder, 'bank'>, at: number): number {
  const away = leanOf(engine, cylinder) + 180 - at;
  return turned(engine.rotation === 'clockwise' ? away : -away);
}

/**
 * The angle of the crank for each cylinder's throw at the bottom, by its id; null where the throws are not known.
 */
export function bottomsOf(
  engine: Engine,
  cylinders: readonly Cylinder[],
  rods: ReadonlyMap<string, Pick<Rod, 'throw'>>,
  throws: readonly number[] | null,
): Map<string, number> | null {
  const count = Math.max(0, ...[...rods.values()].map((r) => r.throw));
  const stand = throws?.length === count ? throws : throws === null ? usualThrows(engine, count) : null;
  if (!stand) return null;
  return new Map(cylinders.map((c) => [c.id, bottomOf(engine, c, stand[(rods.get(c.id)?.throw ?? 1) - 1] ?? 0)]));
}
