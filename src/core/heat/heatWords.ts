/** The heat model as it is told and drawn: what it assumes, the formula with its numbers, the lines over temperature. */
import { type Saying, fine, raw, say, size } from '../quantity/saying';
import type { HotClearance, HotGap, JudgedHeat, JudgedRingHeat } from './assess';
import { COLD, hotGap, runningClearance } from './heat';
import { RING_METAL_WORDS } from './metals';

const degrees = (celsius: number): string => `${celsius.toFixed(celsius % 1 === 0 ? 0 : 1)} °C`;
const micro = (expansion: number): string => `${(expansion * 1e6).toFixed(1)}×10⁻⁶`;

/** A gap or a clearance over temperature, from cold to where nothing is left of it; nm. */
export type HeatLine = { celsius: number; gap: number }[];

/** A gap's line over ring temperature, from the cold ring to where the ends meet. */
export const gapLine = ({ cold, butting }: HotGap, { heat }: JudgedRingHeat): HeatLine => [
  { celsius: COLD, gap: hotGap(cold, COLD, heat) },
  { celsius: butting, gap: 0 },
];

/** A clearance's line over skirt temperature. */
export const clearanceLine = (
  { cold, closing }: HotClearance,
  { heat }: NonNullable<JudgedHeat['piston']>,
): HeatLine => [
  { celsius: COLD, gap: runningClearance(cold, COLD, heat) },
  { celsius: closing, gap: 0 },
];

/** From this chance on a gap is said to close; under it the model's doubt leaves it open. The 95 % of every verdict. */
const SURE = 0.95;

/**
 * What is said of a gap whose ends meet at the assumed temperature; null for one that stays open there.
 *
 * @example closedWords({ hot: 1_000, chance: 0.2 }) // null
 */
export const closedWords = ({ hot, chance }: Pick<HotGap, 'hot' | 'chance'>): string | null =>
  hot >= 0 ? null : chance < SURE ? 'may be closed' : 'closed';

/** How a gap was worked out hot, a line each. */
export const gapWorking = (
  { cold, hot, butting, margin }: HotGap,
  { assumed, heat, spread }: JudgedRingHeat,
): Saying[] => [
  say`π × ${size(heat.bore)} × (1 + ${micro(heat.boreExpansion)} × ${heat.wall - COLD} K) − (π × ${size(heat.bore)} − ${fine(cold)}) × (1 + ${micro(heat.ringExpansion)} × ${assumed - COLD} K) = ${raw(Math.round(hot))}`,
  say`that is nothing at ${degrees(butting)}: ${margin.toFixed(0)} K from the assumed ${degrees(assumed)}`,
  say`how far that may be off (k = 2): ring ± ${spread.ring.toFixed(0)} K, wall ± ${spread.wall.toFixed(0)} K, expansions ± ${Number((spread.expansion * 100).toFixed(1))} %; where a heat load says the temperatures, its own spread is in them`,
];

/** How a clearance was worked out hot, a line each. */
export const clearanceWorking = (
  { cold, hot, closing }: HotClearance,
  { assumed, heat }: NonNullable<JudgedHeat['piston']>,
): Saying[] => [
  say`${size(heat.bore)} × (1 + ${micro(heat.boreExpansion)} × ${heat.wall - COLD} K) − (${size(heat.bore)} − ${fine(cold)}) × (1 + ${micro(heat.pistonExpansion)} × ${assumed - COLD} K) = ${raw(Math.round(hot))}`,
  say`nothing is left on paper at ${degrees(closing)}`,
];

/**
 * What the model assumes, as a sentence.
 *
 * @example cylinder.heat && assumedWords(cylinder.heat) // 'ductile iron rings, iron bore, wall at 125 °C'
 */
export const assumedWords = ({ temperatures, bore, rings: { top, second } }: JudgedHeat): string =>
  `${top.metal === second.metal ? `${RING_METAL_WORDS[top.metal]} rings` : `top ring ${RING_METAL_WORDS[top.metal]}, second ring ${RING_METAL_WORDS[second.metal]}`}, ${bore.surface === 'iron' ? 'iron' : 'plated aluminium'} bore${bore.assumed ? ' (not said on the job card: taken as iron)' : ''}, wall at ${degrees(temperatures.wall)}`;
