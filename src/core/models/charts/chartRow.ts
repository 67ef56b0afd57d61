/**
 * Which chart row a use and its power adders lead to.
 *
 * More heat per cylinder needs more gap: boost below and above about 15 psi, nitrous below and above about
 * 200 hp. Common practice, no source. The row is a suggestion with its reason; the builder may choose another.
 */
import { type Boost, type Adders, type Nitrous, type Service, shotSum } from '../load/service';
import { type Fuel, type Use, USE_WORDS } from '../load/serviceWords';
import { atmosphereAt } from '../load/gas';
import { type Pascal, fromPressure, pressureText } from '../../foundation/quantity/pressure';
import type { Duty } from './chart';

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

/** A shot in all and for each cylinder it feeds, hp; a share of a base power that is not said is none. */
function shotOf(
  nitrous: Nitrous,
  { basePower }: Pick<Service, 'basePower'>,
  engineCylinders: number,
): { total: number; fed: number; each: number } {
  const total = nitrous.share === null ? shotSum(nitrous) : nitrous.share * (basePower ?? 0);
  const fed = nitrous.cylinders ?? engineCylinders;
  return { total, fed, each: total / fed };
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

function nitrousRow(nitrous: Nitrous, service: Service, engineCylinders: number): Advised | string {
  const { total, fed, each } = shotOf(nitrous, service, engineCylinders);
  if (!(total > 0))
    return nitrous.share === null
      ? 'Say how large the nitrous shot is.'
      : 'Give the base power: the nitrous is said as a share of it.';
  const load = Math.max(total / NITROUS_THRESHOLD, each / NITROUS_THRESHOLD_PER_CYLINDER);
  const stages = nitrous.shots.length > 1 ? ` in ${nitrous.shots.length} stages` : '';
  const shot = `${Number(total.toFixed(0))} hp${stages} in ${fed} ${fed === 1 ? 'cylinder' : 'cylinders'} is ${each.toFixed(0)} hp each`;
  return byThreshold(load, ['nitrousLow', 'nitrousHigh'], {
    low: `${shot}: within 200 hp and 25 hp a cylinder`,
    high: `${shot}: over ${total > NITROUS_THRESHOLD ? '200 hp' : '25 hp a cylinder'}`,
    near: `${shot}, near the line at 200 hp or 25 hp a cylinder: with a little more the other row is used.`,
  });
}

/** Rows for uses that a printed sheet tells apart less finely. */
const USE_ROWS: Record<Use, Duty> = {
  plain: 'plain',
  street: 'street',
  sprint: 'race',
  race: 'race',
  endurance: 'race',
  marine: 'marine',
  pulling: 'marine',
};

function boostRow({ pressure, absolute }: Boost, altitude: number): Advised | string {
  if (pressure === null) return 'Say how much boost it runs.';
  const over = absolute ? Math.max(0, pressure - atmosphereAt(altitude)) : pressure;
  const boost = pressureText(over);
  return byThreshold(over / BOOST_THRESHOLD, ['boostLow', 'boostHigh'], {
    low: `${boost} of boost is not over 15 psi`,
    high: `${boost} of boost is over 15 psi`,
    near: `${boost} is near the line at 15 psi (1.03 bar): with a little more boost the other row is used.`,
  });
}

/** The row some adders ask for, or what has to be said first. Of boost and nitrous together the hotter row, since no row is for both. */
function rowFor({ boost, nitrous }: Adders, service: Service, engineCylinders: number): Advised | string {
  const { use, fuel, altitude } = service;
  const shot = nitrous && nitrousRow(nitrous, service, engineCylinders);
  if (typeof shot === 'string') return shot;
  if (fuel === 'diesel' && !shot)
    return {
      row: 'diesel',
      reason: boost
        ? 'diesel under boost'
        : 'diesel: the chart has one row for it, a turbo diesel’s, which is the safe side',
      near: null,
    };
  const blown = boost && fuel !== 'diesel' ? boostRow(boost, altitude) : null;
  if (typeof blown === 'string') return blown;
  if (shot && blown) {
    const hotter = isHotter(blown.row, shot.row) ? blown : shot;
    return {
      ...hotter,
      reason: `${hotter.reason}; no row is for boost and nitrous together, so that this is the hotter of two and not enough for both`,
    };
  }
  if (shot ?? blown) return shot ?? blown ?? '';
  return use ? { row: USE_ROWS[use], reason: `no power adder: ${USE_WORDS[use]}`, near: null } : 'Set the use.';
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
  if (typeof later === 'string') return { set: false, ask: `Planned upgrades: ${later}` };
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
      return 'No chart row covers nitromethane: it makes far more heat. Use the ring and piston sheets.';
    case 'twoStroke':
      return 'The chart’s rows are for four-strokes: a two-stroke fires twice as often and its piston runs hotter. Use the ring and piston sheets.';
    case 'methanol':
    case 'ethanol':
    case 'gas':
      return `The chart’s rows are for petrol and diesel. ${fuel === 'gas' ? 'Gas burns dry and hot' : 'Alcohol is run at other mixtures'}: lean or unusual fuel needs more gap. Use the ring and piston sheets.`;
    default:
      return null;
  }
}
