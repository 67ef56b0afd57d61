/** The two systems a shop may speak, as they are offered. */
export const SHOP_UNITS = [
  ['imperial', 'thou and inches'],
  ['metric', 'millimetres'],
] as const;
