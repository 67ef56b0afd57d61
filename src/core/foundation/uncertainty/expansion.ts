/** Lengths brought to 20 °C (ISO 1) by linear expansion. */
import type { Nm } from '../quantity/length';

/** Reference temperature for length, °C (ISO 1). */
export const COLD = 20;
/** Mean expansion of steel near 20 °C, per kelvin: of measuring tools and piston pins. Handbook value, from memory. */
export const STEEL_EXPANSION = 11.7e-6;

const longer = (expansion: number, celsius: number): number => 1 + expansion * (celsius - COLD);

/**
 * A size measured away from 20 °C, as it is at 20 °C, in nm not rounded. A tool that is warm has grown as well and
 * reads small: true = measured·(1 + α_t·ΔT_t) / (1 + α_p·ΔT_p). Linear expansion; the formula is an identity of it.
 *
 * @param tool its temperature and expansion; at 20 °C it drops out
 */
export const atReference = (
  measured: Nm,
  celsius: number,
  expansion: number,
  tool: { celsius: number; expansion: number } = { celsius: COLD, expansion: 0 },
): number => (measured * longer(tool.expansion, tool.celsius)) / longer(expansion, celsius);
