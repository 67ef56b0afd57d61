/** Torques: whole millinewton metres inside. 1 lb·ft = 1.3558179483314004 N·m exactly (published: NIST SP 811, recalled from memory). */
import type { Units } from './length';
import type { ParsedFigure } from './parseNumber';

/** A torque in whole mN·m. */
export type MilliNm = number;

/** mN·m in a pound-force foot: 0.3048 m × 4.448 221 615 260 5 N, exact by definition. */
const PER_LBFT = 1_355.817_948_331_400_4;

/** Of the shop's own unit, of inch-pounds as small beams show them, and of kilopond metres as old sheets print. */
const PER: readonly (readonly [RegExp, number])[] = [
  [/^(?:lb ?[·.]?-? ?ft|ft ?[·.]?-? ?lbs?|lbs? ?ft|')$/, PER_LBFT],
  [/^(?:lb ?[·.]?-? ?in|in ?[·.]?-? ?lbs?|lbs? ?in)$/, PER_LBFT / 12],
  [/^(?:n ?[·.]? ?m)$/, 1_000],
  [/^(?:kg ?[·.]? ?m|kgm|mkg|kpm)$/, 9_806.65],
];

/** The most torque of a fastener that is taken, mN·m. From memory. */
const MOST: MilliNm = 1_500_000;

/** mN·m of lb·ft, rounded. */
export const fromPoundFeet = (lbft: number): MilliNm => Math.round(lbft * PER_LBFT);

/** lb·ft of mN·m, not rounded. */
const toPoundFeet = (torque: MilliNm): number => torque / PER_LBFT;

const shortened = (value: number): string => value.toFixed(1).replace(/\.0$/, '');

/**
 * A torque in the shop's unit.
 *
 * @example torqueText(61_012, 'imperial') // '45 lb·ft'
 */
export const torqueText = (torque: MilliNm, units: Units): string =>
  units === 'metric' ? `${shortened(torque / 1_000)} N·m` : `${shortened(toPoundFeet(torque))} lb·ft`;

/**
 * A torque in both units, the shop's own first.
 *
 * @example bothTorques(61_012, 'imperial') // '45 lb·ft (61 N·m)'
 */
export const bothTorques = (torque: MilliNm, units: Units): string =>
  `${torqueText(torque, units)} (${torqueText(torque, units === 'metric' ? 'imperial' : 'metric')})`;

/**
 * What was typed as a torque: a bare number in the shop's unit, or with lb·ft, lb·in, N·m or kg·m after it. Never throws.
 *
 * @example parseTorque('45', 'imperial') // { kind: 'understood', value: 61012 }
 */
export function parseTorque(text: string, units: Units): ParsedFigure {
  const entry = text.trim().toLowerCase().replace(',', '.');
  if (entry === '') return { kind: 'empty' };
  const match = /^(\d+\.?\d*|\.\d+) ?([a-z'·.\- ]+)?$/.exec(entry);
  const word = match?.[2]?.trim();
  const per = word === undefined ? (units === 'metric' ? 1_000 : PER_LBFT) : PER.find(([unit]) => unit.test(word))?.[1];
  if (!match || per === undefined)
    return {
      kind: 'refused',
      why: `“${text.trim().slice(0, 40)}” is no torque. Accepted: ${units === 'metric' ? '61, 61 N·m, 45 lb·ft' : '45, 45 lb·ft, 61 N·m'}.`,
    };
  const value = Math.round(Number(match[1]) * per);
  if (value <= 0) return { kind: 'refused', why: 'A torque is more than nothing.' };
  if (value > MOST) return { kind: 'refused', why: `${bothTorques(value, units)} is more than any bolt here takes.` };
  return { kind: 'understood', value };
}

/**
 * Several torques in one entry, apart by spaces, semicolons or slashes; the unit may stand after the last. Never throws.
 *
 * @example parseTorques('30 60', 'imperial') // { ok: true, values: [ 40675, 81349 ] }
 */
export function parseTorques(text: string, units: Units): { ok: true; values: MilliNm[] } | { ok: false; why: string } {
  const match = /^([\d.,;/ ]*?) *([a-z'·.\- ]*)$/i.exec(text.trim());
  if (!match) return { ok: false, why: `“${text.trim().slice(0, 40)}” are no torques. Accepted: 30 60 90.` };
  const numerals = (match[1] ?? '').split(/[ ;/]+|, +/).filter((part) => part !== '');
  const values: MilliNm[] = [];
  for (const numeral of numerals) {
    const heard = parseTorque(`${numeral} ${match[2] ?? ''}`, units);
    if (heard.kind === 'refused') return { ok: false, why: heard.why };
    if (heard.kind === 'understood') values.push(heard.value);
  }
  return { ok: true, values };
}
