/** What an engine is for and what adds power to it, as it is said on the job card. Its words are in `serviceWords.ts`. */
import type { Nm } from '../../foundation/quantity/length';
import type { Pascal } from '../../foundation/quantity/pressure';
import type { Blower, Fuel, Use } from './serviceWords';

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

/** Water or alcohol sprayed into the charge. */
export interface Injection {
  what: 'water' | 'alcohol';
  /** Whether the engine is always run on it; else it lowers no gap: it can run out. */
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
  /** What else it may run on: the hottest of them all decides. */
  otherFuels: Fuel[];
  /** Share of nitromethane by volume, 0 to 1; null when not said, and for any other fuel. */
  nitro: number | null;
  now: Adders;
  /** What is planned for later: it is gapped for now. */
  later: Adders | null;
  /** Metres over sea level, where it runs lowest. */
  altitude: number;
  /** Power without nitrous, at the boost that is said, hp; null for an estimate from its size. */
  basePower: number | null;
  /** Stroke, and the highest speed it is run at under full load, rpm: the mean piston speed follows; null for what is usual. */
  stroke: Nm | null;
  redline: number | null;
  cooling: 'water' | 'air';
  /** What lowers the heat and may be counted: whether the engine always runs on this fuel, and always at that altitude. */
  always: { fuel: boolean; altitude: boolean };
}

export const NO_SERVICE: Service = {
  use: null,
  fuel: 'petrol',
  otherFuels: [],
  nitro: null,
  now: NO_ADDERS,
  later: null,
  altitude: 0,
  basePower: null,
  stroke: null,
  redline: null,
  cooling: 'water',
  always: { fuel: false, altitude: false },
};

/**
 * Every fuel that an engine may run on, the one it runs on first.
 *
 * @example fuelsOf(judgement.job.service) // ['petrol']
 */
export const fuelsOf = ({ fuel, otherFuels }: Pick<Service, 'fuel' | 'otherFuels'>): Fuel[] => [
  ...new Set([fuel, ...otherFuels]),
];

/** A sum of nitrous shots, hp. */
export const shotSum = ({ shots }: Pick<Nitrous, 'shots'>): number => shots.reduce((a, b) => a + b, 0);
