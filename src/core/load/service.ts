/** What an engine is for and what adds power to it, as it is said on the job card. */
import { type Pascal, pressureText } from '../quantity/pressure';

/** `race` is of job cards from before sprint and endurance were told apart. */
export const USES = ['plain', 'street', 'sprint', 'race', 'endurance', 'marine', 'pulling'] as const;
export type Use = (typeof USES)[number];

export const USE_WORDS: Record<Use, string> = {
  plain: 'plain rebuild',
  street: 'performance street',
  sprint: 'drag or sprint',
  race: 'oval or drag',
  endurance: 'oval, road race, endurance',
  marine: 'marine, towing',
  pulling: 'pulling',
};

export const FUELS = ['petrol', 'e85', 'ethanol', 'methanol', 'nitromethane', 'gas', 'diesel', 'twoStroke'] as const;
export type Fuel = (typeof FUELS)[number];

export const FUEL_WORDS: Record<Fuel, string> = {
  petrol: 'petrol',
  e85: 'ethanol blend (E85)',
  ethanol: 'ethanol, neat',
  methanol: 'methanol',
  nitromethane: 'nitromethane in methanol',
  gas: 'gas (propane, methane)',
  diesel: 'diesel',
  twoStroke: 'two-stroke mix',
};

export const BLOWERS = ['turbo', 'supercharger', 'twoStage'] as const;
export type Blower = (typeof BLOWERS)[number];

export const BLOWER_WORDS: Record<Blower, string> = {
  turbo: 'turbo',
  supercharger: 'supercharger',
  twoStage: 'two stages',
};

/** Two stages are one pressure: what stands in the inlet at its most. */
export interface Boost {
  by: Blower;
  /** Null while it is not said. */
  pressure: Pascal | null;
  /** Over a vacuum; else over the atmosphere about the engine. */
  absolute: boolean;
  /** Whether the charge is cooled; null when not said. */
  cooled: boolean | null;
}

export interface Nitrous {
  /** Stages that can run together, hp each; empty while none is said. */
  shots: number[];
  /** In place of power: as a share of the base power. */
  share: number | null;
  /** How many cylinders it is fed to; null for all of them. */
  cylinders: number | null;
}

/** The most that nitrous may add, as a share of the base power. */
export const MOST_SHARE = 3;

/** Water or alcohol sprayed into the charge. */
export interface Injection {
  what: 'water' | 'alcohol';
  /** Whether it is counted on: it can run out. */
  counted: boolean;
}

/** What adds power, any of it together. */
export interface Adders {
  boost: Boost | null;
  nitrous: Nitrous | null;
  injection: Injection | null;
}

export const NO_ADDERS: Adders = { boost: null, nitrous: null, injection: null };

export interface Service {
  use: Use | null;
  fuel: Fuel;
  /** Share of nitromethane by volume, 0 to 1; null when not said, and for any other fuel. */
  nitro: number | null;
  now: Adders;
  /** What is planned for later: it is gapped for now. */
  later: Adders | null;
  /** Metres over sea level, where it runs lowest. */
  altitude: number;
  /** Power without nitrous, at the boost that is said, hp; null for an estimate from its size. */
  basePower: number | null;
  cooling: 'water' | 'air';
}

export const NO_SERVICE: Service = {
  use: null,
  fuel: 'petrol',
  nitro: null,
  now: NO_ADDERS,
  later: null,
  altitude: 0,
  basePower: null,
  cooling: 'water',
};

/** A sum of nitrous shots, hp. */
export const shotSum = ({ shots }: Pick<Nitrous, 'shots'>): number => shots.reduce((a, b) => a + b, 0);

const boostWords = ({ by, pressure, absolute, cooled }: Boost): string =>
  [
    BLOWER_WORDS[by],
    pressure === null ? 'boost not said' : `${pressureText(pressure)}${absolute ? ' absolute' : ''}`,
    ...(cooled === null ? [] : [cooled ? 'charge cooled' : 'charge not cooled']),
  ].join(', ');

function nitrousWords({ shots, share, cylinders }: Nitrous): string {
  const amount =
    share === null ? `${shots.join(' + ') || '?'} hp` : `${Number((share * 100).toFixed(1))} % of the base`;
  return `nitrous, ${amount}${cylinders === null ? '' : ` in ${cylinders} cylinders`}`;
}

/**
 * What adds power in a few words, e.g. `turbo, 20.3 psi (1.40 bar); nitrous, 150 hp`.
 *
 * @example adderWords({ boost: null, nitrous: null, injection: null }) // 'none'
 */
export function adderWords({ boost, nitrous, injection }: Adders): string {
  const parts = [
    ...(boost ? [boostWords(boost)] : []),
    ...(nitrous ? [nitrousWords(nitrous)] : []),
    ...(injection ? [`${injection.what} injection${injection.counted ? '' : ', not counted on'}`] : []),
  ];
  return parts.join('; ') || 'none';
}
