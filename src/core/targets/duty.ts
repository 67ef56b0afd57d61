/**
 * What the engine is for, and which row of the chart that asks for.
 *
 * More heat per cylinder needs more gap: boost below and above about 15 psi, nitrous below and above about
 * 200 hp. Common practice, no source. The row is a suggestion with its reason; the builder may choose another.
 */
import { type Pascal, fromPressure, pressureText } from '../quantity/pressure';
import type { Duty } from './chart';

export const USES = ['plain', 'street', 'race', 'marine'] as const;
export type Use = (typeof USES)[number];

export const USE_WORDS: Record<Use, string> = {
  plain: 'plain rebuild',
  street: 'performance street',
  race: 'oval or drag',
  marine: 'marine, towing',
};

export const FUELS = ['petrol', 'ethanol', 'methanol', 'nitromethane', 'gas', 'diesel'] as const;
export type Fuel = (typeof FUELS)[number];

export const FUEL_WORDS: Record<Fuel, string> = {
  petrol: 'petrol',
  ethanol: 'ethanol blend',
  methanol: 'methanol',
  nitromethane: 'nitromethane',
  gas: 'gas (propane, methane)',
  diesel: 'diesel',
};

/** What adds power. A boost or a shot that is not said yet is null or empty. */
export type Adder =
  | { kind: 'none' }
  | { kind: 'turbo' | 'supercharger'; boost: Pascal | null }
  /** Shots of the stages that can run together, hp each, fed to so many cylinders (null: all of them). */
  | { kind: 'nitrous'; shots: number[]; cylinders: number | null };

export interface Service {
  use: Use | null;
  fuel: Fuel;
  now: Adder;
  /** What is planned for later: it is gapped for now. */
  later: Adder | null;
}

export const NO_SERVICE: Service = { use: null, fuel: 'petrol', now: { kind: 'none' }, later: null };

/** 15 psi: between the two boost rows. Common practice, no source. */
const BOOST_THRESHOLD: Pascal = fromPressure(15, 'psi');
/** 200 hp: between the two nitrous rows. Common practice, no source. */
const NITROUS_THRESHOLD = 200;
/** The chart's 200 hp is taken as spread over eight cylinders: 25 hp each. From memory. */
const NITROUS_THRESHOLD_PER_CYLINDER = 25;
/** Within a tenth of a threshold both rows are shown. From memory. */
const NEAR = 0.1;

/** Rows in the order of the heat they stand for. From memory. */
const HEAT_ORDER: Duty[] = [
  'plain',
  'street',
  'race',
  'marine',
  'diesel',
  'boostLow',
  'nitrousLow',
  'boostHigh',
  'nitrousHigh',
];

const heatOf = (row: string): number => HEAT_ORDER.findIndex((duty) => duty === row);

/** Whether one row stands for more heat than another; never for a row of a shop's own. */
export const isHotter = (row: string, than: string): boolean => heatOf(than) >= 0 && heatOf(row) > heatOf(than);

/** A row with its reason, and the row beyond the threshold when it is near. */
export interface Advised {
  row: Duty;
  reason: string;
  near: { row: Duty; says: string } | null;
}

export type Suggestion =
  | { set: true; row: Duty; reason: string; now: Advised; later: Advised | null }
  /** What has to be said first. */
  | { set: false; ask: string };

const sum = (values: number[]): number => values.reduce((a, b) => a + b, 0);

type Nitrous = Extract<Adder, { kind: 'nitrous' }>;

/** A shot in all and for each cylinder it feeds, hp. */
const shotOf = (
  { shots, cylinders }: Nitrous,
  engineCylinders: number,
): { total: number; fed: number; each: number } => {
  const total = sum(shots);
  const fed = cylinders ?? engineCylinders;
  return { total, fed, each: total / fed };
};

/** A shot said back, e.g. `250 hp, 31 hp a cylinder`; empty while none is said. */
export function shotWords(adder: Nitrous, engineCylinders: number): string {
  const { total, each } = shotOf(adder, engineCylinders);
  return total > 0 ? `${total} hp, ${each.toFixed(0)} hp a cylinder` : '';
}

function byThreshold(
  load: number,
  rows: [low: Duty, high: Duty],
  words: { low: string; high: string; near: string },
): Advised {
  const high = load > 1;
  const near = Math.abs(load - 1) <= NEAR ? { row: high ? rows[0] : rows[1], says: words.near } : null;
  return { row: high ? rows[1] : rows[0], reason: high ? words.high : words.low, near };
}

