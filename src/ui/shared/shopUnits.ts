import type { Units } from '@/core/foundation/quantity/length';
import type { Bare } from '@/core/foundation/quantity/parseLengths';

/** The two systems a shop may speak, as they are offered. */
export const SHOP_UNITS = [
  ['imperial', 'thou and inches'],
  ['metric', 'millimetres'],
] as const;

/** What a small length without a unit means in each. */
export const bareOf = (units: Units): Bare => (units === 'imperial' ? 'thou' : 'mm');

/** What a size without a unit means in each. */
export const unitOf = (units: Units): 'in' | 'mm' => (units === 'imperial' ? 'in' : 'mm');
