/**
 * What metal does to a bearing: a housing of aluminium grows more than the steel journal in it, so that its clearance opens
 * as the engine warms (free linear expansion: an identity). Shells are thin and follow their housing.
 */
import { STEEL_EXPANSION } from '../../foundation/uncertainty/expansion';
import { BORE_EXPANSION, HOUSING_EXPANSION, ROD_EXPANSION } from '../../models/heat/metals';
import type { Nm } from '../../foundation/quantity/length';
import type { Surface } from '../../foundation/parts/materials';
import type { BearingKind, BearingMetals } from './choices';

/** Kelvin over 20 °C that a bearing runs at, housing and journal alike. From memory. */
export const HOT_BY = 80;

/**
 * Expansion of a housing, per kelvin: of a main, the mean of block and cap, which each hold half of it.
 *
 * @param surface of the bores, for a block of which nothing is said
 * @example housingExpansion('main', { housing: 'aluminium', cap: 'iron', rod: 'steel' }, null) // 0.00001615
 */
export function housingExpansion(
  kind: BearingKind,
  { housing, cap, rod }: BearingMetals,
  surface: Surface | null,
): number {
  if (kind === 'rod') return ROD_EXPANSION[rod];
  const block = housing === null ? BORE_EXPANSION[surface ?? 'iron'] : HOUSING_EXPANSION[housing];
  return cap === null ? block : (block + HOUSING_EXPANSION[cap]) / 2;
}

/**
 * How much a clearance opens as housing and journal warm, nm not rounded; negative where it closes.
 *
 * @example Math.round(opensBy(67_000_000, 21.5e-6)) // 52528
 */
export const opensBy = (journal: Nm, housing: number): number => journal * (housing - STEEL_EXPANSION) * HOT_BY;
