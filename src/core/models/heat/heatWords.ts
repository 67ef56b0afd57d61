/** The heat model as it is told and drawn: what it assumes, the formula with its numbers, the lines over temperature. */
import { type Message, fine, raw, say, size } from '../../foundation/quantity/message';
import type { HeatCase, HotClearance, HotGap, JudgedHeat, JudgedRingHeat } from './assess';
import { hotGap, runningClearance } from './hotGap';
import { COLD } from '../../foundation/uncertainty/expansion';
import { RING_METAL_WORDS } from './metalWords';
import type { Expansion } from './metals';
import { COLD_WALL } from './temperatures';

const degrees = (celsius: number): string => `${celsius.toFixed(celsius % 1 === 0 ? 0 : 1)} °C`;
/** The mean coefficient of a metal from 20 °C up to a temperature. */
const micro = ({ at0, each }: Expansion, celsius: number): string =>
  `${((at0 + each * celsius) * 1e6).toFixed(1)}×10⁻⁶`;

/** A gap or a clearance over temperature, from cold to where nothing is left of it; nm. */
export type HeatLine = { celsius: number; gap: number }[];

/** Pieces that a line is drawn in: a metal grows a little faster the hotter it is. */
const PIECES = 12;

const lineOver = (to: number, gapAt: (celsius: number) => number): HeatLine =>
  Array.from({ length: PIECES + 1 }, (_, i) => {
    const celsius = COLD + ((to - COLD) * i) / PIECES;
    return i === PIECES ? { celsius: to, gap: 0 } : { celsius, gap: gapAt(celsius) };
  });

/** A gap's line over ring temperature, from the cold ring to where the ends meet. */
export const gapLine = ({ cold, butting }: HotGap, { heat }: JudgedRingHeat): HeatLine =>
  lineOver(butting, (celsius) => hotGap(cold, celsius, heat));

/** A clearance's line over skirt temperature. */
export const clearanceLine = ({ cold, closing }: HotClearance, { heat }: NonNullable<JudgedHeat['piston']>): HeatLine =>
  lineOver(closing, (celsius) => runningClearance(cold, celsius, heat));

/** From this chance on a gap is said to close; under it the model's doubt leaves it open. The 95 % of every verdict. */
const SURE = 0.95;

/**
 * What is said of a gap whose ends meet at the assumed temperature; null for one that stays open there.
 *
 * @example [1_000, -1_000].map((hot) => closedWords({ hot, chance: 0.2 })) // [ null, 'may be closed' ]
 */
export const closedWords = ({ hot, chance }: Pick<HotGap, 'hot' | 'chance'>): string | null =>
  hot >= 0 ? null : chance < SURE ? 'may be closed' : 'closed';

const kelvin = (celsius: number): string => String(Number((celsius - COLD).toFixed(1)));

/** The two cases that a gap is worked out in. */
const CASE_WORDS: Record<HeatCase, string> = {
  warm: 'warm, at the bottom of travel',
  'cold wall': `hot ring, wall at ${COLD_WALL} °C`,
};

/** How a gap was worked out hot, a line each. */
export const gapWorking = (
  { cold, hot, butting, margin, cases }: HotGap,
  { assumed, heat, spread, decides }: JudgedRingHeat,
): Message[] => [
  say`π × ${size(heat.bore)} × (1 + ${micro(heat.boreExpansion, heat.wall)} × ${kelvin(heat.wall)} K) − (π × ${size(heat.bore)} − ${fine(cold)}) × (1 + ${micro(heat.ringExpansion, assumed)} × ${kelvin(assumed)} K) = ${raw(Math.round(hot))}`,
  say`that is nothing at ${degrees(butting)}: ${margin.toFixed(0)} K from the assumed ${degrees(assumed)}`,
  say`${CASE_WORDS.warm} ${raw(Math.round(cases.warm.hot))}; ${CASE_WORDS['cold wall']} ${raw(Math.round(cases['cold wall'].hot))}: ${decides === 'warm' ? 'iron is judged warm' : 'aluminium is judged by the cold wall'}`,
  say`how far that may be off (k = 2): ring ± ${spread.ring.toFixed(0)} K, wall ± ${spread.wall.toFixed(0)} K, expansions ± ${Number((spread.expansion * 100).toFixed(1))} %; where a heat load says the temperatures, its own spread is in them`,
];

/** How a clearance was worked out hot, a line each. */
export const clearanceWorking = (
  { cold, hot, closing }: HotClearance,
  { assumed, heat }: NonNullable<JudgedHeat['piston']>,
): Message[] => [
  say`${size(heat.bore)} × (1 + ${micro(heat.boreExpansion, heat.wall)} × ${kelvin(heat.wall)} K) − (${size(heat.bore)} − ${fine(cold)}) × (1 + ${micro(heat.pistonExpansion, assumed)} × ${kelvin(assumed)} K) = ${raw(Math.round(hot))}`,
  say`the skirt's figure is what it shows at the gauge point of its free growth: from memory`,
  say`nothing is left in the model at ${degrees(closing)}`,
];

/**
 * What the model assumes, as a sentence.
 *
 * @example
 *   cylinder.heat && assumedWords(cylinder.heat)
 *   // 'ductile iron rings, iron bore, coolant at 90 °C, wall at 121 °C (103 °C at the bottom)'
 */
export const assumedWords = ({ temperatures, bore, rings: { top, second } }: JudgedHeat): string =>
  `${top.metal === second.metal ? `${RING_METAL_WORDS[top.metal]} rings` : `top ring ${RING_METAL_WORDS[top.metal]}, second ring ${RING_METAL_WORDS[second.metal]}`}, ${bore.surface === 'iron' ? 'iron' : 'plated aluminium'} bore${bore.assumed ? ' (not set on the job card: iron assumed)' : ''}, coolant at ${degrees(temperatures.coolant)}, wall at ${temperatures.wall.toFixed(0)} °C (${temperatures.wallBottom.toFixed(0)} °C at the bottom)`;