function nitrousRow(adder: Nitrous, engineCylinders: number): Advised | string {
  const { total, fed, each } = shotOf(adder, engineCylinders);
  if (!(total > 0)) return 'Say how large the nitrous shot is.';
  const load = Math.max(total / NITROUS_THRESHOLD, each / NITROUS_THRESHOLD_PER_CYLINDER);
  const stages = adder.shots.length > 1 ? ` in ${adder.shots.length} stages` : '';
  const shot = `${total} hp${stages} in ${fed} ${fed === 1 ? 'cylinder' : 'cylinders'} is ${each.toFixed(0)} hp each`;
  return byThreshold(load, ['nitrousLow', 'nitrousHigh'], {
    low: `${shot}: within 200 hp and 25 hp a cylinder`,
    high: `${shot}: over ${total > NITROUS_THRESHOLD ? '200 hp' : '25 hp a cylinder'}`,
    near: `${shot}, near the line at 200 hp or 25 hp a cylinder: a little more and the other row holds.`,
  });
}

/** The row one adder asks for, or what has to be said first. */
function rowFor(adder: Adder, { use, fuel }: Service, engineCylinders: number): Advised | string {
  if (adder.kind === 'nitrous') return nitrousRow(adder, engineCylinders);
  if (fuel === 'diesel')
    return {
      row: 'diesel',
      reason:
        adder.kind === 'none'
          ? 'diesel: the chart has one row for it, a turbo diesel’s, which is the safe side'
          : 'diesel under boost',
      near: null,
    };
  if (adder.kind === 'none')
    return use ? { row: use, reason: `no power adder: ${USE_WORDS[use]}`, near: null } : 'Say what the engine is for.';
  if (adder.boost === null) return 'Say how much boost it runs.';
  const boost = pressureText(adder.boost);
  return byThreshold(adder.boost / BOOST_THRESHOLD, ['boostLow', 'boostHigh'], {
    low: `${boost} of boost is not over 15 psi`,
    high: `${boost} of boost is over 15 psi`,
    near: `${boost} is near the line at 15 psi (1.03 bar): a little more boost and the other row holds.`,
  });
}

/**
 * The chart row that a service asks for: that of what is fitted now or of what is planned, whichever is
 * hotter. Source: common practice.
 *
 * @param cylinders of the engine, for a shot that feeds all of them
 */
export function suggestDuty(service: Service, cylinders: number): Suggestion {
  const now = rowFor(service.now, service, cylinders);
  if (typeof now === 'string') return { set: false, ask: now };
  if (!service.later) return { set: true, row: now.row, reason: now.reason, now, later: null };
  const later = rowFor(service.later, service, cylinders);
  if (typeof later === 'string') return { set: false, ask: `${later.replace(/\.$/, '')} that is planned for later.` };
  const ahead = isHotter(later.row, now.row);
  const reason = ahead
    ? `gapped now for what is planned: ${later.reason}`
    : `${now.reason}; what is planned asks for no more`;
  return { set: true, row: ahead ? later.row : now.row, reason, now, later };
}

/** What no row of the chart was made for, as a sentence; null for an ordinary fuel. */
export function fuelCaution(fuel: Fuel): string | null {
  switch (fuel) {
    case 'nitromethane':
      return 'No row of the chart is for nitromethane: it makes far more heat. Take the figure from the ring and piston sheets.';
    case 'methanol':
    case 'gas':
      return `The chart’s rows are for petrol and diesel. ${fuel === 'gas' ? 'Gas burns dry and hot' : 'Methanol is run at other mixtures'}: lean or unusual fuel needs more gap. See what the sheets say.`;
    default:
      return null;
  }
}

/**
 * An adder in a few words, e.g. `turbo, 20.3 psi (1.40 bar)`.
 *
 * @example adderWords({ kind: 'none' }) // 'none'
 */
export function adderWords(adder: Adder): string {
  switch (adder.kind) {
    case 'none':
      return 'none';
    case 'nitrous':
      return `nitrous, ${adder.shots.join(' + ') || '?'} hp${adder.cylinders === null ? '' : ` in ${adder.cylinders} cylinders`}`;
    default:
      return `${adder.kind}, ${adder.boost === null ? 'boost not said' : pressureText(adder.boost)}`;
  }
}

/** A shot as typed: one figure, or the stages with a plus between them. Null when it is neither. */
export function hearShots(text: string): number[] | null {
  if (text.trim() === '') return [];
  const parts = text.split('+').map((part) => part.trim().replace(/ ?b?hp$/i, ''));
  if (parts.some((part) => !/^\d{1,4}$/.test(part))) return null;
  const shots = parts.map(Number);
  return shots.length <= 6 && shots.every((hp) => hp > 0) && sum(shots) <= 5_000 ? shots : null;
}
